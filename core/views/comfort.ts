import { unmetNoticed, WAIT_NOTICED_S } from '../checks/noticed'
import type { Quantity } from '../units/quantities'
import type { YearResult } from '../year/result'

/** A figure as it is told of so many draw-offs: of none there is nothing to tell, and nought would be a figure. */
export const assessed = (among: number, text: string): string => (among === 0 ? 'not assessed' : text)

/** What of comfort got worse from one year to another, by more than whoever lives there would miss. */
export interface ComfortLost {
  what: string
  /** How it is written; null: a count. */
  quantity: Quantity | null
  was: number
  is: number
}

/** Whatever a change saves, what it takes in comfort stands beside it. */
export function comfortLost({ comfort: was }: YearResult, { comfort: is }: YearResult): ComfortLost[] {
  const rows: readonly [string, Quantity | null, number, number, number][] = [
    ['Median time to tap', 'seconds', was.waitMedianS, is.waitMedianS, WAIT_NOTICED_S],
    ['90th percentile time to tap', 'seconds', was.waitP90S, is.waitP90S, WAIT_NOTICED_S],
    ['Unmet draw-offs', null, was.unmetDraws, is.unmetDraws, unmetNoticed(is.waiting)],
  ]
  return rows.flatMap(([what, quantity, before, after, least]) =>
    after - before >= least ? [{ what, quantity, was: before, is: after }] : [],
  )
}
