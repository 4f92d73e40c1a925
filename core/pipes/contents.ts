import { KJ_PER_LITRE_K } from '../water/properties'
import type { Pipe } from './catalogue'

/** Water held by a metre of pipe, L/m. */
export function contentsPerMetre(pipe: Pipe): number {
  return 250 * Math.PI * pipe.innerM ** 2
}

/** Heat that a metre of bare wall takes up for each kelvin, kJ/(m·K). */
export function wallHeatPerMetre(pipe: Pipe): number {
  const metal = (Math.PI / 4) * (pipe.outerM ** 2 - pipe.innerM ** 2)
  return metal * pipe.wall.density * pipe.wall.specificHeat
}

/**
 * Litres of hot water that must enter a metre of cold pipe before warm water leaves it, L/m.
 *
 * The front has to heat the wall as well as replace the water: contents × (1 + C_wall/C_water). This is also the
 * volume of water that holds as much heat as a metre of pipe with its water, which is how the yearly engine
 * carries the wall along. Insulation's own heat is neglected (under 2 % of the water's).
 * @example warmUpVolumePerMetre(pipeOf('copper-en', '22')) // 0.370
 */
export function warmUpVolumePerMetre(pipe: Pipe): number {
  return contentsPerMetre(pipe) + wallHeatPerMetre(pipe) / KJ_PER_LITRE_K
}
