/** Conditions that a radiator is rated at: flow, return and room, °C. Source: EN 442. */
export const RATED_AT = { flowC: 75, returnC: 65, roomC: 20 } as const
/** Exponent of a panel radiator; convectors about 1.4, floors 1.1. */
export const RADIATOR_EXPONENT = 1.3

/**
 * Mean excess of a radiator over its room, K: logarithmic, as its water cools on the way through.
 * @throws RangeError when the return is not between room and flow
 */
export function meanExcess(flowC: number, returnC: number, roomC: number): number {
  const [hot, cool] = [flowC - roomC, returnC - roomC]
  if (cool <= 0 || hot < cool) throw new RangeError('the return lies between room and flow')
  return hot - cool < 1e-6 ? hot : (hot - cool) / Math.log(hot / cool)
}

/**
 * Share of its rated output that a radiator gives: (mean excess / rated mean excess)^exponent.
 * @example radiatorShare(55, 45, 20) // 0.51
 */
export const radiatorShare = (flowC: number, returnC: number, roomC: number, exponent = RADIATOR_EXPONENT): number =>
  (meanExcess(flowC, returnC, roomC) / meanExcess(RATED_AT.flowC, RATED_AT.returnC, RATED_AT.roomC)) ** exponent
