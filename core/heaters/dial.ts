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

/**
 * A place on a dial in the words that stand on it: its marks are divisions 1, 2, 3 … in their order.
 * @example dialText(['A', 'B', 'C'], 2.5) // "half a mark past B"
 */
export function dialText(marks: readonly string[], division: number): string {
  const nearest = Math.min(marks.length, Math.max(1, Math.round(division)))
  const off = division - nearest
  const quarters = Math.round(Math.abs(off) * 4)
  const mark = marks[nearest - 1] ?? String(nearest)
  if (quarters === 0) return mark
  const part =
    ['', 'a quarter of a mark', 'half a mark', 'three quarters of a mark', 'one mark'][quarters] ??
    `${quarters / 4} marks`
  return `${part} ${off > 0 ? 'past' : 'before'} ${mark}`
}

/** Water is as it should be within this, K, and a thermostat that still misses it after so many readings does so for good. */
export const DIAL_WITHIN_K = 2
export const DIAL_READINGS = 5
/** How the work on a dial stands: read, turn it, stop because it is right, or give up because it cannot be. */
export type DialWork =
  /** Verified: it was read there before, as required. */
  | { does: 'turn'; to: number; verified: boolean }
  | { does: 'stop'; at: number; readC: number }
  | { does: 'give up'; why: string }
  | { does: 'read'; why: string }

/**
 * What is to be done next. It stops where the last reading is within 2 K of what is required; goes back to an earlier place that
 * was; else turns to where the marks say, or gives up after five readings of which none was.
 * @param marks oldest first: the last is where it stands
 */
export function dialWork(marks: readonly DialMark[], requiredC: number): DialWork {
  const right = (m: DialMark) => Math.abs(m.tempC - requiredC) <= DIAL_WITHIN_K
  const last = marks.at(-1)
  if (last && right(last)) return { does: 'stop', at: last.division, readC: last.tempC }
  const before = marks.findLast(right)
  if (before) return { does: 'turn', to: before.division, verified: true }
  if (marks.length >= DIAL_READINGS)
    return {
      does: 'give up',
      why: `${marks.length} readings and none within reach: the thermostat switches by more than a mark, or is worn. Set it low and have it looked at.`,
    }
  const answer = dialFor(marks, requiredC)
  return answer.ok
    ? { does: 'turn', to: answer.value, verified: false }
    : { does: 'read', why: answer.faults[0].message }
}
