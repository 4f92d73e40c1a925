import fc from 'fast-check'
import { type Heater, UNITS_SHARE } from '../core/study/plant'
import { num, wide } from './random-numbers'

/** Two heights in a store, the lower first and at least a hundredth apart. */
const span = fc
  .tuple(num(0, 0.98), num(0.01, 1))
  .map(([a, b]) => (b - a > 0.01 ? [a, b] : [Math.min(a, b, 0.98), Math.min(1, Math.min(a, b, 0.98) + 0.02)]))
const months = fc.oneof(
  { weight: 4, arbitrary: fc.constant(Array<boolean>(12).fill(true)) },
  { weight: 1, arbitrary: fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }) },
)

/** Figures that any heater may have, thrown about over all that the schema takes. */
export const heaterFigures = fc.record({
  sensor: fc.option(num(0, 1)),
  coil: span,
  height: num(0, 1),
  coilUa: wide(20, 10_000),
  primary: fc.record({
    litres: wide(0.5, 100),
    uaWK: num(0, 50),
    flowLMin: wide(1, 100),
    flowMaxC: num(40, 95),
    pumpW: num(0, 200),
    restartDifferentialK: num(1, 30),
    overrunS: fc.constantFrom(0, 60, 300, 1800),
  }),
  output: wide(1, 60),
  leastShare: num(0, 1),
  backup: fc.oneof(
    fc.record({ by: fc.constant('top of store' as const), belowK: num(2, 40) }),
    fc.record({ by: fc.constant('recovery time' as const), hours: num(0.5, 24) }),
    fc.constant({ by: 'boost only' as const }),
  ),
  backupKw: num(0, 6),
  air: fc.constantFrom('where it stands' as const, 'outdoors' as const),
  minOperatingAirC: num(-30, 20),
  areaM2: wide(0.5, 40),
  storeLimitC: num(50, 95),
  exchanger: fc.constantFrom('direct' as const, 'plate' as const),
  pilotW: fc.constantFrom(0, 0, 120, 500),
  startLossWh: fc.constantFrom(0, 4, 25),
  startDelayS: fc.constantFrom(0, 1, 8, 120),
  contentL: wide(0.1, 20),
  contentUaWK: num(0, 10),
  minActivationFlowLMin: fc.constantFrom(0, 2, 4),
  condensing: fc.boolean(),
  shift: num(-0.1, 0.02),
  holds: fc.constantFrom('at sea level' as const, 'at this height' as const),
  months,
  plate: fc.option(fc.record({ inputKw: wide(0.3, 400), on: fc.constantFrom('gross' as const, 'net' as const) })),
  ambientC: fc.option(num(-10, 40), { freq: 4 }),
  units: fc.integer({ min: 1, max: 3 }),
  unitsShare: fc.constantFrom(...UNITS_SHARE),
  supply: fc.option(fc.record({ amps: wide(1, 200), volts: num(100, 480) })),
})

/** A heater with those of the figures that it has. */
export function thrown(h: Heater, f: typeof heaterFigures extends fc.Arbitrary<infer F> ? F : never): Heater {
  const has = (key: string) => key in h
  const [bottom, top] = f.coil
  return {
    ...h,
    months: f.months,
    plate: f.plate,
    ambientC: f.ambientC,
    ...(has('units') ? { units: f.units, unitsShare: f.unitsShare } : {}),
    ...(has('supply') ? { supply: f.supply } : {}),
    ...(has('sensorHeight') ? { sensorHeight: f.sensor } : {}),
    ...(has('coil')
      ? {
          coil: {
            ...(h as { coil: object }).coil,
            bottom,
            top,
            ...('uaWK' in (h as { coil: object }).coil ? { uaWK: f.coilUa } : {}),
          },
        }
      : {}),
    ...(has('height') ? { height: f.height } : {}),
    ...(has('primary') ? { primary: f.primary } : {}),
    ...(has('outputKw') ? { outputKw: h.kind === 'heat-pump' ? Math.min(40, f.output) : f.output } : {}),
    ...(has('powerKw') ? { powerKw: Math.min(h.kind === 'under-sink' ? 20 : 40, f.output) } : {}),
    ...(has('minOutputKw') ? { minOutputKw: f.output * f.leastShare } : {}),
    ...(has('outputHolds') ? { outputHolds: f.holds } : {}),
    ...(has('backup')
      ? { backup: f.backup, backupKw: f.backupKw, air: f.air, minOperatingAirC: f.minOperatingAirC }
      : {}),
    ...(has('areaM2') ? { areaM2: f.areaM2, storeLimitC: f.storeLimitC } : {}),
    ...(has('pvKwp') ? { pvKwp: f.areaM2, storeLimitC: f.storeLimitC } : {}),
    ...(has('exchanger') ? { exchanger: f.exchanger } : {}),
    ...(has('pilotW') ? { pilotW: f.pilotW } : {}),
    ...(has('startLossWh') ? { startLossWh: f.startLossWh } : {}),
    ...(has('startDelayS') ? { startDelayS: f.startDelayS } : {}),
    ...(has('contentL')
      ? { contentL: f.contentL, contentUaWK: f.contentUaWK, minActivationFlowLMin: f.minActivationFlowLMin }
      : {}),
    ...(has('efficiency') && typeof (h as { efficiency: unknown }).efficiency !== 'number'
      ? { efficiency: f.condensing ? { kind: 'condensing', shift: f.shift } : { kind: 'fixed', share: 0.8 } }
      : {}),
  } as Heater
}
