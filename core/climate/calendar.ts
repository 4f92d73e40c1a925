/** The year of the engine: 365 days, months of the common calendar, times in seconds from midnight on 1 January. */
export const DAYS = 365
export const DAY_S = 86_400
export const HOUR_S = 3_600
export const WEEK_MIN = 7 * 24 * 60

export const DAYS_IN_MONTH = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const

/** Index 0–11 of the month that holds each day 0–364 of the year. */
export const MONTH_OF_DAY: readonly number[] = DAYS_IN_MONTH.flatMap((n, month) => Array<number>(n).fill(month))

/** Mean of twelve monthly values, each weighted by the days of its month. */
export function yearMean(monthly: readonly number[]): number {
  return DAYS_IN_MONTH.reduce((sum, days, m) => sum + days * monthly[m], 0) / DAYS
}

/** The same for each of the twelve months. */
export const everyMonth = <T>(value: T): T[] => Array<T>(12).fill(value)
