<script setup lang="ts">
import { CARRIER_NAMES, CARRIERS } from '~~/core/money/carriers'
import { Band, Prices, Tariff } from '~~/core/money/prices'

const table = useStudy()
const prices = computed(() => table.study!.prices)
const bought = computed(() => CARRIERS.filter((c) => prices.value.carriers[c]))
const perKwh = computed(() => `${prices.value.currency}/kWh`)
</script>

<template>
  <div v-for="c in bought" :key="c" class="mb-4">
    <h3 class="mb-1 text-base">{{ CARRIER_NAMES[c] }}</h3>
    <div class="grid grid-cols-2 gap-3 md:grid-cols-4">
      <NumberField label="Price" :unit="perKwh" :decimals="4" :schema="Tariff.shape.perKwh" :value="prices.carriers[c]!.perKwh" @change="(v) => table.change(`price ${c}`, (d) => void (d.prices.carriers[c]!.perKwh = v!))" />
      <NumberField v-for="(band, i) in prices.carriers[c]!.bands" :key="i" :label="band.name" :unit="perKwh" :decimals="4" :schema="Band.shape.perKwh" :value="band.perKwh" @change="(v) => table.change(`band ${c} ${i}`, (d) => void (d.prices.carriers[c]!.bands[i]!.perKwh = v!))" />
      <NumberField label="Standing charge that hot water bears" :unit="`${prices.currency}/yr`" :schema="Tariff.shape.standingPerYear" :value="prices.carriers[c]!.standingPerYear" @change="(v) => table.change(`standing ${c}`, (d) => void (d.prices.carriers[c]!.standingPerYear = v!))" />
      <NumberField label="Carbon dioxide" unit="kg/kWh" :schema="Tariff.shape.co2KgKwh" :value="prices.carriers[c]!.co2KgKwh" @change="(v) => table.change(`co2 ${c}`, (d) => void (d.prices.carriers[c]!.co2KgKwh = v!))" />
    </div>
    <details v-for="(band, i) in prices.carriers[c]!.bands" :key="`w${i}`" class="mt-2">
      <summary class="min-h-8 text-sm">Hours of “{{ band.name }}”</summary>
      <WeekPlanner :label="`Hours of ${band.name}`" :week="band.week" :grid="{ stepMin: 30, periodsPerDay: 12, days: 'each' }" @change="(w) => table.change(`band week ${i}`, (d) => void (d.prices.carriers[c]!.bands[i]!.week = w))" />
    </details>
    <p class="caption mt-1">Source: {{ prices.carriers[c]!.source || 'not said' }}</p>
  </div>
  <div class="grid grid-cols-2 gap-3 md:grid-cols-4">
    <NumberField label="Water" :unit="`${prices.currency}/m³`" :decimals="2" :schema="Prices.shape.waterPerM3" :value="prices.waterPerM3" @change="(v) => table.change('water price', (d) => void (d.prices.waterPerM3 = v!))" />
    <NumberField label="Sewer" :unit="`${prices.currency}/m³`" :decimals="2" :schema="Prices.shape.sewerPerM3" :value="prices.sewerPerM3" @change="(v) => table.change('sewer price', (d) => void (d.prices.sewerPerM3 = v!))" />
    <label class="col-span-2 flex items-center gap-2">
      <input type="checkbox" class="size-5 shrink-0 accent-copper" :checked="prices.creditHouseHeat" @change="table.change('credit', (d) => void (d.prices.creditHouseHeat = !d.prices.creditHouseHeat))" />
      <span>Count heat that warms the house in the heating season as not lost</span>
    </label>
  </div>
</template>
