<script setup lang="ts" generic="T extends string | number | null">
/** One of a few. */
const props = defineProps<{ label: string; value: T; choices: { value: T; name: string }[]; bare?: boolean | 'wide' }>()
const emit = defineEmits<{ change: [value: T] }>()
const id = useId()
const at = computed(() => props.choices.findIndex((c) => c.value === props.value))
const pick = (event: Event) => emit('change', props.choices[(event.target as HTMLSelectElement).selectedIndex].value)
</script>

<template>
  <div class="min-w-0">
    <label
      :for="id"
      :class="bare === 'wide' ? 'caption block truncate xl:sr-only' : bare ? 'sr-only' : 'caption block'"
      >{{ label }}</label
    >
    <select :id="id" class="entry" :value="at" @change="pick">
      <option v-for="(c, i) in choices" :key="String(c.value)" :value="i">{{ c.name }}</option>
    </select>
  </div>
</template>
