<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { contentsPerMetre } from '~~/core/pipes/contents'
import { pipeOf } from '~~/core/pipes/catalogue'
import { Run } from '~~/core/study/pipes'
import { meanPrice } from '~~/core/money/where-it-goes'

const props = defineProps<{ chosen: string }>()
const table = useStudy()
const years = useYears()
const runs = computed(() => table.study!.pipes.runs)
const litres = (r: (typeof runs.value)[number]) => contentsPerMetre(pipeOf(r.material, r.size)) * r.lengthM
const lost = (id: string) => years.now?.runs.find((r) => r.id === id)?.lossKwh
const price = computed(() => (years.now ? meanPrice(years.now) : 0))
const used = (id: string) => runs.value.some((r) => r.from === id) || table.study!.pipes.taps.some((t) => t.runId === id) || table.study!.pipes.loop?.turnsAt === id
const edit = (i: number, key: string, change: (run: Run) => void) => table.change(`run ${i} ${key}`, (d) => change(d.pipes.runs[i]!))

function add() {
  const last = runs.value.at(-1)!
  const id = freshId('run', runs.value.map((r) => r.id))
  table.change('add run', (d) => {
    d.pipes.runs.push({ ...structuredClone(d.pipes.runs.at(-1)!), id, name: 'New run', from: last.from, lengthM: 3, insulation: null, reachable: true })
  })
}
/** Runs that a run may leave from without leading round in a circle. */
function parents(id: string) {
  const below = new Set([id])
  for (let grew = true; grew; ) {
    grew = false
    for (const r of runs.value)
      if (r.from !== null && below.has(r.from) && !below.has(r.id)) {
        below.add(r.id)
        grew = true
      }
  }
  return [{ value: null as string | null, name: 'the plant' }, ...runs.value.filter((r) => !below.has(r.id)).map((r) => ({ value: r.id as string | null, name: r.name }))]
}
const rows = ref<HTMLElement[]>([])
watch(
  () => props.chosen,
  async (id) => {
    await nextTick()
    rows.value.find((el) => el.dataset.run === id)?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)
</script>

<template>
  <div class="relative overflow-x-auto" tabindex="0" role="region" aria-label="Runs, in a table that scrolls sideways">
    <table class="w-full min-w-[64rem] text-sm">
      <thead>
        <tr class="text-left">
          <th class="w-48">Run</th><th class="w-40">leaves from</th><th class="w-36">Material</th><th class="w-24">Size</th><th class="w-28">Length</th><th class="w-28">Insulation</th><th class="w-32">Passes</th><th>Reach</th><th class="text-right">Contents</th><th class="text-right">Loses a year</th><th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(run, i) in runs" :key="run.id" ref="rows" :data-run="run.id" :class="{ 'bg-copper-pale': chosen === run.id }">
          <td class="p-0.5"><TextField bare label="Name of the run" :value="run.name" @change="(v) => edit(i, 'name', (r) => void (r.name = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Leaves from" :value="run.from" :choices="parents(run.id)" @change="(v) => edit(i, 'from', (r) => void (r.from = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Material" :value="run.material" :choices="MATERIAL_NAMES" @change="(v) => edit(i, 'material', (r) => { r.size = nearestSize(r, v); r.material = v })" /></td>
          <td class="p-0.5"><ChoiceField bare label="Size" :value="run.size" :choices="sizeChoices(run.material)" @change="(v) => edit(i, 'size', (r) => void (r.size = v))" /></td>
          <td class="p-0.5"><NumberField bare :label="`Length of ${run.name}`" quantity="length" :schema="Run.shape.lengthM" :value="run.lengthM" @change="(v) => edit(i, 'length', (r) => void (r.lengthM = v!))" /></td>
          <td class="p-0.5"><InsulationField bare :label="`Insulation of ${run.name}`" :value="run.insulation" @change="(v) => edit(i, 'insulation', (r) => void (r.insulation = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Passes" :value="run.place" :choices="PLACE_NAMES" @change="(v) => edit(i, 'place', (r) => void (r.place = v))" /></td>
          <td class="p-0.5 text-center"><input type="checkbox" class="size-5 accent-copper" :checked="run.reachable" :aria-label="`${run.name} can be reached`" @change="edit(i, 'reach', (r) => void (r.reachable = !r.reachable))" /></td>
          <td class="p-1 text-right whitespace-nowrap">{{ table.units.figure('volume', litres(run), 2) }}</td>
          <td class="p-1 text-right whitespace-nowrap">{{ lost(run.id) === undefined ? '…' : `${table.units.energy(lost(run.id)!)}, ${table.units.money(lost(run.id)! * price)}` }}</td>
          <td><button class="tool tool-bare px-2" :disabled="used(run.id)" :title="used(run.id) ? 'Something hangs on this run' : ''" :aria-label="`Remove ${run.name}`" @click="table.change('remove run', (d) => { d.pipes.runs.splice(i, 1); for (const p of d.packages) for (const m of p.measures) if (m.kind === 'insulate-runs') m.runIds = m.runIds.filter((x) => x !== run.id) })"><Trash2 :size="17" /></button></td>
        </tr>
      </tbody>
    </table>
  </div>
  <button class="tool mt-2" @click="add"><Plus :size="17" />Run</button>
</template>
