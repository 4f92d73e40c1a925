import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useNotice } from '~/composables/useNotice'
import {
  keepBeside,
  keepStudy,
  keepWay,
  KeptElsewhere,
  keptStudy,
  keptWay,
  markOf,
  newMark,
  onTold,
  storageTrouble,
} from '~/utils/db'
import { Keeper } from '~/utils/keeper'
import { apart } from '~/utils/kept-pictures'
import { keepLeft, putAside, takeUp } from '~/utils/leaving'
import { dayText, localDay } from '~/utils/local-iso'
import { settleControls, withWritten, writtenControls } from '~~/core/household/changes'
import { settleOrigins } from '~~/core/household/edits/origins'
import { checkEdit } from '~~/core/study/check-edit'
import type { Controls } from '~~/core/study/controls'
import { displayOf } from '~~/core/study/display-of'
import { edited } from '~~/core/study/edited'
import { readStudy } from '~~/core/study/read'
import type { Origin } from '~~/core/study/shape'
import type { Study } from '~~/core/study/study'
import { display } from '~~/core/units/display'
import type { Fault } from '~~/core/units/result'

const STEPS_KEPT = 200
/** Of them so many outlive the page, and no more characters than this. */
const STEPS_IN_BROWSER = 50
const WAY_CHARACTERS = 8_000_000
/** Moves of one slider within this time are one step back, ms. */
const SAME_STEP_MS = 1200

/**
 * A changed study that shares with what it was all parts that are the same, so that the way back holds each only once; what
 * it was itself when all are.
 */
function sharing(before: Study, after: Study): Study {
  const parts = Object.keys(after) as (keyof Study)[]
  const same = parts.filter(
    (key) => after[key] === before[key] || JSON.stringify(after[key]) === JSON.stringify(before[key]),
  )
  if (same.length === parts.length) return before
  return { ...after, ...Object.fromEntries(same.map((key) => [key, before[key]])) }
}

