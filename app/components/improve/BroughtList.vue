<script setup lang="ts">
import LevelMark from '~/components/findings/LevelMark.vue'
import { useStudy } from '~/stores/study'
import { LEVEL_LOOK } from '~/utils/level-look'
import type { Brought } from '~~/core/views/brought'

/** What a change makes worse, check by check, with each figure before and after. */
defineProps<{ brought: readonly Brought[] }>()
const table = useStudy()
</script>

<template>
  <ul aria-label="Made worse">
    <li v-for="b in brought" :key="b.id" class="flex gap-2 border-b border-line py-2" :data-brought="b.id">
      <LevelMark :level="b.level" :size="20" named />
      <div class="min-w-0">
        <p>
          <span class="caption mr-2"
            >{{ b.was === null || b.was === b.level ? '' : `${LEVEL_LOOK[b.was].says} → `
            }}{{ LEVEL_LOOK[b.level].says }}</span
          ><b>{{ b.title }}</b>
        </p>
        <p v-if="b.worsened.length" class="text-sm font-semibold text-alarm">
          <span v-for="w in b.worsened" :key="w.name" class="mr-3">
            {{ table.units.value({ decimals: w.was.quantity ? undefined : 0, ...w.was }, w.was.value) }} →
            {{ table.units.value({ decimals: w.is.quantity ? undefined : 0, ...w.is }, w.is.value) }}
          </span>
        </p>
        <p class="text-sm">{{ b.sentence }}</p>
      </div>
    </li>
  </ul>
</template>
