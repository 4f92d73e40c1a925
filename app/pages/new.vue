<script setup lang="ts">
import {
  ArrowLeft,
  Baby,
  Bath,
  CloudRain,
  CookingPot,
  Droplets,
  Leaf,
  MountainSnow,
  Palmtree,
  PersonStanding,
  ShowerHead,
  Snowflake,
  Sun,
  User,
  WashingMachine,
} from '@lucide/vue'
import CountField from '~/components/begin/CountField.vue'
import FirstYear from '~/components/begin/FirstYear.vue'
import LayoutSketch from '~/components/begin/LayoutSketch.vue'
import PictureChoice from '~/components/begin/PictureChoice.vue'
import SourceSketch from '~/components/begin/SourceSketch.vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { keepBeside } from '~/utils/db'
import { type Climate, CLIMATES } from '~~/core/climate/archetypes'
import { HEATERS } from '~~/core/heaters/kinds'
import { blankStudy } from '~~/core/household/defaults/blank'
import { currencyIn, firstAnswers, withDefaults } from '~~/core/household/engineer/begin-with'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import {
  burns,
  hasVessel,
  mainCarrier,
  QUICK_DAYS,
  QUICK_LAYOUTS,
  QUICK_SOURCES,
  QUICK_TIMERS,
  QuickAnswers,
  type QuickDay,
  type QuickFixture,
  type QuickLayout,
  type QuickTimer,
  unanswered,
} from '~~/core/household/quick-start/answers'
import { quickStart } from '~~/core/household/quick-start/begin'
import { type Region, REGIONS } from '~~/core/household/quick-start/regions'
import { BILL_UNITS, BILLED, type BillUnit } from '~~/core/money/billing'
import { type Carrier, CARRIER_NAMES } from '~~/core/money/carriers'
import { rangeOf } from '~~/core/schema/shape'
import { BurnerFuel } from '~~/core/study/fuels'
import { LOOP_MODES } from '~~/core/study/loop-modes'
import type { Study } from '~~/core/study/study'

/** Nine questions that a household begins with, and its first year beside them. */
useHead({ title: 'New household · Bagno' })
const table = useStudy()
const own = useOwn()
const answers = ref<QuickAnswers>(firstAnswers(own.defaults))
const answered = ref(false)
const answer = (part: Partial<QuickAnswers>) => {
  answered.value = true
  answers.value = { ...answers.value, ...part }
}
onMounted(async () => {
  await own.ready()
  if (!answered.value) answers.value = firstAnswers(own.defaults)
})
const missing = computed(() => unanswered(answers.value))
const begun = computed(() => (missing.value ? null : quickStart('household', answers.value, own.defaults)))
watch(begun, (study) => (table.begun = study ?? table.begun), { immediate: true })
onBeforeUnmount(() => (table.begun = null))
const units = computed(() => table.units)

const listed = <K extends string>(of: Record<K, { name: string; says?: string }>) =>
  (Object.entries(of) as [K, { name: string; says?: string }][]).map(([value, { name, says }]) => ({
    value,
    name,
    says,
  }))
const regions = listed<Region>(REGIONS)
const CLIMATE_PICTURE = {
  'cold inland': Snowflake,
  'cool coast': CloudRain,
  'temperate inland': Leaf,
  'warm and dry': Sun,
  'warm and humid': Palmtree,
  'high mountain': MountainSnow,
} satisfies Record<Climate, unknown>
const climates = (Object.keys(CLIMATES) as Climate[]).map((value) => ({
  value,
  name: value[0]!.toUpperCase() + value.slice(1),
}))
const sources = QUICK_SOURCES.map((value) => ({
  value,
  name: HEATERS[value].byItself ? `${HEATERS[value].name}, with immersion heater` : HEATERS[value].name,
}))
const fuels = BurnerFuel.options.map((value) => ({ value, name: CARRIER_NAMES[value] }))
const days = listed<QuickDay>(QUICK_DAYS)
const layouts = listed<QuickLayout>(QUICK_LAYOUTS)
const timers = listed<QuickTimer>(QUICK_TIMERS)
const modes = LOOP_MODES.map((value) => ({ value, name: LOOP_MODE_WORDS[value].name }))
const FIXTURES: { kind: QuickFixture; name: string; picture: unknown }[] = [
  { kind: 'shower', name: 'Showers', picture: ShowerHead },
  { kind: 'bath', name: 'Baths', picture: Bath },
  { kind: 'basin', name: 'Basins', picture: Droplets },
  { kind: 'kitchen', name: 'Kitchen sinks', picture: CookingPot },
  { kind: 'machine', name: 'Machines on hot water', picture: WashingMachine },
]
const PEOPLE = [
  { kind: 'adults', name: 'Adults', picture: User },
  { kind: 'children', name: 'Children', picture: Baby },
  { kind: 'older', name: 'Older occupants', picture: PersonStanding },
] as const

