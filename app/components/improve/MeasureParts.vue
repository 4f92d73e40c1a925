<script setup lang="ts">
import { BookMarked } from '@lucide/vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useNotice } from '~/composables/useNotice'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { bookUsable, withBook } from '~~/core/household/engineer/begin-with'
import { lineOf } from '~~/core/household/engineer/price-book'
import { lifeOf } from '~~/core/measures/life'
import { type Part, priceOf } from '~~/core/measures/parts'
import { pricesToTake } from '~~/core/measures/price-book'
import { rangeOf } from '~~/core/schema/shape'
import { atLikely, type PartPrice, PriceEach } from '~~/core/study/economics'
import { Measure, type Priced } from '~~/core/study/measures'
import { costText } from '~~/core/views/payback-words'

/** What a measure takes, part by part, each at its own price or that of the price book; or one sum for all of it. */
const props = defineProps<{ index: number; at: number; measure: Measure; parts: readonly Part[] }>()
const table = useStudy()
const own = useOwn()
const { say } = useNotice()
onMounted(own.ready)
const currency = computed(() => table.study!.prices.currency)
const shape = Measure.options[0].shape
const edit = (key: string, change: (m: Measure) => void) =>
  table.change(`measure ${props.at} ${key}`, (d) => change(d.packages[props.index]!.measures[props.at]!))
/** Low and high go with a price that leaves them behind, and where they were the same. */
const price = (key: string, value: number | null) =>
  edit(`price ${key}`, (m) => {
    if (value === null) delete m.partPrices[key]
    else m.partPrices[key] = atLikely(m.partPrices[key], value)
  })
const bound = (key: string, which: 'low' | 'high', value: number) =>
  edit(`${which} price ${key}`, (m) => void (m.partPrices[key] = { ...m.partPrices[key]!, [which]: value }))
const put = (key: Exclude<Priced, 'partPrices'>, value: number | null) => edit(key, (m) => void (m[key] = value))
const overridden = computed(() => props.measure.costMoney !== null)
const most = rangeOf(PriceEach).max
const bookFrom = computed(() => {
  const { bookFrom: from, bookAsOf } = table.study!.economics
  return [from && `of ${from}`, bookAsOf && `of ${bookAsOf}`].filter(Boolean).join(', ')
})
/** Parts that the price book has another price for. */
const toTake = computed(() => pricesToTake(table.study!, [props.measure], own.defaults))
const usable = computed(() => bookUsable(table.study!, own.defaults))
const offerOf = ({ key }: Part): PartPrice[] => {
  const offer = props.measure.partPrices[key]
  return offer ? [offer] : []
}
const known = ({ key, priceEach }: Part) => own.defaults.book[key]?.likely === priceEach?.likely
async function keep(part: Part) {
  const before = own.defaults
  const line = lineOf(part, part.priceEach!.likely)
  await own.change({ book: { ...before.book, [part.key]: line } })
  say({ text: `“${part.name}” is in the price book.`, way: { label: 'Undo', take: () => own.keep(before) } })
}
</script>

<template>
  <div>
    <h3 class="text-base">Parts and work</h3>
    <p v-if="parts.length === 0" class="text-sm text-ink-soft">No parts (setting or behaviour); enter 0 if free.</p>
    <ul v-else class="max-w-3xl">
      <li
        v-for="p in parts"
        :key="p.key"
        class="grid grid-cols-[minmax(0,1fr)_8rem] items-end gap-x-3 py-1 sm:grid-cols-[minmax(0,1fr)_8rem_8rem_8rem]"
        :data-part="p.key"
      >
        <p class="text-sm">
          {{ p.count }} {{ p.unit }}: {{ p.name }}<span v-if="p.also" class="caption block">{{ p.also }}</span
          ><span v-if="p.priceEach && p.lengthEach" class="caption block"
            >{{ table.units.value({ unit: 'money' }, p.priceEach.likely / p.lengthEach.units) }} per
            {{ p.lengthEach.unit }}</span
          ><span v-if="p.priceEach" class="caption block" data-part-total
            >{{ costText(priceOf([{ count: p.count, priceEach: p.priceEach }]), table.units)
            }}{{ p.priceFrom === 'price book' ? `, from the price book ${bookFrom}` : '' }}</span
          >
        </p>
        <NumberField
          :label="`Each, ${currency}`"
          :schema="PriceEach"
          :decimals="2"
          optional
          :value="measure.partPrices[p.key]?.likely ?? null"
          @change="(v) => price(p.key, v)"
        />
        <template v-for="o in offerOf(p)" :key="o.likely">
          <NumberField
            class="max-sm:col-start-1"
            :label="`At least, ${currency}`"
            :schema="PriceEach.max(o.likely)"
            :decimals="2"
            :value="o.low"
            @change="(v) => bound(p.key, 'low', v!)"
          />
          <NumberField
            :label="`At most, ${currency}`"
            :schema="PriceEach.min(o.likely)"
            :decimals="2"
            :value="o.high"
            @change="(v) => bound(p.key, 'high', v!)"
          />
        </template>
        <button
          v-if="p.priceFrom === 'offer' && usable && !known(p)"
          class="tool tool-bare col-span-full justify-self-start"
          :aria-label="`Keep in price book: ${p.name}`"
          @click="keep(p)"
        >
          <BookMarked :size="17" />Keep in price book
        </button>
      </li>
    </ul>
    <button v-if="toTake.length" class="tool mt-1" @click="table.replace((s) => withBook(s, own.defaults))">
      <BookMarked :size="17" />Take {{ toTake.length === 1 ? '1 price' : `${toTake.length} prices` }} from the price
      book
    </button>
    <div class="mt-1 grid max-w-4xl grid-cols-2 items-start gap-3 sm:grid-cols-5">
      <NumberField
        label="Hours of work"
        :schema="shape.hours"
        unit="h"
        :decimals="1"
        optional
        :value="measure.hours"
        @change="(v) => put('hours', v)"
      />
      <NumberField
        :label="parts.length ? `Or lump sum, ${currency}` : `Cost, ${currency}`"
        :schema="shape.costMoney"
        :decimals="0"
        optional
        :value="measure.costMoney"
        @change="(v) => put('costMoney', v)"
      />
      <NumberField
        :label="`Grant, ${currency}`"
        :schema="shape.grantMoney"
        :decimals="0"
        optional
        :value="measure.grantMoney"
        @change="(v) => put('grantMoney', v)"
      />
      <NumberField
        label="Upkeep"
        :unit="`${currency}/yr`"
        :schema="shape.upkeepAYear"
        :decimals="0"
        optional
        :value="measure.upkeepAYear"
        @change="(v) => put('upkeepAYear', v)"
      />
      <NumberField
        label="Service life"
        unit="yr"
        :schema="shape.lifeYears"
        :decimals="0"
        optional
        :value="measure.lifeYears"
        :help="measure.lifeYears === null ? `Empty: usual ${lifeOf(measure).years} yr, assumed.` : ''"
        @change="(v) => put('lifeYears', v)"
      />
    </div>
    <p v-if="overridden && parts.length" class="caption mt-1">The lump sum replaces the prices of the parts.</p>
    <p v-else-if="parts.length" class="caption mt-1">
      Cost stays “not priced” until every part is priced (up to {{ most.toLocaleString('en-GB') }} each). Hours are
      priced at the hourly rate of the price book, or above.
    </p>
  </div>
</template>
