<script setup lang="ts">
import { useBoxWidth } from '~/composables/useBoxWidth'
import { useStudy } from '~/stores/study'
import { dateOf } from '~~/core/calendar/names'
import { DAY_NAMES } from '~~/core/calendar/week'
import { DAY_S, DAYS } from '~~/core/calendar/year'
import { weekOf } from '~~/core/year/draws/draw-week'
import { drawsOfYear } from '~~/core/year/draws/draws'

/** A week of the draws the year is made of: each a stroke as high as its litres, at the time it comes. */
const table = useStudy()
const study = computed(() => table.study!)
const all = computed(() => drawsOfYear(study.value.people, study.value.site))
const week = ref(2)
const days = computed(() => weekOf(study.value, all.value, week.value))
const LAST = Math.floor(DAYS / 7)
const box = ref<HTMLElement | null>(null)
const boxWidth = useBoxWidth(box)
/** Drawn at its own size, so that its text stays readable on a phone. */
const W = computed(() => Math.max(320, boxWidth.value || 720))
const ROW = 30
const LEFT = 96
const along = (share: number) => LEFT + share * (W.value - LEFT - 10)
const most = computed(() => Math.max(20, ...days.value.flatMap((d) => d.draws.map((w) => w.litres))))
const high = (litres: number) => Math.max(2, (litres / most.value) * (ROW - 6))
const name = (id: string) => study.value.pipes.taps.find((t) => t.id === id)?.name ?? id
const total = computed(() => days.value.reduce((s, d) => s + d.draws.reduce((t, w) => t + w.litres, 0), 0))
const clock = (s: number) => table.units.time(Math.floor((s % DAY_S) / 60))
</script>

<template>
  <details class="mt-4">
    <summary class="cursor-pointer py-2.5 font-semibold text-copper">Simulated draw-offs for a week</summary>
    <div class="flex flex-wrap items-end gap-2">
      <button class="tool" :disabled="week <= 0" @click="week--">Previous week</button>
      <button class="tool" :disabled="week >= LAST - 1" @click="week++">Next week</button>
      <p class="self-center text-sm">
        From {{ dateOf(days[0]!.day) }}: {{ days.reduce((s, d) => s + d.draws.length, 0) }} draw-offs,
        {{ table.units.figure('volume', total, 0) }} at the outlets. Another random seed gives another year.
      </p>
    </div>
    <div ref="box">
      <svg
        :viewBox="`0 0 ${W} ${days.length * ROW + 22}`"
        class="mt-2 block w-full"
        role="img"
        :aria-label="`Draw-offs of seven days from ${dateOf(days[0]!.day)}; all are in the table below`"
      >
        <g v-for="h in [0, 6, 12, 18, 24]" :key="h">
          <path :d="`M${along(h / 24)} 0V${days.length * ROW}`" stroke="var(--color-line)" />
          <text
            :x="along(h / 24)"
            :y="days.length * ROW + 16"
            font-size="12"
            :text-anchor="h === 24 ? 'end' : h === 0 ? 'start' : 'middle'"
            fill="var(--color-ink-soft)"
          >
            {{ String(h).padStart(2, '0') }}:00
          </text>
        </g>
        <g v-for="(d, i) in days" :key="d.day">
          <text x="0" :y="i * ROW + 22" font-size="13" fill="var(--color-ink)">
            {{ DAY_NAMES[d.weekday]!.slice(0, 3) }} {{ dateOf(d.day) }}
          </text>
          <path :d="`M${LEFT} ${(i + 1) * ROW - 3}H${W - 10}`" stroke="var(--color-line-strong)" />
          <rect
            v-for="(w, k) in d.draws"
            :key="k"
            :x="along((w.startS % DAY_S) / DAY_S) - 1.5"
            :y="(i + 1) * ROW - 3 - high(w.litres)"
            width="3"
            :height="high(w.litres)"
            fill="var(--color-copper)"
          >
            <title>
              {{ clock(w.startS) }} {{ name(w.tapId) }}, {{ table.units.figure('volume', w.litres, 1) }} at
              {{ table.units.temperature(w.requiredC) }}
            </title>
          </rect>
        </g>
      </svg>
    </div>
    <div
      class="mt-2 max-h-56 overflow-auto"
      tabindex="0"
      role="region"
      aria-label="Draw-offs of the week, in a table that scrolls"
    >
      <table class="w-full text-sm">
        <thead>
          <tr class="text-left">
            <th>Day</th>
            <th>Time</th>
            <th>Outlet</th>
            <th class="text-right">At the outlet</th>
            <th class="text-right">Required</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="d in days" :key="d.day">
            <tr v-for="(w, k) in d.draws" :key="k" class="border-t border-line">
              <td>{{ DAY_NAMES[d.weekday]!.slice(0, 3) }} {{ dateOf(d.day) }}</td>
              <td>{{ clock(w.startS) }}</td>
              <td>{{ name(w.tapId) }}</td>
              <td class="text-right">{{ table.units.figure('volume', w.litres, 1) }}</td>
              <td class="text-right">{{ table.units.temperature(w.requiredC) }}</td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
  </details>
</template>
