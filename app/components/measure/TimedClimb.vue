<script setup lang="ts">
import { Play, Trash2 } from '@lucide/vue'
import { useIntervalFn } from '@vueuse/core'
import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import { Line } from 'vue-chartjs'
import { useInks } from '~/composables/useInks'
import { useTyped } from '~/composables/useTyped'
import { useStudy } from '~/stores/study'
import { letterCharts } from '~/utils/charts'
import { secondsSince, type Started, startedNow } from '~/utils/started'
import { type ClimbPoint, readClimb, steadyOf, writeClimb } from '~~/core/readings/climb'
import { wordsOf } from '~~/core/study/words-of'
import { parseQuantity } from '~~/core/units/parse'
import { fromMetric, unitOf } from '~~/core/units/quantities'

/**
 * A climb taken by the clock: the tap opens, and each temperature typed is put down at its second. It is drawn as it comes
 * and says when it stands. Its start and its readings are kept with the reading, so that a locked screen or a reload loses
 * nothing and another household has a climb of its own.
 */
letterCharts()
const ink = useInks()
Chart.register(LinearScale, CategoryScale, PointElement, LineElement, Tooltip)
const props = defineProps<{ points: string; started: Started | null }>()
const emit = defineEmits<{ change: [points: string]; start: [started: Started | null] }>()
const table = useStudy()
const seconds = ref(0)
const elapsedS = () => (props.started ? secondsSince(props.started, points.value.at(-1)?.s) : 0)
useIntervalFn(() => (seconds.value = elapsedS()), 250)
const points = computed((): ClimbPoint[] => readClimb(props.points) ?? [])
const steady = computed(() => steadyOf(points.value))
const { typed } = useTyped(
  () => 'Reading now',
  () => null,
  () => {},
)
const error = ref('')
const words = computed(() => wordsOf(table.study!))
const unit = computed(() => unitOf('temperature', table.units.system))
const shown = (c: number) => fromMetric('temperature', table.units.system, c)

const put = (list: readonly ClimbPoint[]) => emit('change', writeClimb(list))
function begin(at: Started | null) {
  seconds.value = 0
  emit('start', at)
  put([])
}
function add() {
  const c = parseQuantity('temperature', table.units.system, typed.value ?? '')
  if (c === null || c < 0 || c > 100)
    return void (error.value = `Reading: accepts ${table.units.temperature(0)} to ${table.units.temperature(100)}`)
  error.value = ''
  typed.value = null
  const s = Math.round(elapsedS() * 10) / 10
  put([...points.value.filter((p) => p.s < s), { s, c }])
}
const data = computed(() => ({
  datasets: [
    {
      label: 'Temperature rise',
      data: points.value.map((p) => ({ x: p.s, y: shown(p.c) })),
      borderColor: ink.value.copper,
      backgroundColor: ink.value.copper,
      pointRadius: 4,
      tension: 0,
    },
  ],
}))
const options = computed(() => ({
  animation: false as const,
  responsive: true,
  maintainAspectRatio: false,
  plugins: { legend: { display: false } },
  scales: {
    x: {
      type: 'linear' as const,
      grid: { color: ink.value.line },
      ticks: { color: ink.value['ink-soft'] },
      title: { display: true, text: words.value('seconds after opening the outlet') },
      min: 0,
    },
    y: {
      type: 'linear' as const,
      grid: { color: ink.value.line },
      ticks: { color: ink.value['ink-soft'] },
      title: { display: true, text: unit.value.label },
    },
  },
}))
</script>

<template>
  <div class="mt-2" role="group" aria-label="Timed readings">
    <button v-if="!started" type="button" class="tool tool-main" @click="begin(startedNow())">
      <Play :size="18" />Outlet open: start
    </button>
    <form v-else class="flex flex-wrap items-end gap-2" @submit.prevent="add">
      <b class="w-20 pb-2 text-right text-lg" role="timer">{{ seconds.toFixed(0) }} s</b>
      <div>
        <label for="climb-reading" class="caption block">Reading now, {{ unit.label }}</label>
        <input
          id="climb-reading"
          class="entry w-28!"
          :value="typed ?? ''"
          @input="typed = ($event.target as HTMLInputElement).value"
          inputmode="decimal"
          autocomplete="off"
          :aria-invalid="error !== ''"
        />
      </div>
      <button class="tool tool-main">Record</button>
      <button type="button" class="tool tool-bare" @click="begin(null)"><Trash2 :size="16" />Restart</button>
    </form>
    <p v-if="error" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
    <p class="mt-1 text-sm" aria-live="polite">
      <template v-if="points.length === 0">One reading every 5 to 10 s. Enter records it.</template>
      <template v-else-if="steady === null">{{ points.length }} readings; not steady yet.</template>
      <b v-else class="text-verdigris">Steady at {{ table.units.temperature(steady) }}.</b>
    </p>
    <div
      v-if="points.length > 1"
      class="mt-2 h-44"
      role="img"
      :aria-label="`Climb: ${points.map((p) => `${p.s} s ${table.units.temperature(p.c)}`).join(', ')}`"
    >
      <Line :data="data" :options="options" />
    </div>
  </div>
</template>
