import type { Figure } from '../calculators/calculator'
import { changesBetween } from '../household/changes'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import { CHANGES_LOGGED } from './events'
import { judge, kindOf } from './kinds'
import { isPassing } from './taken-with'

/** What a reading is of: readings of one thing can be held against each other. */
export const thingOf = (r: Reading): string =>
  `${r.kind} ${r.where ?? ''} ${r.kind === 'tap-temperature' ? r.values.where : ''}${r.kind === 'circuit' ? `${r.values.circuit} ${r.values.gauge}` : ''}`

/** Whether another reading of the same thing has to agree with it, or shows what changed. */
export const isCompared = (r: Reading): boolean => {
  const kind = kindOf(r)
  return kind !== undefined && !kind.varies && r.kind !== 'event' && r.kind !== 'note'
}

/** Something that changed between two readings, and on which day. */
export interface Between {
  on: string
  what: string
}

/** Two readings of one thing, one after the other, with what was changed in between. */
export interface Pair {
  before: Reading
  after: Reading
  changes: Between[]
  figure: Figure
  was: number
  is: number
  /** How far the two may lie apart and still be the same, in the unit of the figure. */
  uncertainty: number
}

/** The figure that a reading comes to: what it is judged by, or the first that it works out. */
function measuredOf(study: Study, r: Reading): { figure: Figure; value: number; uncertainty: number } | null {
  const judgement = judge(study, r)
  if (!judgement) return null
  const { verdict, results, worked } = judgement
  if (verdict) return { figure: verdict.figure, value: verdict.measured, uncertainty: verdict.uncertainty }
  for (const [name, figure] of Object.entries(results)) {
    const value = worked.out[name]
    if (typeof value === 'number') return { figure, value, uncertainty: 0.05 * Math.abs(value) }
  }
  return null
}

const dayOf = (r: Reading) => r.takenAt.slice(0, 10)

/** What is known to have changed between two readings: settings by their log, and works, fixtures, occupants, weather as logged. */
function changesIn(study: Study, from: Reading, to: Reading): Between[] {
  const settings = changesBetween(study, { from: dayOf(from), to: dayOf(to) })
    .filter(({ change }) => change.as === 'set')
    .map(({ change, setting }) => ({ on: change.on, what: `${setting.what.toLowerCase()} of ${setting.place}` }))
  const logged = study.readings
    .filter((r) => r.kind === 'event' && CHANGES_LOGGED.some((c) => c === r.values.event))
    .filter((r) => r.takenAt >= from.takenAt && r.takenAt <= to.takenAt)
    .map((r) => ({ on: dayOf(r), what: `${String(r.values.event)}${r.note ? ` (${r.note})` : ''}` }))
  // The same setting moved twice is one thing.
  const seen = new Set<string>()
  return [...settings, ...logged].filter((c) => !seen.has(c.what) && seen.add(c.what))
}

/** Every reading that held steady with the one before it of the same thing, and what changed in between. */
export function consecutive(study: Study): { before: Reading; after: Reading; changes: Between[] }[] {
  const last = new Map<string, Reading>()
  return study.readings
    .filter((r) => isCompared(r) && !isPassing(r))
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
    .flatMap((after) => {
      const before = last.get(thingOf(after))
      last.set(thingOf(after), after)
      return before ? [{ before, after, changes: changesIn(study, before, after) }] : []
    })
}

/** Pairs of readings with a logged change between them: what it did stands in their difference. */
export const pairsOf = (study: Study): Pair[] =>
  consecutive(study).flatMap(({ before, after, changes }) => {
    if (changes.length === 0) return []
    const [was, is] = [measuredOf(study, before), measuredOf(study, after)]
    return was && is
      ? [
          {
            before,
            after,
            changes,
            figure: is.figure,
            was: was.value,
            is: is.value,
            uncertainty: Math.max(was.uncertainty, is.uncertainty),
          },
        ]
      : []
  })
