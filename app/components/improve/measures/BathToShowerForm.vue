<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import TapChoice from '~/components/improve/measures/TapChoice.vue'
import UsesChoice from '~/components/improve/measures/UsesChoice.vue'
import { measureField } from '~/utils/measure-field'
import type { MeasureOf } from '~~/core/study/measures'

/** Showers in the place of baths. */
defineProps<{ measure: MeasureOf<'bath-to-shower'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <TapChoice label="Shower used instead" :value="measure.tapId" @change="(v) => emit('change', 'tapId', v)" />
  <NumberField
    label="For"
    unit="min"
    :decimals="1"
    :schema="measureField('bath-to-shower', 'minutes')"
    :value="measure.minutes"
    @change="(v) => emit('change', 'minutes', v)"
  />
  <UsesChoice :use-ids="measure.useIds" @change="(v) => emit('change', 'useIds', v)" />
</template>
