/** Shortest time a burner stays lit once it has been, s: controls keep it on that long whatever comes back. */
export const LEAST_ON_S = 30

/** Height up to which burners give what their plate says, m, and what each 300 m above that takes of it. */
const DERATE = { aboveM: 600, perM: 300, share: 0.04 } as const

/**
 * Starts a second of a burner that is asked for less than its least fire. It lights, makes more than is taken until what
 * its water may hold between off and on is full, goes out, and lights again when that is used up: on for
 * swing / (least − asked), but no shorter than `LEAST_ON_S`; starts = asked / (least × on-time).
 * @param askedKw heat taken, kW, 0 or more; @param leastKw least output, kW
 * @param swingKj heat that its water takes up between lighting and going out: its content × hysteresis, kJ
 * @returns 0 where it is asked for its least output or more: it then burns through
 * Source: the balance of one cycle. @example startsASecond(2, 6, 40) // 1/90: lit 30 s, of every 90 s
 */
export function startsASecond(askedKw: number, leastKw: number, swingKj: number): number {
  if (askedKw >= leastKw || askedKw <= 0) return 0
  return askedKw / (leastKw * Math.max(LEAST_ON_S, swingKj / (leastKw - askedKw)))
}

/**
 * Share of its output that a burner has at a height, 0 to 1: 4 % less for each 300 m above 600 m. Source: usual rule of
 * makers and gas codes.
 */
export const shareAtAltitude = (altitudeM: number): number =>
  Math.max(0.2, 1 - DERATE.share * (Math.max(0, altitudeM - DERATE.aboveM) / DERATE.perM))
