<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DaysField from '~/components/fields/DaysField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import TimeField from '~/components/fields/TimeField.vue'
import AwayAndGuests from '~/components/people/AwayAndGuests.vue'
import DrawLog from '~/components/people/DrawLog.vue'
import DrawWeek from '~/components/people/DrawWeek.vue'
import { useStudy } from '~/stores/study'
import { removeHabit, removePerson } from '~~/core/household/edits/people'
import { STANDARD_DAYS, type StandardDay } from '~~/core/people/standard-days'
import { freshId } from '~~/core/study/fresh-id'
import { People, Person, Use } from '~~/core/study/people'

const table = useStudy()
const people = computed(() => table.study!.people)
const taps = computed(() => table.study!.pipes.taps.map((t) => ({ value: t.id, name: t.name })))
const who = computed(() => [
  { value: null as string | null, name: 'household' },
  ...people.value.persons.map((p) => ({ value: p.id as string | null, name: p.name })),
])
const edit = (i: number, key: string, change: (habit: Use) => void) =>
  table.change(`habit ${i} ${key}`, (d) => change(d.people.uses[i]!))
const timed = Use.shape.use.options[0].shape.minutes
const filled = Use.shape.use.options[1].shape.litres
function add() {
  const id = freshId('habit', people.value.uses)
  table.change('add habit', (d) => {
    d.people.uses.push({
      id,
      name: 'New use',
      personId: null,
      tapId: d.pipes.taps[0]!.id,
      days: Array(7).fill(true),
      atMin: 420,
      spreadMin: 15,
      chance: 1,
      use: { kind: 'timed', minutes: 5 },
      amountSpread: 0.2,
      requiredC: 39,
      waits: true,
      unattendedS: 0,
    })
  })
}
const RISK_NAMES: Record<Person['kind'], string> = {
  adult: 'adult',
  child: 'child',
  old: 'old',
  'reduced-sensation': 'reduced heat sensation',
}
const RISKS = Person.shape.kind.options.map((value) => ({ value, name: RISK_NAMES[value] }))
function addPerson() {
  table.change(
    'add person',
    (d) =>
      void d.people.persons.push({
        id: freshId('person', d.people.persons),
        name: 'New occupant',
        kind: 'adult',
      }),
  )
}
/** Whoever leaves takes their absences and the guests like them; their habits become the household's. */
const draws = computed(() =>
  people.value.draws.kind === 'standard' ? people.value.draws.cycle : people.value.draws.kind,
)
const CYCLES = Object.keys(STANDARD_DAYS) as StandardDay[]
function setDraws(v: 'routine' | 'logged' | StandardDay) {
  if (v === 'logged') return
  table.change('draws', (d) => {
    d.people.draws = v === 'routine' ? { kind: 'routine' } : { kind: 'standard', cycle: v, tapId: d.pipes.taps[0]!.id }
  })
}
</script>

