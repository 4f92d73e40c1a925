<script setup lang="ts">
import { NotebookPen, X } from '@lucide/vue'
import CalculatorField from '~/components/calculators/CalculatorField.vue'
import WorkedCalculation from '~/components/calculators/WorkedCalculation.vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import PictureField from '~/components/fields/PictureField.vue'
import TextField from '~/components/fields/TextField.vue'
import StopWatch from '~/components/measure/StopWatch.vue'
import TimedClimb from '~/components/measure/TimedClimb.vue'
import VerdictLine from '~/components/measure/VerdictLine.vue'
import { useNotice } from '~/composables/useNotice'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import type { ReadingDraft } from '~/utils/kept-draft'
import { localIso } from '~/utils/local-iso'
import { useReadingDrafts } from '~/utils/reading-draft'
import { adopt } from '~~/core/readings/adopt'
import { judge, KINDS, placesFor } from '~~/core/readings/kinds'
import { lastTakenWith, TAKEN_WITH } from '~~/core/readings/taken-with'
import { freshId } from '~~/core/study/fresh-id'
import { flatValues, type Reading, type ReadingKindName } from '~~/core/study/readings'
import type { Fault } from '~~/core/units/result'

/** A reading being taken: its fields, what it comes to at once, and what it says of the study. Made anew for each kind. */
const props = defineProps<{ kind: ReadingKindName }>()
const table = useStudy()
const own = useOwn()
const { say } = useNotice()
const taken = useReadingDrafts()
const studyId = table.study!.id
const PLACES = { tap: 'Outlet', heater: 'Heater', controller: 'Controller' } as const
const kind = KINDS.find((k) => k.kind === props.kind)!
onMounted(own.ready)
/** What it begins with: the thermometer that is in the hand, once it is known which one that is. */
const begin = computed(() => ({
  ...kind.begin,
  ...('thermometer' in kind.input.shape
    ? lastTakenWith(table.study!, localIso(new Date()).slice(0, 10), own.defaults.instrument)
    : {}),
}))
const draft = computed(() => taken.drafts.value.of[props.kind])
/** It is in the log or given up: what comes late, such as a picture, begins no other. */
let closed = false
function put(part: Partial<ReadingDraft>) {
  if (!closed) taken.put(studyId, props.kind, part, { ...begin.value })
}
const values = computed(() => draft.value?.values ?? { ...begin.value })
const note = computed(() => draft.value?.note ?? '')
const photo = computed(() => draft.value?.photo ?? null)
/** When it was taken, by the clock on the wall; empty: now. A reading of another day carries that. */
const takenAt = computed(() => draft.value?.takenAt ?? '')
const touched = ref(new Set(Object.keys(draft.value?.values ?? {})))
const places = computed(() =>
  placesFor(table.study!, kind).map((x) => ({ value: x.id as string | null, name: x.name })),
)
const where = computed(() => {
  const chosen = draft.value?.where
  return places.value.some((p) => p.value === chosen) ? chosen! : (places.value[0]?.value ?? null)
})
/** The points of a climb are taken by their own clock. */
const fields = computed(() =>
  Object.fromEntries(
    Object.entries(kind.input.shape).filter(
      ([name]) => name !== 'points' && name !== 'otherTap' && !(name in TAKEN_WITH),
    ),
  ),
)
const reading = computed((): Reading => ({
  id: freshId('reading', table.study!.readings),
  takenAt: takenAt.value ? localIso(new Date(takenAt.value)) : localIso(new Date()),
  kind: props.kind,
  sum: null,
  where: where.value,
  values: flatValues(values.value),
  note: note.value,
  photo: photo.value,
  adopted: null,
}))
const checked = computed(() => kind.input.safeParse(reading.value.values))
const judgement = computed(() => (checked.value.success ? judge(table.study!, reading.value) : null))
function close() {
  closed = true
  taken.drop(props.kind)
}
/** What a touched field still wants; one that nobody has been to yet is just empty. */
const faults = computed((): Fault[] =>
  checked.value.success
    ? []
    : checked.value.error.issues
        .map((i) => ({ path: i.path.join('.'), message: 'is needed' }))
        .filter((f) => touched.value.has(f.path)),
)
const taps = computed(() => [
  { value: '', name: 'choose…' },
  ...table.study!.pipes.taps.filter((t) => t.id !== where.value).map((t) => ({ value: t.id, name: t.name })),
])

