import { SETPOINT_C } from '../study/controls'
import type { Study } from '../study/study'
import { controllerOf } from './controllers'

/** Setpoints that can be entered, °C: from, to, and the step, K. */
export interface SetpointRange {
  lowC: number
  highC: number
  stepK: number
}

/** What a study takes, in steps of a slider: where no controller says more. */
const ANY_SETPOINT: SetpointRange = { lowC: SETPOINT_C.low, highC: SETPOINT_C.high, stepK: 0.5 }
/** Rounding of figures that are steps apart. */
const HAIR = 1e-6

/** Setpoints that the controller of a heater takes, within what a study does; from above to: none of them. */
export function setpointRange(study: Pick<Study, 'controllers'>, heaterId: string): SetpointRange {
  const range = controllerOf(study, heaterId)?.range
  if (!range) return ANY_SETPOINT
  const { lowC, highC, stepK } = range
  const from = Math.max(0, Math.ceil((SETPOINT_C.low - lowC) / stepK - HAIR))
  const to = Math.floor((Math.min(highC, SETPOINT_C.high) - lowC) / stepK + HAIR)
  return { lowC: lowC + from * stepK, highC: lowC + to * stepK, stepK }
}

/** The nearest setpoints that can be entered instead of one that cannot; null: it can, or its controller was not read. */
export function nearestSetpoints(study: Pick<Study, 'controllers'>, heaterId: string, c: number): number[] | null {
  const range = setpointRange(study, heaterId)
  if (range === ANY_SETPOINT) return null
  const { lowC, highC, stepK } = range
  if (lowC > highC) return []
  if (c < lowC) return [lowC]
  if (c > highC) return [highC]
  const steps = (c - lowC) / stepK
  if (Math.abs(steps - Math.round(steps)) < HAIR) return null
  return [Math.floor(steps), Math.ceil(steps)].map((n) => lowC + n * stepK).filter((x) => x <= highC + HAIR)
}
