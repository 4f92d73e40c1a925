import fc from 'fast-check'
import { commandable } from '../core/household/controllers'
import { type Controller, Grid, PANELS, TURNS, UNUSED_PERIODS } from '../core/study/controllers'
import type { Study } from '../core/study/study'

const perhaps = <T>(of: fc.Arbitrary<T>) => fc.option(of)
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })

const one = fc.record({
  /** Which of the things that can be commanded, in turn. */
  takes: fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
  panel: fc.constantFrom(...PANELS),
  grid: fc.record({
    stepMin: fc.constantFrom(1, 5, 10, 15, 30, 60) as fc.Arbitrary<Grid['stepMin']>,
    periodsPerDay: fc.integer({ min: 1, max: 12 }),
    days: fc.constantFrom(...Grid.shape.days.options),
  }),
  unused: fc.constantFrom(...UNUSED_PERIODS),
  timeoutS: perhaps(num(2, 900)),
  range: perhaps(fc.record({ lowC: num(0, 60), highC: num(61, 99), stepK: num(0.1, 20) })),
  lockAboveC: perhaps(num(30, 85)),
  unlocking: fc.constantFrom('', 'Hold both keys'),
  changedBy: fc.constantFrom('', 'Ada Quill'),
  account: fc.constantFrom('', 'Ada Quill'),
  batteryOn: fc.constantFrom(null, '2025-11-02'),
  ratingA: perhaps(num(0.5, 63)),
  permitted: perhaps(fc.boolean()),
  dial: perhaps(
    fc.record({
      marks: fc.constantFrom<string[]>(['A', 'B', 'C', 'D'], ['1', '2', '3', '4', '5'], ['off', '•', 'hot']),
      hotter: fc.constantFrom(...TURNS),
      pointer: fc.constantFrom('', 'Notch in the knob'),
      lowestIsOff: perhaps(fc.boolean()),
    }),
  ),
  clock: fc.record({
    aheadMin: fc.oneof(fc.constant(0), fc.integer({ min: -720, max: 720 })),
    daysAhead: fc.oneof(fc.constant(0), fc.integer({ min: -3, max: 3 })),
    summerTime: fc.constantFrom('follows' as const, 'stays' as const),
  }),
})

/** None to three controllers, which may command the same thing or nothing. */
export const controllers = fc.array(one, { maxLength: 3 })

export function putControllers(study: Study, thrown: typeof controllers extends fc.Arbitrary<infer T> ? T : never) {
  const all = commandable(study)
  const put = thrown.map(({ takes, clock: _, ...c }, i): Controller => ({
    ...c,
    id: `controller-${i + 1}`,
    name: `Controller ${i + 1}`,
    commands: all.filter((_of, j) => takes[j]),
    note: '',
  }))
  study.controllers = put
  study.controls.found.clocks = Object.fromEntries(put.map(({ id }, i) => [id, thrown[i].clock]))
}
