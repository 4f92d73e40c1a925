import { density, viscosity } from '../water/properties'

/** Below this Reynolds number the flow is laminar. */
export const LAMINAR_RE = 2300

/**
 * Friction factor: 64/Re below Re 2300, else Blasius 0.3164 Re^−0.25 for a smooth pipe; where the wall is rough and that
 * gives more, Haaland (1983): 1/√f = −1.8 log₁₀((ε/3.7D)^1.11 + 6.9/Re), within 2 % of Colebrook.
 * @param roughness of the wall over the bore, ε/D
 */
function frictionFactor(re: number, roughness = 0): number {
  if (re < LAMINAR_RE) return 64 / re
  const smooth = 0.3164 * re ** -0.25
  return roughness > 0 ? Math.max(smooth, (-1.8 * Math.log10((roughness / 3.7) ** 1.11 + 6.9 / re)) ** -2) : smooth
}

/**
 * Pressure lost along a pipe, Pa: f (L/D) ρv²/2.
 * @param flowLMin more than 0; @param tempC of the water, for density and viscosity; @param roughnessMm of the wall
 */
export function pressureDrop(
  flowLMin: number,
  lengthM: number,
  innerM: number,
  tempC: number,
  roughnessMm = 0,
): number {
  const rho = density(tempC)
  const v = flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
  const re = (rho * v * innerM) / viscosity(tempC)
  return (frictionFactor(re, roughnessMm / 1000 / innerM) * (lengthM / innerM) * rho * v * v) / 2
}
