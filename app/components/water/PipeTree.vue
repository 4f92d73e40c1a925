<script setup lang="ts">
import { useBoxWidth } from '~/composables/useBoxWidth'
import { useStudy } from '~/stores/study'
import { waterColour } from '~/utils/temperature-ramp'
import { layOut } from '~/utils/tree-layout'
import { deadLegVolumes } from '~~/core/household/dead-leg-limit'
import { LOOP_PLACE_NAMES } from '~~/core/household/loop-places'
import type { LOOP_PLACES, Tap } from '~~/core/study/pipes'
import type { Study } from '~~/core/study/study'
import { LOOP_RETURN } from '~~/core/year/pipes/network'
import type { Frame } from '~~/core/year/trace'

/** The hot pipes, each run as long as it is and as thick as its bore, filled with the plugs of water that stand in it. */
const props = defineProps<{ study: Study; frame: Frame | null; chosen?: string }>()
const emit = defineEmits<{ choose: [station: 'runs' | 'taps' | 'loop', id: string] }>()

const box = ref<HTMLElement | null>(null)
const boxWidth = useBoxWidth(box)
/** On a phone the names stand above their runs instead of in a column of their own. */
const narrow = computed(() => boxWidth.value > 0 && boxWidth.value < 600)
const runsWidth = computed(() => (narrow.value ? boxWidth.value - 20 : 560))
/** A large household is drawn closer, so that the work below stays in sight. */
const ROW = computed(() => (narrow.value ? 40 : tree.value.rows > 10 ? 20 : 25))
const TOP = computed(() => (narrow.value ? 32 : 14))
const LABEL = computed(() => (narrow.value ? 0 : 176))
const tree = computed(() => layOut(props.study.pipes.runs, props.study.pipes.taps, runsWidth.value))
const y = (row: number) => TOP.value + row * ROW.value
const nameAt = (x: number, row: number) => {
  if (!narrow.value) return { x: runsWidth.value + 10, y: y(row) + 4.5, 'text-anchor': 'start' }
  return x > runsWidth.value / 2
    ? { x: x + 5, y: y(row) - 13, 'text-anchor': 'end' }
    : { x: x + 10, y: y(row) + 5, 'text-anchor': 'start' }
}
const height = computed(() => y(tree.value.rows - 1) + (props.study.pipes.loop ? 46 : 16))
const units = computed(() => useStudy().units)
/** Where on each run the litres that somebody is ready to run off are full. */
const marks = computed(() =>
  props.study.pipes.deadLegLimitL === null ? null : deadLegVolumes(props.study, props.study.pipes.deadLegLimitL),
)
const markAt = (id: string) => {
  const at = marks.value?.get(id)?.at
  return typeof at === 'number' ? at : null
}
const pastMark = (id: string) => marks.value?.get(id)?.at === 'past' || markAt(id) !== null

/** What stands in a run; before the day is simulated nobody knows. */
const plugs = (id: string): [number, number | null][] => props.frame?.runs[id] ?? [[1, null]]
/** Stretches of one colour along a run, as [from, to, °C], 0 at its inlet. */
function stretches(id: string): [number, number, number | null][] {
  let at = 0
  return plugs(id).map(([share, c]) => {
    const from = at
    at = Math.min(1, at + share)
    return [from, at, c]
  })
}
const turn = computed(() => {
  const loop = props.study.pipes.loop
  const run = loop && tree.value.runs.find((d) => d.run.id === loop.returnConnectionRunId)
  return run ? { x: run.x + run.width, y: y(run.row) } : null
})
/** What would come out of a tap now: from the end of its run, or from a small store of its own. */
const tapC = (tap: Tap) => props.frame?.locals[tap.id] ?? plugs(tap.runId).at(-1)![1]
const tapText = (tap: Tap) => {
  const c = tapC(tap)
  return c === null ? '…' : units.value.temperature(c)
}
/** Where along the return something of the loop sits, from the plant; null where there is none. What nobody looked at is drawn at the plant. */
function alongReturn(at: (typeof LOOP_PLACES)[number], apart: number): number | null {
  if (at === 'not there' || !turn.value) return null
  if (at === 'at the far tap') return Math.max(46, turn.value.x - 22) - apart
  return at === 'on the return' ? Math.max(46, turn.value.x / 2) + apart : 46 + apart
}
const pumpX = computed(() => (props.study.pipes.loop ? alongReturn(props.study.pipes.loop.pumpAt, 0) : null))
/** A sensor that nobody looked for is not drawn. */
const sensorX = computed(() => {
  const loop = props.study.pipes.loop
  return loop && loop.sensorAt !== 'not checked' ? alongReturn(loop.sensorAt, 26) : null
})
const placeText = (at: (typeof LOOP_PLACES)[number]) =>
  at === 'not checked' ? 'location not checked' : LOOP_PLACE_NAMES[at]
