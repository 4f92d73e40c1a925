/**
 * Six made-up climates to begin with, by monthly mean air temperature, °C: typical of their kind, of no place in
 * particular. Good to about ±3 K for a real site; typed months or a weather file replace them.
 */
export const CLIMATES = {
  'cold inland': [-8, -6.5, -0.5, 7, 13.5, 18, 20.5, 19, 13.5, 7, 0, -5.5],
  'cool coast': [4.5, 4.7, 6.2, 8.5, 11.6, 14.3, 16.4, 16.5, 14.4, 11.2, 7.6, 5.4],
  'temperate inland': [1, 2, 6, 10, 14.5, 18, 20, 19.5, 15, 10.5, 5.5, 2],
  'warm and dry': [9, 10.5, 13.5, 16.5, 21, 26, 29, 28.5, 24.5, 19.5, 13.5, 10],
  'warm and humid': [12, 13.5, 16.5, 20, 23.5, 26.5, 27.5, 27.5, 25.5, 21.5, 17, 13.5],
  'high mountain': [-4.5, -4, -1, 2.5, 7.5, 11.5, 13.5, 13.5, 9.5, 5, -0.5, -3.5],
} as const satisfies Record<string, readonly number[]>
export type Climate = keyof typeof CLIMATES

/** Below this monthly mean a house is taken to be heated, °C. */
const HEATING_LIMIT_C = 14

/** Months in which a house is heated in a climate, to begin with. */
export const heatedMonths = (monthlyAirC: readonly number[]) => monthlyAirC.map((c) => c < HEATING_LIMIT_C)
