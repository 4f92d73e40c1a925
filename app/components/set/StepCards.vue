<script setup lang="ts">
import { ChevronRight, Plus } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import StepCard from '~/components/set/StepCard.vue'
import { useStudy } from '~/stores/study'
import { STEP_CARDS } from '~~/core/procedures/cards'
import { progressOf } from '~~/core/procedures/step-card'
import { SYMPTOMS } from '~~/core/procedures/symptoms'
import { cardsFor, takeInHand } from '~~/core/procedures/taken-in-hand'
import type { CardName, CardWork } from '~~/core/study/step-cards'
import { writeDay } from '~~/core/units/dates'

/** Work by hand, step by step: what somebody complains of, the cards that this household has a use for, and those begun. */
const table = useStudy()
const study = computed(() => table.study!)
const offered = computed(() => cardsFor(study.value))
const begun = computed(() => [...study.value.cards].reverse())
const open = ref<string | null>(null)
const nameOf = (heaterId: string | null) => study.value.plant.heaters.find((h) => h.id === heaterId)?.name ?? ''

const symptom = ref<string>('')
const symptoms = [{ value: '', name: 'choose…' }, ...SYMPTOMS.map(({ says }) => ({ value: says, name: says }))]
const chosen = computed(() => SYMPTOMS.find((s) => s.says === symptom.value) ?? null)
const helps = computed(() => offered.value.find((o) => o.card === chosen.value?.card) ?? null)

function begin(card: CardName, heaterId: string | null) {
  let id = ''
  table.replace((s) => {
    const taken = takeInHand(s, card, heaterId)
    id = taken.id
    return taken.study
  })
  open.value = id
}
function stateOf(work: CardWork): string {
  const p = progressOf(STEP_CARDS[work.card], work)
  const last = work.ticks.at(-1)?.on
  if (p.finished) return `done${last ? ` on ${writeDay(last, table.units.system)}` : ''}`
  return p.done === 0 ? 'not begun' : `${p.done} of ${p.of} steps${p.isolated ? ', still isolated' : ''}`
}
</script>

<template>
  <section aria-label="Step cards">
    <div class="print:hidden">
      <p class="text-ink-soft">
        For appliances of any make: the manual and the local code go first. A step that isolates cannot be skipped.
      </p>
      <div class="mt-3 max-w-md">
        <ChoiceField label="Symptom" :value="symptom" :choices="symptoms" @change="(v) => (symptom = v)" />
      </div>
      <div v-if="chosen" class="mt-2 border-l-4 border-copper pl-3" data-symptom>
        <p class="font-semibold">Look in this order</p>
        <ol class="list-decimal pl-6">
          <li v-for="l in chosen.looks" :key="l">{{ l }}</li>
        </ol>
        <button v-if="helps" class="tool mt-2" @click="begin(helps.card, helps.heaterIds[0] ?? null)">
          Begin: {{ STEP_CARDS[helps.card].title }}
        </button>
      </div>
      <p v-else-if="symptom" class="caption mt-2">No card.</p>
    </div>

    <section v-if="begun.length" aria-label="Cards in hand" class="mt-6">
      <h2 class="text-xl print:hidden">In hand</h2>
      <ul>
        <li
          v-for="work in begun"
          :key="work.id"
          class="border-b border-line"
          :class="{ 'print:hidden': open !== work.id }"
          :data-card="work.card"
        >
          <button
            class="flex min-h-14 w-full items-center gap-2 text-left print:hidden"
            :aria-expanded="open === work.id"
            @click="open = open === work.id ? null : work.id"
          >
            <ChevronRight
              :size="20"
              class="shrink-0 transition-transform"
              :class="{ 'rotate-90': open === work.id }"
              aria-hidden="true"
            />
            <span class="min-w-0 flex-1">
              <b>{{ STEP_CARDS[work.card].title }}</b>
              <span v-if="work.heaterId" class="block text-sm text-ink-soft">{{ nameOf(work.heaterId) }}</span>
            </span>
            <span class="caption shrink-0">{{ stateOf(work) }}</span>
          </button>
          <StepCard v-if="open === work.id" :work="work" :place="nameOf(work.heaterId)" @removed="open = null" />
        </li>
      </ul>
    </section>

    <section aria-label="Cards to take in hand" class="mt-6 print:hidden">
      <h2 class="text-xl">Cards</h2>
      <ul class="grid gap-x-6 sm:grid-cols-2">
        <li v-for="o in offered" :key="o.card" class="border-b border-line py-2">
          <p class="font-semibold">{{ STEP_CARDS[o.card].title }}</p>
          <p class="text-sm text-ink-soft">{{ STEP_CARDS[o.card].when }}</p>
          <div class="mt-1 flex flex-wrap gap-2">
            <button
              v-for="heaterId in o.heaterIds.length ? o.heaterIds : [null]"
              :key="heaterId ?? ''"
              class="tool"
              :aria-label="`Begin: ${STEP_CARDS[o.card].title}${heaterId ? `, ${nameOf(heaterId)}` : ''}`"
              @click="begin(o.card, heaterId)"
            >
              <Plus :size="17" />{{ heaterId ? nameOf(heaterId) : 'Begin' }}
            </button>
          </div>
        </li>
      </ul>
    </section>
  </section>
</template>
