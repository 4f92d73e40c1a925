import fc from 'fast-check'
import { beginMeasure, measuresFor } from '../core/measures/begin'
import { INLETS } from '../core/stores/connections'
import { FLUES, VENTS } from '../core/study/combustion'
import { FAIL_SAFES } from '../core/study/fire'
import { isInstantaneous } from '../core/study/heater-kinds'
import { MOST_CURVE_POINTS } from '../core/study/plant'
import { FROST_GUARDS } from '../core/study/site'
import { RELIEF_KINDS } from '../core/study/store'
import type { Study } from '../core/study/study'

/** A study keeps no minus zero: JSON knows none. */
const num = (min: number, max: number) =>
  fc.oneof({ weight: 6, arbitrary: fc.double({ min, max, noNaN: true }).map((x) => x + 0) }, fc.constantFrom(min, max))
const looked = fc.constantFrom(null, true, false)
const mixing = fc.oneof(
  fc.constantFrom('not checked' as const, 'none' as const),
  fc.record({ mixesToC: fc.option(num(30, 70)), testedOn: fc.constantFrom(null, '2026-03-01') }),
)
const day = fc.option(fc.constantFrom('1999-12-31', '2024-02-29', '2026-03-02', '2026-11-26'))

/** Whose figures they are, or nobody wrote it down. */
export const dataSource = fc.option(
  fc.record({ source: fc.constant('a sheet'), on: day, conditions: fc.constantFrom('', 'at 60 °C') }),
)

/** What is seen on a visit and what somebody chose: it moves findings, checks and sizes, and most of it no year. */
export const survey = fc.record({
  relief: fc.record({
    reliefKind: fc.constantFrom(...RELIEF_KINDS),
    reliefBar: fc.option(num(0.5, 16)),
    reliefValve: looked,
    reliefPiped: looked,
    valveBeforeRelief: looked,
    reliefAtTop: looked,
  }),
  discharge: fc.record({
    fullSize: looked,
    falls: looked,
    endSeen: looked,
    drained: looked,
    covered: looked,
    watchedBy: fc.constantFrom('', 'whoever lights the stove'),
  }),
  connections: fc.record({
    heatTraps: looked,
    inlet: fc.option(
      fc.record({
        at: fc.constantFrom(...INLETS),
        material: fc.constant('copper-en' as const),
        size: fc.constantFrom('15', '22', '28'),
        insulation: fc.option(fc.record({ lambdaWMK: num(0.02, 0.06), thicknessMm: num(0, 40) })),
      }),
    ),
  }),
  cooling: fc.option(
    fc.record({ months: fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }), efficiency: num(1, 10) }),
  ),
  minAirC: fc.option(num(-40, 20)),
  inspectedOn: day,
  toShowerM: fc.option(num(0, 60)),
  feed: fc.constantFrom('cold' as const, 'hot' as const),
  phases: fc.constantFrom(1 as const, 3 as const),
  heaterPlace: fc.record({ flue: looked, condensate: looked, socket: looked }),
  dataSource,
  way: fc.record({ rises: looked, canBeShut: looked, filled: looked }),
  makerFlow: fc.array(fc.record({ riseK: num(2, 90), lMin: num(0.3, 100) }), { maxLength: MOST_CURVE_POINTS }),
  maxInletC: fc.option(num(10, 90)),
  deadLegLimitL: fc.option(num(0.1, 20)),
  energyLimitKwh: fc.option(num(1, 1_000_000)),
  minBoreMm: fc.option(num(4, 60)),
  electricMain: fc.option(
    fc.record({
      amps: num(10, 400),
      volts: num(100, 480),
      phases: fc.constantFrom(1 as const, 3 as const),
      spareWays: fc.integer({ min: 0, max: 40 }),
      otherAmps: num(0, 400),
    }),
  ),
  gasLineKw: fc.option(num(1, 500)),
  gasPipe: fc.record({
    lengthM: fc.option(num(0.5, 300)),
    boreMm: fc.option(num(6, 150)),
    otherKw: fc.option(num(0, 500)),
  }),
  sources: fc.record({ mains: dataSource, hardness: dataSource }),
  networks: fc.record({ gas: looked, heat: looked }),
  frostGuard: fc.constantFrom(...FROST_GUARDS),
  combustion: fc.record({
    flue: fc.constantFrom(...FLUES),
    vent: fc.constantFrom(...VENTS),
    airOpen: looked,
    extractor: looked,
    alarm: looked,
    servicedOn: day,
  }),
  failSafe: fc.record({
    by: fc.constantFrom(...FAIL_SAFES),
    testedBy: fc.constantFrom('', 'whoever fitted it'),
    testedOn: day,
  }),
  firePump: fc.option(fc.record({ flowLMin: num(0.5, 60), watts: num(0, 300) })),
  guard: mixing,
  backupHeight: num(0, 1),
  collectorSensor: fc.option(num(0, 1)),
  writes: fc.constantFrom('found' as const, 'set' as const),
  kinds: fc.array(fc.constantFrom('adult' as const, 'child' as const, 'old' as const, 'reduced-sensation' as const), {
    minLength: 1,
    maxLength: 4,
  }),
  designAirC: fc.option(num(-50, 20)),
  pv: fc.record({
    tiltDeg: num(0, 90),
    azimuthDeg: num(-180, 180),
    performance: num(0.3, 1),
    houseKwhDay: num(0, 200),
  }),
  foundOn: day,
  setOn: day,
  finishedOn: day,
  changes: fc.array(fc.record({ on: day.map((d) => d ?? '2025-06-01'), from: num(30, 85), to: num(30, 85) }), {
    maxLength: 4,
  }),
  measures: fc.array(fc.nat(), { maxLength: 4 }),
})
type Survey = typeof survey extends fc.Arbitrary<infer S> ? S : never

