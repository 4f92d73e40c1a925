import { flowAtRise } from '../water/power'

/** A point of a maker's table or curve: what a heater gives at a rise, K and L/min. */
export interface CurvePoint {
  riseK: number
  lMin: number
}

export interface CurveAgainst extends CurvePoint {
  /** What its output makes of that rise, L/min. */
  physicsLMin: number
  /** The maker's figure above it, as a share; negative: below. */
  above: number
  /** So far from it that it is another figure. */
  apart: boolean
}

/** A maker's figure this far from what the output makes of it is another figure, not a rounded one. */
const APART = 0.1

/** Each point, in its order, against physics: flow = output / (ρ c × rise), from an inlet. @param inletC °C */
export const againstPhysics = (points: readonly CurvePoint[], outputKw: number, inletC: number): CurveAgainst[] =>
  points.map((p) => {
    const physicsLMin = flowAtRise(outputKw, inletC, p.riseK)
    const above = p.lMin / physicsLMin - 1
    return { ...p, physicsLMin, above, apart: Math.abs(above) > APART }
  })

/**
 * Flow at a rise between two points of a curve, L/min. Flow times rise is what the heater gives, and that changes little from
 * one point to the next, so it is that which is interpolated; null outside the curve, where nobody has said anything.
 */
export function flowByCurve(points: readonly CurvePoint[], riseK: number): number | null {
  const sorted = [...points].sort((a, b) => a.riseK - b.riseK)
  const above = sorted.findIndex((p) => p.riseK >= riseK)
  if (above < 0) return null
  const high = sorted[above]
  if (high.riseK === riseK) return high.lMin
  if (above === 0) return null
  const low = sorted[above - 1]
  const share = (riseK - low.riseK) / (high.riseK - low.riseK)
  return (low.riseK * low.lMin * (1 - share) + high.riseK * high.lMin * share) / riseK
}
