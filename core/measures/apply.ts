import { pipeOf } from '../pipes/catalogue'
import { type Insulation, resistanceOf } from '../pipes/loss'
import type { Controls } from '../study/controls'
import type { Measure, Package } from '../study/measures'
import type { Run } from '../study/pipes'
import { controlsOf, type Study } from '../study/study'

/** The study with its controls changed. Measures change what is set; the register of what was found stays. */
function withControls(study: Study, change: (controls: Controls) => Controls): Study {
  return { ...study, controls: { ...study.controls, set: change(controlsOf(study)) } }
}

/** A length of pipe with insulation put on, where it can be reached and the new holds more than what is there. */
function wrapped<L extends Pick<Run, 'material' | 'size' | 'insulation' | 'reachable'>>(
  length: L,
  insulation: Insulation,
): L {
  const { outerM } = pipeOf(length.material, length.size)
  return length.reachable && resistanceOf(insulation, outerM) > resistanceOf(length.insulation, outerM)
    ? { ...length, insulation }
    : length
}

/** One measure done to a household. Pure: the study given is not touched. */
export function apply(study: Study, measure: Measure): Study {
  switch (measure.kind) {
    case 'insulate-runs': {
      const { insulation } = measure
      const { runs, loop } = study.pipes
      return {
        ...study,
        pipes: {
          ...study.pipes,
          runs: runs.map((run) => (measure.runIds.includes(run.id) ? wrapped(run, insulation) : run)),
          loop: loop && measure.loopReturn ? { ...loop, back: wrapped(loop.back, insulation) } : loop,
        },
      }
    }
    case 'setpoint':
    case 'heater-windows': {
      const change = measure.kind === 'setpoint' ? { setpointC: measure.setpointC } : { windows: measure.windows }
      return withControls(study, (c) => ({
        ...c,
        heaters: { ...c.heaters, [measure.heaterId]: { ...c.heaters[measure.heaterId], ...change } },
      }))
    }
    case 'loop-mode':
      return withControls(study, (c) => ({ ...c, loop: { ...c.loop, mode: measure.mode } }))
    case 'loop-windows':
      return withControls(study, (c) => ({ ...c, loop: { ...c.loop, windows: measure.windows } }))
    case 'tap-flow':
      return {
        ...study,
        pipes: {
          ...study.pipes,
          taps: study.pipes.taps.map((t) => (t.id === measure.tapId ? { ...t, flowLMin: measure.flowLMin } : t)),
        },
      }
  }
}

/** Measures done one after the other. */
export function applyAll(study: Study, measures: readonly Measure[]): Study {
  return measures.reduce(apply, study)
}

/** A whole package done. */
export function applyPackage(study: Study, pack: Package): Study {
  return applyAll(study, pack.measures)
}
