<script setup lang="ts">
import type { QuickLayout } from '~~/core/household/quick-start/answers'

/** How pipes run, as a drawing: one trunk with branches, a pipe to each outlet, or out and back. */
defineProps<{ layout: QuickLayout }>()
const WAYS: Record<QuickLayout, string> = {
  branches: 'M4 12H38M16 12V4M26 12V20M34 12V4',
  manifold: 'M4 12H12M12 5V19M12 5H40M12 10H34M12 14H30M12 19H38',
  circulation: 'M4 9H38V17H4M18 9V3M28 9V3',
}
</script>

<template>
  <svg viewBox="0 0 44 24" class="h-6 w-11 shrink-0" aria-hidden="true">
    <path :d="WAYS[layout]" fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" />
    <path v-if="layout === 'circulation'" d="M12 14l-4 3 4 3z" fill="currentColor" />
  </svg>
</template>
