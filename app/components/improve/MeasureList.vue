<script setup lang="ts">
import MeasureLine from '~/components/improve/MeasureLine.vue'
import MeasureSearch from '~/components/improve/MeasureSearch.vue'
import { usePackage } from '~/composables/usePackage'
import { useStudy } from '~/stores/study'
import { costText, paybackText } from '~~/core/views/payback-words'

/** The measures of a package, one line each until it is opened. */
const props = defineProps<{ index: number }>()
const table = useStudy()
const { details, comparison } = usePackage()
const units = computed(() => table.units)
const pack = computed(() => table.study!.packages[props.index]!)
const result = computed(() => comparison.value?.packages[0] ?? null)
const savings = computed(() => new Map(result.value?.measures.map((m) => [m.id, m]) ?? []))
</script>

<template>
  <section aria-label="Measures">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <h2 class="text-xl">Measures</h2>
      <MeasureSearch :index="index" />
    </div>
    <p v-if="pack.measures.length === 0" class="py-3 text-ink-soft">
      This package is empty. Search for a measure by function or location.
    </p>
    <ol v-else class="mt-2">
      <li
        class="caption hidden grid-cols-[minmax(0,1fr)_6rem_6rem_7rem_7rem] gap-3 border-b border-ink pb-1 pl-9 md:grid"
        aria-hidden="true"
      >
        <span /><span class="text-right">Stand-alone saving</span><span class="text-right">Last-in saving</span
        ><span class="text-right">Cost</span><span class="text-right">Simple payback</span>
      </li>
      <MeasureLine
        v-for="(m, i) in pack.measures"
        :key="m.id"
        :index="index"
        :at="i"
        :measure="m"
        :details="details[i]"
        :saving="savings.get(m.id)"
      />
    </ol>
    <p v-if="result && pack.measures.length" class="mt-2 pl-9">
      Together, against {{ comparison?.asSet ? 'as set' : 'as found' }}: <b>{{ units.money(result.together) }}</b> a
      year<template v-if="result.measures.length > 1"
        >. Stand-alone savings total {{ units.money(result.sumOfSingles) }}; savings interact, so they do not add
        up</template
      >. Cost: <b>{{ costText(result.costMoney, units, 'not fully priced') }}</b>, simple payback:
      <b>{{ paybackText(result.appraisal && result.appraisal.paybackYears) }}</b>.
    </p>
  </section>
</template>
