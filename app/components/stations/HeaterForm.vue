<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DataSourceFields from '~/components/fields/DataSourceFields.vue'
import EfficiencyFields from '~/components/fields/EfficiencyFields.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import CombustionFields from '~/components/stations/CombustionFields.vue'
import FailSafeFields from '~/components/stations/FailSafeFields.vue'
import FiringDiary from '~/components/stations/FiringDiary.vue'
import MakerCurve from '~/components/stations/MakerCurve.vue'
import StovePipework from '~/components/stations/StovePipework.vue'
import SupplyField from '~/components/stations/SupplyField.vue'
import { useStudy } from '~/stores/study'
import { FLOW_OF_PUMP } from '~/utils/heater-rows'
import { HEATER_ROWS } from '~/utils/heater-rows'
import { PLACE_NAMES } from '~/utils/places'
import { circuitFlow, riseAt } from '~~/core/heaters/fire'
import { ASSUMED_FIRE_PUMP, assumedBackup } from '~~/core/household/defaults/assumed-heaters'
import { withPrices } from '~~/core/household/edits/plant'
import { outputFromPlate } from '~~/core/household/plate'
import { reservoirDay } from '~~/core/household/reservoir-day'
import { CARRIER_NAMES } from '~~/core/money/carriers'
import { HeaterControl } from '~~/core/study/controls'
import { BurnerFuel, FireFuel } from '~~/core/study/fuels'
import {
  burnsFuel,
  carrierOf,
  efficiencyOf,
  hasSetpoint,
  isFireOnStore,
  isHeatPump,
  isInstantaneous,
  isPointOfUse,
} from '~~/core/study/heater-kinds'
import { valueAt, withValueAt } from '~~/core/study/paths'
import {
  type Backup,
  BACKUPS,
  BoilerCoil,
  FUNCTION_STATES,
  type Heater,
  HEATER_FUNCTIONS,
  HeatPump,
  OUTPUT_HOLDS,
  UNITS_SHARE,
} from '~~/core/study/plant'

/** One heater: its figures, what it has, and how it was found set. */
const props = defineProps<{ heater: Heater }>()
const table = useStudy()
const units = computed(() => table.units)
const at = (path: string) => `plant.heaters.${props.heater.id}.${path}`
const figure = (path: string) => valueAt(props.heater, path) as number | null
const put = (path: string, value: unknown) => table.replace((s) => withValueAt(s, at(path), value))
const control = computed(() => table.study!.controls.found.heaters[props.heater.id]!)
const putControl = (key: string, value: unknown) =>
  table.replace((s) => withValueAt(s, `controls.found.heaters.${props.heater.id}.${key}`, value))
const fuels = computed(() =>
  ('carrier' in props.heater
    ? (BurnerFuel.options as readonly string[]).includes(props.heater.carrier)
      ? BurnerFuel.options
      : FireFuel.options
    : []
  ).map((value) => ({ value: value as string, name: CARRIER_NAMES[value] })),
)
const burn = (fuel: string) => table.replace((s) => withPrices(withValueAt(s, at('carrier'), fuel)))
const efficiency = computed(() => efficiencyOf(props.heater))
const backupShape = HeatPump.shape.backup.options
const BACKUP_NAMES: Record<Backup['by'], string> = {
  'top of store': 'cylinder top below setpoint',
  'recovery time': 'reheat time too long',
  'boost only': 'manual boost only',
}
const fromPlate = computed(() => outputFromPlate(props.heater))
const taps = computed(() => table.study!.pipes.taps.map((t) => ({ value: t.id, name: t.name })))
/** How a function was found, as it is said. */
const FUNCTION_WORDS: Record<(typeof FUNCTION_STATES)[number], string> = {
  'not checked': 'not checked',
  'not there': 'not fitted',
  'as it came': 'factory setting',
  'gone through': 'reviewed',
}
const states = FUNCTION_STATES.map((value) => ({ value, name: FUNCTION_WORDS[value] }))
const ofDay = computed(() =>
  isPointOfUse(props.heater) && 'firings' in props.heater ? reservoirDay(table.study!, props.heater) : null,
)
const circuit = computed(() => {
  const h = props.heater
  if (!isFireOnStore(h)) return null
  const flowLMin = circuitFlow(h.circuit, h.waterKw)
  return { flowLMin, riseK: riseAt(flowLMin, h.waterKw) }
})
</script>

