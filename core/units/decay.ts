/** Reciprocals of 2 to 6: a product is quicker than a quotient. */
const [R2, R3, R4, R5, R6] = [1 / 2, 1 / 3, 1 / 4, 1 / 5, 1 / 6]
/** Marks of the table on a stretch of one, and how far it reaches: past it less than 1e-17 is left. */
const MARKS = 16
const REACH = 40
/** exp(−k/16) for each mark. */
const AT_MARK = marks()

function marks(): Float64Array {
  // From a stretch so short that the series is exact.
  let first = series(1 / MARKS / 256)
  for (let doubled = 1; doubled < 256; doubled *= 2) first *= first
  const table = new Float64Array(REACH * MARKS + 1)
  table[0] = 1
  for (let k = 1; k < table.length; k++) table[k] = table[k - 1] * first
  return table
}

/** exp(−y) for y from 0 to 1/16 by seven terms: good to 1e-12. */
function series(y: number): number {
  return 1 - y * (1 - y * R2 * (1 - y * R3 * (1 - y * R4 * (1 - y * R5 * (1 - y * R6)))))
}

/**
 * exp(−x) for x ≥ 0, by arithmetic alone so that it is the same to the last bit in every engine, and quick where most
 * steps are: small x. Below 0.03 five terms of the series; above, the series from the mark below on a table. Good to 2e-10.
 */
export function decay(x: number): number {
  if (x < 0.03) return 1 - x * (1 - x * R2 * (1 - x * R3 * (1 - x * R4)))
  if (x >= REACH) return 0
  const mark = Math.floor(x * MARKS)
  return AT_MARK[mark] * series(x - mark / MARKS)
}

/** Mean of exp(−x) for x spread evenly from a to b. */
export function meanDecay(a: number, b: number): number {
  const span = b - a
  // Midpoint with its first correction, sinh(h)/h ≈ 1 + h²/6 for h = span/2: good to 1e-7 here.
  return span < 0.1 ? decay((a + b) * R2) * (1 + span * span * (1 / 24)) : (decay(a) - decay(b)) / span
}
