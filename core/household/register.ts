import { hoursOpen, type Week } from '../calendar/week'
import type { Controls } from '../study/controls'
import { hasSetpoint, isRunning } from '../study/heater-kinds'
import { valueAt, withValueAt } from '../study/paths'
import type { Study } from '../study/study'
import type { Quantity } from '../units/quantities'

/** A setting in the register: where it is set, what was found there and what it was changed to. */
export interface Setting {
  /** Path within the controls. */
  path: string
  place: string
  what: string
  quantity: Quantity | null
  found: unknown
  /** The same as `found` where nothing was changed. */
  now: unknown
}

/** Every setting of the household, in the order of the water, as found and as it stands. */
export function settingsOf(study: Study): Setting[] {
  const { found, set } = study.controls
  const row = (path: string, place: string, what: string, quantity: Quantity | null = null): Setting => ({
    path,
    place,
    what,
    quantity,
    found: valueAt(found, path),
    now: valueAt(set ?? found, path),
  })
  return [
    ...study.plant.heaters
      .filter(hasSetpoint)
      .flatMap((h) => [
        row(`heaters.${h.id}.setpointC`, h.name, 'Setpoint', 'temperature'),
        row(`heaters.${h.id}.hysteresisK`, h.name, 'Calls below it by', 'rise'),
        row(`heaters.${h.id}.windows`, h.name, 'May heat'),
        ...(isRunning(h) ? [row(`heaters.${h.id}.keepHot`, h.name, 'Keep-hot')] : []),
      ]),
    ...(study.pipes.loop
      ? [row('loop.mode', 'Loop', 'Pump runs'), row('loop.windows', 'Loop', 'Windows of the pump')]
      : []),
    row('grid.stepMin', 'Controller', 'Step, minutes'),
    row('grid.periodsPerDay', 'Controller', 'Periods a day'),
    row('grid.days', 'Controller', 'Programme for'),
  ]
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
export const wasChanged = (s: Setting) => !same(s.found, s.now)

/** The study with one setting put back to what was found, or all of them. */
export function restoreFound(study: Study, path: string | null): Study {
  const { found, set } = study.controls
  if (!set) return study
  const restored: Controls = path === null ? found : withValueAt(set, path, valueAt(found, path))
  return {
    ...study,
    controls: {
      ...study.controls,
      set: same(restored, found) ? null : restored,
      setOn: same(restored, found) ? null : study.controls.setOn,
    },
  }
}

/** Words of the controls as a person reads them. */
const WORDS: Record<string, string> = {
  clock: 'by the clock',
  same: 'all days alike',
  'work-sat-sun': 'Mon–Fri, Sat, Sun',
  each: 'each day by itself',
}

/** A setting in a few words. */
export function settingText(
  value: unknown,
  quantity: Quantity | null,
  write: (quantity: Quantity, metric: number) => string,
): string {
  if (quantity) return write(quantity, value as number)
  if (value === null) return 'at all times'
  if (typeof value === 'boolean') return value ? 'on' : 'off'
  if (Array.isArray(value)) return `${Math.round(hoursOpen(value as Week) * 10) / 10} h a week`
  const word = JSON.stringify(value).replace(/^"|"$/g, '')
  return WORDS[word] ?? word
}
