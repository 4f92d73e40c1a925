<script setup lang="ts">
import { Search } from '@lucide/vue'
import { onKeyStroke } from '@vueuse/core'
import { lazy } from '~/utils/lazy'
const LazySearchDialog = lazy(() => import('~/components/home/SearchDialog.vue'))

/** The way to the search for a place by a word of the trade; the search itself is fetched when it is first wanted. */
const open = ref(false)
const wanted = ref(false)
function show() {
  wanted.value = true
  open.value = true
}
onKeyStroke('/', (e) => {
  if ((e.target as HTMLElement).matches('input, textarea, select, [contenteditable]') || e.ctrlKey || e.metaKey) return
  e.preventDefault()
  show()
})
</script>

<template>
  <button class="tool px-3" aria-label="Search" title="Search for a word of the trade, /" @click="show">
    <Search :size="18" />
  </button>
  <LazySearchDialog v-if="wanted" v-model="open" />
</template>
