<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { useStudy } from '~/stores/study'
import { MATERIAL_NAMES, nearestSize, sizeChoices } from '~/utils/pipe-choices'
import type { BoughtPipe } from '~~/core/household/engineer/defaults'
import { type Material, sizesOf } from '~~/core/pipes/catalogue'

/** A pipe as it is bought, or none of one's own. */
const props = defineProps<{ label: string; value: BoughtPipe | null }>()
const emit = defineEmits<{ change: [value: BoughtPipe | null] }>()
const table = useStudy()
const materials = [{ value: null, name: 'not set' }, ...MATERIAL_NAMES]
const setMaterial = (material: Material | null) =>
  emit(
    'change',
    material && { material, size: props.value ? nearestSize(props.value, material) : sizesOf(material)[1]! },
  )
</script>

<template>
  <fieldset>
    <legend class="font-semibold">{{ label }}</legend>
    <ChoiceField
      :label="`${label}: material`"
      short="Material"
      :value="value?.material ?? null"
      :choices="materials"
      @change="setMaterial"
    />
    <ChoiceField
      v-if="value"
      :label="`${label}: size`"
      short="Size"
      :value="value.size"
      :choices="sizeChoices(value.material, table.units)"
      @change="(size) => emit('change', { ...value!, size })"
    />
  </fieldset>
</template>
