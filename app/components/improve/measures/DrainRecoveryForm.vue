<script setup lang="ts">
import RecoveryForm from '~/components/stations/RecoveryForm.vue'
import type { MeasureOf } from '~~/core/study/measures'

/** A unit that recovers heat from the drain. */
defineProps<{ measure: MeasureOf<'drain-recovery'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <RecoveryForm :value="measure.recovery" @change="(v) => emit('change', 'recovery', v)" />
</template>
