<script setup lang="ts">
import HeaterChoices from '~/components/fields/HeaterChoices.vue'
import LevelMark from '~/components/findings/LevelMark.vue'
import HouseSupplies from '~/components/stations/HouseSupplies.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { LEVEL_LOOK } from '~/utils/level-look'
import { dateOf } from '~~/core/calendar/names'
import { HEATERS } from '~~/core/heaters/kinds'
import type { Choice, How } from '~~/core/household/edits/heat-source'
import { addToPackage, beginHeatSource, idInPackage } from '~~/core/measures/begin'
import { type Sized, sizes } from '~~/core/views/sizes'
import { ranked, sourceJobs, sourceSentences, type SourceYear, sourceYear } from '~~/core/views/sources'

/** Every heat source the house has or could have, held against its own busiest moment. */
const emit = defineEmits<{ added: [] }>()
const table = useStudy()
const years = useYears()
const study = computed(() => table.study!)
const units = computed(() => table.units)
/** Fuel, phases and air of each source, as somebody has chosen them; where nobody has, by what the house has. */
const choices = ref<Record<string, Choice>>({})
const choiceOf = (kind: Sized['kind'], how: How): Choice => choices.value[`${how} ${kind}`] ?? {}
function choose(kind: Sized['kind'], how: How, choice: Choice) {
  choices.value = { ...choices.value, [`${how} ${kind}`]: { ...choiceOf(kind, how), ...choice } }
  stop()
  sourced.value = null
}
/** The year of what stands there, once it is known. */
const year = computed(() => (years.stands?.study === study.value ? years.stands.year : null))
const sized = computed(() => sizes(study.value, choiceOf, year.value))
const busiest = computed(() =>
  sized.value.peaks.tapIds.map((id) => study.value.pipes.taps.find((t) => t.id === id)!.name).join(' and '),
)
const yearOf = (s: Sized, how: How | null) => sourced.value?.get(`${how} ${s.kind}`) ?? null

/** A year of the house with each source; null until somebody asked for it. */
const sourced = shallowRef<ReadonlyMap<string, SourceYear> | null>(null)
const most = ref(0)
const done = ref(0)
const refused = ref(0)
let batch = 0
function stop() {
  batch++
  most.value = 0
}
watch(
  () => table.study,
  () => {
    stop()
    sourced.value = null
  },
)
onUnmounted(stop)
async function workOut() {
  const now = years.now
  if (!now) return
  const mine = ++batch
  const jobs = sourceJobs(study.value, choiceOf, sized.value)
  most.value = jobs.length
  done.value = refused.value = 0
  const known = new Map<string, SourceYear>()
  await Promise.all(
    jobs.map(async (job) => {
      const all = await years.many([job.study], () => mine !== batch)
      if (!all || mine !== batch) return
      done.value++
      if (all[0]) known.set(`${job.how} ${job.kind}`, sourceYear(study.value, now, job, all[0]))
      else refused.value++
      sourced.value = new Map(known)
    }),
  )
  if (mine === batch) most.value = 0
}
const saidOf = (s: Sized, how: How | null) => sourceSentences(yearOf(s, how)!, units.value)
/** What fits or may fit first, the cheapest a year of them before the others, once their years are known. */
function ordered(list: readonly Sized[], how: How): readonly Sized[] {
  if (!sourced.value || most.value) return list
  const known = list.flatMap((s) => (yearOf(s, how) ? [{ ...yearOf(s, how)!, sized: s }] : []))
  return [...ranked(known).map((k) => k.sized), ...list.filter((s) => !yearOf(s, how))]
}
const groups = computed((): { title: string; how: How | null; list: readonly Sized[] }[] => [
  { title: 'Existing', how: null, list: sized.value.there },
  { title: 'Replacement', how: 'instead', list: ordered(sized.value.instead, 'instead') },
  { title: 'Additional', how: 'beside', list: ordered(sized.value.beside, 'beside') },
  { title: 'At one outlet', how: 'beside', list: sized.value.atTap },
])
const COLUMNS =
  'grid grid-cols-[1.75rem_minmax(0,1fr)] gap-x-2 sm:grid-cols-[1.75rem_minmax(0,2fr)_minmax(0,1.4fr)_6rem_6rem]'
/** The source whose checks are open. */
const opened = ref<string | null>(null)
const keyOf = (how: How | null, s: Sized) => `${how ?? 'there'} ${s.heater} ${s.kind}`
const givesOf = (s: Sized) => {
  const write = units.value
  if (s.hasKw !== null && s.neededKw !== null)
    return `${write.figure('power', s.hasKw)} of ${write.figure('power', s.neededKw)}`
  if (s.hasL !== null && s.neededL !== null)
    return `${write.figure('volume', s.hasL, 0)} of ${write.figure('volume', s.neededL, 0)}`
  return ''
}
const unchecked = (s: Sized) => s.checks.filter((c) => c.level === 'not checked')
const uncheckedOf = (s: Sized) => (unchecked(s).length ? `${unchecked(s).length} not checked` : '')
/** Points that nobody has looked at, each once, whatever sources they are asked of. */
const open = computed(
  () => new Set(groups.value.flatMap((g) => g.list).flatMap((s) => unchecked(s).map((c) => c.title))).size,
)
function add(kind: Sized['kind'], how: How) {
  table.change('add heat source', (d) => {
    const measure = beginHeatSource(study.value, kind, how, idInPackage(d), choiceOf(kind, how))
    if (measure) addToPackage(d, measure)
  })
  emit('added')
}
</script>

