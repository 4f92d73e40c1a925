import { DAY_S } from '../../calendar/year'
import type { Study } from '../../study/study'
import { mainsThroughYear } from '../../water/mains'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Draw } from './draws'

export interface WeekDay {
  day: number
  weekday: number
  draws: { startS: number; tapId: string; requiredC: number; litres: number }[]
}

/** The draws of a week of the year (0–51), day by day, with the litres each asks of its tap. */
export function weekOf(study: Study, all: readonly Draw[], week: number): WeekDay[] {
  const mains = mainsThroughYear(study.site)
  const flow = new Map(study.pipes.taps.map((t) => [t.id, t.flowLMin]))
  const litres = (d: Draw, day: number) =>
    d.measure === 'litres'
      ? d.amount
      : d.measure === 'seconds'
        ? (d.amount / 60) * flow.get(d.tapId)!
        : d.amount / (KJ_PER_LITRE_K * (d.requiredC - mains[day]))
  return Array.from({ length: 7 }, (_, i) => {
    const day = week * 7 + i
    return {
      day,
      weekday: (study.site.firstWeekday + day) % 7,
      draws: all
        .filter((d) => d.startS >= day * DAY_S && d.startS < (day + 1) * DAY_S)
        .map((d) => ({ startS: d.startS, tapId: d.tapId, requiredC: d.requiredC, litres: litres(d, day) })),
    }
  })
}
