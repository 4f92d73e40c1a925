import { MINUTES_A_DAY } from '../calendar/clock'
import { MONTH_NAMES, MONTHS } from '../calendar/names'
import { DAYS_IN_MONTH } from '../calendar/year'
import { parseTime } from './parse'
import type { System } from './quantities'

/** Years that a day of a visit, a bill or a test can be of. */
const YEARS = { first: 1900, last: 2199 } as const

const two = (n: number) => String(n).padStart(2, '0')

/** A day of the calendar, YYYY-MM-DD, if there is one; null: no month has it. */
function dayOf(year: number, month: number, day: number): string | null {
  if (year < YEARS.first || year > YEARS.last || month < 1 || month > 12) return null
  const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0)
  const last = month === 2 && leap ? 29 : DAYS_IN_MONTH[month - 1]
  return day >= 1 && day <= last ? `${year}-${two(month)}-${two(day)}` : null
}

/**
 * A day of the calendar as people of a system write it.
 * @example writeDay('2026-11-29', 'metric') // "29 Nov 2026"
 * @example writeDay('2026-11-29', 'us') // "Nov 29, 2026"
 */
export function writeDay(iso: string, system: System): string {
  const [year, month, day] = iso.split('-').map(Number)
  const name = MONTHS[month - 1]
  return system === 'us' ? `${name} ${day}, ${year}` : `${day} ${name} ${year}`
}

const monthNamed = (name: string): number => {
  const at = MONTH_NAMES.findIndex((m) => m.toLowerCase().startsWith(name.toLowerCase()))
  return name.length >= 3 ? at + 1 : 0
}
/** Of a year written with two digits: of this century. */
const whole = (year: string) => (year.length === 2 ? 2000 + Number(year) : Number(year))

/**
 * A day as somebody types it, YYYY-MM-DD: 2026-11-29, 29 Nov 2026, Nov 29, 2026; of three numbers the day comes first, in US
 * studies the month. Null when it is none.
 * @example readDay('3/4/2026', 'us') // "2026-03-04"
 */
export function readDay(text: string, system: System): string | null {
  const iso = /^\s*(\d{4})-(\d{1,2})-(\d{1,2})\s*$/.exec(text)
  if (iso) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const numbers = /^\s*(\d{1,2})[./\s-]+(\d{1,2})[./\s-]+(\d{2}|\d{4})\s*$/.exec(text)
  if (numbers) {
    const [first, second] = [Number(numbers[1]), Number(numbers[2])]
    return system === 'us' ? dayOf(whole(numbers[3]), first, second) : dayOf(whole(numbers[3]), second, first)
  }
  const dayFirst = /^\s*(\d{1,2})\.?\s+([a-z]+)\.?,?\s+(\d{2}|\d{4})\s*$/i.exec(text)
  if (dayFirst) return dayOf(whole(dayFirst[3]), monthNamed(dayFirst[2]), Number(dayFirst[1]))
  const monthFirst = /^\s*([a-z]+)\.?\s+(\d{1,2}),?\s+(\d{2}|\d{4})\s*$/i.exec(text)
  if (monthFirst) return dayOf(whole(monthFirst[3]), monthNamed(monthFirst[1]), Number(monthFirst[2]))
  return null
}

/**
 * A moment by the clock on the wall, YYYY-MM-DDTHH:MM, as it is typed: a day, and a time behind it. Null when it is none.
 * @example readMoment('29 Nov 2026 17:30', 'metric') // "2026-11-29T17:30"
 */
export function readMoment(text: string, system: System): string | null {
  const words = text.trim().split(/\s+/)
  // The time is what follows a day: one word, or two where am or pm stands apart.
  for (const behind of [1, 2]) {
    const day = readDay(words.slice(0, -behind).join(' ').replace(/,$/, ''), system)
    const minute = parseTime(words.slice(-behind).join(' '))
    if (day && minute !== null && minute < MINUTES_A_DAY)
      return `${day}T${two(Math.floor(minute / 60))}:${two(minute % 60)}`
  }
  return null
}

/** Minute of the day of such a moment, 0 to 1439. */
export const minuteOf = (moment: string): number => Number(moment.slice(11, 13)) * 60 + Number(moment.slice(14, 16))
