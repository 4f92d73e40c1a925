<script setup lang="ts">
import type { z } from 'zod'
import NotTaken from '~/components/fields/NotTaken.vue'
import { useTyped } from '~/composables/useTyped'
import { useStudy } from '~/stores/study'
import { rangeOf } from '~~/core/schema/shape'
import { meanings, parseNumber, parseQuantity, understood } from '~~/core/units/parse'
import { ENERGY_SHOWN, fromMetric, inUnit, type Quantity, type System, unitOf } from '~~/core/units/quantities'
import { helpOf } from '~~/core/words/field-help'

/** A figure typed in the user's own units; what it accepts comes from the study's schema. */
const props = defineProps<{
  label: string
  /** Metric value of the study. */
  value: number | null
  schema: z.ZodType
  /** Without one the figure has no unit to convert. */
  quantity?: Quantity
  /** Shown behind a figure that has no quantity. */
  unit?: string
  decimals?: number
  /** Lets the field be left empty. */
  optional?: boolean
  origin?: 'measured' | 'entered' | 'assumed'
  /** Label only for screen readers, in a table. */
  bare?: boolean | 'wide'
  /** Lets this one field be written in the other unit system. */
  switchable?: boolean
  /** What is wrong with it together with other fields. */
  fault?: string
  /** A line that says what a word of the trade means. */
  help?: string
}>()
const emit = defineEmits<{ change: [value: number | null] }>()

const table = useStudy()
/** Its own line of help, or the one that its label has anywhere. */
const line = computed(() => props.help ?? (props.bare ? undefined : helpOf(props.label)))
const own = ref<System | null>(null)
const system = computed(() => own.value ?? table.spoken?.units ?? 'metric')
const other = computed((): System => (system.value === 'metric' ? 'us' : 'metric'))
const canSwitch = computed(
  () =>
    props.switchable && props.quantity !== undefined && unitOf(props.quantity, other.value).label !== shownUnit.value,
)
const id = useId()
const error = ref('')
const { typed, again } = useTyped(
  () => props.label,
  () => props.value,
  commit,
)
/** What a doubtful entry can mean, to be chosen from. */
const choices = ref<{ text: string; shown: string }[]>([])
/** How a doubtful entry was taken, by the style of the study, and what else it could have meant. */
const taken = ref<{ as: string; other: { text: string; shown: string } | null } | null>(null)

/** The unit that it is typed in; energy in what the study counts it in. */
const unit = computed(() =>
  props.quantity === 'energy' && own.value === null
    ? ENERGY_SHOWN[table.spoken?.energyIn ?? 'kwh']
    : props.quantity
      ? unitOf(props.quantity, system.value)
      : null,
)
const shownUnit = computed(() => unit.value?.label ?? props.unit ?? '')
/** In a table its head says the unit. */
const suffix = computed(() => (props.bare === true ? '' : shownUnit.value))
const decimals = computed(() => props.decimals ?? unit.value?.decimals ?? 3)
const write = (metric: number) => {
  const shown = unit.value ? inUnit(unit.value, metric) : metric
  return String(Number(shown.toFixed(Math.max(decimals.value, Math.abs(shown) < 1 ? 3 : 0))))
}
/** Without the rounding of a field: what tells two meanings apart may be in the decimals. */
const inFull = (metric: number) => Number((unit.value ? inUnit(unit.value, metric) : metric).toPrecision(7))
/** The same figure as the other system writes it, for whoever holds an instrument of that one. */
const alsoAs = computed(() => {
  if (props.value === null || !props.quantity) return undefined
  const unit = unitOf(props.quantity, other.value)
  if (unit.label === shownUnit.value) return undefined
  const shown = fromMetric(props.quantity, other.value, props.value)
  return `= ${Number(shown.toFixed(Math.max(unit.decimals, Math.abs(shown) < 1 ? 3 : 0)))} ${unit.label}`
})
const text = computed(() => typed.value ?? (props.value === null ? '' : write(props.value)))

const read = (text: string) =>
  props.quantity ? parseQuantity(props.quantity, system.value, text, unit.value!) : parseNumber(text)

