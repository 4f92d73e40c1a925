<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { HeaterControl, SetpointC } from '~~/core/study/controls'
import type { MeasureOf } from '~~/core/study/measures'

/** Other settings of a heater. */
defineProps<{ measure: MeasureOf<'heater-control'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <NumberField
    label="Setpoint"
    quantity="temperature"
    :schema="SetpointC"
    :value="measure.control.setpointC"
    @change="(v) => emit('change', 'control.setpointC', v)"
  />
  <NumberField
    label="Switching differential"
    quantity="rise"
    :schema="HeaterControl.shape.differentialK"
    :value="measure.control.differentialK"
    @change="(v) => emit('change', 'control.differentialK', v)"
  />
  <NumberField
    label="Holiday setpoint"
    quantity="temperature"
    optional
    :schema="HeaterControl.shape.holidayC"
    :value="measure.control.holidayC"
    @change="(v) => emit('change', 'control.holidayC', v)"
  />
  <ChoiceField
    label="Heats at"
    :value="measure.control.prices"
    :choices="[
      { value: 'any', name: 'any price' },
      { value: 'cheapest', name: 'off-peak only' },
    ]"
    @change="(v) => emit('change', 'control.prices', v)"
  />
  <p class="caption col-span-full">
    Boosts, pasteurisation cycle and schedule were copied from Settings when this measure was created.
  </p>
</template>
