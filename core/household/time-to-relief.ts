import type { Heater } from '../study/plant'
import type { Store } from '../study/store'
import { KJ_PER_LITRE_K } from '../water/properties'
import { reliefOpensC } from './relief-opens'

/** A store that nobody draws from begins a firing no cooler than this, °C: what is usual after a day of use. */
export const BEFORE_FIRE_C = 55

/**
 * Hours of fire until a store that nobody draws from reaches its relief valve: V ρ c (relief − begin) / heat into the water.
 * What it loses meanwhile is left out, so that it is on the safe side.
 */
export const hoursToRelief = (
  store: Pick<Store, 'litres' | 'reliefC' | 'reliefKind'>,
  waterKw: number,
  beginC: number,
): number => (store.litres * KJ_PER_LITRE_K * Math.max(0, reliefOpensC(store) - beginC)) / waterKw / 3600

/** Hours that a fire burns in a day at most. */
export function longestFiring(heater: Extract<Heater, { kind: 'wood-coil' }>): number {
  const perDay = Array.from({ length: 7 }, (_, day) =>
    heater.firings.filter((f) => f.days[day]).reduce((s, f) => s + f.hours, 0),
  )
  return Math.max(0, ...perDay)
}
