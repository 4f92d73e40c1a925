/** Digits that are kept. */
const DIGITS = 9
/** Powers of ten that a figure of the language holds exactly. */
const TENS = Float64Array.from({ length: 23 }, (_, k) => Number(`1e${k}`))
const FULL = 10 ** DIGITS

/**
 * Drops the last digits of a figure, so that a year is the same to the byte in every engine.
 *
 * The language fixes + − × ÷ and square roots to the last bit but not exp, log, powers and cosines, and browsers differ
 * there. A thermostat turns a last bit into a different minute. So whatever such functions feed into the year (losses,
 * times and amounts of draws, the cold main) is cut to nine digits first, and `decay` uses arithmetic alone.
 * @example sameEverywhere(1 / 3) // 0.333333333
 */
export function sameEverywhere(x: number): number {
  const size = Math.abs(x)
  // A whole count of the last digit kept, divided by a power of ten that is exact, is the nearest figure to the decimal one.
  if (size >= 1e-4 && size < FULL) {
    let k = 0
    while (size * TENS[k] < FULL / 10) k++
    const count = Math.round(size * TENS[k])
    const cut = count / TENS[k]
    return x < 0 ? -cut : cut
  }
  return Number(x.toPrecision(DIGITS))
}