<template>
  <section aria-label="Sizing">
    <p class="text-lg">
      Peak demand <b>{{ units.figure('flow', sized.peaks.hotLMin) }}</b> of hot water
      <template v-if="busiest"
        >({{ busiest }}, {{ dateOf(sized.peaks.day - 1) }}, {{ units.time(sized.peaks.minute) }})</template
      >: <b>{{ units.figure('power', sized.peaks.kw) }}</b> with the cold main at
      {{ units.temperature(sized.peaks.coldC) }}. Peak hour
      <b>{{ units.figure('volume', sized.peaks.worstHourL, 0) }}</b>, peak day
      {{ units.figure('volume', sized.peaks.worstDayL, 0) }} of hot water.
    </p>
    <p class="caption">
      From the household’s own draw-offs through the year. All outlets open at once would take
      {{ units.figure('power', sized.peaks.allTapsKw) }}, which does not occur.
    </p>
    <div class="mt-4 flex flex-wrap items-center gap-3">
      <button v-if="most === 0" class="tool tool-main" :disabled="!years.now || years.pending > 0" @click="workOut">
        Simulate each for a year
      </button>
      <template v-else>
        <progress class="w-40" :value="done" :max="most" aria-label="Years simulated" />
        <span role="status">{{ done }} of {{ most }} years</span>
        <button class="tool" @click="stop">Stop</button>
      </template>
      <p v-if="sourced && most === 0" role="status" class="caption">
        Sorted by running cost; failed sources last. Purchase and work are told apart, where the price book has them:
        add one as a measure and enter its price. {{ refused ? `${refused} could not be simulated.` : '' }}
      </p>
    </div>
    <details v-if="open" class="mt-4" data-answer>
      <summary class="min-h-11 cursor-pointer py-2.5 font-semibold text-copper">
        {{ open === 1 ? '1 point is' : `${open} points are` }} not checked: answer here
      </summary>
      <HouseSupplies />
    </details>
    <template v-for="g in groups" :key="g.title">
      <h2 v-if="g.list.length" class="mt-5 text-xl">{{ g.title }}</h2>
      <div v-if="g.list.length" class="caption border-b border-ink" :class="COLUMNS" aria-hidden="true">
        <span /><span>Source</span><span class="max-sm:hidden">Gives, of what is needed</span
        ><span class="text-right max-sm:hidden">{{ sourced ? 'Cost per year' : '' }}</span
        ><span class="text-right max-sm:hidden">Not checked</span>
      </div>
      <ul>
        <li
          v-for="s in g.list"
          :key="keyOf(g.how, s)"
          class="border-b border-line"
          :data-sized="`${g.how ?? 'there'} ${s.kind}`"
          :data-level="s.level"
        >
          <button
            class="min-h-11 w-full items-center py-1 text-left hover:bg-plaster-deep"
            :class="COLUMNS"
            :aria-expanded="opened === keyOf(g.how, s)"
            @click="opened = opened === keyOf(g.how, s) ? null : keyOf(g.how, s)"
          >
            <LevelMark :level="s.level" :size="20" named />
            <span
              ><b>{{ g.how ? HEATERS[s.kind].name : s.heater }}</b>
              <span :class="LEVEL_LOOK[s.level].tone" class="ml-2 font-semibold">{{ LEVEL_LOOK[s.level].says }}</span>
            </span>
            <span class="max-sm:col-start-2">{{ givesOf(s) }}</span>
            <span class="text-right max-sm:col-start-2 max-sm:text-left">{{
              yearOf(s, g.how) ? `${units.wholeMoney(yearOf(s, g.how)!.totalMoney)} a year` : ''
            }}</span>
            <span class="text-right text-ink-soft max-sm:col-start-2 max-sm:text-left">{{ uncheckedOf(s) }}</span>
          </button>
          <div v-show="opened === keyOf(g.how, s)" class="pb-3">
            <button
              v-if="g.how"
              class="tool ml-8"
              :aria-label="`Add as measure: ${HEATERS[s.kind].name} ${g.how}`"
              @click="add(s.kind, g.how)"
            >
              Add as measure
            </button>
            <div v-if="g.how && Object.keys(s.choices).length" class="mt-1 flex flex-wrap gap-3 pl-8 *:w-44">
              <HeaterChoices
                :choices="s.choices"
                :choice="s.choice"
                :of="HEATERS[s.kind].name"
                @change="(choice) => choose(s.kind, g.how!, choice)"
              />
            </div>
            <p v-if="yearOf(s, g.how)" class="mt-1 max-w-prose pl-8" :data-year="`${g.how} ${s.kind}`">
              <b>{{ saidOf(s, g.how)[0] }}</b> {{ saidOf(s, g.how).slice(1).join(' ') }}
            </p>
            <ul class="mt-1 pl-8 text-sm">
              <li v-for="c in s.checks" :key="c.id" :data-check="c.id">
                <b v-if="c.level !== 'pass'" :class="LEVEL_LOOK[c.level].tone">{{ LEVEL_LOOK[c.level].says }}: </b
                >{{ c.sentence }}
              </li>
            </ul>
          </div>
        </li>
      </ul>
    </template>
  </section>
</template>
