<script setup lang="ts">
import NotTaken from '~/components/fields/NotTaken.vue'
import { useTyped } from '~/composables/useTyped'
import { useStudy } from '~/stores/study'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { parseTime } from '~~/core/units/parse'

/** A time of day, typed any way it is written: 7:30, 0730, 7:30p. */
const props = defineProps<{ label: string; value: number; min?: number; max?: number; step?: number }>()
const emit = defineEmits<{ change: [value: number] }>()
const table = useStudy()
const clock = (minute: number) => table.units.time(minute)
const id = useId()
const error = ref('')
const { typed, again } = useTyped(
  () => props.label,
  () => props.value,
  commit,
)

function commit() {
  if (typed.value === null) return
  const minute = parseTime(typed.value)
  const { min = 0, max = MINUTES_A_DAY } = props
  if (minute === null || minute < min || minute > max) {
    error.value = `${props.label}: accepts ${clock(min)} to ${clock(max)}`
    return
  }
  const step = props.step ?? 1
  if (minute % step !== 0) {
    error.value = `${props.label}: the controller takes steps of ${step} min`
    return
  }
  typed.value = null
  error.value = ''
  if (minute !== props.value) emit('change', minute)
}
watch(
  () => props.value,
  () => typed.value === null && (error.value = ''),
)
</script>

<template>
  <div>
    <label :for="id" class="sr-only">{{ label }}</label>
    <input
      :id="id"
      class="entry text-center"
      :class="table.units.system === 'us' ? 'w-24!' : 'w-20!'"
      :value="typed ?? clock(value)"
      inputmode="text"
      autocomplete="off"
      :aria-invalid="error !== ''"
      @input="typed = ($event.target as HTMLInputElement).value"
      @change="commit"
      @keydown.enter="commit"
    />
    <NotTaken :again="again" class="max-w-44" />
    <p v-if="error" role="alert" class="mt-1 max-w-44 text-sm text-alarm">{{ error }}</p>
  </div>
</template>
