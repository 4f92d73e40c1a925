<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus, Trash2 } from '@lucide/vue'
import { ALWAYS, weekInWords } from '~~/core/calendar/week'
import { beginMeasure, MEASURE_NAMES, measuresFor } from '~~/core/measures/begin'
import { INSULATIONS } from '~~/core/pipes/loss'
import { SetpointC } from '~~/core/study/controls'
import { freshId } from '~~/core/study/fresh-id'
import { Measure } from '~~/core/study/measures'
import { Tap } from '~~/core/study/pipes'

/** The measures of a package, each open to change where it stands. */
const props = defineProps<{ index: number }>()
const table = useStudy()
const study = computed(() => table.study!)
const pack = computed(() => study.value.packages[props.index]!)
const controls = computed(() => table.controls!)
const costSchema = Measure.options[0].shape.costMoney

const kinds = computed(() => measuresFor(study.value).map((kind) => ({ kind, name: MEASURE_NAMES[kind] })))
const add = (kind: Measure['kind']) =>
  table.change('add measure', (d) => {
    const measure = beginMeasure(study.value, kind, freshId('measure', pack.value.measures))
    d.packages[props.index]!.measures.push(measure)
  })
const edit = (i: number, change: (m: Measure) => void) =>
  table.change(`measure ${i}`, (d) => change(d.packages[props.index]!.measures[i]!))
const currency = computed(() => study.value.prices.currency)
</script>

<template>
  <section aria-label="Measures">
    <h2 class="mb-2 text-xl">Measures</h2>
    <ul>
      <li
        v-for="(m, i) in pack.measures"
        :key="m.id"
        class="grid gap-x-4 gap-y-2 border-t border-line py-2 md:grid-cols-[14rem_minmax(0,1fr)_auto]"
      >
        <div class="space-y-1">
          <TextField
            bare
            label="Name of the measure"
            :value="m.name"
            @change="(v) => edit(i, (x) => void (x.name = v))"
          />
          <NumberField
            :label="`Costs, ${currency}`"
            :schema="costSchema"
            :decimals="0"
            optional
            :value="m.costMoney"
            @change="(v) => edit(i, (x) => void (x.costMoney = v))"
          />
        </div>
        <div class="min-w-0">
          <fieldset v-if="m.kind === 'insulate-runs'">
            <legend class="caption">Pipes to insulate; what cannot be reached is left out</legend>
            <div class="flex flex-wrap gap-x-4">
              <label
                v-for="run in study.pipes.runs"
                :key="run.id"
                class="flex min-h-9 items-center gap-1.5 text-sm"
                :class="{ 'text-ink-soft': !run.reachable }"
              >
                <input
                  type="checkbox"
                  class="size-5 accent-copper"
                  :disabled="!run.reachable"
                  :checked="m.runIds.includes(run.id)"
                  @change="
                    edit(i, (x) => {
                      if (x.kind === 'insulate-runs')
                        x.runIds = x.runIds.includes(run.id)
                          ? x.runIds.filter((r) => r !== run.id)
                          : [...x.runIds, run.id]
                    })
                  "
                />
                {{ run.name }}
              </label>
              <label v-if="study.pipes.loop" class="flex min-h-9 items-center gap-1.5 text-sm">
                <input
                  type="checkbox"
                  class="size-5 accent-copper"
                  :disabled="!study.pipes.loop.back.reachable"
                  :checked="m.loopReturn"
                  @change="
                    edit(i, (x) => {
                      if (x.kind === 'insulate-runs') x.loopReturn = !x.loopReturn
                    })
                  "
                />
                Loop return
              </label>
            </div>
            <div class="mt-1 grid max-w-sm grid-cols-2 gap-2">
              <NumberField
                label="Thickness"
                quantity="thickness"
                :schema="Measure.options[0].shape.insulation.shape.thicknessMm"
                :value="m.insulation.thicknessMm"
                @change="
                  (v) =>
                    edit(i, (x) => {
                      if (x.kind === 'insulate-runs') x.insulation.thicknessMm = v!
                    })
                "
              />
              <ChoiceField
                label="Made of"
                :value="m.insulation.lambdaWMK"
                :choices="Object.entries(INSULATIONS).map(([name, value]) => ({ value: value as number, name }))"
                @change="
                  (v) =>
                    edit(i, (x) => {
                      if (x.kind === 'insulate-runs') x.insulation.lambdaWMK = v
                    })
                "
              />
            </div>
          </fieldset>
          <NumberField
            v-else-if="m.kind === 'setpoint'"
            class="max-w-48"
            label="Setpoint"
            quantity="temperature"
            :schema="SetpointC"
            :value="m.setpointC"
            @change="
              (v) =>
                edit(i, (x) => {
                  if (x.kind === 'setpoint') x.setpointC = v!
                })
            "
          />
          <ChoiceField
            v-else-if="m.kind === 'loop-mode'"
            class="max-w-48"
            label="Mode"
            :value="m.mode"
            :choices="[
              { value: 'off', name: 'off' },
              { value: 'always', name: 'always on' },
              { value: 'clock', name: 'by the clock' },
            ]"
            @change="
              (v) =>
                edit(i, (x) => {
                  if (x.kind === 'loop-mode') x.mode = v
                })
            "
          />
          <div v-else-if="m.kind === 'tap-flow'" class="grid max-w-md grid-cols-2 gap-2">
            <ChoiceField
              label="Tap"
              :value="m.tapId"
              :choices="study.pipes.taps.map((t) => ({ value: t.id, name: t.name }))"
              @change="
                (v) =>
                  edit(i, (x) => {
                    if (x.kind === 'tap-flow') x.tapId = v
                  })
              "
            />
            <NumberField
              label="Flow"
              quantity="flow"
              :schema="Tap.shape.flowLMin"
              :value="m.flowLMin"
              @change="
                (v) =>
                  edit(i, (x) => {
                    if (x.kind === 'tap-flow') x.flowLMin = v!
                  })
              "
            />
          </div>
          <details v-else>
            <summary class="min-h-11 cursor-pointer py-2.5 text-sm">
              {{ weekInWords(m.windows ?? ALWAYS, table.units.time) }}
            </summary>
            <WeekPlanner
              :label="m.name"
              :week="m.windows ?? ALWAYS"
              :grid="controls.grid"
              @change="
                (w) =>
                  edit(i, (x) => {
                    if ('windows' in x) x.windows = w
                  })
              "
            />
          </details>
        </div>
        <button
          class="tool tool-bare self-start px-2"
          :aria-label="`Remove ${m.name}`"
          @click="table.change('remove measure', (d) => void d.packages[index]!.measures.splice(i, 1))"
        >
          <Trash2 :size="18" />
        </button>
      </li>
    </ul>
    <Menu as="div" class="relative inline-block">
      <MenuButton class="tool"><Plus :size="17" />Measure</MenuButton>
      <MenuItems
        class="absolute z-20 mt-1 w-64 rounded border border-line-strong bg-white py-1 shadow-md focus:outline-none"
      >
        <MenuItem v-for="k in kinds" :key="k.kind" v-slot="{ active }">
          <button
            class="block min-h-11 w-full px-3 text-left"
            :class="{ 'bg-copper-pale': active }"
            @click="add(k.kind)"
          >
            {{ k.name }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  </section>
</template>
