<script setup lang="ts">
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'

/** Which of the two is being written: the settings as they were found, or as they are to be. */
const table = useStudy()
const writes = computed(() => table.study!.controls.writes)
const CHOICES = [
  { value: 'found', name: 'As found', help: 'Entering how it was found. Savings are reckoned from this.' },
  { value: 'set', name: 'To be set', help: 'Entering how it is to be set. What was found stays in the register.' },
] as const
const help = computed(() => CHOICES.find((c) => c.value === writes.value)!.help)
const choose = (value: (typeof CHOICES)[number]['value']) =>
  table.change('writes', (d) => void (d.controls.writes = value))
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
    <div
      role="radiogroup"
      aria-label="Which settings are being written"
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
      label="Who is at work"
      optional
      :value="table.study!.controls.by"
      @change="(v) => table.change('by', (d) => void (d.controls.by = v))"
    />
  </div>
</template>
