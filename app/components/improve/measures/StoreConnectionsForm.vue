<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationFields from '~/components/improve/measures/InsulationFields.vue'
import { BEFORE_MEASURE } from '~/utils/measure-field'
import { beginMeasure } from '~~/core/measures/begin'
import type { MeasureOf } from '~~/core/study/measures'

/** Heat traps at the store, and its cold inlet wrapped. */
const props = defineProps<{ measure: MeasureOf<'store-connections'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const before = inject(BEFORE_MEASURE)!
const wrap = (on: boolean) =>
  emit('change', 'insulation', on ? beginMeasure(before.value, 'store-connections', props.measure.id).insulation : null)
</script>

<template>
  <ChoiceField
    label="Heat traps"
    :value="measure.heatTraps ? 'fit' : 'leave'"
    :choices="[
      { value: 'fit', name: 'fit' },
      { value: 'leave', name: 'leave as they are' },
    ]"
    @change="(v) => emit('change', 'heatTraps', v === 'fit')"
  />
  <ChoiceField
    label="Cold inlet"
    :value="measure.insulation ? 'wrap' : 'leave'"
    :choices="[
      { value: 'wrap', name: 'insulate' },
      { value: 'leave', name: 'leave as it is' },
    ]"
    @change="(v) => wrap(v === 'wrap')"
  />
  <InsulationFields
    v-if="measure.insulation"
    :insulation="measure.insulation"
    @change="(path, v) => emit('change', path, v)"
  />
</template>
