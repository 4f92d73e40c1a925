import { computedLoopUa } from '../household/loop'
import { pipeOf } from '../pipes/catalogue'
import { type Insulation, resistanceOf } from '../pipes/loss'
import { rangeOf } from '../schema/shape'
import type { Controls } from '../study/controls'
import { edited } from '../study/edited'
import type { Measure } from '../study/measures'
import { Loop, type Run } from '../study/pipes'
import type { Study } from '../study/study'

/** The study with its controls changed. Measures change what is set; the register of what was found stays. */
const withControls = (study: Study, change: (controls: Controls) => void): Study =>
  edited(study, ({ controls }) => {
    controls.set ??= edited(study.controls.found, change)
    if (study.controls.set) change(controls.set)
  })

/** Puts insulation on a length of pipe, where it can be reached and the new holds more than what is there. */
function wrap(length: Pick<Run, 'material' | 'size' | 'insulation' | 'reachable'>, insulation: Insulation): void {
  const { outerM } = pipeOf(length.material, length.size)
  if (length.reachable && resistanceOf(insulation, outerM) > resistanceOf(length.insulation, outerM))
    length.insulation = insulation
}

/**
 * A measured loss of the loop corrects what its pipes say and is no wall against better ones: wrapped, it falls by the share
 * by which the computed one falls.
 */
function stillMeasured(before: Study, after: Study): Study {
  const measured = before.pipes.loop?.measuredUaWK
  if (!measured) return after
  const { min } = rangeOf(Loop.shape.measuredUaWK)
  return edited(after, ({ pipes }) => {
    pipes.loop!.measuredUaWK = Math.max(min, (measured * computedLoopUa(after)) / computedLoopUa(before))
  })
}

/** One measure done to a household. Pure: the study given is not touched. */
export function apply(study: Study, measure: Measure): Study {
  switch (measure.kind) {
    case 'insulate-runs':
      return stillMeasured(
        study,
        edited(study, ({ pipes: { runs, loop } }) => {
          for (const run of runs) if (measure.runIds.includes(run.id)) wrap(run, measure.insulation)
          if (loop && measure.loopReturn) wrap(loop.back, measure.insulation)
        }),
      )
    case 'setpoint':
      return withControls(study, (c) => void (c.heaters[measure.heaterId].setpointC = measure.setpointC))
    case 'heater-windows':
      return withControls(study, (c) => void (c.heaters[measure.heaterId].windows = measure.windows))
    case 'loop-mode':
      return withControls(study, (c) => void (c.loop.mode = measure.mode))
    case 'loop-windows':
      return withControls(study, (c) => void (c.loop.windows = measure.windows))
    case 'tap-flow':
      return edited(study, ({ pipes }) => {
        for (const tap of pipes.taps) if (tap.id === measure.tapId) tap.flowLMin = measure.flowLMin
      })
  }
}

/** Measures done one after the other. */
export const applyAll = (study: Study, measures: readonly Measure[]): Study => measures.reduce(apply, study)
