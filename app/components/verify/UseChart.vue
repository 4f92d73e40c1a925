<script setup lang="ts">
import { useBoxWidth } from '~/composables/useBoxWidth'
import { useStudy } from '~/stores/study'
import { dayNumber } from '~~/core/calendar/year'
import type { Meter } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'
import type { UsePeriod } from '~~/core/verification/periods'
import type { Verified } from '~~/core/verification/saving'
import { meteredText } from '~~/core/views/verified-words'

/** Use a day through the time compared: each period a bar as long as it lasted, the change a line. */
const props = defineProps<{ verified: Verified; meter: Meter }>()
const table = useStudy()
const box = ref<HTMLElement | null>(null)
const boxWidth = useBoxWidth(box)
/** As wide as where it stands, so that its words stay as large as others. */
const W = computed(() => Math.max(280, boxWidth.value || 720))
const H = 180
const LEFT = 8
const all = computed(() => [...props.verified.before, ...props.verified.after])
const from = computed(() => Math.min(...all.value.map((p) => dayNumber(p.from))))
const to = computed(() => Math.max(...all.value.map((p) => dayNumber(p.to))))
const most = computed(() => Math.max(1e-9, ...all.value.map((p) => p.perDay)))
const x = (day: string) =>
  LEFT + ((dayNumber(day) - from.value) / Math.max(1, to.value - from.value)) * (W.value - 2 * LEFT)
const y = (perDay: number) => 18 + (1 - perDay / most.value) * (H - 42)
const isAfter = (p: UsePeriod) => p.from >= props.verified.splitOn
</script>

<template>
  <div ref="box">
    <svg
      v-if="all.length"
      :viewBox="`0 0 ${W} ${H}`"
      class="block w-full"
      role="img"
      :aria-label="`Use a day from ${writeDay(all[0]!.from, table.units.system)} to ${writeDay(all.at(-1)!.to, table.units.system)}; the table below has the figures`"
    >
      <path :d="`M${LEFT} ${y(0)}H${W - LEFT}`" stroke="var(--color-ink)" />
      <path
        v-for="p in all"
        :key="p.from"
        :d="`M${x(p.from)} ${y(p.perDay)}H${x(p.to)}`"
        :stroke="isAfter(p) ? 'var(--color-verdigris)' : 'var(--color-copper)'"
        stroke-width="4"
      />
      <path
        v-if="verified.before.length && verified.after.length"
        :d="`M${x(verified.splitOn)} 14V${y(0)}`"
        stroke="var(--color-ink)"
        stroke-dasharray="4 4"
      />
      <text :x="LEFT" y="12" font-size="13" fill="var(--color-ink-soft)">
        {{ meteredText(meter, most, table.units) }} a day
      </text>
      <text :x="LEFT" :y="H - 6" font-size="13" fill="var(--color-copper)">before</text>
      <text :x="W - LEFT" :y="H - 6" font-size="13" text-anchor="end" fill="var(--color-verdigris)">after</text>
    </svg>
  </div>
</template>
