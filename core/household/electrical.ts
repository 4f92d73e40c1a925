import { HEATERS } from '../heaters/kinds'
import { isHeatPump, isInstantaneous, isOnStore, outputOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Site } from '../study/site'
import type { Study } from '../study/study'

/** Electricity that a heater draws at its most. */
export interface ElectricLoad {
  kw: number
  phases: 1 | 3
  /** Reckoned as a load that runs for hours on end: a margin of a quarter is asked for it. */
  continuous: boolean
}

/** What local codes of the US ask of a storage water heater's circuit: its current times this. */
const CONTINUOUS_MARGIN = 1.25
/** Heat that a heat pump makes of what it draws, at its least, for the current it takes. */
const LEAST_COP = 2

/** What a heater draws, kW, or null where its heat is not electric. Of several side by side all together. */
export function loadOf(heater: Heater, units: Study['units']): ElectricLoad | null {
  const { source, stores } = HEATERS[heater.kind]
  if (source !== 'electricity') return null
  const continuous = stores && units === 'us'
  if (isHeatPump(heater)) return { kw: heater.outputKw / LEAST_COP + heater.backupKw, phases: 1, continuous }
  const kw = (outputOf(heater)?.kw ?? 0) * (isInstantaneous(heater) ? heater.units : 1)
  return { kw, phases: 'phases' in heater ? heater.phases : 1, continuous }
}

/**
 * Current of a load, A: P / V on one phase, P / (√3 V) on three, V between two phases then; with the margin that a continuous
 * load is given. @param volts at its terminals
 */
export function ampsOf(load: ElectricLoad, volts: number): number {
  const amps = (load.kw * 1000) / (load.phases === 3 ? Math.sqrt(3) * volts : volts)
  return load.continuous ? amps * CONTINUOUS_MARGIN : amps
}

type Main = NonNullable<Site['electricMain']>

/** Voltage that a load finds on a main: between two phases, or from one to neutral where there are three and it takes one, V. */
export const voltsFor = (main: Main, phases: 1 | 3): number =>
  main.phases === 3 && phases === 1 ? main.volts / Math.sqrt(3) : main.volts

/** Heaters of which no more than one draws at a time: those that a store's thermostats call in their order. */
const inTurn = (h: Heater) => isOnStore(h) && !isHeatPump(h)

/**
 * Amperes that heaters draw together on the phase that carries most: what takes three phases on each, what takes one put on
 * the phase that carries least. Of a store's elements, which act in turn, the largest alone.
 */
export function ampsTogether(main: Main, heaters: readonly Heater[], units: Study['units']): number {
  const loads = heaters.flatMap((h) => {
    const load = loadOf(h, units)
    return load ? [{ turn: inTurn(h), phases: load.phases, amps: ampsOf(load, voltsFor(main, load.phases)) }] : []
  })
  const largest = loads.filter((l) => l.turn).sort((a, b) => b.amps - a.amps)[0]
  const at = loads.filter((l) => !l.turn || l === largest).sort((a, b) => b.phases - a.phases || b.amps - a.amps)
  const phases = Array<number>(main.phases).fill(0)
  for (const { phases: of, amps } of at) {
    if (of === 3 && main.phases === 3) for (let i = 0; i < 3; i++) phases[i] += amps
    else phases[phases.indexOf(Math.min(...phases))] += amps
  }
  return Math.max(...phases)
}

/** Amperes of each phase that are left for heaters. */
export const spareAmps = (main: Main): number => main.amps - main.otherAmps
