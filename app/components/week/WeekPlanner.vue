<script setup lang="ts">
import { Plus, Scissors, Trash2 } from '@lucide/vue'
import interact from 'interactjs'
import TimeField from '~/components/fields/TimeField.vue'
import { useStudy } from '~/stores/study'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { DAY_NAMES, hoursOpen, type Schedule } from '~~/core/calendar/week'
import {
  addFreeWindow,
  addWindow,
  moveWindow,
  nudgeWindow,
  removeWindow,
  splitWindow,
} from '~~/core/household/edits/schedule'
import { daysTogether, misfits, snap } from '~~/core/household/grid'
import type { Grid } from '~~/core/study/controllers'

/**
 * Seven days of windows on the grid of the controller. Edges and whole windows are dragged; the chosen day's times are
 * typed below. Days that share a programme on the controller change together. What else happens on a day is shown on its rail
 * and under it.
 */
const props = defineProps<{
  label: string
  week: Schedule
  grid: Grid
  disabled?: boolean
  found?: Schedule | null
  /** Background and text of an on period, where it is not the usual one. */
  look?: string
}>()
const emit = defineEmits<{ change: [week: Schedule] }>()
const table = useStudy()
const clock = (minute: number) => table.units.time(minute)

const root = ref<HTMLElement | null>(null)
const day = ref(0)
/** A window being dragged, shown where it would land. */
const held = ref<{ day: number; index: number; from: number; to: number } | null>(null)
const helpId = useId()

const group = computed(() => daysTogether(props.grid, day.value))
const groupName = (days: number[]) =>
  days.length === 7 ? 'Every day' : days.length === 5 ? 'Monday to Friday' : days.map((d) => DAY_NAMES[d]).join(', ')
const shown = computed(() =>
  props.week.map((ofDay, d) =>
    ofDay.map((w, i) => {
      const h = held.value
      return h && h.index === i && daysTogether(props.grid, h.day).includes(d)
        ? { fromMin: snap(props.grid, h.from), toMin: snap(props.grid, h.to) }
        : w
    }),
  ),
)
const problems = computed(() => misfits(props.grid, props.week))
const full = computed(() => props.week[day.value]!.length >= props.grid.periodsPerDay)

/** What an edit came to, where the grid had room for it. */
function put(week: Schedule | null) {
  if (week && !props.disabled) emit('change', week)
}
const setWindow = (d: number, i: number, fromMin: number, toMin: number) =>
  put(moveWindow(props.grid, props.week, d, i, { fromMin, toMin }))
const remove = (d: number, i: number) => put(removeWindow(props.grid, props.week, d, i))
const addFree = () => put(addFreeWindow(props.grid, props.week, day.value))

function onRow(event: MouseEvent, d: number) {
  day.value = d
  const rail = event.currentTarget as HTMLElement
  if (event.target !== rail) return
  const box = rail.getBoundingClientRect()
  put(addWindow(props.grid, props.week, d, ((event.clientX - box.left) / box.width) * MINUTES_A_DAY - 30))
}

function onKey(event: KeyboardEvent, d: number, i: number) {
  if (props.disabled) return
  if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    remove(d, i)
    return
  }
  const steps = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0
  if (!steps) return
  event.preventDefault()
  const edge = event.shiftKey ? 'end' : event.altKey ? 'start' : 'both'
  put(nudgeWindow(props.grid, props.week, d, i, steps, edge))
}

const split = (d: number, i: number) => put(splitWindow(props.grid, props.week, d, i))

const place = (element: Element) => ({
  d: Number(element.getAttribute('data-day')),
  i: Number(element.getAttribute('data-index')),
})
const perPixel = (element: Element) => MINUTES_A_DAY / element.parentElement!.getBoundingClientRect().width

onMounted(() => {
  const take = (target: Element) => {
    const { d, i } = place(target)
    const w = props.week[d]![i]!
    day.value = d
    held.value = { day: d, index: i, from: w.fromMin, to: w.toMin }
  }
  const drop = () => {
    const h = held.value
    held.value = null
    if (h) setWindow(h.day, h.index, h.from, h.to)
  }
  const windows = interact('.week-window', { context: root.value! })
  windows
    .resizable({
      edges: { left: '.week-from', right: '.week-to' },
      listeners: {
        start: (e) => take(e.target),
        move: (e) => {
          const h = held.value
          if (!h) return
          const minutes = perPixel(e.target)
          h.from = Math.max(0, Math.min(h.from + e.deltaRect.left * minutes, h.to - props.grid.stepMin))
          h.to = Math.min(MINUTES_A_DAY, Math.max(h.to + e.deltaRect.right * minutes, h.from + props.grid.stepMin))
        },
        end: drop,
      },
    })
    .draggable({
      listeners: {
        start: (e) => take(e.target),
        move: (e) => {
          const h = held.value
          if (!h) return
          const by = Math.max(-h.from, Math.min(MINUTES_A_DAY - h.to, e.dx * perPixel(e.target)))
          h.from += by
          h.to += by
        },
        end: drop,
      },
    })
  onUnmounted(() => windows.unset())
})
</script>

