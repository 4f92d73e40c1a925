<script setup lang="ts">
import { Play, Square } from '@lucide/vue'
import { scaleLinear } from 'd3-scale'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import { usePackage } from '~/composables/usePackage'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { useReadingDrafts } from '~/utils/reading-draft'
import type { ReadingKindName } from '~~/core/study/readings'
import { paybackRangeText } from '~~/core/views/payback-words'
import { narrowsText, nextText, refusedText, spreadText } from '~~/core/views/range-words'
import { figureRows } from '~~/core/views/year-figure-words'

/** How far the saving of the package may lie apart, and what to find out next to narrow it. */
const table = useStudy()
const years = useYears()
const ranges = useRanges()
const drafts = useReadingDrafts()
const { comparison } = usePackage()
const units = computed(() => table.units)
const here = computed(() => ranges.here)
const saving = computed(() => here.value?.last.ranges.savings?.cost ?? null)
const before = computed(() => here.value?.before?.ranges.savings?.cost ?? null)

/** Bands on one scale, which begins at nothing saved. */
const bands = computed(() => {
  const all = [saving.value, before.value].filter((s) => s !== null)
  const place = scaleLinear()
    .domain([Math.min(0, ...all.map((s) => s.p10)), Math.max(0, ...all.map((s) => s.p90))])
    .nice()
    .range([0, 100])
  const band = (name: string, s: (typeof all)[number]) => ({
    name,
    text: spreadText(s, units.value.wholeMoney),
    left: place(s.p10),
    width: Math.max(0.5, place(s.p90) - place(s.p10)),
    middle: place(s.p50),
  })
  return {
    nothing: place(0),
    ends: place.domain().map((money) => units.value.wholeMoney(money)),
    list: [
      ...(saving.value ? [band(here.value!.holds ? 'Now' : 'Before the change', saving.value)] : []),
      ...(before.value ? [band(here.value!.holds ? 'Before the last change' : 'Before that', before.value)] : []),
    ],
  }
})
const paysBack = computed(() =>
  saving.value ? paybackRangeText(comparison.value?.packages[0]?.appraisal?.netCost ?? null, saving.value) : '',
)
const chance = computed(() => here.value?.last.ranges.chanceOfSaving ?? null)
const rows = computed(() => figureRows(here.value?.last.ranges.waiting ?? 0))
const baseName = computed(() => (comparison.value?.asSet ? 'as set' : 'as found'))

async function take(kind: ReadingKindName) {
  const { id } = table.study!
  // What was being taken before is known first: it stays beside what is opened.
  await drafts.takeUp(id)
  drafts.open(kind)
  await navigateTo(`/study/${id}/measure`)
}
</script>

