<script setup lang="ts">
import { paybackYears } from '~~/core/measures/payback'

/** What the package comes to, before anything else: money, energy, water, waits, what it costs and what is still to be looked at. */
const table = useStudy()
const years = useYears()
const { details, comparison } = usePackage()
const units = computed(() => table.units)
const result = computed(() => comparison.value?.packages[0] ?? null)
const found = computed(() => years.found)
const paysBack = computed(() =>
  result.value ? paybackText(paybackYears(result.value.costMoney, result.value.together)) : '',
)
const open = computed(() => {
  const checks = details.value.flatMap((d) => d.checks)
  const count = (verdict: string) => checks.filter((c) => c.verdict === verdict).length
  return { refused: count('does not fit'), unknown: count('not known') }
})
/** The same bar for both years: what is paid, part by part. */
const bars = computed(() => {
  if (!result.value || !found.value) return []
  const most = Math.max(found.value.cost.total, result.value.result.cost.total, 1)
  return [
    { name: 'As found', cost: found.value.cost.total, share: found.value.cost.total / most },
    { name: result.value.name, cost: result.value.result.cost.total, share: result.value.result.cost.total / most },
  ]
})
const changes = computed(() => {
  const d = result.value?.difference
  if (!d) return []
  const signed = (x: number, text: (v: number) => string) =>
    text(Math.abs(x)) === text(0) ? text(0) : `${x > 0 ? '+' : '−'}${text(Math.abs(x))}`
  return [
    ['Bought', signed(d.inputKwh, units.value.energy)],
    ['Water', signed(d.waterL, units.value.litres)],
    ['CO₂', signed(d.co2Kg, units.value.mass)],
    ['Median wait', signed(d.waitMedianS, units.value.seconds)],
    ['Draws too cool', signed(d.coolDraws, (n) => n.toLocaleString('en-GB'))],
  ] as const
})
</script>

<template>
  <section aria-label="What it saves">
    <p v-if="!result || !found" class="py-4 text-ink-soft" role="status">
      Simulating each measure alone and last in: {{ years.wanted - years.pending }} of {{ years.wanted }} years done.
      <button v-if="years.pending" class="tool ml-2" @click="years.stop()">Stop</button>
    </p>
    <div v-else class="grid gap-x-8 gap-y-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        <p class="text-lg leading-snug">
          <b
            class="text-3xl"
            :class="result.difference.cost <= 0 ? 'text-verdigris' : 'text-alarm'"
            data-package-change
            >{{ units.moneyChange(result.difference.cost) }}</b
          >
          a year against as found.
        </p>
        <p class="mt-1">
          It costs
          <b>{{
            result.costMoney === null
              ? 'an amount not all known'
              : result.costMoney === 0
                ? 'nothing'
                : units.money(result.costMoney)
          }}</b>
          and pays back: <b>{{ paysBack }}</b>.
        </p>
        <p v-if="open.refused || open.unknown" class="mt-1">
          <span v-if="open.refused" class="mr-3 font-semibold text-alarm">{{ open.refused }} do not fit</span>
          <span v-if="open.unknown" class="font-semibold text-copper">{{ open.unknown }} not known yet</span>
        </p>
        <p v-else-if="details.length && result.targets.every((t) => t.kept)" class="mt-1 text-verdigris">
          Nothing known stands in its way.
        </p>
        <p v-for="line in result.targets" :key="line.text" class="mt-1 flex items-start gap-1.5" data-target>
          <component
            :is="VERDICT_LOOK[line.kept ? 'fits' : 'does not fit'].icon"
            :size="18"
            class="mt-0.5 shrink-0"
            :class="VERDICT_LOOK[line.kept ? 'fits' : 'does not fit'].tone"
            :aria-label="line.kept ? 'kept' : 'not kept'"
            role="img"
          />{{ line.text }}
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
      </div>
    </div>
  </section>
</template>
