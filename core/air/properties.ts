import { KELVIN } from '../units/constants'

/** Stefan–Boltzmann constant, W/(m²·K⁴). */
const SIGMA = 5.670374e-8

const GRAVITY = 9.80665
const PRANDTL = 0.707

/**
 * Free convection from a horizontal cylinder in still air.
 *
 * @param surfaceC surface temperature, °C
 * @param airC air temperature, °C
 * @param diameterM outer diameter, m
 * @returns film coefficient, W/(m²·K)
 * Source: Churchill & Chu (1975), valid for Ra from 1e-5 to 1e12; air at film temperature by linear fits
 * (k = 0.02430 + 7.4e-5 T, ν = 1.3174e-5 + 1.006e-7 T, Pr = 0.707) good to 1 % from 0 to 100 °C.
 */
export function freeConvection(surfaceC: number, airC: number, diameterM: number): number {
  const film = (surfaceC + airC) / 2
  const k = 0.0243 + 7.4e-5 * film
  const nu = 1.3174e-5 + 1.006e-7 * film
  const ra = ((GRAVITY / (film + KELVIN)) * Math.abs(surfaceC - airC) * diameterM ** 3 * PRANDTL) / nu ** 2
  const nusselt = (0.6 + (0.387 * ra ** (1 / 6)) / (1 + (0.559 / PRANDTL) ** (9 / 16)) ** (8 / 27)) ** 2
  return (nusselt * k) / diameterM
}

/**
 * Radiation between a small grey surface and its surroundings at air temperature.
 *
 * @param emissivity 0 to 1
 * @returns film coefficient, W/(m²·K)
 * Source: εσ(Tₛ² + Tₐ²)(Tₛ + Tₐ), temperatures in kelvin.
 */
export function radiation(surfaceC: number, airC: number, emissivity: number): number {
  const s = surfaceC + KELVIN
  const a = airC + KELVIN
  return emissivity * SIGMA * (s * s + a * a) * (s + a)
}
