<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DayField from '~/components/fields/DayField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { addAbsence, addGuests, moveEnd } from '~~/core/household/edits/people'
import { Guests } from '~~/core/study/people'

/** The calendar of the household: who is away and who comes, by days of the year. */
const table = useStudy()
const people = computed(() => table.study!.people)
const persons = computed(() => people.value.persons.map((p) => ({ value: p.id, name: p.name })))
const away = computed(() => [{ value: null as string | null, name: 'everybody' }, ...persons.value])
const putAway = (i: number, key: string, change: (a: (typeof people.value.absences)[number]) => void) =>
  table.change(`absence ${i} ${key}`, (d) => change(d.people.absences[i]!))
const putGuests = (i: number, key: string, change: (g: Guests) => void) =>
  table.change(`guests ${i} ${key}`, (d) => change(d.people.guests[i]!))
const own = (personId: string) => people.value.uses.filter((h) => h.personId === personId).length
</script>

<template>
  <section aria-label="Absences" class="mt-4">
    <h3 class="text-base">Away</h3>
    <ul>
      <li v-for="(a, i) in people.absences" :key="i" class="flex flex-wrap items-end gap-2 border-b border-line py-1">
        <ChoiceField
          class="w-36"
          label="Absent"
          :value="a.personId"
          :choices="away"
          @change="(v) => putAway(i, 'who', (x) => void (x.personId = v))"
        />
        <DayField
          label="from"
          :value="a.fromDay"
          @change="(v) => putAway(i, 'from', (x) => moveEnd(x, 'fromDay', v))"
        />
        <DayField label="to" :value="a.toDay" @change="(v) => putAway(i, 'to', (x) => moveEnd(x, 'toDay', v))" />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove absence ${i + 1}`"
          @click="table.change('remove absence', (d) => void d.people.absences.splice(i, 1))"
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <button class="tool mt-1" @click="table.replace(addAbsence)"><Plus :size="17" />Absence</button>
  </section>
  <section aria-label="Guests" class="mt-4">
    <h3 class="text-base">Guests</h3>
    <ul>
      <li v-for="(g, i) in people.guests" :key="i" class="flex flex-wrap items-end gap-2 border-b border-line py-1">
        <TextField
          class="w-36"
          label="Guests"
          :value="g.name"
          @change="(v) => putGuests(i, 'name', (x) => void (x.name = v))"
        />
        <NumberField
          class="w-20"
          label="Number"
          :decimals="0"
          :schema="Guests.shape.count"
          :value="g.count"
          @change="(v) => putGuests(i, 'count', (x) => void (x.count = Math.round(v!)))"
        />
        <ChoiceField
          class="w-36"
          label="Same uses as"
          :value="g.likePersonId"
          :choices="persons"
          @change="(v) => putGuests(i, 'like', (x) => void (x.likePersonId = v))"
        />
        <DayField
          label="from"
          :value="g.fromDay"
          @change="(v) => putGuests(i, 'from', (x) => moveEnd(x, 'fromDay', v))"
        />
        <DayField label="to" :value="g.toDay" @change="(v) => putGuests(i, 'to', (x) => moveEnd(x, 'toDay', v))" />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove guests ${i + 1}`"
          @click="table.change('remove guests', (d) => void d.people.guests.splice(i, 1))"
        >
          <Trash2 :size="17" />
        </button>
        <p v-if="own(g.likePersonId) === 0" class="w-full text-sm text-alarm">
          No uses are assigned to this occupant, so these guests add no draw-offs. Assign uses to the occupant.
        </p>
      </li>
    </ul>
    <button class="tool mt-1" :disabled="people.persons.length === 0" @click="table.replace(addGuests)">
      <Plus :size="17" />Guests
    </button>
  </section>
</template>
