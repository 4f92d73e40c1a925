import { DAYS_IN_MONTH, daysSince1970, firstDayOf } from '../climate/calendar'
import { placeTemperature } from '../climate/places'
import { carriedC } from '../controls/supply'
import { isOn } from '../controls/week'
import { DAYS_A_WEEK, MINUTES_A_DAY } from '../study/fields'
import { runFrontL, runUa } from '../pipes/network'
import type { Run, Tap } from '../study/pipes'
import { runningOf, type Heater } from '../study/plant'
import { controlsOf, type Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { KJ_PER_LITRE_K } from '../water/properties'

/** What the study expects of the figures that are read on a visit. */

/** Month (0–11) and day of the year (0–364) of an ISO time; 29 February counts as the 28th. */
export function dayOf(takenAt: string): { month: number; day: number } {
  const month = Number(takenAt.slice(5, 7)) - 1
  const inMonth = Math.min(Number(takenAt.slice(8, 10)), DAYS_IN_MONTH[month])
  return { month, day: firstDayOf(month) + inMonth - 1 }
}

export const mainsOn = (study: Study, takenAt: string) => mainsThroughYear(study.site)[dayOf(takenAt).day]

export function tapOf(study: Study, id: string | null): Tap {
  return study.pipes.taps.find((t) => t.id === id) ?? study.pipes.taps[0]
}
/** Seconds before a heater that heats as the water runs gives anything; none where keep-hot or a store holds it ready. */
export function heaterDelayS(study: Study): number {
  const running = runningOf(study.plant.heaters)
  return running && !controlsOf(study).heaters[running.id].keepHot ? running.startLagS : 0
}

export function heaterOf(study: Study, id: string | null): Heater {
  return study.plant.heaters.find((h) => h.id === id) ?? study.plant.heaters[0]
}

/** Runs from the plant to a tap, in the order the water takes. */
export function runsTo(study: Study, tap: Pick<Tap, 'runId'>): Run[] {
  const out: Run[] = []
  for (let id: string | null = tap.runId; id !== null; ) {
    const run: Run = study.pipes.runs.find((r) => r.id === id)!
    out.unshift(run)
    id = run.from
  }
  return out
}

const frontOf = (runs: readonly Run[]) => runs.reduce((s, r) => s + runFrontL(r), 0)

/** Hot water that must run before a tap on cold pipes runs warm, L. */
export const frontTo = (study: Study, tap: Tap) => frontOf(runsTo(study, tap))

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
  return study.pipes.loop !== null && (loop.mode === 'always' || (loop.mode === 'clock' && isOn(loop.windows, minuteOfWeek(takenAt))))
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

/** Temperature that reaches a tap in a long draw of hot water only, °C. */
export function steadyAtTap(study: Study, tap: Tap, supplyC: number, month: number): number {
  const carriedWK = (tap.flowLMin / 60) * KJ_PER_LITRE_K * 1000
  return runsTo(study, tap).reduce((c, run) => {
    const air = placeTemperature(run.place, month, study.site.monthlyAirC)
    return air + (c - air) * Math.exp(-runUa(run, supplyC, study.site.monthlyAirC) / carriedWK)
  }, supplyC)
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

/** Loss of the loop for each kelvin, out and back, W/K. */
export function loopUa(study: Study): number {
  return study.pipes.loop?.measuredUaWK ?? loopLengths(study, 0).reduce((s, l) => s + l.uaWK, 0)
}

/** Air around the loop in a month, each length counting by what it loses, °C. */
export function loopAir(study: Study, month: number): number {
  const lengths = loopLengths(study, month)
  return lengths.reduce((s, l) => s + l.uaWK * l.airC, 0) / lengths.reduce((s, l) => s + l.uaWK, 0)
}
