import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import type { Commanded, Controller, ControllerClock, Grid } from '../study/controllers'
import { SETPOINT_C } from '../study/controls'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { RIGHT_CLOCK, USUAL_GRID } from '../study/new-controller'
import type { Study } from '../study/study'

/** Everything of a household that a controller can command, in the order of the water. */
export const commandable = ({ plant, pipes, controls, heating }: Study): Commanded[] => [
  ...plant.heaters.filter(hasSetpoint).map((h) => h.id),
  ...(pipes.loop ? [CIRCULATION] : []),
  ...(heating !== null || [controls.found, controls.set].some((c) => c && c.heating.heaterId !== null)
    ? [SPACE_HEATING]
    : []),
]

/** What a thing that is commanded is called. */
export const commandedName = ({ plant }: Study, of: Commanded): string =>
  of === CIRCULATION
    ? 'Circulation'
    : of === SPACE_HEATING
      ? 'Space heating'
      : (plant.heaters.find((h) => h.id === of)?.name ?? of)

/** The controller that commands a thing: the first that does; null: none is recorded. */
export const controllerOf = ({ controllers }: Pick<Study, 'controllers'>, of: Commanded): Controller | null =>
  controllers.find((c) => c.commands.includes(of)) ?? null

/** What its controller can hold; the usual where none is recorded. */
export const gridOf = (study: Pick<Study, 'controllers'>, of: Commanded): Grid =>
  controllerOf(study, of)?.grid ?? USUAL_GRID

/** The clock that a thing goes by; a right one where no controller is recorded. */
export function clockOf(study: Study, of: Commanded): ControllerClock {
  const controller = controllerOf(study, of)
  return (controller && controlsOf(study).clocks[controller.id]) ?? RIGHT_CLOCK
}

/** The controller whose lock stands against a setpoint being raised from one temperature to another; null: none does. */
export function lockAgainst(study: Study, heaterId: string, fromC: number, toC: number): Controller | null {
  const controller = controllerOf(study, heaterId)
  const aboveC = controller?.lockAboveC ?? null
  return aboveC !== null && fromC <= aboveC && toC > aboveC ? controller : null
}

/** Things that more than one controller commands, each with theirs. */
export const clashes = (study: Study): { of: Commanded; controllers: Controller[] }[] =>
  commandable(study)
    .map((of) => ({ of, controllers: study.controllers.filter((c) => c.commands.includes(of)) }))
    .filter(({ controllers }) => controllers.length > 1)

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
