<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { useStudy } from '~/stores/study'

/** A tap of the house. */
defineProps<{ value: string; label?: string }>()
const emit = defineEmits<{ change: [id: string] }>()
const table = useStudy()
const taps = computed(() => table.study!.pipes.taps.map((t) => ({ value: t.id, name: t.name })))
</script>

<template>
  <ChoiceField :label="label ?? 'Outlet'" :value="value" :choices="taps" @change="(v) => emit('change', v)" />
</template>
