<script setup lang="ts">
import { BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js'
import { Bar } from 'vue-chartjs'
import { useInks } from '~/composables/useInks'
import { useStudy } from '~/stores/study'
import { letterCharts } from '~/utils/charts'
import { MONTHS } from '~~/core/calendar/names'
import type { YearResult } from '~~/core/year/result'

/** Cost month by month, as found and with the package. */
const props = defineProps<{ found: YearResult; after: YearResult; name: string }>()
letterCharts()
const ink = useInks()
Chart.register(BarElement, CategoryScale, LinearScale, Legend, Tooltip)

const units = computed(() => useStudy().units)
const data = computed(() => ({
  labels: MONTHS,
  datasets: [
    { label: 'As found', data: props.found.months.map((m) => m.cost.total), backgroundColor: ink.value['line-strong'] },
    { label: props.name, data: props.after.months.map((m) => m.cost.total), backgroundColor: ink.value.verdigris },
  ],
}))
const options = computed(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false as const,
  plugins: {
    legend: { align: 'start' as const, labels: { boxWidth: 14, color: ink.value.ink } },
    tooltip: {
      callbacks: {
        label: (c: { dataset: { label?: string }; raw: unknown }) =>
          `${c.dataset.label}: ${units.value.money(c.raw as number)}`,
      },
    },
  },
  scales: {
    x: { grid: { display: false }, ticks: { color: ink.value['ink-soft'] } },
    y: {
      beginAtZero: true,
      grid: { color: ink.value.line },
      ticks: {
        color: ink.value['ink-soft'],
        callback: (v: string | number) => units.value.money(Number(v)).replace(/[.,]00$/, ''),
      },
    },
  },
}))
</script>

<template>
  <div>
    <p class="caption">Cost per month: energy, standing charges and water</p>
    <div class="h-64">
      <Bar :data="data" :options="options" aria-label="Cost by month, as found and with the package" role="img" />
    </div>
    <details>
      <summary class="min-h-11 py-2 text-sm">Show as a table</summary>
      <table class="w-full max-w-md text-sm">
        <thead>
          <tr>
            <th class="text-left">Month</th>
            <th class="text-right">As found</th>
            <th class="text-right">{{ name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(m, i) in MONTHS" :key="m" class="border-b border-line">
            <th class="py-1 text-left font-normal">{{ m }}</th>
            <td class="text-right">{{ units.money(found.months[i]!.cost.total) }}</td>
            <td class="text-right">{{ units.money(after.months[i]!.cost.total) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>
