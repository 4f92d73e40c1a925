<script setup lang="ts">
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { adviceSentence } from '~~/core/views/advice'
import type { Finding } from '~~/core/views/findings'

/** What mends a finding, tried on this house: only what helps and hurts nobody is offered. */
const props = defineProps<{ finding: Finding }>()
const table = useStudy()
const judgement = useJudgement()
const own = computed(() => judgement.advice.filter((t) => props.finding.parts.some((c) => c.id === t.check)))
const offered = computed(() => own.value.filter((t) => t.offered))
const refused = computed(() => own.value.filter((t) => !t.offered))
</script>

<template>
  <div v-if="own.length" class="mt-1 text-sm" data-advice>
    <p v-if="offered.length" class="caption">Simulated on this house for a year:</p>
    <ul v-if="offered.length" class="list-disc pl-5">
      <li v-for="t in offered" :key="t.words" data-offered>{{ adviceSentence(t, table.units) }}</li>
    </ul>
    <details v-if="refused.length">
      <summary class="caption flex min-h-11 w-fit cursor-pointer items-center">
        Simulated, not recommended: {{ refused.length }}
      </summary>
      <ul class="list-disc pl-5 text-ink-soft">
        <li v-for="t in refused" :key="t.words">
          {{ t.helps ? adviceSentence(t, table.units) : `${t.words}: does not solve it.` }}
        </li>
      </ul>
    </details>
  </div>
</template>
