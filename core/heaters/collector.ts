/**
 * Heat that the circuit of collectors loses in its pipes, W/K: 5 and half a watt for each m². Source: EN 15316-4-3,
 * where nothing is known of it.
 */
export const circuitLossWK = (areaM2: number) => 5 + 0.5 * areaM2
/** Diffuse light comes from all sides; its incidence modifier is that of this angle. Duffie & Beckman, ch. 5.4. */
const DIFFUSE_COSINE = Math.cos((60 * Math.PI) / 180)

/** Collectors on a roof, by the figures of their test. */
interface Glass {
  areaM2: number
  /** Share of the light that is taken up with no loss, 0 to 1. */
  eta0: number
  /** W/(m²K) and W/(m²K²). */
  a1: number
  a2: number
  /** Incidence modifier b₀. */
  iamB0: number
}

/**
 * Light that gets to the absorber, W/m²: each part times optical efficiency and incidence modifier 1 − b₀ (1/cos θ −
 * 1).
 */
export function absorbed(glass: Glass, light: { beamWM2: number; skyWM2: number; cosine: number }): number {
  const modifier = (cosine: number) => (cosine <= 0.1 ? 0 : Math.max(0, 1 - glass.iamB0 * (1 / cosine - 1)))
  return glass.eta0 * (light.beamWM2 * modifier(light.cosine) + light.skyWM2 * modifier(DIFFUSE_COSINE))
}

/**
 * Heat of a collector at a mean temperature, kW: A (absorbed − a₁ ΔT − a₂ ΔT²), ΔT mean of the collector over the air.
 * Source: the efficiency curve of EN ISO 9806. @example gain(…, 546, 30)
 */
export const gain = (glass: Glass, absorbedWM2: number, overAirK: number) =>
  (glass.areaM2 * (absorbedWM2 - glass.a1 * overAirK - glass.a2 * overAirK * Math.abs(overAirK))) / 1000

/** Over the air, K, at which a collector gives nothing: where it comes to rest when nothing flows. */
export function stagnation(glass: Glass, absorbedWM2: number): number {
  const { a1: a, a2: b } = glass
  if (b <= 0) return a <= 0 ? 200 : absorbedWM2 / a
  return (-a + Math.sqrt(a * a + 4 * b * absorbedWM2)) / (2 * b)
}
