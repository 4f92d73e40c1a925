<script setup lang="ts">
import { useBoxWidth } from '~/composables/useBoxWidth'
import { useStudy } from '~/stores/study'
import { bandPath, bandRole, heatBands, isEnd } from '~~/core/views/heat-bands'
import { heatFlow } from '~~/core/year/account/heat-flow'
import { houseHeatSentence } from '~~/core/year/account/house-heat'
import { cameInKwh } from '~~/core/year/account/where-it-goes'
import type { YearResult } from '~~/core/year/result'

/** The ledger of a year as bands as wide as their heat; both years are drawn to the scale of the larger. */
const props = defineProps<{ year: Year; scaleTo: Year }>()
type Year = Pick<YearResult, 'energy' | 'pump'>

const table = useStudy()
const units = computed(() => table.units)
const credited = computed(() => table.study!.prices.creditHouseHeat)
const box = ref<HTMLElement | null>(null)
const boxWidth = useBoxWidth(box)
const narrow = computed(() => boxWidth.value > 0 && boxWidth.value < 560)
const W = computed(() => (narrow.value ? 380 : 820))
const COLOURS = {
  bought: 'var(--color-ink)',
  free: 'var(--color-verdigris)',
  passes: 'var(--color-copper)',
  lost: 'var(--color-line-strong)',
  useful: 'var(--color-verdigris)',
}

const graph = computed(() => heatBands(props.year, props.scaleTo, { width: W.value, labels: narrow.value ? 128 : 200 }))
const height = computed(() => Math.max(...graph.value.nodes.map((n) => n.y1 ?? 0)) + 24)
const total = computed(() => cameInKwh(props.year))
const share = (kwh: number) => `${Math.round((100 * kwh) / total.value)}%`
</script>

<template>
  <div ref="box">
    <svg
      :viewBox="`0 0 ${W} ${height}`"
      class="mt-2 block w-full"
      role="img"
      :aria-label="`Heat flow of ${units.energy(total)} input; the table below has the figures`"
    >
      <path
        v-for="(l, i) in graph.links"
        :key="i"
        :d="bandPath(l) ?? ''"
        fill="none"
        :stroke="COLOURS[bandRole(l)]"
        :stroke-width="Math.max(1, l.width ?? 0)"
        stroke-opacity="0.35"
      />
      <g v-for="n in graph.nodes" :key="n.id">
        <rect
          :x="n.x0"
          :y="n.y0"
          :width="(n.x1 ?? 0) - (n.x0 ?? 0)"
          :height="Math.max(1.5, (n.y1 ?? 0) - (n.y0 ?? 0))"
          :fill="COLOURS[n.role]"
        />
        <text
          v-if="isEnd(n)"
          :x="(n.x1 ?? 0) + 6"
          :y="((n.y0 ?? 0) + (n.y1 ?? 0)) / 2 - 1"
          font-size="13"
          fill="var(--color-ink)"
        >
          <tspan font-weight="600">{{ n.name }}</tspan>
          <tspan :x="(n.x1 ?? 0) + 6" dy="14" fill="var(--color-ink-soft)">
            {{ units.energy(n.value ?? 0) }}, {{ share(n.value ?? 0) }}
          </tspan>
        </text>
        <text
          v-else-if="!narrow || n.role === 'bought' || n.role === 'free'"
          :x="n.x0"
          :y="(n.y0 ?? 0) - 4"
          font-size="13"
          fill="var(--color-ink)"
        >
          <tspan font-weight="600">{{ n.name }}</tspan>
          {{ units.energy(n.value ?? 0) }}
        </text>
      </g>
    </svg>
    <p class="caption" data-house-heat>{{ houseHeatSentence(year.energy, credited, units) }}</p>
    <details>
      <summary class="min-h-11 py-2 text-sm">Show as a table</summary>
      <table class="w-full max-w-md text-sm">
        <tbody>
          <tr v-for="l in heatFlow(year).links" :key="l.from + l.to" class="border-b border-line">
            <th class="py-1 text-left font-normal">{{ graph.nodes.find((n) => n.id === l.to)?.name }}</th>
            <td class="text-right">{{ units.energy(l.kwh) }}</td>
            <td class="text-right">{{ share(l.kwh) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>
