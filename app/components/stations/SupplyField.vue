<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import { Element, type Supply } from '~~/core/study/plant'

/** What an electric supply allows and its voltage: one says nothing without the other, so half of it waits here. */
const props = defineProps<{ value: Supply | null }>()
const emit = defineEmits<{ change: [value: Supply | null] }>()

const shape = Element.shape.supply.unwrap().shape
const amps = ref<number | null>(null)
const volts = ref<number | null>(null)
watch(
  () => props.value,
  (supply) => void ((amps.value = supply?.amps ?? null), (volts.value = supply?.volts ?? null)),
  { immediate: true },
)
const half = computed(() => (amps.value === null) !== (volts.value === null))

function put(part: { amps?: number | null; volts?: number | null }) {
  if (part.amps !== undefined) amps.value = part.amps
  if (part.volts !== undefined) volts.value = part.volts
  if (!half.value) emit('change', amps.value === null ? null : { amps: amps.value, volts: volts.value! })
}
</script>

<template>
  <NumberField
    label="Supply capacity"
    unit="A"
    optional
    :schema="shape.amps"
    :value="amps"
    :help="half && amps === null ? 'Saved once the voltage is entered' : undefined"
    @change="(v) => put({ amps: v })"
  />
  <NumberField
    label="Voltage"
    unit="V"
    optional
    :schema="shape.volts"
    :value="volts"
    :help="half && volts === null ? 'Saved once the current is entered' : undefined"
    @change="(v) => put({ volts: v })"
  />
</template>
