<script setup lang="ts">
import { FileText, Square } from '@lucide/vue'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import PaperSheet from '~/components/handover/PaperSheet.vue'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { localDay } from '~/utils/local-iso'
import { jobsOf } from '~~/core/measures/jobs'
import { report } from '~~/core/papers/report'
import type { Ranges } from '~~/core/scenarios/ranges'
import type { Study } from '~~/core/study/study'

/** The report: written when it is asked for, since every package has its years and, where wanted, its ranges. */
const table = useStudy()
const years = useYears()
const ranges = useRanges()
const withRanges = ref(false)
const written = shallowRef<{ study: Study; html: string } | null>(null)
const doing = ref<string | null>(null)
const failed = ref<string | null>(null)
let batch = 0
const old = computed(() => written.value !== null && written.value.study !== table.study)

/** Ranges of each package, one after the other; those that were worked out of the same household stand. */
async function rangesOfAll(study: Study, stale: () => boolean): Promise<Map<string, Ranges>> {
  const all = new Map<string, Ranges>()
  for (const { id, name } of study.packages) {
    if (withRanges.value && !ranges.of(id)?.holds) {
      doing.value = `Ranges of “${name}”`
      await ranges.run(id)
    }
    if (stale()) return all
    const known = ranges.of(id)
    if (known?.holds) all.set(id, known.last.ranges)
  }
  return all
}

async function write() {
  const study = table.study!
  const mine = ++batch
  const stale = () => mine !== batch
  failed.value = null
  doing.value = 'Years of every package'
  try {
    const jobs = jobsOf(study)
    const all = await years.many(
      jobs.map((j) => j.study),
      stale,
    )
    if (!all || stale()) return
    const refused = jobs.find((_, i) => all[i] === null)
    if (refused) throw new Error('A package cannot be simulated: open it under Improve to see why.')
    const known = await rangesOfAll(study, stale)
    if (stale()) return
    doing.value = 'Checks of every package'
    const comparison = await years.order(
      'comparison',
      study,
      stale,
      jobs.map((j, i) => [j.key, all[i]!]),
    )
    if (!comparison || stale()) return
    written.value = { study, html: report({ study, comparison, ranges: known, on: localDay() }) }
  } catch (error) {
    if (!stale()) failed.value = error instanceof Error ? error.message : String(error)
  }
  if (!stale()) doing.value = null
}
function stop() {
  batch++
  ranges.stop()
  doing.value = null
}
onUnmounted(stop)
</script>

<template>
  <div>
    <p class="max-w-prose text-ink-soft">
      What was found, measured, set and proposed, with cautions and an appendix of every input. One file that opens
      anywhere; nothing in it is fetched from elsewhere.
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <button v-if="doing === null" class="tool tool-main" @click="write">
        <FileText :size="17" />{{ written ? 'Write it again' : 'Write the report' }}
      </button>
      <button v-else class="tool" @click="stop"><Square :size="17" />Stop</button>
      <label v-if="table.study!.packages.length" class="flex min-h-11 items-center gap-2 text-sm">
        <input v-model="withRanges" type="checkbox" class="size-5 accent-copper" :disabled="doing !== null" />With the
        range of each saving: {{ ranges.wanted }} pairs of years for each package
      </label>
    </div>
    <WorkProgress
      v-if="doing !== null"
      class="mt-2"
      :counts="doing"
      :done="ranges.running ? ranges.done : 0"
      :of="ranges.running ? ranges.wanted : undefined"
      >{{ doing }}{{ ranges.running ? `: ${ranges.done} of ${ranges.wanted}` : '' }}…</WorkProgress
    >
    <p v-if="failed" class="mt-2 text-alarm" role="alert">{{ failed }}</p>
    <p v-if="old" class="mt-2 border-l-4 border-copper pl-2" role="status">
      The study has changed since it was written.
    </p>
    <PaperSheet
      v-if="written"
      class="mt-3"
      title="Hot water report"
      :html="written.html"
      :file="`${table.study!.id}-report`"
    />
  </div>
</template>
