<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { PLACE_NAMES } from '~/utils/places'
import { MONTHS } from '~~/core/calendar/names'
import type { Study } from '~~/core/study/study'
import { roomHeat } from '~~/core/views/room-heat'
import type { YearResult } from '~~/core/year/result'

/** Where the losses of a year went: pipe by pipe and month by month, with what of them heated the rooms. */
const props = defineProps<{ study: Study; year: YearResult }>()
const table = useStudy()
const units = computed(() => table.units)
const heat = computed(() => roomHeat(props.study, props.year))
const placeOf = (place: string) => PLACE_NAMES.find((p) => p.value === place)!.name
const rows = computed(() => [
  ...heat.value.runs.map((r) => ({ ...r, place: placeOf(r.place), note: r.reachable ? '' : 'not accessible' })),
  { name: 'Cylinder, primary circuit and heaters', place: '', note: '', ...heat.value.rest },
])
const cooled = computed(() => heat.value.months.some((m) => m.cooledKwh !== 0))
</script>

<template>
  <details class="mt-2" data-room-heat>
    <summary class="min-h-11 cursor-pointer py-2.5 font-semibold text-copper">
      Losses by pipe and by month, and what of them heats rooms
    </summary>
    <div class="overflow-x-auto">
      <table class="w-full max-w-3xl text-sm">
        <caption class="caption py-1 text-left">
          Per year. Heat to heated spaces counts in the heating season only; from a slab half of it reaches the room.
        </caption>
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1">Pipe run</th>
            <th>Location</th>
            <th class="text-right">Loss</th>
            <th class="text-right">To heated spaces</th>
            <th class="text-right">Net loss</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in rows" :key="i" class="border-b border-line">
            <th class="py-1 text-left font-normal">
              {{ r.name }} <span v-if="r.note" class="caption">{{ r.note }}</span>
            </th>
            <td>{{ r.place }}</td>
            <td class="text-right">{{ units.energy(r.lostKwh) }}</td>
            <td class="text-right">{{ units.energy(r.toRoomsKwh) }}</td>
            <td class="text-right">{{ units.energy(r.lostKwh - r.toRoomsKwh) }}</td>
          </tr>
        </tbody>
      </table>
      <table class="mt-4 w-full max-w-3xl text-sm">
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1">Month</th>
            <th class="text-right">Loss</th>
            <th class="text-right">To heated spaces</th>
            <th v-if="cooled" class="text-right">To cooled spaces</th>
            <th class="text-right">Net loss</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(m, i) in heat.months" :key="i" class="border-b border-line">
            <th class="py-1 text-left font-normal">{{ MONTHS[i] }}</th>
            <td class="text-right">{{ units.energy(m.lostKwh) }}</td>
            <td class="text-right">{{ units.energy(m.toRoomsKwh) }}</td>
            <td v-if="cooled" class="text-right">{{ units.energy(m.cooledKwh) }}</td>
            <td class="text-right">{{ units.energy(m.lostKwh - m.toRoomsKwh) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>
