import { sameEverywhere } from '../year/same-everywhere'
import { DAYS, DAYS_IN_MONTH, MONTH_OF_DAY, yearMean, firstDayOf } from '../climate/calendar'

const toF = (c: number) => c * 1.8 + 32
const toC = (f: number) => (f - 32) / 1.8

/**
 * Temperature of the cold main on a day of the year, from the air temperature alone.
 *
 * @param meanAirC annual mean air temperature, °C
 * @param spanK difference between the warmest and the coldest monthly mean, K
 * @param day day of the year, 1 to 365
 * @returns °C, never below 1 °C: the correlation was fitted on temperate sites and would freeze the main in a cold one
 * Source: Burch & Christensen (2007). Fitted to mains of the northern hemisphere; local networks differ by ±2 K,
 * which is why measured months replace it.
 * @example mainsTemperature(11.5, 18, 15) // 10.89
 */
export function mainsTemperature(meanAirC: number, spanK: number, day: number): number {
  const meanF = toF(meanAirC)
  const ratio = 0.4 + 0.01 * (meanF - 44)
  const lag = 35 - (meanF - 44)
  const angle = ((0.986 * (day - 15 - lag) - 90) * Math.PI) / 180
  return Math.max(1, toC(meanF + 6 + ratio * ((spanK * 1.8) / 2) * Math.sin(angle)))
}

/** What is known of the cold main: nothing (use the model) or a temperature for each month. */
export type Mains = { kind: 'model' } | { kind: 'monthly'; monthlyC: number[] }

/** Temperature of the cold main on each of the 365 days, °C. Monthly values hold for their whole month. */
export function mainsThroughYear(mains: Mains, monthlyAirC: readonly number[]): Float64Array {
  const out = new Float64Array(DAYS)
  const mean = yearMean(monthlyAirC)
  const span = Math.max(...monthlyAirC) - Math.min(...monthlyAirC)
  for (let d = 0; d < DAYS; d++)
    out[d] = mains.kind === 'monthly' ? mains.monthlyC[MONTH_OF_DAY[d]] : sameEverywhere(mainsTemperature(mean, span, d + 1))
  return out
}

/** Temperature of the cold main in the middle of each month, °C. */
export function mainsByMonth(mains: Mains, monthlyAirC: readonly number[]): number[] {
  const days = mainsThroughYear(mains, monthlyAirC)
  return DAYS_IN_MONTH.map((n, m) => days[firstDayOf(m) + Math.floor(n / 2)])
}
