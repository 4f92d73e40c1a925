import type { SummerTime } from '../../calendar/summer-time'
import type { Study } from '../../study/study'

/** What follows from where a household is before anything of it is known. */
interface OfRegion {
  name: string
  units: Study['units']
  currency: string
  summerTime: SummerTime
  /** Its winter is in July. */
  south: boolean
}

/** Regions by what is written, paid and kept there; whatever a household does otherwise is changed in it. */
export const REGIONS = {
  europe: { name: 'Europe, euro', units: 'metric', currency: 'EUR', summerTime: 'europe', south: false },
  britain: { name: 'Britain', units: 'metric', currency: 'GBP', summerTime: 'europe', south: false },
  switzerland: { name: 'Switzerland', units: 'metric', currency: 'CHF', summerTime: 'europe', south: false },
  sweden: { name: 'Sweden', units: 'metric', currency: 'SEK', summerTime: 'europe', south: false },
  norway: { name: 'Norway', units: 'metric', currency: 'NOK', summerTime: 'europe', south: false },
  denmark: { name: 'Denmark', units: 'metric', currency: 'DKK', summerTime: 'europe', south: false },
  poland: { name: 'Poland', units: 'metric', currency: 'PLN', summerTime: 'europe', south: false },
  czechia: { name: 'Czechia', units: 'metric', currency: 'CZK', summerTime: 'europe', south: false },
  'united states': { name: 'United States', units: 'us', currency: 'USD', summerTime: 'north america', south: false },
  canada: { name: 'Canada', units: 'metric', currency: 'CAD', summerTime: 'north america', south: false },
  australia: { name: 'Australia', units: 'metric', currency: 'AUD', summerTime: 'south', south: true },
  'new zealand': { name: 'New Zealand', units: 'metric', currency: 'NZD', summerTime: 'south', south: true },
} as const satisfies Record<string, OfRegion>
export type Region = keyof typeof REGIONS

export const regionOf = (region: Region): OfRegion => REGIONS[region]

/** Half a year on: the months of the north as they come south of the equator. */
export const inSouth = <T>(months: readonly T[]): T[] => [...months.slice(6), ...months.slice(0, 6)]
