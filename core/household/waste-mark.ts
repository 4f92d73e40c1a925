import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import type { Study } from '../study/study'
import { outline } from './outline'

/** Limits people choose: what somebody is ready to run off before it is warm, L. */
export const WASTE_LIMITS = { 'a cup': 0.25, 'half a litre': 0.5, 'a litre': 1, 'two litres': 2 } as const

/** How a run stands to a limit of litres: within it, past it, or where along it the limit falls, 0 to 1. */
export type WasteMark = { litres: number; at: number | 'within' | 'past' }

/**
 * For each run, the contents from the last water that is always hot to its end, L, and where the limit falls on it. What a
 * loop passes through is always hot when there is one; else the plant is where the counting begins.
 */
export function wasteMarks(study: Study, limitL: number): Map<string, WasteMark> {
  const { runs, loop } = study.pipes
  const hot = new Set<string>()
  for (let id: string | null = loop?.turnsAt ?? null; id !== null; id = runs.find((r) => r.id === id)!.from) hot.add(id)
  const out = new Map<string, WasteMark>()
  for (const { run } of outline(runs)) {
    const before = run.from === null ? 0 : out.get(run.from)!.litres
    const own = contentsPerMetre(pipeOf(run.material, run.size)) * run.lengthM
    const litres = hot.has(run.id) ? 0 : before + own
    out.set(run.id, { litres, at: litres <= limitL ? 'within' : before >= limitL ? 'past' : (limitL - before) / own })
  }
  return out
}
