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

/** Days of the year before a month (0–11). */
export const firstDayOf = (month: number) => DAYS_IN_MONTH.slice(0, month).reduce((s, n) => s + n, 0)

const leap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0

/**
 * Days from 1 January 1970 to a day of the common calendar; null when there is no such day.
 * @example daysSince1970(2026, 3, 2) // 20514
 */
export function daysSince1970(year: number, month: number, day: number): number | null {
  const length = DAYS_IN_MONTH[month - 1] + (month === 2 && leap(year) ? 1 : 0)
  if (!(year >= 1970 && year < 2200 && day >= 1 && day <= length)) return null
  const before = (y: number) => Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400)
  const leapDays = before(year - 1) - before(1969) + (leap(year) && month > 2 ? 1 : 0)
  return (year - 1970) * DAYS + leapDays + firstDayOf(month - 1) + day - 1
}

/**
 * The same of a day or time as it is written, by ISO 8601; 0 where there is no such day.
 * @example dayNumber('2026-03-02T08:00') // 20514
 */
export const dayNumber = (iso: string): number =>
  daysSince1970(Number(iso.slice(0, 4)), Number(iso.slice(5, 7)), Number(iso.slice(8, 10))) ?? 0

/** Day of the year (0–364) about which it is coldest: the middle of January, or of July south of the equator. */
export const midwinterDay = (latitudeDeg: number): number => (latitudeDeg < 0 ? 15 + DAYS / 2 : 15)

/** The month (0–11) with the least of something. @example coldestMonth(monthlyAirC) */
export const coldestMonth = (monthly: readonly number[]): number => monthly.indexOf(Math.min(...monthly))
