<script setup lang="ts">
import DateField from '~/components/fields/DateField.vue'
import TextField from '~/components/fields/TextField.vue'
import type { DataSource } from '~~/core/study/fields'

/** Whose the figures beside it are: papers, their day, and the conditions under which they hold. */
const props = defineProps<{ value: DataSource; of?: string }>()
const named = (label: string) => (props.of ? `${props.of}: ${label.toLowerCase()}` : label)
const emit = defineEmits<{ change: [value: DataSource] }>()
const put = (part: Partial<NonNullable<DataSource>>) =>
  emit('change', { source: '', on: null, conditions: '', ...props.value, ...part })
</script>

<template>
  <TextField
    :label="named('Data source')"
    optional
    :value="value?.source ?? ''"
    @change="(v) => (v.trim() ? put({ source: v }) : emit('change', null))"
  />
  <template v-if="value">
    <DateField :label="named('Date of the data')" :value="value.on" @change="(v) => put({ on: v })" />
    <TextField
      class="col-span-2"
      :label="named(of ? 'Conditions' : 'Test conditions')"
      optional
      :value="value.conditions"
      @change="(v) => put({ conditions: v })"
    />
  </template>
</template>
