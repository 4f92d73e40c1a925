/**
 * Drops the last digits of a figure, so that a year is the same to the byte in every engine.
 *
 * The language fixes + − × ÷ and square roots to the last bit but not exp, log, powers and cosines, and browsers differ
 * there. A thermostat turns a last bit into a different minute. So whatever such functions feed into the year (losses,
 * times and amounts of draws, the cold main) is cut to nine digits first, and `decay` uses arithmetic alone.
 * @example sameEverywhere(1 / 3) // 0.333333333
 */
export function sameEverywhere(x: number): number {
  return Number(x.toPrecision(9))
}
