<script setup lang="ts">
import FindingMark from '~/components/findings/FindingMark.vue'

/** A station of the line: its name, its figure now, what it costs a year, and a drawing. */
defineProps<{
  name: string
  open?: boolean
  /** How many findings stand here. */
  marks?: number
}>()
</script>

<template>
  <button
    type="button"
    class="flex w-[calc(25%-0.25rem)] shrink-0 flex-col items-center rounded border px-1 py-1 text-center hover:bg-plaster-deep lg:w-[6.6rem]"
    :class="open ? 'border-copper bg-white' : 'border-transparent'"
    :aria-pressed="open"
  >
    <span class="flex min-h-9 items-center text-sm leading-4 font-semibold text-copper"
      >{{ name }}<FindingMark v-if="marks" :count="marks"
    /></span>
    <span class="flex min-h-24 items-center"><slot /></span>
    <span class="text-sm"><slot name="now" /></span>
    <span class="caption"><slot name="year" /></span>
  </button>
</template>
