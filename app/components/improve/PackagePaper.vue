<script setup lang="ts">
import { usePackage } from '~/composables/usePackage'
import { useJudgement } from '~/stores/judgement'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { STATIONS } from '~/utils/stations'
import { firstSteps } from '~~/core/household/first-steps'
import { type Part, priceOf } from '~~/core/measures/parts'
import { type Carrier, CARRIER_NAMES } from '~~/core/money/carriers'
import { writeDay } from '~~/core/units/dates'
import { appraisalAssumes, appraisalRows } from '~~/core/views/appraisal-words'
import { FORMULAS } from '~~/core/views/formula-words'
import { LEVEL_WORDS } from '~~/core/views/level-words'
import { measuredOnPaper } from '~~/core/views/measured'
import { costText } from '~~/core/views/payback-words'
import { spreadText } from '~~/core/views/range-words'
import { figureRows } from '~~/core/views/year-figure-words'

/** The package that is looked at on paper: figures, what they rest on, and what has to be seen to first. */
const table = useStudy()
const ranges = useRanges()
const judgement = useJudgement()
const { comparison } = usePackage()
const study = computed(() => table.study!)
const units = computed(() => table.units)
const pack = computed(() => comparison.value?.packages[0] ?? null)
const base = computed(() => comparison.value && (comparison.value.asSet?.result ?? comparison.value.asFound))
const baseName = computed(() => (comparison.value?.asSet ? 'As set' : 'As found'))
const rows = computed(() =>
  pack.value && base.value ? figureRows(Math.min(base.value.comfort.waiting, pack.value.result.comfort.waiting)) : [],
)
const range = computed(() => (ranges.here?.holds && !ranges.running ? ranges.here.last.ranges : null))
const figures = computed(() => {
  const result = pack.value!
  return rows.value.map((r) => {
    const after = result.againstSet[r.key]
    const saving = range.value?.savings?.[r.key]
    return {
      ...r,
      saved: r.write(units.value, -after),
      range: saving ? spreadText(saving, (x) => r.write(units.value, x)) : 'not worked out',
    }
  })
})
/** What a part costs; under a lump sum it has no price of its own. */
function priceText(measureId: string, { count, priceEach, priceFrom }: Part): string {
  const measure = study.value.packages.find((p) => p.id === pack.value!.id)?.measures.find((m) => m.id === measureId)
  if (measure?.costMoney !== null) return ''
  return priceEach ? `, ${costText(priceOf([{ count, priceEach }]), units.value)} (${priceFrom})` : ', not priced'
}
const tariffs = computed(() =>
  (Object.keys(study.value.prices.carriers) as Carrier[]).map((c) => {
    const { source, asOf } = study.value.prices.carriers[c]!
    return `${CARRIER_NAMES[c]}: ${source || 'source not entered'}${asOf ? `, ${asOf}` : ''}`
  }),
)
const measured = computed(() => measuredOnPaper(study.value, units.value))
const assumed = computed(() => firstSteps(study.value).map((s) => `${STATIONS[s.station]} ${s.assumed}`))
</script>

