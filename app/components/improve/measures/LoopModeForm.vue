<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { LOOP_MODES } from '~~/core/study/loop-modes'
import type { MeasureOf } from '~~/core/study/measures'

/** Another way to drive the loop. */
defineProps<{ measure: MeasureOf<'loop-mode'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <ChoiceField
    label="Mode"
    :value="measure.mode"
    :choices="LOOP_MODES.map((value) => ({ value, name: LOOP_MODE_WORDS[value].name }))"
    @change="(v) => emit('change', 'mode', v)"
  />
</template>
