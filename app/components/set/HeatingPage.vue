<script setup lang="ts">
import { Plus } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import CircuitForm from '~/components/set/CircuitForm.vue'
import FlowFields from '~/components/set/FlowFields.vue'
import FlowStepPlan from '~/components/set/FlowStepPlan.vue'
import HeatingLog from '~/components/set/HeatingLog.vue'
import HeatingYearFigures from '~/components/set/HeatingYearFigures.vue'
import HouseHeating from '~/components/set/HouseHeating.vue'
import RadiatorRows from '~/components/set/RadiatorRows.vue'
import WhoControls from '~/components/set/WhoControls.vue'
import { useStudy } from '~/stores/study'
import { withHeating } from '~~/core/household/heating/edits'
import { Controls } from '~~/core/study/controls'
import { CIRCUITS, HouseHeating as Side } from '~~/core/study/heating'
import { heatingSide, ratedAtText } from '~~/core/views/heating-side'
import { heatingOutput } from '~~/core/year/heating/heating-year'

/** The heating side of the same visit: what the house loses, what its radiators give at the flow that is set, and who sets it. */
const table = useStudy()
const study = computed(() => table.study!)
const units = computed(() => table.units)
const side = computed(() => heatingSide(study.value))
const heating = computed(() => study.value.heating)
const room = computed(() => table.controls!.heating)
const output = computed(() => heatingOutput(study.value))
const put = (key: string, edit: (h: Side) => void) => table.change(`heating side ${key}`, (d) => edit(d.heating!))
const set = (key: string, edit: (h: Controls['heating']) => void) => table.set(`heating ${key}`, (k) => edit(k.heating))
const shape = Controls.shape.heating.shape
const loss = Side.shape.loss.shape
const kw = (x: number | null) => (x === null ? 'not known' : units.value.figure('power', x, 1))
/** Loss per floor area by the age of a building, for orientation. */
const areaHelp = computed(
  () =>
    `Well insulated ${units.value.figure('areaLoss', 30)}, usual ${units.value.figure('areaLoss', 70)}, old and bare ${units.value.figure('areaLoss', 130)}`,
)
const METHODS = computed(() => [
  { name: 'By floor area', kw: side.value!.loss.byAreaKw },
  { name: 'By energy used', kw: side.value!.loss.byUseKw },
  { name: 'As calculated', kw: side.value!.loss.statedKw },
  { name: 'Reckoned with', kw: side.value!.loss.kw },
])
</script>

