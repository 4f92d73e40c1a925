import { DAYS_A_WEEK } from './clock'
import { DAYS, DAYS_IN_MONTH, firstDayOf } from './year'

/** Where clocks go forward in summer, by whose rule. */
export const SUMMER_TIMES = ['none', 'europe', 'north america', 'south'] as const
export type SummerTime = (typeof SUMMER_TIMES)[number]

/** A Sunday of a month (0–11): the first, the second, or the last. */
type Sunday = [month: number, which: 1 | 2 | 'last']

/** Directive 2000/84/EC; US Energy Policy Act of 2005; in the south as in New South Wales. */
const RULES: Record<Exclude<SummerTime, 'none'>, { begins: Sunday; ends: Sunday }> = {
  europe: { begins: [2, 'last'], ends: [9, 'last'] },
  'north america': { begins: [2, 2], ends: [10, 1] },
  south: { begins: [9, 1], ends: [3, 1] },
}

function dayOf([month, which]: Sunday, firstWeekday: number): number {
  const first = firstDayOf(month)
  const sunday = first + ((DAYS_A_WEEK - 1 - ((firstWeekday + first) % DAYS_A_WEEK)) % DAYS_A_WEEK)
  if (which !== 'last') return sunday + (which - 1) * DAYS_A_WEEK
  return sunday + Math.floor((first + DAYS_IN_MONTH[month] - 1 - sunday) / DAYS_A_WEEK) * DAYS_A_WEEK
}

/**
 * Days of the year (0–364) on which clocks go forward and back; null where they do not.
 * @param firstWeekday day of the week of 1 January, 0 = Monday
 * @example summerTimeDays('europe', 3) // { begins: 87, ends: 297 }: 29 March and 25 October 2026
 */
export function summerTimeDays(rule: SummerTime, firstWeekday: number): { begins: number; ends: number } | null {
  if (rule === 'none') return null
  const { begins, ends } = RULES[rule]
  return { begins: dayOf(begins, firstWeekday), ends: dayOf(ends, firstWeekday) }
}

/** Whether clocks are an hour ahead on a day of the year (0–364). */
export function isSummerTime(rule: SummerTime, firstWeekday: number, day: number): boolean {
  const days = summerTimeDays(rule, firstWeekday)
  if (!days) return false
  const at = ((day % DAYS) + DAYS) % DAYS
  return days.begins < days.ends ? at >= days.begins && at < days.ends : at >= days.begins || at < days.ends
}
