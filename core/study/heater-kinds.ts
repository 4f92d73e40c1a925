import type { Efficiency } from '../heaters/efficiency'
import { type HeaterKind, HEATERS, type HeldKind, type KindThat } from '../heaters/kinds'
import type { Carrier } from '../money/carriers'
import type { Heater } from './plant'

export type HeaterOf<K extends HeaterKind> = Extract<Heater, { kind: K }>

export type InstantaneousHeater = HeaterOf<KindThat<'instantaneous'>>
/** A small store at one tap. */
export type StoreAtTapHeater = HeaterOf<'under-sink' | 'reservoir'>
export type PointOfUseHeater = HeaterOf<KindThat<'tap'>>
export type StoreHeaterSpec = HeaterOf<KindThat<'store'>>
type HeldHeater = HeaterOf<HeldKind>

/** Heats water as it runs through. */
export const isInstantaneous = (h: Heater): h is InstantaneousHeater => HEATERS[h.kind].heats === 'instantaneous'
/** Stands at one tap and serves that alone. */
export const isPointOfUse = (h: Heater): h is PointOfUseHeater => HEATERS[h.kind].heats === 'tap'
/** Heats the store. */
export const isOnStore = (h: Heater): h is StoreHeaterSpec => HEATERS[h.kind].heats === 'store'
/** Follows a thermostat; the sun and a fire do not. */
export const hasSetpoint = (h: Heater): h is HeldHeater => HEATERS[h.kind].thermostat
/** Keeps water ready, in the store or in a vessel of its own. */
export const storesWater = (h: Heater) => HEATERS[h.kind].stores
/** Stands at a tap and is filled by the hot run. */
export const isFedHot = (h: PointOfUseHeater) => 'feed' in h && h.feed === 'hot'
/** Makes its heat out of air. */
export const isHeatPump = (h: Heater): h is HeaterOf<'heat-pump'> => HEATERS[h.kind].pumpsHeat
/** A fire with a coil or jacket on the store. */
export const isFireOnStore = (h: Heater): h is HeaterOf<'wood-coil'> =>
  HEATERS[h.kind].source === 'fire' && isOnStore(h)
/** Burns something, so that flue gas has to leave. */
export type Burning = Extract<Heater, { combustion: unknown }>
export const burnsFuel = (h: Heater): h is Burning => ['burner', 'fire'].includes(HEATERS[h.kind].source)
/** A fire that is ever lit, or what burns at a call. */
export const everBurns = (h: Heater): boolean => !('firings' in h) || h.firings.length > 0
/** Collectors: their circuit is their own. */
export const isCollector = (h: Heater): h is HeaterOf<'solar'> => HEATERS[h.kind].source === 'sun' && 'areaM2' in h
/** The small store that serves a tap from the cold main, so that no hot pipe stands between; or none. */
export const pointOfUseOf = (heaters: readonly Heater[], tapId: string): PointOfUseHeater | null =>
  heaters.filter(isPointOfUse).find((h) => h.tapId === tapId && !isFedHot(h)) ?? null

/** May heat the house as well: what has a burner or a network behind it, but no gas store. */
export const canHeatHouse = (h: Heater) =>
  ['burner', 'network'].includes(HEATERS[h.kind].source) && !HEATERS[h.kind].flueInStore

/** Carrier that a heater burns or draws. */
export function carrierOf(heater: Heater): Carrier {
  if ('carrier' in heater) return heater.carrier
  return HEATERS[heater.kind].source === 'network' ? 'district-heat' : 'electricity'
}

/** Electricity that a heater takes besides, W at all times; of several side by side all together. */
export const standbyOf = (heater: Heater): number =>
  'standbyW' in heater ? heater.standbyW * (isInstantaneous(heater) ? heater.units : 1) : 0

/** Whether a heater burns with a fan and controls that must not lose their supply while it is hot. */
export const hasFan = (heater: Heater): boolean => 'carrier' in heater && standbyOf(heater) > 0

/** Field that holds what a heater can give, and the figure, kW; null: the sun has none. */
export function outputOf(heater: Heater): { field: 'outputKw' | 'powerKw' | 'waterKw'; kw: number } | null {
  if ('outputKw' in heater) return { field: 'outputKw', kw: heater.outputKw }
  if ('powerKw' in heater) return { field: 'powerKw', kw: heater.powerKw }
  return 'waterKw' in heater ? { field: 'waterKw', kw: heater.waterKw } : null
}

/** How a heater turns what it burns into heat; null where there is no choice. */
export const efficiencyOf = (heater: Heater): Efficiency | null =>
  'efficiency' in heater && typeof heater.efficiency !== 'number' ? heater.efficiency : null

/** The heater whose delay a tap waits for: what heats as it runs, or none. */
export const instantaneousOf = (heaters: readonly Heater[]): InstantaneousHeater | null =>
  heaters.find(isInstantaneous) ?? null