<template>
  <div ref="root" role="group" :aria-label="label" :class="{ 'opacity-60': disabled }">
    <p :id="helpId" class="sr-only">
      Arrow keys move an on period, with Shift its end and with Alt its start. Delete removes it. Exact times are typed
      below.
    </p>
    <div class="caption ml-11 flex justify-between" aria-hidden="true">
      <span v-for="h in [0, 3, 6, 9, 12, 15, 18, 21, 24]" :key="h" class="w-0 whitespace-nowrap"
        ><span class="-ml-2">{{ String(h).padStart(2, '0') }}</span></span
      >
    </div>
    <div v-for="(ofDay, d) in shown" :key="d" class="flex items-start">
      <button
        class="min-h-11 w-11 sm:min-h-8 shrink-0 text-left text-sm leading-4"
        :class="group.includes(d) ? 'font-semibold text-copper' : 'text-ink-soft'"
        :aria-label="`${DAY_NAMES[d]!.slice(0, 3)}: choose ${DAY_NAMES[d]}`"
        :aria-pressed="group.includes(d)"
        @click="day = d"
      >
        {{ DAY_NAMES[d]!.slice(0, 3) }}<slot name="day" :day="d" />
      </button>
      <div class="min-w-0 flex-1">
        <div
          class="week-rail relative h-11 sm:h-8 border-b border-plaster-pale bg-plaster-deep"
          :data-rail="d"
          @click="onRow($event, d)"
        >
          <slot name="rail" :day="d" />
          <span
            v-for="(w, i) in found?.[d] ?? []"
            :key="`f${i}`"
            class="pointer-events-none absolute bottom-0 h-1 bg-line-strong"
            :style="{ left: `${w.fromMin / 14.4}%`, width: `${(w.toMin - w.fromMin) / 14.4}%` }"
          />
          <span
            v-for="h in 7"
            :key="h"
            class="pointer-events-none absolute inset-y-0 w-px bg-line"
            :style="{ left: `${h * 12.5}%` }"
          />
          <div
            v-for="(w, i) in ofDay"
            :key="i"
            class="week-window group absolute inset-y-0.5 touch-none rounded-sm select-none"
            :class="[disabled ? 'pointer-events-none' : 'cursor-grab', look ?? 'bg-copper text-white']"
            :style="{ left: `${w.fromMin / 14.4}%`, width: `${(w.toMin - w.fromMin) / 14.4}%` }"
            :data-day="d"
            :data-index="i"
            role="slider"
            tabindex="0"
            :aria-label="`${DAY_NAMES[d]}, on period ${i + 1}`"
            :aria-valuetext="`${clock(w.fromMin)} to ${clock(w.toMin)}`"
            :aria-valuenow="w.fromMin"
            aria-valuemin="0"
            :aria-valuemax="MINUTES_A_DAY"
            :aria-describedby="helpId"
            @focus="day = d"
            @keydown="onKey($event, d, i)"
          >
            <span class="week-from absolute inset-y-0 -left-1.5 w-4 cursor-ew-resize" />
            <span class="pointer-events-none block truncate px-2 text-center text-xs leading-10 sm:leading-7">
              {{ w.toMin - w.fromMin >= 180 || held ? `${clock(w.fromMin)}–${clock(w.toMin)}` : '' }}
            </span>
            <span class="week-to absolute inset-y-0 -right-1.5 w-4 cursor-ew-resize" />
          </div>
        </div>
        <slot name="under" :day="d" />
      </div>
    </div>
    <div class="mt-3 flex flex-wrap items-start gap-x-4 gap-y-2">
      <h4 class="w-full text-sm font-semibold sm:w-32 sm:pt-3">{{ groupName(group) }}</h4>
      <ul class="flex flex-1 flex-wrap gap-2">
        <li v-for="(w, i) in week[day]" :key="i" class="flex items-start gap-1">
          <TimeField
            :label="`On period ${i + 1} from`"
            :value="w.fromMin"
            :max="1439"
            :step="grid.stepMin"
            @change="(m) => setWindow(day, i, m, Math.max(w.toMin, m + grid.stepMin))"
          />
          <span class="pt-2.5">–</span>
          <TimeField
            :label="`On period ${i + 1} to`"
            :value="w.toMin"
            :min="1"
            :step="grid.stepMin"
            @change="(m) => setWindow(day, i, Math.min(w.fromMin, m - grid.stepMin), m)"
          />
          <button
            class="tool tool-bare px-2"
            :aria-label="`Split on period ${clock(w.fromMin)} to ${clock(w.toMin)}`"
            title="Split in two"
            :disabled="disabled || full || w.toMin - w.fromMin < 3 * grid.stepMin"
            @click="split(day, i)"
          >
            <Scissors :size="17" />
          </button>
          <button
            class="tool tool-bare px-2"
            :aria-label="`Remove on period ${clock(w.fromMin)} to ${clock(w.toMin)}`"
            :disabled="disabled"
            @click="remove(day, i)"
          >
            <Trash2 :size="17" />
          </button>
        </li>
        <li v-if="week[day]!.length === 0" class="caption pt-3">no on period</li>
        <li>
          <button class="tool" :disabled="disabled || full" @click="addFree"><Plus :size="17" />Add on period</button>
        </li>
      </ul>
      <p class="caption w-full">
        {{ hoursOpen(week).toFixed(1) }} h/week. Controller limits: {{ grid.periodsPerDay }} on periods a day, steps of
        {{ grid.stepMin }} min.
        <template v-if="found">Thin grey bar: as found.</template>
      </p>
      <p v-for="p in problems" :key="p" class="w-full text-sm text-alarm" role="alert">{{ p }}</p>
    </div>
  </div>
</template>
