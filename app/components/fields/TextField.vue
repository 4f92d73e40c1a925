<script setup lang="ts">
/** A short text; an empty one is refused where a name is needed. */
const props = defineProps<{ label: string; value: string; optional?: boolean; bare?: boolean; long?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()
const id = useId()
const error = ref('')
function commit(event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  error.value = text === '' && !props.optional ? `${props.label}: a name, not empty` : ''
  if (!error.value && text !== props.value) emit('change', text)
}
</script>

<template>
  <div class="min-w-0">
    <label :for="id" :class="bare ? 'sr-only' : 'caption block'">{{ label }}</label>
    <textarea v-if="long" :id="id" class="entry" rows="2" maxlength="4000" :value="value" @change="commit" />
    <input
      v-else
      :id="id"
      class="entry"
      maxlength="120"
      :value="value"
      :aria-invalid="error !== ''"
      autocomplete="off"
      @change="commit"
    />
    <p v-if="error" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
  </div>
</template>
