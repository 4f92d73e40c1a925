import { isSummerTime } from '../../calendar/summer-time'
import { Hours } from '../../climate/hours'
import type { Site } from '../../study/site'

type Sky = Pick<Site, 'latitudeDeg' | 'monthlyAirC' | 'monthlySunKwhM2' | 'summerTime' | 'firstWeekday'>

/** The last site asked for: the years of a comparison share one weather. */
let last: { key: string; hours: Hours } | null = null

/** A year of hours for a site, by its clocks. */
export function hoursOf(site: Sky): Hours {
  const { summerTime, firstWeekday } = site
  const key = JSON.stringify([site.latitudeDeg, site.monthlyAirC, site.monthlySunKwhM2, summerTime, firstWeekday])
  if (last?.key !== key) last = { key, hours: new Hours(site, (day) => isSummerTime(summerTime, firstWeekday, day)) }
  return last.hours
}