<template>
  <div>
    <div class="space-y-8 print:hidden">
      <HouseHeating />
      <section v-if="!heating || !side" aria-label="Heating side">
        <p class="text-ink-soft">
          Heating side not checked: heat loss, radiators, flow temperature, pressure. The hot water figures do not need
          it.
        </p>
        <button class="tool tool-main mt-2" @click="table.replace(withHeating)">
          <Plus :size="17" />Look at the heating
        </button>
      </section>
      <template v-else>
        <section aria-label="Heat loss of the house">
          <h2 class="text-xl">Heat loss of the house</h2>
          <p class="caption">
            On the coldest day, {{ units.temperature(side.outdoor.c)
            }}<em v-if="side.outdoor.assumed"> (assumed: no design temperature under Supplies)</em>. The house, not an
            appliance: hot water is sized apart.
          </p>
          <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
            <NumberField
              label="Room temperature"
              quantity="temperature"
              :schema="Side.shape.roomC"
              :value="heating.roomC"
              @change="(v) => put('room', (h) => void (h.roomC = v!))"
            />
            <NumberField
              label="Heated floor area"
              quantity="area"
              optional
              :schema="loss.floorM2"
              :value="heating.loss.floorM2"
              @change="(v) => put('floor', (h) => void (h.loss.floorM2 = v))"
            />
            <NumberField
              label="Loss per floor area"
              quantity="areaLoss"
              optional
              :help="areaHelp"
              :schema="loss.wM2"
              :value="heating.loss.wM2"
              @change="(v) => put('per area', (h) => void (h.loss.wM2 = v))"
            />
            <NumberField
              label="Energy for heating in a year"
              quantity="energy"
              :decimals="0"
              optional
              :schema="loss.usedKwh"
              :value="heating.loss.usedKwh"
              @change="(v) => put('used', (h) => void (h.loss.usedKwh = v))"
            />
            <NumberField
              label="Heat loss as calculated"
              quantity="power"
              :decimals="1"
              optional
              :schema="loss.statedKw"
              :value="heating.loss.statedKw"
              @change="(v) => put('stated', (h) => void (h.loss.statedKw = v))"
            />
          </div>
          <p class="mt-2" data-loss>
            <span v-for="m in METHODS" :key="m.name" class="mr-5 inline-block"
              >{{ m.name }} <b>{{ kw(m.kw) }}</b></span
            >
            <span v-if="side.loss.gap !== null" class="inline-block" :class="{ 'text-alarm': side.wideGap }"
              >gap <b>{{ side.loss.gap > 0 ? '+' : '' }}{{ Math.round(side.loss.gap) }}%</b></span
            >
          </p>
          <p v-if="side.wideGap" class="text-sm">
            The two lie far apart: hot water in the energy, rooms left cold, or a wrong age of the building. Find out
            before anything is sized.
          </p>
        </section>

        <section aria-label="Radiators">
          <h2 class="text-xl">Radiators</h2>
          <p class="caption">Room by room, or one total. Output falls with (mean excess)^{{ heating.exponent }}.</p>
          <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
            <NumberField
              :label="`All radiators, ${ratedAtText(units)}`"
              quantity="power"
              :decimals="1"
              optional
              :schema="Side.shape.totalRatedKw"
              :value="heating.totalRatedKw"
              @change="(v) => put('total', (h) => void (h.totalRatedKw = v))"
            />
            <NumberField
              label="Exponent"
              :decimals="2"
              help="Panels 1.3, convectors 1.4, floors 1.1"
              :schema="Side.shape.exponent"
              :value="heating.exponent"
              @change="(v) => put('exponent', (h) => void (h.exponent = v!))"
            />
            <NumberField
              label="Water in the circuit"
              quantity="volume"
              :decimals="0"
              optional
              :schema="Side.shape.circuitL"
              :value="heating.circuitL"
              @change="(v) => put('water', (h) => void (h.circuitL = v))"
            />
          </div>
          <RadiatorRows class="mt-2" :rooms="side.rooms" />
        </section>

        <section aria-label="Flow temperature">
          <h2 class="text-xl">Flow temperature</h2>
          <p class="caption">Of the radiators only: the hot water setpoint is another setting.</p>
          <FlowFields class="mt-2" />
          <p class="mt-2" data-flow>
            On the coldest day: set
            <b>{{ side.flowC === null ? 'not read' : units.temperature(side.flowC) }}</b>, needed
            <b>{{ side.neededC === null ? 'not known' : units.temperature(side.neededC) }}</b>.
          </p>
          <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
            <NumberField
              label="Least output for heating"
              quantity="power"
              :decimals="1"
              optional
              :help="
                heating.leastKw === null && output.leastKw !== null
                  ? `Taken from the heater: ${kw(output.leastKw)}`
                  : undefined
              "
              :schema="Side.shape.leastKw"
              :value="heating.leastKw"
              @change="(v) => put('least', (h) => void (h.leastKw = v))"
            />
            <NumberField
              label="Most output for heating"
              quantity="power"
              :decimals="1"
              optional
              :help="
                heating.mostKw === null && output.mostKw !== null
                  ? `Taken from the heater: ${kw(output.mostKw)}`
                  : undefined
              "
              :schema="Side.shape.mostKw"
              :value="heating.mostKw"
              @change="(v) => put('most', (h) => void (h.mostKw = v))"
            />
          </div>
        </section>

        <section aria-label="A year of heating">
          <h2 class="text-xl">A year of heating</h2>
          <HeatingYearFigures class="mt-2" :answer="side.year" />
        </section>

        <section aria-label="Room control">
          <h2 class="text-xl">Room control</h2>
          <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
            <NumberField
              label="Room temperature, comfort"
              quantity="temperature"
              optional
              :schema="shape.comfortC"
              :value="room.comfortC"
              @change="(v) => set('comfort', (h) => void (h.comfortC = v))"
            />
            <NumberField
              label="Room temperature, lowered"
              quantity="temperature"
              optional
              :schema="shape.economyC"
              :value="room.economyC"
              @change="(v) => set('lowered', (h) => void (h.economyC = v))"
            />
            <ChoiceField
              label="Its sensor is in"
              :value="heating.sensorIn ?? ''"
              :choices="[
                { value: '', name: 'not recorded' },
                ...heating.radiators.map((r) => ({ value: r.id, name: r.name })),
              ]"
              @change="(v) => put('sensor', (h) => void (h.sensorIn = v || null))"
            />
          </div>
        </section>

        <section aria-label="Pressure">
          <h2 class="text-xl">Pressure</h2>
          <div class="mt-2 space-y-4"><CircuitForm v-for="name in CIRCUITS" :key="name" :name="name" /></div>
        </section>

        <FlowStepPlan />
        <HeatingLog />
      </template>
    </div>
    <WhoControls class="mt-8" />
  </div>
</template>
