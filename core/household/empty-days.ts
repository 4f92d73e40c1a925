import { DAYS } from '../calendar/year'
import type { People } from '../study/people'

/** Days of the year (0–364) on which nobody is there: everybody is away, and no guests have come. */
export function emptyDays({ persons, absences, guests }: People): ReadonlySet<number> {
  const on = (day: number) => (span: { fromDay: number; toDay: number }) => day + 1 >= span.fromDay && day < span.toDay
  const empty = new Set<number>()
  for (let day = 0; day < DAYS; day++) {
    const away = absences.filter(on(day))
    const all =
      away.some((a) => a.personId === null) ||
      (persons.length > 0 && persons.every((p) => away.some((a) => a.personId === p.id)))
    if (all && !guests.some(on(day))) empty.add(day)
  }
  return empty
}