const shape = QuickAnswers.shape
const litresSchema = shape.litres.unwrap()
const setpointSchema = shape.setpointC.unwrap()
const priceSchema = shape.price.unwrap().shape.perUnit

/** The bill is the main heater's: its price stands in the unit it counts in, until somebody has one. */
const carrier = computed((): Carrier => mainCarrier(answers.value))
const tariff = computed(() => begun.value?.prices.carriers[carrier.value] ?? null)
const billUnits = computed(() =>
  (Object.keys(BILLED[carrier.value]) as BillUnit[]).map((value) => ({ value, name: BILL_UNITS[value] })),
)
// A price belongs to what it was paid for.
watch(carrier, () => answer({ price: null }))
const billUnit = ref<BillUnit>('kwh')
watch(tariff, (t) => t && !answers.value.price && (billUnit.value = t.unit), { immediate: true })
const setBillUnit = (unit: BillUnit) => {
  billUnit.value = unit
  if (answers.value.price) answer({ price: { ...answers.value.price, unit } })
}
const setPrice = (perUnit: number | null) =>
  answer({ price: perUnit === null ? null : { unit: billUnit.value, perUnit } })
const assumedPrice = computed(() =>
  tariff.value && billUnit.value === tariff.value.unit ? String(tariff.value.price) : '',
)
const assumedLitres = computed(() => begun.value?.plant.store?.litres ?? null)
const assumedSetpoint = computed(() => Object.values(begun.value?.controls.found.heaters ?? {})[0]?.setpointC ?? null)

const trouble = ref('')
const creating = ref(false)
async function create(study: Study) {
  creating.value = true
  const kept = await keepBeside(study).catch(() => null)
  creating.value = false
  if (!kept) {
    trouble.value =
      'The household was not created: browser storage is full or blocked. Delete an old study or free space, and try again.'
    return
  }
  await navigateTo(`/study/${kept.id}/survey`)
}
const skip = () => {
  const { region } = answers.value
  const blank = blankStudy('household', REGIONS[region].units, currencyIn(region, own.defaults))
  return create(withDefaults(blank, own.defaults))
}
</script>

