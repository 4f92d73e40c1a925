/** Temperatures between which legionella multiply noticeably in a system, °C. */
export const TEPID_C = { low: 25, high: 45 } as const

/** Least temperature of a loop's return that keeps the loop safe, °C. */
export const SAFE_RETURN_C = 50

/** Days without a draw after which a run counts as standing. */
export const STILL_DAYS = 7

/** Minutes for a tenfold kill at 50 °C and at 60 °C. */
const D50_MIN = 111
const D60_MIN = 2

/**
 * Tenfold kills of legionella in an hour at a temperature: 60 / D, with D log-linear through 111 min at 50 °C and
 * 2 min at 60 °C (z ≈ 5.7 K). Nothing is claimed below 46 °C.
 */
export function logKillPerHour(tempC: number): number {
  if (tempC < 46) return 0
  return 60 / (D50_MIN * (D60_MIN / D50_MIN) ** ((tempC - 50) / 10))
}
