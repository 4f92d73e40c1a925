<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { inkOn } from '~/utils/temperature-ramp'
import { waterColour } from '~/utils/temperature-ramp'

/** A store as ten layers of water, hottest on top. */
const props = defineProps<{ slices: (number | null)[]; label: string }>()
const units = computed(() => useStudy().units)
const H = 10
const bands = computed(() =>
  props.slices.map((c, i) => ({ y: (props.slices.length - 1 - i) * H, c, fill: waterColour(c) })),
)
</script>

<template>
  <svg viewBox="-2 -2 48 104" class="h-24 w-11" role="img" :aria-label="label">
    <clipPath id="tank"><rect width="44" height="100" rx="8" /></clipPath>
    <g clip-path="url(#tank)">
      <rect v-for="b in bands" :key="b.y" :y="b.y" width="44" :height="H + 0.5" :fill="b.fill" />
    </g>
    <rect width="44" height="100" rx="8" fill="none" stroke="var(--color-ink)" stroke-width="1.5" />
    <text
      v-for="b in [bands[0], bands[bands.length - 1]]"
      :key="`t${b?.y}`"
      x="22"
      :y="(b?.y ?? 0) + (b === bands[0] ? 4 : 13)"
      text-anchor="middle"
      font-size="12"
      :fill="inkOn(b?.c ?? 0)"
    >
      {{ b?.c == null ? '' : units.figure('temperature', b.c, 0).split(' ')[0] }}
    </text>
  </svg>
</template>
