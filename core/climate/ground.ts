import { DAYS, DAYS_IN_MONTH, firstDayOf, yearMean } from '../calendar/year'

/** Depth at which pipes in the ground lie, m, and at which a water main does. */
export const PIPE_DEPTH_M = 0.6
export const MAIN_DEPTH_M = 1

/** Diffusivity of moist soil, m²/day: 1.5 W/(m·K) over 2.6 MJ/(m³·K). Dry sand 0.02, wet clay 0.06. */
const SOIL_M2_DAY = 0.05

const angle = (day: number) => (2 * Math.PI * day) / DAYS

/**
 * Temperature of undisturbed ground at a depth on a day of the year, °C: the yearly swing of the air, damped and late.
 * T = mean + e^(−x) × swing at (day − lag), x = depth √(π / (365 α)), lag = x / 2π years.
 * @param monthlyAirC means of the air, January first; their first harmonic gives swing and phase, on either side of the equator
 * @param depthM 0 (the surface) to some metres; @param day 0 to 364
 * Source: Kusuda & Achenbach (1965), for ground under grass; under a sealed street it lies 1 to 2 K above. ±2 K.
 * @example groundTemperature(monthlyAirC, 1, 14) // a mean of 10.5 °C and ±9 K: 5.0 in mid January
 */
export function groundTemperature(monthlyAirC: readonly number[], depthM: number, day: number): number {
  let [cosine, sine] = [0, 0]
  DAYS_IN_MONTH.forEach((n, m) => {
    const middle = angle(firstDayOf(m) + n / 2)
    cosine += ((2 * n) / DAYS) * monthlyAirC[m] * Math.cos(middle)
    sine += ((2 * n) / DAYS) * monthlyAirC[m] * Math.sin(middle)
  })
  const x = depthM * Math.sqrt(Math.PI / (DAYS * SOIL_M2_DAY))
  const at = angle(day + 0.5) - x
  return yearMean(monthlyAirC) + Math.exp(-x) * (cosine * Math.cos(at) + sine * Math.sin(at))
}

/** The same in the middle of a month (0–11). */
export const groundInMonth = (monthlyAirC: readonly number[], depthM: number, month: number): number =>
  groundTemperature(monthlyAirC, depthM, firstDayOf(month) + DAYS_IN_MONTH[month] / 2 - 0.5)
