<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationField from '~/components/fields/InsulationField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import ReturnValve from '~/components/stations/ReturnValve.vue'
import { useStudy } from '~/stores/study'
import { MATERIAL_NAMES, nearestSize, sizeChoices } from '~/utils/pipe-choices'
import { PLACE_NAMES } from '~/utils/places'
import { defaultReturns } from '~~/core/household/defaults/loop'
import { bypassOf } from '~~/core/household/loop'
import { LOOP_PLACE_NAMES } from '~~/core/household/loop-places'
import { Loop, LOOP_PLACES } from '~~/core/study/pipes'
import type { Origin } from '~~/core/study/shape'

/** A loop: where it turns, its pump, and what carries the water back. */
const props = defineProps<{ loop: Loop; origin: (path: string) => Origin | undefined }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const bypass = computed(() => bypassOf(props.loop))
const line = computed(() => (bypass.value ? 'Cold pipe' : 'Return'))
const places = LOOP_PLACES.map((value) => ({ value, name: LOOP_PLACE_NAMES[value] }))
const [OWN, COLD] = Loop.shape.returns.options
const size = computed(() => sizeChoices(props.loop.back.material, table.units))
</script>

<template>
  <ChoiceField
    label="Return connects at end of"
    :value="loop.returnConnectionRunId"
    :choices="table.study!.pipes.runs.map((r) => ({ value: r.id, name: r.name }))"
    @change="(v) => emit('change', 'returnConnectionRunId', v)"
  />
  <NumberField
    label="Pump flow rate"
    quantity="flow"
    :schema="Loop.shape.pumpLMin"
    :value="loop.pumpLMin"
    :origin="origin('pumpLMin')"
    @change="(v) => emit('change', 'pumpLMin', v)"
  />
  <NumberField
    label="Pump power"
    quantity="watts"
    :schema="Loop.shape.pumpW"
    :value="loop.pumpW"
    @change="(v) => emit('change', 'pumpW', v)"
  />
  <ChoiceField
    label="Return path"
    :value="loop.returns.by"
    :choices="[
      { value: 'own pipe', name: 'dedicated return pipe' },
      { value: 'cold line', name: 'cold pipe with bypass valve' },
    ]"
    @change="(v) => emit('change', 'returns', defaultReturns(v))"
  />
  <NumberField
    v-if="loop.returns.by === 'cold line'"
    label="Bypass valve closes at"
    quantity="temperature"
    :schema="COLD.shape.closesAtC"
    :value="loop.returns.closesAtC"
    @change="(v) => emit('change', 'returns.closesAtC', v)"
  />
  <ChoiceField
    label="Pump location"
    :value="loop.pumpAt"
    :choices="places"
    @change="(v) => emit('change', 'pumpAt', v)"
  />
  <ChoiceField
    label="Sensor location"
    :value="loop.sensorAt"
    :choices="places"
    @change="(v) => emit('change', 'sensorAt', v)"
  />
  <ReturnValve :loop="loop" @change="(path, value) => emit('change', path, value)" />
  <NumberField
    v-if="loop.returns.by === 'own pipe'"
    label="Return connection height"
    help="0 = bottom of the cylinder, 1 = top"
    :schema="OWN.shape.height"
    :value="loop.returns.height"
    @change="(v) => emit('change', 'returns.height', v)"
  />
  <ChoiceField
    :label="`${line}: material`"
    :value="loop.back.material"
    :choices="MATERIAL_NAMES"
    @change="(v) => emit('change', 'back', { ...loop.back, material: v, size: nearestSize(loop.back, v) })"
  />
  <ChoiceField
    :label="`${line}: size`"
    :value="loop.back.size"
    :choices="size"
    @change="(v) => emit('change', 'back.size', v)"
  />
  <NumberField
    :label="`${line}: length`"
    quantity="length"
    :schema="Loop.shape.back.shape.lengthM"
    :value="loop.back.lengthM"
    @change="(v) => emit('change', 'back.lengthM', v)"
  />
  <ChoiceField
    :label="`${line}: location`"
    :value="loop.back.place"
    :choices="PLACE_NAMES"
    @change="(v) => emit('change', 'back.place', v)"
  />
  <InsulationField
    :label="`${line}: insulation`"
    :value="loop.back.insulation"
    @change="(v) => emit('change', 'back.insulation', v)"
  />
</template>
