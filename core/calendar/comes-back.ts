import { dayAfter, weekdayOfDay } from './days'
import { DAYS_IN_MONTH } from './year'

/** A day of the year (1 to 365) as the next such day from a day on. @example nextDay('2026-11-30', 1) // "2027-01-01" */
export function nextDay(from: string, dayOfYear: number): string {
  let [month, date] = [1, dayOfYear]
  while (date > DAYS_IN_MONTH[month - 1]) date -= DAYS_IN_MONTH[month++ - 1]
  const at = (year: number) => `${year}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`
  const year = Number(from.slice(0, 4))
  return at(year) >= from ? at(year) : at(year + 1)
}

/** The next day of some days of the week, Monday 0. */
export const nextWeekday = (from: string, weekdays: readonly number[]): string =>
  [0, 1, 2, 3, 4, 5, 6].map((n) => dayAfter(from, n)).find((day) => weekdays.includes(weekdayOfDay(day)))!

/** The next anniversary of a day; of 29 February on the 28th. */
export const sameDayNext = (from: string, day: string): string => {
  const date = day.slice(5) === '02-29' ? '02-28' : day.slice(5)
  const year = Number(from.slice(0, 4))
  return `${year}-${date}` >= from ? `${year}-${date}` : `${year + 1}-${date}`
}

/** The first day from `from` on that lies a whole number of times so many years after a day. */
export function yearsAfter(day: string, years: number, from: string): string {
  let at = day
  do at = sameDayNext(`${Number(at.slice(0, 4)) + years}-01-01`, day)
  while (at < from)
  return at
}
