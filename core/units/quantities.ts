/** The two unit systems the trade works in. */
export type System = 'metric' | 'us'

/** A kind of figure, and how each system writes it. Metric is what the study holds. */
interface Spec {
  readonly metric: Unit
  readonly us: Unit
}

export interface Unit {
  /** As printed behind the figure. */
  readonly label: string
  /** displayed = (metric − offset) × factor … */
  readonly perMetric: number
  /** … + shift, for temperatures. */
  readonly shift?: number
  /** Decimals that the trade would write. */
  readonly decimals: number
}

const unit = (label: string, perMetric: number, decimals: number, shift = 0): Unit => ({
  label,
  perMetric,
  decimals,
  shift,
})

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
  drip: { metric: unit('L/h', 1, 2), us: unit('gal/h', 1 / GAL_L, 2) },
  volume: { metric: unit('L', 1, 1), us: unit('gal', 1 / GAL_L, 2) },
  bigVolume: { metric: unit('m³', 0.001, 1), us: unit('gal', 1 / GAL_L, 0) },
  length: { metric: unit('m', 1, 1), us: unit('ft', 1 / 0.3048, 1) },
  thickness: { metric: unit('mm', 1, 0), us: unit('in', 1 / 25.4, 2) },
  room: { metric: unit('m³', 1, 0), us: unit('ft³', 35.3147, 0) },
  area: { metric: unit('m²', 1, 1), us: unit('ft²', 1 / 0.09290304, 0) },
  /** Shown in the unit that the study is counted in: see `ENERGY_SHOWN`. */
  energy: { metric: unit('kWh', 1, 0), us: unit('kWh', 1, 0) },
  power: { metric: unit('kW', 1, 1), us: unit('kBtu/h', BTU_H_PER_KW / 1000, 1) },
  /** What an appliance takes from the power supply: in kilowatts everywhere. */
  electricPower: { metric: unit('kW', 1, 1), us: unit('kW', 1, 1) },
  linePower: { metric: unit('W/m', 1, 1), us: unit('W/ft', 0.3048, 1) },
  watts: { metric: unit('W', 1, 0), us: unit('W', 1, 0) },
  lossRate: { metric: unit('W/K', 1, 2), us: unit('Btu/(h·°F)', BTU_H_PER_KW / 1800, 2) },
  conductivity: { metric: unit('W/(m·K)', 1, 3), us: unit('Btu·in/(h·ft²·°F)', 6.933472, 2) },
  pipeLossRate: { metric: unit('W/(m·K)', 1, 3), us: unit('Btu/(h·ft·°F)', 0.5777893, 3) },
  collectorLoss: { metric: unit('W/(m²·K)', 1, 2), us: unit('Btu/(h·ft²·°F)', 0.1761102, 3) },
  collectorLossSquare: { metric: unit('W/(m²·K²)', 1, 4), us: unit('Btu/(h·ft²·°F²)', 0.1761102 / 1.8, 5) },
  gasPressure: { metric: unit('mbar', 1, 0), us: unit('in w.c.', 0.4014631, 1) },
  sun: { metric: unit('kWh/(m²·day)', 1, 1), us: unit('kBtu/(ft²·day)', 0.3169983, 2) },
  pipeLoss: { metric: unit('W/m', 1, 1), us: unit('Btu/(h·ft)', 1.040029, 1) },
  areaLoss: { metric: unit('W/m²', 1, 0), us: unit('Btu/(h·ft²)', 0.3169983, 1) },
  degreeDays: { metric: unit('K·day', 1, 0), us: unit('°F·day', 1.8, 0) },
  pressure: { metric: unit('bar', 1, 1), us: unit('psi', 1 / 0.0689476, 0) },
  mass: { metric: unit('kg', 1, 0), us: unit('lb', 1 / 0.45359237, 0) },
  pipeContent: { metric: unit('L/m', 1, 3), us: unit('gal/ft', 0.3048 / GAL_L, 4) },
  heatCapacity: { metric: unit('kJ/K', 1, 2), us: unit('Btu/°F', 1 / 1.899101, 2) },
  volumetricHeat: { metric: unit('kJ/(L·K)', 1, 3), us: unit('Btu/(gal·°F)', GAL_L / 1.899101, 3) },
  smallPressure: { metric: unit('Pa', 1, 0), us: unit('in w.c.', 0.004014631, 2) },
  hardness: { metric: unit('mg/L', 1, 0), us: unit('gpg', 1 / 17.118, 1) },
  carbon: { metric: unit('kg/kWh', 1, 3), us: unit('lb/kWh', 1 / 0.45359237, 3) },
  speed: { metric: unit('m/s', 1, 1), us: unit('ft/s', 1 / 0.3048, 1) },
  seconds: { metric: unit('s', 1, 0), us: unit('s', 1, 0) },
  /** Held in minutes. */
  duration: { metric: unit('h', 1 / 60, 2), us: unit('h', 1 / 60, 2) },
  altitude: { metric: unit('m', 1, 0), us: unit('ft', 1 / 0.3048, 0) },
} as const satisfies Record<string, Spec>

/** How the units of energy are written: displayed = kWh × factor. A therm is 100,000 BTU. */
export const ENERGY_SHOWN: Record<EnergyUnit, Unit> = {
  kwh: unit('kWh', 1, 0),
  therm: unit('therms', 1 / 29.307107, 1),
  kbtu: unit('kBtu', 3.412142, 0),
}

export type Quantity = keyof typeof QUANTITIES

export function unitOf(quantity: Quantity, system: System): Unit {
  return QUANTITIES[quantity][system]
}

/** A metric figure in a unit, and back. */
export const inUnit = (unit: Unit, metric: number): number => metric * unit.perMetric + (unit.shift ?? 0)
export const fromUnit = (unit: Unit, shown: number): number => (shown - (unit.shift ?? 0)) / unit.perMetric

/** A metric figure in the units of a system. */
export const fromMetric = (quantity: Quantity, system: System, metric: number): number =>
  inUnit(unitOf(quantity, system), metric)

/** A figure in the units of a system as the study holds it. */
export const toMetric = (quantity: Quantity, system: System, shown: number): number =>
  fromUnit(unitOf(quantity, system), shown)
