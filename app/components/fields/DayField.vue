<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { MONTHS } from '~~/core/calendar/names'
import { DAYS_IN_MONTH, firstDayOf, MONTH_OF_DAY } from '~~/core/calendar/year'

/** A day of the year, as day and month; the label says of what, where one is needed. */
const props = defineProps<{ label?: string; value: number }>()
const emit = defineEmits<{ change: [value: number] }>()
const month = computed(() => MONTH_OF_DAY[props.value - 1]!)
const day = computed(() => props.value - firstDayOf(month.value))
const pick = (m: number, d: number) => emit('change', firstDayOf(m) + Math.min(d, DAYS_IN_MONTH[m]!))
const days = computed(() =>
  Array.from({ length: DAYS_IN_MONTH[month.value]! }, (_, i) => ({ value: i + 1, name: String(i + 1) })),
)
const months = MONTHS.map((name, value) => ({ value, name }))
</script>

<template>
  <div class="flex items-end gap-1">
    <ChoiceField
      class="w-18"
      :label="label ? `${label}, day` : 'Day'"
      :value="day"
      :choices="days"
      @change="(d) => pick(month, d)"
    />
    <ChoiceField
      class="w-20"
      :label="label ? 'month' : 'Month'"
      :value="month"
      :choices="months"
      @change="(m) => pick(m, day)"
    />
  </div>
</template>
