import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { type Ranges, rangesOf, SAMPLES, type SampleYears, type Sampling, samplingOf } from '~~/core/scenarios/ranges'
import type { Study } from '~~/core/study/study'
import { refusedText } from '~~/core/views/range-words'
import { dependsOn } from '~~/core/year/depends-on'
import { useStudy } from './study'
import { useYears } from './years'

/** Samples with a worker at one time: what else is wanted meanwhile comes between them. */
const AT_ONCE = 2
/** Figures are told again after so many more: a range of few samples jumps about. */
const TOLD_EVERY = 8

/** What a range hangs on: the household, what is known of it, and the package. */
const contentOf = (study: Study, packageId: string | null) =>
  JSON.stringify([dependsOn(study), study.origins, study.packages.find((p) => p.id === packageId)?.measures])

interface Known {
  content: string
  ranges: Ranges
  /** The samples that they are of. */
  sampling: Sampling
  come: readonly (SampleYears | null)[]
}

/** How far a year and the savings of a package may lie apart, worked out when somebody asks for it. */
export const useRanges = defineStore('ranges', () => {
  const table = useStudy()
  const years = useYears()
  const done = ref(0)
  const running = ref(false)
  const failed = ref<string | null>(null)
  /** By household and package: what was worked out last, and what before that. */
  const known = shallowRef<ReadonlyMap<string, { last: Known; before: Known | null }>>(new Map())
  const keyOf = (packageId: string | null) => `${table.study?.id} ${packageId}`
  let batch = 0

  async function run(packageId: string | null) {
    const study = table.study!
    const mine = ++batch
    const stale = () => mine !== batch
    const key = keyOf(packageId)
    const content = contentOf(study, packageId)
    const before = known.value.get(key)?.last ?? null
    const sampling = samplingOf(study)
    const come: (SampleYears | null)[] = []
    done.value = 0
    running.value = true
    failed.value = null
    const tell = () => {
      const ranges = rangesOf(sampling, come)
      if (!ranges) return
      const last = { content, ranges, sampling, come: [...come] }
      known.value = new Map([...known.value, [key, { last, before: before?.content === content ? null : before }]])
    }
    let next = 0
    const some = async () => {
      while (next < SAMPLES.usual && !stale()) {
        const i = next++
        const one = await years.order('sampled', study, stale, packageId, SAMPLES.usual, SAMPLES.seed, i)
        if (stale()) return
        come.push(one)
        done.value++
        if (done.value % TOLD_EVERY === 0) tell()
      }
    }
    try {
      await Promise.all(Array.from({ length: AT_ONCE }, some))
    } catch (error) {
      if (!stale()) failed.value = error instanceof Error ? error.message : String(error)
    }
    if (stale()) return
    if (come.every((one) => one === null)) failed.value ??= refusedText(come.length)
    stop()
  }

  function stop() {
    batch++
    running.value = false
  }
  watch(() => [table.study, years.lookedAt], stop)

  /** What is known of a package, and whether it is of the household as it is now. */
  function of(packageId: string | null) {
    const found = known.value.get(keyOf(packageId))
    const study = table.study
    return found && study ? { ...found, holds: found.last.content === contentOf(study, packageId) } : null
  }
  const here = computed(() => of(years.lookedAt))
  return { of, done, wanted: SAMPLES.usual, running, failed, here, run, stop }
})
