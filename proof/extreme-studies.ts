import fc from 'fast-check'
import { everyDay } from '../core/calendar/week'
import { DEMOS } from '../core/demos/index'
import { HEATER_KINDS } from '../core/heaters/kinds'
import { addHeater, changeHeaterKind } from '../core/household/edits/plant'
import { Study } from '../core/study/study'
import { randomStudy } from './random-study'

/** Sound studies that nobody has, at the ends of what the schema takes: each must end in a year or in a reason. */

const [hillTown] = DEMOS.map((d) => d.study)
const of = (base: Study, change: (s: Study) => void): Study => {
  const draft = structuredClone(base)
  change(draft)
  return Study.parse(draft)
}
const habit = hillTown.people.uses[0]

/** Those that were once without an answer after twenty seconds, by name. */
export const EXTREMES: [string, Study][] = [
  [
    '20 habits, and 50 lots of 20 guests',
    of(hillTown, (s) => {
      s.people.uses = Array.from({ length: 20 }, (_, i) => ({ ...habit, id: `h${i}` }))
      s.people.guests = Array.from({ length: 50 }, (_, i) => ({
        name: `Guests ${i}`,
        count: 20,
        likePersonId: habit.personId!,
        fromDay: 1,
        toDay: 365,
      }))
    }),
  ],
  [
    '20,000 draws a day',
    of(hillTown, (s) => {
      s.people.draws = {
        kind: 'logged',
        source: 'a log',
        days: 1,
        firstWeekday: 0,
        draws: Array.from({ length: 20_000 }, (_, i) => ({
          atMin: (i * 1439) / 20_000,
          tapId: s.pipes.taps[i % s.pipes.taps.length].id,
          litres: 0.2,
          requiredC: 40,
        })),
      }
    }),
  ],
  [
    '200 runs of 500 m',
    of(hillTown, (s) => {
      const [first] = s.pipes.runs
      s.pipes.runs = Array.from({ length: 200 }, (_, i) => ({
        ...first,
        id: `r${i}`,
        from: i === 0 ? null : `r${i - 1}`,
        lengthM: 500,
      }))
      for (const tap of s.pipes.taps) tap.runId = 'r199'
      s.pipes.loop!.returnConnectionRunId = 'r199'
      s.packages = []
      s.claims = []
    }),
  ],
  [
    '200 showers of 120 minutes',
    of(hillTown, (s) => {
      s.people.uses = Array.from({ length: 200 }, (_, i) => ({
        ...habit,
        id: `h${i}`,
        days: Array<boolean>(7).fill(true),
        atMin: (i * 7) % 1440,
        use: { kind: 'timed', minutes: 120 },
      }))
    }),
  ],
  ...HEATER_KINDS.flatMap((kind): [string, Study][] => {
    const base = addHeater(changeHeaterKind(hillTown, 'boiler', kind), 'element')
    return [5, 5000].map((litres) => [
      `${kind} and an element on a store of ${litres} L`,
      of(base, (s) => {
        if (s.plant.store) Object.assign(s.plant.store, { litres, sensorHeight: 0, inletMix: 0.3 })
        for (const control of Object.values(s.controls.found.heaters)) control.differentialK = 0.5
        s.controls.found.loop = { ...s.controls.found.loop, mode: 'always', schedule: everyDay([0, 1440]) }
        s.pipes.loop!.pumpLMin = 30
      }),
    ])
  }),
]

/** Random studies with everything else thrown to an end as well: many people, long runs, hours of running. */
export const extremeStudy: fc.Arbitrary<Study> = fc
  .record({
    base: randomStudy,
    copies: fc.constantFrom(1, 5, 20),
    guests: fc.constantFrom(0, 2, 20),
    minutes: fc.constantFrom(0.05, 6, 120),
    lengthM: fc.constantFrom(0.1, 20, 500),
    flowLMin: fc.constantFrom(0.5, 8, 60),
  })
  .map(({ base, copies, guests, minutes, lengthM, flowLMin }) =>
    of(base, (s) => {
      const habits = s.people.uses.slice(0, 10)
      // Measures name habits by ids that are no more; these years are without packages.
      s.packages = []
      s.claims = []
      s.people.uses = Array.from({ length: copies }, (_, k) =>
        habits.map((h) => ({ ...h, id: `${h.id.slice(0, 30)}-${k}`, use: { kind: 'timed' as const, minutes } })),
      ).flat()
      if (guests && s.people.persons.length)
        s.people.guests = [
          { name: 'Guests', count: guests, likePersonId: s.people.persons[0].id, fromDay: 1, toDay: 365 },
        ]
      for (const run of s.pipes.runs) run.lengthM = lengthM
      for (const tap of s.pipes.taps) tap.flowLMin = flowLMin
    }),
  )
