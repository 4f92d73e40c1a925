<script setup lang="ts">
import { FileUp, Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import AwayDays from '~/components/verify/AwayDays.vue'
import MeterReadings from '~/components/verify/MeterReadings.vue'
import { useStudy } from '~/stores/study'
import { CARRIER_NAMES } from '~~/core/money/carriers'
import { type Meter, MOST_METERS } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'
import type { Fault } from '~~/core/units/result'
import { LARGEST_WEATHER, readAirFile } from '~~/core/verification/air-file'
import { meterOf, unitsOf, withMeters } from '~~/core/verification/meter-csv'
import { LARGEST_READINGS, readMeterFile } from '~~/core/verification/meter-file'

/** Meters of the house with their readings, and the weather as it was. */
const table = useStudy()
const study = computed(() => table.study!)
const meters = computed(() => study.value.verification.meters)
const air = computed(() => study.value.verification.air)
const faults = shallowRef<Fault[]>([])
const said = ref('')

async function file(event: Event, most: number): Promise<string | null> {
  const input = event.target as HTMLInputElement
  const given = input.files?.[0]
  faults.value = []
  said.value = ''
  if (!given) return null
  const text = await given.slice(0, most + 1).text()
  input.value = ''
  return text
}
async function readings(event: Event) {
  const text = await file(event, LARGEST_READINGS)
  if (text === null) return
  const read = readMeterFile(study.value, text)
  if (!read.ok) return void (faults.value = read.faults)
  const taken = table.change('meter readings', (d) => {
    d.verification.meters = withMeters(study.value.verification.meters, read.value)
  })
  if (taken) said.value = `${read.value.reduce((s, m) => s + m.readings.length, 0)} readings taken.`
}
async function weather(event: Event) {
  const text = await file(event, LARGEST_WEATHER)
  if (text === null) return
  const read = readAirFile(study.value, text)
  if (!read.ok) return void (faults.value = read.faults)
  if (table.change('weather', (d) => void (d.verification.air = read.value)))
    said.value = `Weather of ${read.value.c.length} days taken.`
}
const free = computed(() => [
  { value: '', name: 'choose…' },
  ...[...Object.keys(study.value.prices.carriers), 'water'].flatMap((of) =>
    unitsOf(of as Meter['of']).map((unit) => ({
      value: `${of}|${unit}`,
      name: `${of === 'water' ? 'Water' : CARRIER_NAMES[of as keyof typeof CARRIER_NAMES]}, ${unit}`,
    })),
  ),
])
function add(choice: string) {
  const [of, unit] = choice.split('|') as [Meter['of'], string]
  table.change('meter added', (d) => void d.verification.meters.push(meterOf(study.value, of, unit)))
}
const remove = (id: string) =>
  table.change('meter removed', (d) => {
    d.verification.meters = d.verification.meters.filter((m) => m.id !== id)
    d.verification.bills = d.verification.bills.filter((b) => b.meterId !== id)
    if (d.verification.protocol?.meterId === id) d.verification.protocol = null
  })
</script>

<template>
  <div class="space-y-6">
    <div class="flex flex-wrap items-end gap-3">
      <label class="tool focus-within:outline-2 focus-within:outline-copper"
        ><FileUp :size="17" />Meter readings from CSV or ESPI<input
          id="meter-file"
          type="file"
          accept=".csv,.xml,text/csv,text/xml,application/xml"
          class="sr-only"
          @change="readings"
      /></label>
      <label class="tool focus-within:outline-2 focus-within:outline-copper"
        ><FileUp :size="17" />Weather from CSV or EPW<input
          id="air-file"
          type="file"
          accept=".csv,.epw,text/csv"
          class="sr-only"
          @change="weather"
      /></label>
      <ChoiceField
        v-if="meters.length < MOST_METERS"
        class="w-64"
        label="Add a meter"
        value=""
        :choices="free"
        @change="(v) => v && add(v)"
      />
    </div>
    <p class="caption">
      Readings: meter, date, value, unit; estimated and exchanged where they apply. Weather: date, temperature, the mean
      of each day; or an EPW file of a year as it was.
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <div v-if="faults.length" role="alert" class="border-l-4 border-alarm bg-alarm-pale p-2">
      <p class="font-semibold">Nothing was taken:</p>
      <p v-for="f in faults" :key="f.path + f.message">{{ f.path }}: {{ f.message }}</p>
    </div>
    <section v-for="m in meters" :key="m.id" :aria-label="m.name" :data-meter="m.id">
      <div class="flex items-center gap-3">
        <h2 class="text-xl">{{ m.name }}, {{ m.unit }}</h2>
        <button class="tool tool-bare px-2" :aria-label="`Remove meter: ${m.name}`" @click="remove(m.id)">
          <Trash2 :size="17" />
        </button>
      </div>
      <MeterReadings :meter="m" />
    </section>
    <p v-if="!meters.length" class="text-ink-soft"><Plus :size="15" class="inline" /> No meter yet.</p>
    <p>
      Weather:
      {{
        air
          ? `${air.c.length} days from ${writeDay(air.from, table.units.system)}`
          : 'not recorded; the climate of the study stands for it'
      }}.
    </p>
    <AwayDays />
  </div>
</template>
