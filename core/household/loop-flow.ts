import { pipeOf } from '../pipes/catalogue'
import { fittingsM } from '../pipes/fittings'
import { pressureDrop } from '../pipes/friction'
import type { Loop } from '../study/pipes'
import type { Study } from '../study/study'
import { density } from '../water/properties'
import { runsTo } from './lookups'

/** Water temperature at which friction is reckoned, °C. */
const WARM_C = 50
const GRAVITY = 9.80665

/** Pressure lost in a run with its fittings, Pa. @param flowLMin more than 0 */
export function runDrop(run: Loop['back'], flowLMin: number): number {
  const { innerM, wall } = pipeOf(run.material, run.size)
  return pressureDrop(flowLMin, run.lengthM + fittingsM(run.fittings, innerM), innerM, WARM_C, wall.roughnessMm)
}

/**
 * Flow of a loop where its pump's curve meets the friction of its pipes, L/min: head = most head × (1 − (flow / most flow)²),
 * the usual shape of a small pump at one speed. Check and balancing valves are not in the study: with them it is less.
 * @param headM at no flow, m; @param mostLMin at no head
 */
export function loopFlowByCurve(study: Study, loop: Loop, headM: number, mostLMin: number): number {
  const lengths = [...runsTo(study, { runId: loop.returnConnectionRunId }), loop.back]
  const spare = (flowLMin: number) =>
    headM * density(WARM_C) * GRAVITY * (1 - (flowLMin / mostLMin) ** 2) -
    lengths.reduce((pa, run) => pa + runDrop(run, flowLMin), 0)
  let [low, high] = [0, mostLMin]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (spare(middle) > 0) low = middle
    else high = middle
  }
  return low
}
