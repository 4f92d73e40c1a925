import { firstDayOf, MONTH_OF_DAY } from './year'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A day of the year (0–364) in words. @example dateOf(45) // "15 Feb" */
export function dateOf(day: number): string {
  const at = ((day % 365) + 365) % 365
  return `${at - firstDayOf(MONTH_OF_DAY[at]) + 1} ${MONTHS[MONTH_OF_DAY[at]]}`
}
