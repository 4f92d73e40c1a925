import {
  CIRCULATION,
  type Commanded,
  type Controller,
  type ControllerClock,
  type Grid,
  newController,
  RIGHT_CLOCK,
  SPACE_HEATING,
  USUAL_GRID,
} from '../study/controllers'
import { edited } from '../study/edited'
import { freshId } from '../study/fresh-id'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
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

/** Things that more than one controller commands, each with theirs. */
export const clashes = (study: Study): { of: Commanded; controllers: Controller[] }[] =>
  commandable(study)
    .map((of) => ({ of, controllers: study.controllers.filter((c) => c.commands.includes(of)) }))
    .filter(({ controllers }) => controllers.length > 1)

/** The study with one more controller, which commands what none does yet. */
export const withController = (study: Study, like: Partial<Controller> = {}): Study =>
  edited(study, (s) => {
    const id = freshId('controller', s.controllers)
    const free = commandable(study).filter((of) => controllerOf(study, of) === null)
    s.controllers.push({ ...newController(id, free), ...like, id })
    for (const c of [s.controls.found, s.controls.set]) if (c) c.clocks[id] = { ...RIGHT_CLOCK }
  })

/** The study without a controller. */
export const withoutController = (study: Study, id: string): Study =>
  edited(study, (s) => {
    s.controllers = s.controllers.filter((c) => c.id !== id)
    for (const c of [s.controls.found, s.controls.set]) if (c) delete c.clocks[id]
  })

/** A dial with letters, to begin with. */
const NEW_DIAL: NonNullable<Controller['dial']> = {
  marks: ['A', 'B', 'C', 'D', 'E'],
  hotter: 'not checked',
  pointer: '',
  lowestIsOff: null,
}

/**
 * The study with a dial without degrees on what sets the hot water of a heater or the flow of the heating: on its controller
 * where that sets nothing else, else on one of its own.
 */
export function withDial(study: Study, of: Commanded): Study {
  const there = controllerOf(study, of)
  const alone = there !== null && there.commands.every((o) => o === of || o === CIRCULATION)
  const name = `Dial of ${commandedName(study, of)}`
  const base = alone ? study : withController(study, { name, commands: [of] })
  const id = alone ? there.id : base.controllers.at(-1)!.id
  return edited(base, (s) => {
    for (const c of s.controllers)
      if (c.id === id) c.dial = structuredClone(NEW_DIAL)
      else if (!alone) c.commands = c.commands.filter((o) => o !== of)
  })
}
