import { dayAfter } from '../calendar/days'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import { changesBetween } from './changes'

/** What can be read again; a kept calculation is worked out, not read. */
type Read = Exclude<ReadingKindName, 'sum'>

/** A reading that a change has made old: what changed and when, from which day it is worth taking, and under which conditions. */
export interface DueAgain {
  kind: Read
  /** What was changed last, and on which day. */
  because: string
  changedOn: string
  due: string
  conditions: string
}

interface Follows {
  /** Settings by their path within the controls. */
  of: RegExp
  kind: Read
  afterDays: number
  conditions: string
}

/** What is read again after a setting was changed, once the house has settled to it. */
const AFTER_SETTING: readonly Follows[] = [
  {
    of: /^heaters\.[^.]+\.(setpointC|differentialK|keepHot)$/,
    kind: 'tap-temperature',
    afterDays: 1,
    conditions: 'at the nearest outlet, steady, after the heater has stopped by itself',
  },
  { of: /^loop\./, kind: 'loop', afterDays: 1, conditions: 'pump on for half an hour, nothing drawn' },
  {
    of: /^heating\.(flow|limitKw)/,
    kind: 'flow-log',
    afterDays: 2,
    conditions: 'on a cold day, with a word from the household on how warm it was',
  },
]

/** What is read again after works; only where it had been read before. */
const AFTER_WORKS: Partial<Record<string, Omit<Follows, 'of'>[]>> = {
  'works done': [
    { kind: 'overnight-drop', afterDays: 1, conditions: 'nothing drawn overnight, heater off' },
    { kind: 'loop', afterDays: 1, conditions: 'pump on for half an hour, nothing drawn' },
    { kind: 'time-to-hot', afterDays: 1, conditions: 'from cold, the same outlet open fully' },
  ],
  'fixture changed': [{ kind: 'bucket', afterDays: 0, conditions: 'the same outlet open fully' }],
}

/** Readings that are due again since something they hang on was changed, the earliest first. */
export function dueAgain(study: Study): DueAgain[] {
  const lastOf = (kind: ReadingKindName) =>
    study.readings
      .filter((r) => r.kind === kind)
      .reduce<string | null>((last, r) => (last === null || r.takenAt > last ? r.takenAt : last), null)
  const changed = changesBetween(study).filter(({ change }) => change.as === 'set')
  const events = study.readings.filter((r) => r.kind === 'event')
  const all = [
    ...AFTER_SETTING.flatMap((f) =>
      changed
        .filter(({ change }) => f.of.test(change.path))
        .map(({ change, setting }) => ({ ...f, on: change.on, because: `${setting.what} of ${setting.place}` })),
    ),
    ...events.flatMap((r) =>
      (AFTER_WORKS[String(r.values.event)] ?? [])
        .filter((f) => (lastOf(f.kind) ?? '9') < r.takenAt)
        .map((f) => ({ ...f, on: r.takenAt.slice(0, 10), because: r.note.trim() || String(r.values.event) })),
    ),
  ]
  const latest = new Map<Read, DueAgain>()
  for (const { kind, on, because, afterDays, conditions } of all) {
    // What was read on the very day may have been read before the change.
    if ((lastOf(kind) ?? '').slice(0, 10) > on) continue
    const there = latest.get(kind)
    if (!there || there.changedOn < on)
      latest.set(kind, { kind, because, changedOn: on, due: dayAfter(on, afterDays), conditions })
  }
  return [...latest.values()].sort((a, b) => a.due.localeCompare(b.due))
}
