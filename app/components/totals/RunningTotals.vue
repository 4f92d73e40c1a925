<script setup lang="ts">
import { CircleCheck, CircleHelp, TriangleAlert } from '@lucide/vue'
import EnergyBar from '~/components/totals/EnergyBar.vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { costBasisText } from '~~/core/household/cost-basis'
import { assessed } from '~~/core/views/comfort'
import { inTheWay } from '~~/core/views/findings'
import { drawnL, purchasedKwh, type YearResult } from '~~/core/year/result'

/** The year in six figures, as found and now, and what the last change did to each. */
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const units = computed(() => table.units)

interface Row {
  name: string
  of: (r: YearResult) => number
  write: (x: number) => string
  hint?: string
  /** Of how many draw-offs it is; of none there is nothing to tell. Left out: of the whole year. */
  among?: (r: YearResult) => number
}
const rows = computed((): Row[] => [
  { name: 'Cost', of: (r) => r.cost.total, write: units.value.money, hint: costBasisText(table.study!) },
  { name: 'Purchased energy', of: purchasedKwh, write: units.value.energy },
  { name: 'Carbon dioxide', of: (r) => r.co2Kg, write: units.value.mass },
  { name: 'Water', of: (r) => drawnL(r.water), write: units.value.litres, hint: 'hot, and cold mixed in' },
  { name: 'Draw-off to waste', of: (r) => r.water.toWasteL, write: units.value.litres, hint: 'included in water' },
  {
    name: 'Time to tap, cold pipe',
    of: (r) => r.comfort.coldPipe.medianS,
    write: units.value.seconds,
    hint: 'median (P50), pipe unused for 30 min or more',
    among: (r) => r.comfort.coldPipe.draws,
  },
  {
    name: 'Time to tap, cold pipe (P90)',
    of: (r) => r.comfort.coldPipe.p90S,
    write: units.value.seconds,
    among: (r) => r.comfort.coldPipe.draws,
  },
  {
    name: 'Time to tap, warm pipe',
    of: (r) => r.comfort.warmPipe.medianS,
    write: units.value.seconds,
    hint: 'median (P50), pipe used within 30 min',
    among: (r) => r.comfort.warmPipe.draws,
  },
  { name: 'Unmet draw-offs', of: (r) => r.comfort.unmetDraws, write: count, among: (r) => r.comfort.waiting },
  { name: 'Starts, all heaters', of: (r) => r.heaterStarts, write: count },
])
const told = (row: Row, r: YearResult) => assessed(row.among?.(r) ?? 1, row.write(row.of(r)))
const count = (x: number) => x.toLocaleString('en-GB')
const isSet = computed(() => years.comparable && years.shownAs !== 'as found')
function change(row: Row, from: YearResult | null, to: YearResult | null): string {
  if (!from || !to) return ''
  const by = row.of(to) - row.of(from)
  const text = row.write(Math.abs(by))
  return text === row.write(0) ? 'no change' : `${by < 0 ? '−' : '+'}${text}`
}
const better = (row: Row, from: YearResult | null, to: YearResult | null) =>
  from && to && change(row, from, to) !== 'no change' ? Math.sign(row.of(from) - row.of(to)) : 0
/** Checks of harm of the household as it stands; of a package they stand with it. */
const harm = computed(() => {
  if (!judgement.pointsStand || years.shownAs === 'with the package') return null
  // As they stand among the findings: one cause is one of them.
  const entries = inTheWay(judgement.points)
  const fail = entries.filter((f) => f.parts.some((c) => c.blocks && c.level === 'fail')).length
  return { fail, open: entries.length - fail }
})
</script>

<template>
  <aside aria-label="Annual totals" class="text-sm">
    <div class="flex items-baseline justify-between gap-2 border-b-2 border-ink pb-1">
      <h2 class="text-base">Per year</h2>
      <span class="caption" role="status">
        <template v-if="years.failure">not simulated</template>
        <template v-else-if="years.pending">simulating {{ years.pending }}…</template>
        <template v-else>{{ years.shownAs }}</template>
      </span>
    </div>
    <p v-if="years.failure" class="mt-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">{{ years.failure }}</p>
    <p v-if="years.silent" class="mt-2 border-l-4 border-copper bg-copper-pale p-2" role="status" data-silent>
      The simulation is not responding and will be restarted. Entered data is safe.
    </p>
    <p v-if="years.onServer" class="caption mt-1">Simulation runs on the server: this browser provides no worker.</p>
    <dl
      v-for="(group, g) in [rows.slice(0, 2), rows.slice(2)]"
      :key="g"
      class="grid grid-cols-2 sm:grid-cols-3 lg:block"
    >
      <div v-if="g === 1" class="col-span-full border-b border-line py-1.5">
        <dt class="caption">Where the energy goes</dt>
        <dd><EnergyBar :year="years.shown" :from="isSet ? years.found : null" /></dd>
      </div>
      <div
        v-for="row in group"
        :key="row.name"
        class="border-b border-line py-1 pr-2 lg:grid lg:grid-cols-2 lg:items-baseline lg:pr-0"
      >
        <dt class="caption">
          {{ row.name }}<span v-if="row.hint" class="block leading-4 opacity-90">{{ row.hint }}</span>
        </dt>
        <dd class="text-xl font-semibold lg:text-right" :data-total="row.name">
          {{ years.shown ? told(row, years.shown) : '…' }}
        </dd>
        <dd v-if="years.before && years.shown" class="caption">
          last change: {{ change(row, years.before, years.shown) }}
        </dd>
        <dd
          v-if="isSet && years.shown"
          class="font-semibold lg:col-start-2 lg:text-right"
          :class="
            better(row, years.found, years.shown) > 0
              ? 'text-verdigris'
              : better(row, years.found, years.shown) < 0
                ? 'text-alarm'
                : 'text-ink-soft'
          "
          :data-change="row.name"
        >
          {{ change(row, years.found, years.shown) }}
        </dd>
      </div>
    </dl>
    <div v-if="harm" class="py-1.5" data-harm>
      <h3 class="caption font-sans font-normal">Safety</h3>
      <p v-if="harm.fail" class="flex gap-1 font-semibold text-alarm">
        <TriangleAlert :size="17" class="mt-0.5 shrink-0" />{{ harm.fail }} safety
        {{ harm.fail === 1 ? 'check fails' : 'checks fail' }}
      </p>
      <p v-if="harm.open" class="flex gap-1 text-copper">
        <CircleHelp :size="17" class="mt-0.5 shrink-0" />{{ harm.open }} not checked
      </p>
      <p v-if="!harm.fail && !harm.open" class="flex gap-1 text-verdigris">
        <CircleCheck :size="17" class="mt-0.5 shrink-0" />no safety check fails
      </p>
    </div>
    <p v-if="isSet" class="caption pt-1">Coloured: change against as found. Grey: effect of the last change.</p>
  </aside>
</template>
