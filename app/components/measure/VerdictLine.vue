<script setup lang="ts">
import { Check, TriangleAlert } from '@lucide/vue'
import FigureText from '~/components/fields/FigureText.vue'
import { agrees, type Verdict } from '~~/core/readings/reading-kind'

/** Whether a reading agrees with the study, and what would explain it when not. */
const props = defineProps<{ verdict: Verdict }>()
const ok = computed(() => agrees(props.verdict))
</script>

<template>
  <div class="mt-2 flex gap-2 border-l-4 py-1 pl-2" :class="ok ? 'border-verdigris' : 'border-alarm'" data-verdict>
    <component
      :is="ok ? Check : TriangleAlert"
      :size="20"
      class="mt-0.5 shrink-0"
      :class="ok ? 'text-verdigris' : 'text-alarm'"
    />
    <p class="text-sm">
      <b>{{ verdict.figure.label }}</b>: measured <FigureText :figure="verdict.figure" :value="verdict.measured" />,
      calculated <FigureText :figure="verdict.figure" :value="verdict.modelled" />.
      <template v-if="ok"
        >They agree within <FigureText :figure="verdict.figure" :value="verdict.uncertainty" difference />.</template
      >
      <template v-else
        >Difference
        <FigureText :figure="verdict.figure" :value="Math.abs(verdict.measured - verdict.modelled)" difference />, more
        than the <FigureText :figure="verdict.figure" :value="verdict.uncertainty" difference /> uncertainty of the
        reading. Possible causes: {{ verdict.likely.join('; ') }}.</template
      >
    </p>
  </div>
</template>
