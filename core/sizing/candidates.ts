import { type HeaterKind, HEATERS } from '../heaters/kinds'
import { heatSource, type How, sourcesFor } from '../household/edits/heat-source'
import { putHeater } from '../household/edits/plant'
import { carriedC } from '../household/supply'
import { displayOf } from '../study/display-of'
import type { Study } from '../study/study'
import { type Peaks, peaksOf } from './peaks'
import { placeChecks } from './place'
import { type Sized, sizeHeater } from './size'

export interface Sizes {
  peaks: Peaks
  there: Sized[]
  instead: Sized[]
  beside: Sized[]
}

/** Every heat source that a house could have, sized on its own draws: what is there, and what could stand in its place or beside it. */
export function sizes(study: Study): Sizes {
  const write = displayOf(study)
  // Each kind has a temperature of its own; the draws of a year are mixed once for each.
  const known = new Map<number, Peaks>()
  const peaksAt = (hotC: number) => {
    const peaks = known.get(hotC) ?? peaksOf(study, hotC)
    known.set(hotC, peaks)
    return peaks
  }
  const peaks = peaksAt(carriedC(study))
  const sized = (kind: HeaterKind, how: How): Sized => {
    const { replaces, heater, control, store } = heatSource(study, kind, how)!
    const after = putHeater(study, replaces, heater, control, store)
    return sizeHeater(after, heater, peaksAt(carriedC(after)), write, placeChecks(study, heater))
  }
  return {
    peaks,
    there: study.plant.heaters.map((h) => sizeHeater(study, h, peaks, write)),
    instead: sourcesFor(study, 'instead').map((kind) => sized(kind, 'instead')),
    beside: sourcesFor(study, 'beside')
      .filter((kind) => HEATERS[kind].heats !== 'tap')
      .map((kind) => sized(kind, 'beside')),
  }
}
