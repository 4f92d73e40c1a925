<script setup lang="ts">
import { ArrowLeft, Calculator, ChevronDown, ChevronUp, Download, Redo2, Undo2 } from '@lucide/vue'
import { onKeyStroke, useMediaQuery } from '@vueuse/core'
import WordSearch from '~/components/home/WordSearch.vue'
import RunningTotals from '~/components/totals/RunningTotals.vue'
import TotalsBar from '~/components/totals/TotalsBar.vue'
import ClockStrip from '~/components/water/ClockStrip.vue'
import WaterLine from '~/components/water/WaterLine.vue'
import WaterStrip from '~/components/water/WaterStrip.vue'
import { usePocket } from '~/composables/usePocket'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { exportStudy } from '~/utils/files'
import { isStation, type StationName } from '~/utils/stations'
import { foldsKept, keepFolds, keepStage } from '~/utils/where-left'
import type { Fault } from '~~/core/units/result'

const route = useRoute()
const router = useRouter()
const table = useStudy()
const pocket = usePocket()
const years = useYears()
const id = computed(() => String(route.params.id))
const faults = shallowRef<Fault[] | null>(null)
const ready = ref(false)
/** The drawing of the water comes a frame after the work: two shorter tasks instead of a long one. */
const drawn = ref(false)
watch(ready, (now) => now && requestAnimationFrame(() => setTimeout(() => (drawn.value = true))))

watch(
  id,
  async (next) => {
    ready.value = false
    try {
      faults.value = await table.open(next)
    } catch {
      faults.value = [{ path: '', message: 'Browser storage is blocked.' }]
    }
    ready.value = faults.value === null
  },
  { immediate: true },
)
useHead({ title: () => (table.study ? `${table.study.name} · Bagno` : 'Bagno') })

const STAGES = [
  { name: 'survey', label: 'Survey' },
  { name: 'measure', label: 'Readings' },
  { name: 'set', label: 'Settings' },
  { name: 'improve', label: 'Improve' },
] as const
const stage = computed(() => STAGES.find((s) => route.path.endsWith(`/${s.name}`))?.name ?? null)

/** The line of water is full on a large screen and one row elsewhere, unless somebody chose otherwise for the stage. */
const large = useMediaQuery('(min-width: 1600px) and (min-height: 950px)')
const folds = ref(foldsKept())
const full = computed(() => folds.value[stage.value ?? ''] ?? large.value)
function fold() {
  folds.value = { ...folds.value, [stage.value ?? '']: !full.value }
  keepFolds(folds.value)
}
watch([id, stage], ([now, at]) => at && keepStage(now, at), { immediate: true })

const station = computed((): StationName | null => (isStation(route.query.at) ? route.query.at : null))
const chosen = computed(() => (typeof route.query.on === 'string' ? route.query.on : ''))
function open(at: StationName, on: string) {
  const same = at === station.value && on === chosen.value
  void router.push({ path: `/study/${id.value}/survey`, query: same ? {} : { at, ...(on ? { on } : {}) } })
}

const setUnits = (units: 'metric' | 'us') => table.change('units', (d) => void (d.units = units))

const typing = (e: KeyboardEvent) => (e.target as HTMLElement).matches('input, textarea, select')
onKeyStroke(['z', 'Z', 'y'], (e) => {
  if (!(e.ctrlKey || e.metaKey) || typing(e)) return
  e.preventDefault()
  if (e.key === 'y' || e.shiftKey) table.redo()
  else table.undo()
})
</script>

