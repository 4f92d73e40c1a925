<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { DAY_NAMES } from '~~/core/controls/week'
import { Habit, People } from '~~/core/study/people'

const table = useStudy()
const people = computed(() => table.study!.people)
const taps = computed(() => table.study!.pipes.taps.map((t) => ({ value: t.id, name: t.name })))
const who = computed(() => [{ value: null as string | null, name: 'household' }, ...people.value.persons.map((p) => ({ value: p.id as string | null, name: p.name }))])
const edit = (i: number, key: string, change: (habit: Habit) => void) => table.change(`habit ${i} ${key}`, (d) => change(d.people.habits[i]!))
const timed = Habit.shape.use.options[0].shape.minutes
const filled = Habit.shape.use.options[1].shape.litres
function add() {
  const id = freshId('habit', people.value.habits.map((h) => h.id))
  table.change('add habit', (d) => {
    d.people.habits.push({ id, name: 'New habit', personId: null, tapId: d.pipes.taps[0]!.id, days: Array(7).fill(true), atMin: 420, spreadMin: 15, chance: 1, use: { kind: 'timed', minutes: 5 }, amountSpread: 0.2, wantedC: 39, waits: true })
  })
}
const draws = computed(() => (people.value.draws.kind === 'routine' ? 'routine' : people.value.draws.cycle))
function setDraws(v: 'routine' | 'S' | 'M' | 'L' | 'XL') {
  table.change('draws', (d) => {
    d.people.draws = v === 'routine' ? { kind: 'routine' } : { kind: 'standard', cycle: v, tapId: d.pipes.taps[0]!.id, wantedC: 40 }
  })
}
</script>

<template>
  <div class="mb-3 grid grid-cols-2 gap-3 md:grid-cols-4">
    <ChoiceField label="Draws" :value="draws" :choices="[{ value: 'routine', name: 'the household’s routine' }, ...(['S', 'M', 'L', 'XL'] as const).map((c) => ({ value: c, name: `standard day ${c}` }))]" @change="setDraws" />
    <NumberField label="Longer in midwinter by, share" :schema="People.shape.winterSwing" :value="people.winterSwing" @change="(v) => table.change('winter', (d) => void (d.people.winterSwing = v!))" />
    <NumberField label="Seed of the draws" :decimals="0" :schema="People.shape.seed" :value="people.seed" @change="(v) => table.change('seed', (d) => void (d.people.seed = Math.round(v!)))" />
  </div>
  <div class="relative overflow-x-auto" tabindex="0" role="region" aria-label="Habits, in a table that scrolls sideways">
    <table class="w-full min-w-[62rem] text-sm">
      <thead>
        <tr class="text-left"><th class="w-56">Habit</th><th class="w-32">Who</th><th class="w-40">Tap</th><th class="w-48">Days</th><th class="w-24">at</th><th class="w-24">±</th><th class="w-24">Chance</th><th class="w-28">Amount</th><th class="w-28">Wanted</th><th>Waits</th><th /></tr>
      </thead>
      <tbody>
        <tr v-for="(h, i) in people.habits" :key="h.id">
          <td class="p-0.5"><TextField bare label="Habit" :value="h.name" @change="(v) => edit(i, 'name', (x) => void (x.name = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Who" :value="h.personId" :choices="who" @change="(v) => edit(i, 'who', (x) => void (x.personId = v))" /></td>
          <td class="p-0.5"><ChoiceField bare label="Tap" :value="h.tapId" :choices="taps" @change="(v) => edit(i, 'tap', (x) => void (x.tapId = v))" /></td>
          <td class="p-0.5 whitespace-nowrap">
            <button v-for="(on, d) in h.days" :key="d" class="size-6 rounded-sm text-xs" :class="on ? 'bg-ink text-white' : 'bg-plaster-deep text-ink-soft'" :aria-pressed="on" :aria-label="`${h.name} on ${DAY_NAMES[d]}`" @click="edit(i, 'days', (x) => void (x.days[d] = !x.days[d]))">{{ DAY_NAMES[d]![0] }}</button>
          </td>
          <td class="p-0.5"><TimeField :label="`Time of ${h.name}`" :value="h.atMin" :max="1439" @change="(v) => edit(i, 'at', (x) => void (x.atMin = v))" /></td>
          <td class="p-0.5"><NumberField bare :label="`Spread of ${h.name}`" unit="min" :decimals="0" :schema="Habit.shape.spreadMin" :value="h.spreadMin" @change="(v) => edit(i, 'spread', (x) => void (x.spreadMin = v!))" /></td>
          <td class="p-0.5"><NumberField bare :label="`Chance of ${h.name}, 0 to 1`" :decimals="2" :schema="Habit.shape.chance" :value="h.chance" @change="(v) => edit(i, 'chance', (x) => void (x.chance = v!))" /></td>
          <td class="p-0.5">
            <NumberField v-if="h.use.kind === 'timed'" bare :label="`Minutes of ${h.name}`" unit="min" :decimals="1" :schema="timed" :value="h.use.minutes" @change="(v) => edit(i, 'amount', (x) => { if (x.use.kind === 'timed') x.use.minutes = v! })" />
            <NumberField v-else bare :label="`Amount of ${h.name}`" quantity="volume" :schema="filled" :value="h.use.litres" @change="(v) => edit(i, 'amount', (x) => { if (x.use.kind === 'filled') x.use.litres = v! })" />
          </td>
          <td class="p-0.5"><NumberField bare :label="`Temperature wanted for ${h.name}`" quantity="temperature" :schema="Habit.shape.wantedC" :value="h.wantedC" @change="(v) => edit(i, 'wanted', (x) => void (x.wantedC = v!))" /></td>
          <td class="text-center"><input type="checkbox" class="size-5 accent-copper" :checked="h.waits" :aria-label="`${h.name} waits until it is warm`" @change="edit(i, 'waits', (x) => void (x.waits = !x.waits))" /></td>
          <td><button class="tool tool-bare px-2" :aria-label="`Remove ${h.name}`" @click="table.change('remove habit', (d) => void d.people.habits.splice(i, 1))"><Trash2 :size="17" /></button></td>
        </tr>
      </tbody>
    </table>
  </div>
  <button class="tool mt-2" @click="add"><Plus :size="17" />Habit</button>
</template>
