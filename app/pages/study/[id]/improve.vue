<script setup lang="ts">
import { Download, Plus, Printer, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import TextField from '~/components/fields/TextField.vue'
import ViewTabs from '~/components/home/ViewTabs.vue'
import BroughtList from '~/components/improve/BroughtList.vue'
import ClaimList from '~/components/improve/ClaimList.vue'
import HeatFlow from '~/components/improve/HeatFlow.vue'
import MeasureList from '~/components/improve/MeasureList.vue'
import MonthChart from '~/components/improve/MonthChart.vue'
import PackageAnswer from '~/components/improve/PackageAnswer.vue'
import PackagePaper from '~/components/improve/PackagePaper.vue'
import PackageWorth from '~/components/improve/PackageWorth.vue'
import RoomHeat from '~/components/improve/RoomHeat.vue'
import SavingCascade from '~/components/improve/SavingCascade.vue'
import SavingRange from '~/components/improve/SavingRange.vue'
import SideBySide from '~/components/improve/SideBySide.vue'
import SizeList from '~/components/improve/SizeList.vue'
import WorkOrder from '~/components/improve/WorkOrder.vue'
import { usePackage } from '~/composables/usePackage'
import { useJudgement } from '~/stores/judgement'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { handAs } from '~/utils/files'
import { withoutPackage } from '~~/core/household/edits/packages'
import { applyAll } from '~~/core/measures/apply'
import { packageKey } from '~~/core/measures/jobs'
import { freshId } from '~~/core/study/fresh-id'
import { asFound } from '~~/core/study/in-force'
import { comparisonCsv } from '~~/core/views/comparison-csv'

/** One package of measures against the house as found. */
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const VIEWS = [
  { view: '', name: 'Packages' },
  { view: 'beside', name: 'Side by side' },
  { view: 'work', name: 'Order of work' },
  { view: 'claims', name: 'Claims' },
  { view: 'sizes', name: 'Sizing' },
] as const
const route = useRoute()
const stage = computed(() => VIEWS.find((v) => v.view === route.query.view)?.view ?? '')
const packages = computed(() => table.study!.packages)
const at = ref(0)
const pack = computed(() => packages.value[Math.min(at.value, packages.value.length - 1)] ?? null)
// Sizes are of the house as it stands; the totals beside them are too.
watch([pack, stage], ([p, view]) => (years.lookedAt = view !== '' ? null : (p?.id ?? null)), { immediate: true })
onUnmounted(() => (years.lookedAt = null))

const result = computed(() => (pack.value ? (years.years.get(packageKey(pack.value.id)) ?? null) : null))
const view = ref<'before' | 'after'>('after')
const picturedStudy = computed(() =>
  view.value === 'before' ? asFound(table.study!) : applyAll(table.study!, pack.value!.measures),
)
const pictured = computed(() => (view.value === 'before' ? years.found : result.value))

function add() {
  const id = freshId('package', packages.value)
  table.change('add package', (d) => void d.packages.push({ id, name: 'New package', measures: [] }))
  at.value = packages.value.length - 1
}
const remove = () => table.replace((s) => withoutPackage(s, pack.value!.id))
const { comparison } = usePackage()
const ranges = useRanges()
const toCsv = () =>
  handAs(
    comparisonCsv(table.study!, comparison.value!, (id) => {
      const known = ranges.of(id)
      return known?.holds && !ranges.running ? known.last.ranges : null
    }),
    `${table.study!.id}-comparison.csv`,
    'text/csv',
  )
const print = () => window.print()
const index = computed(() => packages.value.findIndex((p) => p.id === pack.value?.id))
</script>

<template>
  <div>
    <PackagePaper v-if="stage === '' && pack" class="hidden print:block" />
    <div class="print:hidden">
      <ViewTabs label="Views of Improve" :views="VIEWS" :at="stage" />
      <SizeList v-if="stage === 'sizes'" @added="navigateTo({ query: {} })" />
      <ClaimList v-else-if="stage === 'claims'" />
      <SideBySide v-else-if="stage === 'beside'" />
      <WorkOrder v-else-if="stage === 'work'" @added="((at = 0), navigateTo({ query: {} }))" />
      <template v-else>
        <div class="flex flex-wrap items-end gap-2">
          <ChoiceField
            v-if="packages.length > 1"
            label="Package"
            class="w-64"
            :value="index"
            :choices="packages.map((p, value) => ({ value, name: p.name }))"
            @change="(v) => (at = v)"
          />
          <TextField
            v-if="pack"
            label="Name of the package"
            class="w-72"
            :value="pack.name"
            @change="(v) => table.change('package name', (d) => void (d.packages[index]!.name = v))"
          />
          <button class="tool" @click="add"><Plus :size="17" />Package</button>
          <button v-if="pack" class="tool tool-bare" @click="remove"><Trash2 :size="17" />Remove package</button>
          <template v-if="comparison">
            <button class="tool tool-bare" data-export-comparison @click="toCsv">
              <Download :size="17" />Export comparison (CSV)
            </button>
            <button class="tool tool-bare" @click="print"><Printer :size="17" />Print</button>
          </template>
        </div>
        <p v-if="!pack" class="py-6">
          No package yet. A package is a list of measures simulated together on the same household and the same
          draw-offs.
        </p>
        <template v-else>
          <PackageAnswer class="mt-4" />
          <MeasureList class="mt-6" :index="index" />
          <section
            v-if="judgement.judged && judgement.judged.brought.length"
            class="mt-5"
            aria-label="New findings with this package"
          >
            <h2 class="border-b border-ink pb-1 text-xl">Made worse by this package</h2>
            <BroughtList :brought="judgement.judged.brought" />
          </section>
          <p v-else-if="judgement.judged" class="caption mt-3">No check gets worse.</p>
          <PackageWorth v-if="pack.measures.length" class="mt-6" />
          <SavingCascade class="mt-6" />
          <SavingRange v-if="pack.measures.length" class="mt-6" />
          <section class="mt-6" aria-label="Heat balance">
            <div class="flex flex-wrap items-center justify-between gap-2">
              <h2 class="text-xl">Heat balance</h2>
              <div
                role="radiogroup"
                aria-label="Show"
                class="inline-flex overflow-hidden rounded border border-line-strong"
              >
                <button
                  v-for="v in ['before', 'after'] as const"
                  :key="v"
                  role="radio"
                  :aria-checked="view === v"
                  class="min-h-11 px-4"
                  :class="view === v ? 'bg-copper text-white' : 'bg-plaster-pale hover:bg-plaster-deep'"
                  @click="view = v"
                >
                  {{ v === 'before' ? 'As found' : pack.name }}
                </button>
              </div>
            </div>
            <HeatFlow v-if="pictured" :year="pictured" :scale-to="years.found ?? pictured" />
            <p v-else class="py-6 text-ink-soft">Simulating the year…</p>
            <RoomHeat v-if="pictured" :study="picturedStudy" :year="pictured" />
          </section>
          <section class="mt-6" aria-label="By month">
            <h2 class="text-xl">By month</h2>
            <MonthChart v-if="years.found && result" :found="years.found" :after="result" :name="pack.name" />
            <p v-else class="py-6 text-ink-soft">Simulating the year…</p>
          </section>
        </template>
      </template>
    </div>
  </div>
</template>
