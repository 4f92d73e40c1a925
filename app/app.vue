<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import NoticeBar from '~/components/NoticeBar.vue'
import { useCalculators } from '~/composables/useCalculators'
import { useScheme } from '~/composables/useScheme'
import { lazy } from '~/utils/lazy'
// The page is light or dark before anything on it is drawn.
useScheme()
const LazySumPocket = lazy(() => import('~/components/calculators/CalculatorDrawer.vue'))

/** The pocket of sums is fetched when it is first opened. */
const { open } = useCalculators()
const wanted = ref(false)
watch(open, (now) => now && (wanted.value = true), { immediate: true })
onKeyStroke('b', (e) => {
  if (!(e.ctrlKey || e.metaKey) || e.shiftKey || e.altKey) return
  e.preventDefault()
  open.value = !open.value
})
</script>

<template>
  <a href="#work" class="tool sr-only focus:not-sr-only focus:fixed focus:z-50 focus:m-2">Skip to main content</a>
  <NuxtPage />
  <LazySumPocket v-if="wanted" />
  <NoticeBar />
</template>
