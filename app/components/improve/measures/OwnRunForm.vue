<script setup lang="ts">
import PipeFields from '~/components/improve/measures/PipeFields.vue'
import TapChoice from '~/components/improve/measures/TapChoice.vue'
import type { MeasureOf } from '~~/core/study/measures'

/** A run of its own for a tap. */
defineProps<{ measure: MeasureOf<'own-run'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <TapChoice :value="measure.tapId" @change="(v) => emit('change', 'tapId', v)" />
  <PipeFields :pipe="measure.pipe" @change="(path, v) => emit('change', path, v)" />
</template>
