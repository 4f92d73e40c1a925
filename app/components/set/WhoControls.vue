<script setup lang="ts">
import { ArrowRight, Printer } from '@lucide/vue'
import { useStudy } from '~/stores/study'
import { FOR_HOUSEHOLD, whoControlsWhat } from '~~/core/views/heating-side'

/** Who controls what, with the values of today: a picture for the household. */
const table = useStudy()
const rows = computed(() => whoControlsWhat(table.study!, table.units))
const print = () => window.print()
</script>

<template>
  <section aria-label="Who controls what">
    <div class="flex flex-wrap items-end justify-between gap-2">
      <h2 class="text-xl">Who controls what</h2>
      <button class="tool print:hidden" @click="print"><Printer :size="17" />Print</button>
    </div>
    <ul class="mt-2" data-who>
      <li
        v-for="r in rows"
        :key="`${r.by} ${r.controls}`"
        class="grid grid-cols-[minmax(0,1fr)_1.5rem_minmax(0,1.4fr)] items-center gap-2 py-1.5 sm:grid-cols-[minmax(0,1fr)_1.5rem_minmax(0,1.4fr)_14rem]"
      >
        <span class="rounded border-2 border-copper px-3 py-2 font-semibold">{{ r.by }}</span>
        <ArrowRight :size="20" class="text-copper" aria-label="controls" />
        <span class="rounded border border-line-strong px-3 py-2">{{ r.controls }}</span>
        <b class="col-start-3 pl-3 sm:col-start-4 sm:pl-0">{{ r.value }}</b>
      </li>
    </ul>
    <p class="mt-2 border-l-4 border-copper pl-3">For the household: {{ FOR_HOUSEHOLD }}</p>
  </section>
</template>
