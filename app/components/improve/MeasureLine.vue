<script setup lang="ts">
import { ChevronRight, Trash2 } from '@lucide/vue'
import LevelMark from '~/components/findings/LevelMark.vue'
import ConnectionTable from '~/components/improve/ConnectionTable.vue'
import MeasureForm from '~/components/improve/MeasureForm.vue'
import MeasureParts from '~/components/improve/MeasureParts.vue'
import { useStudy } from '~/stores/study'
import { LEVEL_LOOK } from '~/utils/level-look'
import { worst } from '~~/core/checks/check'
import { stepsOf } from '~~/core/measures/steps'
import type { Measure } from '~~/core/study/measures'
import { netCost } from '~~/core/views/appraisal'
import type { MeasureDetails, MeasureSaving } from '~~/core/views/compare'
import { costText, paybackRangeText } from '~~/core/views/payback-words'

/** One measure: what it saves and costs on one line, and all of it when it is opened. */
const props = defineProps<{
  index: number
  at: number
  measure: Measure
  /** Not there for a moment after it was added. */
  details?: MeasureDetails
  saving?: MeasureSaving
}>()
const table = useStudy()
const units = computed(() => table.units)
const open = ref(false)
const level = computed(() => worst(props.details?.checks.map((c) => c.level) ?? []))
const cost = computed(() => props.details?.costMoney ?? null)
/** What the household pays for it itself. */
const paid = computed(() => netCost([props.measure], [cost.value]))
/** One figure for the saving of a single measure: its range is that of the package. */
const asSpread = (x: number) => ({ p10: x, p90: x })
const figures = computed((): [string, string][] => [
  ['Stand-alone saving', props.saving ? units.value.money(props.saving.alone.cost) : '…'],
  ['Last-in saving', props.saving ? units.value.money(props.saving.lastIn.cost) : '…'],
  ['Cost', costText(cost.value, units.value)],
  ['Simple payback', props.saving ? paybackRangeText(paid.value, asSpread(props.saving.lastIn.cost)) : '…'],
])
const steps = computed(() => stepsOf(props.measure))
const id = useId()
const remove = () => table.change('remove measure', (d) => void d.packages[props.index]!.measures.splice(props.at, 1))
</script>

<template>
  <li class="border-b border-line" :data-measure="measure.kind">
    <div class="grid items-center gap-x-3 md:grid-cols-[minmax(0,1fr)_6rem_6rem_7rem_7rem]">
      <button
        class="flex min-h-11 min-w-0 items-center gap-2 text-left font-semibold"
        :aria-expanded="open"
        :aria-controls="id"
        @click="open = !open"
      >
        <ChevronRight
          :size="20"
          class="shrink-0 transition-transform"
          :class="{ 'rotate-90': open }"
          aria-hidden="true"
        />
        <span class="min-w-0">{{ measure.name }}</span>
        <LevelMark v-if="details?.checks.length" :level="level" :size="18" />
      </button>
      <dl class="contents">
        <div
          v-for="[name, text] in figures"
          :key="name"
          class="flex justify-between gap-3 pl-9 md:block md:pl-0 md:text-right"
        >
          <dt class="caption md:sr-only">{{ name }}</dt>
          <dd class="text-sm" :data-figure="name">{{ text }}</dd>
        </div>
      </dl>
    </div>
    <div v-if="open" :id="id" class="space-y-4 pt-2 pb-4 md:pl-9">
      <MeasureForm :index="index" :at="at" :measure="measure" />
      <ConnectionTable v-if="measure.kind === 'drain-recovery'" :index="index" :at="at" :measure="measure" />
      <MeasureParts v-if="details" :index="index" :at="at" :measure="measure" :parts="details.parts" />
      <div v-if="details && details.checks.length">
        <h3 class="text-base">Check first</h3>
        <ul>
          <li v-for="c in details.checks" :key="c.id" class="flex gap-2 py-0.5 text-sm" :data-level="c.level">
            <LevelMark :level="c.level" />
            <span
              ><b v-if="c.level !== 'pass'">{{ LEVEL_LOOK[c.level].says }}: </b>{{ c.sentence }}</span
            >
          </li>
        </ul>
      </div>
      <details v-if="steps.length" data-steps>
        <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">How it is done</summary>
        <ol class="max-w-prose list-decimal space-y-1 pl-6 text-sm">
          <li v-for="s in steps" :key="s">{{ s }}</li>
        </ol>
        <p class="caption mt-1">
          Inspection pictures go to the log, as “Note or picture” under
          <NuxtLink :to="`/study/${table.study!.id}/measure`" class="text-copper underline">Readings</NuxtLink>.
        </p>
      </details>
      <p v-if="details" class="text-sm"><b>Carried out by:</b> {{ details.who }} Follow the local code.</p>
      <button class="tool tool-bare" :aria-label="`Remove ${measure.name}`" @click="remove">
        <Trash2 :size="18" />Remove
      </button>
    </div>
  </li>
</template>
