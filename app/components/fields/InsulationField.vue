<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import type { Insulation } from '~~/core/pipes/loss'
import { InsulationField } from '~~/core/study/pipes'

/** Thickness of pipe insulation; nought is bare. Its conductivity stays what it was, polyethylene foam at first. */
const props = defineProps<{ label: string; value: Insulation | null; bare?: boolean | 'wide' }>()
const emit = defineEmits<{ change: [value: Insulation | null] }>()
const set = (mm: number | null) =>
  emit('change', mm ? { lambdaWMK: props.value?.lambdaWMK ?? 0.04, thicknessMm: mm } : null)
</script>

<template>
  <NumberField
    :label="label"
    :bare="bare"
    quantity="thickness"
    :schema="InsulationField.shape.thicknessMm"
    :value="value?.thicknessMm ?? 0"
    @change="set"
  />
</template>
