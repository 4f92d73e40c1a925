/** Minutes for a tenfold kill at 50 °C and at 60 °C. */
const D50_MIN = 111
const D60_MIN = 2

/** Below this nothing is claimed, °C. */
const KILL_FROM_C = 46
/** Kills per hour at each quarter of a degree from there up: the engine asks a few hundred thousand times a year. */
const KILLS = Float64Array.from(
  { length: 221 },
  (_, i) => 60 / (D50_MIN * (D60_MIN / D50_MIN) ** ((KILL_FROM_C + i / 4 - 50) / 10)),
)

/**
 * Tenfold kills of legionella in an hour at a temperature: 60 / D, with D log-linear through 111 min at 50 °C and
 * 2 min at 60 °C (z ≈ 5.7 K). Nothing is claimed below 46 °C. Off a table at quarter degrees, good to 0.2 %.
 */
export function logKillPerHour(tempC: number): number {
  const at = (tempC - KILL_FROM_C) * 4
  if (!(at >= 0)) return 0
  const i = Math.min(KILLS.length - 2, Math.floor(at))
  return KILLS[i] + (KILLS[i + 1] - KILLS[i]) * Math.min(1, at - i)
}
