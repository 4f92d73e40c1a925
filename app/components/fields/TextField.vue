<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import NotTaken from '~/components/fields/NotTaken.vue'
import { useTyped } from '~/composables/useTyped'

/** A short text; an empty one is refused where a name is needed. */
const props = defineProps<{
  label: string
  /** What is read of the label where its whole would be too long beside many like it. */
  short?: string
  value: string
  optional?: boolean
  bare?: boolean
  long?: boolean
  /** What is wrong with a text; empty: nothing. */
  check?: (text: string) => string
}>()
const emit = defineEmits<{ change: [value: string] }>()
const id = useId()
/** What it is called, apart from others of the same long label. */
const name = computed(() => (props.short ? `${props.short}, ${props.label}` : props.label))
const error = ref('')
const { typed, again } = useTyped(
  () => name.value,
  () => props.value,
  commit,
)
function faultOf(text: string): string {
  if (text === '' && !props.optional) return `${name.value}: a name is required`
  const fault = props.check?.(text)
  return fault ? `${name.value}: ${text} ${fault}` : ''
}
function commit() {
  if (typed.value === null) return
  const text = typed.value.trim()
  typed.value = null
  error.value = faultOf(text)
  if (!error.value && text !== props.value) emit('change', text)
}
/** A text that may be anything is taken while it is typed: a tab that is killed loses no more than a moment of it. */
const takeLater = useDebounceFn(() => {
  if (!props.optional || typed.value === null) return
  const text = typed.value.trim()
  if (text !== props.value && !faultOf(text)) emit('change', text)
}, 400)
function type(event: Event) {
  typed.value = (event.target as HTMLInputElement).value
  void takeLater()
}
</script>

<template>
  <div class="min-w-0">
    <label :for="id" :class="bare ? 'sr-only' : 'caption block'"
      >{{ short ?? label }}<span v-if="short" class="sr-only">, {{ label }}</span></label
    >
    <textarea
      v-if="long"
      :id="id"
      class="entry"
      rows="2"
      maxlength="4000"
      :value="typed ?? value"
      @input="type"
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
      @input="type"
      @change="commit"
    />
    <NotTaken :again="again" />
    <p v-if="error" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
  </div>
</template>
