<script setup lang="ts">
import { Pause, Play } from '@lucide/vue'
import { useIntervalFn, usePreferredReducedMotion } from '@vueuse/core'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DayField from '~/components/fields/DayField.vue'
import PipeTree from '~/components/water/PipeTree.vue'
import StoreTank from '~/components/water/StoreTank.vue'
import { useClock } from '~/stores/clock'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { lazy } from '~/utils/lazy'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { dateOf } from '~~/core/calendar/names'
import { clock as clockText, DAY_NAMES } from '~~/core/calendar/week'
import { wantedAt } from '~~/core/household/lookups'
import { asFound } from '~~/core/study/in-force'
import { poorDays, specialDays } from '~~/core/year/special-days'
import { dayCsv, type DayTrace, LATE_IN_WORDS, lateDraws, LEAD_DAYS } from '~~/core/year/trace'
import { FRAME_MIN } from '~~/core/year/traced-day'
const LazyDayChart = lazy(() => import('~/components/set/DayChart.vue'))

/** Any day of the year, watched: what stands in store and pipes, what each tap would give, and the money as it runs. */
const table = useStudy()
const years = useYears()
const clock = useClock()
const units = computed(() => table.units)
const study = computed(() => table.study!)
/** Day of the year, 1 to 365. */
const day = ref(15)
const minute = ref(6 * 60 + 30)
const now = shallowRef<DayTrace | null>(null)
const found = shallowRef<DayTrace | null>(null)
const changed = computed(() => study.value.controls.set !== null)
const busy = ref(false)
let batch = 0
watch(
  [study, day],
  async ([s, d]) => {
    const mine = ++batch
    const stale = () => mine !== batch
    busy.value = true
    const at = Math.max(LEAD_DAYS, d - 1)
    const [set, before] = await Promise.all([
      clock.traced(s, at, stale),
      changed.value ? clock.traced(asFound(s), at, stale) : null,
    ])
    if (stale()) return
    busy.value = false
    if (set) now.value = set
    found.value = before
  },
  { immediate: true },
)
onUnmounted(() => batch++)
const special = computed(() => specialDays(study.value, years.now, LEAD_DAYS))
const WORST = 'Worst morning'
const jumps = computed(() =>
  [
    [WORST, special.value.worstMorning],
    ['Mid-winter day', special.value.coldest],
    ['First day after absence', special.value.homecoming],
  ]
    .map(([name, at]) => ({ name: name as string, at: at as number | null }))
    // What the year has to tell keeps its place until it does.
    .filter(({ name, at }) => at !== null || (name === WORST && !years.now)),
)
const poor = computed(() => (years.now ? poorDays(years.now, LEAD_DAYS) : []))
const shortfall = computed(() => {
  if (!years.now) return '…'
  return poor.value.length === 0 ? 'none' : poor.value.length === 1 ? 'single day' : `${poor.value.length} days`
})
const poorChoices = computed(() => [
  { value: -1, name: shortfall.value },
  ...poor.value.map((p) => ({ value: p.day, name: `${dateOf(p.day)}: ${p.why}` })),
])
const frameOf = (trace: DayTrace | null) =>
  trace?.frames[Math.min(trace.frames.length - 1, Math.floor(minute.value / FRAME_MIN))] ?? null
