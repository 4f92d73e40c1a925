import { paybackYears } from '../measures/payback'
import type { Spread } from '../scenarios/ranges'

/** Years until something has paid for itself, in words. */
export const paybackText = (years: number | null): string =>
  years === null ? 'not priced' : years === 0 ? 'immediate' : years === Infinity ? 'never' : `${years.toFixed(1)} years`

/** The same where the saving is a range: from the most of it to the least. @param cost money; null: not asked */
export function paybackRangeText(cost: number | null, saving: Spread): string {
  const [soon, late] = [saving.p90, saving.p10].map((money) => paybackText(paybackYears(cost, money)))
  return soon === late ? soon : `${soon} to ${late}`
}
