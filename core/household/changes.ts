import type { Controls } from '../study/controls'
import { valueAt, withValueAt } from '../study/paths'
import { MOST_CHANGES } from '../study/shape'
import type { Study } from '../study/study'
import { same, type Setting, settingsOf } from './register'

export type Change = Study['controls']['changes'][number]

/**
 * The log of changes after a study was set anew on a day. What is moved to and fro on one day is one change, and none when it
 * ends where it began.
 */
function notedChanges(before: Study, after: Study, on: string): Change[] {
  const stood = new Map(settingsOf(before).map((s) => [s.path, s.now]))
  const log = [...before.controls.changes]
  for (const { path, now } of settingsOf(after)) {
    if (!stood.has(path) || same(stood.get(path), now)) continue
    const today = log.findIndex((c) => c.on === on && c.path === path)
    const from = (today >= 0 ? log[today].from : stood.get(path)) as Change['from']
    if (today >= 0) log.splice(today, 1)
    if (!same(from, now)) log.push({ on, path, from, to: now as Change['to'] })
  }
  return log.slice(-MOST_CHANGES)
}

/** The study set anew on a day: what was found stays as it was, and the log has each setting that moved. */
export function setAnew(study: Study, controls: Controls, on: string): Study {
  const isFound = same(controls, study.controls.found)
  const now = { ...study.controls, set: isFound ? null : controls, setOn: isFound ? null : on }
  const after = { ...study, controls: now }
  return { ...study, controls: { ...now, changes: notedChanges(study, after, on) } }
}

/** The study with one setting put back on a day to what was found, or all of them (null). */
export function restoreFound(study: Study, path: string | null, on: string): Study {
  const { found, set } = study.controls
  if (!set) return study
  return setAnew(study, path === null ? found : withValueAt(set, path, valueAt(found, path)), on)
}

/** Changes of a time, each with its setting; without ends all there are. Both days are within it. */
export const changesBetween = (
  study: Study,
  { from, to }: { from?: string; to?: string } = {},
): { change: Change; setting: Setting }[] =>
  settingsOf(study).flatMap((setting) =>
    study.controls.changes
      .filter((c) => c.path === setting.path && (!from || c.on >= from) && (!to || c.on <= to))
      .map((change) => ({ change, setting })),
  )
