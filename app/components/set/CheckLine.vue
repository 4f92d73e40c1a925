<script setup lang="ts">
import LevelMark from '~/components/findings/LevelMark.vue'
import { LEVEL_LOOK } from '~/utils/level-look'
import type { CheckLine } from '~~/core/views/setpoint-checks'

/** Checks of one cause as a line: the worst of them said, the others under it. */
defineProps<{ line: CheckLine }>()
</script>

<template>
  <li
    :data-check="line.worst.id"
    :data-level="line.level"
    class="grid grid-cols-[1.75rem_minmax(0,1fr)] gap-x-2 border-b border-line py-2 sm:grid-cols-[1.75rem_11rem_minmax(0,1fr)]"
  >
    <LevelMark :level="line.level" :size="22" named />
    <p class="font-semibold">
      {{ line.title }}<br /><span class="caption" :class="LEVEL_LOOK[line.level].tone">{{
        LEVEL_LOOK[line.level].says
      }}</span>
    </p>
    <div class="col-start-2 sm:col-start-3">
      <p :title="line.worst.source" data-sentence>{{ line.worst.sentence }}</p>
      <details v-if="line.others.length">
        <summary class="min-h-11 py-2.5 text-sm font-semibold text-copper">
          {{ line.others.length === 1 ? '1 more' : `${line.others.length} more` }}
        </summary>
        <p v-for="c in line.others" :key="c.id" class="py-1" :data-check="c.id" :data-level="c.level" :title="c.source">
          <b :class="LEVEL_LOOK[c.level].tone">{{ LEVEL_LOOK[c.level].says }}</b>:
          <span data-sentence>{{ c.sentence }}</span>
        </p>
      </details>
    </div>
  </li>
</template>
