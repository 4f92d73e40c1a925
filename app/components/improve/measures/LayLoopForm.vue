<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import ScheduleForm from '~/components/improve/measures/ScheduleForm.vue'
import LoopFields from '~/components/stations/LoopFields.vue'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { LOOP_MODE_TAKES, LOOP_MODES } from '~~/core/study/loop-modes'
import type { MeasureOf } from '~~/core/study/measures'

/** A loop where there is none: its way, its pump, and how it is run. */
const props = defineProps<{ measure: MeasureOf<'lay-loop'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const timed = computed(() => LOOP_MODE_TAKES[props.measure.mode].schedule)
</script>

<template>
  <ChoiceField
    label="Mode"
    :value="measure.mode"
    :choices="LOOP_MODES.map((value) => ({ value, name: LOOP_MODE_WORDS[value].name }))"
    @change="(v) => emit('change', 'mode', v)"
  />
  <LoopFields
    :loop="measure.loop"
    :origin="() => undefined"
    @change="(path, value) => emit('change', `loop.${path}`, value)"
  />
  <ScheduleForm v-if="timed" :measure="measure" @change="(path, value) => emit('change', path, value)" />
</template>
