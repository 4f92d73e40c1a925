import type { Controls } from '../study/controls'
import { edited } from '../study/edited'
import { valueAt, withValueAt } from '../study/paths'
import { MOST_CHANGES } from '../study/shape'
import type { Study } from '../study/study'
import { same, type Setting, settingsOf } from './register'

export type Change = Study['controls']['changes'][number]
type Settings = Study['controls']

/** Heaters that stand in both studies and are of the same kind: what their settings were still says something. */
function sameHeaters(before: Study, after: Study): (path: string) => boolean {
  const kinds = new Map(before.plant.heaters.map((h) => [h.id, h.kind]))
  const kept = new Set(after.plant.heaters.filter((h) => kinds.get(h.id) === h.kind).map((h) => h.id))
  return (path) => !path.startsWith('heaters.') || kept.has(path.split('.')[1])
}

/**
 * What was never set follows what is corrected as found: where both were the same and nobody has set it in this change, the
 * correction goes for both, so that no change which nobody made stands between them.
 */
function followed(before: Settings, after: Settings, paths: readonly string[]): Settings {
  if (!before.set || !after.set) return after
  const { found, set } = before
  const follows = paths.filter(
    (path) =>
      same(valueAt(found, path), valueAt(set, path)) &&
      same(valueAt(after.set, path), valueAt(set, path)) &&
      !same(valueAt(after.found, path), valueAt(found, path)),
  )
  return {
    ...after,
    set: follows.reduce((at, path) => withValueAt(at, path, valueAt(after.found, path)), after.set),
  }
}

/**
 * The log with a setting moved on a day. What is moved to and fro on one day is one change, and none when it ends where it
 * began; why it was made stays beside it.
 */
function noted(log: readonly Change[], change: Change): Change[] {
  const today = log.find((c) => c.on === change.on && c.path === change.path && c.as === change.as)
  const rest = log.filter((c) => c !== today)
  const from = today ? today.from : change.from
  return same(from, change.to) ? rest : [...rest, { ...change, from, why: today?.why ?? '' }]
}

/**
 * Settles the controls of a study that was changed on a day: what was never set follows what was corrected as found, what is
 * set as it was found is not set, and the log has every setting that moved, as found or as set, and by whom.
 */
export function settleControls(before: Study, after: Study, on: string): Study {
  // A change that has written its own log is settled: to settle it again would log what it took back.
  if (after.controls.changes !== before.controls.changes || same(before.controls, after.controls)) return after
  const known = sameHeaters(before, after)
  const paths = settingsOf(after)
    .map((s) => s.path)
    .filter(known)
  const controls = followed(before.controls, after.controls, paths)
  const isFound = same(controls.set, controls.found)
  const set = isFound ? null : controls.set
  const [wasFound, wasNow] = [before.controls.found, before.controls.set ?? before.controls.found]
  const now = set ?? controls.found
  let log: Change[] = controls.changes
  let [foundOn, setOn] = [controls.foundOn, set ? controls.setOn : null]
  for (const path of paths) {
    const move = (as: Change['as'], from: unknown, to: unknown) =>
      void (log = noted(log, {
        on,
        path,
        from: from as Change['from'],
        to: to as Change['to'],
        as,
        by: controls.by,
        why: '',
        shows: '',
      }))
    const [foundWas, found] = [valueAt(wasFound, path), valueAt(controls.found, path)]
    const corrected = !same(foundWas, found)
    if (corrected && foundWas !== undefined) {
      move('found', foundWas, found)
      foundOn ??= on
    }
    const [nowWas, is] = [valueAt(wasNow, path), valueAt(now, path)]
    // What merely follows its correction was set by nobody.
    if (nowWas === undefined || same(nowWas, is) || (corrected && same(is, found) && same(nowWas, foundWas))) continue
    move('set', nowWas, is)
    if (set) setOn = on
  }
  return { ...after, controls: { ...controls, set, foundOn, setOn, changes: log.slice(-MOST_CHANGES) } }
}

/** The study set anew on a day: what was found stays as it was, and the log has each setting that moved. */
export const setAnew = (study: Study, controls: Controls, on: string): Study =>
  settleControls(study, { ...study, controls: { ...study.controls, set: controls } }, on)

/** The controls that are being written: as found, or as set where that is switched to. */
export const writtenControls = ({ controls }: Study): Controls =>
  controls.writes === 'found' ? controls.found : (controls.set ?? controls.found)

/** The study with a setting changed in the one of the two that is being written; not settled yet. */
export function withWritten(study: Study, edit: (controls: Controls) => void): Study {
  const { controls } = study
  const written = edited(writtenControls(study), edit)
  return { ...study, controls: { ...controls, [controls.writes]: written } }
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
