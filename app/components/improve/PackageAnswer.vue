<script setup lang="ts">
import LevelMark from '~/components/findings/LevelMark.vue'
import MoneyTable from '~/components/improve/MoneyTable.vue'
import { usePackage } from '~/composables/usePackage'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import type { Quantity } from '~~/core/units/quantities'
import { comfortLost } from '~~/core/views/comfort'
import { costText, paybackText } from '~~/core/views/payback-words'
import { winterCreditSentence } from '~~/core/views/room-heat'
import { figureRows } from '~~/core/views/year-figure-words'

/** What the package comes to, before anything else: money, energy, water, waits, what it costs and what is still to be looked at. */
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const { details, comparison } = usePackage()
const units = computed(() => table.units)
const result = computed(() => comparison.value?.packages[0] ?? null)
const found = computed(() => years.found)
const targets = computed(() => judgement.judged?.targets ?? [])
/** What it is held against: the house as found, or as it is set where that differs. */
const baseline = ref<'found' | 'set'>('found')
const differs = computed(() => Boolean(comparison.value?.asSet))
const difference = computed(
  () => result.value && (differs.value && baseline.value === 'set' ? result.value.againstSet : result.value.difference),
)
const base = computed(() => (differs.value && baseline.value === 'set' ? comparison.value!.asSet!.result : found.value))
const baseName = computed(() => (differs.value && baseline.value === 'set' ? 'As set' : 'As found'))
/** What heated rooms get less of, and the saving without it. */
const credit = computed(() =>
  result.value && base.value ? winterCreditSentence(table.study!, base.value, result.value.result, units.value) : null,
)
const paysBack = computed(() =>
  result.value ? paybackText(result.value.appraisal && result.value.appraisal.paybackYears) : '',
)
const open = computed(() => {
  const checks = details.value.flatMap((d) => d.checks)
  const count = (level: string) => checks.filter((c) => c.level === level).length
  return { refused: count('fail'), unknown: count('not checked') }
})
/** The same bar for both years: what is paid, part by part. */
const bars = computed(() => {
  if (!result.value || !found.value) return []
  const from = base.value!
  const most = Math.max(from.cost.total, result.value.result.cost.total, 1)
  return [
    { name: baseName.value, cost: from.cost.total, share: from.cost.total / most },
    { name: result.value.name, cost: result.value.result.cost.total, share: result.value.result.cost.total / most },
  ]
})
/** What got worse stands beside what is saved: comfort figure by figure, and how many checks are below. */
const broken = computed(() => (judgement.judged?.brought ?? []).length)
const worse = computed(() => {
  if (!result.value || !base.value) return []
  const written = (quantity: Quantity | null, at: number) =>
    quantity ? units.value.figure(quantity, at) : at.toLocaleString('en-GB')
  const comfort = comfortLost(base.value, result.value.result).map(
    (c) => `${c.what} ${written(c.quantity, c.was)} → ${written(c.quantity, c.is)}`,
  )
  return broken.value
    ? [...comfort, `${broken.value} ${broken.value === 1 ? 'check' : 'checks'}, listed below`]
    : comfort
})
const changes = computed(() => {
  const d = difference.value
  if (!d) return []
  const signed = (x: number, text: (v: number) => string) =>
    text(Math.abs(x)) === text(0) ? text(0) : `${x > 0 ? '+' : '−'}${text(Math.abs(x))}`
  // What it comes to in money is told by itself.
  return figureRows(result.value!.result.comfort.waiting)
    .filter((row) => row.key !== 'cost')
    .map((row) => [row.name, signed(d[row.key], (x) => row.write(units.value, x))] as const)
})
</script>

<template>
  <section aria-label="Annual change" class="min-h-[26rem] sm:min-h-64">
    <p v-if="!result || !found" class="py-4 text-ink-soft" role="status">
      Simulating each measure, stand-alone and last-in: {{ years.wanted - years.pending }} of {{ years.wanted }} done.
      <button v-if="years.pending" class="tool ml-2" @click="years.stop()">Stop</button>
    </p>
    <div
      v-else-if="differs"
      role="radiogroup"
      aria-label="Compared with"
      class="mb-2 inline-flex overflow-hidden rounded border border-line-strong"
    >
      <button
        v-for="[value, name] in [
          ['found', 'Against as found'],
          ['set', 'Against as set'],
        ] as const"
        :key="value"
        role="radio"
        :aria-checked="baseline === value"
        class="min-h-11 px-4"
        :class="baseline === value ? 'bg-copper text-white' : 'bg-plaster-pale hover:bg-plaster-deep'"
        @click="baseline = value"
      >
        {{ name }}
      </button>
    </div>
    <div v-if="result && found" class="grid grid-cols-1 gap-x-8 gap-y-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        <p class="text-lg leading-snug">
          <b class="text-3xl" :class="difference!.cost <= 0 ? 'text-verdigris' : 'text-alarm'" data-package-change>{{
            units.moneyChange(difference!.cost)
          }}</b>
          a year against {{ baseName.toLowerCase() }}.
        </p>
        <p v-if="credit" class="mt-1" data-credit>{{ credit }}</p>
        <p v-if="worse.length" class="mt-1 font-semibold text-alarm" data-worse>Worse: {{ worse.join('; ') }}.</p>
        <p class="mt-1">
          Cost
          <b>{{ costText(result.costMoney, units, 'not fully priced') }}</b>, simple payback: <b>{{ paysBack }}</b>{{
            differs ? ', against as set' : ''
          }}.
        </p>
        <p v-if="open.refused || open.unknown" class="mt-1">
          <span v-if="open.refused" class="mr-3 font-semibold text-alarm">{{ open.refused }} checks fail</span>
          <span v-if="open.unknown" class="font-semibold text-copper">{{ open.unknown }} not checked yet</span>
        </p>
        <p v-else-if="details.length && judgement.judged && broken === 0" class="mt-1 text-verdigris">
          No failed checks.
        </p>
        <p v-for="t in targets" :key="t.id" class="mt-1 flex items-start gap-1.5" data-target>
          <LevelMark :level="t.level" :size="18" />{{ t.sentence }}
        </p>
      </div>
      <div>
        <dl>
          <div v-for="b in bars" :key="b.name" class="mb-1.5">
            <dt class="flex justify-between gap-3 text-sm">
              <span class="truncate">{{ b.name }}</span><b :data-package-cost="b === bars[1] ? '' : undefined">{{
                units.money(b.cost)
              }}</b>
            </dt>
            <dd class="h-4 bg-plaster-deep">
              <div class="h-full bg-copper" :style="{ width: `${100 * b.share}%` }" />
            </dd>
          </div>
        </dl>
        <dl class="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          <div v-for="[name, text] in changes" :key="name">
            <dt class="caption">{{ name }}</dt>
            <dd class="font-semibold">{{ text }}</dd>
          </div>
        </dl>
        <MoneyTable
          class="mt-1"
          :from="base!.cost"
          :from-name="baseName"
          :to="result.result.cost"
          :to-name="result.name"
        />
      </div>
    </div>
  </section>
</template>
