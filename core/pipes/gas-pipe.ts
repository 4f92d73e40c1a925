import { CALORIFIC } from '../money/calorific'

/** A gas as its pipe sees it: density over that of air, kWh (gross) in a cubic metre, and the drop that is usually allowed, mbar. */
interface PipedGas {
  relativeDensity: number
  kwhM3: number
  mostDropMbar: number
}

/** kg in a cubic metre of propane gas, 15 °C. */
const PROPANE_KG_M3 = 1.86

/** Usual figures of the trade; the code of the place goes before the drop. */
export const PIPED_GASES = {
  'natural-gas': { relativeDensity: 0.6, kwhM3: CALORIFIC['natural gas, m³'], mostDropMbar: 1 },
  propane: { relativeDensity: 1.52, kwhM3: CALORIFIC['propane, kg'] * PROPANE_KG_M3, mostDropMbar: 2 },
} as const satisfies Record<string, PipedGas>
export type PipedGasName = keyof typeof PIPED_GASES
export const PIPED_GAS_NAMES = Object.keys(PIPED_GASES) as [PipedGasName, ...PipedGasName[]]

/** Renouard's constants for pressures up to 50 mbar: mbar, m, m³/h, mm. */
const [FACTOR, FLOW_POWER, BORE_POWER] = [23_200, 1.82, 4.82]

/**
 * Pressure that gas loses along a pipe, mbar.
 * Source: Renouard, low pressure: Δp = 23 200 d L Q^1.82 / D^4.82, with d the density over air, L in m (bends counted as
 * length), Q in m³/h, D the bore in mm. @param kw gas input that it carries, gross
 * @example gasPipeDrop('natural-gas', { lengthM: 9, boreMm: 20 }, 50) // 1.06
 */
export function gasPipeDrop(gas: PipedGasName, pipe: { lengthM: number; boreMm: number }, kw: number): number {
  const { relativeDensity, kwhM3 } = PIPED_GASES[gas]
  return (FACTOR * relativeDensity * pipe.lengthM * (kw / kwhM3) ** FLOW_POWER) / pipe.boreMm ** BORE_POWER
}

/** Gas input that a pipe carries within the drop that is usually allowed, kW gross: the same solved for the flow. */
export function gasPipeCapacity(gas: PipedGasName, pipe: { lengthM: number; boreMm: number }): number {
  const { relativeDensity, kwhM3, mostDropMbar } = PIPED_GASES[gas]
  const flow = (mostDropMbar * pipe.boreMm ** BORE_POWER) / (FACTOR * relativeDensity * pipe.lengthM)
  return kwhM3 * flow ** (1 / FLOW_POWER)
}
