<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import MonthsField from '~/components/fields/MonthsField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { addBand, billedBy, inCurrency, waterBilledBy } from '~~/core/household/edits/prices'
import { BILL_UNIT_KEYS, BILL_UNITS, BILLED, WATER_UNIT_KEYS, WATER_UNITS } from '~~/core/money/billing'
import { type Carrier, CARRIER_NAMES, CARRIERS, countedOn } from '~~/core/money/carriers'
import { CURRENCIES, perKwh } from '~~/core/money/tariff'
import { Economics } from '~~/core/study/economics'
import { Band, Prices, Tariff } from '~~/core/study/prices'
import { NUMBER_STYLES } from '~~/core/units/parse'
import { ENERGY_SHOWN, ENERGY_UNITS } from '~~/core/units/quantities'
import { usualOutlookText } from '~~/core/views/appraisal-words'

const table = useStudy()
const prices = computed(() => table.study!.prices)
/** Those that are common, and the study's own. */
const currencies = computed(() =>
  [...new Set([...CURRENCIES, prices.value.currency])].map((value) => ({ value: value as string, name: value })),
)
const bought = computed(() => CARRIERS.filter((c) => prices.value.carriers[c]))
const per = (c: Carrier) => `${prices.value.currency}/${BILL_UNITS[prices.value.carriers[c]!.unit]}`
const put = (c: Carrier, key: string, change: (t: Tariff) => void) =>
  table.change(`${key} ${c}`, (d) => change(d.prices.carriers[c]!))
const unitsOf = (c: Carrier) =>
  BILL_UNIT_KEYS.filter((u) => BILLED[c][u] !== undefined).map((value) => ({ value, name: BILL_UNITS[value] }))
const economics = computed(() => table.study!.economics)
const water = computed(() => prices.value.water)
const waterPer = computed(() => `${prices.value.currency}/${WATER_UNITS[water.value.unit].name}`)
const waterUnits = WATER_UNIT_KEYS.map((value) => ({ value, name: WATER_UNITS[value].name }))
</script>

