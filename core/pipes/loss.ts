import { freeConvection, radiation } from '../air/properties'
import type { Place } from '../climate/places'
import { KJ_PER_LITRE_K } from '../water/properties'
import { buriedResistance } from './buried'
import type { Pipe } from './catalogue'
import { warmUpVolumePerMetre } from './contents'

export interface Insulation {
  /** Conductivity, W/(m·K). */
  lambdaWMK: number
  /** Thickness, mm. */
  thicknessMm: number
}

/** How the slit of foam or rubber is closed: by hand, or it comes with an adhesive strip. */
export const SLITS = ['plain', 'self-sealing'] as const
export type Slit = (typeof SLITS)[number]

/**
 * The usual pipe insulations: conductivity, W/(m·K); what they stand for good, °C; whether they come with a self-sealing slit;
 * how they are closed. Usual figures of the trade: the maker's go before them.
 */
export const INSULATIONS = {
  'polyethylene foam': { lambdaWMK: 0.04, standsC: 95, slit: true, closed: 'slit and butts glued or taped' },
  'elastomeric rubber': {
    lambdaWMK: 0.038,
    standsC: 105,
    slit: true,
    closed: 'slit and butts glued, tight against damp',
  },
  'mineral wool': { lambdaWMK: 0.037, standsC: 250, slit: false, closed: 'foil taped; it must stay dry' },
  polyurethane: { lambdaWMK: 0.028, standsC: 130, slit: false, closed: 'shells butted, under a jacket' },
} as const
export type InsulationKind = keyof typeof INSULATIONS

/** How insulation is closed. */
export function closureOf(kind: InsulationKind, slit: Slit): string {
  const { slit: comes, closed } = INSULATIONS[kind]
  return comes && slit === 'self-sealing' ? 'slit pressed shut on a clean, dry surface, butts taped' : closed
}

/** The kind that has a conductivity; null for one that was typed in. */
export const insulationOf = (lambdaWMK: number): InsulationKind | null =>
  (Object.keys(INSULATIONS) as InsulationKind[]).find((k) => INSULATIONS[k].lambdaWMK === lambdaWMK) ?? null

/** Whether insulation comes with a slit to close, plain or self-sealing; what was typed in may. */
export function hasSlit(lambdaWMK: number): boolean {
  const kind = insulationOf(lambdaWMK)
  return kind === null || INSULATIONS[kind].slit
}

/** Emissivity of the outside of any insulation. */
const JACKET_EMISSIVITY = 0.9

/** Resistance of insulation round a pipe, m·K/W; 0 for none. */
export const resistanceOf = (insulation: Insulation | null | undefined, outerM: number): number =>
  insulation ? Math.log(1 + (2 * insulation.thicknessMm) / 1000 / outerM) / (2 * Math.PI * insulation.lambdaWMK) : 0

export interface PipeLoss {
  /** Heat lost by a metre, W/m (negative when the surroundings are warmer). */
  lossWM: number
  /** The same for each kelvin between water and air, W/(m·K). */
  uWMK: number
  /** Outer surface, °C. */
  surfaceC: number
}

/**
 * Heat lost by a metre of horizontal pipe in still air.
 *
 * Conduction through wall and insulation in series with an outer film of free convection (Churchill & Chu 1975)
 * and radiation, iterated on the surface temperature. The water-side film is neglected (under 2 % for a bare pipe).
 * In the ground or in a slab the film is the soil or concrete around it (see buried.ts).
 *
 * @param waterC 0 to 100 °C; @param ambientC −40 to 60 °C
 * @example pipeLoss(pipeOf('copper-en', '22'), 60, 20).lossWM // 31.5
 */
export function pipeLoss(
  pipe: Pipe,
  waterC: number,
  ambientC: number,
  insulation?: Insulation | null,
  place?: Place,
): PipeLoss {
  const thickness = insulation ? insulation.thicknessMm / 1000 : 0
  const jacketM = pipe.outerM + 2 * thickness
  let resistance = Math.log(pipe.outerM / pipe.innerM) / (2 * Math.PI * pipe.wall.conductivity)
  resistance += resistanceOf(insulation, pipe.outerM)
  const emissivity = thickness > 0 ? JACKET_EMISSIVITY : pipe.wall.emissivity

  const buried = buriedResistance(place, jacketM)
  if (buried !== null) {
    const uWMK = 1 / (resistance + buried)
    return { lossWM: uWMK * (waterC - ambientC), uWMK, surfaceC: ambientC + uWMK * (waterC - ambientC) * buried }
  }

  // At no difference the loss is nil but U' still matters: take its limit at a tenth of a kelvin.
  const drive = Math.abs(waterC - ambientC) < 0.1 ? 0.1 : waterC - ambientC
  let surfaceC = ambientC + drive * (thickness > 0 ? 0.2 : 0.95)
  let uWMK = 0
  for (let i = 0; i < 60; i++) {
    const film =
      (freeConvection(surfaceC, ambientC, jacketM) + radiation(surfaceC, ambientC, emissivity)) * Math.PI * jacketM
    uWMK = 1 / (resistance + 1 / film)
    const next = ambientC + (uWMK * drive) / film
    const moved = Math.abs(next - surfaceC)
    surfaceC = next
    if (moved < 1e-7) break
  }
  return { lossWM: uWMK * (waterC - ambientC), uWMK, surfaceC: waterC === ambientC ? ambientC : surfaceC }
}

/**
 * Time in which a full pipe loses 63 % of its warmth after a draw, hours: heat held by water and wall over U'.
 * @example coolDownHours(pipeOf('copper-en', '22'), 0.788) // 0.54
 */
export function coolDownHours(pipe: Pipe, uWMK: number): number {
  return (warmUpVolumePerMetre(pipe) * KJ_PER_LITRE_K) / (uWMK * 3.6)
}
