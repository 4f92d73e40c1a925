import { MINUTES_A_DAY } from '../calendar/clock'
import type { Schedule } from '../calendar/week'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { outline } from './outline'

/** Limits people choose: what somebody is ready to run off before it is warm, L. */
export const WASTE_LIMITS = { 'a cup': 0.25, 'half a litre': 0.5, 'a litre': 1, 'two litres': 2 } as const

/** How a run stands to a limit of litres: within it, past it, or where along it the limit falls, 0 to 1. */
export type WasteMark = { litres: number; at: number | 'within' | 'past' }

/** Whether a loop stands hot in its mode: at all times, only while its pump or cable works, or never. */
export function loopStandsHot(study: Study): 'always' | 'at times' | 'never' {
  if (!study.pipes.loop) return 'never'
  const { mode, schedule } = controlsOf(study).loop
  if (mode === 'off') return 'never'
  const keeps = mode === 'always' || ((mode === 'clock' || mode === 'trace heating') && isAllWeek(schedule))
  return keeps ? 'always' : 'at times'
}
const isAllWeek = (schedule: Schedule) =>
  schedule.every((day) => day.some((w) => w.fromMin === 0 && w.toMin === MINUTES_A_DAY))

/**
 * For each run, the contents from the last water that is always hot to its end, L, and where the limit falls on it. What a
 * loop passes through is hot where it is counted so; else the plant is where the counting begins.
 * @param loopHot whether the loop is counted as hot: as it is at its best, unless said otherwise
 */
export function deadLegVolumes(
  study: Study,
  limitL: number,
  loopHot: boolean = loopStandsHot(study) !== 'never',
): Map<string, WasteMark> {
  const { runs, loop } = study.pipes
  const hot = new Set<string>()
  for (
    let id: string | null = (loopHot && loop?.returnConnectionRunId) || null;
    id !== null;
    id = runs.find((r) => r.id === id)!.from
  )
    hot.add(id)
  const out = new Map<string, WasteMark>()
  for (const { run } of outline(runs)) {
    const before = run.from === null ? 0 : out.get(run.from)!.litres
    const own = contentsPerMetre(pipeOf(run.material, run.size)) * run.lengthM
    const litres = hot.has(run.id) ? 0 : before + own
    out.set(run.id, { litres, at: litres <= limitL ? 'within' : before >= limitL ? 'past' : (limitL - before) / own })
  }
  return out
}
