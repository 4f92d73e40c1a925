<script setup lang="ts">
import { MONTH_NAMES, MONTHS } from '~~/core/calendar/names'
/** Months something is in use, as twelve buttons. */
defineProps<{ label: string; value: boolean[] }>()
const emit = defineEmits<{ change: [value: boolean[]] }>()
</script>

<template>
  <div>
    <span class="caption block" aria-hidden="true">{{ label }}</span>
    <span class="flex flex-wrap gap-px" role="group" :aria-label="label">
      <button
        v-for="(on, m) in value"
        :key="m"
        type="button"
        class="min-h-11 min-w-9 rounded-sm border border-line-strong text-xs sm:min-h-9"
        :class="on ? 'bg-copper text-white' : 'bg-plaster-pale text-ink-soft'"
        :aria-pressed="on"
        @click="
          emit(
            'change',
            value.map((x, i) => (i === m ? !x : x)),
          )
        "
      >
        {{ MONTHS[m] }}<span class="sr-only">{{ MONTH_NAMES[m]!.slice(3) }}</span>
      </button>
    </span>
  </div>
</template>
