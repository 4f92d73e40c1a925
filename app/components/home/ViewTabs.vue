<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'

/** Views of a stage: side by side where there is room, one list to choose from where a hand holds the screen. */
const props = defineProps<{ label: string; views: readonly { view: string; name: string }[]; at: string }>()
const wide = useMediaQuery('(min-width: 40rem)')
const to = (view: string) => ({ query: view ? { view } : {} })
const go = (event: Event) => navigateTo(to(props.views[(event.target as HTMLSelectElement).selectedIndex]!.view))
</script>

<template>
  <nav :aria-label="label" class="mb-2 sm:mb-4">
    <div v-if="wide" class="flex flex-wrap gap-1">
      <NuxtLink
        v-for="v in views"
        :key="v.view"
        :to="to(v.view)"
        class="tool px-3"
        :class="{ 'tool-main': at === v.view }"
        :aria-current="at === v.view ? 'page' : undefined"
        >{{ v.name }}</NuxtLink
      >
    </div>
    <select v-else class="entry font-semibold" :aria-label="label" :value="at" @change="go">
      <option v-for="v in views" :key="v.view" :value="v.view">{{ v.name }}</option>
    </select>
  </nav>
</template>
