import { hoursOpen, type Schedule, weekInWords } from '../calendar/week'
import { daysText, periodText } from '../checks/entries'
import { type ControllerWeek, controllerWeeks } from '../household/controller-weeks'
import { controllerOf, gridOf } from '../household/controllers'
import {
  dayGroups,
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
import { type Controller, Grid, type UNUSED_PERIODS } from '../study/controllers'
import type { Controls } from '../study/controls'
import { controlsOf } from '../study/in-force'
import type { ReadBack } from '../study/shape'
import type { Study } from '../study/study'
import type { Display } from '../units/display'

/** What a period that is not used has to read, by how its controller says so. */
const UNUSED_READS: Record<(typeof UNUSED_PERIODS)[number], string> = {
  'not checked': 'must read empty',
  empty: 'must read empty',
  'start equals end': 'must read start = end',
}

/** Groupings of days that controllers have, from the coarsest. */
const GROUPINGS = Grid.shape.days.options

/** A plan rounded to what the controller takes, with the hours a week that it is on more and less. */
export interface Fit {
  way: FitWay
  week: Schedule
  moreH: number
  lessH: number
}

/** A week as it is keyed in. */
export interface ControllerFit extends ControllerWeek {
  /** The controller it is keyed into; null: none is recorded, and the usual grid is reckoned with. */
  controller: Controller | null
  grid: Grid
  /** What a period that is not used has to read. */
  unusedReads: string
  /** Programmes to key in for each grouping of days, and hours a week that it is on more where days share one. */
  groupings: { days: Grid['days']; programmes: number; moreH: number }[]
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
  const found = controllerWeeks(study, study.controls.found)
  return controllerWeeks(study, controls).map((one): ControllerFit => {
    const { of, week } = one
    const controller = controllerOf(study, of)
    const grid = gridOf(study, of)
    const problems = misfits(grid, week)
    const readBack = readBackOf(study, of)
    const before = found.find((f) => f.of === of)
    return {
      ...one,
      controller,
      grid,
      unusedReads: UNUSED_READS[controller?.unused ?? 'not checked'],
      groupings: GROUPINGS.map((days) => {
        const fit = fittedTo({ ...grid, days }, week, 'outwards')
        return { days, programmes: dayGroups({ ...grid, days }).length, moreH: fitDiffers(week, fit).moreH }
      }),
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
                (p, i) => `${daysText(e.days)}, period ${i + 1}: ${p ? periodText(p, write) : f.unusedReads}`,
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
