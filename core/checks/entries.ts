import { DAY_NAMES, type Window } from '../calendar/week'
import { controllerWeeks } from '../household/controller-weeks'
import { gridOf } from '../household/controllers'
import { misread } from '../household/fit-controller'
import { misfits } from '../household/grid'
import { readBackOf } from '../household/read-back'
import { controlsOf } from '../study/in-force'
import type { Display } from '../units/display'
import type { Rule, Told } from './check'

/** Days of a group in words. @example daysText([0, 1, 2, 3, 4]) // "Monday to Friday" */
export const daysText = (days: readonly number[]): string =>
  days.length === 7
    ? 'every day'
    : days.length > 1
      ? `${DAY_NAMES[days[0]]} to ${DAY_NAMES[days[days.length - 1]]}`
      : DAY_NAMES[days[0]]

export const periodText = (w: Window | null, write: Display): string =>
  w ? `${write.time(w.fromMin)}–${write.time(w.toMin)}` : 'empty'

/** What a display showed against what was planned: a period that was missed goes on for a year. */
const enteredOtherwise: Rule = ({ study, write }) => {
  const controls = controlsOf(study)
  return controllerWeeks(study, controls).flatMap(({ of, name, week }): Told[] => {
    const back = readBackOf(study, of)
    const grid = gridOf(study, of)
    if (!back || misfits(grid, week).length) return []
    const wrong = misread(grid, week, back.week)
    if (wrong.length === 0) return []
    const [first] = wrong
    return [
      {
        id: `entered-${of.replaceAll(' ', '-')}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'controller', id: study.plant.heaters.some((h) => h.id === of) ? of : null },
        title: `Entered differs from the plan: ${name}`,
        sentence: `Read back on ${back.on}, ${daysText(first.days)}, period ${first.period}: ${periodText(first.shown, write)} instead of ${periodText(first.planned, write)}${wrong.length > 1 ? `; ${wrong.length - 1} more` : ''}.`,
        source: 'Plan against what the display shows',
        remedy: 'Correct the entry under Settings, Controller entries, and read it back again.',
      },
    ]
  })
}

export const ENTRIES_CHECKS = { enteredOtherwise }
