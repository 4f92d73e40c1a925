import { coldestMonth, DAYS, firstDayOf } from '../calendar/year'
import { emptyDays } from '../household/empty-days'
import type { Study } from '../study/study'
import type { YearResult } from './result'

/** Days of the year (0–364) worth looking at; null where the year has none. */
export interface SpecialDays {
  /** The morning that kept people waiting longest. */
  worstMorning: number | null
  /** The middle of the coldest month. */
  coldest: number
  /** The first day that somebody is there after nobody was. */
  homecoming: number | null
}

/** A day of the year (0–364) that stayed below what is wanted, and in what. */
export interface PoorDay {
  day: number
  why: string
}

/** Days below the limits of comfort or of hygiene, in the order of the year. @param leadDays as below */
export function poorDays({ comfort, hygiene }: YearResult, leadDays: number): PoorDay[] {
  const [cool, tepid] = [new Set(comfort.unmetOn), new Set(hygiene.tepidOn)]
  return [...new Set([...cool, ...tepid])]
    .sort((a, b) => a - b)
    .filter((day) => day >= leadDays)
    .map((day) => ({
      day,
      why: [cool.has(day) ? 'unmet draw-off' : '', tepid.has(day) ? 'growth range for an hour' : '']
        .filter(Boolean)
        .join(', '),
    }))
}

/** A day that can be traced: some days of the year run before it. */
const traceable = (day: number | null, leadDays: number): number | null =>
  day === null ? null : Math.max(leadDays, day)

/** @param leadDays days that a trace runs before the day itself */
export function specialDays(study: Study, year: YearResult | null, leadDays: number): SpecialDays {
  const empty = emptyDays(study.people)
  const homecoming = Array.from({ length: DAYS }, (_, d) => d).find((d) => d > 0 && empty.has(d - 1) && !empty.has(d))
  return {
    worstMorning: traceable(year?.comfort.worstMorning ?? null, leadDays),
    coldest: firstDayOf(coldestMonth(study.site.monthlyAirC)) + 14,
    homecoming: traceable(homecoming ?? null, leadDays),
  }
}
