<script setup lang="ts">
import { ArrowUp, ChevronDown, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import HeaterForm from '~/components/stations/HeaterForm.vue'
import HouseSupplies from '~/components/stations/HouseSupplies.vue'
import OutageTable from '~/components/stations/OutageTable.vue'
import HeaterMark from '~/components/water/HeaterMark.vue'
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
import { CARRIER_NAMES } from '~~/core/money/carriers'
import { carrierOf, efficiencyOf } from '~~/core/study/heater-kinds'
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

/** Heaters whose form is open: the only one, and of several those that were opened or have just been added. */
const opened = ref(new Set(heaters.value.length === 1 ? [heaters.value[0]!.id] : []))
const isOpen = (id: string) => heaters.value.length === 1 || opened.value.has(id)
function fold(id: string) {
  const next = new Set(opened.value)
  if (!next.delete(id)) next.add(id)
  opened.value = next
}
function add(kind: string) {
  if (!kind) return
  const before = new Set(heaters.value.map((h) => h.id))
  table.replace((s) => addHeater(s, kind as HeaterKind))
  opened.value = new Set([...opened.value, ...heaters.value.map((h) => h.id).filter((id) => !before.has(id))])
}

/** The five things of a heater that matter most, where it has them: kind, what it runs on, output, efficiency, setpoint. */
function factsOf(heater: Heater): string[] {
  const { figure, temperature } = table.units
  const efficiency = efficiencyOf(heater)
  const control = table.controls!.heaters[heater.id]
  return [
    ...(heater.name === HEATERS[heater.kind].name ? [] : [HEATERS[heater.kind].name]),
    ...(HEATERS[heater.kind].source === 'sun' ? [] : [CARRIER_NAMES[carrierOf(heater)]]),
    ...('outputKw' in heater ? [figure('power', heater.outputKw)] : []),
    ...('powerKw' in heater ? [figure('electricPower', heater.powerKw)] : []),
    ...('waterKw' in heater ? [`${figure('power', heater.waterKw)} to water`] : []),
    ...('areaM2' in heater ? [figure('area', heater.areaM2)] : []),
    ...(efficiency
      ? [efficiency.kind === 'fixed' ? `${Math.round(100 * efficiency.share)}% efficient` : 'condensing']
      : []),
    ...(control ? [`set to ${temperature(control.setpointC)}`] : []),
  ]
}
</script>

<template>
  <p class="caption mb-2">
    Listed in order of priority: a heater runs only when no heater above it is calling. Solar and solid fuel run
    independently. An instantaneous water heater always comes last in the hot water path. Outputs are heat to water;
    efficiencies are gross, for wood net.
  </p>
  <div v-for="(heater, i) in heaters" :key="heater.id" class="mb-3 border-b border-line pb-3" :data-heater="heater.id">
    <button
      v-if="heaters.length > 1"
      class="flex min-h-14 w-full items-center gap-3 text-left hover:bg-plaster-deep"
      :aria-expanded="isOpen(heater.id)"
      @click="fold(heater.id)"
    >
      <HeaterMark class="h-12! w-8! shrink-0" :fires="false" :electric="carrierOf(heater) === 'electricity'" />
      <span class="min-w-0 flex-1"
        ><b class="text-copper">{{ heater.name }}</b
        ><span class="block text-sm text-ink-soft">{{ factsOf(heater).join(' · ') }}</span></span
      >
      <ChevronDown :size="18" class="shrink-0" :class="{ 'rotate-180': isOpen(heater.id) }" aria-hidden="true" />
    </button>
    <template v-if="isOpen(heater.id)">
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
    </template>
  </div>
  <ChoiceField v-if="more.length > 1" class="w-64" label="Add another heater" value="" :choices="more" @change="add" />
  <OutageTable class="mt-6" />
  <HouseSupplies class="mt-6" />
</template>
