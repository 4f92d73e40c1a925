<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import MeterChoice from '~/components/verify/MeterChoice.vue'
import { useStudy } from '~/stores/study'
import { freshId } from '~~/core/study/fresh-id'
import { Bill, MOST_BILLS } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'
import { priceByBill, withBillPrice } from '~~/core/verification/bill-price'
import { billChange, billsOf } from '~~/core/verification/bills'
import { billDoubts, changeText, unitPriceText } from '~~/core/views/bill-words'

/** What the supplier asked for, held against the meter: use and price apart, and what is due in any case. */
const table = useStudy()
const study = computed(() => table.study!)
const meters = computed(() => study.value.verification.meters)
const chosen = ref('')
const meter = computed(() => meters.value.find((m) => m.id === chosen.value) ?? meters.value[0] ?? null)
const bills = computed(() => (meter.value ? billsOf(study.value, meter.value) : []))
const rows = computed(() =>
  bills.value.toReversed().map((parts) => {
    const change = billChange(bills.value, parts)
    return {
      parts,
      change: change && changeText(change, table.units),
      doubts: billDoubts(study.value, meter.value!, parts, table.units),
    }
  }),
)
const last = computed(() => bills.value.at(-1) ?? null)
const price = computed(() => (last.value ? priceByBill(study.value, meter.value!, last.value) : null))
const begun = () => ({
  from: null as string | null,
  to: null as string | null,
  money: null as number | null,
  standing: null as number | null,
  units: null as number | null,
})
const entry = ref(begun())
const wrong = computed(() => {
  const { from, to, money, standing } = entry.value
  if (from && to && to <= from) return 'The last day must be after the first.'
  if (money !== null && standing !== null && standing > money)
    return 'The standing charge cannot be more than the bill.'
  return ''
})
const ready = computed(
  () =>
    entry.value.from && entry.value.to && entry.value.money !== null && entry.value.standing !== null && !wrong.value,
)
function add() {
  const { from, to, money, standing, units } = entry.value
  const taken = table.change('bill', (d) => {
    d.verification.bills.push({
      id: freshId('bill', d.verification.bills),
      meterId: meter.value!.id,
      from: from!,
      to: to!,
      money: money!,
      standing: standing!,
      units,
    })
  })
  if (taken) entry.value = { ...begun(), from: to }
}
const day = (iso: string) => writeDay(iso, table.units.system)
</script>

<template>
  <div class="space-y-5">
    <p v-if="!meter">
      A bill belongs to a meter.
      <NuxtLink :to="{ query: { view: 'meters' } }" class="tool tool-main mt-2 w-fit">Add a meter</NuxtLink>
    </p>
    <template v-else>
      <p class="max-w-prose text-ink-soft">
        Money says little of use: a price changes, and a standing charge is due in any case. Savings are proved by meter
        readings; bills say what a unit costs, and why a bill rose.
      </p>
      <MeterChoice class="w-56" :meters="meters" :meter="meter" @choose="(id) => (chosen = id)" />
      <section v-if="study.verification.bills.length < MOST_BILLS" aria-label="A bill">
        <div class="grid max-w-5xl grid-cols-2 items-start gap-3 sm:grid-cols-3 lg:grid-cols-6">
          <DateField label="First day" :value="entry.from" @change="(v) => (entry.from = v)" />
          <DateField label="Last day" :value="entry.to" @change="(v) => (entry.to = v)" />
          <NumberField
            label="Bill in all"
            :unit="study.prices.currency"
            :decimals="2"
            optional
            :schema="Bill.shape.money"
            :value="entry.money"
            @change="(v) => (entry.money = v)"
          />
          <NumberField
            label="Of it standing charge"
            :unit="study.prices.currency"
            :decimals="2"
            optional
            help="0 where there is none"
            :schema="Bill.shape.standing"
            :value="entry.standing"
            @change="(v) => (entry.standing = v)"
          />
          <NumberField
            label="Units billed"
            :unit="meter.unit"
            :decimals="1"
            optional
            help="Empty: by the readings"
            :schema="Bill.shape.units.unwrap()"
            :value="entry.units"
            @change="(v) => (entry.units = v)"
          />
          <button class="tool mt-4 justify-self-start" :disabled="!ready" @click="add">
            <Plus :size="17" />Save bill
          </button>
        </div>
        <p v-if="wrong" role="alert" class="text-sm text-alarm">{{ wrong }}</p>
      </section>
      <p v-if="!rows.length" class="text-ink-soft">No bill yet.</p>
      <ul aria-label="Bills" class="max-w-5xl">
        <li
          v-for="{ parts, change, doubts } in rows"
          :key="parts.bill.id"
          class="border-b border-line py-2"
          :data-bill="parts.bill.id"
        >
          <div class="flex flex-wrap items-center gap-x-6 gap-y-1">
            <span>{{ day(parts.bill.from) }} to {{ day(parts.bill.to) }}, {{ parts.days }} days</span>
            <b class="tabular-nums">{{ table.units.money(parts.bill.money) }}</b>
            <span class="tabular-nums"
              >{{ unitPriceText(parts, meter, table.units)
              }}<template v-if="parts.bill.standing > 0">
                and {{ table.units.money(parts.bill.standing) }} standing</template
              ></span
            >
            <button
              class="tool tool-bare ml-auto px-2"
              :aria-label="`Remove bill from ${day(parts.bill.from)}`"
              @click="
                table.change(
                  'bill gone',
                  (d) => void (d.verification.bills = d.verification.bills.filter((b) => b.id !== parts.bill.id)),
                )
              "
            >
              <Trash2 :size="16" />
            </button>
          </div>
          <p v-if="change" data-change>{{ change }}</p>
          <p v-for="text in doubts" :key="text" class="border-l-4 border-copper pl-2" data-doubt>{{ text }}</p>
        </li>
      </ul>
      <button v-if="last && price?.apart" class="tool" @click="table.replace((s) => withBillPrice(s, meter!, last!))">
        Take the price of the last bill
      </button>
    </template>
  </div>
</template>
