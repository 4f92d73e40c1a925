<script setup lang="ts">
import { Play, Trash2 } from '@lucide/vue'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import { Line } from 'vue-chartjs'
import { useStudy } from '~/stores/study'
import { letterCharts } from '~/utils/charts'
import { type ClimbPoint, readClimb, steadyOf, writeClimb } from '~~/core/readings/climb'
import { parseQuantity } from '~~/core/units/parse'
import { fromMetric, unitOf } from '~~/core/units/quantities'

/**
 * A climb taken by the clock: the tap opens, and each temperature typed is put down at its second. It is drawn as it comes
 * and says when it stands. Only its start and its readings are kept, so that a locked screen or a reload loses nothing.
 */
letterCharts()
Chart.register(LinearScale, CategoryScale, PointElement, LineElement, Tooltip)
const props = defineProps<{ points: string }>()
const emit = defineEmits<{ change: [points: string] }>()
const table = useStudy()
const startedAt = useLocalStorage<number>('bagno-climb-start', 0)
const kept = useLocalStorage<string>('bagno-climb-points', '')
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 250)
const points = computed((): ClimbPoint[] => readClimb(props.points) ?? [])
const steady = computed(() => steadyOf(points.value))
const typed = ref('')
const error = ref('')
const unit = computed(() => unitOf('temperature', table.units.system))
const shown = (c: number) => fromMetric('temperature', table.units.system, c)

onMounted(() => {
  if (startedAt.value && kept.value && props.points === '') emit('change', kept.value)
})
function put(list: readonly ClimbPoint[]) {
  kept.value = writeClimb(list)
  emit('change', kept.value)
}
function start() {
  startedAt.value = now.value = Date.now()
  put([])
}
function drop() {
  startedAt.value = 0
  put([])
}
function add() {
  const c = parseQuantity('temperature', table.units.system, typed.value)
  if (c === null || c < 0 || c > 100)
    return void (error.value = `Reading: a temperature from ${table.units.temperature(0)} to ${table.units.temperature(100)}`)
  error.value = ''
  typed.value = ''
  const s = Math.round((Date.now() - startedAt.value) / 100) / 10
  put([...points.value.filter((p) => p.s < s), { s, c }])
}
const data = computed(() => ({
  datasets: [
    {
      label: 'Climb',
      data: points.value.map((p) => ({ x: p.s, y: shown(p.c) })),
      borderColor: '#8f4318',
      backgroundColor: '#8f4318',
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
    x: { type: 'linear' as const, title: { display: true, text: 'seconds from the opening of the tap' }, min: 0 },
    y: { type: 'linear' as const, title: { display: true, text: unit.value.label } },
  },
}))
</script>

<template>
  <div class="mt-2" role="group" aria-label="Timed readings">
    <button v-if="!startedAt" type="button" class="tool tool-main" @click="start">
      <Play :size="18" />Tap open: start
    </button>
    <form v-else class="flex flex-wrap items-end gap-2" @submit.prevent="add">
      <b class="w-20 pb-2 text-right text-lg" role="timer">{{ Math.max(0, (now - startedAt) / 1000).toFixed(0) }} s</b>
      <div>
        <label for="climb-reading" class="caption block">Reading now, {{ unit.label }}</label>
        <input
          id="climb-reading"
          v-model="typed"
          class="entry w-28!"
          inputmode="decimal"
          autocomplete="off"
          :aria-invalid="error !== ''"
        />
      </div>
      <button class="tool tool-main">Put it down</button>
      <button type="button" class="tool tool-bare" @click="drop"><Trash2 :size="16" />Begin again</button>
    </form>
    <p v-if="error" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
    <p class="mt-1 text-sm" aria-live="polite">
      <template v-if="points.length === 0">A reading every five to ten seconds; Enter puts it down.</template>
      <template v-else-if="steady === null">{{ points.length }} readings; still moving.</template>
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
