/** Water °C → seconds to a deep burn on an adult; the first is the coolest known, after some six hours. */
const SECONDS: readonly (readonly [number, number])[] = [
  [44, 21_600],
  [48.9, 300],
  [51.1, 180],
  [52.8, 60],
  [56.1, 15],
  [60, 5],
  [65, 2],
  [68.9, 1],
]

/** Children, and others with thin skin, burn in about a quarter of the time. */
const CHILD_SHARE = 0.25

/**
 * Seconds in which water of a temperature burns an adult deeply, and a child.
 * The logarithm is interpolated between the points; it goes on below 44 °C as between 44 and 48.9 °C, where the time is
 * long but not without end, and is held at a second above 68.9 °C.
 * @param tempC 0 to 100 °C
 * @example scaldSeconds(60).adultS // 5
 */
export function scaldSeconds(tempC: number): { adultS: number; childS: number } {
  const adultS = adultSeconds(tempC)
  return { adultS, childS: adultS * CHILD_SHARE }
}

function adultSeconds(tempC: number): number {
  if (tempC >= SECONDS[SECONDS.length - 1][0]) return 1
  let i = 1
  while (i < SECONDS.length - 1 && tempC > SECONDS[i][0]) i++
  const [t1, s1] = SECONDS[i]
  const [t0, s0] = SECONDS[i - 1]
  return s0 * (s1 / s0) ** ((tempC - t0) / (t1 - t0))
}

/** A time to a burn in words. @example burnTime(0.6) // "0.6 s" */
export function burnTime(seconds: number): string {
  if (seconds < 10) return `${seconds.toFixed(1)} s`
  if (seconds < 100) return `${Math.round(seconds)} s`
  if (seconds < 5400) return `${Math.round(seconds / 60)} min`
  return seconds < 86_400 ? `${Math.round(seconds / 3600)} h` : 'more than a day'
}
