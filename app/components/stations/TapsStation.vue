<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import MixingField from '~/components/fields/MixingField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { addTap, keepsTap, removeTap } from '~~/core/household/edits/people'
import { rankedTaps, tapFigures } from '~~/core/household/tap-figures'
import { Tap } from '~~/core/study/pipes'

defineProps<{ chosen: string }>()
const table = useStudy()
const years = useYears()
const taps = computed(() => table.study!.pipes.taps)
const runs = computed(() => table.study!.pipes.runs.map((r) => ({ value: r.id, name: r.name })))
const result = (id: string) => years.now?.taps.find((t) => t.id === id)
const figures = (tap: Tap) => tapFigures(table.study!, tap)
const ranked = computed(() => rankedTaps(table.study!))
const worst = computed(() => ranked.value[0]!.tap.id)
const KINDS = Tap.shape.kind.options.map((value) => ({ value, name: value }))
const edit = (i: number, key: string, change: (tap: Tap) => void) =>
  table.change(`tap ${i} ${key}`, (d) => change(d.pipes.taps[i]!))
const keeps = (id: string) => keepsTap(table.study!, id)
</script>

<template>
  <details v-if="ranked.length > 1" class="mb-2" data-ranked>
    <summary class="min-h-11 cursor-pointer py-2.5 font-semibold text-copper">
      Outlets by draw-off to waste, highest first
    </summary>
    <div class="overflow-x-auto">
      <table class="w-full max-w-2xl text-sm">
        <caption class="caption py-1 text-left">
          From cold, one outlet open, circulation at rest.
        </caption>
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1">Outlet</th>
            <th class="text-right">Pipe volume</th>
            <th class="text-right">Time to tap</th>
            <th class="text-right">Draw-off to waste</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in ranked" :key="f.tap.id" class="border-b border-line">
            <th class="py-1 text-left font-normal">
              {{ f.tap.name }} <span v-if="f.ownStore" class="caption">point-of-use heater</span>
            </th>
            <td class="text-right">{{ table.units.figure('volume', f.contentL, 2) }}</td>
            <td class="text-right">{{ table.units.seconds(f.waitS) }}</td>
            <td class="text-right">{{ table.units.figure('volume', f.toWasteL, 2) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
  <ul>
    <li
      v-for="(tap, i) in taps"
      :key="tap.id"
      class="flex items-start gap-1 border-b border-line py-2"
      :class="{ 'bg-copper-pale': chosen === tap.id }"
      :data-tap="tap.id"
    >
      <div class="min-w-0 flex-1">
        <div class="grid grid-cols-2 items-end gap-1.5 sm:grid-cols-[minmax(9rem,2fr)_7rem_minmax(9rem,2fr)_7rem]">
          <TextField
            class="col-span-2 sm:col-span-1"
            label="Name of the outlet"
            :value="tap.name"
            @change="(v) => edit(i, 'name', (t) => void (t.name = v))"
          />
          <ChoiceField
            label="Type"
            :value="tap.kind"
            :choices="KINDS"
            @change="(v) => edit(i, 'kind', (t) => void (t.kind = v))"
          />
          <ChoiceField
            label="On run"
            :value="tap.runId"
            :choices="runs"
            @change="(v) => edit(i, 'run', (t) => void (t.runId = v))"
          />
          <NumberField
            :label="`Flow of ${tap.name}`"
            quantity="flow"
            :schema="Tap.shape.flowLMin"
            :origin="table.origin(`pipes.taps.${tap.id}.flowLMin`)"
            :value="tap.flowLMin"
            @change="(v) => edit(i, 'flow', (t) => void (t.flowLMin = v!))"
          />
        </div>
        <div class="mt-1 flex flex-wrap items-end gap-x-4 gap-y-1 text-sm">
          <NumberField
            class="w-36"
            :label="`Minimum hot inlet temperature`"
            quantity="temperature"
            optional
            :schema="Tap.shape.minHotInletC"
            :value="tap.minHotInletC"
            @change="(v) => edit(i, 'least hot', (t) => void (t.minHotInletC = v))"
          />
          <NumberField
            class="w-36"
            :label="`Pipe volume, as reported`"
            quantity="volume"
            :decimals="2"
            optional
            :schema="Tap.shape.saidContentL"
            :value="tap.saidContentL"
            @change="(v) => edit(i, 'said', (t) => void (t.saidContentL = v))"
          />
          <NumberField
            class="w-36"
            label="Hot drip rate"
            quantity="drip"
            optional
            :schema="Tap.shape.dripLH"
            :value="tap.dripLH"
            @change="(v) => edit(i, 'drip', (t) => void (t.dripLH = v))"
          />
          <YesNoField
            class="w-40"
            label="Hot water drunk"
            :value="tap.drunk"
            @change="(v) => edit(i, 'drunk', (t) => void (t.drunk = v))"
          />
          <label class="flex min-h-11 items-center gap-1.5"
            ><input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="tap.mixes"
              @change="edit(i, 'mixes', (t) => void (t.mixes = !t.mixes))"
            />mixes in cold water<span class="sr-only">: {{ tap.name }}</span></label
          >
          <label class="flex min-h-11 items-center gap-1.5"
            ><input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="tap.drains"
              @change="edit(i, 'drains', (t) => void (t.drains = !t.drains))"
            />drains while it runs<span class="sr-only">: {{ tap.name }}</span></label
          >
          <label class="flex min-h-11 items-center gap-1.5"
            ><input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="tap.stopsWhenWarm"
              @change="edit(i, 'stops', (t) => void (t.stopsWhenWarm = !t.stopsWhenWarm))"
            />stops when hot<span class="sr-only">: {{ tap.name }}</span></label
          >
        </div>
        <div class="mt-1 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
          <MixingField
            label="Thermostatic mixing valve at the outlet"
            :value="tap.guard"
            @change="(v) => edit(i, 'guard', (t) => void (t.guard = v))"
          />
        </div>
        <p v-for="f in [figures(tap)]" :key="f.tap.id" class="text-sm">
          <template v-if="f.ownStore">Point-of-use heater: no pipe wait.</template>
          <template v-else
            >From cold: pipe volume <b>{{ table.units.figure('volume', f.contentL, 2) }}</b>, time to tap
            <b>{{ table.units.seconds(f.waitS) }}</b>, draw-off to waste
            <b :class="{ 'text-alarm': tap.id === worst }">{{
              table.units.figure('volume', f.toWasteL, 2)
            }}</b><template v-if="tap.id === worst"> (highest)</template>. Cool-down time constant
            {{ f.coolDownH.toFixed(1) }} h. Pressure drop {{ table.units.figure('pressure', f.dropBar, 2) }}.</template
          >
        </p>
        <p v-for="r in result(tap.id) ? [result(tap.id)!] : []" :key="r.id" class="text-sm text-ink-soft">
          Per year: {{ r.waitMedianS > 0 ? `median time to tap ${table.units.seconds(r.waitMedianS)}` : 'no waiting' }},
          draw-off to waste {{ table.units.litres(r.toWasteL) }},
          {{ r.waiting ? `${r.unmetDraws} of ${r.waiting} draw-offs unmet` : 'no use waits for hot water' }}.
        </p>
      </div>
      <button
        class="tool tool-bare px-2"
        :disabled="keeps(tap.id) !== null"
        :title="keeps(tap.id) ?? ''"
        :aria-label="`Remove ${tap.name}`"
        @click="table.replace((s) => removeTap(s, tap.id))"
      >
        <Trash2 :size="17" />
      </button>
    </li>
  </ul>
  <button class="tool mt-2" @click="table.replace(addTap)"><Plus :size="17" />Add outlet</button>
</template>
