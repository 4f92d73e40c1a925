<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { measureField } from '~/utils/measure-field'
import { PLACE_NAMES } from '~/utils/places'
import type { MeasureOf } from '~~/core/study/measures'

/** The heater nearer to the taps. */
defineProps<{ measure: MeasureOf<'move-heater'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <NumberField
    label="Moved nearer to the outlets by"
    quantity="length"
    :schema="measureField('move-heater', 'nearerM')"
    :value="measure.nearerM"
    @change="(v) => emit('change', 'nearerM', v)"
  />
  <ChoiceField
    label="New location"
    :value="measure.place"
    :choices="PLACE_NAMES"
    @change="(v) => emit('change', 'place', v)"
  />
</template>
