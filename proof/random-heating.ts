import fc from 'fast-check'
import { EVENTS } from '../core/readings/events'
import { hasSetpoint } from '../core/study/heater-kinds'
import { type FlowSetting, HouseHeating, RADIATOR_VALVES } from '../core/study/heating'
import { OWN_SETTING_KINDS } from '../core/study/own-settings'
import { PUMP_IS, RETURN_VALVE } from '../core/study/pipes'
import type { Reading } from '../core/study/readings'
import type { Study } from '../core/study/study'
import { num } from './random-numbers'
import { readingOf } from './studies'

const perhaps = <T>(of: fc.Arbitrary<T>) => fc.option(of)
const bar = perhaps(num(0, 3))

const pressures = perhaps(
  fc.record({
    coldBar: perhaps(num(0, 6)),
    hotBar: perhaps(num(0, 6)),
    warnBar: bar,
    lockoutBar: bar,
    reliefBar: perhaps(num(0.5, 10)),
    readOn: fc.constantFrom(null, '2026-03-02'),
    fillingShut: perhaps(fc.boolean()),
    shutBy: fc.constantFrom('', 'Ada Quill'),
  }),
)

/** The heating side of a household, or that nobody looked at it. */
const side: fc.Arbitrary<HouseHeating | null> = fc.option(
  fc.record({
    roomC: num(10, 28),
    loss: fc.record({
      floorM2: perhaps(num(10, 2000)),
      wM2: perhaps(num(5, 300)),
      usedKwh: perhaps(num(100, 500_000)),
      statedKw: perhaps(num(0.2, 200)),
    }),
    radiators: fc
      .array(
        fc.record({
          ratedKw: perhaps(num(0.05, 20)),
          lossKw: perhaps(num(0.02, 20)),
          valve: fc.constantFrom(...RADIATOR_VALVES),
          mark: fc.constantFrom('', '3'),
          measuredC: perhaps(num(5, 35)),
          clear: perhaps(fc.boolean()),
        }),
        { maxLength: 4 },
      )
      .map((all) => all.map((r, i) => ({ ...r, id: `radiator-${i + 1}`, name: `Room ${i + 1}` }))),
    totalRatedKw: perhaps(num(0.2, 500)),
    exponent: num(1, 1.6),
    leastKw: perhaps(num(0, 100)),
    mostKw: perhaps(num(0.5, 500)),
    circuitL: perhaps(num(5, 3000)),
    sensorIn: fc.constantFrom(null, 'radiator-1'),
    circuits: fc.record({ heating: pressures, 'solid fuel': pressures }),
    steps: perhaps(
      fc.record({
        begins: fc.constantFrom('2026-01-02', '2026-11-01'),
        fromC: num(20, 90),
        toC: num(20, 90),
        byK: num(1, 10),
        everyDays: fc.integer({ min: 1, max: 60 }),
      }),
    ),
  }),
)

const flow: fc.Arbitrary<FlowSetting | null> = fc.option(
  fc.oneof(
    fc.record({ by: fc.constant('fixed' as const), flowC: num(20, 90) }),
    fc.record({ by: fc.constant('season' as const), coldC: num(20, 90), mildC: num(20, 90), belowC: num(-20, 20) }),
    fc.record({ by: fc.constant('curve' as const), slope: num(0.1, 4), shiftK: num(-20, 40), mostC: num(20, 90) }),
  ),
)

const own = fc.array(
  fc.record({
    kind: fc.constantFrom(...OWN_SETTING_KINDS),
    unit: fc.constantFrom('', 'K'),
    found: fc.constantFrom('', '3', 'both'),
    now: fc.constantFrom(null, '3', '4'),
    factory: fc.constantFrom('', '3'),
    shows: fc.constantFrom('', '4'),
    effects: fc.constantFrom('', 'Keep-hot goes with it'),
    on: fc.constantFrom(null, '2026-03-02'),
    by: fc.constantFrom('', 'Ada Quill'),
    why: fc.constantFrom('', 'Summer'),
  }),
  { maxLength: 3 },
)

