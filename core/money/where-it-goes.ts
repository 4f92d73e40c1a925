import { boughtKwh } from '../measures/compare'
import type { YearResult } from '../year/result'

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

/** Mean money for a kWh of energy bought, all carriers together. */
export function meanPrice(result: YearResult): number {
  const kwh = boughtKwh(result)
  return kwh > 0 ? Object.values(result.cost.energy).reduce((s, x) => s + x, 0) / kwh : 0
}

/**
 * The year's energy money split by where the energy ended, at the mean price of what was bought. With the change of
 * stored heat, which is next to nothing over a year, the parts add up to the whole energy bill.
 */
export function moneyByStation(result: YearResult): StationMoney {
  const { energy } = result
  const p = meanPrice(result)
  return {
    heater: p * (energy.conversionKwh + energy.primaryKwh),
    store: p * (energy.storeKwh + energy.reliefKwh),
    loop: p * energy.loopKwh,
    runs: p * energy.deadRunKwh,
    taps: p * energy.usefulKwh,
    runOff: p * energy.runOffKwh,
  }
}
