import { HEATERS } from '../heaters/kinds'
import { shellUa, standingUa } from '../stores/standing-loss'
import type { Plant } from '../study/plant'

/** A store whose heater sends its flue up through it: part of its loss is the flue's. */
export const flueInStore = ({ heaters }: Pick<Plant, 'heaters'>): boolean =>
  heaters.some((h) => HEATERS[h.kind].flueInStore)

/** What the store loses for each kelvin above the room, all of it and through its shell, W/K; null without a store. */
export function storeLoss(plant: Plant): { allWK: number; shellWK: number } | null {
  const { store } = plant
  if (!store) return null
  const allWK = standingUa(store.loss, store.litres)
  return { allWK, shellWK: shellUa(allWK, store.litres, flueInStore(plant)) }
}