export const heatingSide = fc.record({
  side,
  flow,
  limitKw: perhaps(num(0.5, 500)),
  comfortC: perhaps(num(5, 30)),
  economyC: perhaps(num(5, 30)),
  own,
  factoryC: perhaps(num(30, 85)),
  potable: perhaps(fc.boolean()),
  drunk: perhaps(fc.boolean()),
  madeYear: perhaps(fc.integer({ min: 1950, max: 2100 })),
  /** Two readings of each, days apart. */
  readAhead: fc.array(fc.integer({ min: -720, max: 720 }), { maxLength: 2 }),
  readDial: fc.array(fc.record({ division: num(-20, 100), c: num(20, 90) }), { maxLength: 6 }),
  readBar: fc.array(num(0, 16), { maxLength: 2 }),
  readFlow: fc.array(
    fc.record({
      outdoorC: num(-40, 30),
      supplyC: num(20, 90),
      feels: fc.constantFrom('too cold', 'right', 'too warm'),
    }),
    { maxLength: 2 },
  ),
  readEvents: fc.array(
    fc.record(
      {
        event: fc.constantFrom(...EVENTS),
        volumeL: num(0.01, 500),
        dryAgain: fc.constantFrom('yes', 'no'),
      },
      { requiredKeys: ['event'] },
    ),
    { maxLength: 3 },
  ),
  pumpIs: fc.constantFrom(...PUMP_IS),
  returnValve: fc.constantFrom(...RETURN_VALVE),
})

type Thrown = typeof heatingSide extends fc.Arbitrary<infer T> ? T : never

export function putHeating(study: Study, thrown: Thrown): void {
  const { side, flow, limitKw, comfortC, economyC, own, factoryC, potable, drunk, madeYear, pumpIs, returnValve } =
    thrown
  study.heating = side && side.sensorIn !== null && side.radiators.length === 0 ? { ...side, sensorIn: null } : side
  Object.assign(study.controls.found.heating, { flow, limitKw, comfortC, economyC })
  study.controls.own = own.map((s, i) => ({ ...s, id: `own-${i + 1}`, place: 'Panel', what: `Setting ${i + 1}` }))
  const held = study.plant.heaters.filter(hasSetpoint)
  study.controls.factory = factoryC === null ? {} : Object.fromEntries(held.map((h) => [h.id, factoryC]))
  study.site.potable = potable
  study.pipes.taps[0].drunk = drunk
  if (study.pipes.loop) Object.assign(study.pipes.loop, { pumpIs, returnValve })
  if (study.plant.store) study.plant.store.madeYear = madeYear
  putReadings(study, thrown)
}

/** What is read of the heating side, of dials and of clocks, as the log has it; what nothing belongs to is noted all the same. */
function putReadings(study: Study, { readAhead, readDial, readBar, readFlow, readEvents }: Thrown): void {
  const [heater] = study.plant.heaters.filter(hasSetpoint)
  let n = 0
  const read = (kind: Reading['kind'], values: Reading['values'], where: string | null = null) => {
    const day = String(1 + (n % 28)).padStart(2, '0')
    study.readings.push(
      readingOf(kind, values, { id: `thrown-${++n}`, where, takenAt: `2026-02-${day}T08:00:00+01:00` }),
    )
  }
  for (const aheadMin of readAhead) read('clock', { aheadMin }, 'controller-1')
  for (const { division, c } of readDial) {
    read('dial', { division, hotC: c }, heater?.id ?? null)
    read('flow-dial', { division, supplyC: c })
  }
  for (const pressureBar of readBar) read('circuit', { circuit: 'heating', gauge: 'cold', pressureBar })
  for (const values of readFlow) read('flow-log', values)
  for (const values of readEvents) read('event', values)
}
