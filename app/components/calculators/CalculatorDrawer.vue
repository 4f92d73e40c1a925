<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { ArrowLeft, NotebookPen, X } from '@lucide/vue'
import CalculatorField from '~/components/calculators/CalculatorField.vue'
import WorkedCalculation from '~/components/calculators/WorkedCalculation.vue'
import { useCalculators } from '~/composables/useCalculators'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { localIso } from '~/utils/local-iso'
import { nearestSize } from '~/utils/pipe-choices'
import { FIGURES } from '~~/core/calculators/fields'
import { calculatorNamed, CALCULATORS } from '~~/core/calculators/registry'
import { runCalculator } from '~~/core/calculators/run'
import { freshId } from '~~/core/study/fresh-id'
import { flatValues } from '~~/core/study/readings'
import { sumFigures } from '~~/core/views/calculator-figures'

/** All bench sums at hand at every stage: searched, filled in, worked step by step, kept in the log when wanted. */
const { open, at } = useCalculators()
const table = useStudy()
const years = useYears()
const { say } = useNotice()
const wanted = ref('')
const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return CALCULATORS.filter((s) => words.every((w) => `${s.name} ${s.title} ${s.about}`.toLowerCase().includes(w)))
})
const sum = computed(() => (at.value ? (calculatorNamed(at.value) ?? null) : null))
const given = ref<Record<string, unknown>>({})
/** What the household on the table says of its fields. */
const ofHouse = ref<ReturnType<typeof sumFigures>>({})
watch(
  sum,
  (s) => {
    if (!s) return
    ofHouse.value = table.study ? sumFigures(s, table.study, years.now) : {}
    given.value = { ...structuredClone(s.example), ...ofHouse.value }
  },
  { immediate: true },
)
const answer = computed(() => (sum.value ? runCalculator(sum.value, toRaw(given.value)) : null))
const others = computed(() =>
  answer.value && !answer.value.ok
    ? answer.value.faults.filter((f) => !(f.path in (sum.value?.input.shape ?? {})))
    : [],
)

/** A label inside a sentence: its units and short forms stay as they are. */
const inSentence = (label: string) => label[0]!.toLowerCase() + label.slice(1)
const fromHouse = computed(() =>
  (Object.keys(ofHouse.value) as (keyof typeof FIGURES)[]).map((f) => inSentence(FIGURES[f]!.label)).join(', '),
)

function set(name: string, value: unknown) {
  const next = { ...given.value, [name]: value }
  if (value === undefined) delete next[name]
  if (name === 'material') next.size = nearestSize(given.value as never, value as never)
  given.value = next
}
function keep() {
  const s = sum.value
  if (!s || !answer.value?.ok || !table.study) return
  const id = freshId('reading', table.study.readings)
  const { out } = answer.value.value
  const kept = table.change(
    'keep sum',
    (d) =>
      void d.readings.push({
        id,
        takenAt: localIso(new Date()),
        kind: 'sum',
        sum: s.name,
        where: null,
        values: flatValues({ ...given.value, ...out }),
        note: '',
        photo: null,
        adopted: null,
      }),
  )
  say({
    text: kept
      ? `“${s.title}” saved to the log.`
      : `“${s.title}” not saved: ${table.faults.map((f) => f.message).join('; ') || 'the log does not accept it'}.`,
  })
}
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="open = false">
    <div class="fixed inset-0 bg-ink/30" aria-hidden="true" />
    <DialogPanel class="fixed inset-y-0 right-0 flex w-full max-w-xl flex-col border-l border-line-strong bg-plaster">
      <header class="flex items-center gap-2 border-b border-line px-3 py-1">
        <button v-if="sum" class="tool tool-bare px-2" aria-label="All calculators" @click="at = null">
          <ArrowLeft :size="20" />
        </button>
        <DialogTitle class="flex-1 font-display text-lg font-semibold">{{
          sum ? sum.title : 'Calculators'
        }}</DialogTitle>
        <button class="tool tool-bare px-2" aria-label="Close calculators" @click="open = false">
          <X :size="20" />
        </button>
      </header>
      <div class="flex-1 overflow-y-auto p-3">
        <template v-if="!sum">
          <label for="sum-search" class="caption">Search calculators</label>
          <input
            id="sum-search"
            v-model="wanted"
            class="entry"
            type="search"
            autocomplete="off"
            @keydown.enter="found.length && (at = found[0]!.name)"
          />
          <ul class="mt-2">
            <li v-for="s in found" :key="s.name" class="border-b border-line">
              <button class="block min-h-11 w-full px-1 py-1.5 text-left hover:bg-plaster-deep" @click="at = s.name">
                <span class="block font-semibold text-copper">{{ s.title }}</span>
                <span class="block text-sm text-ink-soft">{{ s.about }}</span>
              </button>
            </li>
          </ul>
          <p v-if="found.length === 0" class="py-4">No calculator found.</p>
        </template>
        <template v-else>
          <p class="mb-3 text-ink-soft">{{ sum.about }}</p>
          <p class="caption mb-3">
            Example values.<template v-if="fromHouse"> From this household: {{ fromHouse }}.</template>
          </p>
          <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
            <CalculatorField
              v-for="(schema, name) in sum.input.shape"
              :key="`${sum.name}-${name}`"
              :name="String(name)"
              :path="String(name)"
              :schema="schema"
              :value="given[name]"
              :faults="answer && !answer.ok ? answer.faults : []"
              :beside="given"
              @change="(v) => set(String(name), v)"
            />
          </div>
          <WorkedCalculation v-if="answer?.ok" class="mt-4" :worked="answer.value" :results="sum.results" />
          <p v-for="f in others" :key="f.path" class="mt-2 text-sm text-alarm" role="alert">
            {{ f.path }}: {{ f.message }}
          </p>
          <p class="caption mt-3">Source: {{ sum.source }}.</p>
          <button v-if="table.study" class="tool mt-3" :disabled="!answer?.ok" @click="keep">
            <NotebookPen :size="17" />Save to log
          </button>
        </template>
      </div>
    </DialogPanel>
  </Dialog>
</template>
