<script setup lang="ts">
import FindingList from '~/components/findings/FindingList.vue'
import { useJudgement } from '~/stores/judgement'
import type { Finding } from '~~/core/views/findings'

/** How many findings there are at a place, folded: one line before they are known, and after. */
const props = defineProps<{ findings: readonly Finding[]; at?: string }>()
const judgement = useJudgement()
const dangers = computed(() => props.findings.filter((f) => f.severity === 'danger').length)
const count = computed(() => (props.findings.length === 1 ? '1 finding' : `${props.findings.length} findings`))
</script>

<template>
  <details v-if="findings.length">
    <summary class="min-h-11 cursor-pointer py-2 font-semibold" :class="dangers ? 'text-alarm' : 'text-copper'">
      {{ count }}{{ at }}{{ dangers ? `, ${dangers} of danger` : '' }}
    </summary>
    <FindingList :findings="findings" />
  </details>
  <p v-else class="min-h-11 py-2 text-ink-soft" role="status">
    {{ judgement.pointsStand ? `No findings${at ?? ' here'}.` : 'Findings: simulating the year…' }}
  </p>
</template>
