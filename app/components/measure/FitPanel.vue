<script setup lang="ts">
import { Check, Scale } from '@lucide/vue'
import FigureText from '~/components/fields/FigureText.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import type { Fit } from '~~/core/readings/fit'

/** All readings fitted together: what moves, by how much, and what no reading settles. */
const table = useStudy()
const years = useYears()
const result = shallowRef<Fit | null>(null)
const working = ref(false)
const nothing = ref(false)
const enough = computed(
  () => table.study!.readings.filter((r) => r.kind !== 'note' && r.kind !== 'sum' && r.kind !== 'event').length > 1,
)
// A fit belongs to the study it was made of.
watch(
  () => table.study,
  () => (result.value = null),
)

async function run() {
  working.value = true
  nothing.value = false
  result.value = await years.fit(table.study!)
  nothing.value = result.value === null
  working.value = false
}
function take() {
  const fitted = result.value
  if (fitted && table.replace(() => fitted.study)) useNotice().say({ text: 'Calibration applied.' })
}
const settled = computed(() => result.value?.corrections.filter((c) => c.settled) ?? [])
const open = computed(() => result.value?.corrections.filter((c) => !c.settled) ?? [])
</script>

<template>
  <section v-if="enough" aria-label="Calibration" class="mt-3">
    <button v-if="!result" class="tool" :disabled="working" @click="run">
      <Scale :size="17" />{{ working ? 'Fitting…' : 'Calibrate from all readings' }}
    </button>
    <p v-if="nothing" class="caption mt-1" role="status">No reading in the log can be compared with the study yet.</p>
    <div v-if="result" class="border-l-4 border-copper pl-3">
      <h2 class="text-base">Calibration result</h2>
      <div
        class="relative overflow-x-auto"
        tabindex="0"
        role="region"
        aria-label="Calibration, in a table that scrolls sideways"
      >
        <table class="mt-1 w-full max-w-3xl text-sm">
          <thead>
            <tr class="border-b border-ink text-left">
              <th class="py-1">Quantity</th>
              <th class="text-right">Current</th>
              <th class="text-right">Calibrated</th>
              <th class="pl-3 text-right">Remaining uncertainty</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in settled" :key="c.path" class="border-b border-line">
              <th class="py-1 pr-2 text-left font-normal">{{ c.label }}</th>
              <td class="text-right whitespace-nowrap"><FigureText :figure="c.figure" :value="c.from" /></td>
              <td class="pl-3 text-right font-semibold whitespace-nowrap">
                <FigureText :figure="c.figure" :value="c.to" />
              </td>
              <td class="pl-3 text-right">{{ Math.round(100 * c.left) }}%</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="open.length" class="caption mt-1">
        Not determined by these readings: {{ open.map((c) => c.label.toLowerCase()).join(', ') }}.
      </p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button class="tool tool-main" @click="take"><Check :size="17" />Apply calibration</button>
        <button class="tool tool-bare" @click="result = null">Cancel</button>
      </div>
    </div>
  </section>
</template>
