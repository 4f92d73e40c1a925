<script setup lang="ts">
import { ArrowLeft, ChevronDown, ChevronUp } from '@lucide/vue'
import { useMediaQuery } from '@vueuse/core'
import HouseholdTools from '~/components/home/HouseholdTools.vue'
import RunningTotals from '~/components/totals/RunningTotals.vue'
import TotalsBar from '~/components/totals/TotalsBar.vue'
import ClockStrip from '~/components/water/ClockStrip.vue'
import WaterLine from '~/components/water/WaterLine.vue'
import WaterStrip from '~/components/water/WaterStrip.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { onTheWay } from '~/utils/lazy'
import { isStation, type StationName } from '~/utils/stations'
import { foldsKept, keepFolds, keepStage } from '~/utils/where-left'
import type { Fault } from '~~/core/units/result'

const route = useRoute()
const router = useRouter()
const table = useStudy()
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
  { name: 'handover', label: 'Hand over' },
  { name: 'verify', label: 'Verify' },
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
  <div v-else class="mx-auto max-w-[84rem] px-3 pb-32 sm:px-4 lg:pb-10">
    <header class="print:hidden flex items-center gap-x-1 py-0.5 sm:gap-x-3 sm:py-2">
      <NuxtLink to="/" class="tool tool-bare px-2" aria-label="All households"><ArrowLeft :size="20" /></NuxtLink>
      <h1 class="line-clamp-2 min-w-0 flex-1 text-base leading-5 sm:text-2xl" :title="table.study.name">
        {{ table.study.name }}
      </h1>
      <span class="caption hidden sm:inline" role="status">{{
        table.trouble
          ? 'not saved, this tab only'
          : table.kept === 'kept'
            ? 'saved in this browser'
            : table.kept === 'keeping'
              ? 'saving…'
              : ''
      }}</span>
      <HouseholdTools />
    </header>
    <p v-if="table.kept === 'failed'" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      Last change not saved: browser storage is full or blocked. Retrying. Export the study now or delete old studies.
    </p>
    <p v-if="table.trouble" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">{{ table.trouble }}</p>
    <div v-if="table.faults.length" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      <p class="font-semibold">Change not accepted:</p>
      <p v-for="(f, i) in table.faults" :key="i">{{ f.path }}: {{ f.message }}</p>
    </div>
    <div class="print:hidden flex items-start gap-2 border-y border-line-strong" :class="full ? 'py-2' : 'sm:py-1'">
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
    <div class="mt-2 grid gap-x-6 sm:mt-3 gap-y-4 lg:grid-cols-[minmax(0,1fr)_15rem] print:block">
      <div class="min-w-0">
        <nav
          aria-label="Stages of the visit"
          class="print:hidden flex border-line max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-30 max-sm:border-t max-sm:bg-plaster-pale sm:mb-3 sm:gap-1 sm:border-b"
        >
          <NuxtLink
            v-for="s in STAGES"
            :key="s.name"
            :to="`/study/${id}/${s.name}`"
            class="flex min-h-11 items-center justify-center px-2.5 font-display font-semibold max-sm:flex-1 max-sm:border-t-3 max-sm:px-1 max-sm:text-center max-sm:text-sm max-sm:leading-4 sm:-mb-px sm:border-b-3 sm:px-4"
            :class="stage === s.name ? 'border-copper text-copper' : 'border-transparent text-ink-soft hover:text-ink'"
            :aria-current="stage === s.name ? 'page' : undefined"
            >{{ s.label }}</NuxtLink
          >
        </nav>
        <main id="work" class="max-lg:min-h-dvh" :aria-busy="onTheWay > 0">
          <NuxtPage :station="station" :chosen="chosen" />
        </main>
      </div>
      <RunningTotals id="totals" class="print:hidden lg:sticky lg:top-2 lg:self-start" />
    </div>
    <TotalsBar class="lg:hidden print:hidden" />
    <p v-if="years.lastMs" class="sr-only" data-last-ms>{{ Math.round(years.lastMs) }}</p>
  </div>
</template>
