<script setup lang="ts">
import { DAY_NAMES } from '~~/core/calendar/week'

/** Days of the week, as seven buttons. */
defineProps<{ label: string; value: boolean[] }>()
const emit = defineEmits<{ change: [value: boolean[]] }>()
</script>

<template>
  <span class="flex" role="group" :aria-label="label">
    <button
      v-for="(on, d) in value"
      :key="d"
      type="button"
      class="min-h-11 w-9 border-y border-r border-line-strong text-xs first:rounded-l first:border-l last:rounded-r sm:min-h-9"
      :class="on ? 'bg-copper text-white' : 'bg-plaster-pale text-ink-soft'"
      :aria-pressed="on"
      @click="
        emit(
          'change',
          value.map((x, i) => (i === d ? !x : x)),
        )
      "
    >
      {{ DAY_NAMES[d]!.slice(0, 2) }}<span class="sr-only">{{ DAY_NAMES[d]!.slice(2) }}</span>
    </button>
  </span>
</template>
