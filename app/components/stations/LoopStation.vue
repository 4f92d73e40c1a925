<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationField from '~/components/fields/InsulationField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { MATERIAL_NAMES } from '~/utils/pipe-choices'
import { nearestSize, sizeChoices } from '~/utils/pipe-choices'
import { PLACE_NAMES } from '~/utils/places'
import { defaultReturns } from '~~/core/household/defaults/loop'
import { addLoop, removeLoop } from '~~/core/household/edits/plant'
import { bypassOf } from '~~/core/household/loop'
import { LOOP_PLACE_NAMES } from '~~/core/household/loop-places'
import { Loop, LOOP_PLACES } from '~~/core/study/pipes'
import { LOOP_RETURN } from '~~/core/year/pipes/network'

const table = useStudy()
const years = useYears()
const loop = computed(() => table.study!.pipes.loop)
const lost = computed(() => years.now?.runs.find((r) => r.id === LOOP_RETURN)?.lossKwh)
/** What carries the water back. */
const bypass = computed(() => bypassOf(loop.value))
const line = computed(() => (bypass.value ? 'Cold pipe' : 'Return'))
const places = LOOP_PLACES.map((value) => ({ value, name: LOOP_PLACE_NAMES[value] }))
const [OWN, COLD] = Loop.shape.returns.options
const size = computed(() => (loop.value ? sizeChoices(loop.value.back.material, table.units) : []))
</script>

<template>
  <div v-if="loop" class="grid grid-cols-2 gap-3 md:grid-cols-4">
    <ChoiceField
      label="Return connects at end of"
      :value="loop.returnConnectionRunId"
      :choices="table.study!.pipes.runs.map((r) => ({ value: r.id, name: r.name }))"
      @change="(v) => table.change('turns at', (d) => void (d.pipes.loop!.returnConnectionRunId = v))"
    />
    <NumberField
      label="Pump flow rate"
      quantity="flow"
      :schema="Loop.shape.pumpLMin"
      :value="loop.pumpLMin"
      :origin="table.origin('pipes.loop.pumpLMin')"
      @change="(v) => table.change('pump flow', (d) => void (d.pipes.loop!.pumpLMin = v!))"
    />
    <NumberField
      label="Pump power"
      quantity="watts"
      :schema="Loop.shape.pumpW"
      :value="loop.pumpW"
      @change="(v) => table.change('pump power', (d) => void (d.pipes.loop!.pumpW = v!))"
    />
    <ChoiceField
      label="Return path"
      :value="loop.returns.by"
      :choices="[
        { value: 'own pipe', name: 'dedicated return pipe' },
        { value: 'cold line', name: 'cold pipe with bypass valve' },
      ]"
      @change="(v) => table.change('returns by', (d) => void (d.pipes.loop!.returns = defaultReturns(v)))"
    />
    <NumberField
      v-if="loop.returns.by === 'cold line'"
      label="Bypass valve closes at"
      quantity="temperature"
      :schema="COLD.shape.closesAtC"
      :value="loop.returns.closesAtC"
      @change="
        (v) => table.change('bypass closes', (d) => void (d.pipes.loop!.returns = { by: 'cold line', closesAtC: v! }))
      "
    />
    <ChoiceField
      label="Pump location"
      :value="loop.pumpAt"
      :choices="places"
      @change="(v) => table.change('pump place', (d) => void (d.pipes.loop!.pumpAt = v))"
    />
    <ChoiceField
      label="Sensor location"
      :value="loop.sensorAt"
      :choices="places"
      @change="(v) => table.change('sensor place', (d) => void (d.pipes.loop!.sensorAt = v))"
    />
    <NumberField
      v-if="loop.returns.by === 'own pipe'"
      label="Return connection height"
      help="0 = bottom of the cylinder, 1 = top"
      :schema="OWN.shape.height"
      :value="loop.returns.height"
      @change="
        (v) => table.change('return height', (d) => void (d.pipes.loop!.returns = { by: 'own pipe', height: v! }))
      "
    />
    <ChoiceField
      :label="`${line}: material`"
      :value="loop.back.material"
      :choices="MATERIAL_NAMES"
      @change="
        (v) =>
          table.change('return material', (d) => {
            const b = d.pipes.loop!.back
            b.size = nearestSize(b, v)
            b.material = v
          })
      "
    />
    <ChoiceField
      :label="`${line}: size`"
      :value="loop.back.size"
      :choices="size"
      @change="(v) => table.change('return size', (d) => void (d.pipes.loop!.back.size = v))"
    />
    <NumberField
      :label="`${line}: length`"
      quantity="length"
      :schema="Loop.shape.back.shape.lengthM"
      :value="loop.back.lengthM"
      @change="(v) => table.change('return length', (d) => void (d.pipes.loop!.back.lengthM = v!))"
    />
    <ChoiceField
      :label="`${line}: location`"
      :value="loop.back.place"
      :choices="PLACE_NAMES"
      @change="(v) => table.change('return place', (d) => void (d.pipes.loop!.back.place = v))"
    />
    <InsulationField
      :label="`${line}: insulation`"
      :value="loop.back.insulation"
      @change="(v) => table.change('return insulation', (d) => void (d.pipes.loop!.back.insulation = v))"
    />
    <NumberField
      label="Circulation loss, measured (UA)"
      quantity="lossRate"
      optional
      :schema="Loop.shape.measuredUaWK"
      :value="loop.measuredUaWK"
      :origin="table.origin('pipes.loop.measuredUaWK')"
      @change="(v) => table.change('loop loss', (d) => void (d.pipes.loop!.measuredUaWK = v))"
    />
    <button
      class="tool tool-bare self-end justify-self-start"
      aria-label="Remove the circulation"
      @click="table.replace(removeLoop)"
    >
      <Trash2 :size="17" />Remove
    </button>
    <p class="caption col-span-full">
      <template v-if="bypass"
        >The pump moves warm water into the cold pipe until the bypass valve closes. It reopens
        {{ table.units.figure('rise', 6) }} cooler. </template
      >Circulation pump:
      {{
        years.now
          ? `${table.units.energy(years.now.energy.loopPumpKwh)}, ${table.units.money(years.now.cost.loopPump)}`
          : '…'
      }}
      a year. Loss of the {{ bypass ? 'cold pipe' : 'return pipe' }}:
      {{ lost === undefined ? '…' : table.units.energy(lost) }} a year. Pump schedule: see Settings.
    </p>
  </div>
  <div v-else>
    <p>There is no circulation in this household.</p>
    <button class="tool mt-2" @click="table.replace(addLoop)">
      <Plus :size="17" />Add circulation with a dedicated return
    </button>
  </div>
</template>
