import { MINUTES_A_DAY } from '../../calendar/clock'
import { type Schedule, tidyDay, type Window } from '../../calendar/week'
import type { Grid } from '../../study/controllers'
import { daysTogether, snap } from '../grid'

/** A window that is put in is as long as this where there is room, min. */
const NEW_MIN = 60
/** Where a new window is looked for first, and the gap that splitting leaves, at most, min. */
const TRIED_FIRST = [6 * 60, 18 * 60, 12 * 60, 21 * 60, 0]
const GAP_MIN = 60

/** A week with the windows of a day changed, on all days that share its programme on the controller. */
function withDay(grid: Grid, week: Schedule, day: number, windows: readonly Window[]): Schedule {
  const tidy = tidyDay([...windows])
  const days = daysTogether(grid, day)
  return week.map((old, d) => (days.includes(d) ? tidy.map((w) => ({ ...w })) : old))
}

/** A window taken to other times: on the grid, inside the day, and never shorter than a step. */
export function moveWindow(
  grid: Grid,
  week: Schedule,
  day: number,
  index: number,
  { fromMin, toMin }: Window,
): Schedule {
  const from = Math.max(0, Math.min(snap(grid, fromMin), MINUTES_A_DAY - grid.stepMin))
  const to = Math.min(MINUTES_A_DAY, Math.max(snap(grid, toMin), from + grid.stepMin))
  return withDay(
    grid,
    week,
    day,
    week[day].map((w, i) => (i === index ? { fromMin: from, toMin: to } : w)),
  )
}

export const removeWindow = (grid: Grid, week: Schedule, day: number, index: number): Schedule =>
  withDay(
    grid,
    week,
    day,
    week[day].filter((_, i) => i !== index),
  )

/** A window of up to an hour put in at a time that is free; null where none is, or where the controller takes no more. */
export function addWindow(grid: Grid, week: Schedule, day: number, minute: number): Schedule | null {
  const windows = week[day]
  if (windows.length >= grid.periodsPerDay) return null
  const from = Math.max(0, Math.min(MINUTES_A_DAY - grid.stepMin, snap(grid, minute)))
  if (windows.some((w) => from >= w.fromMin && from < w.toMin)) return null
  const next = Math.min(MINUTES_A_DAY, ...windows.filter((w) => w.fromMin > from).map((w) => w.fromMin))
  const toMin = Math.min(next, from + Math.max(NEW_MIN, grid.stepMin))
  return withDay(grid, week, day, [...windows, { fromMin: from, toMin }])
}

/** The same in the first free stretch of the day. */
export function addFreeWindow(grid: Grid, week: Schedule, day: number): Schedule | null {
  const windows = week[day]
  const free = [...TRIED_FIRST, ...windows.map((w) => w.toMin)].find(
    (m) => m < MINUTES_A_DAY && !windows.some((w) => m >= w.fromMin && m < w.toMin),
  )
  return free === undefined ? null : addWindow(grid, week, day, free)
}

/** Two windows in the place of one, an hour apart where there is room; null where the grid has no room for two. */
export function splitWindow(grid: Grid, week: Schedule, day: number, index: number): Schedule | null {
  const { fromMin, toMin } = week[day][index]
  const middle = snap(grid, (fromMin + toMin) / 2)
  const gap = Math.max(grid.stepMin, snap(grid, Math.min(GAP_MIN, (toMin - fromMin) / 3)))
  const end = snap(grid, middle - gap / 2)
  const start = end + gap
  if (end <= fromMin || start >= toMin) return null
  return withDay(
    grid,
    week,
    day,
    week[day].flatMap((w, i) =>
      i === index
        ? [
            { fromMin, toMin: end },
            { fromMin: start, toMin },
          ]
        : [w],
    ),
  )
}

/** A window moved by a step of the controller, by its end alone or by its start alone; null where it would leave the day. */
export function nudgeWindow(
  grid: Grid,
  week: Schedule,
  day: number,
  index: number,
  steps: number,
  edge: 'both' | 'end' | 'start',
): Schedule | null {
  const { fromMin, toMin } = week[day][index]
  const by = steps * grid.stepMin
  if (edge === 'end') return moveWindow(grid, week, day, index, { fromMin, toMin: toMin + by })
  if (edge === 'start')
    return moveWindow(grid, week, day, index, { fromMin: Math.min(fromMin + by, toMin - grid.stepMin), toMin })
  if (fromMin + by < 0 || toMin + by > MINUTES_A_DAY) return null
  return moveWindow(grid, week, day, index, { fromMin: fromMin + by, toMin: toMin + by })
}
