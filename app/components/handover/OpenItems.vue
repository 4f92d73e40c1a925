<script setup lang="ts">
import FinishVisit from '~/components/findings/FinishVisit.vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { writeDay } from '~~/core/units/dates'
import { OPEN_KINDS, OPEN_WORDS, type OpenItem, openItems } from '~~/core/views/open-items'

/** Everything that is not verified or not done, in one list, each with where it is closed. */
const table = useStudy()
const judgement = useJudgement()
const route = useRoute()
const items = computed(() => openItems(table.study!, judgement.checks, localDay(), table.units))
const groups = computed(() =>
  OPEN_KINDS.map((kind) => ({ kind, items: items.value.filter((i) => i.kind === kind) })).filter((g) => g.items.length),
)
const study = `/study/${String(route.params.id)}`
const place = ({ at }: OpenItem) =>
  at === 'log'
    ? { path: `${study}/measure` }
    : at === 'dials'
      ? { path: `${study}/set`, query: { view: 'dials' } }
      : at === 'tests'
        ? { path: `${study}/handover`, query: { view: 'tests' } }
        : at && { path: `${study}/survey`, query: { at } }
</script>

<template>
  <div v-if="judgement.checks.length === 0 && !judgement.pointsFailed" class="min-h-dvh">
    <p class="text-ink-soft" role="status">Simulating the year: what is open follows.</p>
  </div>
  <div v-else>
    <p v-if="items.length === 0">Nothing is open.</p>
    <section v-for="g in groups" :key="g.kind" :aria-label="OPEN_WORDS[g.kind]" class="mb-5">
      <h2 class="border-b border-ink pb-1 text-xl">
        {{ OPEN_WORDS[g.kind] }} <span class="caption">{{ g.items.length }}</span>
      </h2>
      <ul>
        <li
          v-for="i in g.items"
          :key="i.id"
          class="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_7rem_6rem]"
          :class="{ 'border-l-4 border-l-alarm pl-2': i.blocks }"
          :data-open="i.id"
        >
          <div class="min-w-0">
            <p class="font-semibold">{{ i.title }}</p>
            <p v-if="i.says" class="text-sm whitespace-pre-line">{{ i.says }}</p>
          </div>
          <p class="caption">{{ i.due ? `due ${writeDay(i.due, table.units.system)}` : 'before completing' }}</p>
          <NuxtLink
            v-if="place(i)"
            :to="place(i)!"
            class="tool self-start justify-self-start"
            :aria-label="`See to it: ${i.title}`"
            >See to it</NuxtLink
          >
        </li>
      </ul>
    </section>
    <FinishVisit />
  </div>
</template>
