import { firstDayOf } from '../calendar/year'
import type { Study } from '../study/study'

/** Minutes between two pictures of a traced day. */
export const FRAME_MIN = 2

/** First day of a month (0–11) that falls on a weekday (0 = Monday) and leaves room for the lead-in, 0–364. */
export function dayInMonth(study: Study, month: number, weekday: number): number {
  const first = firstDayOf(month)
  let day = first + 7
  while ((study.site.firstWeekday + day) % 7 !== weekday) day++
  return day
}
