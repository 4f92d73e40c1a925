<script setup lang="ts">
import NotTaken from '~/components/fields/NotTaken.vue'
import { useTyped } from '~/composables/useTyped'
import { useStudy } from '~/stores/study'
import { minuteOf, readDay, readMoment, writeDay } from '~~/core/units/dates'

/** A day of the calendar, or a moment by the clock on the wall, in the style of the study; may be left out. */
const props = defineProps<{ label: string; value: string | null; moment?: boolean; help?: string }>()
const emit = defineEmits<{ change: [value: string | null] }>()
const table = useStudy()
const id = useId()
const error = ref('')
const { typed, again } = useTyped(
  () => props.label,
  () => props.value,
  commit,
)
const system = computed(() => table.spoken?.units ?? 'metric')
const EXAMPLE = { day: '2026-11-29', minute: 1050 } as const
const write = (value: string) => {
  const day = writeDay(value.slice(0, 10), system.value)
  return value.length > 10 ? `${day} ${timeOf(value)}` : day
}
const timeOf = (value: string) => table.units.time(minuteOf(value))
const text = computed(() => typed.value ?? (props.value ? write(props.value) : ''))
function commit() {
  if (typed.value === null) return
  const entry = typed.value.trim()
  const read = entry === '' ? null : props.moment ? readMoment(entry, system.value) : readDay(entry, system.value)
  if (entry !== '' && read === null) {
    const day = writeDay(EXAMPLE.day, system.value)
    error.value = `${props.label}: accepts ${day}${props.moment ? ` ${table.units.time(EXAMPLE.minute)}` : ` or ${EXAMPLE.day}`}`
    return
  }
  typed.value = null
  error.value = ''
  if (read !== props.value) emit('change', read)
}
</script>

<template>
  <div class="min-w-0">
    <label :for="id" class="caption block">{{ label }}</label>
    <input
      :id="id"
      class="entry"
      autocomplete="off"
      :value="text"
      :aria-invalid="error !== ''"
      :aria-describedby="error ? `${id}-error` : help ? `${id}-help` : undefined"
      @input="typed = ($event.target as HTMLInputElement).value"
      @change="commit"
      @keydown.enter="commit"
      @keydown.escape="((typed = null), (error = ''))"
    />
    <p v-if="help" :id="`${id}-help`" class="caption leading-4">{{ help }}</p>
    <p v-if="error" :id="`${id}-error`" role="alert" class="mt-1 text-sm text-alarm">{{ error }}</p>
    <NotTaken :again="again" />
  </div>
</template>
