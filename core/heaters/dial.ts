import { refused, type Result } from '../units/result'

/** A thermostat may let the water this far past its dial, K. */
export const DIAL_OVER_K = 5

/** A place on a dial that carries no degrees, in divisions, and what it gave when read. */
export interface DialMark {
  division: number
  tempC: number
}

/**
 * Where to put a dial for a wanted temperature, from marks that were read.
 *
 * Straight lines between neighbouring marks; beyond the outermost marks by half their span at most, because the far ends of
 * a thermostat are not straight. Marks of the same division are averaged.
 * @returns the division, or why it cannot be said
 */
export function dialFor(marks: readonly DialMark[], requiredC: number): Result<number> {
  const byDivision = new Map<number, number[]>()
  for (const m of marks) byDivision.set(m.division, [...(byDivision.get(m.division) ?? []), m.tempC])
  const points = [...byDivision]
    .map(([division, temps]) => ({ division, tempC: temps.reduce((s, c) => s + c, 0) / temps.length }))
    .sort((a, b) => a.tempC - b.tempC)
  if (points.length < 2)
    return refused(
      'At least 2 marks are needed: turn the dial, draw off until the heater starts, wait until it stops, read, and mark again.',
    )
  const turns = points.slice(1).map((p, i) => Math.sign(p.division - points[i].division))
  if (new Set(turns).size > 1)
    return refused('The marks contradict each other: hotter must always be in the same direction. Read one again.')
  const span = points[points.length - 1].tempC - points[0].tempC
  if (span < 1) return refused('The marks are too close together in temperature: turn the dial further and read again.')
  if (requiredC < points[0].tempC - span / 2 || requiredC > points[points.length - 1].tempC + span / 2)
    return refused('Too far from the marks: set the dial as near as they reach, read there, and mark again.')
  let i = 0
  while (i < points.length - 2 && requiredC > points[i + 1].tempC) i++
  const [a, b] = [points[i], points[i + 1]]
  return { ok: true, value: a.division + ((b.division - a.division) * (requiredC - a.tempC)) / (b.tempC - a.tempC) }
}
