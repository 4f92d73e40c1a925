<script setup lang="ts">
import { Eye, TriangleAlert, Wrench } from '@lucide/vue'
import LevelMark from '~/components/findings/LevelMark.vue'
import { useJudgement } from '~/stores/judgement'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { lazy } from '~/utils/lazy'
import type { Check } from '~~/core/checks/check'
import type { Finding, Severity } from '~~/core/views/findings'
// Advice is tried after all else stands: so is what tells it fetched.
const LazyAdviceLines = lazy(() => import('~/components/findings/AdviceLines.vue'))

/** What an experienced engineer would point out, dangers first; each says why, and where it is mended. */
defineProps<{ findings: readonly Finding[] }>()
/** So many are shown before all are asked for: they stand worst first. */
const FEW = 5
const all = ref(false)
const sourced = ref<string | null>(null)
const route = useRoute()
const LOOK: Record<Severity, { icon: typeof Eye; name: string; tone: string }> = {
  danger: { icon: TriangleAlert, name: 'Danger', tone: 'text-alarm' },
  action: { icon: Wrench, name: 'Action', tone: 'text-copper' },
  check: { icon: Eye, name: 'Check', tone: 'text-ink-soft' },
}
const table = useStudy()
const own = useOwn()
/** A measure that would mend it, begun in the first package, or in one of its own where there is none. */
async function tryOut({ mendedBy: tries, title }: Check) {
  if (!tries) return
  const { addToPackage, beginMeasure, idInPackage, measuresFor } = await import('~~/core/measures/begin')
  if (!measuresFor(table.study!).includes(tries)) return
  await own.ready()
  const wrap = own.defaults.insulation
  table.change(`try ${tries}`, (d) => addToPackage(d, beginMeasure(table.study!, tries, idInPackage(d), wrap), title))
  await navigateTo(`/study/${String(route.params.id)}/improve`)
}
/** A measure is offered once it was tried on the house, helped, and hurt nobody. */
const judgement = useJudgement()
const triedFor = (f: Finding) => f.parts.some((c) => judgement.tries.has(c.id))
const offers = (f: Finding) =>
  judgement.advice.some((t) => t.offered && t.measure === f.mendedBy && f.parts.some((c) => c.id === t.check))
const place = (f: Finding) =>
  f.station === 'log'
    ? { path: `/study/${String(route.params.id)}/measure` }
    : {
        path: `/study/${String(route.params.id)}/survey`,
        query: {
          at: f.station,
          ...(f.subject.id && (f.station === 'runs' || f.station === 'taps') ? { on: f.subject.id } : {}),
        },
      }
</script>

<template>
  <ul aria-label="Findings">
    <li
      v-for="f in all ? findings : findings.slice(0, FEW)"
      :key="f.id"
      class="border-b border-line py-2"
      :data-finding="f.id"
    >
      <div class="flex gap-2">
        <component
          :is="LOOK[f.severity].icon"
          :size="20"
          class="mt-0.5 shrink-0"
          :class="LOOK[f.severity].tone"
          aria-hidden="true"
        />
        <div class="min-w-0">
          <p>{{ f.sentence }}</p>
          <p class="text-sm">
            <span class="caption mr-2" :class="LOOK[f.severity].tone">{{ LOOK[f.severity].name }}</span><NuxtLink
              :to="place(f)"
              class="font-semibold text-copper underline"
              >{{ f.title }}</NuxtLink
            >
          </p>
          <details v-if="f.parts.length > 1">
            <summary class="flex min-h-11 w-fit cursor-pointer items-center text-sm font-semibold text-copper">
              Show all {{ f.parts.length }}
            </summary>
            <ul class="mb-2">
              <li v-for="c in f.parts" :key="c.id" class="flex gap-2 py-0.5 text-sm" :data-part="c.id">
                <LevelMark :level="c.level" />{{ c.sentence }}
              </li>
            </ul>
          </details>
          <p class="text-sm">
            <b>{{ f.remedy }}</b>
            <button
              class="min-h-11 px-1 text-ink-soft underline"
              :aria-expanded="sourced === f.id"
              :aria-label="`Source: ${f.title}`"
              @click="sourced = sourced === f.id ? null : f.id"
            >
              Source</button
            ><span v-if="sourced === f.id" role="status">{{ f.source }}.</span>
          </p>
          <div v-if="triedFor(f)" class="flex min-h-11 flex-wrap items-start gap-x-3">
            <LazyAdviceLines :finding="f" />
            <button
              v-if="f.mendedBy && offers(f)"
              class="tool"
              :aria-label="`Add as measure: ${f.title}`"
              @click="tryOut(f)"
            >
              Add as measure
            </button>
          </div>
        </div>
      </div>
    </li>
    <li v-if="findings.length > FEW && !all" class="py-2">
      <button class="tool" @click="all = true">Show all {{ findings.length }}</button>
    </li>
  </ul>
</template>