<template>
  <main id="work" class="mx-auto max-w-[84rem] px-3 pb-36 sm:px-4 lg:pb-28">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
      <NuxtLink to="/" class="tool tool-bare px-2" aria-label="All households"><ArrowLeft :size="20" /></NuxtLink>
      <h1 class="text-xl sm:text-2xl">New household</h1>
      <p class="text-sm text-ink-soft">
        Nine questions. The rest is assumed, marked so, and changed later in Survey. Prices, pipe and place begin with
        <NuxtLink to="/defaults" class="underline">your defaults</NuxtLink>.
      </p>
    </header>
    <p v-if="trouble" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">{{ trouble }}</p>
    <ol class="gap-x-8 md:columns-2 xl:columns-4" aria-label="Questions">
      <li class="question" aria-label="Place">
        <h2>1 · Place</h2>
        <ChoiceField
          label="Units and currency"
          :value="answers.region"
          :choices="regions"
          @change="(region) => answer({ region, price: null })"
        />
        <PictureChoice
          v-slot="{ value }"
          label="Climate"
          class="mt-1 grid-cols-2"
          :value="answers.climate"
          :choices="climates"
          @change="(climate) => answer({ climate })"
        >
          <component :is="CLIMATE_PICTURE[value]" :size="18" class="shrink-0" aria-hidden="true" />
        </PictureChoice>
      </li>
      <li class="question" aria-label="Occupants">
        <h2>2 · Occupants and their day</h2>
        <div class="grid gap-1">
          <CountField
            v-for="p in PEOPLE"
            :key="p.kind"
            :label="p.name"
            :value="answers[p.kind]"
            :most="rangeOf(shape[p.kind]).max"
            @change="(n) => answer({ [p.kind]: n })"
            ><component :is="p.picture" :size="18" aria-hidden="true"
          /></CountField>
        </div>
        <ChoiceField
          class="mt-1"
          label="At home"
          :value="answers.day"
          :choices="days"
          @change="(day) => answer({ day })"
        />
      </li>
      <li class="question" aria-label="Heat source">
        <h2>3 · Heat source</h2>
        <PictureChoice
          v-slot="{ value }"
          label="Heat source"
          :value="answers.source"
          :choices="sources"
          @change="(source) => answer({ source })"
        >
          <SourceSketch :source="value" />
        </PictureChoice>
        <ChoiceField
          v-if="burns(answers.source)"
          class="mt-1"
          label="Fuel"
          :value="answers.fuel"
          :choices="fuels"
          @change="(fuel) => answer({ fuel })"
        />
      </li>
      <li class="question" aria-label="Cylinder">
        <h2>4 · Cylinder</h2>
        <NumberField
          v-if="hasVessel(answers.source)"
          label="Contents"
          :value="answers.litres"
          :schema="litresSchema"
          quantity="volume"
          :decimals="0"
          optional
          :help="
            answers.litres === null && assumedLitres !== null
              ? `empty: ${units.figure('volume', assumedLitres, 0)} assumed`
              : undefined
          "
          @change="(litres) => answer({ litres })"
        />
        <p v-else class="text-sm text-ink-soft">None: this heater heats the water as it runs.</p>
      </li>
      <li class="question" aria-label="Fixtures">
        <h2>5 · Fixtures</h2>
        <div class="grid gap-1">
          <CountField
            v-for="f in FIXTURES"
            :key="f.kind"
            :label="f.name"
            :value="answers.fixtures[f.kind]"
            :most="rangeOf(shape.fixtures.shape[f.kind]).max"
            @change="(n) => answer({ fixtures: { ...answers.fixtures, [f.kind]: n } })"
            ><component :is="f.picture" :size="18" aria-hidden="true"
          /></CountField>
        </div>
      </li>
      <li class="question" aria-label="Distance">
        <h2>6 · Distance</h2>
        <NumberField
          label="Pipe length to the farthest outlet"
          :value="answers.farthestM"
          :schema="shape.farthestM"
          quantity="length"
          @change="(m) => m !== null && answer({ farthestM: m })"
        />
      </li>
      <li class="question" aria-label="Pipework">
        <h2>7 · Pipework</h2>
        <PictureChoice
          v-slot="{ value }"
          label="How the pipes run"
          :value="answers.layout"
          :choices="layouts"
          @change="(layout) => answer({ layout })"
        >
          <LayoutSketch :layout="value" />
        </PictureChoice>
      </li>
      <li class="question" aria-label="Settings as found">
        <h2>8 · Settings as found</h2>
        <div class="grid gap-1">
          <NumberField
            label="Setpoint"
            :value="answers.setpointC"
            :schema="setpointSchema"
            quantity="temperature"
            optional
            :help="
              answers.setpointC === null && assumedSetpoint !== null
                ? `empty: ${units.temperature(assumedSetpoint)} assumed`
                : undefined
            "
            @change="(setpointC) => answer({ setpointC })"
          />
          <ChoiceField
            label="Heater on"
            :value="answers.timer"
            :choices="timers"
            @change="(timer) => answer({ timer })"
          />
          <ChoiceField
            v-if="answers.layout === 'circulation'"
            label="Circulation mode"
            :value="answers.loopMode"
            :choices="modes"
            @change="(loopMode) => answer({ loopMode })"
          />
        </div>
      </li>
      <li class="question" aria-label="Price">
        <h2>9 · Price on the last bill</h2>
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            :label="CARRIER_NAMES[carrier]"
            :value="answers.price?.perUnit ?? null"
            :schema="priceSchema"
            :unit="currencyIn(answers.region, own.defaults)"
            optional
            :help="answers.price === null && assumedPrice ? `empty: ${assumedPrice} assumed` : undefined"
            @change="setPrice"
          />
          <ChoiceField label="for one" :value="billUnit" :choices="billUnits" @change="setBillUnit" />
        </div>
      </li>
    </ol>
    <FirstYear :study="begun" :missing="missing">
      <button class="tool" :disabled="creating" @click="skip">Skip the questions</button>
      <button class="tool tool-main" :disabled="creating || missing !== null" @click="begun && create(begun)">
        Create household
      </button>
    </FirstYear>
  </main>
</template>

<style scoped>
/* A question stays in one column. */
.question {
  break-inside: avoid;
  margin-bottom: 1rem;
  border-top: 2px solid var(--color-ink);
  padding-top: 0.35rem;
}
.question h2 {
  font-size: 1.05rem;
  margin-bottom: 0.35rem;
}
</style>
