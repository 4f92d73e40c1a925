<script setup lang="ts">
import { Pause, Play } from '@lucide/vue'
import { useIntervalFn, usePreferredReducedMotion } from '@vueuse/core'
import { useClock } from '~/stores/clock'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { MONTH_NAMES } from '~~/core/calendar/names'
import { DAY_NAMES, type Window } from '~~/core/calendar/week'
import { controlsOf } from '~~/core/study/in-force'
import { FRAME_MIN } from '~~/core/year/traced-day'

/** A day from midnight to midnight: when the heater fires, the pump runs and taps are open, and a hand to move through it. */
const table = useStudy()
const years = useYears()
const clock = useClock()
const timeOf = (minute: number) => table.units.time(minute)
const W = MINUTES_A_DAY
const HEAT_H = 22
const LANE = 9

const day = computed(() => clock.day)
const most = computed(() => Math.max(1, ...(day.value?.frames.map((f) => f.heatKw) ?? [])))
const heat = computed(() => {
  const frames = day.value?.frames ?? []
  return `M0 ${HEAT_H}${frames.map((f) => `L${f.minute} ${(HEAT_H - (f.heatKw / most.value) * (HEAT_H - 3)).toFixed(1)}h${FRAME_MIN}`).join('')}L${W} ${HEAT_H}Z`
})
const pump = computed(() => (day.value?.frames ?? []).filter((f) => f.pumping).map((f) => f.minute))
const open = computed(() =>
  (day.value?.frames ?? [])
    .filter((f) => f.open.length > 0)
    .map((f) => ({ at: f.minute - FRAME_MIN, n: f.open.length })),
)
const controls = computed(() => controlsOf(years.house!))
const timer = computed((): Window[] => {
  const first = years.house!.plant.heaters[0]!
  const week = controls.value.heaters[first.id]?.schedule
  return week ? week[day.value?.weekday ?? clock.weekday]! : []
})

const motion = usePreferredReducedMotion()
const { isActive, pause, resume } = useIntervalFn(() => (clock.minute = (clock.minute + 2 * FRAME_MIN) % W), 90, {
  immediate: false,
})
const open_ = computed(
  () => clock.frame?.open.map((id) => years.house!.pipes.taps.find((t) => t.id === id)?.name ?? id) ?? [],
)
</script>

<template>
  <section aria-label="Day" class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-2">
    <div class="flex items-center gap-1">
      <button
        v-if="motion !== 'reduce'"
        class="tool px-2"
        :aria-label="isActive ? 'Pause the clock' : 'Run the clock'"
        @click="isActive ? pause() : resume()"
      >
        <Pause v-if="isActive" :size="18" /><Play v-else :size="18" />
      </button>
      <select v-model.number="clock.month" class="entry w-auto!" aria-label="Month shown">
        <option v-for="(m, i) in MONTH_NAMES" :key="m" :value="i">{{ m }}</option>
      </select>
      <select v-model.number="clock.weekday" class="entry w-auto!" aria-label="Day shown">
        <option v-for="(d, i) in DAY_NAMES" :key="d" :value="i">{{ d }}</option>
      </select>
    </div>
    <div class="relative min-w-64 flex-1 basis-96">
      <svg :viewBox="`0 0 ${W} 62`" preserveAspectRatio="none" class="block h-16 w-full" aria-hidden="true">
        <rect :width="W" :height="HEAT_H" fill="var(--color-plaster-pale)" />
        <rect
          v-for="(w, i) in timer"
          :key="i"
          :x="w.fromMin"
          y="0"
          :width="w.toMin - w.fromMin"
          :height="HEAT_H"
          fill="var(--color-copper-pale)"
        />
        <path :d="heat" fill="var(--color-copper)" />
        <rect y="26" :width="W" :height="LANE" fill="var(--color-plaster-pale)" />
        <rect
          v-for="m in pump"
          :key="m"
          :x="m"
          y="26"
          :width="FRAME_MIN + 0.4"
          :height="LANE"
          fill="var(--color-ink-soft)"
        />
        <rect y="38" :width="W" :height="LANE" fill="var(--color-plaster-pale)" />
        <rect
          v-for="o in open"
          :key="o.at"
          :x="o.at"
          y="38"
          width="6"
          :height="LANE"
          :fill="o.n > 1 ? 'var(--color-ink)' : 'var(--color-verdigris)'"
        />
        <path
          v-for="h in 23"
          :key="h"
          :d="`M${h * 60} 0V${h % 6 ? 50 : 56}`"
          stroke="var(--color-line)"
          vector-effect="non-scaling-stroke"
        />
        <path
          :d="`M${clock.minute} 0V62`"
          stroke="var(--color-ink)"
          stroke-width="2"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <input
        v-model.number="clock.minute"
        type="range"
        min="0"
        :max="W - FRAME_MIN"
        :step="FRAME_MIN"
        class="absolute inset-0 h-full w-full cursor-ew-resize opacity-0 focus-visible:opacity-100"
        :aria-label="`Time of day, ${timeOf(clock.minute)}`"
        :aria-valuetext="timeOf(clock.minute)"
      />
      <div class="caption pointer-events-none flex justify-between" aria-hidden="true">
        <span v-for="h in [0, 6, 12, 18, 24]" :key="h">{{
          table.units.system === 'us' ? timeOf(h * 60).replace(':00', '') : String(h).padStart(2, '0')
        }}</span>
      </div>
    </div>
    <p class="w-44 text-sm leading-5" aria-live="off">
      <b class="text-lg font-semibold">{{ timeOf(clock.minute) }}</b><br />
      <span v-if="open_.length" class="text-ink">{{ open_.join(', ') }} open</span>
      <span v-else class="text-ink-soft">{{ clock.frame ? 'all outlets closed' : 'simulating the day…' }}</span>
    </p>
    <ul class="caption flex w-full flex-wrap gap-x-4 lg:w-auto lg:flex-col">
      <li>
        <i class="mr-1 inline-block size-2.5 bg-copper" />heater on<template v-if="timer.length"
          >, <i class="mx-1 inline-block size-2.5 border border-line-strong bg-copper-pale" />schedule</template
        >
      </li>
      <li v-if="years.house!.pipes.loop"><i class="mr-1 inline-block size-2.5 bg-ink-soft" />circulation pump on</li>
      <li><i class="mr-1 inline-block size-2.5 bg-verdigris" />outlet open</li>
    </ul>
  </section>
</template>
