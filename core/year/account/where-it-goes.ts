import { purchasedKwh, type YearResult } from '../result'

/** Stations of the line of water that energy is spent at. */
export interface StationMoney {
  heater: number
  store: number
  loop: number
  runs: number
  /** Heat that was used, and what ran off on the way to it: it goes down the drain. */
  taps: number
  toWaste: number
}

/** All energy that came in, kWh: bought, and from the sun, the air and the drain. */
export function cameInKwh(result: Pick<YearResult, 'energy'>): number {
  const { renewableKwh, ambientKwh, recoveredKwh } = result.energy
  return purchasedKwh(result) + renewableKwh + ambientKwh + recoveredKwh
}

/** Electricity of the loop's pump that became no heat in the water, kWh: a cable's all does, and it has no pump that runs. */
export const pumpKwh = (result: Pick<YearResult, 'energy' | 'pump'>) =>
  result.pump.hours > 0 ? result.energy.loopPumpKwh : 0

/** Parts of a year's energy by what became of it, in the order they are drawn. */
export const ENERGY_GOES = {
  useful: 'Useful heat',
  runs: 'Dead legs',
  loop: 'Circulation',
  standing: 'Standing loss',
  conversion: 'Conversion loss',
} as const
export type EnergyGoes = Record<keyof typeof ENERGY_GOES, number>

/**
 * Where the energy of a year went, kWh: used at the outlets; left in the runs or run off while waiting; lost by the circulation,
 * its pump's electricity with it; lost by keeping water ready (cylinder, heater circuit, relief valve); lost in making heat of
 * what is bought. But for the change of stored heat, next to nothing over a year, they add up to all that came in.
 */
export function energyGoes(result: Pick<YearResult, 'energy' | 'pump'>): EnergyGoes {
  const { energy } = result
  const pump = pumpKwh(result)
  return {
    useful: energy.usefulKwh,
    runs: energy.deadLegKwh + energy.toWasteKwh,
    loop: energy.loopKwh + pump,
    standing: energy.storeKwh + energy.primaryKwh + energy.reliefKwh,
    conversion: energy.conversionKwh - pump,
  }
}

/**
 * Mean money for a kWh of energy that came in, all carriers together; what the sun, the air and the drain give is free. The
 * loop's pump is left out: it has a price of its own.
 */
export function meanPrice(result: YearResult): number {
  const kwh = cameInKwh(result) - result.energy.loopPumpKwh
  return kwh > 0 ? (Object.values(result.cost.energy).reduce((s, x) => s + x, 0) - result.cost.loopPump) / kwh : 0
}

/**
 * The year's energy money split by where the energy ended, at the mean price of what came in, and the loop's pump at its
 * own. With the change of stored heat, which is next to nothing over a year, the parts add up to the whole energy bill.
 */
export function moneyByStation(result: YearResult): StationMoney {
  const { energy } = result
  const p = meanPrice(result)
  const pump = pumpKwh(result)
  return {
    heater: p * (energy.conversionKwh - pump + energy.primaryKwh),
    store: p * (energy.storeKwh + energy.reliefKwh),
    loop: p * (energy.loopKwh - (energy.loopPumpKwh - pump)) + result.cost.loopPump,
    runs: p * energy.deadLegKwh,
    taps: p * energy.usefulKwh,
    toWaste: p * energy.toWasteKwh,
  }
}
