<script setup lang="ts">
import { FileUp } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DataSourceFields from '~/components/fields/DataSourceFields.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import MainFittings from '~/components/stations/MainFittings.vue'
import WaterFields from '~/components/stations/WaterFields.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import { MONTHS } from '~~/core/calendar/names'
import { SUMMER_TIMES, type SummerTime } from '~~/core/calendar/summer-time'
import { yearMean } from '~~/core/calendar/year'
import { type Climate, CLIMATES, heatedMonths } from '~~/core/climate/archetypes'
import { LARGEST_EPW, readEpw } from '~~/core/climate/epw'
import { assumedCooling } from '~~/core/household/defaults/cooling'
import { withPrices } from '~~/core/household/edits/plant'
import { type Carrier, CARRIER_NAMES, CARRIERS } from '~~/core/money/carriers'
import { Site } from '~~/core/study/site'
import { unitOf } from '~~/core/units/quantities'
import { faultText, refused } from '~~/core/units/result'
import { mainsByMonth } from '~~/core/water/mains'

const table = useStudy()
const { say } = useNotice()
const faults = ref<string[]>([])

/** Takes months of air from a climate or a file; the cold main follows where it is reckoned from the air. */
const setAir = (
  key: string,
  monthlyAirC: readonly number[],
  origin: 'assumed' | 'measured',
  sunKwhM2: readonly number[] | null,
  latitudeDeg: number | null,
) =>
  table.change(key, (d) => {
    if (sunKwhM2) d.site.monthlySunKwhM2 = [...sunKwhM2]
    if (latitudeDeg !== null) d.site.latitudeDeg = latitudeDeg
    d.site.monthlyAirC = [...monthlyAirC]
    d.site.heatingMonths = heatedMonths(monthlyAirC)
    d.origins['site.monthlyAirC'] = origin
  })
const WHERE: Record<Exclude<SummerTime, 'none'>, string> = {
  europe: 'Europe',
  'north america': 'North America',
  south: 'the south',
}
const climates = [{ value: '', name: 'choose…' }, ...Object.keys(CLIMATES).map((name) => ({ value: name, name }))]
function pickClimate(name: string) {
  if (name === '') return
  const climate = CLIMATES[name as Climate]
  setAir('climate', climate.airC, 'assumed', climate.sunKwhM2, climate.latitudeDeg)
}

async function takeWeather(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const answer =
    file.size > LARGEST_EPW
      ? refused(`“${file.name}” is ${Math.round(file.size / 1048576)} MB. Accepts up to ${LARGEST_EPW / 1048576} MB`)
      : readEpw(await file.text())
  faults.value = answer.ok ? [] : answer.faults.map(faultText)
  if (!answer.ok) return
  const weather = answer.value
  if (!setAir('weather file', weather.monthlyAirC, 'measured', weather.monthlySunKwhM2, weather.latitudeDeg)) return
  say({
    text: weather.monthlySunKwhM2
      ? `Imported air temperature and irradiation of ${weather.place}.`
      : `Imported air temperature of ${weather.place}; the file has no irradiation.`,
  })
}
const site = computed(() => table.study!.site)

const modelled = computed(() => mainsByMonth(site.value).map((c) => Math.round(c * 10) / 10))
const wording = computed(() => {
  const months = mains.value
  const low = Math.min(...months)
  const high = Math.max(...months)
  const at = (c: number) => `${table.units.temperature(c)} in ${MONTHS[months.indexOf(c)]}`
  return `Coldest ${at(low)}, mean ${table.units.temperature(yearMean(months))}, warmest ${at(high)}.`
})
const mains = computed(() => (site.value.mains.kind === 'monthly' ? site.value.mains.monthlyC : modelled.value))
function setMains(month: number, c: number) {
  table.change(`mains ${month}`, (d) => {
    const monthlyC = [...mains.value]
    monthlyC[month] = c
    d.site.mains = { kind: 'monthly', monthlyC }
    delete d.origins['site.mains']
  })
}
const MAINS = {
  model: 'air temperature (shallow main)',
  ground: 'ground temperature',
  monthly: 'monthly values',
} as const
const mainsKinds = (Object.entries(MAINS) as [keyof typeof MAINS, string][]).map(([value, name]) => ({ value, name }))
function setMainsFrom(kind: keyof typeof MAINS) {
  table.change('mains from', (d) => {
    d.site.mains = kind === 'monthly' ? { kind, monthlyC: [...mains.value] } : { kind }
    d.origins['site.mains'] = 'assumed'
  })
}
/** What heats the house has a price, so that heat it has to make again is never counted as nothing. */
const setHeating = (carrier: Carrier) =>
  table.replace((s) => withPrices({ ...s, site: { ...s.site, heating: { ...s.site.heating, carrier } } }))