function commit() {
  if (typed.value === null) return
  const entry = typed.value.trim()
  if (entry === '' && props.optional) {
    accept(null)
    return
  }
  taken.value = null
  const said = understood(entry, table.spoken?.numbers ?? 'not said')
  if (said && read(said.meant) !== null) {
    const [meant, other] = [read(said.meant)!, read(said.other)]
    typed.value = said.meant
    if (!fits(meant)) return
    accept(meant)
    taken.value = {
      as: `${inFull(meant)} ${shownUnit.value}`.trim(),
      other: other === null ? null : { text: said.other, shown: `${inFull(other)} ${shownUnit.value}`.trim() },
    }
    return
  }
  const either = meanings(entry)
  if (either) {
    error.value = `${props.label}: “${entry}” is ambiguous`
    choices.value = either.flatMap((text) => {
      const metric = read(text)
      return metric === null ? [] : [{ text, shown: `${inFull(metric)} ${shownUnit.value}`.trim() }]
    })
    return
  }
  choices.value = []
  const metric = read(entry)
  if (fits(metric)) accept(clamped(metric))
}

/** Whether a figure is one and within its limits; else it is said. */
function fits(metric: number | null): metric is number {
  const { min, max } = rangeOf(props.schema)
  if (metric !== null && metric >= min - 1e-9 && metric <= max + 1e-9) return true
  error.value = `${props.label}: accepts ${write(min)} to ${write(max)} ${shownUnit.value}`.trim()
  return false
}
const clamped = (metric: number) => {
  const { min, max } = rangeOf(props.schema)
  return Math.min(max, Math.max(min, metric))
}

/** Takes one meaning of a doubtful entry, whatever the style of the study says of it. */
function choose(text: string) {
  taken.value = null
  choices.value = []
  const metric = read(text)
  if (fits(metric)) accept(clamped(metric))
}

function accept(value: number | null) {
  typed.value = null
  error.value = ''
  choices.value = []
  // A figure that was only rounded for show is not a change.
  if (value !== null && props.value !== null && write(value) === write(props.value)) return
  if (value !== props.value) emit('change', value)
}

watch(
  () => props.value,
  () => {
    if (typed.value !== null) return
    error.value = ''
    choices.value = []
  },
)
</script>

<template>
  <div class="min-w-0">
    <div :class="bare === true ? '' : 'flex items-baseline gap-1'">
      <label
        :for="id"
        :class="bare === 'wide' ? 'caption block truncate xl:sr-only' : bare ? 'sr-only' : 'caption block'"
        >{{ label }}<span v-if="bare && shownUnit">, {{ shownUnit }}</span></label
      >
      <span
        v-if="origin && origin !== 'entered'"
        :id="`${id}-origin`"
        :class="
          bare
            ? 'sr-only'
            : origin === 'assumed'
              ? 'caption border-b border-dashed border-line-strong italic'
              : 'caption text-verdigris!'
        "
        >{{ origin }}</span
      >
    </div>
    <div class="relative flex items-center">
      <input
        :id="id"
        class="entry pr-14"
        :class="{ italic: origin === 'assumed', 'pr-2!': !suffix }"
        :value="text"
        :title="alsoAs"
        inputmode="text"
        autocomplete="off"
        :aria-invalid="error !== '' || fault !== undefined"
        :aria-describedby="
          [
            origin && origin !== 'entered' ? `${id}-origin` : '',
            error || fault ? `${id}-error` : line ? `${id}-help` : '',
          ]
            .filter(Boolean)
            .join(' ') || undefined
        "
        @input="typed = ($event.target as HTMLInputElement).value"
        @change="commit"
        @keydown.enter="commit"
        @keydown.escape="((typed = null), (error = ''), (choices = []))"
      />
      <button
        v-if="canSwitch"
        type="button"
        class="absolute right-0 min-h-11 min-w-11 rounded px-2 text-sm text-copper underline"
        :aria-label="`${shownUnit}: show ${label} in ${unitOf(quantity!, other).label}`"
        @click="own = other"
      >
        {{ shownUnit }}
      </button>
      <span v-else-if="suffix" class="caption pointer-events-none absolute right-2" aria-hidden="true">{{
        suffix
      }}</span>
    </div>
    <p v-if="line" :id="`${id}-help`" class="caption leading-4">{{ line }}</p>
    <p v-if="error || fault" :id="`${id}-error`" role="alert" class="mt-1 text-sm text-alarm">
      {{ error || `${label}: ${fault}` }}
    </p>
    <NotTaken :again="again" />
    <p v-if="taken" role="status" class="caption">
      Read as {{ taken.as
      }}<button v-if="taken.other" type="button" class="tool ml-1" @click="choose(taken.other.text)">
        Change to {{ taken.other.shown }}
      </button>
    </p>
    <div v-if="error && choices.length" class="mt-1 flex gap-2">
      <button v-for="c in choices" :key="c.text" type="button" class="tool" @click="choose(c.text)">
        {{ c.shown }}
      </button>
    </div>
  </div>
</template>
