<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import { SetpointC } from '~~/core/study/controls'
import type { MeasureOf } from '~~/core/study/measures'

/** Another setpoint. */
defineProps<{ measure: MeasureOf<'setpoint'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <NumberField
    label="Setpoint"
    quantity="temperature"
    :schema="SetpointC"
    :value="measure.setpointC"
    @change="(v) => emit('change', 'setpointC', v)"
  />
</template>
