import { density, specificHeat, viscosity } from '../water/properties'

const GRAVITY = 9.80665
/** Below this Reynolds number the flow is laminar. */
const LAMINAR_RE = 2300

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
 * Friction factor: 64/Re below Re 2300, else Blasius 0.3164 Re^−0.25 for a smooth pipe; where the wall is rough and that
 * gives more, Haaland (1983): 1/√f = −1.8 log₁₀((ε/3.7D)^1.11 + 6.9/Re), within 2 % of Colebrook.
 * @param roughness of the wall over the bore, ε/D
 */
export function frictionFactor(re: number, roughness = 0): number {
  if (re < LAMINAR_RE) return 64 / re
  const smooth = 0.3164 * re ** -0.25
  return roughness > 0 ? Math.max(smooth, (-1.8 * Math.log10((roughness / 3.7) ** 1.11 + 6.9 / re)) ** -2) : smooth
}

/**
 * Pressure lost along a pipe, Pa: f (L/D) ρv²/2.
 * @param flowLMin more than 0; @param tempC of the water, for density and viscosity; @param roughnessMm of the wall
 */
export function pressureDrop(flowLMin: number, lengthM: number, innerM: number, tempC: number, roughnessMm = 0): number {
  const rho = density(tempC)
  const v = flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
  const re = (rho * v * innerM) / viscosity(tempC)
  return (frictionFactor(re, roughnessMm / 1000 / innerM) * (lengthM / innerM) * rho * v * v) / 2
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
    return { riseK, drivePa, spare: drivePa - pressureDrop(flowLMin, circuit.lengthM + circuit.fittingsEquivalentM, innerM, meanC) }
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