/** Puts what was seen into a study; measures are such as its household has something for. Changes it in place. */
export function putSurvey(study: Study, s: Survey): void {
  const { pipes, site, plant, controls } = study
  Object.assign(pipes, {
    deadLegLimitL: s.deadLegLimitL,
    energyLimitKwh: s.energyLimitKwh,
    minBoreMm: s.minBoreMm,
  })
  Object.assign(site, {
    electricMain: s.electricMain,
    gasLineKw: s.gasLineKw,
    gasPipe: s.gasPipe,
    sources: s.sources,
    designAirC: s.designAirC,
    heaterPlace: s.heaterPlace,
    networks: s.networks,
    cooling: s.cooling,
    frostGuard: s.frostGuard,
  })
  pipes.taps[0].guard = s.guard
  study.people.persons.forEach((p, i) => void (p.kind = s.kinds[i % s.kinds.length]))
  if (pipes.recovery) pipes.recovery.inspectedOn = s.inspectedOn
  if (pipes.drain) pipes.drain.toShowerM = s.toShowerM
  if (plant.store)
    Object.assign(plant.store, s.relief, {
      discharge: s.discharge,
      dataSource: s.dataSource,
      connections: s.connections,
    })
  for (const h of plant.heaters) {
    h.dataSource = s.dataSource
    if ('combustion' in h) h.combustion = s.combustion
    if ('minAirC' in h) h.minAirC = s.minAirC
    if ('feed' in h) h.feed = s.feed
    if (h.kind === 'wood-coil') {
      h.way = s.way
      Object.assign(h.circuit, { failSafe: s.failSafe, pump: s.firePump })
    }
    if (h.kind === 'heat-pump') h.backupHeight = s.backupHeight
    if (h.kind === 'solar') h.sensorHeight = s.collectorSensor
    if (h.kind === 'pv-element') Object.assign(h, s.pv)
    if (isInstantaneous(h)) h.makerFlow = s.makerFlow
    if ('maxInletC' in h) h.maxInletC = s.maxInletC
    if ('phases' in h) h.phases = s.phases
  }
  const [first] = Object.keys(controls.found.heaters)
  Object.assign(controls, { foundOn: s.foundOn, setOn: s.setOn, writes: s.writes })
  controls.changes = first
    ? s.changes.map((c) => ({ ...c, path: `heaters.${first}.setpointC`, as: 'set', by: '', why: '', shows: '' }))
    : []
  study.finishedOn = s.finishedOn
  const kinds = measuresFor(study)
  const measures = s.measures.map((pick, i) => beginMeasure(study, kinds[pick % kinds.length], `m${i}`))
  study.packages = measures.length ? [{ id: 'thrown', name: 'Thrown together', measures }] : []
}
