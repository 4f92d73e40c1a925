<script setup lang="ts">
import { Play, Square } from '@lucide/vue'
import NumberField from '~/components/fields/NumberField.vue'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import MeterChoice from '~/components/verify/MeterChoice.vue'
import { useRanges } from '~/stores/ranges'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { refitStudy } from '~~/core/scenarios/refit'
import { Meter } from '~~/core/study/meters'
import { refitTo } from '~~/core/verification/refit'
import { lastSetOn } from '~~/core/verification/saving'
import { countedFigure, refitSentences, refitStudySentences } from '~~/core/views/refit-words'
import { figuresOfYear } from '~~/core/year/figures'

/** The study held against its meter: what hot water really takes, what the year to come will, and which figures that moves. */
const table = useStudy()
const years = useYears()
const ranges = useRanges()
const study = computed(() => table.study!)
const meters = computed(() => study.value.verification.meters.filter((m) => m.of !== 'water'))
const chosen = ref('')
const meter = computed(() => meters.value.find((m) => m.id === chosen.value) ?? meters.value[0] ?? null)
const set = computed(() => (study.value.controls.set ? years.now : null))
const answer = computed(() =>
  meter.value && years.found
    ? refitTo(study.value, meter.value, years.found, set.value, set.value && lastSetOn(study.value))
    : null,
)
const refit = computed(() => (answer.value && 'refit' in answer.value ? answer.value.refit : null))
const here = computed(() => ranges.of(null))
const narrowed = computed(() => {
  const at = here.value
  const now = years.now ?? years.found
  if (!at?.holds || !refit.value || !meter.value || !now) return null
  const figure = countedFigure(meter.value)
  const { factor, factorSd } = refit.value
  const { sampling, come } = at.last
  return refitStudy(study.value, sampling, come, figure, figuresOfYear(now)[figure], {
    middle: factor.middle,
    sd: factorSd,
  })
})
const taken = ref(false)
function take() {
  taken.value = table.replace(() => narrowed.value!.study)
}
</script>

<template>
  <div class="space-y-5">
    <p v-if="!meter">
      No meter of energy yet.
      <NuxtLink :to="{ query: { view: 'meters' } }" class="tool tool-main mt-2 w-fit">Enter readings</NuxtLink>
    </p>
    <template v-else>
      <div class="grid max-w-3xl grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <MeterChoice :meters="meters" :meter="meter" @choose="(id) => (chosen = id)" />
        <NumberField
          label="Other use on this meter, a year"
          quantity="energy"
          :decimals="0"
          optional
          help="Cooking, appliances: neither hot water nor rooms. 0 where there is none."
          :schema="Meter.shape.others.unwrap()"
          :value="meter.others"
          @change="
            (v) =>
              table.change(
                `other use ${meter!.id}`,
                (d) => void (d.verification.meters.find((m) => m.id === meter!.id)!.others = v),
              )
          "
        />
      </div>
      <p v-if="!answer" class="text-ink-soft" role="status">The year is being simulated.</p>
      <p v-else-if="'missing' in answer" class="border-l-4 border-copper pl-2" data-missing>{{ answer.missing }}</p>
      <section v-if="refit" aria-label="The study against the meter">
        <h2 class="text-xl">The study against the meter</h2>
        <ul class="mt-1 space-y-1" data-refit>
          <li v-for="text in refitSentences(refit, table.units)" :key="text">{{ text }}</li>
        </ul>
        <p class="caption mt-1">
          {{ refit.periods }} periods. Use a day = factor × hot water as calculated for the day + slope × degrees below
          the balance temperature + other use.
        </p>
      </section>
      <section v-if="refit" aria-label="Study narrowed to the meter">
        <div class="flex flex-wrap items-center justify-between gap-2 border-b border-ink pb-1">
          <h2 class="text-xl">Study narrowed to the meter</h2>
          <button v-if="ranges.running" class="tool" @click="ranges.stop()"><Square :size="17" />Stop</button>
          <button v-else class="tool" @click="((taken = false), ranges.run(null))">
            <Play :size="17" />{{ narrowed ? 'Work out again' : 'Work out what moved' }}
          </button>
        </div>
        <WorkProgress
          v-if="ranges.running"
          class="mt-2"
          counts="Samples simulated"
          :done="ranges.done"
          :of="ranges.wanted"
        >
          {{ ranges.done }} of {{ ranges.wanted }} samples
        </WorkProgress>
        <p v-if="ranges.failed" class="mt-2 text-alarm" role="alert">{{ ranges.failed }}</p>
        <p v-if="taken" role="status" class="mt-2">The study has these figures now; undo brings back those before.</p>
        <template v-if="narrowed">
          <ul class="mt-2 space-y-1" data-narrowed>
            <li v-for="text in refitStudySentences(narrowed, table.units)" :key="text">{{ text }}</li>
          </ul>
          <button v-if="narrowed.moved.length && !narrowed.outside && !ranges.running" class="tool mt-2" @click="take">
            Take these figures into the study
          </button>
        </template>
      </section>
    </template>
  </div>
</template>
