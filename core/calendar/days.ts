import { dayNumber, DAYS_IN_MONTH, daysSince1970 } from './year'

/** Day of the week of a day of the calendar, Monday 0; 1 January 1970 was a Thursday. */
export const weekdayOfDay = (day: string): number => (dayNumber(day) + 3) % 7

/** A day so many days later. @example dayAfter('2026-12-31', 1) // "2027-01-01" */
export function dayAfter(day: string, days: number): string {
  let [year, month, date] = [Number(day.slice(0, 4)), Number(day.slice(5, 7)), Number(day.slice(8, 10)) + days]
  const lengthOf = () => DAYS_IN_MONTH[month - 1] + (month === 2 && daysSince1970(year, 2, 29) !== null ? 1 : 0)
  while (date > lengthOf()) {
    date -= lengthOf()
    if (++month > 12) [month, year] = [1, year + 1]
  }
  while (date < 1) {
    if (--month < 1) [month, year] = [12, year - 1]
    date += lengthOf()
  }
  return `${year}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`
}
