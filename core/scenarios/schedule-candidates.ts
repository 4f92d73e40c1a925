import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { everyDay, type Schedule, tidyDay, type Window } from '../calendar/week'
import { DAY_S, DAYS } from '../calendar/year'
import { daysTogether } from '../household/grid'
import type { Grid } from '../study/controllers'
import type { Draw } from '../year/draws/draws'

/** Days of the week (0 = Monday) that share a programme, group by group. */
function programmes(grid: Grid): number[][] {
  const first = Array.from({ length: DAYS_A_WEEK }, (_, d) => daysTogether(grid, d))
  return first.filter((days, d) => days[0] === d)
}

/** Every single window of the day whose edges lie on a coarse grid, the same on all days, the whole day and none among them. */
export function coarseWeeks(stepMin: number): Schedule[] {
  const out: Schedule[] = [everyDay()]
  for (let from = 0; from < MINUTES_A_DAY; from += stepMin)
    for (let to = from + stepMin; to <= MINUTES_A_DAY; to += stepMin) out.push(everyDay([from, to]))
  return out
}

/** Draws a day in each step of the controller's grid, for each day of the week. */
function drawsByStep(draws: readonly Draw[], stepMin: number, firstWeekday: number): number[][] {
  const steps = Math.ceil(MINUTES_A_DAY / stepMin)
  const seen = Array.from({ length: DAYS_A_WEEK }, () => new Array<number>(steps).fill(0))
  for (const d of draws) {
    const weekday = (firstWeekday + Math.floor(d.startS / DAY_S)) % DAYS_A_WEEK
    seen[weekday][Math.floor((d.startS % DAY_S) / 60 / stepMin)]++
  }
  const weeks = DAYS / DAYS_A_WEEK
  return seen.map((day) => day.map((n) => n / weeks))
}

/**
 * Windows that follow the household's draws: open in the steps in which more of them come than a share of the busiest, some
 * minutes sooner by what it takes to heat up; gaps too short to be worth it are closed, and what the controller cannot hold is
 * joined at the shortest gaps.
 */
export function weekOfDraws(
  draws: readonly Draw[],
  firstWeekday: number,
  grid: Grid,
  { share, leadMin, gapMin }: { share: number; leadMin: number; gapMin: number },
): Schedule {
  const byDay = drawsByStep(draws, grid.stepMin, firstWeekday)
  const week: Schedule = everyDay()
  for (const days of programmes(grid)) {
    const steps = byDay[days[0]].map((_, i) => days.reduce((s, d) => s + byDay[d][i], 0) / days.length)
    const least = share * Math.max(...steps)
    const open: Window[] = steps.flatMap((n, i) => {
      if (n <= 0 || n < least) return []
      const from = i * grid.stepMin - Math.ceil(leadMin / grid.stepMin) * grid.stepMin
      return [{ fromMin: Math.max(0, from), toMin: Math.min(MINUTES_A_DAY, (i + 1) * grid.stepMin) }]
    })
    const day = fitted(joined(tidyDay(open), gapMin), grid.periodsPerDay)
    for (const d of days) week[d] = day.map((w) => ({ ...w }))
  }
  return week
}

/** Windows less than a gap apart as one. */
function joined(day: readonly Window[], gapMin: number): Window[] {
  const out: Window[] = []
  for (const w of day) {
    const last = out[out.length - 1]
    if (last && w.fromMin - last.toMin < gapMin) last.toMin = w.toMin
    else out.push({ ...w })
  }
  return out
}

/** At most so many windows: the shortest gaps are closed first. */
function fitted(day: readonly Window[], most: number): Window[] {
  const out = day.map((w) => ({ ...w }))
  while (out.length > most) {
    let at = 1
    for (let i = 2; i < out.length; i++)
      if (out[i].fromMin - out[i - 1].toMin < out[at].fromMin - out[at - 1].toMin) at = i
    out[at - 1].toMin = out[at].toMin
    out.splice(at, 1)
  }
  return out
}

/** Every week that is one move away: an edge of a programme's window some steps sooner or later, or the window gone. */
export function neighbours(week: Schedule, grid: Grid, steps: number): Schedule[] {
  const out: Schedule[] = []
  const by = steps * grid.stepMin
  for (const days of programmes(grid)) {
    const day = week[days[0]]
    const withDay = (next: Window[]) =>
      out.push(week.map((old, d) => (days.includes(d) ? tidyDay(next).map((w) => ({ ...w })) : old)))
    day.forEach((w, i) => {
      const put = (fromMin: number, toMin: number) => {
        const next = day.map((x, k) => (k === i ? { fromMin, toMin } : { ...x }))
        if (toMin > fromMin) withDay(next)
      }
      for (const shift of [-by, by]) {
        const from = w.fromMin + shift
        const to = w.toMin + shift
        if (from >= 0 && from < w.toMin) put(from, w.toMin)
        if (to <= MINUTES_A_DAY && to > w.fromMin) put(w.fromMin, to)
      }
      withDay(day.filter((_, k) => k !== i))
    })
  }
  const own = JSON.stringify(week)
  return [...new Map(out.map((w) => [JSON.stringify(w), w])).values()].filter((w) => JSON.stringify(w) !== own)
}

/** The same windows, each a step of the grid wider at both ends: one step warmer. */
export function widened(week: Schedule, grid: Grid): Schedule {
  return week.map((day) =>
    tidyDay(
      day.map((w) => ({
        fromMin: Math.max(0, w.fromMin - grid.stepMin),
        toMin: Math.min(MINUTES_A_DAY, w.toMin + grid.stepMin),
      })),
    ),
  )
}
