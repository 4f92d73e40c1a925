<script setup lang="ts">
import { LEVEL_LOOK } from '~/utils/level-look'
import type { Level } from '~~/core/checks/check'

/** How a check stands, as a mark: by its shape and its colour, and by its name unless that is written beside it. */
defineProps<{ level: Level; size?: number; named?: boolean }>()
</script>

<template>
  <component
    :is="LEVEL_LOOK[level].icon"
    :size="size ?? 17"
    class="mt-0.5 shrink-0"
    :class="LEVEL_LOOK[level].tone"
    :aria-hidden="named || undefined"
    :aria-label="named ? undefined : LEVEL_LOOK[level].says"
    :role="named ? undefined : 'img'"
  />
</template>
