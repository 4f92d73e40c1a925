<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import TapChoice from '~/components/improve/measures/TapChoice.vue'
import type { MeasureOf } from '~~/core/study/measures'
import { Tap } from '~~/core/study/pipes'

/** Another flow at a tap. */
defineProps<{ measure: MeasureOf<'tap-flow'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <TapChoice :value="measure.tapId" @change="(v) => emit('change', 'tapId', v)" />
  <NumberField
    label="Flow"
    quantity="flow"
    :schema="Tap.shape.flowLMin"
    :value="measure.flowLMin"
    @change="(v) => emit('change', 'flowLMin', v)"
  />
</template>
