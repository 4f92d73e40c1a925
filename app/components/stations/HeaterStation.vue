<script setup lang="ts">
import { ArrowUp, Plus, Trash2 } from '@lucide/vue'
import { addHeater, changeHeaterKind, raiseHeater, removeHeater, withPrices } from '~~/core/study/plant-edits'
import { BoilerCoil, Element, GasStoreBurner, HEATER_KINDS, InstantGas, type Heater } from '~~/core/study/plant'
import { HeaterControl } from '~~/core/controls/controls'
import { efficiencyAt } from '~~/core/heaters/efficiency'
import { CARRIERS, CARRIER_NAMES } from '~~/core/money/carriers'
import type { z } from 'zod'
import type { Quantity } from '~~/core/units/quantities'

const table = useStudy()
const heaters = computed(() => table.study!.plant.heaters)

interface Row {
  path: string
  label: string
  schema: z.ZodType
  quantity?: Quantity
  unit?: string
}
const row = (path: string, label: string, schema: z.ZodType, quantity?: Quantity, unit?: string): Row => ({ path, label, schema, quantity, unit })
const b = BoilerCoil.shape
const g = InstantGas.shape
const s = GasStoreBurner.shape
const ROWS: Record<Heater['kind'], Row[]> = {
  'boiler-coil': [
    row('outputKw', 'Output', b.outputKw, 'power'),
    row('leastOutputKw', 'Least output', b.leastOutputKw, 'power'),
    row('purgeWh', 'Lost at each start', b.purgeWh, undefined, 'Wh'),
    row('startLagS', 'Start-up lag', b.startLagS, 'seconds'),
    row('standbyW', 'Electronics', b.standbyW, 'watts'),
    row('coil.uaWK', 'Coil, heat for each kelvin', b.coil.shape.uaWK, 'lossRate'),
    row('primary.litres', 'Water between boiler and coil', b.primary.shape.litres, 'volume'),
    row('primary.uaWK', 'Loss of that circuit', b.primary.shape.uaWK, 'lossRate'),
    row('primary.flowLMin', 'Flow of that circuit', b.primary.shape.flowLMin, 'flow'),
    row('primary.flowMaxC', 'Hottest flow to the coil', b.primary.shape.flowMaxC, 'temperature'),
    row('primary.pumpW', 'Its pump', b.primary.shape.pumpW, 'watts'),
  ],
  'instant-gas': [
    row('outputKw', 'Output', g.outputKw, 'power'),
    row('leastOutputKw', 'Least output', g.leastOutputKw, 'power'),
    row('leastFlowLMin', 'Least flow to fire', g.leastFlowLMin, 'flow'),
    row('startLagS', 'Start-up lag', g.startLagS, 'seconds'),
    row('purgeWh', 'Lost at each start', g.purgeWh, undefined, 'Wh'),
    row('standbyW', 'Electronics', g.standbyW, 'watts'),
    row('contentL', 'Water in the exchanger', g.contentL, 'volume'),
    row('contentUaWK', 'Loss of the exchanger', g.contentUaWK, 'lossRate'),
  ],
  'gas-store': [
    row('outputKw', 'Output', s.outputKw, 'power'),
    row('pilotW', 'Pilot', s.pilotW, 'watts'),
    row('purgeWh', 'Lost at each start', s.purgeWh, undefined, 'Wh'),
    row('standbyW', 'Fan and electronics', s.standbyW, 'watts'),
  ],
  element: [
    row('powerKw', 'Power', Element.shape.powerKw, 'power'),
    row('height', 'Height in the store, 0 bottom to 1 top', Element.shape.height),
  ],
}
const read = (heater: Heater, path: string) => path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], heater) as number
function write(index: number, path: string, value: number) {
  table.change(`heater ${index} ${path}`, (draft) => {
    const keys = path.split('.')
    const last = keys.pop()!
    const at = keys.reduce<Record<string, unknown>>((o, key) => o[key] as Record<string, unknown>, draft.plant.heaters[index] as unknown as Record<string, unknown>)
    at[last] = value
  })
}
const KINDS = (Object.keys(HEATER_KINDS) as Heater['kind'][]).map((value) => ({ value, name: HEATER_KINDS[value] }))
const FUELS = CARRIERS.filter((c) => c !== 'electricity').map((value) => ({ value, name: CARRIER_NAMES[value] }))
const STORE_KINDS = ['boiler-coil', 'gas-store', 'element'] as const
const fixedShare = BoilerCoil.shape.efficiency.options[1].shape.share
</script>

