import { density, specificHeat } from './properties'

/**
 * Heat capacity rate of water by the volume that enters, kJ/(L·K): density where it is measured (the inlet), specific
 * heat at the mean of inlet and outlet. @example heatPerLitre(11, 48) // 4.177
 */
export function heatPerLitre(inletC: number, outletC: number): number {
  return (density(inletC) / 1000) * specificHeat((inletC + outletC) / 2)
}

/**
 * Heat that flowing water takes up, kW = flow × ρ(inlet) × c(mean) × rise.
 * @example waterPower(9, 11, 48) // 23.18
 */
export function waterPower(flowLMin: number, inletC: number, outletC: number): number {
  return (flowLMin / 60) * heatPerLitre(inletC, outletC) * (outletC - inletC)
}

/** Flow that a power lifts by a rise, L/min; the inverse of `waterPower`. */
export function flowAtRise(powerKw: number, inletC: number, riseK: number): number {
  return (powerKw * 60) / (heatPerLitre(inletC, inletC + riseK) * riseK)
}
