<script setup lang="ts">
import { Minus, Plus } from '@lucide/vue'

/** A count that is changed by one. */
const props = defineProps<{ label: string; value: number; most: number }>()
const emit = defineEmits<{ change: [value: number] }>()
const by = (n: number) => emit('change', Math.min(props.most, Math.max(0, props.value + n)))
</script>

<template>
  <div role="group" :aria-label="label" class="flex items-center justify-between gap-2">
    <span class="flex items-center gap-1.5" :class="{ 'text-ink-soft': value === 0 }"><slot />{{ label }}</span>
    <span class="flex items-center">
      <button
        type="button"
        class="tool px-2.5!"
        :aria-label="`${label}: one less`"
        :disabled="value === 0"
        @click="by(-1)"
      >
        <Minus :size="16" />
      </button>
      <output class="w-8 text-center text-lg font-semibold" aria-live="polite">{{ value }}</output>
      <button
        type="button"
        class="tool px-2.5!"
        :aria-label="`${label}: one more`"
        :disabled="value === most"
        @click="by(1)"
      >
        <Plus :size="16" />
      </button>
    </span>
  </div>
</template>
