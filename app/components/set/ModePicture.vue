<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { useBoxWidth } from '~/composables/useBoxWidth'
import { useStudy } from '~/stores/study'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { cheapAndQuick, type ModeRow } from '~~/core/scenarios/loop-modes'
import type { LoopMode } from '~~/core/study/loop-modes'

/** Each mode as a dot, cost against waiting, with the edge of those of which none is both cheaper and quicker. */
const props = defineProps<{ rows: readonly ModeRow[]; mode: LoopMode }>()
const emit = defineEmits<{ choose: [mode: LoopMode] }>()
const table = useStudy()
const units = computed(() => table.units)
const box = ref<HTMLElement | null>(null)
const width = useBoxWidth(box)
const W = computed(() => Math.max(300, Math.min(760, width.value || 600)))
const H = 268
const LEFT = 56
const RIGHT = 26
const TOP = 30
const BOTTOM = 34
/** Height that a label takes, px. */
const LINE = 17

const x = computed(() =>
  scaleLinear()
    .domain([Math.min(...props.rows.map((r) => r.costYear)), Math.max(...props.rows.map((r) => r.costYear))])
    .nice(4)
    .range([LEFT, W.value - RIGHT]),
)
const y = computed(() =>
  scaleLinear()
    .domain([0, Math.max(1, ...props.rows.map((r) => r.waitP90S))])
    .nice(4)
    .range([H - BOTTOM, TOP]),
)
/** Width of a letter and height of a line of a label, px. */
const LETTER = 8.2
type Box = { left: number; right: number; top: number; bottom: number }
const meet = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom
const around = (cx: number, cy: number, by = 8): Box => ({
  left: cx - by,
  right: cx + by,
  top: cy - by,
  bottom: cy + by,
})
/** Dots with their labels beside, above or below: where they cover no dot and no other label. */
const dots = computed(() => {
  const all = props.rows.map((row) => ({ row, cx: x.value(row.costYear), cy: y.value(row.waitP90S) }))
  const taken = all.map((d) => around(d.cx, d.cy))
  return all.map((d) => {
    const wide = LOOP_MODE_WORDS[d.row.mode].name.length * LETTER
    const at = (left: number, middle: number) => ({
      box: { left, right: left + wide, top: middle - LINE / 2, bottom: middle + LINE / 2 },
      x: left,
      y: middle + 5,
    })
    const places = [
      at(d.cx + 11, d.cy),
      at(d.cx - 11 - wide, d.cy),
      at(d.cx - wide / 2, d.cy - 17),
      at(d.cx - wide / 2, d.cy + 17),
      at(d.cx + 8, d.cy + 14),
      at(d.cx + 8, d.cy - 14),
    ]
    const free =
      places.find(
        ({ box }) =>
          box.left >= LEFT && box.right <= W.value && box.bottom <= H - BOTTOM && !taken.some((t) => meet(t, box)),
      ) ?? places[0]!
    taken.push(free.box)
    return { ...d, label: free }
  })
})
const edge = computed(() => cheapAndQuick(props.rows))
const path = computed(() =>
  edge.value.map((r, i) => `${i ? 'L' : 'M'}${x.value(r.costYear)} ${y.value(r.waitP90S)}`).join(''),
)
const said = computed(
  () =>
    `Cost against waiting: ${props.rows
      .map(
        (r) =>
          `${LOOP_MODE_WORDS[r.mode].name} ${units.value.wholeMoney(r.costYear)}, ${units.value.seconds(r.waitP90S)}`,
      )
      .join('; ')}. None is both cheaper and quicker than ${edge.value
      .map((r) => LOOP_MODE_WORDS[r.mode].name)
      .join(', ')}.`,
)
</script>

<template>
  <div ref="box">
    <svg :viewBox="`0 0 ${W} ${H}`" class="block w-full" role="img" :aria-label="said" data-mode-picture>
      <g class="fill-ink-soft text-[13px]">
        <template v-for="t in x.ticks(4)" :key="`x${t}`">
          <path :d="`M${x(t)} ${TOP}V${H - BOTTOM}`" stroke="var(--color-line)" />
          <text :x="x(t)" :y="H - BOTTOM + 15" text-anchor="middle">{{ units.wholeMoney(t) }}</text>
        </template>
        <template v-for="t in y.ticks(4)" :key="`y${t}`">
          <path :d="`M${LEFT} ${y(t)}H${W - RIGHT}`" stroke="var(--color-line)" />
          <text :x="LEFT - 6" :y="y(t) + 4" text-anchor="end">{{ units.seconds(t) }}</text>
        </template>
        <text :x="W - RIGHT" :y="H - 3" text-anchor="end">cost per year →</text>
        <text :x="4" :y="14">↑ time to tap (P90)</text>
      </g>
      <path :d="path" fill="none" stroke="var(--color-verdigris)" stroke-width="2" stroke-dasharray="5 4" />
      <g
        v-for="d in dots"
        :key="d.row.mode"
        class="cursor-pointer"
        :data-dot="d.row.mode"
        @click="emit('choose', d.row.mode)"
      >
        <circle
          :cx="d.cx"
          :cy="d.cy"
          :r="d.row.mode === mode ? 7 : 5"
          :fill="d.row.mode === mode ? 'var(--color-copper)' : 'var(--color-plaster-pale)'"
          :stroke="edge.includes(d.row) ? 'var(--color-verdigris)' : 'var(--color-ink)'"
          stroke-width="2"
        />
        <text
          :x="d.label.x"
          :y="d.label.y"
          class="text-[14px]"
          :class="d.row.mode === mode ? 'fill-ink font-semibold' : 'fill-ink'"
        >
          {{ LOOP_MODE_WORDS[d.row.mode].name }}
        </text>
      </g>
    </svg>
    <p class="caption">Dashed: of these modes none is both cheaper and quicker.</p>
  </div>
</template>
