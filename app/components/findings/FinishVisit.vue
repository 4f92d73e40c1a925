<script setup lang="ts">
import { CircleCheck } from '@lucide/vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { inTheWay as blocking } from '~~/core/views/findings'

/** The visit marked as finished, which no danger and nothing unseen that could be one allows. */
const table = useStudy()
const judgement = useJudgement()
const inTheWay = computed(() => blocking(judgement.points))
const on = computed(() => table.study!.finishedOn)
const finish = (day: string | null) => table.change('finished', (d) => void (d.finishedOn = day))
</script>

<template>
  <section aria-label="Complete the visit" class="mt-8 border-t border-ink pt-3">
    <h2 class="text-xl">Complete the visit</h2>
    <template v-if="inTheWay.length">
      <p class="mt-1 font-semibold text-alarm">
        {{ on ? `Completed on ${on}. Now blocked by:` : 'Cannot be completed:' }}
      </p>
      <ul class="mt-1 list-disc pl-5">
        <li v-for="f in inTheWay" :key="f.id">
          {{ f.title }}<span class="caption ml-1">{{ f.severity === 'danger' ? 'Danger' : 'Not checked' }}</span>
        </li>
      </ul>
    </template>
    <p v-else-if="!judgement.pointsStand" class="mt-1 text-ink-soft" role="status">
      {{
        judgement.pointsFailed
          ? `Blocking findings could not be determined (${judgement.pointsFailed}). Reload the page.`
          : 'Blocking findings appear when the annual simulation is complete.'
      }}
    </p>
    <p v-else-if="on" class="mt-1 flex items-center gap-2">
      <CircleCheck :size="18" class="text-verdigris" aria-hidden="true" />Completed on {{ on }}.
    </p>
    <p v-else class="mt-1">No safety check fails, and none is open.</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button
        v-if="!on"
        class="tool"
        :disabled="!judgement.pointsStand || inTheWay.length > 0"
        @click="finish(localDay())"
      >
        Mark as complete
      </button>
      <button v-else class="tool" @click="finish(null)">Reopen visit</button>
    </div>
  </section>
</template>
