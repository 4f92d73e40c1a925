<script setup lang="ts">
import { Play } from '@lucide/vue'
import { scaleLinear } from 'd3-scale'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { usePackage } from '~/composables/usePackage'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { type Interaction, interactionsOf, pairsOf } from '~~/core/scenarios/interactions'
import { cascadeOf } from '~~/core/views/cascade'
import { figureRows } from '~~/core/views/year-figure-words'
import type { YearFigure } from '~~/core/year/figures'

/** From doing nothing to the package, measure by measure, and which measures save part of the same. */
const table = useStudy()
const years = useYears()
const { comparison } = usePackage()
const units = computed(() => table.units)
const figure = ref<YearFigure>('cost')
const row = computed(() => rows.value.find((r) => r.key === figure.value) ?? figureRows(0)[0]!)
const write = (x: number) => row.value.write(units.value, x)
const result = computed(() => comparison.value?.packages[0] ?? null)
const base = computed(() => comparison.value && (comparison.value.asSet?.result ?? comparison.value.asFound))
const baseName = computed(() => (comparison.value?.asSet ? 'As set' : 'As found'))

const rows = computed(() =>
  result.value && base.value
    ? figureRows(Math.min(base.value.comfort.waiting, result.value.result.comfort.waiting), 'by carrier')
    : [],
)
/** Bars on one scale that begins at nothing: what the year takes before, each measure from where the last one ended, and after. */
const bars = computed(() => {
  if (!result.value || !base.value) return []
  const { from, steps, to } = cascadeOf(base.value, result.value, row.value.key)
  const place = scaleLinear()
    .domain([Math.min(0, from, ...steps.map((s) => s.to)), Math.max(from, ...steps.map((s) => s.to), 1e-9)])
    .range([0, 100])
  const bar = (a: number, b: number) => {
    const [low, high] = [place(Math.min(a, b)), place(Math.max(a, b))]
    return { left: low, width: Math.max(0.3, high - low) }
  }
  return [
    { id: 'from', name: baseName.value, text: write(from), total: true, saved: 0, ...bar(0, from) },
    ...steps.map((s) => ({ ...s, text: write(s.saved), total: false, ...bar(s.from, s.to) })),
    { id: 'to', name: result.value.name, text: write(to), total: true, saved: 0, ...bar(0, to) },
  ]
})

/** Worked out when it is asked for, of the comparison that stands. */
const pairs = shallowRef<{ of: unknown; list: Interaction[] } | null>(null)
const looking = ref(false)
let batch = 0
async function look() {
  const [study, of, found] = [table.study!, comparison.value, result.value]
  const pack = study.packages.find((p) => p.id === years.lookedAt)
  if (!pack || !found || !base.value) return
  const mine = ++batch
  const before = base.value.cost.total
  looking.value = true
  const all = pairsOf(study, pack)
  const simulated = await years.many(
    all.map((p) => p.study),
    () => mine !== batch,
  )
  if (mine !== batch) return
  looking.value = false
  if (simulated)
    pairs.value = {
      of,
      list: interactionsOf(
        pack,
        before,
        found.measures.map((m) => m.alone.cost),
        all,
        simulated,
      ),
    }
}
const overlaps = computed(() => (pairs.value?.of === comparison.value ? (pairs.value?.list ?? null) : null))
watch(comparison, () => {
  batch++
  looking.value = false
})
</script>

<template>
  <section v-if="result && base && result.measures.length > 1" aria-label="Measure by measure">
    <div class="flex flex-wrap items-end justify-between gap-2 border-b border-ink pb-1">
      <h2 class="text-xl">Measure by measure</h2>
      <ChoiceField
        label="Figure"
        class="w-60"
        :value="row.key"
        :choices="rows.map((r) => ({ value: r.key, name: r.name }))"
        @change="(v) => (figure = v)"
      />
    </div>
    <ol class="mt-2" data-cascade>
      <li v-for="b in bars" :key="b.id" class="py-1">
        <p class="flex justify-between gap-3 text-sm">
          <span class="min-w-0" :class="b.total ? 'font-semibold' : ''">{{ b.name }}</span>
          <span
            class="whitespace-nowrap"
            :class="b.total ? 'font-semibold' : b.saved < 0 ? 'text-alarm' : 'text-verdigris'"
            :data-cascade-step="b.id"
            >{{ b.total ? b.text : `${b.saved < 0 ? 'more' : 'saves'} ${write(Math.abs(b.saved))}` }}</span
          >
        </p>
        <div class="relative h-3.5 bg-plaster-deep" aria-hidden="true">
          <div
            class="absolute h-full"
            :class="b.total ? 'bg-copper' : b.saved < 0 ? 'bg-alarm' : 'bg-verdigris'"
            :style="{ left: `${b.left}%`, width: `${b.width}%` }"
          />
        </div>
      </li>
    </ol>
    <p class="caption mt-1">
      Each measure after those above it, against {{ baseName.toLowerCase() }}; the steps add up to the package.
    </p>
    <div class="mt-3 overflow-x-auto">
      <table class="w-full text-sm">
        <thead>
          <tr class="border-b border-ink text-right">
            <th scope="col" class="text-left font-semibold">{{ row.saved }} a year</th>
            <th scope="col" class="pl-3 font-semibold">Stand-alone</th>
            <th scope="col" class="pl-3 font-semibold">In this order</th>
            <th scope="col" class="pl-3 font-semibold">Last-in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in result.measures" :key="m.id" class="border-b border-line">
            <th scope="row" class="py-1 text-left font-normal">{{ m.name }}</th>
            <td v-for="way in ['alone', 'inOrder', 'lastIn'] as const" :key="way" class="pl-3 text-right">
              {{ write(m[way][row.key]) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="mt-3">
      <button v-if="!overlaps" class="tool" :disabled="looking" @click="look">
        <Play :size="17" />{{ looking ? 'Simulating each pair…' : 'Find which measures overlap' }}
      </button>
      <template v-else>
        <h3 class="font-semibold">Pairs: saved together, less each stand-alone</h3>
        <ul>
          <li
            v-for="p in overlaps"
            :key="p.measures.join()"
            class="flex justify-between gap-3 border-b border-line py-1 text-sm"
            data-pair
          >
            <span class="min-w-0">{{ p.measures[0] }} and {{ p.measures[1] }}</span>
            <span class="whitespace-nowrap">{{
              p.money === null ? 'could not be simulated' : `${units.money(p.money)} a year`
            }}</span>
          </li>
        </ul>
        <p class="caption mt-1">Below zero the two save part of the same; above zero one helps the other.</p>
      </template>
    </div>
  </section>
</template>
