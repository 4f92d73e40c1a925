import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { isOn } from '../calendar/week'
import { daysSince1970 } from '../calendar/year'
import { placeTemperature } from '../climate/places'
import { controlsOf } from '../study/in-force'
import type { Loop, Returns, Run, Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { runsTo } from './lookups'
import { runUa } from './runs'
import { supplyC } from './supply'

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

/**
 * What the loop keeps its way out at, at least, at a time, by what is set, °C; null where it is left to cool. "unsaid" where
 * that hangs on who asked for it or on what it has learned.
 */
export function loopKeepsC(study: Study, takenAt: string): number | null | 'unsaid' {
  if (!study.pipes.loop) return null
  const { loop } = controlsOf(study)
  const open = () => isOn(loop.schedule, minuteOfWeek(takenAt))
  switch (loop.mode) {
    case 'off':
      return null
    case 'always':
      return supplyC(study)
    case 'clock':
      return open() ? supplyC(study) : null
    case 'sampled':
    case 'stop warm':
      return open() ? Math.min(supplyC(study), loop.targetC) - loop.differentialK : null
    case 'trace heating':
      return open() ? loop.targetC : null
    case 'on demand':
    case 'learned':
      return 'unsaid'
  }
}

/** Every length of the loop, out and back, with its computed loss, W/K, and the air around it in a month, °C. */
function loopLengths(study: Study, month: number): { uaWK: number; airC: number }[] {
  const { loop } = study.pipes
  if (!loop) return []
  const hotC = supplyC(study)
  return [...runsTo(study, { runId: loop.returnConnectionRunId }), loop.back].map((r) => ({
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

/** Runs to a tap that no loop passes. */
export function runsPastLoop(study: Study, tap: Pick<Tap, 'runId'>): Run[] {
  const { loop } = study.pipes
  const passed = new Set(loop ? runsTo(study, { runId: loop.returnConnectionRunId }).map((r) => r.id) : [])
  return runsTo(study, tap).filter((r) => !passed.has(r.id))
}
