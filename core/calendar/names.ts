import { firstDayOf, MONTH_OF_DAY } from './year'

export const MONTH_NAMES = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
] as const

/** Their short names. @example MONTHS[8] // "Sep" */
export const MONTHS = MONTH_NAMES.map((name) => name.slice(0, 3))

/** A day of the year (0–364) in words. @example dateOf(45) // "15 Feb" */
export function dateOf(day: number): string {
  const at = ((day % 365) + 365) % 365
  return `${at - firstDayOf(MONTH_OF_DAY[at]) + 1} ${MONTHS[MONTH_OF_DAY[at]]}`
}
