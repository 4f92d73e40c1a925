/** What of comfort is missed by whoever lives there: a wait that is longer by this, s. */
export const WAIT_NOTICED_S = 2

/** Unmet draw-offs a year more that are noticed, of so many that wait. */
export const unmetNoticed = (waiting: number): number => Math.max(5, waiting * 0.002)
