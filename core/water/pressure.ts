/** Pressures in which domestic fittings and heaters are at home, bar. */
export const PRESSURE_BAR = { low: 1, high: 5.5 } as const