<template>
  <div class="mb-4 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
    <ChoiceField
      label="Energy unit"
      :value="table.study!.energyIn"
      :choices="ENERGY_UNITS.map((value) => ({ value, name: ENERGY_SHOWN[value].label }))"
      @change="(v) => table.change('energy in', (d) => void (d.energyIn = v))"
    />
    <ChoiceField
      label="Decimal separator"
      :value="table.study!.numbers"
      :choices="NUMBER_STYLES.map((value) => ({ value, name: value === 'not said' ? 'either; ask' : value }))"
      @change="(v) => table.change('numbers', (d) => void (d.numbers = v))"
    />
    <ChoiceField
      label="Currency"
      :value="prices.currency"
      :choices="currencies"
      @change="(v) => table.replace((s) => inCurrency(s, v))"
    />
  </div>
  <section v-for="c in bought" :key="c" :aria-label="CARRIER_NAMES[c]" class="mb-5">
    <h3 class="mb-1 text-base">{{ CARRIER_NAMES[c] }}</h3>
    <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <ChoiceField
        label="Billing unit"
        :value="prices.carriers[c]!.unit"
        :choices="unitsOf(c)"
        @change="(u) => table.replace((s) => billedBy(s, c, u))"
      />
      <NumberField
        label="Price"
        :unit="per(c)"
        :decimals="4"
        :schema="Tariff.shape.price"
        :value="prices.carriers[c]!.price"
        :origin="table.origin(`prices.carriers.${c}.price`)"
        @change="(v) => put(c, 'price', (t) => void (t.price = v!))"
      />
      <NumberField
        v-if="prices.carriers[c]!.unit !== 'kwh'"
        :label="`Calorific value, ${countedOn(c)}`"
        :unit="`kWh/${BILL_UNITS[prices.carriers[c]!.unit]}`"
        :decimals="3"
        :schema="Tariff.shape.kwhPerUnit"
        :value="prices.carriers[c]!.kwhPerUnit"
        @change="(v) => put(c, 'calorific', (t) => void (t.kwhPerUnit = v!))"
      />
      <p v-if="prices.carriers[c]!.unit !== 'kwh'" class="caption self-end pb-2">
        {{ perKwh(prices.carriers[c]!).toFixed(4) }} {{ prices.currency }}/kWh
      </p>
      <NumberField
        label="Standing charge, hot water share"
        :unit="`${prices.currency}/yr`"
        :schema="Tariff.shape.standingPerYear"
        :value="prices.carriers[c]!.standingPerYear"
        @change="(v) => put(c, 'standing', (t) => void (t.standingPerYear = v!))"
      />
      <NumberField
        label="Carbon dioxide"
        quantity="carbon"
        :origin="table.origin(`prices.carriers.${c}.co2KgKwh`)"
        :schema="Tariff.shape.co2KgKwh"
        :value="prices.carriers[c]!.co2KgKwh"
        @change="(v) => put(c, 'co2', (t) => void (t.co2KgKwh = v!))"
      />
      <NumberField
        v-if="c === 'electricity'"
        label="Export price"
        optional
        :unit="`${prices.currency}/kWh`"
        :decimals="4"
        :schema="Tariff.shape.exportPerKwh"
        :value="prices.carriers[c]!.exportPerKwh"
        @change="(v) => put(c, 'export', (t) => void (t.exportPerKwh = v))"
      />
      <TextField
        label="Source"
        optional
        :value="prices.carriers[c]!.source"
        @change="(v) => put(c, 'source', (t) => void (t.source = v))"
      />
      <DateField
        label="Date"
        :value="prices.carriers[c]!.asOf"
        @change="(v) => put(c, 'as of', (t) => void (t.asOf = v))"
      />
    </div>
    <div v-for="(band, i) in prices.carriers[c]!.bands" :key="i" class="mt-2 border-l-4 border-line-strong pl-3">
      <div class="flex flex-wrap items-end gap-2">
        <TextField
          class="w-44"
          label="Name of the tariff band"
          :value="band.name"
          @change="(v) => put(c, `band ${i} name`, (t) => void (t.bands[i]!.name = v))"
        />
        <NumberField
          class="w-36"
          :label="`Price in “${band.name}”`"
          :unit="per(c)"
          :decimals="4"
          :schema="Band.shape.price"
          :value="band.price"
          @change="(v) => put(c, `band ${i}`, (t) => void (t.bands[i]!.price = v!))"
        />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove tariff band ${band.name}`"
          @click="put(c, 'remove band', (t) => void t.bands.splice(i, 1))"
        >
          <Trash2 :size="17" />
        </button>
      </div>
      <MonthsField
        class="mt-1"
        :label="`Months of “${band.name}”`"
        :value="band.months"
        @change="(v) => put(c, `band ${i} months`, (t) => void (t.bands[i]!.months = v))"
      />
      <details class="mt-1">
        <summary class="cursor-pointer py-2.5 text-sm">Hours of “{{ band.name }}”</summary>
        <WeekPlanner
          :label="`Hours of ${band.name}`"
          :week="band.week"
          :grid="{ stepMin: 30, periodsPerDay: 12, days: 'each' }"
          @change="(w) => put(c, `band ${i} week`, (t) => void (t.bands[i]!.week = w))"
        />
      </details>
    </div>
    <button
      class="tool mt-2"
      :disabled="prices.carriers[c]!.bands.length >= 8"
      :aria-label="`Add tariff band: ${CARRIER_NAMES[c]}`"
      @click="table.replace((s) => addBand(s, c))"
    >
      <Plus :size="17" />Add tariff band
    </button>
  </section>
  <section aria-label="Water" class="mb-4">
    <h3 class="mb-1 text-base">Water</h3>
    <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <ChoiceField
        label="Water billing unit"
        :value="water.unit"
        :choices="waterUnits"
        @change="(u) => table.replace((s) => waterBilledBy(s, u))"
      />
      <p v-if="table.study!.site.metered === false" class="caption col-span-full">
        No water meter: volumes are counted, cost is not.
      </p>
      <NumberField
        label="Water"
        :unit="waterPer"
        :origin="table.origin('prices.water.price')"
        :decimals="3"
        :schema="Prices.shape.water.shape.price"
        :value="water.price"
        @change="(v) => table.change('water price', (d) => void (d.prices.water.price = v!))"
      />
      <NumberField
        label="Sewerage"
        :unit="waterPer"
        :origin="table.origin('prices.water.sewer')"
        :decimals="3"
        :schema="Prices.shape.water.shape.sewer"
        :value="water.sewer"
        @change="(v) => table.change('sewer price', (d) => void (d.prices.water.sewer = v!))"
      />
      <TextField
        label="Source of the water price"
        optional
        :value="water.source"
        @change="(v) => table.change('water source', (d) => void (d.prices.water.source = v))"
      />
      <DateField
        label="Date of the water price"
        :value="water.asOf"
        @change="(v) => table.change('water as of', (d) => void (d.prices.water.asOf = v))"
      />
    </div>
  </section>
  <section aria-label="Money over the years" class="mb-4">
    <h3 class="mb-1 text-base">Money over the years</h3>
    <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <NumberField
        label="Discount rate"
        unit="%/yr"
        :decimals="2"
        optional
        :schema="Economics.shape.discountPercent"
        :value="economics.discountPercent"
        :help="`After inflation. Empty: usual ${usualOutlookText('discountPercent')}, assumed.`"
        @change="(v) => table.change('discount rate', (d) => void (d.economics.discountPercent = v))"
      />
      <NumberField
        label="Energy and water price growth"
        unit="%/yr"
        :decimals="2"
        optional
        :schema="Economics.shape.growthPercent"
        :value="economics.growthPercent"
        :help="`After inflation. Empty: usual ${usualOutlookText('growthPercent')}, assumed.`"
        @change="(v) => table.change('growth rate', (d) => void (d.economics.growthPercent = v))"
      />
      <NumberField
        label="Years looked ahead"
        unit="yr"
        :decimals="0"
        optional
        :schema="Economics.shape.years"
        :value="economics.years"
        :help="`Empty: usual ${usualOutlookText('years')}, assumed.`"
        @change="(v) => table.change('years ahead', (d) => void (d.economics.years = v))"
      />
      <NumberField
        label="Budget"
        :unit="prices.currency"
        :decimals="0"
        optional
        :schema="Economics.shape.budgetMoney"
        :value="economics.budgetMoney"
        help="Most that the household can spend on measures."
        @change="(v) => table.change('budget', (d) => void (d.economics.budgetMoney = v))"
      />
    </div>
  </section>
  <label class="flex min-h-11 items-center gap-2">
    <input
      type="checkbox"
      class="size-5 shrink-0 accent-copper"
      :checked="prices.creditHouseHeat"
      @change="table.change('credit', (d) => void (d.prices.creditHouseHeat = !d.prices.creditHouseHeat))"
    />
    <span>Credit heat gains to heated rooms in the heating season</span>
  </label>
</template>