<template>
  <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
    <TextField label="Name" :value="heater.name" @change="(v) => put('name', v)" />
    <ChoiceField label="Location" :value="heater.place" :choices="PLACE_NAMES" @change="(v) => put('place', v)" />
    <ChoiceField
      v-if="isPointOfUse(heater)"
      label="Serves"
      :value="heater.tapId"
      :choices="taps"
      @change="(v) => put('tapId', v)"
    />
    <ChoiceField
      v-if="'feed' in heater"
      label="Filled from"
      :value="heater.feed"
      :choices="[
        { value: 'cold', name: 'the cold main' },
        { value: 'hot', name: 'the hot pipe' },
      ]"
      @change="(v) => put('feed', v)"
    />
    <ChoiceField
      v-if="'carrier' in heater"
      label="Fuel"
      :value="String(heater.carrier)"
      :choices="fuels"
      @change="burn"
    />
    <ChoiceField
      v-if="isHeatPump(heater)"
      label="Air source"
      :value="heater.air"
      :choices="[
        { value: 'where it stands', name: 'where it stands' },
        { value: 'outdoors', name: 'from outdoors' },
      ]"
      @change="(v) => put('air', v)"
    />
    <template v-if="isHeatPump(heater)">
      <ChoiceField
        label="Backup control"
        :value="heater.backup.by"
        :choices="BACKUPS.map((value) => ({ value, name: BACKUP_NAMES[value] }))"
        @change="(v) => put('backup', assumedBackup(v))"
      />
      <NumberField
        v-if="heater.backup.by === 'top of store'"
        label="Cylinder top below setpoint by"
        quantity="rise"
        :schema="backupShape[0].shape.belowK"
        :value="heater.backup.belowK"
        @change="(v) => put('backup', { by: 'top of store', belowK: v })"
      />
      <NumberField
        v-if="heater.backup.by === 'recovery time'"
        label="Reheat time longer than"
        unit="h"
        :decimals="1"
        :schema="backupShape[1].shape.hours"
        :value="heater.backup.hours"
        @change="(v) => put('backup', { by: 'recovery time', hours: v })"
      />
    </template>
    <ChoiceField
      v-if="'exchanger' in heater"
      label="Water heated"
      :value="heater.exchanger"
      :choices="[
        { value: 'direct', name: 'by the burner directly' },
        { value: 'plate', name: 'by a plate heat exchanger (combi)' },
      ]"
      @change="(v) => put('exchanger', v)"
    />
    <ChoiceField
      v-if="isInstantaneous(heater) && heater.units > 1"
      label="Cascade control"
      :value="heater.unitsShare"
      :choices="UNITS_SHARE.map((value) => ({ value, name: value }))"
      @change="(v) => put('unitsShare', v)"
    />
    <ChoiceField
      v-if="'outputHolds' in heater"
      label="Rated output applies"
      :value="heater.outputHolds"
      :choices="OUTPUT_HOLDS.map((value) => ({ value, name: value }))"
      @change="(v) => put('outputHolds', v)"
    />
    <ChoiceField
      v-if="'phases' in heater"
      label="Phases"
      :value="heater.phases"
      :choices="[
        { value: 1 as 1 | 3, name: 'one' },
        { value: 3 as 1 | 3, name: 'three' },
      ]"
      @change="(v) => put('phases', v)"
    />
    <template v-if="hasSetpoint(heater)">
      <NumberField
        label="Setpoint as found"
        quantity="temperature"
        :schema="HeaterControl.shape.setpointC"
        :value="control.setpointC"
        :origin="table.origin(`controls.found.heaters.${heater.id}.setpointC`)"
        @change="(v) => putControl('setpointC', v)"
      />
      <NumberField
        label="Switching differential"
        quantity="rise"
        :schema="HeaterControl.shape.differentialK"
        :value="control.differentialK"
        @change="(v) => putControl('differentialK', v)"
      />
      <ChoiceField
        v-if="isInstantaneous(heater)"
        label="Keep-hot as found"
        :value="control.keepHot ? 'on' : 'off'"
        :choices="[
          { value: 'off', name: 'off' },
          { value: 'on', name: 'on' },
        ]"
        @change="(v) => putControl('keepHot', v === 'on')"
      />
    </template>
    <EfficiencyFields
      v-if="efficiency"
      :efficiency="efficiency"
      :carrier="carrierOf(heater)"
      :origin="table.origin(at('efficiency'))"
      @change="(v) => put('efficiency', v)"
    />
    <NumberField
      v-for="r in HEATER_ROWS[heater.kind]"
      :key="r.path"
      :label="r.label"
      :quantity="r.quantity"
      :unit="r.unit"
      :optional="r.optional"
      :decimals="r.decimals"
      :help="r.help"
      :schema="r.schema"
      :value="figure(r.path)"
      :origin="table.origin(at(r.path))"
      @change="(v) => put(r.path, v)"
    />
    <SupplyField v-if="'supply' in heater" :value="heater.supply" @change="(v) => put('supply', v)" />
    <template v-if="isFireOnStore(heater)">
      <ChoiceField
        label="Circulated by"
        :value="heater.circuit.pump ? 'pump' : 'gravity'"
        :choices="[
          { value: 'gravity', name: 'gravity' },
          { value: 'pump', name: 'a pump' },
        ]"
        @change="(v) => put('circuit.pump', v === 'pump' ? { ...ASSUMED_FIRE_PUMP } : null)"
      />
      <NumberField
        v-if="heater.circuit.pump"
        label="Pump flow rate"
        quantity="flow"
        :schema="FLOW_OF_PUMP"
        :value="heater.circuit.pump.flowLMin"
        @change="(v) => put('circuit.pump.flowLMin', v)"
      />
      <FailSafeFields
        v-if="heater.circuit.pump"
        :value="heater.circuit.failSafe"
        @change="(v) => put('circuit.failSafe', v)"
      />
      <p class="caption col-span-2 self-end pb-2">
        <template v-if="circuit && circuit.flowLMin > 0"
          >{{ units.figure('flow', circuit.flowLMin) }} at a return of {{ units.temperature(50) }}: rise
          {{ units.figure('rise', circuit.riseK) }}. Rule of thumb: 1 vertical to 2 horizontal.</template
        >
        <template v-else
          >No gravity circulation: the cylinder must be level with or above the stove, or a pump is required.</template
        >
      </p>
    </template>
    <p v-if="ofDay" class="caption col-span-2 self-end pb-2">
      On a winter day it produces {{ units.figure('volume', ofDay.makesL, 0) }} at
      {{ units.temperature(ofDay.requiredC) }}; {{ units.figure('volume', ofDay.usesL, 0) }} are drawn off.
    </p>
    <YesNoField
      label="Settings reviewed"
      no="as they left the factory"
      :value="heater.settingsReviewed"
      @change="(v) => put('settingsReviewed', v)"
    />
  </div>
  <CombustionFields v-if="burnsFuel(heater)" :value="heater.combustion" @change="(v) => put('combustion', v)" />
  <StovePipework v-if="isFireOnStore(heater)" :heater="heater" @change="(v) => put('way', v)" />
  <MakerCurve v-if="isInstantaneous(heater)" :heater="heater" @change="(v) => put('makerFlow', v)" />
  <FiringDiary v-if="'firings' in heater" :firings="heater.firings" @change="(v) => put('firings', v)" />
  <details class="mt-2">
    <summary class="cursor-pointer py-2.5 text-sm font-semibold text-copper">
      Data plate, data source, months, functions, flue and supply
    </summary>
    <div class="mt-1 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <NumberField
        label="Rated input (data plate)"
        quantity="power"
        optional
        :schema="BoilerCoil.shape.plate.unwrap().shape.inputKw"
        :value="heater.plate?.inputKw ?? null"
        @change="(v) => put('plate', v === null ? null : { inputKw: v, on: heater.plate?.on ?? 'gross' })"
      />
      <ChoiceField
        v-if="heater.plate"
        label="Rating basis"
        :value="heater.plate.on"
        :choices="[
          { value: 'gross', name: 'gross (HHV)' },
          { value: 'net', name: 'net (LHV)' },
        ]"
        @change="(v) => put('plate.on', v)"
      />
      <div v-if="fromPlate !== null" class="self-end">
        <button class="tool" @click="put('outputKw', fromPlate)">Output {{ units.figure('power', fromPlate) }}</button>
        <p class="caption">Gross input × efficiency</p>
      </div>
      <DataSourceFields :value="heater.dataSource" @change="(v) => put('dataSource', v)" />
      <ChoiceField
        v-for="(name, key) in HEATER_FUNCTIONS"
        :key="key"
        :label="name"
        :value="heater.functions[key]"
        :choices="states"
        @change="(v) => put(`functions.${key}`, v)"
      />
      <MonthsField
        class="col-span-full"
        label="Months in use"
        :value="heater.months"
        @change="(v) => put('months', v)"
      />
      <TextField
        class="col-span-full"
        label="Flue, supply, condition"
        long
        optional
        :value="heater.note"
        @change="(v) => put('note', v)"
      />
    </div>
  </details>
</template>
