<script setup lang="ts">
import { Container, Gauge, Monitor, PlugZap, TestTube, Thermometer, Timer, Zap } from '@lucide/vue'
import { useAssumed } from '~/stores/assumed'
import { useStudy } from '~/stores/study'
import { useReadingDrafts } from '~/utils/reading-draft'
import { canTake, KINDS, READINGS } from '~~/core/readings/kinds'
import { READING_SECTIONS, type ReadingKind, type ReadingSection, type Tool } from '~~/core/readings/reading-kind'

/** What can be read in this household, by where it is read; first what narrows the annual cost most, and why. */
const table = useStudy()
const drafts = useReadingDrafts()
const assumed = useAssumed()
assumed.look()
const TOOLS: Record<Tool, typeof Timer> = {
  thermometer: Thermometer,
  watch: Timer,
  bucket: Container,
  'pressure gauge': Gauge,
  'test strip': TestTube,
  display: Monitor,
  meter: Zap,
  'clamp meter': PlugZap,
}
const kinds = computed(() => KINDS.filter((k) => canTake(table.study!, k)))
const sections = computed(() =>
  (Object.entries(READING_SECTIONS) as [ReadingSection, string][])
    .map(([key, name]) => ({ key, name, kinds: kinds.value.filter((k) => k.section === key) }))
    .filter((s) => s.kinds.length),
)
/** So many are put first, and none on which less than a thousandth of the cost depends. */
const FIRST = 4
const first = computed(() => {
  const money = new Map<ReadingKind, { money: number; settles: string[] }>()
  for (const { reading, name, money: m } of assumed.kinds ?? []) {
    if (!reading || reading === 'sum' || m < 0.5) continue
    const kind = READINGS[reading] as ReadingKind
    if (!kinds.value.includes(kind)) continue
    const has = money.get(kind) ?? { money: 0, settles: [] }
    money.set(kind, { money: Math.hypot(has.money, m), settles: [...has.settles, name] })
  }
  return [...money].sort(([, a], [, b]) => b.money - a.money).slice(0, FIRST)
})
const begun = (kind: ReadingKind) => drafts.drafts.value.of[kind.kind] !== undefined
</script>

<template>
  <div>
    <section
      v-if="first.length || assumed.kinds === null"
      aria-label="Take first"
      class="mb-5 border-l-4 border-copper pl-3"
    >
      <h2 class="text-xl">Take first</h2>
      <div v-if="assumed.kinds === null" class="grid gap-x-6 sm:min-h-28 sm:grid-cols-2" role="status">
        <p v-for="n in FIRST" :key="n" class="caption h-14 border-b border-line py-1">
          {{ n === 1 ? 'Simulating what narrows the annual cost most…' : '' }}
        </p>
      </div>
      <ul v-else class="grid content-start gap-x-6 sm:min-h-28 sm:grid-cols-2">
        <li v-for="[kind, { money, settles }] in first" :key="kind.kind">
          <button
            class="flex min-h-14 w-full flex-col border-b border-line py-1 text-left hover:bg-plaster-deep"
            :data-first-reading="kind.kind"
            @click="drafts.open(kind.kind)"
          >
            <span class="flex w-full justify-between gap-2 font-semibold text-copper"
              >{{ kind.title }}<span class="whitespace-nowrap">±{{ table.units.wholeMoney(money) }}/yr</span></span
            >
            <span class="caption">settles {{ settles.join(' and ') }}</span>
          </button>
        </li>
      </ul>
    </section>
    <div class="gap-x-8 sm:columns-2">
      <section v-for="s in sections" :key="s.key" :aria-label="`Readings: ${s.name}`" class="mb-4 break-inside-avoid">
        <h3 class="border-b border-ink pb-0.5 text-base">{{ s.name }}</h3>
        <ul>
          <li v-for="k in s.kinds" :key="k.kind">
            <button
              class="flex min-h-11 w-full items-center justify-between gap-2 border-b border-line py-1 text-left hover:bg-plaster-deep"
              :title="k.how"
              :data-reading-kind="k.kind"
              @click="drafts.open(k.kind)"
            >
              <span class="min-w-0">{{ k.title }}<span v-if="begun(k)" class="caption">, in progress</span></span>
              <span class="flex shrink-0 gap-1.5 text-ink-soft" :title="k.needs.join(', ') || undefined">
                <component :is="TOOLS[t]" v-for="t in k.needs" :key="t" :size="17" aria-hidden="true" />
                <span v-if="k.needs.length" class="sr-only">, with {{ k.needs.join(' and ') }}</span>
              </span>
            </button>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
