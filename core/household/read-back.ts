import { MINUTES_A_DAY } from '../calendar/clock'
import type { Schedule, Window } from '../calendar/week'
import type { Commanded, Grid } from '../study/controllers'
import type { ReadBack } from '../study/shape'
import type { Study } from '../study/study'
import { daysTogether } from './grid'

/** What was read back of a controller; null: not yet. */
export const readBackOf = ({ controls }: Study, of: Commanded): ReadBack | null =>
  controls.readBack.find((r) => r.of === of) ?? null

/** All that was read back with one more, in the place of what was read of the same before. */
export const withReadBack = (all: readonly ReadBack[], one: ReadBack): ReadBack[] => [
  ...all.filter((r) => r.of !== one.of),
  one,
]

/** Periods of a day with the one at a place as the display shows it, or without it; a display may have two that touch. */
export const withPeriod = (day: readonly Window[], at: number, shown: Window | null): Window[] =>
  [...day.slice(0, at), ...(shown ? [shown] : []), ...day.slice(at + 1)].sort((a, b) => a.fromMin - b.fromMin)

/** Whether two periods of a day lie over each other: no controller switches by both. */
export const overlap = (day: readonly Window[]): boolean => day.some((w, i) => i > 0 && day[i - 1].toMin > w.fromMin)

/** A step after the last period of a day, or the first of the day where that ends it: a period that nobody planned. */
export function unplannedPeriod(day: readonly Window[], { stepMin }: Pick<Grid, 'stepMin'>): Window {
  const last = day.at(-1)?.toMin ?? 0
  return last < MINUTES_A_DAY
    ? { fromMin: last, toMin: Math.min(MINUTES_A_DAY, last + stepMin) }
    : { fromMin: 0, toMin: stepMin }
}

/** A week with the days that share a programme with a day as the display shows them. */
export function withDayShown(grid: Grid, week: Schedule, day: number, shown: readonly Window[]): Schedule {
  const days = daysTogether(grid, day)
  return week.map((old, d) => (days.includes(d) ? shown.map((w) => ({ ...w })) : old))
}
