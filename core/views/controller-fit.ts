import { hoursOpen, type Schedule, weekInWords } from '../calendar/week'
import { daysText, periodText } from '../checks/entries'
import { type ControllerWeek, controllerWeeks } from '../household/controller-weeks'
import {
  type Entries,
  entriesOf,
  FIT_WAYS,
  fitDiffers,
  fittedTo,
  type FitWay,
  type Misread,
  misread,
} from '../household/fit-controller'
import { misfits } from '../household/grid'
import { readBackOf } from '../household/read-back'
import type { Controls } from '../study/controls'
import { controlsOf } from '../study/in-force'
import type { ReadBack } from '../study/shape'
import type { Study } from '../study/study'
import type { Display } from '../units/display'

/** A plan rounded to what the controller takes, with the hours a week that it is on more and less. */
export interface Fit {
  way: FitWay
  week: Schedule
  moreH: number
  lessH: number
}

/** A week as it is keyed in. */
export interface ControllerFit extends ControllerWeek {
  /** What keeps it from being entered as it is planned, in words; then the nearest that can, each way, and no entries. */
  problems: string[]
  fits: Fit[]
  entries: Entries[]
  readBack: ReadBack | null
  /** Where what was read back differs. */
  wrong: Misread[]
  /** Hours a week on: as found, as planned, as read back; null where there is none. */
  hours: { found: number | null; planned: number; entered: number | null }
}

/** Each week that controls go by, fitted to the controller and held against what its display showed. */
export function controllerFits(study: Study, controls: Controls = controlsOf(study)): ControllerFit[] {
  const { grid } = controls
  const found = controllerWeeks(study, study.controls.found)
  return controllerWeeks(study, controls).map((one): ControllerFit => {
    const { heaterId, week } = one
    const problems = misfits(grid, week)
    const readBack = readBackOf(study, heaterId)
    const before = found.find((f) => f.heaterId === heaterId)
    return {
      ...one,
      problems,
      fits: problems.length
        ? FIT_WAYS.map((way) => {
            const fit = fittedTo(grid, week, way)
            return { way, week: fit, ...fitDiffers(week, fit) }
          })
        : [],
      entries: problems.length ? [] : entriesOf(grid, week),
      readBack,
      wrong: readBack && !problems.length ? misread(grid, week, readBack.week) : [],
      hours: {
        found: before ? hoursOpen(before.week) : null,
        planned: hoursOpen(week),
        entered: readBack ? hoursOpen(readBack.week) : null,
      },
    }
  })
}

/** The same for people: what to key in, in the order of the keys, or what cannot be and the nearest that can. */
export function controllerFitText(fits: readonly ControllerFit[], write: Display): string {
  if (fits.length === 0) return 'No schedule is in use: nothing is keyed in.\n'
  return fits
    .map((f) => {
      const rows = f.problems.length
        ? [
            ...f.problems,
            ...f.fits.map(
              ({ way, week, moreH, lessH }) =>
                `${way}: ${weekInWords(week, write.time)} (${moreH.toFixed(1)} h more, ${lessH.toFixed(1)} h less a week)`,
            ),
          ]
        : [
            ...f.entries.flatMap((e) =>
              e.periods.map(
                (p, i) => `${daysText(e.days)}, period ${i + 1}: ${p ? periodText(p, write) : 'must read empty'}`,
              ),
            ),
            ...f.wrong.map(
              (w) =>
                `read back ${f.readBack!.on}: ${daysText(w.days)}, period ${w.period} shows ${periodText(w.shown, write)}`,
            ),
          ]
      return `${f.name}: ${weekInWords(f.week, write.time)}\n${rows.map((r) => `  ${r}\n`).join('')}`
    })
    .join('\n')
}
