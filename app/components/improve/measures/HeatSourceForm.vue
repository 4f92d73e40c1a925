<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import EfficiencyFields from '~/components/fields/EfficiencyFields.vue'
import HeaterChoices from '~/components/fields/HeaterChoices.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { HEATER_ROWS } from '~/utils/heater-rows'
import { PLACE_NAMES } from '~/utils/places'
import { HEATERS } from '~~/core/heaters/kinds'
import { type Choice, choiceOf, choicesOf } from '~~/core/household/edits/heat-source'
import { SetpointC } from '~~/core/study/controls'
import { carrierOf, efficiencyOf } from '~~/core/study/heater-kinds'
import type { MeasureOf } from '~~/core/study/measures'
import { valueAt } from '~~/core/study/paths'
import { StoreField } from '~~/core/study/store'

/** Another heat source, in the place of one or beside it. */
const props = defineProps<{ measure: MeasureOf<'heat-source'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const gone = computed(() =>
  table.study!.plant.heaters.filter((h) => props.measure.replaces.includes(h.id)).map((h) => h.name),
)
/** How well it burns. */
const efficiency = computed(() => efficiencyOf(props.measure.heater))
function choose(choice: Choice) {
  for (const [key, value] of Object.entries(choice)) emit('change', `heater.${key}`, value)
}
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
  <HeaterChoices
    :choices="choicesOf(table.study!, measure.heater)"
    :choice="choiceOf(measure.heater)"
    @change="choose"
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
