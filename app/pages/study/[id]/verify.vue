<script setup lang="ts">
import ViewTabs from '~/components/home/ViewTabs.vue'
import { lazy } from '~/utils/lazy'
const LazySavingByMeter = lazy(() => import('~/components/verify/SavingByMeter.vue'))
const LazyMeterList = lazy(() => import('~/components/verify/MeterList.vue'))
const LazyBillList = lazy(() => import('~/components/verify/BillList.vue'))
const LazyNextYear = lazy(() => import('~/components/verify/NextYear.vue'))
const LazyProtocolPlan = lazy(() => import('~/components/verify/ProtocolPlan.vue'))

/** What meters say of what was done, a season or a year later. */
const VIEWS = [
  { view: '', name: 'Saving by the meter' },
  { view: 'meters', name: 'Meters and weather' },
  { view: 'bills', name: 'Bills' },
  { view: 'next', name: 'Year to come' },
  { view: 'weeks', name: 'Weeks on and off' },
] as const
const route = useRoute()
const view = computed(() => VIEWS.find((v) => v.view === route.query.view)?.view ?? '')
</script>

<template>
  <div>
    <ViewTabs label="Views of Verify" :views="VIEWS" :at="view" />
    <LazyMeterList v-if="view === 'meters'" />
    <LazyBillList v-else-if="view === 'bills'" />
    <LazyNextYear v-else-if="view === 'next'" />
    <LazyProtocolPlan v-else-if="view === 'weeks'" />
    <LazySavingByMeter v-else />
  </div>
</template>