<template>
  <section aria-label="Range of the saving">
    <div class="flex flex-wrap items-center justify-between gap-2 border-b border-ink pb-1">
      <h2 class="text-xl">Range of the saving</h2>
      <button v-if="ranges.running" class="tool" @click="ranges.stop()"><Square :size="17" />Stop</button>
      <button v-else class="tool" @click="ranges.run(years.lookedAt)">
        <Play :size="17" />{{ here ? 'Work out again' : 'Work out the range' }}
      </button>
    </div>
    <p class="caption mt-1">
      {{ ranges.wanted }} samples of the household as it may be: each figure varied within its usual doubt, less where
      it was entered or measured. Both years of a sample have the same draw-offs. What the package brings is taken as
      given.
    </p>
    <WorkProgress v-if="ranges.running" class="mt-2" counts="Samples simulated" :done="ranges.done" :of="ranges.wanted">
      {{ ranges.done }} of {{ ranges.wanted }} samples
    </WorkProgress>
    <p v-if="ranges.failed" class="mt-2 text-alarm" role="alert">{{ ranges.failed }}</p>
    <template v-if="here && saving">
      <p v-if="!here.holds" class="mt-2 border-l-4 border-copper pl-2">
        The household or the package has changed since. Work it out again.
      </p>
      <div class="mt-3" data-range>
        <div v-for="band in bands.list" :key="band.name" class="mb-2">
          <p class="flex flex-wrap justify-between gap-x-3">
            <span>{{ band.name }}</span><b :data-band="band.name">{{ band.text }} a year</b>
          </p>
          <div class="relative h-5 bg-plaster-deep" aria-hidden="true">
            <div class="absolute h-full bg-copper/45" :style="{ left: `${band.left}%`, width: `${band.width}%` }" />
            <div class="absolute h-full w-0.75 bg-copper" :style="{ left: `calc(${band.middle}% - 1.5px)` }" />
            <div class="absolute -top-1 h-7 w-px bg-ink" :style="{ left: `${bands.nothing}%` }" />
          </div>
        </div>
        <p class="caption flex justify-between" aria-hidden="true">
          <span>{{ bands.ends[0] }}</span><span>saved a year against {{ baseName }}</span
          ><span>{{ bands.ends[1] }}</span>
        </p>
        <p class="mt-1">
          1 in 10 samples saves less, 1 in 10 more. Saves money in <b>{{ Math.round(100 * chance!) }}%</b> of
          {{ here.last.ranges.samples }} samples; median known to ±{{ units.wholeMoney(saving.p50Within) }}. Simple
          payback: <b>{{ paysBack }}</b>. {{ refusedText(here.last.ranges.refused) }}
        </p>
        <div class="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-2">
          <div>
            <h3 class="font-semibold">Find out next</h3>
            <p v-if="!here.last.ranges.next.length" class="caption">
              No reading stands out: none narrows this range by more than chance shows.
            </p>
            <ul>
              <li
                v-for="n in here.last.ranges.next"
                :key="`${n.reading} ${n.station} ${n.figures}`"
                class="flex min-h-11 items-center justify-between gap-3 border-b border-line"
                data-next
              >
                <button
                  v-if="n.reading"
                  class="min-h-11 min-w-0 py-1 text-left hover:bg-plaster-deep"
                  @click="take(n.reading)"
                >
                  <b class="text-copper">{{ nextText(n) }}</b>
                  <span class="caption block">{{ n.figures.join(', ') }}</span>
                </button>
                <b v-else class="min-w-0 py-1">{{ nextText(n) }}</b>
                <span class="text-right">{{ narrowsText(n) }}</span>
              </li>
            </ul>
          </div>
          <div class="overflow-x-auto">
            <table class="w-full text-sm">
              <thead>
                <tr class="border-b border-ink text-right">
                  <th scope="col"><span class="sr-only">Figure</span></th>
                  <th scope="col" class="pl-3 font-semibold">1 in 10 below</th>
                  <th scope="col" class="pl-3 font-semibold">median</th>
                  <th scope="col" class="pl-3 font-semibold">1 in 10 above</th>
                </tr>
              </thead>
              <tbody>
                <template v-for="row in rows" :key="row.key">
                  <tr class="border-b border-line">
                    <th scope="row" class="py-1 text-left font-normal">{{ row.name }}</th>
                    <td v-for="p in ['p10', 'p50', 'p90'] as const" :key="p" class="pl-3 text-right">
                      {{ row.write(units, here.last.ranges.year[row.key][p]) }}
                    </td>
                  </tr>
                  <tr v-if="row.key !== 'cost'" class="border-b border-line">
                    <th scope="row" class="py-1 text-left font-normal">{{ row.saved }}</th>
                    <td v-for="p in ['p10', 'p50', 'p90'] as const" :key="p" class="pl-3 text-right">
                      {{ row.write(units, here.last.ranges.savings![row.key][p]) }}
                    </td>
                  </tr>
                </template>
              </tbody>
            </table>
            <p class="caption mt-1">Annual figures as the household stands. Saved: below zero is more than now.</p>
          </div>
        </div>
      </div>
    </template>
  </section>
</template>
