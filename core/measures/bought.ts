import { upkeepKey } from '../household/engineer/price-book'
import type { Bought } from '../money/appraisal'
import type { Economics } from '../study/economics'
import type { Measure } from '../study/measures'
import { lifeOf } from './life'

const grantOf = (m: Measure, cost: number): number => Math.min(m.grantMoney ?? 0, cost)

/** Money a year to keep a measure in order: as somebody said, or of a heat source by the price book; null: not asked. */
export const upkeepOf = (m: Measure, { book }: Pick<Economics, 'book'>): number | null =>
  m.upkeepAYear ?? (m.kind === 'heat-source' ? (book[upkeepKey(m.heater.kind)]?.likely ?? null) : null)

/** A measure as something that is bought at a cost: a grant is no more than all of it, upkeep that nobody has entered is none. */
export const boughtAt = (m: Measure, cost: number, economics: Pick<Economics, 'book'>): Bought => ({
  cost,
  grant: grantOf(m, cost),
  lifeYears: lifeOf(m).years,
  upkeepAYear: upkeepOf(m, economics) ?? 0,
})

/** What the household pays of it itself. */
export const ownCost = (m: Measure, cost: number): number => cost - grantOf(m, cost)
