import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { hoursOpen, type Schedule, tidyDay, type Window } from '../calendar/week'
import type { Grid } from '../study/controllers'
import { daysTogether } from './grid'

/** Which way a plan is rounded to what a controller takes: outwards keeps every hour it was on, inwards every hour it was off. */
export const FIT_WAYS = ['outwards', 'inwards'] as const
export type FitWay = (typeof FIT_WAYS)[number]

/** Days that share a programme, each group once, in the order of the week. */
export const dayGroups = (grid: Grid): number[][] =>
  Array.from({ length: DAYS_A_WEEK }, (_, d) => daysTogether(grid, d)).filter((days, d) => days[0] === d)

/** What two days are on at together. */
const both = (a: readonly Window[], b: readonly Window[]): Window[] =>
  a.flatMap((x) =>
    b.flatMap((y): Window[] => {
      const [fromMin, toMin] = [Math.max(x.fromMin, y.fromMin), Math.min(x.toMin, y.toMin)]
      return fromMin < toMin ? [{ fromMin, toMin }] : []
    }),
  )

function rounded(day: readonly Window[], { stepMin }: Grid, way: FitWay): Window[] {
  const [early, late] = way === 'outwards' ? [Math.floor, Math.ceil] : [Math.ceil, Math.floor]
  return tidyDay(
    day.map((w) => ({
      fromMin: early(w.fromMin / stepMin) * stepMin,
      toMin: Math.min(MINUTES_A_DAY, late(w.toMin / stepMin) * stepMin),
    })),
  )
}

/** Index of the least of a list by a figure of each. */
const least = <T>(all: readonly T[], of: (x: T, i: number) => number): number =>
  all.reduce((best, x, i) => (of(x, i) < of(all[best], best) ? i : best), 0)

/** No more periods than the controller has: outwards the shortest gap closes, inwards the shortest period goes. */
function fewer(day: Window[], { periodsPerDay }: Grid, way: FitWay): Window[] {
  let windows = day
  while (windows.length > periodsPerDay) {
    if (way === 'inwards') {
      const short = least(windows, (w) => w.toMin - w.fromMin)
      windows = windows.filter((_, i) => i !== short)
      continue
    }
    const gaps = windows.slice(1).map((w, i) => w.fromMin - windows[i].toMin)
    const at = least(gaps, (g) => g)
    windows = windows.flatMap((w, i) =>
      i === at ? [{ fromMin: w.fromMin, toMin: windows[i + 1].toMin }] : i === at + 1 ? [] : [w],
    )
  }
  return windows
}

/**
 * A plan as a controller can hold it. Days that share a programme are on together: outwards whenever one of them is, inwards
 * only when all are. A plan that fits comes back as it was.
 */
export function fittedTo(grid: Grid, plan: Schedule, way: FitWay): Schedule {
  const week: Schedule = Array.from({ length: DAYS_A_WEEK }, () => [])
  for (const days of dayGroups(grid)) {
    const planned = days.map((d) => plan[d])
    const together = way === 'outwards' ? tidyDay(planned.flat()) : tidyDay(planned.reduce(both))
    const fitted = fewer(rounded(together, grid, way), grid, way)
    for (const d of days) week[d] = fitted.map((w) => ({ ...w }))
  }
  return week
}

/** What a fit changes: hours a week on that were not planned, and hours that were and are not. */
export function fitDiffers(plan: Schedule, fit: Schedule): { moreH: number; lessH: number } {
  const common = hoursOpen(plan.map((day, d) => both(tidyDay(day), tidyDay(fit[d]))))
  return { moreH: hoursOpen(fit) - common, lessH: hoursOpen(plan) - common }
}

/** What is keyed in for days that share a programme: each period of the controller, null where it must read empty. */
export interface Entries {
  days: number[]
  periods: (Window | null)[]
}

/** A week that fits, as the keys are pressed: group after group, period after period, the unused ones last. */
export const entriesOf = (grid: Grid, week: Schedule): Entries[] =>
  dayGroups(grid).map((days) => ({
    days,
    periods: Array.from({ length: grid.periodsPerDay }, (_, i) => week[days[0]][i] ?? null),
  }))

/** A period that reads otherwise than it was planned. */
export interface Misread {
  days: number[]
  /** Period of the controller, from 1. */
  period: number
  planned: Window | null
  shown: Window | null
}

/** Whether two periods read alike; null: empty. */
export const samePeriod = (a: Window | null, b: Window | null) => a?.fromMin === b?.fromMin && a?.toMin === b?.toMin

/** Where what the display shows differs from what was to be entered, period by period. */
export const misread = (grid: Grid, planned: Schedule, shown: Schedule): Misread[] => {
  const [wanted, there] = [entriesOf(grid, planned), entriesOf(grid, shown)]
  return wanted.flatMap(({ days, periods }, g) =>
    periods.flatMap((p, i): Misread[] =>
      samePeriod(p, there[g].periods[i]) ? [] : [{ days, period: i + 1, planned: p, shown: there[g].periods[i] }],
    ),
  )
}
