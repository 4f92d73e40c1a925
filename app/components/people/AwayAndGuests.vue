<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { Guests } from '~~/core/study/people'

/** The calendar of the household: who is away and who comes, by days of the year. */
const table = useStudy()
const people = computed(() => table.study!.people)
const persons = computed(() => people.value.persons.map((p) => ({ value: p.id, name: p.name })))
const away = computed(() => [{ value: null as string | null, name: 'everybody' }, ...persons.value])
/** Moves one end of a stretch of days; the other goes along so that it never ends before it begins. */
function span<T extends { fromDay: number; toDay: number }>(x: T, end: 'fromDay' | 'toDay', day: number) {
  x[end] = day
  if (end === 'fromDay') x.toDay = Math.max(x.toDay, day)
  else x.fromDay = Math.min(x.fromDay, day)
}
const putAway = (i: number, key: string, change: (a: (typeof people.value.absences)[number]) => void) =>
  table.change(`absence ${i} ${key}`, (d) => change(d.people.absences[i]!))
const putGuests = (i: number, key: string, change: (g: Guests) => void) =>
  table.change(`guests ${i} ${key}`, (d) => change(d.people.guests[i]!))
const addGuests = () =>
  table.change(
    'add guests',
    (d) =>
      void d.people.guests.push({
        name: 'Guests',
        count: 2,
        likePersonId: d.people.persons[0]!.id,
        fromDay: 358,
        toDay: 365,
      }),
  )
const own = (personId: string) => people.value.habits.filter((h) => h.personId === personId).length
</script>

<template>
  <section aria-label="Absences" class="mt-4">
    <h3 class="text-base">Away</h3>
    <ul>
      <li v-for="(a, i) in people.absences" :key="i" class="flex flex-wrap items-end gap-2 border-b border-line py-1">
        <ChoiceField
          class="w-36"
          label="Who is away"
          :value="a.personId"
          :choices="away"
          @change="(v) => putAway(i, 'who', (x) => void (x.personId = v))"
        />
        <DayField label="from" :value="a.fromDay" @change="(v) => putAway(i, 'from', (x) => span(x, 'fromDay', v))" />
        <DayField label="to" :value="a.toDay" @change="(v) => putAway(i, 'to', (x) => span(x, 'toDay', v))" />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove absence ${i + 1}`"
          @click="table.change('remove absence', (d) => void d.people.absences.splice(i, 1))"
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <button
      class="tool mt-1"
      @click="
        table.change('add absence', (d) => void d.people.absences.push({ personId: null, fromDay: 213, toDay: 226 }))
      "
    >
      <Plus :size="17" />Absence
    </button>
  </section>
  <section aria-label="Guests" class="mt-4">
    <h3 class="text-base">Guests</h3>
    <ul>
      <li v-for="(g, i) in people.guests" :key="i" class="flex flex-wrap items-end gap-2 border-b border-line py-1">
        <TextField
          class="w-36"
          label="Who comes"
          :value="g.name"
          @change="(v) => putGuests(i, 'name', (x) => void (x.name = v))"
        />
        <NumberField
          class="w-20"
          label="How many"
          :decimals="0"
          :schema="Guests.shape.count"
          :value="g.count"
          @change="(v) => putGuests(i, 'count', (x) => void (x.count = Math.round(v!)))"
        />
        <ChoiceField
          class="w-36"
          label="They live like"
          :value="g.likePersonId"
          :choices="persons"
          @change="(v) => putGuests(i, 'like', (x) => void (x.likePersonId = v))"
        />
        <DayField label="from" :value="g.fromDay" @change="(v) => putGuests(i, 'from', (x) => span(x, 'fromDay', v))" />
        <DayField label="to" :value="g.toDay" @change="(v) => putGuests(i, 'to', (x) => span(x, 'toDay', v))" />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove guests ${i + 1}`"
          @click="table.change('remove guests', (d) => void d.people.guests.splice(i, 1))"
        >
          <Trash2 :size="17" />
        </button>
        <p v-if="own(g.likePersonId) === 0" class="w-full text-sm text-alarm">
          Nobody’s habits are that person’s own, so the guests draw nothing: say whose the showers are.
        </p>
      </li>
    </ul>
    <button class="tool mt-1" :disabled="people.persons.length === 0" @click="addGuests">
      <Plus :size="17" />Guests
    </button>
  </section>
</template>
