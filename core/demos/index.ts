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
    shows:
      'Boiler and 200 L cylinder in the cellar, long circulation to the top bathroom, five occupants with two daily patterns.',
  },
  {
    study: harbourFlat,
    shows: 'Instantaneous gas water heater, no circulation, a long run to the kitchen, two occupants.',
  },
  {
    study: duplex,
    shows: 'Gas storage water heater with a pilot in the basement, four occupants, US units and dollars.',
  },
  {
    study: forestFarm,
    shows:
      'Back boiler in the kitchen range, collectors and an immersion heater on one cylinder, a point-of-use heater in the workshop, four occupants.',
  },
  {
    study: mountainRefuge,
    shows:
      'Eight beds above the tree line: boiler stove with gravity circulation, collectors, an immersion heater on a battery, closed in deep winter.',
  },
  {
    study: courtFlat,
    shows: 'Heat pump water heater in a heated passage, three occupants, vertical drain stack in the bathroom.',
  },
]

/** The demo of a name, or undefined. */
export function demo(name: string): Study | undefined {
  return DEMOS.find((d) => d.study.id === name)?.study
}
