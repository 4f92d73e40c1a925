import type { Place } from '../climate/places'
import type { Pipe } from '../pipes/catalogue'
import { type Insulation, pipeLoss } from '../pipes/loss'
import { sameEverywhere } from '../units/same-everywhere'

/** Where a pipe leaves a store. */
export const INLETS = ['top', 'bottom'] as const

/**
 * Length of a pipe that rises from a hot fitting in which the water turns over by itself, counted as hot as the store, m. Half
 * a metre of bare 22 mm copper is 0.3 W/K, of wrapped 0.1: connections without a trap lose 0.1 to 0.4 W/K where they were
 * measured.
 */
const TURNS_OVER_M = 0.5
/** Pipe at a store that is wrapped before any other, m. */
export const FIRST_M = 2
/** Conductivity of the water that stands in a pipe, W/(m·K). */
const WATER_W_MK = 0.64
/** Store and air at which the film is reckoned, °C: it hardly moves with them. */
const NOMINAL = { storeC: 60, airC: 20 }

/**
 * What a pipe takes from the store it is connected to while nothing flows, W/K.
 *
 * Where its water turns over, so much of its length stands as hot as the store: U′ × length. Where a heat trap, a loop that
 * falls first or an inlet at the cold foot stops that, wall and standing water conduct, and the pipe is a long fin:
 * √(U′ · Σ λA). With its insulation, whichever it is.
 * @example connectionUa(pipeOf('copper-en', '22'), null, 'cellar', true) // 0.39
 */
export function connectionUa(pipe: Pipe, insulation: Insulation | null, place: Place, turnsOver: boolean): number {
  const { uWMK } = pipeLoss(pipe, NOMINAL.storeC, NOMINAL.airC, insulation, place)
  const bore = (Math.PI / 4) * pipe.innerM ** 2
  const wall = (Math.PI / 4) * pipe.outerM ** 2 - bore
  const fin = Math.sqrt(uWMK * (pipe.wall.conductivity * wall + WATER_W_MK * bore))
  return sameEverywhere(turnsOver ? Math.max(fin, uWMK * TURNS_OVER_M) : fin)
}
