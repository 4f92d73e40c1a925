import { DAYS_IN_MONTH, firstDayOf } from '../calendar/year'
import { placeTemperature } from '../climate/places'
import { instantaneousOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Run, Tap } from '../study/pipes'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { KJ_PER_LITRE_K } from '../water/properties'
import { runUa, runWarmUpVolumeL } from './runs'

/** What the study expects of the figures that are read on a visit. */

/** Month (0–11) and day of the year (0–364) of an ISO time; 29 February counts as the 28th. */
export function dayOf(takenAt: string): { month: number; day: number } {
  const month = Number(takenAt.slice(5, 7)) - 1
  const inMonth = Math.min(Number(takenAt.slice(8, 10)), DAYS_IN_MONTH[month])
  return { month, day: firstDayOf(month) + inMonth - 1 }
}

export const mainsOn = (study: Study, takenAt: string) => mainsThroughYear(study.site)[dayOf(takenAt).day]

/** The warmest that anybody asks of a tap, °C; null where nobody draws at it. */
export function wantedAt({ people }: Study, tapId: string): number | null {
  const wanted = people.uses.filter((h) => h.tapId === tapId).map((h) => h.requiredC)
  return wanted.length ? Math.max(...wanted) : null
}

/** The cold main on the coldest day of the year, °C. */
export const mainsOnColdest = (study: Study): number => Math.min(...mainsThroughYear(study.site))

export function tapOf(study: Study, id: string | null): Tap {
  return study.pipes.taps.find((t) => t.id === id) ?? study.pipes.taps[0]
}
/** Seconds before a heater that heats as the water runs gives anything; none where keep-hot or a store holds it ready. */
export function heaterDelayS(study: Study): number {
  const running = instantaneousOf(study.plant.heaters)
  return running && !controlsOf(study).heaters[running.id].keepHot ? running.startDelayS : 0
}

export function heaterOf(study: Study, id: string | null): Heater {
  return study.plant.heaters.find((h) => h.id === id) ?? study.plant.heaters[0]
}

/** Runs from the plant to a tap, in the order the water takes. */
export function runsTo(study: Study, tap: Pick<Tap, 'runId'>): Run[] {
  const out: Run[] = []
  for (let id: string | null = tap.runId; id !== null;) {
    const run: Run = study.pipes.runs.find((r) => r.id === id)!
    out.unshift(run)
    id = run.from
  }
  return out
}

export const frontOf = (runs: readonly Run[]) => runs.reduce((s, r) => s + runWarmUpVolumeL(r), 0)

/** Hot water that must run before a tap on cold pipes runs warm, L. */
export const warmUpVolumeTo = (study: Study, tap: Pick<Tap, 'runId'>) => frontOf(runsTo(study, tap))

/** Temperature that reaches a tap in a long draw of hot water only, °C. */
export function steadyAtTap(study: Study, tap: Tap, supplyC: number, month: number): number {
  const carriedWK = (tap.flowLMin / 60) * KJ_PER_LITRE_K * 1000
  return runsTo(study, tap).reduce((c, run) => {
    const air = placeTemperature(run.place, month, study.site.monthlyAirC)
    return air + (c - air) * Math.exp(-runUa(run, supplyC, study.site.monthlyAirC) / carriedWK)
  }, supplyC)
}
