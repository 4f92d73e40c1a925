<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { MATERIAL_NAMES, nearestSize, sizeChoices } from '~/utils/pipe-choices'
import type { MeasureOf } from '~~/core/study/measures'
import { LengthOfPipe } from '~~/core/study/pipes'

/** The pipe that a measure lays. */
defineProps<{ pipe: MeasureOf<'repipe'>['pipe'] }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
</script>

<template>
  <ChoiceField
    label="Pipe"
    :value="pipe.material"
    :choices="MATERIAL_NAMES"
    @change="(v) => emit('change', 'pipe', { ...pipe, material: v, size: nearestSize(pipe, v) })"
  />
  <ChoiceField
    label="Size"
    :value="pipe.size"
    :choices="sizeChoices(pipe.material, table.units)"
    @change="(v) => emit('change', 'pipe.size', v)"
  />
  <NumberField
    label="Length"
    quantity="length"
    :schema="LengthOfPipe.shape.lengthM"
    :value="pipe.lengthM"
    @change="(v) => emit('change', 'pipe.lengthM', v)"
  />
</template>
