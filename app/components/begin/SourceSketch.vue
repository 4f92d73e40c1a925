<script setup lang="ts">
import { HEATERS } from '~~/core/heaters/kinds'
import { hasVessel, type QuickSource } from '~~/core/household/quick-start/answers'

/** A heat source as a drawing: a vessel or a box, and what makes the heat. */
defineProps<{ source: QuickSource }>()
/** Flame, wire, two pipes, sun or log. */
const MADE_BY = {
  burner: 'M20 21c0-4 4-5 3-9c4 3 6 6 5 9a4 4 0 0 1-8 0z',
  electricity: 'M25 9l-5 8h4l-2 7 6-9h-4z',
  network: 'M18 13h12M18 19h12M27 10l3 3-3 3M21 16l-3 3 3 3',
  sun: 'M24 16m-4 0a4 4 0 1 0 8 0a4 4 0 1 0-8 0M24 8v2M24 22v2M16 16h2M30 16h2M18.5 10.5l1.5 1.5M29.5 10.5l-1.5 1.5',
  fire: 'M17 23h14M18 20h12M24 18c-3-3 0-5-1-8c4 2 5 6 3 8z',
} as const
</script>

<template>
  <svg viewBox="0 0 36 28" class="h-7 w-9 shrink-0" aria-hidden="true" fill="none" stroke="currentColor">
    <rect v-if="hasVessel(source)" x="2" y="2" width="11" height="24" rx="5" stroke-width="1.6" />
    <path v-else d="M2 8h10M2 20h10M7 8v12" stroke-width="1.6" />
    <path :d="MADE_BY[HEATERS[source].source]" stroke-width="1.6" stroke-linejoin="round" />
    <path v-if="HEATERS[source].pumpsHeat" d="M17 5h14M28 2l3 3-3 3" stroke-width="1.4" />
  </svg>
</template>
