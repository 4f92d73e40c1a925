<script setup lang="ts">
import { NotebookPen, Timer } from '@lucide/vue'
import { useNow } from '@vueuse/core'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import PictureField from '~/components/fields/PictureField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import DialPicture from '~/components/set/DialPicture.vue'
import { useStudy } from '~/stores/study'
import { localIso } from '~/utils/local-iso'
import { FIELDS } from '~~/core/calculators/fields'
import { dialText } from '~~/core/heaters/dial'
import { type DialGuide, dialNext, dialReading, dialSteps, marksOn } from '~~/core/household/dial-guide'
import { type Controller, TURNS } from '~~/core/study/controllers'
import { SetpointC } from '~~/core/study/controls'
import { freshId } from '~~/core/study/fresh-id'
import { FlowC } from '~~/core/study/heating'

/** Work on a dial without degrees: mark, turn, draw, wait, read, and mark again; each reading goes to the log. */
const props = defineProps<{
  guide: DialGuide
  /** What the other person read at the outlet; null: nothing yet. */
  heard: { c: number } | null
}>()
const emit = defineEmits<{ required: [c: number] }>()
const table = useStudy()
const units = computed(() => table.units)
const dial = computed(() => props.guide.controller?.dial ?? null)
const names = computed(() => marksOn(props.guide))
const last = computed(() => props.guide.marks.at(-1) ?? null)
const to = computed(() => (props.guide.work.does === 'turn' ? props.guide.work.to : null))
const put = (key: string, edit: (d: NonNullable<Controller['dial']>) => void) =>
  table.change(`dial ${key}`, (s) => edit(s.controllers.find((c) => c.id === props.guide.controller!.id)!.dial!))
const setMarks = (text: string) => {
  const marks = text.split(/[\s,;]+/).filter(Boolean)
  if (marks.length >= 2) put('marks', (d) => void (d.marks = marks))
}

/** What is read now: where it stands, and how hot the water came. */
const stands = ref<number | null>(null)
const readC = ref<number | null>(null)
watch(
  () => props.heard,
  (heard) => {
    if (heard && props.guide.heater) readC.value = heard.c
  },
)
/** How it stands, as a picture: the mark and the pointer beside it. */
const photo = ref<string | null>(null)
const making = ref(false)
const keep = () => {
  table.change(`dial read ${props.guide.of}`, (s) =>
    s.readings.push({
      id: freshId('reading', s.readings),
      takenAt: localIso(new Date()),
      sum: null,
      ...dialReading(props.guide.of, stands.value!, readC.value!),
      note: '',
      photo: photo.value,
      adopted: null,
    }),
  )
  readC.value = null
  photo.value = null
}
/** What was read where the dial now stands is what is set. */
const take = (c: number) =>
  table.set(`setpoint ${props.guide.of}`, (k) => {
    if (props.guide.heater) k.heaters[props.guide.of]!.setpointC = c
    else k.heating.flow = { by: 'fixed', flowC: c }
  })
const sets = computed(() => (props.guide.heater ? 'setpoint' : 'heating flow'))
/** Until when to wait; null: no wait is under way. */
const until = ref<number | null>(null)
const now = useNow({ interval: 1000 })
const left = computed(() => (until.value === null ? null : Math.max(0, until.value - now.value.getTime()) / 1000))
const wait = () => void (until.value = Date.now() + (props.guide.waitMin ?? 1) * 60_000)
const leftText = computed(() =>
  left.value === null ? '' : `${Math.floor(left.value / 60)}:${String(Math.floor(left.value % 60)).padStart(2, '0')}`,
)
const atText = (division: number) => dialText(names.value, division)
</script>