<template>
  <div class="mb-3 grid grid-cols-2 gap-3 md:grid-cols-4">
    <ChoiceField
      label="Draw-offs from"
      :value="draws"
      :choices="[
        { value: 'routine', name: 'usage profile' },
        ...CYCLES.map((c) => ({ value: c, name: `tapping profile ${c}` })),
        ...(people.draws.kind === 'logged' ? [{ value: 'logged' as const, name: 'logged draw-offs' }] : []),
      ]"
      @change="setDraws"
    />
    <NumberField
      label="Winter increase"
      help="Midwinter use above the annual mean, as a fraction"
      :schema="People.shape.winterSwing"
      :value="people.winterSwing"
      @change="(v) => table.change('winter', (d) => void (d.people.winterSwing = v!))"
    />
    <NumberField
      label="Volume correction factor"
      :decimals="2"
      :schema="People.shape.volumeFactor"
      :value="people.volumeFactor"
      :origin="table.origin('people.volumeFactor')"
      @change="(v) => table.change('volume factor', (d) => void (d.people.volumeFactor = v!))"
    />
    <NumberField
      label="Random seed"
      help="Any whole number; another seed gives another random year of the same uses"
      :decimals="0"
      :schema="People.shape.seed"
      :value="people.seed"
      @change="(v) => table.change('seed', (d) => void (d.people.seed = Math.round(v!)))"
    />
  </div>
  <section aria-label="Occupants" class="mb-4">
    <h3 class="text-base">Occupants</h3>
    <ul class="grid gap-x-6 sm:grid-cols-2">
      <li v-for="(p, i) in people.persons" :key="p.id" class="flex items-end gap-1.5 py-1">
        <TextField
          class="min-w-0 flex-1"
          label="Name of the occupant"
          :value="p.name"
          @change="(v) => table.change(`person ${i} name`, (d) => void (d.people.persons[i]!.name = v))"
        />
        <ChoiceField
          class="w-40"
          :label="`${p.name} is`"
          :value="p.kind"
          :choices="RISKS"
          @change="(v) => table.change(`person ${i} kind`, (d) => void (d.people.persons[i]!.kind = v))"
        />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove ${p.name}`"
          @click="table.replace((s) => removePerson(s, p.id))"
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <button class="tool mt-1" @click="addPerson"><Plus :size="17" />Add occupant</button>
  </section>
  <section aria-label="Uses">
    <h3 class="text-base">Week of uses</h3>
    <ul>
      <li
        v-for="(h, i) in people.uses"
        :key="h.id"
        class="flex items-start gap-1 border-b border-line py-2"
        :data-habit="h.id"
      >
        <div
          class="grid min-w-0 flex-1 grid-cols-2 items-end gap-1.5 xl:grid-cols-[minmax(10rem,2fr)_minmax(7rem,1fr)_minmax(8rem,1.3fr)_5rem_5.5rem_5.5rem_6.5rem_6.5rem]"
        >
          <TextField
            class="col-span-2 xl:col-span-1"
            label="Add use"
            :value="h.name"
            @change="(v) => edit(i, 'name', (x) => void (x.name = v))"
          />
          <ChoiceField
            label="Occupant"
            :value="h.personId"
            :choices="who"
            @change="(v) => edit(i, 'who', (x) => void (x.personId = v))"
          />
          <ChoiceField
            label="Outlet"
            :value="h.tapId"
            :choices="taps"
            @change="(v) => edit(i, 'tap', (x) => void (x.tapId = v))"
          />
          <div>
            <span class="caption block" aria-hidden="true">at</span
            ><TimeField
              :label="`Time of ${h.name}`"
              :value="h.atMin"
              :max="1439"
              @change="(v) => edit(i, 'at', (x) => void (x.atMin = v))"
            />
          </div>
          <NumberField
            label="Time spread (standard deviation)"
            unit="min"
            :decimals="0"
            :schema="Use.shape.spreadMin"
            :value="h.spreadMin"
            @change="(v) => edit(i, 'spread', (x) => void (x.spreadMin = v!))"
          />
          <NumberField
            label="Probability, 0 to 1"
            :decimals="2"
            :schema="Use.shape.chance"
            :value="h.chance"
            @change="(v) => edit(i, 'chance', (x) => void (x.chance = v!))"
          />
          <NumberField
            v-if="h.use.kind === 'timed'"
            label="Duration"
            unit="min"
            :decimals="1"
            :schema="timed"
            :value="h.use.minutes"
            @change="
              (v) =>
                edit(i, 'amount', (x) => {
                  if (x.use.kind === 'timed') x.use.minutes = v!
                })
            "
          />
          <NumberField
            v-else
            label="Volume"
            quantity="volume"
            :schema="filled"
            :value="h.use.litres"
            @change="
              (v) =>
                edit(i, 'amount', (x) => {
                  if (x.use.kind === 'filled') x.use.litres = v!
                })
            "
          />
          <NumberField
            label="Required temperature"
            quantity="temperature"
            :schema="Use.shape.requiredC"
            :value="h.requiredC"
            :origin="table.origin(`people.uses.${h.id}.requiredC`)"
            @change="(v) => edit(i, 'wanted', (x) => void (x.requiredC = v!))"
          />
          <div class="col-span-2 flex flex-wrap items-center gap-x-4 text-sm xl:col-span-full">
            <DaysField
              :label="`Days of ${h.name}`"
              :value="h.days"
              @change="(days) => edit(i, 'days', (x) => void (x.days = days))"
            />
            <label class="flex min-h-9 items-center gap-1.5"
              ><input
                type="checkbox"
                class="size-5 accent-copper"
                :checked="h.waits"
                @change="edit(i, 'waits', (x) => void (x.waits = !x.waits))"
              />waits for hot water<span class="sr-only">: {{ h.name }}</span></label
            >
            <NumberField
              v-if="h.waits"
              class="w-44"
              label="Unattended run time"
              quantity="seconds"
              :schema="Use.shape.unattendedS"
              :value="h.unattendedS"
              @change="(v) => edit(i, 'unattended', (x) => void (x.unattendedS = v!))"
            />
            <label class="flex min-h-9 items-center gap-1.5"
              ><input
                type="checkbox"
                class="size-5 accent-copper"
                :checked="h.use.kind === 'filled'"
                @change="
                  edit(
                    i,
                    'use',
                    (x) =>
                      void (x.use =
                        x.use.kind === 'timed' ? { kind: 'filled', litres: 10 } : { kind: 'timed', minutes: 5 }),
                  )
                "
              />fixed volume<span class="sr-only">: {{ h.name }}</span></label
            >
          </div>
        </div>
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove ${h.name}`"
          @click="table.replace((s) => removeHabit(s, h.id))"
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <button class="tool mt-2" @click="add"><Plus :size="17" />Add use</button>
  </section>
  <AwayAndGuests />
  <DrawWeek />
  <DrawLog />
</template>