const loopText = computed(() => {
  const { frame } = props
  return frame
    ? `secondary return ${frame.loopReturnC === null ? '' : units.value.temperature(frame.loopReturnC)}, pump ${frame.pumping ? 'on' : 'off'}`
    : 'secondary return'
})
const isOpen = (tapId: string) => props.frame?.open.includes(tapId) ?? false
</script>

<template>
  <div ref="box">
    <svg
      :viewBox="`-8 0 ${runsWidth + LABEL + 16} ${height}`"
      class="block w-full"
      role="group"
      aria-label="Hot pipes to the outlets, lengths to scale, widths by pipe volume"
    >
      <!-- joints between rows -->
      <path
        v-for="d in tree.runs.filter((r) => r.fromRow !== r.row)"
        :key="`j-${d.run.id}`"
        :d="`M${d.x} ${y(d.fromRow)}V${y(d.row)}`"
        fill="none"
        stroke="var(--color-line-strong)"
        stroke-width="2"
      />
      <!-- the loop's return -->
      <g
        v-if="study.pipes.loop && turn"
        tabindex="0"
        role="button"
        :aria-label="loopText"
        @click="emit('choose', 'loop', '')"
        @keydown.enter="emit('choose', 'loop', '')"
      >
        <path
          :d="`M${turn.x} ${turn.y}V${height - 22}H0`"
          fill="none"
          stroke="var(--color-ink)"
          stroke-width="7"
          stroke-linejoin="round"
        />
        <path
          :d="`M${turn.x} ${turn.y}V${height - 22}H0`"
          fill="none"
          :stroke="waterColour(plugs(LOOP_RETURN)[0]![1])"
          stroke-width="4.5"
          stroke-linejoin="round"
        />
        <g v-if="pumpX !== null" :transform="`translate(${pumpX} ${height - 22})`">
          <title>Pump, {{ placeText(study.pipes.loop.pumpAt) }}</title>
          <circle
            r="10"
            fill="var(--color-plaster-pale)"
            stroke="var(--color-ink)"
            stroke-width="1.5"
            :stroke-dasharray="study.pipes.loop.pumpAt === 'not checked' ? '3 2' : undefined"
          />
          <path d="M4 -5l-8 5l8 5z" :fill="frame?.pumping ? 'var(--color-copper)' : 'none'" stroke="var(--color-ink)" />
        </g>
        <g v-if="sensorX !== null" :transform="`translate(${sensorX} ${height - 22})`">
          <title>Circulation sensor, {{ placeText(study.pipes.loop.sensorAt) }}</title>
          <path d="M-4 0V-12h8v12z" fill="var(--color-plaster-pale)" stroke="var(--color-ink)" stroke-width="1.5" />
        </g>
        <g v-if="study.pipes.loop.returns.by === 'cold line'" :transform="`translate(${turn.x} ${height - 36})`">
          <title>Bypass valve between hot and cold at the furthest outlet</title>
          <rect x="-5" y="-5" width="10" height="10" fill="var(--color-plaster-pale)" stroke="var(--color-ink)" />
        </g>
        <text x="62" :y="height - 5" font-size="12" fill="var(--color-ink-soft)">
          {{ loopText }}
        </text>
      </g>
      <!-- runs -->
      <g
        v-for="d in tree.runs"
        :key="d.run.id"
        tabindex="0"
        role="button"
        :aria-label="`${d.run.name}, ${units.figure('length', d.run.lengthM)}, ${units.figure('volume', d.litres)}`"
        @click="emit('choose', 'runs', d.run.id)"
        @keydown.enter="emit('choose', 'runs', d.run.id)"
      >
        <title>
          {{ d.run.name }}: {{ units.figure('length', d.run.lengthM) }} of {{ d.run.size }},
          {{ units.figure('volume', d.litres, 2) }}
        </title>
        <rect :x="d.x" :y="y(d.row) - ROW / 2 + 1" :width="d.width" :height="ROW - 2" fill="transparent" />
        <rect
          v-if="d.run.insulation"
          :x="d.x"
          :y="y(d.row) - d.thickness / 2 - 4"
          :width="d.width"
          :height="d.thickness + 8"
          fill="none"
          stroke="var(--color-line-strong)"
          stroke-dasharray="3 2.5"
        />
        <rect
          :x="d.x - 0.5"
          :y="y(d.row) - d.thickness / 2 - 1"
          :width="d.width + 1"
          :height="d.thickness + 2"
          :fill="chosen === d.run.id ? 'var(--color-copper)' : 'var(--color-ink)'"
        />
        <rect
          v-for="([from, to, c], i) in stretches(d.run.id)"
          :key="i"
          :x="d.x + from * d.width"
          :y="y(d.row) - d.thickness / 2"
          :width="Math.max(0, (to - from) * d.width)"
          :height="d.thickness"
          :fill="waterColour(c)"
        />
        <!-- the limit of what is run off: a stroke across, and a line under all that lies past it -->
        <path
          v-if="pastMark(d.run.id)"
          :d="`M${d.x + (markAt(d.run.id) ?? 0) * d.width} ${y(d.row) + d.thickness / 2 + 4.5}H${d.x + d.width}`"
          stroke="var(--color-alarm)"
          stroke-width="1.5"
          stroke-dasharray="1.5 2.5"
        />
        <path
          v-if="markAt(d.run.id) !== null"
          :d="`M${d.x + markAt(d.run.id)! * d.width} ${y(d.row) - d.thickness / 2 - 5}v${d.thickness + 10}`"
          stroke="var(--color-alarm)"
          stroke-width="2.5"
        >
          <title>{{ units.figure('volume', study.pipes.deadLegLimitL!, 2) }} from the circulated hot water</title>
        </path>
      </g>
      <!-- taps -->
      <g
        v-for="t in tree.taps"
        :key="t.tap.id"
        tabindex="0"
        role="button"
        :aria-label="`${t.tap.name} ${tapText(t.tap)}`"
        @click="emit('choose', 'taps', t.tap.id)"
        @keydown.enter="emit('choose', 'taps', t.tap.id)"
      >
        <path
          v-if="t.row !== t.runRow"
          :d="`M${t.x} ${y(t.runRow)}V${y(t.row)}`"
          fill="none"
          stroke="var(--color-ink)"
          stroke-width="2"
        />
        <path
          v-if="!narrow"
          :d="`M${t.x} ${y(t.row)}H${runsWidth + 4}`"
          stroke="var(--color-line)"
          stroke-dasharray="2 4"
        />
        <circle
          :cx="t.x"
          :cy="y(t.row)"
          r="4.5"
          :fill="isOpen(t.tap.id) ? 'var(--color-copper)' : 'var(--color-plaster-pale)'"
          stroke="var(--color-ink)"
          stroke-width="1.5"
        />
        <text
          v-bind="nameAt(t.x, t.row)"
          font-size="14"
          fill="var(--color-ink)"
          stroke="var(--color-plaster)"
          stroke-width="4"
          paint-order="stroke"
          :font-weight="isOpen(t.tap.id) ? 700 : 400"
        >
          {{ t.tap.name }}
          <tspan fill="var(--color-ink-soft)" font-size="12">{{ tapText(t.tap) }}</tspan>
        </text>
      </g>
    </svg>
  </div>
</template>
