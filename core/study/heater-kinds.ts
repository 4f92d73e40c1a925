import type { Efficiency } from '../heaters/efficiency'
import type { Carrier } from '../money/carriers'
import type { Heater } from './plant'

export type HeaterKind = Heater['kind']
export type HeaterOf<K extends HeaterKind> = Extract<Heater, { kind: K }>

/** What a heater is called in a sentence. */
export const HEATER_KINDS: Record<HeaterKind, string> = {
  'boiler-coil': 'Boiler with coil',
  'gas-store': 'Gas store burner',
  element: 'Electric element',
  'heat-pump': 'Heat pump on the store',
  solar: 'Solar collector',
  'wood-coil': 'Coil or jacket in a fire',
  'instant-gas': 'Instantaneous gas heater',
  'instant-electric': 'Instantaneous electric heater',
  'district-heat': 'District heat exchanger',
  'under-sink': 'Small store at one tap',
  reservoir: 'Reservoir on a stove',
}

export type RunningHeater = HeaterOf<'instant-gas' | 'instant-electric' | 'district-heat'>
export type LocalHeater = HeaterOf<'under-sink' | 'reservoir'>
export type StoreHeaterSpec = Exclude<Heater, RunningHeater | LocalHeater>

/** Heats water as it runs through. */
export const isRunning = (h: Heater): h is RunningHeater =>
  h.kind === 'instant-gas' || h.kind === 'instant-electric' || h.kind === 'district-heat'
/** Stands at one tap and serves that alone. */
export const isLocal = (h: Heater): h is LocalHeater => h.kind === 'under-sink' || h.kind === 'reservoir'
/** Stands at a tap and is filled by the hot run. */
export const isFedHot = (h: LocalHeater) => h.kind === 'under-sink' && h.feed === 'hot'
/** The small store that serves a tap from the cold main, so that no hot pipe stands between; or none. */
export const ownStoreOf = (heaters: readonly Heater[], tapId: string): LocalHeater | null =>
  heaters.filter(isLocal).find((h) => h.tapId === tapId && !isFedHot(h)) ?? null
/** Heats the store. */
export const isOnStore = (h: Heater): h is StoreHeaterSpec => !isRunning(h) && !isLocal(h)
/** Follows a thermostat; the sun and a fire do not. */
export const hasSetpoint = (h: Heater) => h.kind !== 'solar' && h.kind !== 'wood-coil' && h.kind !== 'reservoir'

/** Carrier that a heater burns or draws. */
export function carrierOf(heater: Heater): Carrier {
  if ('carrier' in heater) return heater.carrier
  return heater.kind === 'district-heat' ? 'district-heat' : 'electricity'
}

/** Electricity that a heater takes besides, W at all times. */
export const standbyOf = (heater: Heater): number => ('standbyW' in heater ? heater.standbyW : 0)

/** Field that holds what a heater can give, and the figure, kW; null: the sun has none. */
export function outputOf(heater: Heater): { field: 'outputKw' | 'powerKw' | 'waterKw'; kw: number } | null {
  if ('outputKw' in heater) return { field: 'outputKw', kw: heater.outputKw }
  if ('powerKw' in heater) return { field: 'powerKw', kw: heater.powerKw }
  return heater.kind === 'solar' ? null : { field: 'waterKw', kw: heater.waterKw }
}

/** How a heater turns what it burns into heat; null where there is no choice. */
export const efficiencyOf = (heater: Heater): Efficiency | null =>
  'efficiency' in heater && typeof heater.efficiency !== 'number' ? heater.efficiency : null

/** The heater whose delay a tap waits for: what heats as it runs, or none. */
export const runningOf = (heaters: readonly Heater[]): RunningHeater | null => heaters.find(isRunning) ?? null
