import { RADIATOR_EXPONENT, radiatorShare, RATED_AT } from './radiator'

/** A step of the flow temperature that can be felt and does not overshoot, K. Source: practice. */
export const FLOW_STEP_K = 3

/** How a flow temperature is set: fixed, by the weather with two levels, or by an outdoor curve. */
export type FlowBy =
  | { by: 'fixed'; flowC: number }
  | { by: 'season'; coldC: number; mildC: number; belowC: number }
  | { by: 'curve'; slope: number; shiftK: number; mostC: number }

/**
 * Flow temperature at an outdoor temperature, °C. A curve: room + shift + slope × (room − outdoor), no lower than the room and
 * no higher than its stop.
 * @example flowTemperature({ by: 'curve', slope: 1, shiftK: 5, mostC: 60 }, -10, 20) // 55
 */
export function flowTemperature(set: FlowBy, outdoorC: number, roomC: number): number {
  if (set.by === 'fixed') return set.flowC
  if (set.by === 'season') return outdoorC < set.belowC ? set.coldC : set.mildC
  return Math.min(set.mostC, Math.max(roomC, roomC + set.shiftK + set.slope * (roomC - outdoorC)))
}

/** Spread that radiators are rated at, K: 75/65. */
const RATED_SPREAD_K = RATED_AT.flowC - RATED_AT.returnC
/** The return is at least this much above the room, K. */
const LEAST_OVER_ROOM_K = 0.1

/** Something that rises from low to high crosses zero: where, to a thousandth. */
function crossing(low: number, high: number, rises: (x: number) => number): number {
  let [a, b] = [low, high]
  for (let i = 0; i < 60 && b - a > 1e-3; i++) {
    const middle = (a + b) / 2
    if (rises(middle) < 0) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/** What radiators give at a flow temperature, as a share of their rated output, and what comes back, °C. */
export interface RadiatorsAt {
  share: number
  returnC: number
}

/**
 * Radiators at a flow temperature, with a pump that moves as much as their rated output needs at 75/65: the return is where
 * the water gives off what the radiators do, (flow − return) / 10 K = share of rated output.
 * @returns nothing given, and the flow back, where the flow is not above the room
 * @example radiatorsAt(75, 20) // { share: 1, returnC: 65 }
 */
export function radiatorsAt(flowC: number, roomC: number, exponent: number = RADIATOR_EXPONENT): RadiatorsAt {
  const least = roomC + LEAST_OVER_ROOM_K
  if (flowC <= least) return { share: 0, returnC: flowC }
  const over = (c: number) => radiatorShare(flowC, c, roomC, exponent) - (flowC - c) / RATED_SPREAD_K
  const returnC = over(least) > 0 ? least : crossing(least, flowC, over)
  return { share: radiatorShare(flowC, returnC, roomC, exponent), returnC }
}

/** No radiator is fed hotter than this, °C. */
const HOTTEST_C = 110

/**
 * Lowest flow temperature at which radiators give a share of their rated output, °C.
 * @param share of rated output, above 0
 * @throws RangeError where no water of 110 °C or less would do
 * @example flowNeeded(1, 20) // 75: the conditions they are rated at
 */
export function flowNeeded(share: number, roomC: number, exponent: number = RADIATOR_EXPONENT): number {
  const over = (flowC: number) => radiatorsAt(flowC, roomC, exponent).share - share
  if (over(HOTTEST_C) < 0) throw new RangeError('no flow temperature is high enough for so much of the rated output')
  return crossing(roomC, HOTTEST_C, over)
}
