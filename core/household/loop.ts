import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { isOn } from '../calendar/week'
import { daysSince1970 } from '../calendar/year'
import { placeTemperature } from '../climate/places'
import { controlsOf } from '../study/in-force'
import type { Loop, Returns, Run, Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { runUa } from './runs'
import { carriedC } from './supply'
import { frontOf, runsTo } from './ways'

/** The valve of a loop that comes back through the cold line; null where its return is its own, or there is no loop. */
export const bypassOf = (loop: Loop | null): Extract<Returns, { by: 'cold line' }> | null =>
  loop?.returns.by === 'cold line' ? loop.returns : null

/** Minute of the week of an ISO time, by the clock on the wall that it was written by (0 = Monday midnight). */
function minuteOfWeek(takenAt: string): number {
  const [year, month, day] = [takenAt.slice(0, 4), takenAt.slice(5, 7), takenAt.slice(8, 10)].map(Number)
  // 1 January 1970 was a Thursday.
  const weekday = ((daysSince1970(year, month, day) ?? 0) + 3) % DAYS_A_WEEK
  return weekday * MINUTES_A_DAY + Number(takenAt.slice(11, 13)) * 60 + Number(takenAt.slice(14, 16))
}

/** Whether the loop's pump is due to run at a time, by what is set. */
export function loopDue(study: Study, takenAt: string): boolean {
  const { loop } = controlsOf(study)
  return (
    study.pipes.loop !== null &&
    (loop.mode === 'always' || (loop.mode === 'clock' && isOn(loop.windows, minuteOfWeek(takenAt))))
  )
}

/** Every length of the loop, out and back, with its computed loss, W/K, and the air around it in a month, °C. */
function loopLengths(study: Study, month: number): { uaWK: number; airC: number }[] {
  const { loop } = study.pipes
  if (!loop) return []
  const hotC = carriedC(study)
  return [...runsTo(study, { runId: loop.turnsAt }), loop.back].map((r) => ({
    uaWK: runUa(r, hotC, study.site.monthlyAirC),
    airC: placeTemperature(r.place, month, study.site.monthlyAirC),
  }))
}

/** Loss of the loop for each kelvin as its pipes say, out and back, W/K. */
export const computedLoopUa = (study: Study): number => loopLengths(study, 0).reduce((s, l) => s + l.uaWK, 0)

/** Loss of the loop for each kelvin, out and back, as measured or as its pipes say, W/K. */
export const loopUa = (study: Study): number => study.pipes.loop?.measuredUaWK ?? computedLoopUa(study)

/** Air around the loop in a month, each length counting by what it loses, °C. */
export function loopAir(study: Study, month: number): number {
  const lengths = loopLengths(study, month)
  return lengths.reduce((s, l) => s + l.uaWK * l.airC, 0) / lengths.reduce((s, l) => s + l.uaWK, 0)
}

/** Runs from the last water that is hot at a time to a tap: past the loop while its pump is due, else all the way. */
export function coldRunsTo(study: Study, tap: Tap, takenAt: string): Run[] {
  const runs = runsTo(study, tap)
  if (!loopDue(study, takenAt)) return runs
  const hot = new Set(runsTo(study, { runId: study.pipes.loop!.turnsAt }).map((r) => r.id))
  return runs.filter((r) => !hot.has(r.id))
}

/** Hot water that must run before a tap runs warm at a time, L. */
export const frontAt = (study: Study, tap: Tap, takenAt: string) => frontOf(coldRunsTo(study, tap, takenAt))