</script>

<template>
  <div class="grid gap-4 md:grid-cols-2">
    <div class="space-y-3">
      <TextField
        label="Household"
        :value="table.study!.name"
        @change="(v) => table.change('name', (d) => void (d.name = v))"
      />
      <TextField
        label="Location"
        :value="site.name"
        @change="(v) => table.change('place', (d) => void (d.site.name = v))"
      />
      <TextField
        label="Notes"
        long
        optional
        :value="site.note"
        @change="(v) => table.change('note', (d) => void (d.site.note = v))"
      />
      <div class="grid grid-cols-2 gap-2 sm:grid-cols-3">
        <NumberField
          label="Latitude, south negative"
          unit="°"
          :decimals="1"
          :schema="Site.shape.latitudeDeg"
          :origin="table.origin('site.latitudeDeg')"
          :value="site.latitudeDeg"
          @change="(v) => table.change('latitude', (d) => void (d.site.latitudeDeg = v!))"
        />
        <NumberField
          label="Altitude"
          quantity="altitude"
          :schema="Site.shape.altitudeM"
          :origin="table.origin('site.altitudeM')"
          :value="site.altitudeM"
          @change="(v) => table.change('altitude', (d) => void (d.site.altitudeM = v!))"
        />
        <WaterFields />
      </div>
      <MainFittings />
      <div class="grid grid-cols-2 gap-2">
        <ChoiceField
          label="Space heating by"
          :value="site.heating.carrier"
          :choices="CARRIERS.map((value) => ({ value, name: CARRIER_NAMES[value] }))"
          @change="setHeating"
        />
        <NumberField
          label="Heating efficiency or COP"
          :schema="Site.shape.heating.shape.efficiency"
          :value="site.heating.efficiency"
          :decimals="2"
          @change="(v) => table.change('heating efficiency', (d) => void (d.site.heating.efficiency = v!))"
        />
        <ChoiceField
          label="Space cooling"
          :value="site.cooling ? 'electric' : 'none'"
          :choices="[
            { value: 'none', name: 'none' },
            { value: 'electric', name: 'electric' },
          ]"
          @change="
            (v) =>
              table.change('cooling', (d) => void (d.site.cooling = v === 'electric' ? assumedCooling(d.site) : null))
          "
        />
        <NumberField
          v-if="site.cooling"
          label="Cooling efficiency (SEER as a ratio)"
          :schema="Site.shape.cooling.unwrap().shape.efficiency"
          :value="site.cooling.efficiency"
          :decimals="2"
          @change="(v) => table.change('cooling efficiency', (d) => void (d.site.cooling!.efficiency = v!))"
        />
        <MonthsField
          v-if="site.cooling"
          class="col-span-full"
          label="Months with space cooling"
          :value="site.cooling.months"
          @change="(v) => table.change('cooling months', (d) => void (d.site.cooling!.months = v))"
        />
      </div>
    </div>
    <div>
      <div class="mb-3 flex flex-wrap items-end gap-2">
        <ChoiceField
          label="Cold main temperature from"
          class="w-56"
          :value="site.mains.kind"
          :choices="mainsKinds"
          @change="setMainsFrom"
        />
        <ChoiceField label="Climate preset" class="w-48" value="" :choices="climates" @change="pickClimate" />
        <label class="tool focus-within:outline-2 focus-within:outline-copper"
          ><FileUp :size="18" />Weather file (EPW)<input
            type="file"
            accept=".epw,text/plain"
            class="sr-only"
            aria-label="Weather file (EPW)"
            @change="takeWeather"
        /></label>
      </div>
      <div v-if="site.mains.kind === 'monthly'" class="mb-3 grid grid-cols-2 gap-2">
        <DataSourceFields
          of="Cold main"
          :value="site.sources.mains"
          @change="(v) => table.change('mains source', (d) => void (d.site.sources.mains = v))"
        />
      </div>
      <div
        v-if="faults.length"
        class="mb-3 max-h-40 overflow-auto border-l-4 border-alarm bg-alarm-pale p-2 text-sm"
        role="alert"
      >
        <p class="font-semibold">Weather file not imported; monthly values unchanged.</p>
        <p v-for="f in faults" :key="f">{{ f }}</p>
      </div>
      <div
        class="relative overflow-x-auto"
        tabindex="0"
        role="region"
        aria-label="Months, in a table that scrolls sideways"
      >
        <table class="w-full text-sm">
          <caption class="caption pb-1 text-left">
            Monthly values. Cold main
            <b v-if="site.mains.kind !== 'monthly'" class="italic"
              >assumed from {{ site.mains.kind === 'model' ? 'air temperature' : 'ground temperature' }}</b
            ><b v-else class="text-verdigris">as entered</b
            >.
            {{
              wording
            }}
          </caption>
          <thead>
            <tr class="text-left">
              <th class="pr-2 font-semibold">Month</th>
              <th>Air, mean, {{ unitOf('temperature', table.study!.units).label }}</th>
              <th>Cold main, {{ unitOf('temperature', table.study!.units).label }}</th>
              <th>Irradiation, {{ unitOf('sun', table.study!.units).label }}</th>
              <th>Heating</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(m, i) in MONTHS" :key="m">
              <th class="pr-2 text-left font-normal">{{ m }}</th>
              <td class="p-0.5">
                <NumberField
                  bare
                  :label="`Air in ${m}`"
                  quantity="temperature"
                  :decimals="1"
                  :schema="Site.shape.monthlyAirC.element"
                  :value="site.monthlyAirC[i]!"
                  @change="(v) => table.change(`air ${i}`, (d) => void (d.site.monthlyAirC[i] = v!))"
                />
              </td>
              <td class="p-0.5">
                <NumberField
                  bare
                  :label="`Cold main in ${m}`"
                  quantity="temperature"
                  :decimals="1"
                  :origin="table.origin('site.mains') ?? (site.mains.kind === 'monthly' ? undefined : 'assumed')"
                  :schema="Site.shape.monthlyAirC.element"
                  :value="mains[i]!"
                  @change="(v) => setMains(i, v!)"
                />
              </td>
              <td class="p-0.5">
                <NumberField
                  bare
                  :label="`Irradiation in ${m}`"
                  quantity="sun"
                  :schema="Site.shape.monthlySunKwhM2.element"
                  :value="site.monthlySunKwhM2[i]!"
                  @change="(v) => table.change(`sun ${i}`, (d) => void (d.site.monthlySunKwhM2[i] = v!))"
                />
              </td>
              <td class="text-center">
                <input
                  type="checkbox"
                  class="size-5 accent-copper"
                  :checked="site.heatingMonths[i]"
                  :aria-label="`Space heating in ${m}`"
                  @change="
                    table.change('heating months', (d) => void (d.site.heatingMonths[i] = !d.site.heatingMonths[i]))
                  "
                />
              </td>
            </tr>
          </tbody>
        </table>
        <ChoiceField
          class="mt-3 w-64"
          label="Summer time"
          :value="site.summerTime"
          :choices="SUMMER_TIMES.map((value) => ({ value, name: value === 'none' ? 'no' : `as in ${WHERE[value]}` }))"
          @change="(v) => table.change('summer time', (d) => void (d.site.summerTime = v))"
        />
        <p class="caption mt-2">
          Hourly weather is generated from these monthly means with a fixed sequence of clear and dull days. A weather
          file is reduced to its monthly means.
        </p>
      </div>
    </div>
  </div>
</template>
