<script setup lang="ts">
import { Check, Printer, Trash2, TriangleAlert } from '@lucide/vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { localIso } from '~/utils/local-iso'
import { STEP_CARDS } from '~~/core/procedures/cards'
import { progressOf, type Step, waitsFor, withoutTick, withTick, wordsIn } from '~~/core/procedures/step-card'
import { type CardWork, LONGEST_SHOWN as LONGEST } from '~~/core/study/step-cards'
import { writeDay } from '~~/core/units/dates'

/** A card in hand: large rows to be ticked with a thumb, the caution at the step where it bites. */
const props = defineProps<{ work: CardWork; place: string }>()
const emit = defineEmits<{ removed: [] }>()
const table = useStudy()
const card = computed(() => STEP_CARDS[props.work.card])
const progress = computed(() => progressOf(card.value, props.work))
const units = computed(() => table.units)
const tickOf = (step: Step) => props.work.ticks.find((t) => t.step === step.id)
const waits = (step: Step) => waitsFor(card.value, props.work, step)
const put = (next: CardWork) =>
  table.change(`card ${next.id}`, (d) => void (d.cards = d.cards.map((c) => (c.id === next.id ? next : c))))
const toggle = (step: Step) =>
  put(
    tickOf(step)
      ? withoutTick(card.value, props.work, step)
      : withTick(card.value, props.work, step, localIso(new Date()).slice(0, 10)),
  )
function remove() {
  table.change(`remove card ${props.work.id}`, (d) => void (d.cards = d.cards.filter((c) => c.id !== props.work.id)))
  emit('removed')
}
const print = () => window.print()
</script>

<template>
  <article class="pb-4" :aria-label="card.title">
    <h1 class="hidden text-2xl print:block">{{ card.title }}{{ place ? `, ${place}` : '' }}</h1>
    <p class="text-sm">{{ card.when }}</p>
    <p class="text-sm"><b>Carried out by:</b> {{ card.who }}</p>
    <ol class="mt-2">
      <li v-for="(step, i) in card.steps" :key="step.id" class="border-t border-line" :data-step="step.id">
        <p
          v-if="step.caution"
          class="mt-2 flex items-start gap-2 border-l-4 border-alarm bg-alarm-pale p-2 text-sm print:bg-transparent"
        >
          <TriangleAlert :size="18" class="mt-0.5 shrink-0 text-alarm" aria-hidden="true" />
          <span><b class="sr-only">Caution: </b>{{ wordsIn(step.caution, units) }}</span>
        </p>
        <button
          class="flex min-h-14 w-full items-center gap-3 py-2 text-left disabled:text-ink-soft print:text-ink"
          role="checkbox"
          :aria-checked="tickOf(step) !== undefined"
          :disabled="waits(step) !== null"
          @click="toggle(step)"
        >
          <span
            class="grid size-8 shrink-0 place-items-center rounded border-2 border-ink"
            :class="{ 'bg-verdigris text-plaster': tickOf(step) }"
            aria-hidden="true"
            ><Check v-if="tickOf(step)" :size="22" /><span v-else class="text-sm">{{ i + 1 }}</span></span
          >
          <span class="min-w-0 flex-1">
            {{ wordsIn(step.text, units) }}
            <span v-if="waits(step)" class="caption block print:hidden"
              >First: {{ wordsIn(waits(step)!.text, units) }}</span
            >
          </span>
          <span v-if="tickOf(step)" class="caption shrink-0">{{ writeDay(tickOf(step)!.on, units.system) }}</span>
        </button>
      </li>
    </ol>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <div v-if="card.proof" class="w-full sm:w-72">
        <TextField
          :label="card.proof"
          optional
          :value="work.shows"
          :check="(text) => (text.length > LONGEST ? `is too long. Accepts up to ${LONGEST} characters` : '')"
          @change="(shows) => put({ ...work, shows })"
        />
        <p class="caption">As read at the end, as proof.</p>
      </div>
      <button class="tool print:hidden" @click="print"><Printer :size="17" />Print card</button>
      <button class="tool tool-bare print:hidden" :aria-label="`Remove card: ${card.title}`" @click="remove">
        <Trash2 :size="17" />Remove card
      </button>
    </div>
    <p v-if="progress.finished" class="mt-2 font-semibold text-verdigris" role="status">All steps done.</p>
    <p v-else-if="progress.isolated" class="mt-2 font-semibold text-alarm" role="status">
      Still isolated: finish the card before leaving.
    </p>
  </article>
</template>
