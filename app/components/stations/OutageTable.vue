<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { type InOutage, outages } from '~~/core/household/outage'

/** What each heater does when the power or its fuel is cut. */
const table = useStudy()
const rows = computed(() => outages(table.study!))
const TONE: Record<InOutage, string> = {
  works: 'text-verdigris',
  'does not': 'text-ink',
  'becomes dangerous': 'text-alarm',
}
</script>

<template>
  <section aria-label="On failure of power or fuel">
    <h3 class="mb-1 text-lg">On failure of power or fuel</h3>
    <ul>
      <li v-for="r in rows" :key="r.id" class="border-b border-line py-1.5" :data-outage="r.power">
        <b>{{ r.name }}</b>: without power, <b :class="TONE[r.power]">{{ r.power }}</b>: {{ r.powerWhy
        }}<template v-if="r.fuel"
          >; without fuel, <b :class="TONE[r.fuel]">{{ r.fuel }}</b></template
        >.
      </li>
    </ul>
    <p v-if="table.study!.pipes.loop" class="caption mt-1">The circulation pump stops without power.</p>
  </section>
</template>
