<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'

/** Whether something is there, or nobody has looked yet. */
defineProps<{ label: string; value: boolean | null; yes?: string; no?: string }>()
const emit = defineEmits<{ change: [value: boolean | null] }>()
</script>

<template>
  <ChoiceField
    :label="label"
    :value="value === null ? 'unknown' : value ? 'yes' : 'no'"
    :choices="[
      { value: 'unknown', name: 'not checked' },
      { value: 'yes', name: yes ?? 'yes' },
      { value: 'no', name: no ?? 'no' },
    ]"
    @change="(v) => emit('change', v === 'unknown' ? null : v === 'yes')"
  />
</template>
