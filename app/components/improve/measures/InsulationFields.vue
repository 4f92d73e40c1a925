<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { INSULATIONS } from '~~/core/pipes/loss'
import { InsulationField } from '~~/core/study/pipes'

/** What a measure wraps with. */
defineProps<{ insulation: { lambdaWMK: number; thicknessMm: number } }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const materials = computed(() =>
  Object.entries(INSULATIONS).map(([name, { lambdaWMK, standsC }]) => ({
    value: lambdaWMK as number,
    name: `${name}, to ${table.units.figure('temperature', standsC, 0)}`,
  })),
)
</script>

<template>
  <NumberField
    label="Thickness"
    quantity="thickness"
    :schema="InsulationField.shape.thicknessMm"
    :value="insulation.thicknessMm"
    @change="(v) => emit('change', 'insulation.thicknessMm', v)"
  />
  <ChoiceField
    label="Material"
    :value="insulation.lambdaWMK"
    :choices="materials"
    @change="(v) => emit('change', 'insulation.lambdaWMK', v)"
  />
</template>
