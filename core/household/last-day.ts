import type { Study } from '../study/study'

/** The last day on which somebody is known to have been at the house: what was found, set or read; null: none is written down. */
export function lastDayThere({ controls, readings }: Study): string | null {
  const days = [
    controls.foundOn,
    controls.setOn,
    ...controls.changes.map((c) => c.on),
    ...readings.map((r) => r.takenAt.slice(0, 10)),
  ].filter((day) => day !== null)
  return days.reduce<string | null>((last, day) => (last === null || day > last ? day : last), null)
}
