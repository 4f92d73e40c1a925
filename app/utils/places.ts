import { type Place, PLACES } from '~~/core/climate/places'

const NAMES: Record<Place, string> = {
  heated: 'heated space',
  cellar: 'cellar',
  loft: 'loft',
  outdoors: 'outdoors',
  ground: 'ground',
  slab: 'in slab, not accessible',
}

/** Places as a choice. */
export const PLACE_NAMES = PLACES.map((value) => ({ value, name: NAMES[value] }))
