<script setup lang="ts">
import type { z } from 'zod'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import RecoveryForm from '~/components/stations/RecoveryForm.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { HEATER_ROWS } from '~/utils/heater-rows'
import { MATERIAL_NAMES } from '~/utils/pipe-choices'
import { sizeChoices } from '~/utils/pipe-choices'
import { nearestSize } from '~/utils/pipe-choices'
import { PLACE_NAMES } from '~/utils/places'
import { ALWAYS, weekInWords } from '~~/core/calendar/week'
import { HEATERS } from '~~/core/heaters/kinds'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { INSULATIONS } from '~~/core/pipes/loss'
import { HeaterControl, SetpointC } from '~~/core/study/controls'
import { LOOP_MODES } from '~~/core/study/loop-modes'
import { Measure, type MeasureKind, type MeasureOf } from '~~/core/study/measures'
import { valueAt, withValueAt } from '~~/core/study/paths'
import { InsulationField, LengthOfPipe, Tap } from '~~/core/study/pipes'
import { type Heater, StoreField } from '~~/core/study/plant'

/** What a measure is told: its name and the figures of its kind. */
const props = defineProps<{ index: number; at: number; measure: Measure }>()
const table = useStudy()
const study = computed(() => table.study!)
const m = computed(() => props.measure)
const is = <K extends MeasureKind>(kind: K) => (m.value.kind === kind ? (m.value as MeasureOf<K>) : null)
/** What a kind of measure accepts in a field of its own. */
const accepts = (kind: MeasureKind, field: string) =>
  (Measure.options.find((o) => o.shape.kind.value === kind)!.shape as unknown as Record<string, z.ZodType>)[field]!
const put = (path: string, value: unknown) =>
  table.change(`measure ${props.at} ${path}`, (d) => {
    const all = d.packages[props.index]!.measures
    all[props.at] = withValueAt(props.measure, path, value)
  })
const toggle = (path: string, list: readonly string[], id: string) =>
  put(path, list.includes(id) ? list.filter((x) => x !== id) : [...list, id])
const materials = computed(() =>
  Object.entries(INSULATIONS).map(([name, { lambdaWMK, standsC }]) => ({
    value: lambdaWMK as number,
    name: `${name}, to ${table.units.temperature(standsC)}`,
  })),
)
const taps = computed(() => study.value.pipes.taps.map((t) => ({ value: t.id, name: t.name })))
const pipe = computed(() => is('repipe')?.pipe ?? is('own-run')?.pipe ?? null)
const habits = computed(() => is('shorter-draws') ?? is('bath-to-shower'))
const insulation = computed(() => is('insulate-runs')?.insulation ?? is('jacket')?.insulation ?? null)
const figureIn = (heater: Heater, path: string) => valueAt(heater, path) as number | null
</script>

