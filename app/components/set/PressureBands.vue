<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { COLD_BAR } from '~~/core/readings/heating-readings'
import type { PressureCircuit } from '~~/core/study/heating'

/** The gauge of a circuit as a bar: lock-out, warning, the cold band, relief, and what was read. */
const props = defineProps<{ circuit: PressureCircuit; name: string; usual: boolean }>()
const table = useStudy()
const top = computed(
  () => 1.12 * Math.max(3, props.circuit.reliefBar ?? 0, props.circuit.hotBar ?? 0, props.circuit.coldBar ?? 0),
)
const at = (bar: number) => `${(bar / top.value) * 100}%`
const bar = (x: number) => table.units.figure('pressure', x, 1)
const levels = computed(() =>
  [
    { name: 'locks out', bar: props.circuit.lockoutBar },
    { name: 'warns', bar: props.circuit.warnBar },
    { name: 'relief', bar: props.circuit.reliefBar },
  ].filter((l): l is { name: string; bar: number } => l.bar !== null),
)
const read = computed(() =>
  [
    { name: 'cold', bar: props.circuit.coldBar },
    { name: 'hot', bar: props.circuit.hotBar },
  ].filter((l): l is { name: string; bar: number } => l.bar !== null),
)
const words = computed(
  () =>
    `${props.name}${props.usual ? `, usual cold ${bar(COLD_BAR.low)} to ${bar(COLD_BAR.high)}` : ''}: ${[...read.value, ...levels.value].map((l) => `${l.name} ${bar(l.bar)}`).join(', ') || 'nothing read'}`,
)
</script>

<template>
  <div class="relative my-8 h-4 rounded-sm bg-plaster-deep" role="img" :aria-label="words" data-bands>
    <span
      v-if="usual"
      class="absolute inset-y-0 bg-verdigris opacity-40"
      :style="{ left: at(COLD_BAR.low), width: at(COLD_BAR.high - COLD_BAR.low) }"
    />
    <span
      v-for="l in levels"
      :key="l.name"
      class="absolute -top-1 bottom-[-4px] border-l-2 border-alarm"
      :style="{ left: at(l.bar) }"
      ><span class="caption absolute -top-6 -translate-x-1/2 whitespace-nowrap"
        >{{ l.name }} {{ bar(l.bar) }}</span
      ></span
    >
    <span
      v-for="l in read"
      :key="l.name"
      class="absolute -top-1 bottom-[-4px] border-l-4 border-ink"
      :style="{ left: at(l.bar) }"
      ><span class="caption absolute top-6 -translate-x-1/2 whitespace-nowrap"
        >{{ l.name }} {{ bar(l.bar) }}</span
      ></span
    >
  </div>
</template>
