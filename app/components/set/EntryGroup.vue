<script setup lang="ts">
import TimeField from '~/components/fields/TimeField.vue'
import { useStudy } from '~/stores/study'
import type { Window } from '~~/core/calendar/week'
import { daysText, periodText } from '~~/core/checks/entries'
import { type Entries, samePeriod } from '~~/core/household/fit-controller'
import { overlap, unplannedPeriod, withPeriod } from '~~/core/household/read-back'
import type { Grid } from '~~/core/study/controllers'

/** Periods of days that share a programme: what is keyed in, and what the display shows, typed beside it. */
const props = defineProps<{ entries: Entries; shown: readonly Window[] | null; grid: Grid; unusedReads: string }>()
const emit = defineEmits<{ shown: [periods: Window[]] }>()
const table = useStudy()
const days = computed(() => daysText(props.entries.days))
const rows = computed(() =>
  props.entries.periods.map((planned, i) => ({ planned, there: props.shown?.[i] ?? null, number: i + 1 })),
)
const differs = (r: (typeof rows.value)[number]) => props.shown !== null && !samePeriod(r.planned, r.there)
/** What was typed and cannot be: a display that shows it has to be read again. */
const trouble = ref('')
function put(at: number, window: Window | null) {
  const periods = withPeriod(props.shown ?? [], at, window)
  trouble.value = overlap(periods)
    ? `${days.value}, period ${at + 1}: ${periodText(window, table.units)} overlaps another period. Accepts periods apart; read the display again.`
    : ''
  if (!trouble.value) emit('shown', periods)
}
const begun = (planned: Window | null) => planned ?? unplannedPeriod(props.shown ?? [], props.grid)
</script>

<template>
  <div class="mt-3">
    <h3 class="text-base first-letter:uppercase">{{ days }}</h3>
    <p
      v-if="shown"
      class="caption hidden gap-x-3 border-b border-ink sm:grid sm:grid-cols-[6rem_10rem_7rem_7rem_auto] print:hidden"
      aria-hidden="true"
    >
      <span /><span>To key in</span><span>Display: on</span><span>Display: off</span>
    </p>
    <ol>
      <li
        v-for="(r, i) in rows"
        :key="r.number"
        class="grid grid-cols-2 items-end gap-x-3 border-b border-line py-1 sm:grid-cols-[6rem_10rem_7rem_7rem_auto]"
        :class="{ 'bg-alarm-pale': differs(r) }"
        :data-period="`${days} ${r.number}`"
      >
        <span class="self-center">Period {{ r.number }}</span>
        <b class="self-center" :class="{ 'text-ink-soft': !r.planned }">{{
          r.planned ? periodText(r.planned, table.units) : unusedReads
        }}</b>
        <template v-if="r.there">
          <TimeField
            class="print:hidden"
            :label="`Shows on, ${days}, period ${r.number}`"
            :value="r.there.fromMin"
            :max="r.there.toMin - 1"
            @change="(v) => put(i, { ...r.there!, fromMin: v })"
          />
          <TimeField
            class="print:hidden"
            :label="`Shows off, ${days}, period ${r.number}`"
            :value="r.there.toMin"
            :min="r.there.fromMin + 1"
            @change="(v) => put(i, { ...r.there!, toMin: v })"
          />
          <button
            class="tool tool-bare justify-self-start print:hidden"
            :aria-label="`Reads empty: ${days}, period ${r.number}`"
            @click="put(i, null)"
          >
            Reads empty
          </button>
        </template>
        <template v-else-if="shown">
          <span class="caption self-center sm:col-span-2">reads empty</span>
          <button
            class="tool tool-bare justify-self-start print:hidden"
            :aria-label="`Shows a period: ${days}, period ${r.number}`"
            @click="put(i, begun(r.planned))"
          >
            Shows a period
          </button>
        </template>
      </li>
    </ol>
    <p v-if="trouble" role="alert" class="mt-1 text-sm text-alarm first-letter:uppercase">{{ trouble }}</p>
  </div>
</template>
