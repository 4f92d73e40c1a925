import { type Place, placeTemperature } from '../climate/places'

/** Air around a store or a heater in a month, °C: as somebody measured it, or as is usual where it stands. */
export const airAround = (
  thing: { place: Place; ambientC: number | null },
  month: number,
  monthlyAirC: readonly number[],
): number => thing.ambientC ?? placeTemperature(thing.place, month, monthlyAirC)
