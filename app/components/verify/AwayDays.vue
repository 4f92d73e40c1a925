<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import DateField from '~/components/fields/DateField.vue'
import { useStudy } from '~/stores/study'
import { MOST_AWAY } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'

/** Days on which the whole household was away: use of the meters is compared without them. */
const table = useStudy()
const away = computed(() => table.study!.verification.away)
const from = ref<string | null>(null)
const to = ref<string | null>(null)
const add = () => {
  const days = { from: from.value!, to: to.value! }
  const taken = table.change('days away', (d) => {
    d.verification.away = [...d.verification.away, days].sort((a, b) => a.from.localeCompare(b.from))
  })
  if (taken) from.value = to.value = null
}
const day = (iso: string) => writeDay(iso, table.units.system)
</script>

<template>
  <section aria-label="Days away">
    <h2 class="text-xl">Days away</h2>
    <p class="caption">Days on which the whole household was away, by date: they count by themselves.</p>
    <div v-if="away.length < MOST_AWAY" class="mt-1 grid max-w-2xl grid-cols-2 items-start gap-3 sm:grid-cols-3">
      <DateField label="Away from" :value="from" @change="(v) => (from = v)" />
      <DateField label="Away until" :value="to" @change="(v) => (to = v)" />
      <button class="tool mt-4 justify-self-start" :disabled="!from || !to || to < from" @click="add">
        <Plus :size="17" />Save days away
      </button>
    </div>
    <ul class="mt-1 max-w-2xl text-sm">
      <li v-for="(a, i) in away" :key="i" class="flex items-center gap-4 border-b border-line" data-away>
        {{ day(a.from) }} to {{ day(a.to) }}
        <button
          class="tool tool-bare ml-auto px-2"
          :aria-label="`Remove days away from ${day(a.from)}`"
          @click="table.change('days away gone', (d) => void d.verification.away.splice(i, 1))"
        >
          <Trash2 :size="16" />
        </button>
      </li>
    </ul>
  </section>
</template>
