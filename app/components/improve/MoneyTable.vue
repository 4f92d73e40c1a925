<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { moneyRows } from '~~/core/year/account/money-rows'
import type { Cost } from '~~/core/year/result'

/** What two years cost, part by part, down to their totals. */
const props = defineProps<{ from: Cost; fromName: string; to: Cost; toName: string }>()
const units = computed(() => useStudy().units)
const rows = computed(() => {
  const [from, to] = [moneyRows(props.from), moneyRows(props.to)]
  const names = [...new Set([...from, ...to].map((r) => r.name))]
  const of = (list: typeof from, name: string) => list.find((r) => r.name === name)?.money ?? 0
  return names.map((name) => ({ name, from: of(from, name), to: of(to, name) }))
})
</script>

<template>
  <details data-money-table>
    <summary class="min-h-11 py-2 text-sm">Cost breakdown</summary>
    <table class="w-full max-w-md text-sm">
      <thead>
        <tr>
          <th class="text-left">Per year</th>
          <th class="text-right">{{ fromName }}</th>
          <th class="text-right">{{ toName }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.name" class="border-b border-line">
          <th class="py-1 text-left font-normal">{{ r.name }}</th>
          <td class="text-right">{{ units.money(r.from) }}</td>
          <td class="text-right">{{ units.money(r.to) }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th class="py-1 text-left">Total</th>
          <td class="text-right font-semibold">{{ units.money(from.total) }}</td>
          <td class="text-right font-semibold">{{ units.money(to.total) }}</td>
        </tr>
      </tfoot>
    </table>
  </details>
</template>
