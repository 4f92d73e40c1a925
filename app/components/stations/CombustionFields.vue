<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { FLUES, VENTS } from '~~/core/study/combustion'
import type { Burning } from '~~/core/study/heater-kinds'

/** What keeps flue gas out of the room that a heater burns in. */
const props = defineProps<{ value: Burning['combustion'] }>()
const emit = defineEmits<{ change: [value: Burning['combustion']] }>()
const put = (change: Partial<Burning['combustion']>) => emit('change', { ...props.value, ...change })
const FLUE_NAMES: Record<(typeof FLUES)[number], string> = {
  'not checked': 'not checked',
  open: 'open to the room',
  'room-sealed': 'room-sealed',
}
</script>

<template>
  <section aria-label="Flue and air" class="mt-3 border-l-4 border-line-strong pl-3">
    <h3 class="text-base">Flue, air and carbon monoxide</h3>
    <div class="mt-1 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <ChoiceField
        label="Flue"
        :value="value.flue"
        :choices="FLUES.map((f) => ({ value: f, name: FLUE_NAMES[f] }))"
        @change="(flue) => put({ flue })"
      />
      <ChoiceField
        label="Flue material"
        :value="value.vent"
        :choices="VENTS.map((v) => ({ value: v, name: v }))"
        @change="(vent) => put({ vent })"
      />
      <YesNoField
        v-if="value.flue !== 'room-sealed'"
        label="Combustion air opening in the room"
        :value="value.airOpen"
        @change="(airOpen) => put({ airOpen })"
      />
      <YesNoField
        v-if="value.flue !== 'room-sealed'"
        label="Extract fan in the same room"
        :value="value.extractor"
        @change="(extractor) => put({ extractor })"
      />
      <YesNoField label="Carbon monoxide alarm, tested" :value="value.alarm" @change="(alarm) => put({ alarm })" />
      <DateField label="Last service" :value="value.servicedOn" @change="(servicedOn) => put({ servicedOn })" />
    </div>
  </section>
</template>
