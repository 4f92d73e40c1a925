import { type FirstStep, stationOf } from '../household/first-steps'
import { valueAt } from '../study/paths'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'
import { DOUBTED_KINDS, withDoubt } from './doubted-figures'

/** Figures of one kind at one station that are assumed, and the household with all of them off by their usual doubt. */
export interface Doubted {
  name: string
  station: FirstStep['station']
  reading: ReadingKindName | null
  study: Study
}

/** The household once for each kind of figure that is still assumed in it, with that kind off. */
export function doubtedIn(study: Study): Doubted[] {
  const assumed = Object.keys(study.origins).filter((path) => study.origins[path] === 'assumed')
  return DOUBTED_KINDS.flatMap((kind) => {
    const { name, at, reading, alike, counts } = kind
    if (counts?.(study) === false) return []
    const paths = assumed.filter((path) => at.test(path) && valueAt(study, path) !== undefined)
    const station = paths.length ? stationOf(paths[0]) : undefined
    if (!station) return []
    const steps = alike ? 1 : 1 / Math.sqrt(paths.length)
    const then = paths.reduce((s, path) => withDoubt(s, kind, path, steps), study)
    return then === study ? [] : [{ name, station, reading: reading(study), study: then }]
  })
}

/** How much of a year's cost hangs on what is assumed of one kind, money a year either way. */
export interface Depends extends Omit<Doubted, 'study'> {
  money: number
}

/** The kinds by how much hangs on each, the most first; `years` are those of the doubted studies, null where one was refused. */
export const dependsOnAssumed = (
  doubted: readonly Doubted[],
  year: YearResult,
  years: readonly (YearResult | null)[],
): Depends[] =>
  doubted
    .flatMap(({ study: _, ...kind }, i) => {
      const then = years[i]
      return then ? [{ ...kind, money: Math.abs(then.cost.total - year.cost.total) }] : []
    })
    .sort((a, b) => b.money - a.money)

/** Money that hangs on several kinds together: they are off each by itself, so their squares add up. */
export const together = (kinds: readonly Depends[]): number =>
  Math.sqrt(kinds.reduce((s, { money }) => s + money ** 2, 0))
