/** Water °C → seconds to a deep burn on an adult. */
const SECONDS: readonly (readonly [number, number])[] = [
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
 * Seconds in which water of a temperature burns an adult deeply; Infinity below 48.9 °C, where the table ends.
 * The logarithm is interpolated between the handbook's points and held at a second above 68.9 °C.
 */
export function scaldSeconds(tempC: number): { adultS: number; childS: number } {
  const adultS = adultSeconds(tempC)
  return { adultS, childS: adultS * CHILD_SHARE }
}

function adultSeconds(tempC: number): number {
  if (tempC < SECONDS[0][0]) return Infinity
  for (let i = 1; i < SECONDS.length; i++) {
    const [t1, s1] = SECONDS[i]
    if (tempC > t1) continue
    const [t0, s0] = SECONDS[i - 1]
    return s0 * (s1 / s0) ** ((tempC - t0) / (t1 - t0))
  }
  return 1
}
