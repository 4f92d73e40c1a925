<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import {
  BILL_UNIT_KEYS,
  BILL_UNITS,
  BILLED,
  type BillUnit,
  WATER_UNIT_KEYS,
  WATER_UNITS,
  type WaterUnit,
} from '~~/core/money/billing'
import { type Carrier, CARRIER_NAMES, CARRIERS } from '~~/core/money/carriers'
import { Prices, Tariff } from '~~/core/study/prices'

/** Prices of the region, each where there is one. */
const props = defineProps<{ currency: string }>()
const own = useOwn()
const table = useStudy()
const mine = computed(() => own.defaults)
/** Units that are read before there is a price. */
const asked = ref<Partial<Record<Carrier, BillUnit>>>({})
const unitOf = (c: Carrier): BillUnit => mine.value.carriers[c]?.unit ?? asked.value[c] ?? 'kwh'
const units = (c: Carrier) =>
  BILL_UNIT_KEYS.filter((u) => BILLED[c][u] !== undefined).map((value) => ({ value, name: BILL_UNITS[value] }))
function put(c: Carrier, unit: BillUnit, price: number | null) {
  asked.value = { ...asked.value, [c]: unit }
  const { [c]: _before, ...others } = mine.value.carriers
  void own.change({
    carriers: price === null ? others : { ...others, [c]: { unit, kwhPerUnit: BILLED[c][unit]!, price } },
  })
}
const water = Prices.shape.water.shape
const waterAsked = ref<WaterUnit | null>(null)
const waterUnit = computed(
  () => mine.value.water?.unit ?? waterAsked.value ?? (table.units.system === 'us' ? 'thousand-gal' : 'm3'),
)
const waterUnits = WATER_UNIT_KEYS.map((value) => ({ value, name: WATER_UNITS[value].name }))
function putWater(part: { unit?: WaterUnit; price?: number | null; sewer?: number | null }) {
  const unit = part.unit ?? waterUnit.value
  waterAsked.value = unit
  const next = { price: mine.value.water?.price ?? null, sewer: mine.value.water?.sewer ?? null, ...part, unit }
  void own.change({ water: next.price === null && next.sewer === null ? null : next })
}
</script>

<template>
  <section aria-label="Prices">
    <h2>Prices of the region, {{ props.currency }}</h2>
    <div class="grid items-start gap-x-6 gap-y-3 sm:grid-cols-2">
      <div v-for="c in CARRIERS" :key="c" class="grid grid-cols-[1fr_7rem] items-start gap-2">
        <NumberField
          :label="CARRIER_NAMES[c]"
          :unit="`${currency}/${BILL_UNITS[unitOf(c)]}`"
          :decimals="4"
          optional
          :schema="Tariff.shape.price"
          :value="mine.carriers[c]?.price ?? null"
          @change="(price) => put(c, unitOf(c), price)"
        />
        <ChoiceField
          :label="`${CARRIER_NAMES[c]}: billing unit`"
          short="Billing unit"
          :value="unitOf(c)"
          :choices="units(c)"
          @change="(unit) => put(c, unit, mine.carriers[c]?.price ?? null)"
        />
      </div>
      <div class="grid grid-cols-[1fr_1fr_7rem] items-start gap-2">
        <NumberField
          label="Water"
          :unit="`${currency}/${WATER_UNITS[waterUnit].name}`"
          :decimals="3"
          optional
          :schema="water.price"
          :value="mine.water?.price ?? null"
          @change="(price) => putWater({ price })"
        />
        <NumberField
          label="Sewerage"
          :unit="`${currency}/${WATER_UNITS[waterUnit].name}`"
          :decimals="3"
          optional
          :schema="water.sewer"
          :value="mine.water?.sewer ?? null"
          @change="(sewer) => putWater({ sewer })"
        />
        <ChoiceField
          label="Water: billing unit"
          short="Billing unit"
          :value="waterUnit"
          :choices="waterUnits"
          @change="(unit) => putWater({ unit })"
        />
      </div>
      <DateField label="Date of these prices" :value="mine.pricesAsOf" @change="(d) => own.change({ pricesAsOf: d })" />
    </div>
    <p class="caption mt-1">
      They begin in a household of this currency, marked assumed until its own bill is entered. Empty: a rough price of
      the currency.
    </p>
  </section>
</template>
