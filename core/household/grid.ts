import { MINUTES_A_DAY } from '../calendar/clock'
import { DAY_NAMES, type Schedule } from '../calendar/week'
import { Grid } from '../study/controllers'

/** The days that share one programme with the given day, itself included (0 = Monday). */
export function daysTogether(grid: Grid, day: number): number[] {
  if (grid.days === 'same') return [0, 1, 2, 3, 4, 5, 6]
  if (grid.days === 'work-sat-sun') return day < 5 ? [0, 1, 2, 3, 4] : [day]
  return [day]
}

/** Nearest time the controller can be set to, minutes. */
export function snap(grid: Grid, minute: number): number {
  return Math.min(MINUTES_A_DAY, Math.max(0, Math.round(minute / grid.stepMin) * grid.stepMin))
}

/** What keeps a week from being entered into the controller, in words; empty when it fits. */
export function misfits(grid: Grid, week: Schedule): string[] {
  const out: string[] = []
  const offGrid = week.flatMap((day, d) =>
    day.some((w) => w.fromMin % grid.stepMin || w.toMin % grid.stepMin) ? [DAY_NAMES[d]] : [],
  )
  if (offGrid.length)
    out.push(
      `${offGrid.length === DAY_NAMES.length ? 'Every day' : offGrid.join(', ')}: the controller takes steps of ${grid.stepMin} min.`,
    )
  week.forEach((day, d) => {
    if (day.length > grid.periodsPerDay)
      out.push(`${DAY_NAMES[d]} has ${day.length} on periods; controller limit ${grid.periodsPerDay} a day.`)
    const first = daysTogether(grid, d)[0]
    if (first < d && JSON.stringify(week[first]) !== JSON.stringify(day))
      out.push(`${DAY_NAMES[d]} differs from ${DAY_NAMES[first]}; the controller has one day group for both.`)
  })
  return out
}
