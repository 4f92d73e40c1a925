<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DataSourceFields from '~/components/fields/DataSourceFields.vue'
import MixingField from '~/components/fields/MixingField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import StoreConnections from '~/components/stations/StoreConnections.vue'
import { useStudy } from '~/stores/study'
import { PLACE_NAMES } from '~/utils/places'
import { burnScale } from '~~/core/household/burn-scale'
import { DISCHARGE } from '~~/core/safety/discharge'
import { LABEL_CLASSES, standingUa, TEST_RISE_K } from '~~/core/stores/standing-loss'
import { RELIEF_KINDS, StoreField } from '~~/core/study/store'

const table = useStudy()
const store = computed(() => table.study!.plant.store)
const shape = StoreField.shape
const ua = computed(() => (store.value ? standingUa(store.value.loss, store.value.litres) : 0))
function setLoss(kind: 'ua' | 'test' | 'label') {
  table.change('loss kind', (d) => {
    const now = Math.round(ua.value * 100) / 100
    d.plant.store!.loss =
      kind === 'ua'
        ? { kind, uaWK: now }
        : kind === 'test'
          ? { kind, kwhDay: Math.round(now * TEST_RISE_K * 2.4) / 100, riseK: TEST_RISE_K }
          : { kind, label: 'C' }
  })
}
</script>

