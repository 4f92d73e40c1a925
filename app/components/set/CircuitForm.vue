<script setup lang="ts">
import { Plus } from '@lucide/vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import PressureBands from '~/components/set/PressureBands.vue'
import { useStudy } from '~/stores/study'
import { COLD_BAR } from '~~/core/readings/heating-readings'
import { topUps } from '~~/core/readings/top-ups'
import { circuitNotRead, type CIRCUITS, PressureCircuit } from '~~/core/study/heating'

/** Pressure of a circuit, with the levels of its maker, and whether its filling was shut again. */
const props = defineProps<{ name: (typeof CIRCUITS)[number] }>()
const table = useStudy()
const circuit = computed(() => table.study!.heating!.circuits[props.name])
const title = computed(() => (props.name === 'heating' ? 'Heating circuit' : 'Solid-fuel circuit'))
const put = (key: string, edit: (c: PressureCircuit) => void) =>
  table.change(`circuit ${props.name} ${key}`, (d) => edit(d.heating!.circuits[props.name]!))
const begin = () =>
  table.change(`circuit ${props.name}`, (d) => void (d.heating!.circuits[props.name] = circuitNotRead()))
const LEVELS = [
  { key: 'coldBar', label: 'Cold' },
  { key: 'hotBar', label: 'Hot' },
  { key: 'warnBar', label: 'Warns below' },
  { key: 'lockoutBar', label: 'Locks out below' },
  { key: 'reliefBar', label: 'Relief valve opens' },
] as const
const filled = computed(() => topUps(table.study!))
</script>

<template>
  <div v-if="circuit">
    <h3 class="text-base">{{ title }}</h3>
    <PressureBands :circuit="circuit" :name="title" :usual="name === 'heating'" />
    <p v-if="name === 'heating'" class="caption mb-2">
      Shaded: usual when cold, {{ table.units.figure('pressure', COLD_BAR.low, 1) }} to
      {{ table.units.figure('pressure', COLD_BAR.high, 1) }}. The manufacturer’s levels go first.
    </p>
    <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
      <NumberField
        v-for="l in LEVELS"
        :key="l.key"
        :label="`${l.label}`"
        quantity="pressure"
        optional
        :schema="PressureCircuit.shape[l.key]"
        :value="circuit[l.key]"
        @change="(v) => put(l.key, (c) => void (c[l.key] = v))"
      />
      <DateField label="Read on" :value="circuit.readOn" @change="(v) => put('read on', (c) => void (c.readOn = v))" />
      <YesNoField
        label="Filling shut again"
        :value="circuit.fillingShut"
        @change="(v) => put('filling', (c) => void (c.fillingShut = v))"
      />
      <TextField
        label="Shut by"
        optional
        :value="circuit.shutBy"
        @change="(v) => put('shut by', (c) => void (c.shutBy = v))"
      />
    </div>
    <p v-if="name === 'heating' && filled.length" class="mt-2 text-sm">
      Topped up {{ filled.length === 1 ? 'once' : `${filled.length} times` }} by the log, last on {{ filled.at(-1) }}. A
      closed circuit needs none.
    </p>
  </div>
  <button v-else class="tool" @click="begin"><Plus :size="17" />{{ title }}</button>
</template>
