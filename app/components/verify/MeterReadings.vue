<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { type Meter, MeterReading } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'

/** Readings of one meter, the latest first, and a line to enter the next; of any day that is past. */
const props = defineProps<{ meter: Meter }>()
const table = useStudy()
const FEW = 8
const all = ref(false)
const latest = computed(() => props.meter.readings.toSorted((a, b) => b.on.localeCompare(a.on)))
const listed = computed(() => (all.value ? latest.value : latest.value.slice(0, FEW)))
const on = ref<string | null>(localDay())
const value = ref<number | null>(null)
const there = computed(() => props.meter.readings.some((r) => r.on === on.value))
const change = (key: string, edit: (m: Meter) => void) =>
  table.change(`${key} ${props.meter.id}`, (d) => edit(d.verification.meters.find((m) => m.id === props.meter.id)!))
function add() {
  const reading = { on: on.value!, value: value.value!, estimated: false, exchanged: false }
  if (change('reading', (m) => void (m.readings = [...m.readings, reading].sort((a, b) => a.on.localeCompare(b.on)))))
    value.value = null
}
const tick = (day: string, what: 'estimated' | 'exchanged') =>
  change(what, (m) => {
    const reading = m.readings.find((r) => r.on === day)!
    reading[what] = !reading[what]
  })
</script>

<template>
  <div class="mt-1 max-w-2xl">
    <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-[12rem_12rem_auto]">
      <DateField label="Read on" :value="on" @change="(v) => (on = v)" />
      <NumberField
        label="Dial shows"
        :unit="meter.unit"
        optional
        :schema="MeterReading.shape.value"
        :value="value"
        @change="(v) => (value = v)"
      />
      <button class="tool mt-4 justify-self-start" :disabled="!on || value === null || there" @click="add">
        <Plus :size="17" />Save reading
      </button>
    </div>
    <p v-if="there" class="caption">There is a reading of that day.</p>
    <ul class="mt-2">
      <li
        v-for="r in listed"
        :key="r.on"
        class="flex flex-wrap items-center gap-x-4 border-b border-line text-sm"
        :data-read="r.on"
      >
        <span class="w-28">{{ writeDay(r.on, table.units.system) }}</span>
        <b class="w-28 text-right tabular-nums">{{ r.value.toLocaleString('en-GB') }} {{ meter.unit }}</b>
        <label v-for="what in ['estimated', 'exchanged'] as const" :key="what" class="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="r[what]"
            :aria-label="`${r.on}: ${what}`"
            @change="tick(r.on, what)"
          />{{ what === 'estimated' ? 'estimated' : 'new meter' }}
        </label>
        <button
          class="tool tool-bare ml-auto mt-0 px-2"
          :aria-label="`Remove reading of ${r.on}`"
          @click="change('reading gone', (m) => void (m.readings = m.readings.filter((x) => x.on !== r.on)))"
        >
          <Trash2 :size="16" />
        </button>
      </li>
    </ul>
    <button v-if="latest.length > FEW && !all" class="tool mt-2" @click="all = true">
      Show all {{ latest.length }}
    </button>
  </div>
</template>
