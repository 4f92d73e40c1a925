import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { keepOwn, keptOwn } from '~/utils/kept-own'
import { type EngineerDefaults, NO_DEFAULTS, readDefaults } from '~~/core/household/engineer/defaults'

const NOT_READ =
  'The saved defaults cannot be read by this version of Bagno. They stay as they are until something is changed here.'
const NOT_KEPT = 'The defaults were not saved: browser storage is full or blocked. They hold in this tab.'

/** What the engineer begins every household with, kept in this browser. */
export const useOwn = defineStore('own', () => {
  const defaults = shallowRef<EngineerDefaults>(NO_DEFAULTS)
  /** What is wrong with what is kept, or with keeping it; empty: nothing. */
  const trouble = ref('')
  let reading: Promise<void> | undefined

  async function read() {
    const kept = await keptOwn().catch(() => undefined)
    if (kept === undefined) return
    const known = readDefaults(kept)
    if (known.ok) defaults.value = known.value
    else trouble.value = NOT_READ
  }
  /** Reads what is kept, once. */
  const ready = () => (reading ??= read())

  /** Takes others in their place. */
  async function keep(next: EngineerDefaults) {
    await ready()
    defaults.value = next
    trouble.value = ''
    await keepOwn(next).catch(() => (trouble.value = NOT_KEPT))
  }
  return {
    defaults,
    trouble,
    ready,
    keep,
    change: (part: Partial<EngineerDefaults>) => keep({ ...defaults.value, ...part }),
  }
})
