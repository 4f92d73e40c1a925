<script setup lang="ts">
/** A short text; an empty one is refused where a name is needed. */
const props = defineProps<{ label: string; value: string; optional?: boolean; bare?: boolean; long?: boolean }>()
const emit = defineEmits<{ change: [value: string] }>()
const id = useId()
const error = ref('')
const typed = ref<string | null>(null)
function commit() {
  if (typed.value === null) return
  const text = typed.value.trim()
  typed.value = null
  error.value = text === '' && !props.optional ? `${props.label}: a name, not empty` : ''
  if (!error.value && text !== props.value) emit('change', text)
}
// What was typed and not left yet is taken when the page goes.
useLeaving(commit)
watch(
  () => props.value,
  () => (typed.value = null),
)
</script>

<template>
  <div class="min-w-0">
    <label :for="id" :class="bare ? 'sr-only' : 'caption block'">{{ label }}</label>
    <textarea
      v-if="long"
      :id="id"
      class="entry"
      rows="2"
      maxlength="4000"
      :value="typed ?? value"
      @input="typed = ($event.target as HTMLTextAreaElement).value"
      @change="commit"
    />
    <input
      v-else
      :id="id"
      class="entry"
      maxlength="120"
      :value="typed ?? value"
      :aria-invalid="error !== ''"
      autocomplete="off"
      @input="typed = ($event.target as HTMLInputElement).value"
      @change="commit"
    />
    <p v-if="error" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
  </div>
</template>
