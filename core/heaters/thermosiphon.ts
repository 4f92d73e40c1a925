import { pressureDrop } from '../pipes/friction'
import { density, specificHeat } from '../water/properties'

const GRAVITY = 9.80665

/** A gravity circuit between a fire and a store above it. */
export interface GravityCircuit {
  /** Height between thermal centres, m. */
  heightM: number
  /** Flow and return together, m. */
  lengthM: number
  innerMm: number
  /** Fittings, as metres of the same pipe. */
  fittingsEquivalentM: number
  powerKw: number
  returnC: number
}

export interface GravityFlow {
  flowLMin: number
  riseK: number
  drivePa: number
}

/**
 * Flow at which the drive of warm against cool water, g h (ρ_cold − ρ_hot), equals friction at the mean temperature;
 * the rise is P/(ρQc). Solved by bisection on the flow. Good to the few per cent of the friction laws.
 * Water that would boil is held at 100 °C for its properties; the rise then shows that it cannot work.
 */
export function gravityFlow(circuit: GravityCircuit): GravityFlow {
  const innerM = circuit.innerMm / 1000
  const at = (flowLMin: number) => {
    const riseK = circuit.powerKw / ((flowLMin / 60_000) * density(circuit.returnC) * specificHeat(circuit.returnC))
    const hotC = Math.min(100, circuit.returnC + riseK)
    const drivePa = GRAVITY * circuit.heightM * (density(circuit.returnC) - density(hotC))
    const meanC = (circuit.returnC + hotC) / 2
    return {
      riseK,
      drivePa,
      spare: drivePa - pressureDrop(flowLMin, circuit.lengthM + circuit.fittingsEquivalentM, innerM, meanC),
    }
  }
  let low = 1e-4
  let high = 1000
  for (let i = 0; i < 200; i++) {
    const mid = Math.sqrt(low * high)
    if (at(mid).spare > 0) low = mid
    else high = mid
  }
  const flowLMin = Math.sqrt(low * high)
  const { riseK, drivePa } = at(flowLMin)
  return { flowLMin, riseK, drivePa }
}
