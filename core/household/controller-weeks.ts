import type { Schedule } from '../calendar/week'
import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import type { Commanded } from '../study/controllers'
import type { Controls } from '../study/controls'
import { hasSetpoint } from '../study/heater-kinds'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import type { Study } from '../study/study'
import { commandedName } from './controllers'

/** A week that is keyed into a controller. */
export interface ControllerWeek {
  /** What it switches. */
  of: Commanded
  name: string
  week: Schedule
}

/** Weeks that controls go by: of the circulation where its mode takes one, of each heater and of the heating that have one. */
export function controllerWeeks(study: Study, controls: Controls): ControllerWeek[] {
  const { loop, heating, heaters } = controls
  const weeks: [Commanded, Schedule | null][] = [
    [CIRCULATION, study.pipes.loop && LOOP_MODE_TAKES[loop.mode].schedule ? loop.schedule : null],
    ...study.plant.heaters.filter(hasSetpoint).map((h): [string, Schedule | null] => [h.id, heaters[h.id].schedule]),
    [SPACE_HEATING, heating.heaterId === null ? null : heating.schedule],
  ]
  return weeks.flatMap(([of, week]) => (week ? [{ of, name: commandedName(study, of), week }] : []))
}

/** Puts a week into controls that are being edited. */
export function putWeek(controls: Controls, of: Commanded, week: Schedule): void {
  if (of === CIRCULATION) controls.loop.schedule = week
  else if (of === SPACE_HEATING) controls.heating.schedule = week
  else controls.heaters[of].schedule = week
}
