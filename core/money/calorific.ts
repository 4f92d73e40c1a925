/** kWh in a therm (100,000 BTU). */
export const KWH_PER_THERM = 29.307

/** kWh of heat, gross, in a unit that fuel is sold by. Defaults; the bill has the supplier's own. */
export const CALORIFIC = {
  'natural gas, m³': 11.0,
  /** 1000 BTU a cubic foot. */
  'natural gas, ft³': KWH_PER_THERM / 100,
  'propane, kg': 14.0,
  'propane, L': 7.1,
  'heating oil, L': 10.6,
  'beech logs at 20 % moisture, kg': 4.0,
  'pellets, kg': 4.8,
} as const
export type FuelUnit = keyof typeof CALORIFIC
