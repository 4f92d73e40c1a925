<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import TextField from '~/components/fields/TextField.vue'
import ViewTabs from '~/components/home/ViewTabs.vue'
import BroughtList from '~/components/improve/BroughtList.vue'
import HeatFlow from '~/components/improve/HeatFlow.vue'
import MeasureList from '~/components/improve/MeasureList.vue'
import MonthChart from '~/components/improve/MonthChart.vue'
import PackageAnswer from '~/components/improve/PackageAnswer.vue'
import PackageWorth from '~/components/improve/PackageWorth.vue'
import SavingCascade from '~/components/improve/SavingCascade.vue'
import SavingRange from '~/components/improve/SavingRange.vue'
import SizeList from '~/components/improve/SizeList.vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { packageKey } from '~~/core/measures/jobs'
import { freshId } from '~~/core/study/fresh-id'

/** One package of measures against the house as found. */
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const VIEWS = [
  { view: '', name: 'Packages' },
  { view: 'sizes', name: 'Sizing' },
] as const
const route = useRoute()
const stage = computed(() => VIEWS.find((v) => v.view === route.query.view)?.view ?? '')
const packages = computed(() => table.study!.packages)
const at = ref(0)
const pack = computed(() => packages.value[Math.min(at.value, packages.value.length - 1)] ?? null)
// Sizes are of the house as it stands; the totals beside them are too.
watch([pack, stage], ([p, view]) => (years.lookedAt = view === 'sizes' ? null : (p?.id ?? null)), { immediate: true })
onUnmounted(() => (years.lookedAt = null))

const result = computed(() => (pack.value ? (years.years.get(packageKey(pack.value.id)) ?? null) : null))
const view = ref<'before' | 'after'>('after')
const pictured = computed(() => (view.value === 'before' ? years.found : result.value))

function add() {
  const id = freshId('package', packages.value)
  table.change('add package', (d) => void d.packages.push({ id, name: 'New package', measures: [] }))
  at.value = packages.value.length - 1
}
const remove = () =>
  table.change('remove package', (d) => void d.packages.splice(Math.min(at.value, d.packages.length - 1), 1))
const index = computed(() => packages.value.findIndex((p) => p.id === pack.value?.id))
</script>

<template>
  <div>
    <ViewTabs label="Views of Improve" :views="VIEWS" :at="stage" />
    <SizeList v-if="stage === 'sizes'" @added="navigateTo({ query: {} })" />
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
      </div>
      <p v-if="!pack" class="py-6">
        No package yet. A package is a list of measures simulated together on the same household and the same draw-offs.
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
        </section>
        <section class="mt-6" aria-label="By month">
          <h2 class="text-xl">By month</h2>
          <MonthChart v-if="years.found && result" :found="years.found" :after="result" :name="pack.name" />
          <p v-else class="py-6 text-ink-soft">Simulating the year…</p>
        </section>
      </template>
    </template>
  </div>
</template>
