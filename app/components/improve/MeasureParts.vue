<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import type { Part } from '~~/core/measures/parts'
import { rangeOf } from '~~/core/schema/shape'
import { Measure } from '~~/core/study/measures'

/** What a measure takes, part by part, each with its price as far as anybody asked; or one sum for all of it. */
const props = defineProps<{ index: number; at: number; measure: Measure; parts: readonly Part[] }>()
const table = useStudy()
const currency = computed(() => table.study!.prices.currency)
const shape = Measure.options[0].shape
const edit = (key: string, change: (m: Measure) => void) =>
  table.change(`measure ${props.at} ${key}`, (d) => change(d.packages[props.index]!.measures[props.at]!))
const price = (key: string, value: number | null) =>
  edit(`price ${key}`, (m) => {
    if (value === null) delete m.partPrices[key]
    else m.partPrices[key] = value
  })
const overridden = computed(() => props.measure.costMoney !== null)
const most = rangeOf(shape.partPrices.valueType).max
</script>

<template>
  <div>
    <h3 class="text-base">Parts and work</h3>
    <p v-if="parts.length === 0" class="text-sm text-ink-soft">No parts (setting or behaviour); enter 0 if free.</p>
    <ul v-else class="max-w-2xl">
      <li
        v-for="p in parts"
        :key="p.key"
        class="grid grid-cols-[minmax(0,1fr)_8rem] items-end gap-3 py-1"
        :data-part="p.key"
      >
        <p class="text-sm">
          {{ p.count }} {{ p.unit }}: {{ p.name }}<span v-if="p.also" class="caption block">{{ p.also }}</span
          ><span v-if="p.priceEach !== null" class="caption block"
            >{{ table.units.money(p.count * p.priceEach) }} in total</span
          >
        </p>
        <NumberField
          :label="`Each, ${currency}`"
          :schema="shape.partPrices.valueType"
          :decimals="2"
          optional
          :value="p.priceEach"
          @change="(v) => price(p.key, v)"
        />
      </li>
    </ul>
    <div class="mt-1 flex max-w-2xl flex-wrap items-end gap-3">
      <NumberField
        class="w-48"
        :label="parts.length ? `Or lump sum, ${currency}` : `Cost, ${currency}`"
        :schema="shape.costMoney"
        :decimals="0"
        optional
        :value="measure.costMoney"
        @change="(v) => edit('cost', (m) => void (m.costMoney = v))"
      />
      <p v-if="overridden && parts.length" class="caption pb-2">The lump sum replaces the prices of the parts.</p>
      <p v-else-if="parts.length" class="caption pb-2">
        Cost stays “not priced” until every part is priced (up to {{ most.toLocaleString('en-GB') }} each).
      </p>
    </div>
  </div>
</template>
