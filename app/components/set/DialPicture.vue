<script setup lang="ts">
import type { TURNS } from '~~/core/study/controllers'

/** A dial as it stands there: its marks, which way is hotter, where it points and where it is to point. */
const props = defineProps<{
  marks: readonly string[]
  hotter: (typeof TURNS)[number]
  at: number | null
  to: number | null
  name: string
}>()
/** Three quarters of a circle, from lower left to lower right; turned the other way where hotter is anticlockwise. */
const angle = (division: number) => {
  const share = props.marks.length > 1 ? (division - 1) / (props.marks.length - 1) : 0
  const turn = -135 + 270 * Math.min(1.08, Math.max(-0.08, share))
  return props.hotter === 'anticlockwise' ? -turn : turn
}
const place = (division: number, radius: number) => {
  const a = ((angle(division) - 90) * Math.PI) / 180
  return { x: 80 + radius * Math.cos(a), y: 80 + radius * Math.sin(a) }
}
/** A stroke from one radius to another at a division. */
const ray = (division: number, from: number, to: number) => {
  const [a, b] = [place(division, from), place(division, to)]
  return { x1: a.x, y1: a.y, x2: b.x, y2: b.y }
}
const turn = computed(() =>
  props.hotter === 'not checked' ? 'direction not checked' : props.hotter === 'clockwise' ? 'hotter →' : '← hotter',
)
const words = computed(
  () =>
    `${props.name}: marks ${props.marks.join(', ')}${props.hotter === 'not checked' ? '' : `, hotter ${props.hotter}`}${props.at === null ? '' : `; stands at ${props.at.toFixed(1)}`}${props.to === null ? '' : `; turn to ${props.to.toFixed(1)}`}`,
)
</script>

<template>
  <svg viewBox="0 0 160 160" class="w-40 shrink-0" role="img" :aria-label="words">
    <circle cx="80" cy="80" r="44" class="fill-plaster-pale stroke-ink" stroke-width="2" />
    <g v-for="(m, i) in marks" :key="i">
      <line v-bind="ray(i + 1, 46, 53)" class="stroke-ink" stroke-width="2" />
      <text
        :x="place(i + 1, 64).x"
        :y="place(i + 1, 64).y + 4"
        text-anchor="middle"
        class="fill-ink text-[11px]"
        aria-hidden="true"
      >
        {{ m }}
      </text>
    </g>
    <line v-if="at !== null" v-bind="ray(at, 0, 40)" class="stroke-ink-soft" stroke-width="3" stroke-dasharray="4 3" />
    <line v-if="to !== null" v-bind="ray(to, 0, 42)" class="stroke-copper" stroke-width="4" stroke-linecap="round" />
    <circle cx="80" cy="80" r="5" class="fill-ink" />
    <text x="80" y="154" text-anchor="middle" class="fill-ink text-[11px]" aria-hidden="true">{{ turn }}</text>
  </svg>
</template>
