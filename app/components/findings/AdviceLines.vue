<script setup lang="ts">
import { ChevronRight } from '@lucide/vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { adviceInShort, adviceSentence } from '~~/core/views/advice'
import type { Finding } from '~~/core/views/findings'

/** What mends a finding, tried on this house: only what helps and hurts nobody is offered. */
const props = defineProps<{ finding: Finding }>()
const table = useStudy()
const judgement = useJudgement()
const own = computed(() => judgement.advice.filter((t) => props.finding.parts.some((c) => c.id === t.check)))
const offered = computed(() => own.value.filter((t) => t.offered))
const refused = computed(() => own.value.filter((t) => !t.offered))
const line = computed(() =>
  offered.value.length
    ? `Helps: ${offered.value.map((t) => adviceInShort(t, table.units)).join('; ')}`
    : `Simulated, not recommended: ${refused.value.length}`,
)
</script>

<template>
  <details v-if="own.length" class="min-w-0 text-sm" data-advice>
    <summary
      class="flex min-h-11 cursor-pointer items-center gap-1"
      :class="offered.length ? 'text-copper' : 'caption'"
    >
      <ChevronRight :size="16" class="shrink-0 [details[open]>summary>&]:rotate-90" aria-hidden="true" /><span
        class="truncate"
        >{{ line }}</span
      >
    </summary>
    <p class="caption">Simulated on this house for a year:</p>
    <ul class="list-disc pl-5">
      <li v-for="t in offered" :key="t.words" data-offered>{{ adviceSentence(t, table.units) }}</li>
      <li v-for="t in refused" :key="t.words" class="text-ink-soft" data-refused>
        {{ t.helps ? adviceSentence(t, table.units) : `${t.words}: does not solve it.` }} Not recommended.
      </li>
    </ul>
  </details>
  <p v-else class="caption flex min-h-11 items-center" role="status">
    {{ judgement.advicePending || !judgement.pointsStand ? 'Simulating remedies…' : 'No remedy simulated.' }}
  </p>
</template>
