import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { settleOrigins } from '~~/core/household/edits/origins'
import { documentFault } from '~~/core/schema/words'
import type { Controls } from '~~/core/study/controls'
import { displayOf } from '~~/core/study/display-of'
import { edited } from '~~/core/study/edited'
import { readStudy } from '~~/core/study/read'
import type { Origin } from '~~/core/study/shape'
import { controlsOf, Study } from '~~/core/study/study'
import { display } from '~~/core/units/display'
import type { Fault } from '~~/core/units/result'

const STEPS_KEPT = 200
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

  /** When the kept copy that is on the table was changed. */
  let seen: string | undefined

  const keep = useDebounceFn(() => (keeping = keeping.then(keepNow)), 150)
  let keeping: Promise<void> = Promise.resolve()

  async function keepNow() {
    const document = study.value
    if (!document) return
    try {
      seen = (await keepStudy(document, seen)).changedAt
      if (study.value === document) kept.value = 'kept'
    } catch (error) {
      if (error instanceof KeptElsewhere) await standAside(document)
      else kept.value = 'failed'
    }
  }

  /** Both tabs changed the study in the same moment: what was done here goes on under a name of its own. */
  async function standAside(document: Study) {
    const copy = await underFreeId(document, `${document.name}, second tab`)
    seen = (await keepStudy(copy)).changedAt
    study.value = copy
    kept.value = 'kept'
    useNotice().say({ text: 'Another tab changed this study too. Your work goes on as a second one beside it.' })
    await navigateTo(`/study/${copy.id}`)
  }

  /** Another tab has kept this study: what it did is shown here, unless something here is not kept yet. */
  onKeptElsewhere(async (id) => {
    const mayShow = () => study.value?.id === id && kept.value !== 'keeping'
    if (!mayShow()) return
    const found = await keptStudy(id)
    const read = found && readStudy(found.study)
    if (!read?.ok || !mayShow()) return
    past.value = [...past.value.slice(-STEPS_KEPT), study.value!]
    future.value = []
    seen = found!.changedAt
    study.value = read.value
  })

  function show(document: Study) {
    study.value = document
    kept.value = 'keeping'
    void keep()
  }

  /** Opens a kept study. Returns what is wrong with it when it cannot be read. */
  async function open(id: string): Promise<Fault[] | null> {
    if (study.value?.id === id) return null
    const found = await keptStudy(id)
    if (!found) return [{ path: '', message: 'This study is not kept in this browser.' }]
    const read = readStudy(found.study)
    if (!read.ok) return read.faults
    study.value = read.value
    seen = found.changedAt
    past.value = []
    future.value = []
    lastKey = ''
    return null
  }

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
    const draft = sharing(before, after)
    if (draft === before) return true
    draft.origins = settleOrigins(before, draft)
    const checked = Study.safeParse(draft)
    if (!checked.success) {
      faults.value = checked.error.issues.map(documentFault)
      return false
    }
    faults.value = []
    const now = Date.now()
    const sameStep = sliding && key === lastKey && now - lastAt < SAME_STEP_MS && past.value.length > 0
    if (!sameStep) past.value = [...past.value.slice(-STEPS_KEPT), before]
    future.value = []
    lastKey = key
    lastAt = now
    show(draft)
    return true
  }

  /** Changes what is set; the register of what was found is left as it was. */
  function set(key: string, edit: (controls: Controls) => void, sliding = false): boolean {
    return change(
      `set ${key}`,
      (draft) => {
        const controls = edited(controlsOf(study.value!), edit)
        draft.controls.set = JSON.stringify(controls) === JSON.stringify(draft.controls.found) ? null : controls
        draft.controls.setOn = draft.controls.set ? new Date().toISOString().slice(0, 10) : null
      },
      sliding,
    )
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

  const controls = computed(() => (study.value ? controlsOf(study.value) : null))
  const units = computed(() => (study.value ? displayOf(study.value) : display('metric', 'EUR', 'kwh')))
  const origin = (path: string): Origin => study.value?.origins[path] ?? 'entered'

  return {
    study,
    controls,
    units,
    kept,
    faults,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    open,
    change,
    replace,
    set,
    undo,
    redo,
    origin,
  }
})
