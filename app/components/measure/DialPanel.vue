<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { dialGuides, dialNext, requiredAt } from '~~/core/household/dial-guide'

/** Dials without degrees that were read: what is to be done next at each, and the way to the guide. */
const table = useStudy()
const guides = computed(() =>
  dialGuides(table.study!, (of) => requiredAt(table.controls!, of)).filter((g) => g.marks.length > 0),
)
</script>

<template>
  <section v-if="guides.length" aria-label="Dial without temperature scale" class="mt-4 border-l-4 border-copper pl-3">
    <h2 class="text-base">Dial without temperature scale</h2>
    <p v-for="g in guides" :key="g.of" class="mt-1">
      {{ g.name }}, {{ table.units.temperature(g.requiredC) }} required: {{ dialNext(g, table.units) }}
    </p>
    <NuxtLink :to="`/study/${table.study!.id}/set?view=dials`" class="font-semibold text-copper underline"
      >Go on under Settings, Dials</NuxtLink
    >
  </section>
</template>
