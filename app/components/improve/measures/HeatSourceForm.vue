<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import EfficiencyFields from '~/components/fields/EfficiencyFields.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { HEATER_ROWS } from '~/utils/heater-rows'
import { PLACE_NAMES } from '~/utils/places'
import { HEATERS } from '~~/core/heaters/kinds'
import { choicesOf } from '~~/core/household/edits/heat-source'
import { CARRIER_NAMES } from '~~/core/money/carriers'
import { SetpointC } from '~~/core/study/controls'
import { carrierOf, efficiencyOf } from '~~/core/study/heater-kinds'
import type { MeasureOf } from '~~/core/study/measures'
import { valueAt } from '~~/core/study/paths'
import { StoreField } from '~~/core/study/plant'

/** Another heat source, in the place of one or beside it. */
const props = defineProps<{ measure: MeasureOf<'heat-source'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const gone = computed(() =>
  table.study!.plant.heaters.filter((h) => props.measure.replaces.includes(h.id)).map((h) => h.name),
)
/** What can be chosen of it, and how well it burns. */
const choices = computed(() => choicesOf(table.study!, props.measure.heater))
const efficiency = computed(() => efficiencyOf(props.measure.heater))
const figure = (path: string) => valueAt(props.measure.heater, path) as number | null
</script>

<template>
  <p class="col-span-full text-sm">
    {{ HEATERS[measure.heater.kind].name
    }}{{ measure.replaces.length ? `, replacing ${gone.join(', ')}` : ', additional' }}. Its figures are assumed until
    those of a product are entered.
  </p>
  <NumberField
    v-if="measure.control"
    label="Setpoint"
    quantity="temperature"
    :schema="SetpointC"
    :value="measure.control.setpointC"
    @change="(v) => emit('change', 'control.setpointC', v)"
  />
  <NumberField
    v-if="measure.store"
    label="Cylinder included"
    quantity="volume"
    :schema="StoreField.shape.litres"
    :value="measure.store.litres"
    @change="(v) => emit('change', 'store.litres', v)"
  />
  <ChoiceField
    label="Location"
    :value="measure.heater.place"
    :choices="PLACE_NAMES"
    @change="(v) => emit('change', 'heater.place', v)"
  />
  <ChoiceField
    v-if="choices.carrier && 'carrier' in measure.heater"
    label="Fuel"
    :value="measure.heater.carrier"
    :choices="choices.carrier.map((value) => ({ value, name: CARRIER_NAMES[value] }))"
    @change="(v) => emit('change', 'heater.carrier', v)"
  />
  <ChoiceField
    v-if="choices.phases && 'phases' in measure.heater"
    label="Phases"
    :value="measure.heater.phases"
    :choices="choices.phases.map((value) => ({ value, name: value === 3 ? 'three' : 'one' }))"
    @change="(v) => emit('change', 'heater.phases', v)"
  />
  <ChoiceField
    v-if="choices.air && 'air' in measure.heater"
    label="Air"
    :value="measure.heater.air"
    :choices="choices.air.map((value) => ({ value, name: value === 'outdoors' ? 'from outdoors' : value }))"
    @change="(v) => emit('change', 'heater.air', v)"
  />
  <EfficiencyFields
    v-if="efficiency"
    :efficiency="efficiency"
    :carrier="carrierOf(measure.heater)"
    @change="(v) => emit('change', 'heater.efficiency', v)"
  />
  <NumberField
    v-for="r in HEATER_ROWS[measure.heater.kind]"
    :key="r.path"
    :label="r.label"
    :quantity="r.quantity"
    :unit="r.unit"
    :optional="r.optional"
    :decimals="r.decimals"
    :help="r.help"
    :schema="r.schema"
    :value="figure(r.path)"
    @change="(v) => emit('change', `heater.${r.path}`, v)"
  />
  <MonthsField
    class="col-span-full"
    label="Months in use"
    :value="measure.heater.months"
    @change="(v) => emit('change', 'heater.months', v)"
  />
</template>
