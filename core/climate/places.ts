import { yearMean } from '../calendar/year'
import { groundInMonth, PIPE_DEPTH_M } from './ground'

/** Where a pipe, a store or a heater stands; it decides the air around it and whether its heat warms the house. */
export const PLACES = ['heated', 'cellar', 'loft', 'outdoors', 'ground', 'slab'] as const
export type Place = (typeof PLACES)[number]

/** Share of what is lost there that comes to heated rooms: of a slab half, as it lies half way to the ground. */
export const TO_ROOMS: Record<Place, number> = { heated: 1, cellar: 0, loft: 0, outdoors: 0, ground: 0, slab: 0.5 }

/** Air of a heated room in the months of heating, °C; above that it follows the weather. */
export const HEATED_ROOM_C = 20

/**
 * Air (or soil) temperature around a thing in a month, °C, from the monthly mean air temperatures.
 *
 * These are assumptions, good to about ±3 K, for places nobody has measured:
 * a heated room holds 20 °C or follows warmer weather; a cellar swings 40 % as far as the air and sits 2 K above its mean;
 * a loft is 2 K above the air; the ground is that at pipe depth (see ground.ts); a slab lies half way between the room above
 * it and the ground.
 */
export function placeTemperature(place: Place, month: number, monthlyAirC: readonly number[]): number {
  const air = monthlyAirC[month]
  const mean = yearMean(monthlyAirC)
  switch (place) {
    case 'heated':
      return Math.max(HEATED_ROOM_C, air)
    case 'cellar':
      return mean + 2 + 0.4 * (air - mean)
    case 'loft':
      return air + 2
    case 'outdoors':
      return air
    case 'ground':
      return groundInMonth(monthlyAirC, PIPE_DEPTH_M, month)
    case 'slab':
      return (placeTemperature('heated', month, monthlyAirC) + placeTemperature('ground', month, monthlyAirC)) / 2
  }
}
