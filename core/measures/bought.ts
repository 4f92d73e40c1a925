import type { Bought } from '../money/appraisal'
import type { Measure } from '../study/measures'
import { lifeOf } from './life'

/** A measure as something that is bought at a cost: a grant is no more than all of it, upkeep that nobody has entered is none. */
export const boughtAt = (m: Measure, cost: number): Bought => ({
  cost,
  grant: Math.min(m.grantMoney ?? 0, cost),
  lifeYears: lifeOf(m).years,
  upkeepAYear: m.upkeepAYear ?? 0,
})

/** What the household pays of it itself. */
export const ownCost = (m: Measure, cost: number): number => cost - boughtAt(m, cost).grant
