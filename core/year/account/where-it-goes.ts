import { boughtKwh, type YearResult } from '../result'

/** Stations of the line of water that energy is spent at. */
export interface StationMoney {
  heater: number
  store: number
  loop: number
  runs: number
  /** Heat that was used, and what ran off on the way to it: it goes down the drain. */
  taps: number
  runOff: number
}

/** All energy that came in, kWh: bought, and from the sun, the air and the drain. */
export function cameInKwh(result: Pick<YearResult, 'energy'>): number {
  const { renewableKwh, ambientKwh, recoveredKwh } = result.energy
  return boughtKwh(result) + renewableKwh + ambientKwh + recoveredKwh
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
  return {
    heater: p * (energy.conversionKwh - energy.loopPumpKwh + energy.primaryKwh),
    store: p * (energy.storeKwh + energy.reliefKwh),
    loop: p * energy.loopKwh + result.cost.loopPump,
    runs: p * energy.deadRunKwh,
    taps: p * energy.usefulKwh,
    runOff: p * energy.runOffKwh,
  }
}
