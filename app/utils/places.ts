import { type Place, PLACES } from '~~/core/climate/places'

const NAMES: Record<Place, string> = {
  heated: 'heated room',
  cellar: 'cellar',
  loft: 'loft',
  outdoors: 'outdoors',
  ground: 'ground',
  slab: 'slab, not reachable',
}

/** Places as a choice. */
export const PLACE_NAMES = PLACES.map((value) => ({ value, name: NAMES[value] }))
