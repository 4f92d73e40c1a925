import { applyAll } from '../measures/apply'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'

/** Two measures of a package done to a household, and nothing else. */
interface Pair {
  /** Their places in the package. */
  at: readonly [number, number]
  study: Study
}

/** Each two measures of a package. */
export const pairsOf = (study: Study, { measures }: Package): Pair[] =>
  measures.flatMap((a, i) =>
    measures.slice(i + 1).map((b, k) => ({ at: [i, i + 1 + k] as const, study: applyAll(study, [a, b]) })),
  )

/** Two measures and what becomes of their savings together, money a year: below zero they save part of the same. */
export interface Interaction {
  measures: readonly [string, string]
  /** Saved by the two together, less what each saves by itself; null: the engine refuses a year with the two. */
  money: number | null
}

/**
 * The pairs of a package, the one that overlaps most first, those that were refused last.
 * @param base money a year without any; @param alone money that each saves by itself; @param years of the pairs, in their order
 */
export const interactionsOf = (
  { measures }: Package,
  base: number,
  alone: readonly number[],
  pairs: readonly Pair[],
  years: readonly (YearResult | null)[],
): Interaction[] =>
  pairs
    .map(({ at: [a, b] }, i) => {
      const then = years[i]
      return {
        measures: [measures[a].name, measures[b].name] as const,
        money: then && base - then.cost.total - alone[a] - alone[b],
      }
    })
    .sort((x, y) => (x.money ?? Infinity) - (y.money ?? Infinity))
