import { PIPE_DEPTH_M } from '../climate/ground'
import type { Place } from '../climate/places'

/** How deep a pipe lies and how well what surrounds it conducts: moist soil, concrete (usual engineering values, ±30 %). */
const LAID: Partial<Record<Place, { depthM: number; lambdaWMK: number }>> = {
  ground: { depthM: PIPE_DEPTH_M, lambdaWMK: 1.5 },
  slab: { depthM: 0.1, lambdaWMK: 1.4 },
}

/**
 * Resistance between the outside of a buried pipe and the undisturbed temperature around it, m·K/W; null where there is air.
 * Source: shape factor of a cylinder in a half-space, acosh(2z/D) / (2πλ), for instance Incropera & DeWitt, table 4.1.
 */
export function buriedResistance(place: Place | undefined, outerM: number): number | null {
  const laid = place && LAID[place]
  return laid ? Math.acosh(Math.max(1.01, (2 * laid.depthM) / outerM)) / (2 * Math.PI * laid.lambdaWMK) : null
}
