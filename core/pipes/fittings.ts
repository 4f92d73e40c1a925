/** Length of straight pipe, in bores, that resists as a fitting does. Crane TP-410: bend 90°, tee into its branch, full-bore valve. */
const BORES = { bends: 30, tees: 60, valves: 8 } as const
export type Fittings = Record<keyof typeof BORES, number>

/** Straight pipe that resists as the fittings of a run do, m. @example fittingsM({ bends: 2, tees: 1, valves: 0 }, 0.0204) // 2.45 */
export const fittingsM = (fittings: Fittings, innerM: number): number =>
  (Object.keys(BORES) as (keyof Fittings)[]).reduce((sum, kind) => sum + fittings[kind] * BORES[kind] * innerM, 0)
