import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import { controlsOf, Study, type Origin } from '~~/core/study/study'
import type { Controls } from '~~/core/controls/controls'
import { settleOrigins } from '~~/core/study/origins'
import { plainFault, readStudy, type Fault } from '~~/core/study/read'
import { display } from '~~/core/units/display'

const STEPS_KEPT = 200
/** Moves of one slider within this time are one step back, ms. */
const SAME_STEP_MS = 1200

/** The study on the table: its document, the way back and forth through its changes, and its keeping in the browser. */
export const useStudy = defineStore('study', () => {
  const study = shallowRef<Study | null>(null)
  const past = shallowRef<Study[]>([])
  const future = shallowRef<Study[]>([])
  const kept = ref<'kept' | 'keeping' | 'failed'>('kept')
  const faults = shallowRef<Fault[]>([])
  let lastKey = ''
  let lastAt = 0

  const keep = useDebounceFn(async (document: Study) => {
    try {
      await keepStudy(document)
      kept.value = 'kept'
    } catch {
      kept.value = 'failed'
    }
  }, 150)

  function show(document: Study) {
    study.value = document
    kept.value = 'keeping'
    void keep(document)
  }

  /** Opens a kept study. Returns what is wrong with it when it cannot be read. */
  async function open(id: string): Promise<Fault[] | null> {
    if (study.value?.id === id) return null
    const found = await keptStudy(id)
    if (!found) return [{ path: '', message: 'This study is not kept in this browser.' }]
    const read = readStudy(found.study)
    if (!read.ok) return read.faults
    study.value = read.study
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
    const draft = structuredClone(before)
    edit(draft)
    return take(key, before, draft, sliding)
  }

  /** Replaces the study by what a function of the core makes of it; refused like any change when that is unsound. */
  function replace(make: (study: Study) => Study): boolean {
    const before = study.value
    return before !== null && take('replace', before, structuredClone(make(before)), false)
  }

  function take(key: string, before: Study, draft: Study, sliding: boolean): boolean {
    if (JSON.stringify(draft) === JSON.stringify(before)) return true
    draft.origins = settleOrigins(before, draft)
    const checked = Study.safeParse(draft)
    if (!checked.success) {
      faults.value = checked.error.issues.map(plainFault)
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
    return change(`set ${key}`, (draft) => {
      const controls = structuredClone(controlsOf(draft))
      edit(controls)
      draft.controls.set = JSON.stringify(controls) === JSON.stringify(draft.controls.found) ? null : controls
    }, sliding)
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
  const units = computed(() => display(study.value?.units ?? 'metric', study.value?.prices.currency ?? 'EUR'))
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
