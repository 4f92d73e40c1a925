<script setup lang="ts">
import { useStudy } from '~/stores/study'
import type { Shown } from '~~/core/units/display'

/** A figure with its unit, as the study writes it. */
const props = defineProps<{ figure: Shown; value: number | string | null; difference?: boolean }>()
const table = useStudy()
const text = computed(() =>
  props.difference && typeof props.value === 'number'
    ? table.units.difference(props.figure, props.value)
    : table.units.value(props.figure, props.value),
)
</script>

<template>
  <span class="whitespace-nowrap">{{ text }}</span>
</template>
