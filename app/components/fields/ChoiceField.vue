<script setup lang="ts" generic="T extends string | number | null">
import { helpOf } from '~~/core/words/field-help'

/** One of a few. */
const props = defineProps<{
  label: string
  /** What is read of the label where its whole would be too long beside many like it. */
  short?: string
  value: T
  choices: { value: T; name: string }[]
  bare?: boolean | 'wide'
}>()
const emit = defineEmits<{ change: [value: T] }>()
const id = useId()
/** The line of help that its label has anywhere. */
const line = computed(() => (props.bare ? undefined : helpOf(props.label)))
const at = computed(() => props.choices.findIndex((c) => c.value === props.value))
const pick = (event: Event) => emit('change', props.choices[(event.target as HTMLSelectElement).selectedIndex].value)
</script>

<template>
  <div class="min-w-0">
    <label :for="id" :class="bare === 'wide' ? 'caption block truncate xl:sr-only' : bare ? 'sr-only' : 'caption block'"
      >{{ short ?? label }}<span v-if="short" class="sr-only">, {{ label }}</span></label
    >
    <select :id="id" class="entry" :value="at" :aria-describedby="line ? `${id}-help` : undefined" @change="pick">
      <option v-for="(c, i) in choices" :key="String(c.value)" :value="i">{{ c.name }}</option>
    </select>
    <p v-if="line" :id="`${id}-help`" class="caption leading-4">{{ line }}</p>
  </div>
</template>
