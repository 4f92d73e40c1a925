import { MOST_CHANGES } from '../study/shape'
import type { Study } from '../study/study'
import { type Setting, settingsOf } from './register'

export type Change = Study['controls']['changes'][number]

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/**
 * The log of changes after a study was set anew on a day. What is moved to and fro on one day is one change, and none when it
 * ends where it began.
 */
export function notedChanges(before: Study, after: Study, on: string): Change[] {
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

/** Changes of a time, the day it begins and the day it ends among them, each with its setting. */
export const changesBetween = (study: Study, from: string, to: string): { change: Change; setting: Setting }[] =>
  settingsOf(study).flatMap((setting) =>
    study.controls.changes
      .filter((change) => change.path === setting.path && change.on >= from && change.on <= to)
      .map((change) => ({ change, setting })),
  )
