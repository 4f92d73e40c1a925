<script setup lang="ts">
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'

/** Which of the two is being written: the settings as they were found, or as they are to be. */
const table = useStudy()
const writes = computed(() => table.study!.controls.writes)
const CHOICES = [
  { value: 'found', name: 'As found', help: 'Entering settings as found. Savings are calculated from these.' },
  { value: 'set', name: 'As set', help: 'Entering settings as set. Settings as found stay in the register.' },
] as const
const help = computed(() => CHOICES.find((c) => c.value === writes.value)!.help)
const choose = (value: (typeof CHOICES)[number]['value']) =>
  table.change('writes', (d) => void (d.controls.writes = value))
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
    <div
      role="radiogroup"
      aria-label="Settings being entered"
      class="inline-flex overflow-hidden rounded border border-line-strong"
    >
      <button
        v-for="c in CHOICES"
        :key="c.value"
        role="radio"
        :aria-checked="writes === c.value"
        class="min-h-11 px-4 font-semibold"
        :class="writes === c.value ? 'bg-copper text-white' : 'bg-plaster-pale hover:bg-plaster-deep'"
        @click="choose(c.value)"
      >
        {{ c.name }}
      </button>
    </div>
    <p class="caption min-w-0 flex-1" role="status">{{ help }}</p>
    <TextField
      class="w-48"
      label="Engineer"
      optional
      :value="table.study!.controls.by"
      @change="(v) => table.change('by', (d) => void (d.controls.by = v))"
    />
  </div>
</template>
