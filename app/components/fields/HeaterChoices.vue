<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import type { Choice, choicesOf } from '~~/core/household/edits/heat-source'
import { CARRIER_NAMES } from '~~/core/money/carriers'

/** What can be chosen of a heat source: its fuel, the phases it takes, the air it draws from. */
const props = defineProps<{
  choices: ReturnType<typeof choicesOf>
  choice: Choice
  /** Which heater, where several stand on one page. */
  of?: string
}>()
const emit = defineEmits<{ change: [choice: Choice] }>()
const label = (name: string) => (props.of ? `${name}: ${props.of}` : name)
</script>

<template>
  <ChoiceField
    v-if="choices.carrier"
    :label="label('Fuel')"
    :value="choice.carrier!"
    :choices="choices.carrier.map((value) => ({ value, name: CARRIER_NAMES[value] }))"
    @change="(carrier) => emit('change', { carrier })"
  />
  <ChoiceField
    v-if="choices.phases"
    :label="label('Phases')"
    :value="choice.phases!"
    :choices="choices.phases.map((value) => ({ value, name: value === 3 ? 'three' : 'one' }))"
    @change="(phases) => emit('change', { phases })"
  />
  <ChoiceField
    v-if="choices.air"
    :label="label('Air')"
    :value="choice.air!"
    :choices="choices.air.map((value) => ({ value, name: value === 'outdoors' ? 'from outdoors' : value }))"
    @change="(air) => emit('change', { air })"
  />
</template>
