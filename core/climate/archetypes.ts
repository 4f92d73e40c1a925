/**
 * Six made-up climates to begin with: monthly mean air temperature, °C, mean sun on the level, kWh/m² a day, and a
 * latitude. Typical of their kind, of no place in particular. Good to about ±3 K and ±20 % of the sun for a real site;
 * typed months or a weather file replace them.
 */
export const CLIMATES = {
  'cold inland': {
    latitudeDeg: 55,
    airC: [-8, -6.5, -0.5, 7, 13.5, 18, 20.5, 19, 13.5, 7, 0, -5.5],
    sunKwhM2: [0.7, 1.6, 3.0, 4.4, 5.5, 5.9, 5.6, 4.5, 2.9, 1.5, 0.8, 0.5],
  },
  'cool coast': {
    latitudeDeg: 53,
    airC: [4.5, 4.7, 6.2, 8.5, 11.6, 14.3, 16.4, 16.5, 14.4, 11.2, 7.6, 5.4],
    sunKwhM2: [0.6, 1.2, 2.4, 3.9, 5.0, 5.3, 5.0, 4.2, 2.9, 1.6, 0.8, 0.5],
  },
  'temperate inland': {
    latitudeDeg: 47,
    airC: [1, 2, 6, 10, 14.5, 18, 20, 19.5, 15, 10.5, 5.5, 2],
    sunKwhM2: [1.0, 1.8, 3.0, 4.2, 5.1, 5.6, 5.7, 4.9, 3.5, 2.0, 1.1, 0.8],
  },
  'warm and dry': {
    latitudeDeg: 37,
    airC: [9, 10.5, 13.5, 16.5, 21, 26, 29, 28.5, 24.5, 19.5, 13.5, 10],
    sunKwhM2: [2.4, 3.3, 4.7, 5.9, 7.0, 7.8, 7.8, 7.0, 5.6, 4.0, 2.7, 2.1],
  },
  'warm and humid': {
    latitudeDeg: 31,
    airC: [12, 13.5, 16.5, 20, 23.5, 26.5, 27.5, 27.5, 25.5, 21.5, 17, 13.5],
    sunKwhM2: [2.6, 3.3, 4.3, 5.2, 5.8, 5.8, 5.5, 5.2, 4.5, 4.0, 3.0, 2.4],
  },
  'high mountain': {
    latitudeDeg: 46,
    airC: [-4.5, -4, -1, 2.5, 7.5, 11.5, 13.5, 13.5, 9.5, 5, -0.5, -3.5],
    sunKwhM2: [1.7, 2.6, 4.0, 5.0, 5.4, 5.7, 5.8, 5.0, 3.9, 2.7, 1.8, 1.4],
  },
} as const satisfies Record<string, { latitudeDeg: number; airC: readonly number[]; sunKwhM2: readonly number[] }>
export type Climate = keyof typeof CLIMATES

/** Below this monthly mean a house is taken to be heated, °C. */
const HEATING_LIMIT_C = 14

/** Months in which a house is heated in a climate, to begin with. */
export const heatedMonths = (monthlyAirC: readonly number[]) => monthlyAirC.map((c) => c < HEATING_LIMIT_C)