const frame = computed(() => frameOf(now.value))
const before = computed(() => frameOf(found.value))
/** Which of the two houses is drawn. */
const shown = ref<'now' | 'found'>('now')
const drawn = computed(() => (shown.value === 'found' && before.value ? before.value : frame.value))
const motion = usePreferredReducedMotion()
const { isActive, pause, resume } = useIntervalFn(
  () => (minute.value = (minute.value + FRAME_MIN) % MINUTES_A_DAY),
  60,
  { immediate: false },
)
const taps = computed(() =>
  study.value.pipes.taps.map((t) => ({
    ...t,
    c: drawn.value?.taps[t.id] ?? null,
    requiredC: wantedAt(study.value, t.id),
    open: drawn.value?.open.includes(t.id) ?? false,
  })),
)
/** Moments at which a timer is judged: in the evening, before it opens again, and at the coolest. */
const topAt = (trace: DayTrace | null, at: number) => trace?.frames[Math.floor(at / FRAME_MIN)]?.supplyC ?? null
const restart = computed(() => {
  const weekday = now.value?.weekday ?? 0
  const starts = Object.values(table.controls!.heaters).flatMap(
    (h) => h.schedule?.[weekday]?.map((w) => w.fromMin) ?? [],
  )
  const first = starts.filter((m) => m > 0).sort((a, b) => a - b)[0]
  return first === undefined ? null : Math.max(0, first - FRAME_MIN)
})
const moments = computed(() =>
  [
    ['Evening, 22:00', 22 * 60],
    ['Before its on period', restart.value],
  ].filter((m): m is [string, number] => m[1] !== null),
)
function exportCsv() {
  if (!now.value) return
  const url = URL.createObjectURL(new Blob([dayCsv(now.value, study.value)], { type: 'text/csv' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${study.value.id}-day-${now.value.day}.csv`
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}
const late = computed(() => (now.value ? lateDraws(now.value) : []))
const tapName = (id: string) => study.value.pipes.taps.find((t) => t.id === id)?.name ?? id
</script>

<template>
  <section aria-label="Day view">
    <div class="flex flex-wrap items-end gap-2">
      <DayField :value="day" @change="(d) => (day = d)" />
      <button
        v-for="{ name, at } in jumps"
        :key="name"
        class="tool"
        :disabled="at === null"
        :aria-pressed="at !== null && day === at + 1"
        @click="at !== null && (day = at + 1)"
      >
        {{ name }}
      </button>
      <ChoiceField
        class="w-60"
        label="Days with shortfall"
        :value="poor.some((p) => p.day === day - 1) ? day - 1 : -1"
        :choices="poorChoices"
        @change="(d) => d >= 0 && (day = d + 1)"
      />
      <button class="tool ml-auto" :disabled="!now" @click="exportCsv">CSV</button>
    </div>
    <p v-if="!now" class="py-4 text-ink-soft" role="status">
      {{ busy ? 'Simulating the day…' : 'This day could not be simulated.' }}
    </p>
    <template v-else>
      <p class="mt-2" role="status">
        <b>{{ DAY_NAMES[now.weekday] }}, {{ dateOf(now.day - 1) }}</b
        >, cold main {{ units.temperature(now.mainsC) }}, {{ now.draws.length }} draw-offs, {{ late.length }} of them
        {{ LATE_IN_WORDS }}<template v-if="busy">; updating…</template>
      </p>
      <div class="mt-2 flex items-center gap-2">
        <button
          v-if="motion !== 'reduce'"
          class="tool px-2"
          :aria-label="isActive ? 'Pause' : 'Play'"
          @click="isActive ? pause() : resume()"
        >
          <Pause v-if="isActive" :size="18" /><Play v-else :size="18" />
        </button>
        <input
          v-model.number="minute"
          type="range"
          min="0"
          :max="MINUTES_A_DAY - FRAME_MIN"
          :step="FRAME_MIN"
          class="h-11 w-full accent-copper"
          aria-label="Time of day"
          :aria-valuetext="clockText(minute)"
          data-scrub
        />
        <b class="w-20 text-right text-xl tabular-nums">{{ units.time(minute) }}</b>
      </div>
      <div class="flex flex-wrap gap-x-6 gap-y-1 text-sm">
        <p>
          Heater <b>{{ drawn && drawn.heatKw > 0 ? units.figure('power', drawn.heatKw) : 'off' }}</b>
        </p>
        <p v-if="study.pipes.loop">
          Pump <b>{{ drawn?.pumping ? 'runs' : 'off' }}</b>, return
          <b>{{ drawn?.loopReturnC == null ? '…' : units.temperature(drawn.loopReturnC) }}</b>
        </p>
        <p>
          Energy since midnight <b>{{ drawn ? units.money(drawn.money) : '…' }}</b><template v-if="before && frame">
            ({{ shown === 'now' ? 'as found' : 'as set' }}
            {{ units.money((shown === 'now' ? before : frame).money) }})</template
          >
        </p>
        <div v-if="found" role="radiogroup" aria-label="Show" class="ml-auto inline-flex">
          <button
            v-for="v in ['now', 'found'] as const"
            :key="v"
            role="radio"
            :aria-checked="shown === v"
            class="min-h-11 border border-line-strong px-3"
            :class="shown === v ? 'bg-copper text-white' : 'bg-plaster-pale'"
            @click="shown = v"
          >
            {{ v === 'now' ? 'As set' : 'As found' }}
          </button>
        </div>
      </div>
      <div class="mt-2 flex items-start gap-4">
        <StoreTank
          v-if="drawn?.slices.length"
          class="h-44! w-20! shrink-0"
          :slices="drawn.slices"
          label="Cylinder, ten layers"
        />
        <div class="min-w-0 flex-1"><PipeTree :study="study" :frame="drawn" /></div>
      </div>
      <ul class="mt-2 grid gap-x-6 sm:grid-cols-2" aria-label="Outlets">
        <li v-for="t in taps" :key="t.id" class="flex items-center gap-2 border-b border-line py-1">
          <span class="min-w-0 flex-1 truncate" :class="{ 'font-semibold text-copper': t.open }"
            >{{ t.name }}{{ t.open ? ', open' : '' }}</span
          >
          <span class="tabular-nums">{{ t.c === null ? '…' : units.temperature(t.c) }}</span>
          <span class="caption w-32 text-right">{{
            t.requiredC === null
              ? 'no use'
              : t.c !== null && t.c < t.requiredC - 2
                ? `waiting for ${units.temperature(t.requiredC)}`
                : `has ${units.temperature(t.requiredC)}`
          }}</span>
        </li>
      </ul>
      <table v-if="moments.length && study.plant.store" class="mt-3 w-full max-w-xl text-sm">
        <thead>
          <tr class="border-b border-ink text-left">
            <th scope="col">Supply temperature</th>
            <th scope="col" class="text-right">{{ changed ? 'as set' : 'as found' }}</th>
            <th v-if="found" scope="col" class="text-right">as found</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[name, at] in moments" :key="name" class="border-b border-line">
            <th scope="row" class="py-1 text-left font-normal">{{ name }}</th>
            <td class="text-right">{{ topAt(now, at) === null ? '…' : units.temperature(topAt(now, at)!) }}</td>
            <td v-if="found" class="text-right">
              {{ topAt(found, at) === null ? '…' : units.temperature(topAt(found, at)!) }}
            </td>
          </tr>
        </tbody>
      </table>
      <LazyDayChart class="mt-4" :now="now" :found="found" :minute="minute" />
      <details v-if="late.length" class="mt-2">
        <summary class="min-h-11 py-2">Draw-offs that were cool or late</summary>
        <ul>
          <li v-for="(d, i) in late" :key="i">
            {{ units.time(Math.floor(d.atMin)) }} {{ tapName(d.tapId) }}: {{ units.seconds(d.waitedS)
            }}{{ d.cool ? ', below required temperature' : '' }}
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>
