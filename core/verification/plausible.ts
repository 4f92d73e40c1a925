import { DAYS } from '../calendar/year'
import { likelyPeriod, RUNS_H } from '../heaters/run-hours'
import { carrierOf, outputOf } from '../study/heater-kinds'
import type { Meter } from '../study/meters'
import type { Study } from '../study/study'

/** An amount of a period by the hours its heaters would run for it at full output. */
export interface Plausible {
  /** Hours a day, of those that burn or draw from this meter; null: none does, or their output is not known. */
  hoursADay: number | null
  /**
   * "too much": more than they can burn in all hours of the day. "a year": a month's days that only a year of hot water explains.
   * "a month": a year's days that only a month does.
   */
  verdict: 'too much' | 'a year' | 'a month' | null
}

const A_MONTH = DAYS / 12

/**
 * Whether an amount can be what it says to be. Rooms that the same meter heats take more than hot water, so that only what lies
 * below it is held against the usual hours where it heats rooms.
 * @param kwh of so many days
 */
export function plausible(study: Study, { of }: Pick<Meter, 'of'>, kwh: number, days: number): Plausible {
  const kw = study.plant.heaters.filter((h) => carrierOf(h) === of).reduce((s, h) => s + (outputOf(h)?.kw ?? 0), 0)
  if (of === 'water' || kw <= 0 || days <= 0) return { hoursADay: null, verdict: null }
  const hoursADay = kwh / kw / days
  if (hoursADay > 24) return { hoursADay, verdict: 'too much' }
  const likely = likelyPeriod(kwh / kw / DAYS, kwh / kw / A_MONTH)
  const heats = study.site.heating.carrier === of
  const asYear = !heats && hoursADay > RUNS_H.most && likely === 'year'
  const asMonth = hoursADay < RUNS_H.least && likely === 'month'
  return { hoursADay, verdict: asYear ? 'a year' : asMonth ? 'a month' : null }
}
