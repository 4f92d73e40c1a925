<script setup lang="ts">
import FindingMark from '~/components/findings/FindingMark.vue'
import { useClock } from '~/stores/clock'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import type { StationName } from '~/utils/stations'
import { waterColour } from '~/utils/temperature-ramp'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { FRAME_MIN } from '~~/core/year/traced-day'

/** The line of water in one row: each station with what it is at now and how many findings stand there, and the hour. */
defineProps<{ station: StationName | null }>()
const emit = defineEmits<{ open: [station: StationName, id: string] }>()
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const clock = useClock()
const units = computed(() => table.units)
const frame = computed(() => clock.frame)
const temp = (c: number | null | undefined) => (c === null || c === undefined ? '…' : units.value.temperature(c))
const marks = (at: StationName) => judgement.points.filter((f) => f.station === at).length
interface Shown {
  at: StationName
  name: string
  /** What it is at now, and before that whether it runs. */
  now: string
  runs?: string
  c: number | null
}
const stations = computed((): Shown[] => {
  const { plant, pipes } = years.house!
  const f = frame.value
  return [
    { at: 'main' as const, name: 'Main', now: temp(clock.day?.mainsC), c: clock.day?.mainsC ?? null },
    {
      at: 'heater' as const,
      name: 'Heater',
      now: f ? (f.heatKw > 0 ? units.value.figure('power', f.heatKw) : 'off') : '…',
      c: null,
    },
    ...(plant.store ? [{ at: 'store' as const, name: 'Cylinder', now: temp(f?.supplyC), c: f?.supplyC ?? null }] : []),
    ...(pipes.loop
      ? [
          {
            at: 'loop' as const,
            name: 'Circulation',
            runs: f ? (f.pumping ? 'runs' : 'off') : '',
            now: f ? temp(f.loopReturnC) : '…',
            c: f?.loopReturnC ?? null,
          },
        ]
      : []),
    { at: 'runs' as const, name: 'Runs', now: '', c: null },
    {
      at: 'taps' as const,
      name: 'Outlets',
      now: f ? (f.open.length ? `${f.open.length} open` : 'shut') : '…',
      c: null,
    },
    { at: 'people' as const, name: 'Occupants', now: String(years.house!.people.persons.length), c: null },
    { at: 'drain' as const, name: 'Drain', now: '', c: null },
    { at: 'prices' as const, name: 'Prices', now: '', c: null },
  ]
})
/** On a phone only what changes by the hour; all stations, and what stands out at them, are listed under Survey. */
/** Where there is mostly something found: room is kept for the count. */
const OFTEN = new Set<StationName>(['heater', 'store', 'loop', 'runs'])
const lives = (s: (typeof stations.value)[number]) => s.now !== '' && s.at !== 'people'
</script>

<template>
  <section aria-label="System diagram" class="grid grid-flow-col items-center sm:flex sm:flex-wrap sm:gap-x-1">
    <button
      v-for="s in stations"
      :key="s.at"
      class="min-h-11 min-w-0 items-center rounded border px-0.5 text-xs leading-4 hover:bg-plaster-deep max-sm:flex-col max-sm:justify-center sm:flex sm:gap-1 sm:px-1.5 sm:text-sm"
      :class="[
        station === s.at ? 'border-copper bg-white' : 'border-transparent',
        lives(s) || station === s.at ? 'flex' : 'hidden',
      ]"
      :aria-pressed="station === s.at"
      @click="emit('open', s.at, '')"
    >
      <i
        v-if="s.c !== null"
        class="inline-block size-3 rounded-full border border-ink max-sm:hidden"
        :style="{ background: waterColour(s.c) }"
        aria-hidden="true"
      />
      <span class="font-semibold text-copper">{{ s.name }}</span>
      <!-- Room for what is still on its way: nothing moves when it comes. -->
      <span v-if="s.at !== 'drain' && s.at !== 'prices'" class="max-sm:hidden" :class="{ 'min-w-5': OFTEN.has(s.at) }"
        ><FindingMark v-if="marks(s.at)" :count="marks(s.at)"
      /></span>
      <span
        v-if="s.now"
        class="whitespace-nowrap tabular-nums"
        :class="s.at === 'loop' ? 'sm:min-w-22' : s.at === 'people' ? '' : 'sm:min-w-13'"
      >
        <i
          v-if="s.c !== null"
          class="mr-1 inline-block size-2 rounded-full border border-ink sm:hidden"
          :style="{ background: waterColour(s.c) }"
          aria-hidden="true"
        /><span v-if="s.runs" class="max-sm:sr-only">{{ s.runs }}, </span>{{ s.now }}</span
      >
    </button>
    <label class="ml-auto flex min-h-11 min-w-32 flex-1 items-center gap-2 max-sm:hidden sm:max-w-72">
      <span class="text-sm whitespace-nowrap tabular-nums">{{ units.time(clock.minute) }}</span>
      <input
        v-model.number="clock.minute"
        type="range"
        min="0"
        :max="MINUTES_A_DAY - FRAME_MIN"
        :step="FRAME_MIN"
        class="w-full accent-copper"
        :aria-label="`Time of day, ${units.time(clock.minute)}`"
      />
    </label>
  </section>
</template>
