<script setup lang="ts">
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { ALWAYS, weekInWords } from '~~/core/calendar/week'
import { gridOf } from '~~/core/household/controllers'
import { CIRCULATION } from '~~/core/study/commanded'
import type { MeasureOf } from '~~/core/study/measures'

/** The timer of a heater or of the loop, set anew. */
const props = defineProps<{
  measure: Pick<MeasureOf<'heater-schedule' | 'loop-schedule' | 'lay-loop'>, 'name' | 'schedule'> & {
    heaterId?: string
  }
}>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const grid = computed(() => gridOf(table.study!, props.measure.heaterId ?? CIRCULATION))
</script>

<template>
  <details class="col-span-full">
    <summary class="min-h-11 cursor-pointer py-2.5 text-sm">
      {{ weekInWords(measure.schedule ?? ALWAYS, table.units.time) }}
    </summary>
    <WeekPlanner
      :label="measure.name"
      :week="measure.schedule ?? ALWAYS"
      :grid="grid"
      @change="(w) => emit('change', 'schedule', w)"
    />
  </details>
</template>
