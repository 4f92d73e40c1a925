<script setup lang="ts">
import { Eye, TriangleAlert, Wrench } from '@lucide/vue'
import type { Finding, Severity } from '~~/core/findings/finding'

/** What an experienced engineer would point out, dangers first; each says why, and where it is mended. */
defineProps<{ findings: readonly Finding[] }>()
const route = useRoute()
const LOOK: Record<Severity, { icon: typeof Eye; name: string; tone: string }> = {
  danger: { icon: TriangleAlert, name: 'Danger', tone: 'text-alarm' },
  mend: { icon: Wrench, name: 'To mend', tone: 'text-copper' },
  look: { icon: Eye, name: 'To look at', tone: 'text-ink-soft' },
}
const table = useStudy()
/** A measure that would mend it, begun in the first package, or in one of its own where there is none. */
async function tryOut({ tries, what }: Finding) {
  if (!tries) return
  const { addToPackage, beginMeasure, idInPackage, measuresFor } = await import('~~/core/measures/begin')
  if (!measuresFor(table.study!).includes(tries)) return
  table.change(`try ${tries}`, (d) => addToPackage(d, beginMeasure(table.study!, tries, idInPackage(d)), what))
  await navigateTo(`/study/${String(route.params.id)}/improve`)
}
const place = (f: Finding) =>
  f.station === 'log'
    ? { path: `/study/${String(route.params.id)}/measure` }
    : {
        path: `/study/${String(route.params.id)}/survey`,
        query: { at: f.station, ...(f.on && (f.station === 'runs' || f.station === 'taps') ? { on: f.on } : {}) },
      }
</script>

<template>
  <ul aria-label="Findings">
    <li v-for="f in findings" :key="f.id" class="border-b border-line py-2" :data-finding="f.id">
      <div class="flex gap-2">
        <component
          :is="LOOK[f.severity].icon"
          :size="20"
          class="mt-0.5 shrink-0"
          :class="LOOK[f.severity].tone"
          aria-hidden="true"
        />
        <div class="min-w-0">
          <p>
            <span class="caption mr-2">{{ LOOK[f.severity].name }}</span><NuxtLink
              :to="place(f)"
              class="font-semibold text-copper underline"
              >{{ f.what }}</NuxtLink
            >
          </p>
          <p class="text-sm">{{ f.why }}</p>
          <p class="text-sm">
            <b>{{ f.mend }}</b> <span class="text-ink-soft">Source: {{ f.source }}.</span>
          </p>
          <button v-if="f.tries" class="tool mt-1" :aria-label="`Try it as a measure: ${f.what}`" @click="tryOut(f)">
            Try it as a measure
          </button>
        </div>
      </div>
    </li>
  </ul>
</template>
