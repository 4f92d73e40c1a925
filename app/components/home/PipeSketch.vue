<script setup lang="ts">
import { layOut } from '~/utils/tree-layout'
import type { Study } from '~~/core/study/study'

/** A household's hot pipes in a thumbnail, to know it by. */
const props = defineProps<{ study: Study }>()
const tree = computed(() => layOut(props.study.pipes.runs, props.study.pipes.taps, 130))
const y = (row: number) => 6 + row * 8
</script>

<template>
  <svg :viewBox="`-2 0 140 ${y(tree.rows - 1) + 8}`" class="h-auto w-36" aria-hidden="true">
    <path
      v-for="d in tree.runs.filter((r) => r.fromRow !== r.row)"
      :key="`j${d.run.id}`"
      :d="`M${d.x} ${y(d.fromRow)}V${y(d.row)}`"
      stroke="var(--color-line-strong)"
    />
    <rect
      v-for="d in tree.runs"
      :key="d.run.id"
      :x="d.x"
      :y="y(d.row) - d.thickness / 6"
      :width="d.width"
      :height="d.thickness / 3"
      fill="var(--color-copper)"
    />
    <circle v-for="t in tree.taps" :key="t.tap.id" :cx="t.x" :cy="y(t.row)" r="2.2" fill="var(--color-ink)" />
  </svg>
</template>
