<script setup lang="ts">
import { Chart, Legend, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import zoom from 'chartjs-plugin-zoom'
import { Line } from 'vue-chartjs'
import TimeField from '~/components/fields/TimeField.vue'
import { useInks } from '~/composables/useInks'
import { useStudy } from '~/stores/study'
import { letterCharts } from '~/utils/charts'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { wordsOf } from '~~/core/study/words-of'
import { fromMetric, unitOf } from '~~/core/units/quantities'
import { type DayTrace } from '~~/core/year/trace'

/** Traces of a day: what leaves the plant, the store, the return and the fire; zoomed by drag, wheel or by typed hours. */
const props = defineProps<{ now: DayTrace; found: DayTrace | null; minute: number }>()
letterCharts()
const ink = useInks()
Chart.register(LineElement, PointElement, LinearScale, Legend, Tooltip, zoom)
const table = useStudy()
const units = computed(() => table.units)
const words = computed(() => wordsOf(table.study!))
const from = ref(0)
const to = ref(MINUTES_A_DAY)
const shown = (c: number) => Number(units.value.figure('temperature', c, 1).split(' ')[0]!.replace('−', '-'))
const line = (label: string, colour: string, points: [number, number][], more: object = {}) => ({
  label: words.value(label),
  data: points.map(([x, y]) => ({ x, y })),
  borderColor: colour,
  backgroundColor: colour,
  borderWidth: 1.5,
  pointRadius: 0,
  ...more,
})
const data = computed(() => {
  const f = props.now.frames
  const t = (of: (frame: (typeof f)[number]) => number | null) =>
    f.flatMap((x): [number, number][] => {
      const c = of(x)
      return c === null ? [] : [[x.minute, shown(c)]]
    })
  return {
    datasets: [
      line(
        'supply temperature',
        ink.value.copper,
        t((x) => x.supplyC),
      ),
      ...(f[0]?.slices.length
        ? [
            line(
              'cylinder, middle',
              ink.value['copper-deep'],
              t((x) => x.slices[5]!),
            ),
            line(
              'cylinder, bottom',
              ink.value['line-strong'],
              t((x) => x.slices[0]!),
            ),
          ]
        : []),
      ...(f[0] && f[0].loopReturnC !== null
        ? [
            line(
              'secondary return',
              ink.value.verdigris,
              t((x) => x.loopReturnC),
            ),
          ]
        : []),
      line(
        `heat output, ${unitOf('power', units.value.system).label}`,
        ink.value.ink,
        f.map((x): [number, number] => [x.minute, fromMetric('power', units.value.system, x.heatKw)]),
        { yAxisID: 'kw', borderWidth: 1 },
      ),
      ...(props.found
        ? [
            line(
              'supply temperature, as found',
              ink.value.copper,
              props.found.frames.map((x): [number, number] => [x.minute, shown(x.supplyC)]),
              { borderDash: [5, 4] },
            ),
          ]
        : []),
    ],
  }
})
const options = computed(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false as const,
  parsing: false as const,
  interaction: { mode: 'nearest' as const, axis: 'x' as const, intersect: false },
  plugins: {
    legend: { align: 'start' as const, labels: { boxWidth: 14, color: ink.value.ink } },
    zoom: {
      zoom: {
        drag: { enabled: true, backgroundColor: 'rgb(192 115 56 / 0.2)' },
        wheel: { enabled: true },
        mode: 'x' as const,
        onZoomComplete: ({ chart }: { chart: Chart }) => {
          from.value = Math.max(0, Math.round(chart.scales.x!.min))
          to.value = Math.min(MINUTES_A_DAY, Math.round(chart.scales.x!.max))
        },
      },
      limits: { x: { min: 0, max: MINUTES_A_DAY, minRange: 20 } },
    },
    tooltip: {
      callbacks: { title: (all: { parsed: { x: number | null } }[]) => units.value.time(all[0]?.parsed.x ?? 0) },
    },
  },
  scales: {
    x: {
      type: 'linear' as const,
      min: from.value,
      max: to.value,
      grid: { color: ink.value.line },
      ticks: {
        color: ink.value['ink-soft'],
        stepSize: to.value - from.value > 400 ? 180 : 30,
        callback: (v: string | number) => units.value.time(Number(v) % MINUTES_A_DAY),
      },
    },
    y: {
      title: { display: true, text: units.value.system === 'us' ? '°F' : '°C' },
      grid: { color: ink.value.line },
      ticks: { color: ink.value['ink-soft'] },
    },
    kw: {
      position: 'right' as const,
      beginAtZero: true,
      title: { display: true, text: unitOf('power', units.value.system).label },
      grid: { display: false },
      ticks: { color: ink.value['ink-soft'] },
    },
  },
}))
</script>

<template>
  <div>
    <div class="flex flex-wrap items-end gap-2">
      <h3 class="mr-auto text-base">Traces of the day</h3>
      <span class="caption">from</span>
      <TimeField
        label="Chart from"
        :value="from"
        :max="MINUTES_A_DAY - 20"
        @change="(v) => (from = Math.min(v, to - 20))"
      />
      <span class="caption">to</span>
      <TimeField label="Chart to" :value="to" :min="20" @change="(v) => (to = Math.max(v, from + 20))" />
      <button class="tool" @click="((from = 0), (to = MINUTES_A_DAY))">Whole day</button>
    </div>
    <div class="h-72">
      <Line
        :data="data"
        :options="options"
        aria-label="Temperatures and heat output through the day; the figures are in the CSV file"
        role="img"
      />
    </div>
  </div>
</template>
