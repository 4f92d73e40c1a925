<script setup lang="ts">
import { X } from '@lucide/vue'
import type { LeaveAlone } from '~~/core/study/handover'

/** A picture on which the thing that is meant is marked: by a touch, or with the arrow keys. */
const props = defineProps<{ photo: string; what: string; n: number; at: LeaveAlone['at'] }>()
const emit = defineEmits<{ change: [at: LeaveAlone['at']] }>()
const MIDDLE = { x: 0.5, y: 0.5 }
/** Share of the picture that one press of an arrow moves the mark by. */
const STEP = 0.02
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}
const within = (x: number) => Math.min(1, Math.max(0, Math.round(1000 * x) / 1000))
function touch(event: MouseEvent) {
  // A press of Enter or the space bar has no place on the picture: it begins in the middle.
  if (event.detail === 0) return emit('change', props.at ?? MIDDLE)
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  emit('change', {
    x: within((event.clientX - box.left) / box.width),
    y: within((event.clientY - box.top) / box.height),
  })
}
function key(event: KeyboardEvent) {
  const by = ARROWS[event.key]
  if (!by) return
  event.preventDefault()
  const { x, y } = props.at ?? MIDDLE
  emit('change', { x: within(x + by[0]), y: within(y + by[1]) })
}
const where = computed(() =>
  props.at ? `marked ${Math.round(100 * props.at.x)}% across, ${Math.round(100 * props.at.y)}% down` : 'not marked',
)
</script>

<template>
  <div class="col-span-full flex flex-wrap items-start gap-3">
    <button
      class="relative block max-w-full"
      :aria-label="`Mark on the picture: ${what}, ${where}. Arrow keys move the mark.`"
      @click="touch"
      @keydown="key"
    >
      <img :src="photo" alt="" class="block max-h-64 max-w-full" />
      <span
        v-if="at"
        class="absolute flex size-8 -translate-1/2 items-center justify-center rounded-full border-2 border-alarm bg-white/85 font-bold text-alarm"
        :style="{ left: `${100 * at.x}%`, top: `${100 * at.y}%` }"
        data-mark
        >{{ n }}</span
      >
    </button>
    <div>
      <p class="caption max-w-56">{{ at ? 'Marked.' : 'Touch the picture where it is.' }} It prints so.</p>
      <button v-if="at" class="tool tool-bare px-2" @click="emit('change', null)">
        <X :size="16" />Remove the mark
      </button>
    </div>
  </div>
</template>
