<script setup lang="ts">
import EnergyBar from '~/components/totals/EnergyBar.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { assessed } from '~~/core/views/comfort'
import { purchasedKwh } from '~~/core/year/result'

/** The totals in one line at the foot of a small screen; it leads to all of them. */
const table = useStudy()
const years = useYears()
const units = computed(() => table.units)
const by = computed(() => (years.found && years.shown ? years.shown.cost.total - years.found.cost.total : 0))
</script>

<template>
  <a
    href="#totals"
    class="fixed inset-x-0 bottom-0 z-30 flex min-h-14 max-sm:bottom-11 items-center justify-between gap-2 border-t-2 border-ink bg-plaster-pale px-3 pt-2"
  >
    <EnergyBar v-if="years.shown" :year="years.shown" as="bar" class="absolute inset-x-0 top-0" />
    <span class="sr-only">All annual totals: </span>
    <span
      ><span class="caption block">a year, {{ years.shownAs }}</span
      ><b class="text-lg font-semibold">{{ years.shown ? units.money(years.shown.cost.total) : '…' }}</b></span
    >
    <b v-if="Math.abs(by) >= 0.5" class="text-lg font-semibold" :class="by < 0 ? 'text-verdigris' : 'text-alarm'">{{
      units.moneyChange(by)
    }}</b>
    <span class="text-right"
      ><span class="caption block">purchased</span
      >{{ years.shown ? units.energy(purchasedKwh(years.shown)) : '…' }}</span
    >
    <span class="text-right"
      ><span class="caption block">time to tap</span
      >{{
        years.shown
          ? assessed(years.shown.comfort.coldPipe.draws, units.seconds(years.shown.comfort.coldPipe.medianS))
          : '…'
      }}</span
    >
  </a>
</template>
