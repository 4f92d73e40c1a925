<script setup lang="ts">
import FindingList from '~/components/findings/FindingList.vue'
import FinishVisit from '~/components/findings/FinishVisit.vue'
import { useAssumed } from '~/stores/assumed'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { lazy } from '~/utils/lazy'
import { type StationName, STATIONS } from '~/utils/stations'
const LazyStationForm = lazy(() => import('~/components/stations/StationForm.vue'))

/** The survey: one station of the water at a time. */
defineProps<{ station: StationName | null; chosen: string }>()
const route = useRoute()
const table = useStudy()
const judgement = useJudgement()
const assumed = useAssumed()
assumed.look()
const stepAt = (at: StationName) => assumed.steps.find((s) => s.station === at)
/** A household that is new: most of it is assumed, and nothing has been read. */
const isNew = computed(
  () => table.study?.readings.length === 0 && assumed.steps.reduce((sum, s) => sum + s.assumed, 0) > 40,
)
const there = computed(() =>
  (Object.entries(STATIONS) as [StationName, string][]).filter(([key]) => key !== 'store' || table.study?.plant.store),
)
</script>

<template>
  <LazyStationForm v-if="station" :station="station" :chosen="chosen" @close="navigateTo(route.path)" />
  <div v-else>
    <section v-if="isNew" aria-label="What to do first" class="mb-6 border-l-4 border-copper pl-3">
      <h2 class="text-xl">What to do first</h2>
      <p class="max-w-prose">
        Most values are still assumed. The sections are in the order of how much of the annual cost depends on them.
      </p>
      <ol class="mt-2 flex flex-wrap gap-2">
        <li v-for="s in assumed.steps" :key="s.station" data-step>
          <NuxtLink class="tool" :to="{ query: { at: s.station } }"
            >{{ STATIONS[s.station]
            }}<span class="caption"
              ><template v-if="s.money !== null">±{{ table.units.wholeMoney(s.money) }}/yr, </template
              >{{ s.assumed }} assumed</span
            ></NuxtLink
          >
        </li>
      </ol>
    </section>
    <h2 class="text-xl">Survey sections</h2>
    <p class="mt-1 max-w-prose text-ink-soft">
      Open a section here or in the system diagram to see and change its values. An
      <i class="border-b border-dashed border-line-strong">assumed</i> value is worth a reading.
    </p>
    <ol class="mt-3 grid gap-x-6 sm:grid-cols-2">
      <li v-for="([key, name], i) in there" :key="key" class="flex items-center border-b border-line">
        <NuxtLink
          :to="{ query: { at: key } }"
          class="flex min-h-12 flex-1 items-center gap-3 px-1 hover:bg-plaster-deep"
        >
          <span class="w-6 text-right text-ink-soft">{{ i + 1 }}</span><span class="font-semibold text-copper">{{
            name
          }}</span>
        </NuxtLink>
        <span v-if="stepAt(key)" class="caption px-1 text-right italic"
          >{{ stepAt(key)!.assumed }} assumed<template v-if="stepAt(key)!.money !== null"
            >, ±{{ table.units.wholeMoney(stepAt(key)!.money!) }}/yr</template
          ></span
        >
      </li>
    </ol>
    <section aria-label="Findings" class="mt-8 min-h-[30rem]">
      <h2 class="border-b border-ink pb-1 text-xl">Findings</h2>
      <p v-if="!judgement.points.length" class="py-3 text-ink-soft" role="status">
        {{ judgement.pointsStand ? 'No findings.' : 'Simulating the year…' }}
      </p>
      <FindingList v-else :findings="judgement.points" />
    </section>
    <FinishVisit />
  </div>
</template>
