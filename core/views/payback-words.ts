import { paybackYears } from '../measures/payback'
import type { Spread } from '../scenarios/ranges'
import type { PartPrice } from '../study/economics'
import type { Display } from '../units/display'

const YEARS = ' years'

/** Years until something has paid for itself, in words. */
export const paybackText = (years: number | null): string =>
  years === null
    ? 'not priced'
    : years === 0
      ? 'immediate'
      : years === Infinity
        ? 'never'
        : `${years.toFixed(1)}${YEARS}`

/**
 * The same where the saving is a range: from the most of it at the lowest cost to the least of it at the highest.
 * @param cost money; null: not asked
 */
export function paybackRangeText(cost: PartPrice | null, saving: Pick<Spread, 'p10' | 'p90'>): string {
  const soon = paybackText(paybackYears(cost && cost.low, saving.p90))
  const late = paybackText(paybackYears(cost && cost.high, saving.p10))
  // The unit stands once, behind both.
  return soon === late ? soon : `${late.endsWith(YEARS) ? soon.replace(YEARS, '') : soon} to ${late}`
}

/** A cost in words: none is nothing, an unknown one is not priced, and one that is not surely known says how far it may lie apart. */
export function costText(cost: PartPrice | null, write: Display, unknown = 'not priced'): string {
  if (!cost) return unknown
  if (cost.high === 0) return 'nothing'
  return cost.low === cost.high
    ? write.money(cost.likely)
    : `${write.money(cost.likely)} (${write.money(cost.low)} to ${write.money(cost.high)})`
}
