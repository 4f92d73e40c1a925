<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import type { Meter } from '~~/core/study/meters'

/** Which of several meters; of one there is nothing to choose. */
defineProps<{ meters: readonly Meter[]; meter: Meter }>()
const emit = defineEmits<{ choose: [id: string] }>()
</script>

<template>
  <ChoiceField
    v-if="meters.length > 1"
    label="Meter"
    :value="meter.id"
    :choices="meters.map((m) => ({ value: m.id, name: m.name }))"
    @change="(v) => emit('choose', v)"
  />
</template>
