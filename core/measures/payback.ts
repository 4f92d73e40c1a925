/** Savings below this much money a year pay nothing back. */
const LEAST_SAVED = 0.01

/**
 * Years in which a saving has paid for what it cost: null where nobody knows the cost, Infinity where it never does.
 * @param cost money; null: not asked; @param savesAYear money, negative when it costs more
 */
export function paybackYears(cost: number | null, savesAYear: number): number | null {
  if (cost === null) return null
  if (cost === 0) return 0
  return savesAYear > LEAST_SAVED ? cost / savesAYear : Infinity
}