<template>
  <div v-if="faults" class="mx-auto max-w-2xl p-6">
    <h1 class="text-2xl">This study cannot be opened</h1>
    <ul class="mt-2">
      <li v-for="(f, i) in faults" :key="i">
        <b v-if="f.path">{{ f.path }}: </b>{{ f.message }}
      </li>
    </ul>
    <NuxtLink to="/" class="tool mt-4"><ArrowLeft :size="18" />All households</NuxtLink>
  </div>
  <div v-else-if="!ready || !table.study" class="p-6 text-ink-soft">
    <p>Opening…</p>
    <p v-if="table.trouble" class="mt-2 max-w-prose border-l-4 border-alarm bg-alarm-pale p-2 text-ink" role="alert">
      {{ table.trouble }}
    </p>
  </div>
  <div v-else class="mx-auto max-w-[84rem] px-3 pb-24 sm:px-4 lg:pb-10">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
      <NuxtLink to="/" class="tool tool-bare px-2" aria-label="All households"><ArrowLeft :size="20" /></NuxtLink>
      <h1 class="min-w-0 flex-1 text-xl sm:text-2xl">{{ table.study.name }}</h1>
      <div class="flex w-full items-center justify-end gap-1 sm:w-auto">
        <span class="caption mr-1 hidden sm:inline" role="status">{{
          table.trouble
            ? 'not saved, this tab only'
            : table.kept === 'kept'
              ? 'saved in this browser'
              : table.kept === 'keeping'
                ? 'saving…'
                : ''
        }}</span>
        <button
          class="tool px-3"
          aria-label="Undo"
          :title="`Undo, Ctrl Z: ${table.stepsBack} ${table.stepsBack === 1 ? 'step' : 'steps'}`"
          :disabled="table.stepsBack === 0"
          @click="table.undo()"
        >
          <Undo2 :size="18" />
        </button>
        <button
          class="tool px-3"
          aria-label="Redo"
          :title="`Redo, Ctrl Shift Z: ${table.stepsOn} ${table.stepsOn === 1 ? 'step' : 'steps'}`"
          :disabled="table.stepsOn === 0"
          @click="table.redo()"
        >
          <Redo2 :size="18" />
        </button>
        <select
          class="entry w-auto!"
          aria-label="Units"
          :value="table.study.units"
          @change="setUnits(($event.target as HTMLSelectElement).value as 'metric' | 'us')"
        >
          <option value="metric">metric</option>
          <option value="us">US</option>
        </select>
        <WordSearch />
        <button
          class="tool px-3"
          aria-label="Calculators"
          title="Calculators, Ctrl B"
          @click="pocket.open.value = true"
        >
          <Calculator :size="18" />
        </button>
        <button class="tool" aria-label="Export as a file" @click="exportStudy(table.study)">
          <Download :size="18" /><span class="hidden sm:inline">Export</span>
        </button>
      </div>
    </header>
    <p v-if="table.kept === 'failed'" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      Last change not saved: browser storage is full or blocked. Retrying. Export the study now or delete old studies.
    </p>
    <p v-if="table.trouble" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">{{ table.trouble }}</p>
    <div v-if="table.faults.length" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      <p class="font-semibold">Change not accepted:</p>
      <p v-for="(f, i) in table.faults" :key="i">{{ f.path }}: {{ f.message }}</p>
    </div>
    <div class="flex items-start gap-2 border-y border-line-strong" :class="full ? 'py-2' : 'py-1'">
      <div class="min-w-0 flex-1">
        <template v-if="full">
          <WaterLine v-if="drawn" :station="stage === 'survey' ? station : null" :chosen="chosen" @open="open" />
          <div v-else class="min-h-80" aria-hidden="true" />
          <ClockStrip />
        </template>
        <WaterStrip v-else :station="stage === 'survey' ? station : null" @open="open" />
      </div>
      <button
        class="tool px-2"
        :aria-expanded="full"
        :aria-label="full ? 'Collapse system diagram' : 'Expand system diagram'"
        :title="full ? 'Collapse to one row' : 'Show full diagram'"
        @click="fold"
      >
        <ChevronUp v-if="full" :size="18" /><ChevronDown v-else :size="18" />
      </button>
    </div>
    <div class="mt-3 grid gap-x-6 gap-y-4 lg:grid-cols-[minmax(0,1fr)_15rem]">
      <div class="min-w-0">
        <nav aria-label="Stages of the visit" class="mb-3 flex gap-1 border-b border-line">
          <NuxtLink
            v-for="s in STAGES"
            :key="s.name"
            :to="`/study/${id}/${s.name}`"
            class="-mb-px flex min-h-11 items-center border-b-3 px-2.5 font-display sm:px-4 font-semibold"
            :class="stage === s.name ? 'border-copper text-copper' : 'border-transparent text-ink-soft hover:text-ink'"
            :aria-current="stage === s.name ? 'page' : undefined"
            >{{ s.label }}</NuxtLink
          >
        </nav>
        <main id="work"><NuxtPage :station="station" :chosen="chosen" /></main>
      </div>
      <RunningTotals id="totals" class="lg:sticky lg:top-2 lg:self-start" />
    </div>
    <TotalsBar class="lg:hidden" />
    <p v-if="years.lastMs" class="sr-only" data-last-ms>{{ Math.round(years.lastMs) }}</p>
  </div>
</template>
