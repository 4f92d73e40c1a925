<script setup lang="ts">
import ViewTabs from '~/components/home/ViewTabs.vue'
import { lazy } from '~/utils/lazy'
const LazyOpenItems = lazy(() => import('~/components/handover/OpenItems.vue'))
const LazyAcceptanceTests = lazy(() => import('~/components/handover/AcceptanceTests.vue'))
const LazySettingsSheet = lazy(() => import('~/components/handover/SettingsSheet.vue'))
const LazyHotWaterReport = lazy(() => import('~/components/handover/HotWaterReport.vue'))
const LazyPaperDetails = lazy(() => import('~/components/handover/PaperDetails.vue'))

/** What is handed over: what is still open, what was tried, and the papers. */
const VIEWS = [
  { view: '', name: 'Open items' },
  { view: 'tests', name: 'Acceptance tests' },
  { view: 'details', name: 'On paper' },
  { view: 'sheet', name: 'Settings sheet' },
  { view: 'report', name: 'Report' },
] as const
const route = useRoute()
const view = computed(() => VIEWS.find((v) => v.view === route.query.view)?.view ?? '')
</script>

<template>
  <div>
    <ViewTabs label="Views of Hand over" :views="VIEWS" :at="view" />
    <LazyAcceptanceTests v-if="view === 'tests'" />
    <LazyPaperDetails v-else-if="view === 'details'" />
    <LazySettingsSheet v-else-if="view === 'sheet'" />
    <LazyHotWaterReport v-else-if="view === 'report'" />
    <LazyOpenItems v-else />
  </div>
</template>