<template>
  <div v-if="store" class="grid grid-cols-2 gap-3 md:grid-cols-4">
    <TextField
      label="Name"
      :value="store.name"
      @change="(v) => table.change('store name', (d) => void (d.plant.store!.name = v))"
    />
    <NumberField
      label="Volume"
      quantity="volume"
      :schema="shape.litres"
      :decimals="0"
      :value="store.litres"
      :origin="table.origin('plant.store.litres')"
      @change="(v) => table.change('litres', (d) => void (d.plant.store!.litres = v!))"
    />
    <NumberField
      label="Internal height"
      quantity="length"
      :decimals="2"
      :schema="shape.heightM"
      :value="store.heightM"
      :origin="table.origin('plant.store.heightM')"
      @change="(v) => table.change('height', (d) => void (d.plant.store!.heightM = v!))"
    />
    <NumberField
      label="Year on its plate"
      :decimals="0"
      optional
      :schema="shape.madeYear"
      :value="store.madeYear"
      @change="(v) => table.change('made', (d) => void (d.plant.store!.madeYear = v))"
    />
    <ChoiceField
      label="Location"
      :value="store.place"
      :choices="PLACE_NAMES"
      @change="(v) => table.change('store place', (d) => void (d.plant.store!.place = v))"
    />
    <NumberField
      label="Surrounding air"
      quantity="temperature"
      optional
      help="Leave blank for the usual value"
      :schema="shape.ambientC"
      :value="store.ambientC"
      :origin="table.origin('plant.store.ambientC')"
      @change="(v) => table.change('store air', (d) => void (d.plant.store!.ambientC = v))"
    />
    <ChoiceField
      label="Standing loss from"
      :value="store.loss.kind"
      :choices="[
        { value: 'label', name: 'label class' },
        { value: 'test', name: 'test result' },
        { value: 'ua', name: 'measured UA' },
      ]"
      @change="setLoss"
    />
    <ChoiceField
      v-if="store.loss.kind === 'label'"
      label="Label class"
      :value="store.loss.label"
      :choices="LABEL_CLASSES.map((value) => ({ value, name: value }))"
      @change="
        (v) =>
          table.change('label', (d) => {
            const l = d.plant.store!.loss
            if (l.kind === 'label') l.label = v
          })
      "
    />
    <template v-else-if="store.loss.kind === 'test'">
      <NumberField
        label="Loss in 24 h"
        unit="kWh"
        :schema="shape.loss.options[1].shape.kwhDay"
        :value="store.loss.kwhDay"
        @change="
          (v) =>
            table.change('test loss', (d) => {
              const l = d.plant.store!.loss
              if (l.kind === 'test') l.kwhDay = v!
            })
        "
      />
      <NumberField
        label="Test temperature difference"
        quantity="rise"
        :schema="shape.loss.options[1].shape.riseK"
        :value="store.loss.riseK"
        @change="
          (v) =>
            table.change('test rise', (d) => {
              const l = d.plant.store!.loss
              if (l.kind === 'test') l.riseK = v!
            })
        "
      />
    </template>
    <NumberField
      v-else
      label="Heat loss coefficient (UA)"
      quantity="lossRate"
      :schema="shape.loss.options[0].shape.uaWK"
      :value="store.loss.uaWK"
      @change="
        (v) =>
          table.change('ua', (d) => {
            const l = d.plant.store!.loss
            if (l.kind === 'ua') l.uaWK = v!
          })
      "
    />
    <DataSourceFields
      v-if="store.loss.kind !== 'ua'"
      :value="store.dataSource"
      @change="(v) => table.change('store papers', (d) => void (d.plant.store!.dataSource = v))"
    />
    <p class="caption self-end pb-2">
      {{ table.units.figure('lossRate', ua) }}: {{ table.units.figure('energy', (ua * TEST_RISE_K * 24) / 1000, 2) }} a
      day at {{ table.units.figure('rise', TEST_RISE_K) }} above the room. Measure it by overnight drop under
      Readings<span
        v-if="table.origin('plant.store.loss') === 'assumed'"
        class="ml-1 border-b border-dashed border-line-strong italic"
        >assumed</span
      >
    </p>
    <NumberField
      label="Sensor height"
      help="0 = bottom of the cylinder, 1 = top"
      :origin="table.origin('plant.store.sensorHeight')"
      :schema="shape.sensorHeight"
      :value="store.sensorHeight"
      @change="(v) => table.change('sensor', (d) => void (d.plant.store!.sensorHeight = v!))"
    />
    <NumberField
      label="Inlet mixing fraction"
      help="Share of volume mixed by incoming cold water, 0 to 0.3; low with a baffle"
      :origin="table.origin('plant.store.inletMix')"
      :schema="shape.inletMix"
      :value="store.inletMix"
      @change="(v) => table.change('inlet', (d) => void (d.plant.store!.inletMix = v!))"
    />
    <StoreConnections />
    <MixingField
      label="Thermostatic mixing valve"
      :value="store.mixing"
      @change="(v) => table.change('mixing valve', (d) => void (d.plant.store!.mixing = v))"
    />
    <YesNoField
      label="Relief valve"
      :value="store.reliefValve"
      @change="(v) => table.change('relief', (d) => void (d.plant.store!.reliefValve = v))"
    />
    <ChoiceField
      v-if="store.reliefValve !== false"
      label="Relief valve type"
      :value="store.reliefKind"
      :choices="RELIEF_KINDS.map((value) => ({ value, name: value }))"
      @change="(v) => table.change('relief kind', (d) => void (d.plant.store!.reliefKind = v))"
    />
    <NumberField
      v-if="store.reliefValve !== false"
      label="Relief pressure"
      quantity="pressure"
      optional
      :schema="shape.reliefBar"
      :value="store.reliefBar"
      @change="(v) => table.change('relief pressure', (d) => void (d.plant.store!.reliefBar = v))"
    />
    <NumberField
      v-if="store.reliefKind !== 'pressure only'"
      label="Relief temperature"
      quantity="temperature"
      :schema="shape.reliefC"
      :value="store.reliefC"
      @change="(v) => table.change('relief at', (d) => void (d.plant.store!.reliefC = v!))"
    />
    <YesNoField
      v-if="store.reliefKind !== 'pressure only'"
      label="T&P probe at top of cylinder"
      :value="store.reliefAtTop"
      @change="(v) => table.change('relief at top', (d) => void (d.plant.store!.reliefAtTop = v))"
    />
    <YesNoField
      label="Discharge ends in a safe place"
      :value="store.reliefPiped"
      @change="(v) => table.change('relief piped', (d) => void (d.plant.store!.reliefPiped = v))"
    />
    <YesNoField
      label="Isolating valve before the relief valve"
      :value="store.valveBeforeRelief"
      @change="(v) => table.change('valve before relief', (d) => void (d.plant.store!.valveBeforeRelief = v))"
    />
    <YesNoField
      v-for="(label, key) in DISCHARGE"
      :key="key"
      :label="label"
      :value="store.discharge[key]"
      @change="(v) => table.change(`discharge ${key}`, (d) => void (d.plant.store!.discharge[key] = v))"
    />
    <TextField
      label="Discharge observed by"
      optional
      :value="store.discharge.watchedBy"
      @change="(v) => table.change('discharge watched', (d) => void (d.plant.store!.discharge.watchedBy = v))"
    />
    <p class="caption col-span-full border-l-4 border-line-strong pl-2">
      A cylinder requires a relief valve that is fitted, sized, piped to a safe place and never blocked. Scald limit
      here {{ table.units.temperature(burnScale(table.study!).limitC) }}: above it a thermostatic mixing valve is
      required.
    </p>
  </div>
</template>