<template>
  <div v-for="(heater, i) in heaters" :key="heater.id" class="mb-6 space-y-3">
    <div class="flex flex-wrap items-end gap-2">
      <ChoiceField class="w-64" :label="heaters.length > 1 ? `Kind of heater ${i + 1}` : 'Kind of heater'" :value="heater.kind" :choices="KINDS" @change="(v) => table.replace((s) => changeHeaterKind(s, heater.id, v))" />
      <button v-if="i > 0" class="tool" @click="table.replace((s) => raiseHeater(s, heater.id))"><ArrowUp :size="17" />Before {{ heaters[i - 1]!.name }}</button>
      <button v-if="heaters.length > 1" class="tool tool-bare" :aria-label="`Remove ${heater.name}`" @click="table.replace((s) => removeHeater(s, heater.id))"><Trash2 :size="17" />Remove</button>
    </div>
    <p class="caption">Outputs are what reaches the water; efficiencies are on gross calorific value.</p>
    <div class="grid grid-cols-2 gap-3 md:grid-cols-4">
      <ChoiceField label="Stands in" :value="heater.place" :choices="PLACE_NAMES" @change="(v) => table.change(`heater ${i} place`, (d) => void (d.plant.heaters[i]!.place = v))" />
      <ChoiceField v-if="heater.kind !== 'element'" label="Burns" :value="heater.carrier" :choices="FUELS" @change="(v) => table.replace((s) => withPrices({ ...s, plant: { ...s.plant, heaters: s.plant.heaters.map((h) => (h.id === heater.id && h.kind !== 'element' ? { ...h, carrier: v } : h)) } }))" />
      <TextField label="Name" :value="heater.name" @change="(v) => table.change(`heater ${i} name`, (d) => void (d.plant.heaters[i]!.name = v))" />
      <NumberField
        label="Setpoint as found"
        quantity="temperature"
        :schema="HeaterControl.shape.setpointC"
        :value="table.study!.controls.found.heaters[heater.id]!.setpointC"
        @change="(v) => table.change('found setpoint', (d) => void (d.controls.found.heaters[heater.id]!.setpointC = v!))"
      />
      <NumberField
        label="Thermostat calls below it by"
        quantity="rise"
        :schema="HeaterControl.shape.hysteresisK"
        :value="table.study!.controls.found.heaters[heater.id]!.hysteresisK"
        @change="(v) => table.change('hysteresis', (d) => void (d.controls.found.heaters[heater.id]!.hysteresisK = v!))"
      />
      <template v-if="heater.kind !== 'element'">
        <ChoiceField
          label="Efficiency"
          :value="heater.efficiency.kind"
          :choices="[{ value: 'condensing', name: 'Condensing' }, { value: 'fixed', name: 'Fixed efficiency' }]"
          @change="(v) => table.change('efficiency kind', (d) => { const h = d.plant.heaters[i]!; if (h.kind !== 'element') h.efficiency = v === 'condensing' ? { kind: 'condensing' } : { kind: 'fixed', share: 0.82 } })"
        />
        <NumberField
          v-if="heater.efficiency.kind === 'fixed'"
          label="Efficiency, 0 to 1"
          :schema="fixedShare"
          :value="heater.efficiency.share"
          @change="(v) => table.change('efficiency', (d) => { const h = d.plant.heaters[i]!; if (h.kind !== 'element' && h.efficiency.kind === 'fixed') h.efficiency.share = v! })"
        />
        <p v-else class="caption self-end pb-2">{{ Math.round(efficiencyAt(heater.efficiency, 30) * 100) }} % with the return at {{ table.units.temperature(30) }}, {{ Math.round(efficiencyAt(heater.efficiency, 60) * 100) }} % at {{ table.units.temperature(60) }}</p>
      </template>
      <NumberField
        v-for="r in ROWS[heater.kind]"
        :key="r.path"
        :label="r.label"
        :quantity="r.quantity"
        :unit="r.unit"
        :schema="r.schema"
        :value="read(heater, r.path)"
        :origin="table.origin(`plant.heaters.${heater.id}.${r.path}`)"
        @change="(v) => write(i, r.path, v!)"
      />
      <NumberField label="Input on its plate, if read" quantity="power" optional :schema="BoilerCoil.shape.plateInputKw" :value="heater.plateInputKw" @change="(v) => table.change('plate', (d) => void (d.plant.heaters[i]!.plateInputKw = v))" />
      <LookedField label="Settings gone through" no="as they left the factory" :value="heater.settingsReviewed" @change="(v) => table.change('reviewed', (d) => void (d.plant.heaters[i]!.settingsReviewed = v))" />
      <template v-if="heater.kind === 'element'">
        <NumberField label="Supply allows" unit="A" optional :schema="Element.shape.supplyAmps" :value="heater.supplyAmps" @change="(v) => table.change('supply amps', (d) => { const h = d.plant.heaters[i]!; if (h.kind === 'element') h.supplyAmps = v })" />
        <NumberField label="Voltage" unit="V" optional :schema="Element.shape.volts" :value="heater.volts" @change="(v) => table.change('volts', (d) => { const h = d.plant.heaters[i]!; if (h.kind === 'element') h.volts = v })" />
      </template>
    </div>
    <p class="caption border-l-4 border-line-strong pl-2">Gas and flue work is for the licensed. Isolate electricity before a cover comes off.</p>
  </div>
  <div v-if="table.study!.plant.store && heaters.length < 6" class="flex flex-wrap gap-2">
    <button v-for="k in STORE_KINDS" :key="k" class="tool" @click="table.replace((s) => addHeater(s, k))"><Plus :size="17" />{{ HEATER_KINDS[k] }}</button>
  </div>
</template>
