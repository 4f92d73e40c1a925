<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import PipeFields from '~/components/improve/measures/PipeFields.vue'
import { useStudy } from '~/stores/study'
import type { MeasureOf } from '~~/core/study/measures'

/** A run laid anew. */
defineProps<{ measure: MeasureOf<'repipe'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
</script>

<template>
  <ChoiceField
    label="Run"
    :value="measure.runId"
    :choices="table.study!.pipes.runs.map((r) => ({ value: r.id, name: r.name }))"
    @change="(v) => emit('change', 'runId', v)"
  />
  <PipeFields :pipe="measure.pipe" @change="(path, v) => emit('change', path, v)" />
</template>
