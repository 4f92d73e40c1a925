import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import type { Commanded, Controller, ControllerClock, Grid } from '../study/controllers'
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
