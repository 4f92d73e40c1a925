<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { heatingPauseMin } from '~~/core/views/heating-pause'
import { ratedAtText } from '~~/core/views/heating-side'
import type { HeatingAnswer } from '~~/core/year/heating/heating-year'

/** A year of heating as it is set, or what is missing for one. */
const props = defineProps<{ answer: HeatingAnswer }>()
const table = useStudy()
const years = useYears()
const units = computed(() => table.units)
const year = computed(() => ('year' in props.answer ? props.answer.year : null))
const missing = computed(() => ('missing' in props.answer ? props.answer.missing : []))
const pauseMin = computed(() => years.now && heatingPauseMin(table.study!, years.now))
const count = (x: number) => Math.round(x).toLocaleString('en-GB')
const rows = computed((): { key: string; name: string; value: string; assumed?: boolean }[] => {
  const y = year.value
  if (!y) return []
  return [
    { key: 'heat', name: 'Heat to the rooms', value: units.value.energy(y.heatKwh) },
    { key: 'fuel', name: 'Energy for heating', value: units.value.energy(y.fuelKwh) },
    ...(y.cost === null
      ? []
      : [{ key: 'cost', name: 'Energy cost of heating', value: `${units.value.money(y.cost)} a year` }]),
    {
      key: 'efficiency',
      name: y.efficiencyByReturn ? 'Efficiency at its return, gross' : 'Efficiency, as entered',
      value: `${(100 * y.efficiency).toFixed(1)}%`,
    },
    ...(y.efficiencyByReturn
      ? [{ key: 'condensing', name: 'Heat made while condensing', value: `${Math.round(100 * y.condensingShare)}%` }]
      : []),
    {
      key: 'flow',
      name: 'Mean flow and return',
      value: `${units.value.temperature(y.flowC)} / ${units.value.temperature(y.returnC)}`,
    },
    {
      key: 'cycling',
      name: 'Hours on and off, of hours with heating',
      value:
        y.cyclingHours === null
          ? 'least output not known'
          : `${count(y.cyclingHours)} of ${count(y.hours)} h${y.cyclingHours && y.cyclesAboveC !== null ? `, above ${units.value.temperature(y.cyclesAboveC)} outdoors` : ''}`,
    },
    ...(y.starts === null
      ? []
      : [
          {
            key: 'starts',
            name: 'Starts of the burner for it',
            value: `${count(y.starts)} a year`,
            assumed: y.circuit.assumed,
          },
        ]),
    { key: 'short', name: 'Hours short of heat', value: `${y.shortHours} h a year` },
  ]
})
</script>

<template>
  <div>
    <p v-if="missing.length" class="text-ink-soft" data-missing>
      No year of heating yet. Missing: {{ missing.join(', ') }}.
    </p>
    <dl v-else class="max-w-3xl gap-x-6 text-sm sm:grid sm:grid-cols-[minmax(0,1fr)_auto]" data-heating-year>
      <template v-for="r in rows" :key="r.key">
        <dt class="pt-1 sm:border-b sm:border-line sm:pb-1">{{ r.name }}</dt>
        <dd class="border-b border-line pb-1 font-semibold sm:pt-1 sm:text-right" :data-figure="r.key">
          {{ r.value }}
        </dd>
      </template>
      <template v-if="pauseMin !== null">
        <dt class="pt-1 sm:border-b sm:border-line sm:pb-1">Heating paused for hot water</dt>
        <dd class="border-b border-line pb-1 font-semibold sm:pt-1 sm:text-right" data-figure="pause">
          {{ pauseMin }} min on a day with heating
        </dd>
      </template>
    </dl>
    <p v-if="year" class="caption mt-1">
      <em v-if="year.circuit.assumed && year.starts !== null"
        >Starts assume {{ units.figure('volume', year.circuit.litres, 0) }} of water in the circuit.
      </em>
      Each hour by itself: pump as for {{ ratedAtText(units) }}, no lowering by night, no sun beyond the usual gains. An
      order of size, not a bill.
    </p>
  </div>
</template>
