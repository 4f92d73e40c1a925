import { ControllerClock } from '../study/controllers'
import { Controls, HeaterControl, type HeaterControl as Heating } from '../study/controls'
import { hasSetpoint, isInstantaneous } from '../study/heater-kinds'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import { valueAt } from '../study/paths'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { SETTING_WORDS } from './setting-words'

/** A setting in the register: where it is set, what was found there and what it was changed to. */
export interface Setting {
  /** Path within the controls. */
  path: string
  place: string
  what: string
  found: unknown
  /** The same as `found` where nothing was changed. */
  now: unknown
  /** What a value of it reads as; one that is none, from a file of somebody else, is said to be unreadable. */
  say: (value: unknown, write: Display) => string
  /** Whether anything hangs on it, as found or as it stands: a cable's watts hang on nothing where a pump runs. */
  inUse: boolean
}

/** Whether two settings are the same: they are plain data. */
export const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
export const wasChanged = (s: Setting) => !same(s.found, s.now)

interface Reads {
  what: string
  say: (value: never, write: Display) => string
}
interface Takes {
  safeParse: (value: unknown) => { success: boolean }
}

/** Every setting of the household, in the order of the water, as found and as it stands. */
export function settingsOf(study: Study): Setting[] {
  const { found } = study.controls
  const now = study.controls.set ?? found
  const either = (test: (controls: Controls) => boolean) => test(found) || test(now)
  /** A group of settings at a path, each with its words, what it takes, and whether it is in use. */
  function group<K extends string>(
    at: string,
    place: string,
    words: Record<K, Reads>,
    shape: Record<K, Takes>,
    inUse: (key: K) => boolean = () => true,
  ): Setting[] {
    return (Object.keys(words) as K[]).map((key) => {
      const path = `${at}.${key}`
      const say = (value: unknown, write: Display) =>
        shape[key].safeParse(value).success ? words[key].say(value as never, write) : 'not readable'
      return {
        path,
        place,
        what: words[key].what,
        found: valueAt(found, path),
        now: valueAt(now, path),
        say,
        inUse: inUse(key),
      }
    })
  }
  const nameOf = (id: string | null) => study.plant.heaters.find((h) => h.id === id)?.name ?? 'another appliance'
  return [
    ...study.plant.heaters
      .filter(hasSetpoint)
      .flatMap((h) =>
        group(`heaters.${h.id}`, h.name, SETTING_WORDS.heater, HeaterControl.shape, (key) =>
          key === 'keepHot' ? isInstantaneous(h) : either((c) => isOwnChoice(key, c.heaters[h.id])),
        ),
      ),
    ...(study.pipes.loop
      ? group('loop', 'Circulation', SETTING_WORDS.loop, Controls.shape.loop.shape, (key) =>
          either((c) => takesPart(key, c.loop.mode)),
        )
      : []),
    ...group(
      'heating',
      'Space heating',
      {
        ...SETTING_WORDS.heating,
        heaterId: { ...SETTING_WORDS.heating.heaterId, say: (id: string | null) => nameOf(id) },
      },
      Controls.shape.heating.shape,
      (key) => either((c) => (ASKED_ALONE.has(key) ? c.heating[key] !== null : c.heating.heaterId !== null)),
    ),
    ...study.controllers.flatMap(({ id, name }) =>
      group(`clocks.${id}`, name, SETTING_WORDS.clock, ControllerClock.shape, (key) =>
        either((c) => key !== 'daysAhead' || c.clocks[id].daysAhead !== 0),
      ),
    ),
  ]
}

/** Of the heating what may be read whoever heats. */
const ASKED_ALONE = new Set<keyof Controls['heating']>(['flow', 'limitKw', 'comfortC', 'economyC'])

/** A heater's functions are in use where they are not as a control comes; its setpoint and its windows always are. */
function isOwnChoice(key: keyof Heating, control: Heating): boolean {
  if (key === 'holidayC' || key === 'pasteurisation') return control[key] !== null
  if (key === 'overrides') return control.overrides.length > 0
  if (key === 'prices') return control.prices !== 'any'
  if (key === 'timerBy') return control.schedule !== null
  return true
}

/** What of a loop's settings its mode goes by. */
function takesPart(key: keyof Controls['loop'], mode: Controls['loop']['mode']): boolean {
  const takes = LOOP_MODE_TAKES[mode]
  const by: Record<keyof Controls['loop'], boolean> = {
    mode: true,
    schedule: takes.schedule,
    targetC: takes.target,
    differentialK: takes.differential,
    sampled: mode === 'sampled',
    demand: mode === 'on demand',
    learned: mode === 'learned',
    trace: mode === 'trace heating',
  }
  return by[key]
}
