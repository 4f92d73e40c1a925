import { DAYS, DAYS_IN_MONTH, firstDayOf, MONTH_OF_DAY, yearMean } from '../calendar/year'
import { groundTemperature, MAIN_DEPTH_M } from '../climate/ground'
import { sameEverywhere } from '../units/same-everywhere'

const toF = (c: number) => c * 1.8 + 32
const toC = (f: number) => (f - 32) / 1.8

/** Coldest that water in a main is taken to be, °C. */
const LEAST_MAIN_C = 1

/**
 * Temperature of the cold main on a day of the year, from the air temperature alone.
 *
 * @param meanAirC annual mean air temperature, °C
 * @param spanK difference between the warmest and the coldest monthly mean, K
 * @param day day of the year, 1 to 365
 * @returns °C, never below 1 °C: the correlation was fitted on temperate sites and would freeze the main in a cold one
 * Source: Burch & Christensen (2007). Fitted to mains of the northern hemisphere: half a year on, south of the equator.
 * Local networks differ by ±2 K, which is why measured months replace it.
 * @example mainsTemperature(11.5, 18, 15) // 10.89
 */
export function mainsTemperature(meanAirC: number, spanK: number, day: number): number {
  const meanF = toF(meanAirC)
  const ratio = 0.4 + 0.01 * (meanF - 44)
  const lag = 35 - (meanF - 44)
  const angle = ((0.986 * (day - 15 - lag) - 90) * Math.PI) / 180
  return Math.max(LEAST_MAIN_C, toC(meanF + 6 + ratio * ((spanK * 1.8) / 2) * Math.sin(angle)))
}

/** What is known of the cold main: nothing (one of two models from the air) or a temperature for each month. */
export type Mains = { kind: 'model' } | { kind: 'ground' } | { kind: 'monthly'; monthlyC: number[] }

/** What of a site its cold main depends on. */
export interface MainsSite {
  mains: Mains
  monthlyAirC: readonly number[]
  /** South of the equator the model's year is shifted by half. */
  latitudeDeg: number
}

function modelled(site: MainsSite): (day: number) => number {
  const { monthlyAirC } = site
  if (site.mains.kind === 'ground')
    return (day) => Math.max(LEAST_MAIN_C, groundTemperature(monthlyAirC, MAIN_DEPTH_M, day))
  const mean = yearMean(monthlyAirC)
  const span = Math.max(...monthlyAirC) - Math.min(...monthlyAirC)
  const shift = site.latitudeDeg < 0 ? DAYS / 2 : 0
  return (day) => mainsTemperature(mean, span, day + 1 + shift)
}

/**
 * Temperature of the cold main on each of the 365 days, °C. Monthly values hold for their whole month. From the air alone
 * there are two choices: Burch & Christensen (2007), fitted to long shallow mains, and the ground at a metre's depth, which
 * gives the colder Januaries that are usual where mains lie in open ground.
 */
export function mainsThroughYear(site: MainsSite): Float64Array {
  const { mains } = site
  if (mains.kind === 'monthly') return Float64Array.from({ length: DAYS }, (_, d) => mains.monthlyC[MONTH_OF_DAY[d]])
  const at = modelled(site)
  return Float64Array.from({ length: DAYS }, (_, d) => sameEverywhere(at(d)))
}

/** Temperature of the cold main in the middle of each month, °C. */
export function mainsByMonth(site: MainsSite): number[] {
  const days = mainsThroughYear(site)
  return DAYS_IN_MONTH.map((n, m) => days[firstDayOf(m) + Math.floor(n / 2)])
}
