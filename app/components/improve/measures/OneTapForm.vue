<script setup lang="ts">
import TapChoice from '~/components/improve/measures/TapChoice.vue'
import type { MeasureOf } from '~~/core/study/measures'

/** A measure at one tap that takes no figure. */
defineProps<{ measure: MeasureOf<'stop-when-warm' | 'mend-drip'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <TapChoice :value="measure.tapId" @change="(v) => emit('change', 'tapId', v)" />
</template>
