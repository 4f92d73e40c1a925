<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import TextField from '~/components/fields/TextField.vue'
import { FAIL_SAFES, type FireCircuit } from '~~/core/study/fire'

/** What cools a pumped fire when the power is cut, and who has tried it. */
const props = defineProps<{ value: FireCircuit['failSafe'] }>()
const emit = defineEmits<{ change: [value: FireCircuit['failSafe']] }>()
const put = (change: Partial<FireCircuit['failSafe']>) => emit('change', { ...props.value, ...change })
const there = computed(() => props.value.by !== 'none' && props.value.by !== 'not checked')
</script>

<template>
  <ChoiceField
    label="Cooling on power failure"
    :value="value.by"
    :choices="FAIL_SAFES.map((f) => ({ value: f, name: f }))"
    @change="(by) => put({ by })"
  />
  <TextField
    v-if="there"
    label="Tested with the pump off by"
    optional
    :value="value.testedBy"
    @change="(testedBy) => put({ testedBy })"
  />
  <DateField v-if="there" label="Tested on" :value="value.testedOn" @change="(testedOn) => put({ testedOn })" />
</template>
