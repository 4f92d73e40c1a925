import { dayAfter } from '../calendar/days'
import { dayNumber, DAYS, DAYS_IN_MONTH } from '../calendar/year'
import type { Study } from '../study/study'
import type { UsePeriod } from './periods'

/** Air of the days of a period, °C, and the share of them that somebody recorded. */
export interface PeriodAir {
  c: number[]
  recorded: number
}

/** The month's mean at its middle, and between two of them in proportion. */
function usual(monthlyAirC: readonly number[], day: string): number {
  const month = Number(day.slice(5, 7)) - 1
  const half = DAYS_IN_MONTH[month] / 2
  const off = Number(day.slice(8, 10)) - half
  const other = (month + (off < 0 ? 11 : 1)) % 12
  const share = Math.abs(off) / (half + DAYS_IN_MONTH[other] / 2)
  return monthlyAirC[month] * (1 - share) + monthlyAirC[other] * share
}

/** Mean air of each day of a period: as recorded where it was, else as the climate of the study has it. */
export function airOf({ site, verification }: Study, { from, days }: UsePeriod): PeriodAir {
  const { air } = verification
  const first = air && dayNumber(from) - dayNumber(air.from)
  let recorded = 0
  const c = Array.from({ length: days }, (_, i) => {
    const held = air && first !== null ? air.c[first + i] : undefined
    if (held !== undefined) recorded++
    return held ?? usual(site.monthlyAirC, dayAfter(from, i))
  })
  return { c, recorded: recorded / Math.max(1, days) }
}

/**
 * Standard deviation of the mean air of a heating season from year to year, K: 0.8 to 1.3 in temperate climates. Weather that
 * was not recorded may have been that far from the usual, and next year's will be.
 */
export const SEASON_SD_K = 1

/** Kelvins below a balance temperature in the usual weather of the place, and the share of days that lie below it: means of a year. */
export function usualBelow({ site }: Study, balanceC: number): { kelvins: number; share: number } {
  const days = Array.from({ length: DAYS }, (_, i) => usual(site.monthlyAirC, dayAfter('2025-01-01', i)))
  const cold = days.filter((c) => c < balanceC)
  return { kelvins: cold.reduce((s, c) => s + balanceC - c, 0) / DAYS, share: cold.length / DAYS }
}
