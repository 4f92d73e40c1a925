/** What is held in the hand or hangs on the wall, and how far off it usually is; from practice. */

/** A stopwatch that is pressed by hand, s. */
export const WATCH_S = 1.5
/** A bucket with a mark, share of its volume. */
export const BUCKET_SHARE = 0.05
/** A water meter, share of what it counts. */
export const METER_SHARE = 0.02
