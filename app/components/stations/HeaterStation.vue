<script setup lang="ts">
import { ArrowUp, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import HeaterForm from '~/components/stations/HeaterForm.vue'
import HouseSupplies from '~/components/stations/HouseSupplies.vue'
import OutageTable from '~/components/stations/OutageTable.vue'
import { useStudy } from '~/stores/study'
import { HEATER_KINDS, type HeaterKind, HEATERS } from '~~/core/heaters/kinds'
import {
  addHeater,
  changeHeaterKind,
  keepsHeater,
  raiseHeater,
  refusesAnother,
  refusesHeater,
  removeHeater,
} from '~~/core/household/edits/plant'
import type { Heater } from '~~/core/study/plant'

const table = useStudy()
const heaters = computed(() => table.study!.plant.heaters)
const kindsFor = (heater: Heater) =>
  HEATER_KINDS.filter(
    (k) =>
      k === heater.kind ||
      refusesHeater(
        heaters.value.filter((h) => h.id !== heater.id),
        k,
      ) === null,
  ).map((value) => ({ value, name: HEATERS[value].name }))
const more = computed(() => [
  { value: '', name: 'choose…' },
  ...HEATER_KINDS.filter((k) => refusesAnother(table.study!, k) === null).map((value) => ({
    value: value as string,
    name: HEATERS[value].name,
  })),
])
</script>

<template>
  <p class="caption mb-2">
    Listed in order of priority: a heater runs only when no heater above it is calling. Solar and solid fuel run
    independently. An instantaneous water heater always comes last in the hot water path. Outputs are heat to water;
    efficiencies are gross, for wood net.
  </p>
  <div v-for="(heater, i) in heaters" :key="heater.id" class="mb-6 border-b border-line pb-3" :data-heater="heater.id">
    <div class="mb-2 flex flex-wrap items-end gap-2">
      <ChoiceField
        class="w-64"
        :label="heaters.length > 1 ? `Type of heater ${i + 1}` : 'Type of heater'"
        :value="heater.kind"
        :choices="kindsFor(heater)"
        @change="(v) => table.replace((s) => changeHeaterKind(s, heater.id, v))"
      />
      <button v-if="i > 0" class="tool" @click="table.replace((s) => raiseHeater(s, heater.id))">
        <ArrowUp :size="17" />Before {{ heaters[i - 1]!.name }}
      </button>
      <button
        v-if="heaters.length > 1"
        class="tool tool-bare"
        :disabled="keepsHeater(table.study!, heater.id)"
        :aria-label="`Remove ${heater.name}`"
        @click="table.replace((s) => removeHeater(s, heater.id))"
      >
        <Trash2 :size="17" />Remove
      </button>
    </div>
    <HeaterForm :heater="heater" />
    <p class="caption mt-2 border-l-4 border-line-strong pl-2">
      {{ HEATERS[heater.kind].caution }}
    </p>
  </div>
  <ChoiceField
    v-if="more.length > 1"
    class="w-64"
    label="Add another heater"
    value=""
    :choices="more"
    @change="(k) => k && table.replace((s) => addHeater(s, k as HeaterKind))"
  />
  <OutageTable class="mt-6" />
  <HouseSupplies class="mt-6" />
</template>
