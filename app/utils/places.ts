import { PLACES, type Place } from '~~/core/climate/places'

const NAMES: Record<Place, string> = {
  heated: 'heated room',
  cellar: 'cellar',
  loft: 'loft',
  outdoors: 'outdoors',
  ground: 'ground',
}

/** Places as a choice. */
export const PLACE_NAMES = PLACES.map((value) => ({ value, name: NAMES[value] }))
