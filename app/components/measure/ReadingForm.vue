<script setup lang="ts">
import { Camera, NotebookPen, X } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import TextField from '~/components/fields/TextField.vue'
import StopWatch from '~/components/measure/StopWatch.vue'
import TimedClimb from '~/components/measure/TimedClimb.vue'
import VerdictLine from '~/components/measure/VerdictLine.vue'
import SumField from '~/components/sums/SumField.vue'
import WorkedSum from '~/components/sums/WorkedSum.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import type { ReadingDraft } from '~/utils/kept-draft'
import { localIso } from '~/utils/local-iso'
import { smallPicture } from '~/utils/pictures'
import { keepReadingDraft } from '~/utils/reading-draft'
import { adopt } from '~~/core/readings/adopt'
import { KINDS, placesFor } from '~~/core/readings/kinds'
import { freshId } from '~~/core/study/fresh-id'
import { flatValues, MOST_PICTURES, picturesTake, type Reading, type ReadingKindName } from '~~/core/study/readings'
import type { Fault } from '~~/core/units/result'

/** A reading being taken: its fields, what it comes to at once, and what it says of the study. */
const props = defineProps<{ kind: ReadingKindName; draft: ReadingDraft | null }>()
const emit = defineEmits<{ close: []; draft: [draft: ReadingDraft] }>()
const table = useStudy()
const { say } = useNotice()
const kind = computed(() => KINDS.find((k) => k.kind === props.kind)!)
const values = ref<Record<string, unknown>>({})
const where = ref<string | null>(null)
const note = ref('')
const photo = ref<string | null>(null)
const trouble = ref('')
const touched = ref(new Set<string>())
/** When it was taken, by the clock on the wall; empty: now. A reading of another day carries that. */
const takenAt = ref('')
const places = computed(() =>
  placesFor(table.study!, kind.value).map((x) => ({ value: x.id as string | null, name: x.name })),
)
watch(
  () => props.kind,
  () => {
    const { draft } = props
    if (draft?.kind === props.kind) {
      values.value = draft.values
      note.value = draft.note
      photo.value = draft.photo
      takenAt.value = draft.takenAt
      touched.value = new Set(Object.keys(draft.values))
      where.value = places.value.some((p) => p.value === draft.where) ? draft.where : (places.value[0]?.value ?? null)
      return
    }
    values.value = { ...kind.value.begin }
    touched.value = new Set()
    where.value = places.value[0]?.value ?? null
    note.value = ''
    photo.value = null
  },
  { immediate: true },
)
/** The points of a climb are taken by their own clock. */
const fields = computed(() =>
  Object.fromEntries(
    Object.entries(kind.value.input.shape).filter(([name]) => name !== 'points' && name !== 'otherTap'),
  ),
)
const reading = computed((): Reading => ({
  id: freshId('reading', table.study!.readings),
  takenAt: takenAt.value ? localIso(new Date(takenAt.value)) : localIso(new Date()),
  kind: props.kind,
  sum: null,
  where: where.value,
  values: flatValues(toRaw(values.value)),
  note: note.value,
  photo: photo.value,
  adopted: null,
}))
const checked = computed(() => kind.value.input.safeParse(reading.value.values))
const judgement = computed(() =>
  checked.value.success ? kind.value.judge(table.study!, reading.value, checked.value.data as never) : null,
)
const studyId = table.study!.id
/** Share of the room for pictures that is taken, this one counted. */
const pictures = computed(() => picturesTake([...table.study!.readings, reading.value]) / MOST_PICTURES)
let closed = false
/** Keeps what has been typed so far; fields that go with the form still hand theirs over. */
function remember() {
  if (closed) return
  const draft: ReadingDraft = {
    kind: props.kind,
    values: toRaw(values.value),
    where: where.value,
    note: note.value,
    photo: photo.value,
    takenAt: takenAt.value,
  }
  keepReadingDraft(studyId, draft)
  emit('draft', draft)
}
watch([where, note, photo, takenAt], remember)
function close() {
  closed = true
  keepReadingDraft(studyId, null)
  emit('close')
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
  values.value = next
  remember()
}
function keep(adoptToo: boolean) {
  const one = reading.value
  const made = table.replace((study) => {
    const withIt = { ...study, readings: [...study.readings, one] }
    return adoptToo ? adopt(withIt, one.id) : withIt
  })
  if (!made) return
  if (props.kind === 'climb') localStorage.removeItem('bagno-climb-start')
  say({
    text: adoptToo
      ? `“${kind.value.title}” is in the log and corrects the study.`
      : `“${kind.value.title}” is in the log.`,
  })
  close()
}
async function picture(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  trouble.value = ''
  if (!file) return
  try {
    photo.value = await smallPicture(file)
  } catch {
    trouble.value = 'That picture cannot be read; a JPEG, PNG or WebP can.'
  }
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
    <TimedClimb v-if="kind.kind === 'climb'" :points="String(values.points ?? '')" @change="(p) => set('points', p)" />
    <StopWatch v-if="'seconds' in kind.input.shape" class="mt-2" @took="(s) => set('seconds', s)" />
    <div class="mt-3 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
      <ChoiceField
        v-if="kind.at"
        :label="kind.at === 'tap' ? 'Tap' : 'Heater'"
        :value="where"
        :choices="places"
        @change="(v) => (where = v)"
      />
      <ChoiceField
        v-if="'otherTap' in kind.input.shape"
        label="The other tap"
        :value="String(values.otherTap ?? '')"
        :choices="taps"
        @change="(v) => set('otherTap', v || undefined)"
      />
      <SumField
        v-for="(schema, name) in fields"
        :key="`${kind.kind}-${name}`"
        :name="String(name)"
        :path="String(name)"
        :schema="schema"
        :value="values[name]"
        :faults="faults"
        @change="(v) => set(String(name), v)"
      />
    </div>
    <template v-if="judgement">
      <WorkedSum
        v-if="Object.keys(judgement.results).length || judgement.worked.notes.length"
        class="mt-3"
        :worked="judgement.worked"
        :results="judgement.results"
      />
      <VerdictLine v-if="judgement.verdict" :verdict="judgement.verdict" />
    </template>
    <div class="mt-3 grid gap-3 sm:grid-cols-2">
      <div class="min-w-0">
        <label class="caption block" for="reading-when">Taken at; empty: now</label>
        <input id="reading-when" v-model="takenAt" type="datetime-local" class="entry" />
      </div>
      <TextField label="Note" optional :value="note" @change="(v) => ((note = v), remember())" />
      <div>
        <label class="caption block" for="reading-photo">Picture</label>
        <div class="flex items-center gap-2">
          <label class="tool focus-within:outline-2 focus-within:outline-copper"
            ><Camera :size="18" />Take or choose<input
              id="reading-photo"
              type="file"
              accept="image/*"
              capture="environment"
              class="sr-only"
              @change="picture"
          /></label>
          <img v-if="photo" :src="photo" alt="The picture taken" class="h-11 rounded-sm" />
        </div>
        <p v-if="pictures > 0.7" class="caption mt-1">
          Pictures take {{ Math.round(pictures * 100) }} % of the {{ MOST_PICTURES / 1e6 }} MB that a study has room
          for.
        </p>
        <p v-if="trouble" class="mt-1 text-sm text-alarm" role="alert">{{ trouble }}</p>
      </div>
    </div>
    <div class="mt-3 flex flex-wrap gap-2">
      <button v-if="judgement?.offers.length" class="tool tool-main" @click="keep(true)">
        <NotebookPen :size="18" />Keep and correct the study
      </button>
      <button class="tool" :disabled="!checked.success" @click="keep(false)">
        <NotebookPen :size="18" />Keep in the log
      </button>
    </div>
    <p v-if="!checked.success" class="caption mt-1">
      Type what was read; the result shows as soon as it can be worked out.
    </p>
    <ul v-if="judgement?.offers.length" class="caption mt-1">
      <li v-for="o in judgement.offers" :key="o.path">Would correct: {{ o.label }}.</li>
    </ul>
  </section>
</template>
