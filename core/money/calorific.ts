/** kWh in a therm (100,000 BTU). */
export const KWH_PER_THERM = 29.307

/** kWh of heat, gross (wood: net), in a unit that fuel is sold by. Defaults; the bill has the supplier's own. */
export const CALORIFIC = {
  'natural gas, m³': 11.0,
  /** 1037 BTU a cubic foot. */
  'natural gas, ft³': 1.037 * (KWH_PER_THERM / 100),
  'propane, kg': 14.0,
  'propane, L': 7.1,
  'heating oil, L': 10.6,
  /** Net: about 4.4 gross. */
  'beech logs at 20 % moisture, kg': 4.0,
  /** Net: about 5.2 gross. */
  'pellets, kg': 4.8,
} as const
