<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import InsulationFields from '~/components/improve/measures/InsulationFields.vue'
import { measureField } from '~/utils/measure-field'
import type { MeasureOf } from '~~/core/study/measures'

/** A jacket round the store. */
defineProps<{ measure: MeasureOf<'jacket'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <InsulationFields :insulation="measure.insulation" @change="(path, v) => emit('change', path, v)" />
  <NumberField
    label="Share of the cylinder covered"
    :schema="measureField('jacket', 'coveredShare')"
    :value="measure.coveredShare"
    @change="(v) => emit('change', 'coveredShare', v)"
  />
</template>
