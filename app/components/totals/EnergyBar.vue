<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { ENERGY_GOES, type EnergyGoes, energyGoes } from '~~/core/year/account/where-it-goes'
import type { YearResult } from '~~/core/year/result'

/**
 * Where a year's energy goes, as one bar with its parts named; with another year to compare with, what changed in each. Before there is a year
 * the parts that this household can have stand without figures, so that nothing moves when they come.
 */
const props = defineProps<{ year: YearResult | null; from?: YearResult | null; as?: 'list' | 'row' | 'bar' }>()
const table = useStudy()
const units = computed(() => table.units)
type Part = keyof EnergyGoes
const LOOK: Record<Part, string> = {
  useful: 'bg-verdigris',
  runs: 'bg-copper-pale',
  loop: 'bg-copper',
  standing: 'bg-line-strong',
  conversion: 'bg-ink',
}
interface Shown {
  part: Part
  name: string
  /** Null: not known yet. */
  kwh: number | null
  by: number
  share: number
}
const parts = computed((): Shown[] => {
  if (!props.year) {
    const { pipes, plant } = table.study ?? {}
    return (Object.keys(ENERGY_GOES) as Part[])
      .filter((part) => (part === 'loop' ? pipes?.loop : part === 'standing' ? plant?.store : true))
      .map((part) => ({ part, name: ENERGY_GOES[part], kwh: null, by: 0, share: 0 }))
  }
  const now = energyGoes(props.year)
  const before = props.from ? energyGoes(props.from) : null
  const all = (Object.keys(ENERGY_GOES) as Part[]).map((part) => ({
    part,
    name: ENERGY_GOES[part],
    kwh: Math.max(0, now[part]),
    by: before ? now[part] - before[part] : 0,
  }))
  const total = all.reduce((sum, p) => sum + p.kwh, 0)
  return all
    .map((p) => ({ ...p, share: total > 0 ? (100 * p.kwh) / total : 0 }))
    .filter((p) => p.share >= 0.05 || Math.abs(p.by) >= 0.5)
})
const said = computed(
  () =>
    `Where the energy goes: ${props.year ? parts.value.map((p) => `${p.name} ${Math.round(p.share)}%, ${units.value.energy(p.kwh ?? 0)}`).join('; ') : 'simulating'}`,
)
const change = (by: number) => {
  const text = units.value.energy(Math.abs(by))
  return text === units.value.energy(0) ? '' : `${by < 0 ? '−' : '+'}${text}`
}
</script>

<template>
  <div data-energy-bar>
    <div
      class="flex h-5 w-full overflow-hidden border border-ink bg-plaster-pale"
      :class="{ 'h-2! border-x-0!': as === 'bar' }"
      role="img"
      :aria-label="said"
    >
      <span
        v-for="p in parts"
        :key="p.part"
        class="h-full border-r border-plaster-pale last:border-r-0"
        :class="LOOK[p.part]"
        :style="{ width: `${p.share}%` }"
      />
    </div>
    <ul v-if="as === 'row'" class="mt-1 flex flex-wrap gap-x-4 text-sm" aria-hidden="true">
      <li v-for="p in parts" :key="p.part" class="flex items-center gap-1.5 whitespace-nowrap">
        <i class="inline-block size-2.5 border border-ink" :class="LOOK[p.part]" />{{ p.name }}
        {{ Math.round(p.share) }}%
      </li>
    </ul>
    <ul v-else-if="as !== 'bar'" class="mt-1">
      <li
        v-for="p in parts"
        :key="p.part"
        class="flex flex-wrap items-baseline justify-end gap-x-1.5 text-sm"
        :data-goes="p.part"
      >
        <i
          class="inline-block size-2.5 shrink-0 self-center border border-ink"
          :class="LOOK[p.part]"
          aria-hidden="true"
        />
        <span class="min-w-fit flex-1">{{ p.name }}</span>
        <span class="flex items-baseline gap-x-1.5">
          <span
            v-if="from && change(p.by)"
            class="caption whitespace-nowrap"
            :class="p.part === 'useful' ? '' : p.by < 0 ? 'text-verdigris!' : 'text-alarm!'"
            >{{ change(p.by) }}</span
          >
          <span class="whitespace-nowrap">{{ p.kwh === null ? '…' : units.energy(p.kwh) }}</span>
          <span v-if="!from" class="caption w-9 text-right">{{ p.kwh === null ? '' : `${Math.round(p.share)}%` }}</span>
        </span>
      </li>
    </ul>
  </div>
</template>
