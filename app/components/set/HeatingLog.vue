<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { writeDay } from '~~/core/units/dates'

/** Flow temperatures as they were tried, with the outdoor temperature and how the rooms felt; newest first. */
const table = useStudy()
const units = computed(() => table.units)
const rows = computed(() =>
  table
    .study!.readings.filter((r) => r.kind === 'flow-log')
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
    .map((r) => ({
      id: r.id,
      on: writeDay(r.takenAt.slice(0, 10), units.value.system),
      outdoor: units.value.temperature(Number(r.values.outdoorC)),
      flow: units.value.temperature(Number(r.values.supplyC)),
      feels: String(r.values.feels),
    })),
)
const id = computed(() => table.study!.id)
</script>

<template>
  <section aria-label="Flow temperature log">
    <h2 class="text-xl">Flow temperature log</h2>
    <p class="caption">
      Lowered step by step, with the outdoor temperature and how the rooms felt.
      <NuxtLink :to="`/study/${id}/measure`" class="font-semibold text-copper underline">Log under Readings</NuxtLink>
    </p>
    <table v-if="rows.length" class="mt-2 text-sm">
      <thead>
        <tr class="border-b border-ink text-left">
          <th class="py-1 pr-6">Day</th>
          <th class="pr-6 text-right">Outdoors</th>
          <th class="pr-6 text-right">Flow</th>
          <th>Rooms felt</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.id" class="border-b border-line">
          <td class="py-1 pr-6">{{ r.on }}</td>
          <td class="pr-6 text-right">{{ r.outdoor }}</td>
          <td class="pr-6 text-right">{{ r.flow }}</td>
          <td>{{ r.feels }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
