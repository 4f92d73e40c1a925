<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { useStudy } from '~/stores/study'
import type { Choice, choicesOf } from '~~/core/household/edits/heat-source'
import { CARRIER_NAMES } from '~~/core/money/carriers'

/** What can be chosen of a heat source: its fuel, phases and air, the outlet it serves and what fills it. */
const props = defineProps<{
  choices: ReturnType<typeof choicesOf>
  choice: Choice
  /** Which heater, where several stand on one page. */
  of?: string
}>()
const table = useStudy()
const tapName = (id: string) => table.study!.pipes.taps.find((t) => t.id === id)?.name ?? id
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
    v-if="choices.tapId"
    :label="label('Serves')"
    :value="choice.tapId!"
    :choices="choices.tapId.map((value) => ({ value, name: tapName(value) }))"
    @change="(tapId) => emit('change', { tapId })"
  />
  <ChoiceField
    v-if="choices.feed"
    :label="label('Filled from')"
    :value="choice.feed!"
    :choices="choices.feed.map((value) => ({ value, name: value === 'hot' ? 'the hot pipe' : 'the cold main' }))"
    @change="(feed) => emit('change', { feed })"
  />
  <ChoiceField
    v-if="choices.air"
    :label="label('Air')"
    :value="choice.air!"
    :choices="choices.air.map((value) => ({ value, name: value === 'outdoors' ? 'from outdoors' : value }))"
    @change="(air) => emit('change', { air })"
  />
</template>
