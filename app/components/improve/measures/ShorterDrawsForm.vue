<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import UsesChoice from '~/components/improve/measures/UsesChoice.vue'
import { measureField } from '~/utils/measure-field'
import type { MeasureOf } from '~~/core/study/measures'

/** Uses made shorter. */
defineProps<{ measure: MeasureOf<'shorter-draws'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <NumberField
    label="Remaining share of each, 0 to 1"
    :decimals="2"
    :schema="measureField('shorter-draws', 'share')"
    :value="measure.share"
    @change="(v) => emit('change', 'share', v)"
  />
  <UsesChoice :use-ids="measure.useIds" @change="(v) => emit('change', 'useIds', v)" />
</template>