<template>
  <section :aria-label="`Dial of ${guide.name}`" class="border-t border-line-strong py-4" :data-dial="guide.of">
    <h2 class="text-xl">{{ guide.name }}</h2>
    <div class="mt-2 flex flex-wrap items-start gap-6">
      <DialPicture
        :marks="names"
        :hotter="dial?.hotter ?? 'not checked'"
        :at="last?.division ?? null"
        :to="to"
        :name="`Dial of ${guide.name}`"
      />
      <div class="min-w-0 flex-1 basis-72">
        <p
          class="border-l-4 pl-3"
          :class="guide.work.does === 'stop' ? 'border-verdigris' : 'border-copper'"
          role="status"
          data-next
        >
          {{ dialNext(guide, units) }}
        </p>
        <button v-if="guide.work.does === 'stop'" class="tool tool-bare" @click="take(guide.work.readC)">
          Set the {{ sets }} to {{ units.temperature(guide.work.readC) }}
        </button>
        <ol class="mt-3 list-decimal space-y-1 pl-6 text-sm">
          <li v-for="step in dialSteps(guide, units)" :key="step.text">
            {{ step.text }}
            <template v-if="step.waits">
              <button class="tool tool-bare" @click="wait"><Timer :size="17" />Time the wait</button>
              <span v-if="left !== null" role="timer" class="font-semibold" data-wait>{{
                left > 0 ? leftText : 'time is up: has it stopped?'
              }}</span>
            </template>
          </li>
        </ol>
        <p v-if="guide.pair" class="mt-2 border-l-4 border-line-strong pl-2 text-sm">
          {{ guide.pair.name }} heats the same cylinder: set both alike, or the higher one does the heating.
        </p>
      </div>
    </div>
    <div class="mt-3 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
      <NumberField
        label="Required"
        quantity="temperature"
        :schema="guide.heater ? SetpointC : FlowC"
        :value="guide.requiredC"
        @change="(c) => emit('required', c!)"
      />
      <NumberField
        label="Dial stands at, in marks"
        :decimals="2"
        optional
        :schema="FIELDS.division"
        :value="stands"
        :help="`1 is ${names[0]}, ${names.length} is ${names.at(-1)}`"
        @change="(v) => (stands = v)"
      />
      <NumberField
        :label="guide.heater ? 'Hot water reads' : 'Flow pipe reads'"
        quantity="temperature"
        optional
        :schema="guide.heater ? FIELDS.hotC : FlowC"
        :value="readC"
        @change="(v) => (readC = v)"
      />
      <button class="tool mt-4" :disabled="stands === null || readC === null || making" @click="keep">
        <NotebookPen :size="17" />Save to log
      </button>
    </div>
    <PictureField
      class="mt-2"
      :label="`Picture of the dial of ${guide.name}`"
      :photo="photo"
      :put="(small) => (photo = small)"
      @making="(m) => (making = m !== null)"
    />
    <p v-if="stands !== null" class="caption mt-1">Stands at: {{ atText(stands) }}.</p>
    <ul v-if="guide.marks.length" class="mt-2 text-sm" data-marks>
      <li v-for="(m, i) in guide.marks" :key="i">{{ atText(m.division) }}: {{ units.temperature(m.tempC) }}</li>
    </ul>
    <details v-if="dial" class="mt-2">
      <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">
        What stands on the dial
      </summary>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
        <TextField
          class="col-span-2"
          label="Marks in their order, cold first"
          :value="dial.marks.join(' ')"
          @change="setMarks"
        />
        <ChoiceField
          label="Hotter is"
          :value="dial.hotter"
          :choices="TURNS.map((value) => ({ value, name: value }))"
          @change="(v) => put('hotter', (d) => void (d.hotter = v))"
        />
        <YesNoField
          label="Lowest position is off"
          :value="dial.lowestIsOff"
          @change="(v) => put('off', (d) => void (d.lowestIsOff = v))"
        />
        <TextField
          class="col-span-2"
          label="Where the pointer is"
          optional
          :value="dial.pointer"
          @change="(v) => put('pointer', (d) => void (d.pointer = v))"
        />
      </div>
    </details>
  </section>
</template>