<template>
  <article v-if="pack && base" aria-label="Comparison on paper" class="paper text-sm">
    <h1 class="text-2xl">{{ study.name }}: {{ pack.name }}</h1>
    <p>{{ [study.site.name, study.controls.by].filter(Boolean).join(' · ') }}</p>
    <h2>What it changes in a year</h2>
    <table>
      <thead>
        <tr>
          <th scope="col">Figure, computed</th>
          <th scope="col">Saved against {{ baseName.toLowerCase() }}</th>
          <th scope="col">Range, 8 of 10 samples</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="f in figures" :key="f.key">
          <th scope="row">{{ f.name }}</th>
          <td>{{ f.saved }}</td>
          <td>{{ f.range }}</td>
        </tr>
      </tbody>
    </table>
    <p>
      {{ baseName }} {{ units.money(base.cost.total) }} a year, with the package
      {{ units.money(pack.result.cost.total) }}. Less is positive where it is saved.
    </p>
    <h2>Measures, in this order</h2>
    <table>
      <thead>
        <tr>
          <th scope="col">Measure</th>
          <th scope="col">Stand-alone</th>
          <th scope="col">In this order</th>
          <th scope="col">Last-in</th>
          <th scope="col">Cost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in pack.measures" :key="m.id">
          <th scope="row">
            {{ m.name }}
            <span v-for="p in m.parts" :key="p.key" class="block font-normal"
              >{{ p.count }} {{ p.unit }}: {{ p.name }}{{ priceText(m.id, p) }}</span
            >
            <span class="block font-normal">{{ m.who }}</span>
            <span v-for="c in m.checks.filter((x) => x.level !== 'pass')" :key="c.id" class="block font-normal"
              >{{ LEVEL_WORDS[c.level] }}: {{ c.sentence }}</span
            >
          </th>
          <td>{{ units.money(m.alone.cost) }}</td>
          <td>{{ units.money(m.inOrder.cost) }}</td>
          <td>{{ units.money(m.lastIn.cost) }}</td>
          <td>{{ costText(m.costMoney, units) }}</td>
        </tr>
      </tbody>
    </table>
    <template v-if="pack.appraisal">
      <h2>Money over the years</h2>
      <ul>
        <li v-for="[name, text] in appraisalRows(pack.appraisal, units)" :key="name">{{ name }}: {{ text }}</li>
      </ul>
      <p>{{ appraisalAssumes(pack.appraisal, study.economics).join(' ') }}</p>
    </template>
    <p v-else>Not fully priced: no money over the years.</p>
    <template v-if="judgement.judged?.brought.length">
      <h2>Made worse by this package</h2>
      <ul>
        <li v-for="b in judgement.judged.brought" :key="b.id">
          {{ LEVEL_WORDS[b.level] }}: {{ b.title }}. {{ b.sentence }}
        </li>
      </ul>
    </template>
    <template v-if="measured.length">
      <h2>Measured in this household</h2>
      <table>
        <tbody>
          <tr v-for="m in measured" :key="m.id">
            <th scope="row">
              {{ m.title }}{{ m.place ? `, ${m.place}` : '' }}
              <span class="block font-normal"
                >{{ writeDay(m.on, units.system) }}{{ m.applied ? ', applied' : '' }}</span
              >
            </th>
            <td>
              <span v-for="f in m.figures" :key="f" class="block">{{ f }}</span>
              <span v-if="m.against" class="block">{{ m.against }}</span>
            </td>
            <td><img v-if="m.photo" :src="m.photo" :alt="`Picture: ${m.title}`" class="max-h-32" /></td>
          </tr>
        </tbody>
      </table>
    </template>
    <h2>What the figures rest on</h2>
    <p>
      {{ assumed.length ? `Values still assumed: ${assumed.join(', ')}.` : 'No value is assumed.' }} Prices:
      {{ tariffs.join('; ') }}.
    </p>
    <table>
      <tbody>
        <tr v-for="f in FORMULAS" :key="f.figure">
          <th scope="row">{{ f.figure }}</th>
          <td>{{ f.formula }}</td>
          <td>{{ f.source }}</td>
        </tr>
      </tbody>
    </table>
    <p class="mt-2">
      Hot water can scald and carries legionella risk. Gas, electrical, pressure and drinking water work is for a
      registered installer; the local code and the manufacturer’s instructions go before this paper.
    </p>
  </article>
</template>

<style scoped>
.paper h2 {
  margin: 0.8rem 0 0.2rem;
  font-size: 1.1rem;
}
.paper table {
  width: 100%;
  border-collapse: collapse;
}
.paper th,
.paper td {
  padding: 0.2rem 0.6rem 0.2rem 0;
  border-bottom: 1px solid currentcolor;
  text-align: left;
  vertical-align: top;
}
.paper tr {
  break-inside: avoid;
}
</style>
