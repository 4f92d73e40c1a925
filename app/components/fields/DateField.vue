<script setup lang="ts">
/** A day of the calendar; may be left out. */
defineProps<{ label: string; value: string | null }>()
const emit = defineEmits<{ change: [value: string | null] }>()
const id = useId()
</script>

<template>
  <div class="min-w-0">
    <label :for="id" class="caption block">{{ label }}</label>
    <input
      :id="id"
      type="date"
      class="entry"
      :value="value ?? ''"
      @change="emit('change', ($event.target as HTMLInputElement).value || null)"
    />
  </div>
</template>