function set(name: string, value: unknown) {
  touched.value = new Set([...touched.value, name])
  const next = { ...values.value, [name]: value }
  if (value === undefined) delete next[name]
  put({ values: next })
}
/** A picture that is still being made small enough, and whether the reading waits for it. */
const making = shallowRef<Promise<boolean> | null>(null)
const waits = ref(false)
async function keep(adoptToo: boolean) {
  if (waits.value) return
  waits.value = true
  const readable = await (making.value ?? true)
  waits.value = false
  // A picture that could not be read is said first: the next press keeps the reading without it.
  if (!readable) return
  const one = reading.value
  const made = table.replace((study) => {
    const withIt = { ...study, readings: [...study.readings, one] }
    return adoptToo ? adopt(withIt, one.id) : withIt
  })
  if (!made) return
  say({
    text: adoptToo ? `“${kind.title}” saved and applied to the study.` : `“${kind.title}” saved to the log.`,
  })
  close()
}
</script>

<template>
  <section :aria-label="kind.title" class="border-y-2 border-ink py-3">
    <div class="flex items-start justify-between gap-2">
      <div>
        <h2 class="text-xl">{{ kind.title }}</h2>
        <p class="text-sm text-ink-soft">{{ kind.how }}</p>
      </div>
      <button class="tool tool-bare px-2" aria-label="Close the reading" @click="close">
        <X :size="20" />
      </button>
    </div>
    <TimedClimb
      v-if="kind.kind === 'climb'"
      :points="String(values.points ?? '')"
      :started="draft?.started ?? null"
      @change="(p) => set('points', p)"
      @start="(started) => put({ started })"
    />
    <StopWatch
      v-if="'seconds' in kind.input.shape"
      class="mt-2"
      :started="draft?.started ?? null"
      @start="(started) => put({ started })"
      @took="(s) => set('seconds', s)"
    />
    <div class="mt-3 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
      <ChoiceField
        v-if="kind.at"
        :label="PLACES[kind.at]"
        :value="where"
        :choices="places"
        @change="(v) => put({ where: v })"
      />
      <ChoiceField
        v-if="'otherTap' in kind.input.shape"
        label="The other outlet"
        :value="String(values.otherTap ?? '')"
        :choices="taps"
        @change="(v) => set('otherTap', v || undefined)"
      />
      <CalculatorField
        v-for="(schema, name) in fields"
        :key="`${kind.kind}-${name}`"
        :name="String(name)"
        :path="String(name)"
        :schema="schema"
        :value="values[name]"
        :faults="faults"
        @change="(v) => set(String(name), v)"
      />
      <CalculatorField
        v-if="'thermometer' in kind.input.shape"
        name="thermometer"
        path="thermometer"
        :schema="TAKEN_WITH.thermometer"
        :value="values.thermometer"
        :faults="faults"
        @change="(v) => set('thermometer', v)"
      />
      <DateField
        v-if="values.thermometer"
        label="Last checked on"
        help="In ice or boiling water"
        :value="String(values.checkedOn ?? '') || null"
        @change="(on) => set('checkedOn', on ?? undefined)"
      />
    </div>
    <template v-if="judgement">
      <WorkedCalculation
        v-if="Object.keys(judgement.results).length || judgement.worked.notes.length"
        class="mt-3"
        :worked="judgement.worked"
        :results="judgement.results"
      />
      <VerdictLine v-if="judgement.verdict" :verdict="judgement.verdict" />
    </template>
    <div class="mt-3 grid gap-3 sm:grid-cols-2">
      <DateField
        label="Time of reading"
        moment
        help="Leave blank for now"
        :value="takenAt || null"
        @change="(at) => put({ takenAt: at ?? '' })"
      />
      <TextField label="Note" optional :value="note" @change="(v) => put({ note: v })" />
      <PictureField
        label="Picture"
        :photo="photo"
        :put="(small) => put({ photo: small })"
        @making="(m) => (making = m)"
      />
    </div>
    <div class="mt-3 flex flex-wrap gap-2">
      <button v-if="judgement?.offers.length" class="tool tool-main" :disabled="waits" @click="keep(true)">
        <NotebookPen :size="18" />Save and apply
      </button>
      <button class="tool" :disabled="!checked.success || waits" @click="keep(false)">
        <NotebookPen :size="18" />Save to log
      </button>
    </div>
    <p v-if="waits" class="caption mt-1" role="status">Saved as soon as the picture is ready.</p>
    <p v-if="!checked.success" class="caption mt-1">
      Enter the values read. The result appears when it can be calculated.
    </p>
    <ul v-if="judgement?.offers.length" class="caption mt-1">
      <li v-for="o in judgement.offers" :key="o.path">Will change: {{ o.label }}.</li>
    </ul>
  </section>
</template>
