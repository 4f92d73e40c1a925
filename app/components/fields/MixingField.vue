<script setup lang="ts">
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { MixingValve } from '~~/core/study/mixing'

/** A thermostatic mixing valve: whether it is there, what it is set to, and when it was last tried. */
const props = defineProps<{ label: string; value: MixingValve }>()
const emit = defineEmits<{ change: [value: MixingValve] }>()
const set = computed(() => (typeof props.value === 'object' ? props.value : null))
const there = computed(() => (set.value ? true : props.value === 'none' ? false : null))
const shape = MixingValve.options[1].shape
</script>

<template>
  <YesNoField
    :label="label"
    :value="there"
    @change="(v) => emit('change', v ? { mixesToC: null, testedOn: null } : v === false ? 'none' : 'not checked')"
  />
  <NumberField
    v-if="set"
    label="TMV setting"
    help="Leave blank if not measured"
    quantity="temperature"
    optional
    :schema="shape.mixesToC"
    :value="set.mixesToC"
    @change="(v) => emit('change', { ...set!, mixesToC: v })"
  />
  <DateField
    v-if="set"
    label="Last fail-safe test"
    :value="set.testedOn"
    @change="(v) => emit('change', { ...set!, testedOn: v })"
  />
</template>
