/**
 * Worth today of money that comes at the end of each of so many years, growing from its worth now.
 * Σ ((1 + g) ⁄ (1 + d))^t, t = 1 … years: the modified uniform present worth factor of NIST Handbook 135 (2022), 3.
 * @param aYear money a year at today's prices; @param discount, growth shares a year
 */
export function presentWorth(aYear: number, years: number, discount: number, growth = 0): number {
  const k = (1 + growth) / (1 + discount)
  // Near 1 the closed form would divide nothing by nothing.
  const factor = Math.abs(k - 1) < 1e-9 ? years : (k * (1 - k ** years)) / (1 - k)
  return aYear * factor
}

/** Money a year that pays for a sum over so many years: the capital recovery factor, d ⁄ (1 − (1 + d)^−years), times the sum. */
export const annuity = (money: number, years: number, discount: number): number =>
  money / presentWorth(1, years, discount)

/** Something that is bought, lasts a while and is bought again. */
export interface Bought {
  /** Money for it, and what somebody else pays towards the first one. */
  cost: number
  grant: number
  lifeYears: number
  upkeepAYear: number
}

/**
 * Worth today of all that is paid for something over so many years: bought, kept in order, bought again whenever its life is
 * over; of the last one the share that is left of its life is worth its cost still (straight line). Prices of today.
 */
export function paidFor({ cost, grant, lifeYears, upkeepAYear }: Bought, years: number, discount: number): number {
  let paid = cost - Math.min(grant, cost) + presentWorth(upkeepAYear, years, discount)
  let ends = lifeYears
  // One that would be bought in the very last moment is not.
  for (; ends < years - 1e-9; ends += lifeYears) paid += cost / (1 + discount) ** ends
  const left = (ends - years) / lifeYears
  return paid - (left * cost) / (1 + discount) ** years
}

/** Money a year for something over its own life, upkeep with it. */
export const yearlyCost = ({ cost, grant, lifeYears, upkeepAYear }: Bought, discount: number): number =>
  annuity(cost - Math.min(grant, cost), lifeYears, discount) + upkeepAYear