/** The study on the table: its document, the way back and forth through its changes, and its keeping in the browser. */
export const useStudy = defineStore('study', () => {
  const study = shallowRef<Study | null>(null)
  const past = shallowRef<Study[]>([])
  const future = shallowRef<Study[]>([])
  const kept = ref<'kept' | 'keeping' | 'failed'>('kept')
  const faults = shallowRef<Fault[]>([])
  let lastKey = ''
  let lastAt = 0

  /** Mark of the kept copy of each study that was on the table. */
  const seen = new Map<string, string>()

  const keeper: Keeper = new Keeper(keepNow, (state) => (kept.value = state))
  // A page that is hidden may never be shown again.
  if (typeof document !== 'undefined') {
    addEventListener('pagehide', leave)
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && leave())
  }
  let leaving = false
  function leave(): void {
    leaving = true
    if (study.value && keeper.busy) putAside(study.value, marksOf(study.value.id))
    keeper.flush()
    keepWayNow()
  }
  const stay = () => (leaving = false)
  if (typeof document !== 'undefined') {
    addEventListener('pageshow', stay)
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && stay())
  }
  /** Marks that the kept copy of a study may have by now: a write may be under way. */
  const marksOf = (id: string) => [seen.get(id), writing.get(id)].filter((mark) => mark !== undefined)
  const writing = new Map<string, string>()

  async function keepNow(document: Study): Promise<void> {
    const mark = newMark()
    const from = marksOf(document.id)
    writing.set(document.id, mark)
    try {
      await keepStudy(document, from, mark)
      seen.set(document.id, mark)
    } catch (error) {
      if (!(error instanceof KeptElsewhere)) throw error
      await standAside(document)
    } finally {
      writing.delete(document.id)
    }
    takeUp(document.id)
    void wayLater()
  }

  /** Both tabs changed the study in the same moment: what was done here goes on under a name of its own. */
  async function standAside(document: Study): Promise<void> {
    const kept = await keepBeside(document, `${document.name}, second tab`)
    const { study: copy } = kept
    seen.set(copy.id, markOf(kept))
    if (study.value?.id !== document.id) return
    study.value = copy
    useNotice().say({ text: 'Another tab changed this study too. This tab continues as a separate copy.' })
    await navigateTo(`/study/${copy.id}`)
  }

  /** The way back and forth is kept a while after the last change: it is larger, and of less worth. */
  const wayLater = useDebounceFn(() => keepWayNow(), 800)
  function keepWayNow(): void {
    const document = study.value
    const mark = document && seen.get(document.id)
    if (!document || !mark || keeper.busy) return
    const room = Math.floor(WAY_CHARACTERS / JSON.stringify(apart(document).study).length)
    const steps = Math.max(5, Math.min(STEPS_IN_BROWSER, room))
    keepWay({ id: document.id, mark, past: past.value.slice(-steps), future: future.value.slice(0, steps) }).catch(
      // Without room for the way back the study itself still is kept.
      () => {},
    )
  }

  /** Another tab has kept or deleted this study: what it did is shown here, unless something here is not kept yet. */
  onTold(async (told) => {
    if ('deleted' in told) {
      if (study.value?.id !== told.deleted) return
      seen.delete(told.deleted)
      useNotice().say({ text: 'Another tab deleted this study. The next change saves it again.' })
      return
    }
    const mayShow = () => study.value?.id === told.kept && !keeper.busy
    if (!mayShow()) return
    const found = await keptStudy(told.kept)
    const read = found && readStudy(found.study)
    if (!read?.ok || !mayShow()) return
    past.value = [...past.value.slice(-STEPS_KEPT), study.value!]
    future.value = []
    seen.set(told.kept, markOf(found!))
    study.value = read.value
  })

  function show(document: Study, sliding = false) {
    // Kept first: what is drawn anew after a change takes longer than the write.
    keeper.put(document, sliding)
    study.value = document
    if (leaving) putAside(document, marksOf(document.id))
  }

  /** Opens a kept study. Returns what is wrong with it when it cannot be read. */
  async function open(id: string): Promise<Fault[] | null> {
    await keeper.settled()
    await keepLeft()
    const found = await keptStudy(id)
    const onTable = study.value?.id === id
    // What could not be kept is on the table all the same, unless it was deleted and another took its name.
    if (onTable && (kept.value === 'failed' || (found && seen.get(id) === markOf(found)))) return null
    if (!found) return [{ path: '', message: 'This study is not saved in this browser.' }]
    const read = readStudy(found.study)
    if (!read.ok) return read.faults
    void sayGone(read.value, found.without ?? [])
    const way = await keptWay(id).catch(() => undefined)
    const same = way?.mark === markOf(found)
    study.value = read.value
    seen.set(id, markOf(found))
    past.value = same ? soundOf(way.past) : []
    future.value = same ? soundOf(way.future) : []
    lastKey = ''
    return null
  }

  /** Says which readings have lost their picture; all else of them is there. */
  async function sayGone(document: Study, without: readonly string[]) {
    if (without.length === 0) return
    const { titleOf } = await import('~~/core/readings/kinds')
    const gone = document.readings
      .filter((r) => without.includes(r.id))
      .map((r) => `${titleOf(r)}, ${dayText(r.takenAt)}`)
    const some = gone.length > 3 ? `${gone.slice(0, 3).join('; ')} and ${gone.length - 3} more` : gone.join('; ')
    useNotice().say({
      text: `${gone.length === 1 ? 'A picture is' : `${gone.length} pictures are`} missing from this browser: ${some}. Everything else is complete.`,
      lasts: true,
    })
  }

  /** Studies of a way that this version can still show. */
  const soundOf = (way: readonly unknown[]): Study[] =>
    way.flatMap((step) => {
      const read = readStudy(step)
      return read.ok ? [read.value] : []
    })

  /**
   * Changes the study. A change that would make it unsound is refused and its faults are shown; nothing is lost.
   * @param key what is being changed
   * @param sliding it is one of the many small changes of a slider being moved, which are undone together
   */
  function change(key: string, edit: (draft: Study) => void, sliding = false): boolean {
    const before = study.value
    if (!before) return false
    return take(key, before, edited(before, edit), sliding)
  }

  /** Replaces the study by what a function of the core makes of it; refused like any change when that is unsound. */
  function replace(make: (study: Study) => Study): boolean {
    const before = study.value
    return before !== null && take('replace', before, { ...make(before) }, false)
  }

  function take(key: string, before: Study, after: Study, sliding: boolean): boolean {
    const draft = sharing(before, settleControls(before, after, localDay()))
    if (draft === before) return true
    draft.origins = settleOrigins(before, draft)
    const wrong = checkEdit(before, draft)
    faults.value = wrong
    if (wrong.length > 0) return false
    const now = Date.now()
    const sameStep = sliding && key === lastKey && now - lastAt < SAME_STEP_MS && past.value.length > 0
    if (!sameStep) past.value = [...past.value.slice(-STEPS_KEPT), before]
    future.value = []
    lastKey = key
    lastAt = now
    show(draft, sliding)
    return true
  }

  /** Changes a setting: as found, or as set, whichever is being written. */
  function set(key: string, edit: (controls: Controls) => void, sliding = false): boolean {
    const before = study.value
    return before !== null && take(`set ${key}`, before, withWritten(before, edit), sliding)
  }

  function undo() {
    const before = past.value.at(-1)
    if (!before || !study.value) return
    past.value = past.value.slice(0, -1)
    future.value = [study.value, ...future.value]
    lastKey = ''
    faults.value = []
    show(before)
  }

  function redo() {
    const [next, ...rest] = future.value
    if (!next || !study.value) return
    future.value = rest
    past.value = [...past.value, study.value]
    lastKey = ''
    faults.value = []
    show(next)
  }

  /** The settings that are being written: as found, or as set. */
  const controls = computed(() => (study.value ? writtenControls(study.value) : null))
  /** A household that is about to begin: the page that asks for it speaks in its units and words. */
  const begun = shallowRef<Study | null>(null)
  const spoken = computed(() => begun.value ?? study.value)
  const units = computed(() => (spoken.value ? displayOf(spoken.value) : display('metric', 'EUR', 'kwh')))
  const origin = (path: string): Origin => study.value?.origins[path] ?? 'entered'

  return {
    study,
    controls,
    begun,
    /** The study whose units and words are spoken. */
    spoken,
    units,
    kept,
    faults,
    stepsBack: computed(() => past.value.length),
    stepsOn: computed(() => future.value.length),
    trouble: storageTrouble,
    settled: (): Promise<void> => keeper.settled(),
    /** A study is deleted: what of it could not be kept yet is not to bring it back. */
    forget: (id: string): void => keeper.forget(id),
    open,
    change,
    replace,
    set,
    undo,
    redo,
    origin,
  }
})
