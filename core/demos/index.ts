import type { Study } from '../study/study'
import { courtFlat } from './court-flat'
import { duplex } from './duplex'
import { forestFarm } from './forest-farm'
import { harbourFlat } from './harbour-flat'
import { hillTown } from './hill-town'
import { mountainRefuge } from './mountain-refuge'

/** The demo studies that ship with the app; the first is the main one. All are invented. */
export const DEMOS: readonly { study: Study; shows: string }[] = [
  {
    study: hillTown,
    shows: 'Boiler and 200 L store in the cellar, a long loop to the top bathroom, five people on two rhythms.',
  },
  { study: harbourFlat, shows: 'Instantaneous gas heater, no loop, a long run to the kitchen, two people.' },
  { study: duplex, shows: 'Gas store with a pilot in the basement, four people, US units and dollars.' },
  {
    study: forestFarm,
    shows:
      'Coil in the kitchen range, collectors and an element on one store, a small store of its own in the workshop, four people.',
  },
  {
    study: mountainRefuge,
    shows:
      'Eight beds above the tree line: a stove by gravity, collectors, an element on a battery, shut in deep winter.',
  },
  {
    study: courtFlat,
    shows: 'Heat-pump store in a heated passage, three people, a drain that falls upright through the bathroom.',
  },
]

/** The demo of a name, or undefined. */
export function demo(name: string): Study | undefined {
  return DEMOS.find((d) => d.study.id === name)?.study
}
