/** The two unit systems the trade works in. */
export type System = 'metric' | 'us'

/** A kind of figure, and how each system writes it. Metric is what the study holds. */
interface Spec {
  readonly metric: Unit
  readonly us: Unit
}

interface Unit {
  /** As printed behind the figure. */
  readonly label: string
  /** displayed = (metric − offset) × factor … */
  readonly perMetric: number
  /** … + shift, for temperatures. */
  readonly shift?: number
  /** Decimals that the trade would write. */
  readonly decimals: number
}

const unit = (label: string, perMetric: number, decimals: number, shift = 0): Unit => ({ label, perMetric, decimals, shift })

/** What heat and fuel may be counted in on screen and paper. */
export const ENERGY_UNITS = ['kwh', 'therm', 'kbtu'] as const
export type EnergyUnit = (typeof ENERGY_UNITS)[number]

/** Litres in a US gallon, and BTU/h in a kilowatt. */
export const GAL_L = 3.785412
export const BTU_H_PER_KW = 3412.142

/** Factors: 1 ft = 0.3048 m, 1 in = 25.4 mm, 1 psi = 0.0689476 bar, 1 lb = 0.45359237 kg. */
export const QUANTITIES = {
  temperature: { metric: unit('°C', 1, 1), us: unit('°F', 1.8, 0, 32) },
  rise: { metric: unit('K', 1, 1), us: unit('°F', 1.8, 1) },
  flow: { metric: unit('L/min', 1, 1), us: unit('gpm', 1 / GAL_L, 2) },
  volume: { metric: unit('L', 1, 1), us: unit('gal', 1 / GAL_L, 2) },
  bigVolume: { metric: unit('m³', 0.001, 1), us: unit('gal', 1 / GAL_L, 0) },
  length: { metric: unit('m', 1, 1), us: unit('ft', 1 / 0.3048, 1) },
  thickness: { metric: unit('mm', 1, 0), us: unit('in', 1 / 25.4, 2) },
  area: { metric: unit('m²', 1, 1), us: unit('ft²', 1 / 0.09290304, 0) },
  energy: { metric: unit('kWh', 1, 0), us: unit('kWh', 1, 0) },
  power: { metric: unit('kW', 1, 1), us: unit('kBTU/h', BTU_H_PER_KW / 1000, 1) },
  watts: { metric: unit('W', 1, 0), us: unit('W', 1, 0) },
  lossRate: { metric: unit('W/K', 1, 2), us: unit('BTU/h°F', 1.895634, 2) },
  pressure: { metric: unit('bar', 1, 1), us: unit('psi', 1 / 0.0689476, 0) },
  mass: { metric: unit('kg', 1, 0), us: unit('lb', 1 / 0.45359237, 0) },
  seconds: { metric: unit('s', 1, 0), us: unit('s', 1, 0) },
  altitude: { metric: unit('m', 1, 0), us: unit('ft', 1 / 0.3048, 0) },
} as const satisfies Record<string, Spec>

export type Quantity = keyof typeof QUANTITIES

export function unitOf(quantity: Quantity, system: System): Unit {
  return QUANTITIES[quantity][system]
}

/** A metric figure in the units of a system. */
export function fromMetric(quantity: Quantity, system: System, metric: number): number {
  const u = unitOf(quantity, system)
  return metric * u.perMetric + (u.shift ?? 0)
}

/** A figure in the units of a system as the study holds it. */
export function toMetric(quantity: Quantity, system: System, shown: number): number {
  const u = unitOf(quantity, system)
  return (shown - (u.shift ?? 0)) / u.perMetric
}
