import { closureOf, insulationOf } from '../pipes/loss'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'

type Steps<K extends MeasureKind> = (measure: MeasureOf<K>) => string[]

/** How a measure is done by hand, in order, and what is looked at (and pictured) at the end; of kinds that have a usual way. */
const STEPS: { [K in MeasureKind]?: Steps<K> } = {
  'insulate-runs': ({ insulation, slit }) => {
    const kind = insulationOf(insulation.lambdaWMK)
    return [
      'Circulation and heater off, pipe dry and clean. Near a flue or stove stop short of the distance its manufacturer states, or use mineral wool.',
      'Begin at the heater or cylinder: first the hot connection and the cold inlet.',
      'Cut pieces a little long and push butts together under slight pressure: a gap at a butt loses like bare pipe.',
      'At bends cut two mitres of 45°; at tees notch the branch to a V; valves get a cover that leaves the handle free.',
      `Close it: ${kind ? closureOf(kind, slit) : 'slit and butts as its manufacturer states'}. Tape every joint all the way round, twice where it is damp.`,
      'Clips and brackets sit outside the insulation, not on the bare pipe.',
      'Inspect by hand with the pipe hot: a warm spot is a gap. Take a picture of every joint that will be covered.',
    ]
  },
  jacket: () => [
    'Supply isolated. Mark on the jacket what stays clear: thermostats, covers, relief valve and its discharge, labels.',
    'Begin at the top, overlap downwards, no compression at the straps.',
    'Cut out what was marked. Nothing hangs over a burner, an air inlet or a flue.',
    'Inspect once hot, and take a picture of each cut-out.',
  ],
  'store-connections': () => [
    'Water isolated and pressure released before a connection is opened.',
    'Heat trap with its arrow in the direction of flow, or a bend that falls before it rises.',
    'Insulate both connections up to the cylinder without a gap.',
    'Inspect an hour after reheating: half a metre up, the pipe must be cool.',
  ],
}

/** The steps of a measure; none where there is no usual way of the hand. */
export const stepsOf = (measure: Measure): string[] =>
  (STEPS[measure.kind] as Steps<MeasureKind> | undefined)?.(measure) ?? []
