<script setup lang="ts">
import { CircleAlert, CircleCheck, CircleHelp } from '@lucide/vue'
import { dateOf } from '~~/core/calendar/names'
import type { How } from '~~/core/household/edits/heat-source'
import { beginHeatSource } from '~~/core/measures/begin'
import { sizes } from '~~/core/sizing/candidates'
import type { Sized } from '~~/core/sizing/size'
import { freshId } from '~~/core/study/fresh-id'

/** Every heat source the house has or could have, held against its own busiest moment. */
const emit = defineEmits<{ added: [] }>()
const table = useStudy()
const study = computed(() => table.study!)
const units = computed(() => table.units)
const sized = computed(() => sizes(study.value))
const busiest = computed(() =>
  sized.value.peaks.tapIds.map((id) => study.value.pipes.taps.find((t) => t.id === id)!.name).join(' and '),
)
const groups = computed((): { title: string; how: How | null; list: Sized[] }[] => [
  { title: 'What is there', how: null, list: sized.value.there },
  { title: 'In its place', how: 'instead', list: sized.value.instead },
  { title: 'Beside it', how: 'beside', list: sized.value.beside },
])
const LOOK = {
  fits: { icon: CircleCheck, tone: 'text-verdigris' },
  'not known': { icon: CircleHelp, tone: 'text-copper' },
  'does not fit': { icon: CircleAlert, tone: 'text-alarm' },
} as const
function add(kind: Sized['kind'], how: How) {
  table.change('add heat source', (d) => {
    if (d.packages.length === 0) d.packages.push({ id: 'package', name: 'New package', measures: [] })
    const [pack] = d.packages
    const measure = beginHeatSource(study.value, kind, how, freshId('measure', pack!.measures))
    if (measure) pack!.measures.push(measure)
  })
  emit('added')
}
</script>

<template>
  <section aria-label="Sizes">
    <p class="text-lg">
      At its busiest the house draws <b>{{ units.figure('flow', sized.peaks.hotLMin) }}</b> hot at once
      <template v-if="busiest"
        >({{ busiest }}, {{ dateOf(sized.peaks.day - 1) }}, {{ units.time(sized.peaks.minute) }})</template
      >: <b>{{ units.figure('power', sized.peaks.kw) }}</b> with the main at its coldest,
      {{ units.temperature(sized.peaks.coldC) }}. The busiest hour takes
      <b>{{ units.figure('volume', sized.peaks.worstHourL, 0) }}</b> hot, the busiest day
      {{ units.figure('volume', sized.peaks.worstDayL, 0) }}.
    </p>
    <p class="caption">
      From the household’s own draws through the year. Every tap at once would be
      {{ units.figure('power', sized.peaks.allTapsKw) }}: nobody asks for that.
    </p>
    <template v-for="g in groups" :key="g.title">
      <h2 v-if="g.list.length" class="mt-5 border-b border-ink pb-1 text-xl">{{ g.title }}</h2>
      <ul>
        <li
          v-for="s in g.list"
          :key="`${g.title} ${s.heater} ${s.kind}`"
          class="border-b border-line py-2"
          :data-sized="`${g.how ?? 'there'} ${s.kind}`"
          :data-verdict="s.verdict"
        >
          <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
            <component
              :is="LOOK[s.verdict].icon"
              :size="20"
              :class="LOOK[s.verdict].tone"
              class="shrink-0"
              aria-hidden="true"
            />
            <b>{{ s.heater }}</b>
            <span :class="LOOK[s.verdict].tone" class="font-semibold">{{ s.verdict }}</span>
            <button
              v-if="g.how"
              class="tool ml-auto"
              :aria-label="`Try it: ${s.heater} ${g.how}`"
              @click="add(s.kind, g.how)"
            >
              Try it
            </button>
          </div>
          <ul class="mt-1 pl-8 text-sm">
            <li v-for="c in s.checks" :key="c.id" :data-check="c.id">
              <b v-if="c.verdict !== 'fits'" :class="LOOK[c.verdict].tone"
                >{{ c.verdict === 'not known' ? 'Not known' : 'Does not fit' }}: </b
              >{{ c.sentence }}
            </li>
          </ul>
        </li>
      </ul>
    </template>
  </section>
</template>
