import { CIRCULATION } from '../../study/commanded'
import type { Commanded, Controller } from '../../study/controllers'
import { edited } from '../../study/edited'
import { freshId } from '../../study/fresh-id'
import { newController, RIGHT_CLOCK } from '../../study/new-controller'
import type { Study } from '../../study/study'
import { commandable, commandedName, controllerOf } from '../controllers'

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
