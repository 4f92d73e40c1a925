<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { Tap } from '~~/core/study/pipes'

defineProps<{ chosen: string }>()
const table = useStudy()
const years = useYears()
const taps = computed(() => table.study!.pipes.taps)
const runs = computed(() => table.study!.pipes.runs.map((r) => ({ value: r.id, name: r.name })))
const result = (id: string) => years.now?.taps.find((t) => t.id === id)
const KINDS = Tap.shape.kind.options.map((value) => ({ value, name: value }))
const edit = (i: number, key: string, change: (tap: Tap) => void) => table.change(`tap ${i} ${key}`, (d) => change(d.pipes.taps[i]!))
const used = (id: string) => taps.value.length === 1 || table.study!.people.habits.some((h) => h.tapId === id) || (table.study!.people.draws.kind === 'standard' && table.study!.people.draws.tapId === id)
function add() {
  const id = freshId('tap', taps.value.map((t) => t.id))
  table.change('add tap', (d) => void d.pipes.taps.push({ ...structuredClone(d.pipes.taps.at(-1)!), id, name: 'New tap' }))
}
</script>

<template>
  <div class="relative overflow-x-auto" tabindex="0" role="region" aria-label="Taps, in a table that scrolls sideways">
    <table class="w-full min-w-[54rem] text-sm">
      <thead>
        <tr class="text-left"><th class="w-44">Tap</th><th class="w-32">Kind</th><th class="w-48">at the end of</th><th class="w-32">Flow</th><th>Mixes</th><th class="text-right">Median wait</th><th class="text-right">Run off a year</th><th class="text-right">Too cool</th><th /></tr>
      </thead>
      <tbody>
        <tr v-for="(tap, i) in taps" :key="tap.id" :class="{ 'bg-copper-pale': chosen === tap.id }">
          <td class="p-0.5"><TextField bare label="Name of the tap" :value="tap.name" @change="(v) => edit(i, 'name', (t) => void (t.name = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Kind" :value="tap.kind" :choices="KINDS" @change="(v) => edit(i, 'kind', (t) => void (t.kind = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="At the end of" :value="tap.runId" :choices="runs" @change="(v) => edit(i, 'run', (t) => void (t.runId = v))" /></td>
          <td class="p-0.5"><NumberField bare :label="`Flow of ${tap.name}`" quantity="flow" :schema="Tap.shape.flowLMin" :value="tap.flowLMin" @change="(v) => edit(i, 'flow', (t) => void (t.flowLMin = v!))" /></td>
          <td class="text-center"><input type="checkbox" class="size-5 accent-copper" :checked="tap.mixes" :aria-label="`${tap.name} mixes cold water in`" @change="edit(i, 'mixes', (t) => void (t.mixes = !t.mixes))" /></td>
          <td class="p-1 text-right whitespace-nowrap">{{ result(tap.id) ? (result(tap.id)!.waitMedianS > 0 ? table.units.seconds(result(tap.id)!.waitMedianS) : 'nobody waits') : '…' }}</td>
          <td class="p-1 text-right whitespace-nowrap">{{ result(tap.id) ? table.units.litres(result(tap.id)!.runOffL) : '…' }}</td>
          <td class="p-1 text-right whitespace-nowrap">{{ result(tap.id) ? `${result(tap.id)!.coolDraws} of ${result(tap.id)!.draws}` : '…' }}</td>
          <td><button class="tool tool-bare px-2" :disabled="used(tap.id)" :title="used(tap.id) ? 'Somebody uses this tap' : ''" :aria-label="`Remove ${tap.name}`" @click="table.change('remove tap', (d) => void d.pipes.taps.splice(i, 1))"><Trash2 :size="17" /></button></td>
        </tr>
      </tbody>
    </table>
  </div>
  <button class="tool mt-2" @click="add"><Plus :size="17" />Tap</button>
</template>