<template>
  <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
    <TextField class="col-span-2" label="Name of the measure" :value="m.name" @change="(v) => put('name', v)" />
    <template v-if="insulation">
      <NumberField
        label="Thickness"
        quantity="thickness"
        :schema="InsulationField.shape.thicknessMm"
        :value="insulation.thicknessMm"
        @change="(v) => put('insulation.thicknessMm', v)"
      />
      <ChoiceField
        label="Made of"
        :value="insulation.lambdaWMK"
        :choices="materials"
        @change="(v) => put('insulation.lambdaWMK', v)"
      />
    </template>
    <NumberField
      v-if="is('jacket')"
      label="Share of the store it covers"
      :schema="accepts('jacket', 'coveredShare')"
      :value="is('jacket')!.coveredShare"
      @change="(v) => put('coveredShare', v)"
    />
    <fieldset v-if="is('insulate-runs')" class="col-span-full">
      <legend class="caption">Pipes to insulate; what cannot be reached is left out</legend>
      <div class="flex flex-wrap gap-x-4">
        <label
          v-for="run in study.pipes.runs"
          :key="run.id"
          class="flex min-h-11 items-center gap-1.5 text-sm"
          :class="{ 'text-ink-soft': !run.reachable }"
        >
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :disabled="!run.reachable"
            :checked="is('insulate-runs')!.runIds.includes(run.id)"
            @change="toggle('runIds', is('insulate-runs')!.runIds, run.id)"
          />
          {{ run.name }}
        </label>
        <label v-if="study.pipes.loop" class="flex min-h-11 items-center gap-1.5 text-sm">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :disabled="!study.pipes.loop.back.reachable"
            :checked="is('insulate-runs')!.loopReturn"
            @change="put('loopReturn', !is('insulate-runs')!.loopReturn)"
          />
          Loop return
        </label>
      </div>
    </fieldset>
    <NumberField
      v-if="is('setpoint')"
      label="Setpoint"
      quantity="temperature"
      :schema="SetpointC"
      :value="is('setpoint')!.setpointC"
      @change="(v) => put('setpointC', v)"
    />
    <template v-if="is('heater-control')">
      <NumberField
        label="Setpoint"
        quantity="temperature"
        :schema="SetpointC"
        :value="is('heater-control')!.control.setpointC"
        @change="(v) => put('control.setpointC', v)"
      />
      <NumberField
        label="Calls below it by"
        quantity="rise"
        :schema="HeaterControl.shape.hysteresisK"
        :value="is('heater-control')!.control.hysteresisK"
        @change="(v) => put('control.hysteresisK', v)"
      />
      <NumberField
        label="Holiday level"
        quantity="temperature"
        optional
        :schema="HeaterControl.shape.holidayC"
        :value="is('heater-control')!.control.holidayC"
        @change="(v) => put('control.holidayC', v)"
      />
      <ChoiceField
        label="Heats at"
        :value="is('heater-control')!.control.prices"
        :choices="[
          { value: 'any', name: 'any price' },
          { value: 'cheapest', name: 'the cheapest price only' },
        ]"
        @change="(v) => put('control.prices', v)"
      />
      <p class="caption col-span-full">
        Boosts, hot runs and windows are those that were set on Set when this measure was begun.
      </p>
    </template>
    <ChoiceField
      v-if="is('loop-mode')"
      label="Mode"
      :value="is('loop-mode')!.mode"
      :choices="LOOP_MODES.map((value) => ({ value, name: LOOP_MODE_WORDS[value].name }))"
      @change="(v) => put('mode', v)"
    />
    <template v-if="is('tap-flow')">
      <ChoiceField label="Tap" :value="is('tap-flow')!.tapId" :choices="taps" @change="(v) => put('tapId', v)" />
      <NumberField
        label="Flow"
        quantity="flow"
        :schema="Tap.shape.flowLMin"
        :value="is('tap-flow')!.flowLMin"
        @change="(v) => put('flowLMin', v)"
      />
    </template>
    <ChoiceField
      v-if="is('stop-when-warm')"
      label="Tap"
      :value="is('stop-when-warm')!.tapId"
      :choices="taps"
      @change="(v) => put('tapId', v)"
    />
    <ChoiceField
      v-if="is('mend-drip')"
      label="Tap"
      :value="is('mend-drip')!.tapId"
      :choices="taps"
      @change="(v) => put('tapId', v)"
    />
    <template v-if="habits">
      <NumberField
        v-if="is('shorter-draws')"
        label="What is left of each, 0 to 1"
        :decimals="2"
        :schema="accepts('shorter-draws', 'share')"
        :value="is('shorter-draws')!.share"
        @change="(v) => put('share', v)"
      />
      <template v-if="is('bath-to-shower')">
        <ChoiceField
          label="Shower taken instead"
          :value="is('bath-to-shower')!.tapId"
          :choices="taps"
          @change="(v) => put('tapId', v)"
        />
        <NumberField
          label="For"
          unit="min"
          :decimals="1"
          :schema="accepts('bath-to-shower', 'minutes')"
          :value="is('bath-to-shower')!.minutes"
          @change="(v) => put('minutes', v)"
        />
      </template>
      <fieldset class="col-span-full">
        <legend class="caption">Of these uses</legend>
        <label
          v-for="h in study.people.habits"
          :key="h.id"
          class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
          ><input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="habits.habitIds.includes(h.id)"
            @change="toggle('habitIds', habits!.habitIds, h.id)"
          />{{ h.name }}</label
        >
      </fieldset>
    </template>
    <template v-if="pipe">
      <ChoiceField
        v-if="is('repipe')"
        label="Run"
        :value="is('repipe')!.runId"
        :choices="study.pipes.runs.map((r) => ({ value: r.id, name: r.name }))"
        @change="(v) => put('runId', v)"
      />
      <ChoiceField
        v-if="is('own-run')"
        label="Tap"
        :value="is('own-run')!.tapId"
        :choices="taps"
        @change="(v) => put('tapId', v)"
      />
      <ChoiceField
        label="Pipe"
        :value="pipe.material"
        :choices="MATERIAL_NAMES"
        @change="(v) => put('pipe', { ...pipe!, material: v, size: nearestSize(pipe!, v) })"
      />
      <ChoiceField
        label="Size"
        :value="pipe.size"
        :choices="sizeChoices(pipe.material, table.units)"
        @change="(v) => put('pipe.size', v)"
      />
      <NumberField
        label="Length"
        quantity="length"
        :schema="LengthOfPipe.shape.lengthM"
        :value="pipe.lengthM"
        @change="(v) => put('pipe.lengthM', v)"
      />
    </template>
    <template v-if="is('move-heater')">
      <NumberField
        label="Nearer to the taps by"
        quantity="length"
        :schema="accepts('move-heater', 'nearerM')"
        :value="is('move-heater')!.nearerM"
        @change="(v) => put('nearerM', v)"
      />
      <ChoiceField
        label="It stands then"
        :value="is('move-heater')!.place"
        :choices="PLACE_NAMES"
        @change="(v) => put('place', v)"
      />
    </template>
    <RecoveryForm
      v-if="is('drain-recovery')"
      :value="is('drain-recovery')!.recovery"
      @change="(v) => put('recovery', v)"
    />
    <template v-if="is('heat-source')">
      <p class="col-span-full text-sm">
        {{ HEATERS[is('heat-source')!.heater.kind].name
        }}<template v-if="is('heat-source')!.replaces.length">
          in the place of
          {{
            study.plant.heaters
              .filter((h) => is('heat-source')!.replaces.includes(h.id))
              .map((h) => h.name)
              .join(', ')
          }}</template
        ><template v-else> beside what is there</template>. Its figures are assumed until those of a real one are typed.
      </p>
      <NumberField
        v-if="is('heat-source')!.control"
        label="Setpoint"
        quantity="temperature"
        :schema="SetpointC"
        :value="is('heat-source')!.control!.setpointC"
        @change="(v) => put('control.setpointC', v)"
      />
      <NumberField
        v-if="is('heat-source')!.store"
        label="Store that comes with it"
        quantity="volume"
        :schema="StoreField.shape.litres"
        :value="is('heat-source')!.store!.litres"
        @change="(v) => put('store.litres', v)"
      />
      <ChoiceField
        label="Stands in"
        :value="is('heat-source')!.heater.place"
        :choices="PLACE_NAMES"
        @change="(v) => put('heater.place', v)"
      />
      <NumberField
        v-for="r in HEATER_ROWS[is('heat-source')!.heater.kind]"
        :key="r.path"
        :label="r.label"
        :quantity="r.quantity"
        :unit="r.unit"
        :optional="r.optional"
        :decimals="r.decimals"
        :help="r.help"
        :schema="r.schema"
        :value="figureIn(is('heat-source')!.heater, r.path)"
        @change="(v) => put(`heater.${r.path}`, v)"
      />
      <MonthsField
        class="col-span-full"
        label="Used in"
        :value="is('heat-source')!.heater.months"
        @change="(v) => put('heater.months', v)"
      />
    </template>
    <details v-if="is('heater-windows') || is('loop-windows')" class="col-span-full">
      <summary class="min-h-11 cursor-pointer py-2.5 text-sm">
        {{ weekInWords((is('heater-windows') ?? is('loop-windows'))!.windows ?? ALWAYS, table.units.time) }}
      </summary>
      <WeekPlanner
        :label="m.name"
        :week="(is('heater-windows') ?? is('loop-windows'))!.windows ?? ALWAYS"
        :grid="table.controls!.grid"
        @change="(w) => put('windows', w)"
      />
    </details>
  </div>
</template>
