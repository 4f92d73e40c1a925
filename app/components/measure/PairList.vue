<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { titleOf } from '~~/core/readings/kinds'
import { pairsOf } from '~~/core/readings/pairs'

/** Readings of one thing before and after a change: what was changed, and what it did. */
const table = useStudy()
const pairs = computed(() => pairsOf(table.study!))
const day = (iso: string) => iso.slice(0, 10)
</script>

<template>
  <section v-if="pairs.length" aria-label="Before and after" class="mt-4">
    <h2 class="border-b border-ink pb-1 text-xl">Before and after</h2>
    <ul>
      <li v-for="p in pairs" :key="p.after.id" class="border-b border-line py-2" data-pair>
        <p class="flex flex-wrap items-baseline gap-x-3">
          <b class="font-display">{{ titleOf(p.after) }}</b>
          <span>{{ p.figure.label }}</span>
          <span class="tabular-nums"
            >{{ table.units.value(p.figure, p.was) }} on {{ day(p.before.takenAt) }} →
            <b>{{ table.units.value(p.figure, p.is) }}</b> on {{ day(p.after.takenAt) }}</span
          >
        </p>
        <p class="text-sm">
          {{
            Math.abs(p.is - p.was) <= p.uncertainty
              ? 'No difference beyond the uncertainty of the readings.'
              : `${table.units.difference(p.figure, Math.abs(p.is - p.was))} ${p.is < p.was ? 'less' : 'more'}${p.was ? ` (${Math.round(Math.abs(100 * (p.is / p.was - 1)))}%)` : ''}.`
          }}
          In between: {{ p.changes.map((c) => `${c.what} on ${c.on}`).join(', ') }}.
          <b v-if="p.changes.length > 1" class="text-alarm">More than one change: their effects cannot be separated.</b>
        </p>
      </li>
    </ul>
  </section>
</template>
