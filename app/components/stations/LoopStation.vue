<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import NumberField from '~/components/fields/NumberField.vue'
import LoopFields from '~/components/stations/LoopFields.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { addLoop, removeLoop } from '~~/core/household/edits/plant'
import { bypassOf } from '~~/core/household/loop'
import { withValueAt } from '~~/core/study/paths'
import { Loop } from '~~/core/study/pipes'
import { LOOP_RETURN } from '~~/core/year/pipes/network'

const table = useStudy()
const years = useYears()
const loop = computed(() => table.study!.pipes.loop)
const lost = computed(() => years.now?.runs.find((r) => r.id === LOOP_RETURN)?.lossKwh)
/** What carries the water back. */
const bypass = computed(() => bypassOf(loop.value))
const put = (path: string, value: unknown) => table.replace((s) => withValueAt(s, `pipes.loop.${path}`, value))
</script>

<template>
  <div v-if="loop" class="grid grid-cols-2 gap-3 md:grid-cols-4">
    <LoopFields :loop="loop" :origin="(path) => table.origin(`pipes.loop.${path}`)" @change="put" />
    <NumberField
      label="Circulation loss, measured (UA)"
      quantity="lossRate"
      optional
      :schema="Loop.shape.measuredUaWK"
      :value="loop.measuredUaWK"
      :origin="table.origin('pipes.loop.measuredUaWK')"
      @change="(v) => put('measuredUaWK', v)"
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
