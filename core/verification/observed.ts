import { dayAfter } from '../calendar/days'
import type { Study } from '../study/study'
import type { Observed } from './change-point'
import type { UsePeriod } from './periods'
import { airOf } from './weather'

/** Share of the days of a period on which the whole household was away. */
export function awayShare({ verification: { away } }: Study, { from, days }: Pick<UsePeriod, 'from' | 'days'>): number {
  const gone = Array.from({ length: days }, (_, i) => dayAfter(from, i)).filter((day) =>
    away.some((a) => a.from <= day && day <= a.to),
  )
  return gone.length / Math.max(1, days)
}

/** Periods as the regression takes them, with the weather of their days. */
export const observedOf = (study: Study, periods: readonly UsePeriod[], after: boolean): Observed[] =>
  periods.map((p) => ({
    days: p.days,
    perDay: p.perDay,
    airC: airOf(study, p).c,
    after,
    away: awayShare(study, p),
  }))
