<script setup lang="ts">
import { Check, TriangleAlert } from '@lucide/vue'
import { agrees, type Verdict } from '~~/core/readings/reading-kind'

/** Whether a reading agrees with the study, and what would explain it when not. */
const props = defineProps<{ verdict: Verdict }>()
const table = useStudy()
const ok = computed(() => agrees(props.verdict))
const write = (x: number) => {
  const { quantity, unit, decimals } = props.verdict.figure
  return quantity ? table.units.figure(quantity, x, decimals) : `${x.toFixed(decimals ?? 2)} ${unit ?? ''}`
}
/** A difference has no zero point of its own. */
const difference = (x: number) => {
  const { quantity, decimals } = props.verdict.figure
  return quantity === 'temperature'
    ? table.units.figure('rise', x)
    : quantity
      ? table.units.figure(quantity, x, decimals)
      : write(x)
}
</script>

<template>
  <div class="mt-2 flex gap-2 border-l-4 py-1 pl-2" :class="ok ? 'border-verdigris' : 'border-alarm'" data-verdict>
    <component
      :is="ok ? Check : TriangleAlert"
      :size="20"
      class="mt-0.5 shrink-0"
      :class="ok ? 'text-verdigris' : 'text-alarm'"
    />
    <p class="text-sm">
      <b>{{ verdict.figure.label }}</b>: read {{ write(verdict.measured) }}, by the study {{ write(verdict.modelled) }}.
      <template v-if="ok">They agree within {{ difference(verdict.uncertainty) }}.</template>
      <template v-else
        >Off by {{ difference(Math.abs(verdict.measured - verdict.modelled)) }}, more than the
        {{ difference(verdict.uncertainty) }} the reading is good to. Likely because
        {{ verdict.likely.join(', or ') }}.</template
      >
    </p>
  </div>
</template>
