import { Hours } from '../../climate/hours'
import type { Site } from '../../study/site'

/** The last site asked for: the years of a comparison share one weather. */
let last: { key: string; hours: Hours } | null = null

/** A year of hours for a site. */
export function hoursOf(site: Pick<Site, 'latitudeDeg' | 'monthlyAirC' | 'monthlySunKwhM2'>): Hours {
  const key = JSON.stringify([site.latitudeDeg, site.monthlyAirC, site.monthlySunKwhM2])
  if (last?.key !== key) last = { key, hours: new Hours(site) }
  return last.hours
}
