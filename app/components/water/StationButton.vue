<script setup lang="ts">
/** A station of the line: its name, its figure now, what it costs a year, and a drawing. */
defineProps<{
  name: string
  open?: boolean
  /** Nothing is set here: it is not a button. */
  still?: boolean
  /** How many findings stand here. */
  marks?: number
}>()
</script>

<template>
  <component
    :is="still ? 'div' : 'button'"
    :type="still ? undefined : 'button'"
    class="flex w-[calc(25%-0.25rem)] shrink-0 flex-col items-center rounded border px-1 py-1 text-center lg:w-[6.6rem]"
    :class="[open ? 'border-copper bg-white' : 'border-transparent', { 'hover:bg-plaster-deep': !still }]"
    :aria-pressed="still ? undefined : open"
  >
    <span class="flex min-h-9 items-center text-sm leading-4 font-semibold" :class="{ 'text-copper': !still }">{{ name }}<FindingMark v-if="marks" :count="marks" /></span>
    <span class="flex min-h-24 flex-1 items-center"><slot /></span>
    <span class="text-sm"><slot name="now" /></span>
    <span class="caption"><slot name="year" /></span>
  </component>
</template>
