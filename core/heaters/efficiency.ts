import type { Carrier } from '../money/carriers'

type Curve = readonly (readonly [returnC: number, share: number])[]

/**
 * Return water °C → efficiency of a condensing appliance on gross calorific value, by fuel. Natural gas as in the
 * handbook; propane holds less water, so that it gains less by condensing and loses less when dry; oil has a dew point of
 * about 47 °C and 6 % of latent heat. Good to about ±0.015.
 */
const CONDENSING: Partial<Record<Carrier, Curve>> & { 'natural-gas': Curve } = {
  'natural-gas': [
    [20, 0.975],
    [30, 0.96],
    [40, 0.935],
    [50, 0.905],
    [55, 0.885],
    [60, 0.875],
    [80, 0.86],
  ],
  propane: [
    [20, 0.975],
    [30, 0.962],
    [40, 0.94],
    [50, 0.913],
    [55, 0.9],
    [60, 0.895],
    [80, 0.88],
  ],
  'heating-oil': [
    [20, 0.97],
    [35, 0.95],
    [47, 0.92],
    [60, 0.915],
    [80, 0.915],
  ],
}

/** Return below which flue gas begins to condense, °C, by fuel. Source: as the curves above. */
const DEW_POINT_C: Partial<Record<Carrier, number>> = { 'natural-gas': 55, propane: 53, 'heating-oil': 47 }

/** The same of a fuel; of one that is not listed as natural gas, like its curve. */
export const condensesBelowC = (carrier: Carrier): number => DEW_POINT_C[carrier] ?? DEW_POINT_C['natural-gas']!

/**
 * How an appliance turns fuel into heat, on gross calorific value. A condensing one follows the curve of its fuel, moved
 * up or down by what a measurement at this house said.
 */
export type Efficiency = { kind: 'condensing'; shift: number } | { kind: 'fixed'; share: number }

/** Least and most that any appliance turns into heat, as a share of the gross value. */
export const EFFICIENCY = { low: 0.2, high: 1 } as const

/**
 * Efficiency of a fuel-fired appliance on gross calorific value, 0.2 to 1.
 *
 * Condensing: linear between the points of its fuel's table for the return water, held level outside it.
 * @param returnC water that comes back to the appliance, °C
 */
export function efficiencyAt(efficiency: Efficiency, returnC: number, carrier: Carrier): number {
  if (efficiency.kind === 'fixed') return efficiency.share
  return Math.min(
    EFFICIENCY.high,
    Math.max(EFFICIENCY.low, along(CONDENSING[carrier] ?? CONDENSING['natural-gas'], returnC) + efficiency.shift),
  )
}

function along(curve: Curve, returnC: number): number {
  if (returnC <= curve[0][0]) return curve[0][1]
  for (let i = 1; i < curve.length; i++) {
    const [t1, e1] = curve[i]
    if (returnC > t1) continue
    const [t0, e0] = curve[i - 1]
    return e0 + ((e1 - e0) * (returnC - t0)) / (t1 - t0)
  }
  return curve[curve.length - 1][1]
}
