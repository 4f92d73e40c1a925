import type { Schedule } from '../calendar/week'
import type { Controls } from '../study/controls'
import { hasSetpoint } from '../study/heater-kinds'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import type { Study } from '../study/study'

/** A week that is keyed into a controller. */
export interface ControllerWeek {
  /** Whose; null: the circulation's. */
  heaterId: string | null
  name: string
  week: Schedule
}

/** Weeks that controls go by: of the circulation where its mode takes one, and of each heater that has one. */
export const controllerWeeks = ({ plant, pipes }: Study, controls: Controls): ControllerWeek[] => [
  ...(pipes.loop && LOOP_MODE_TAKES[controls.loop.mode].schedule
    ? [{ heaterId: null, name: 'Circulation', week: controls.loop.schedule }]
    : []),
  ...plant.heaters.filter(hasSetpoint).flatMap((h): ControllerWeek[] => {
    const { schedule } = controls.heaters[h.id]
    return schedule ? [{ heaterId: h.id, name: h.name, week: schedule }] : []
  }),
]

/** Puts a week into controls that are being edited. */
export function putWeek(controls: Controls, heaterId: string | null, week: Schedule): void {
  if (heaterId === null) controls.loop.schedule = week
  else controls.heaters[heaterId].schedule = week
}
