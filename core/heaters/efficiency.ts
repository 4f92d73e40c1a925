/** Return water °C → efficiency of a condensing appliance on gross calorific value. */
const CONDENSING: readonly (readonly [number, number])[] = [
  [20, 0.975],
  [30, 0.96],
  [40, 0.935],
  [50, 0.905],
  [55, 0.885],
  [60, 0.875],
  [80, 0.86],
]

/** How an appliance turns fuel into heat. Efficiencies are on gross calorific value. */
export type Efficiency = { kind: 'condensing' } | { kind: 'fixed'; share: number }

/**
 * Efficiency of a fuel-fired appliance on gross calorific value, 0 to 1.
 *
 * Condensing: linear between the points of the handbook's table for the return water, held level outside 20–80 °C.
 * @param returnC water that comes back to the appliance, °C
 */
export function efficiencyAt(efficiency: Efficiency, returnC: number): number {
  if (efficiency.kind === 'fixed') return efficiency.share
  const first = CONDENSING[0]
  if (returnC <= first[0]) return first[1]
  for (let i = 1; i < CONDENSING.length; i++) {
    const [t1, e1] = CONDENSING[i]
    if (returnC > t1) continue
    const [t0, e0] = CONDENSING[i - 1]
    return e0 + ((e1 - e0) * (returnC - t0)) / (t1 - t0)
  }
  return CONDENSING[CONDENSING.length - 1][1]
}
