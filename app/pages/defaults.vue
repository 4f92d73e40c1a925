<script setup lang="ts">
import { ArrowLeft, Download, FileUp, Trash2 } from '@lucide/vue'
import OwnBook from '~/components/begin/OwnBook.vue'
import OwnPipe from '~/components/begin/OwnPipe.vue'
import OwnPrices from '~/components/begin/OwnPrices.vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import SchemeButton from '~/components/home/SchemeButton.vue'
import { useNotice } from '~/composables/useNotice'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { exportDefaults, importDefaults } from '~/utils/files'
import { type Climate, CLIMATES } from '~~/core/climate/archetypes'
import { blankStudy } from '~~/core/household/defaults/blank'
import { firstAnswers, movedTo, pricesIn } from '~~/core/household/engineer/begin-with'
import { NO_DEFAULTS, PIPE_USES, type PipeUse, USUAL_WRAP_MM } from '~~/core/household/engineer/defaults'
import { type Region, REGIONS } from '~~/core/household/quick-start/regions'
import { type Thermometer, THERMOMETER_NAMES } from '~~/core/instruments/thermometers'
import { type InsulationKind, insulationOf, INSULATIONS } from '~~/core/pipes/loss'
import { InsulationField } from '~~/core/study/pipes'
import type { Fault } from '~~/core/units/result'

/** What the engineer begins every household with, kept in this browser and as a file. */
useHead({ title: 'Defaults · Bagno' })
const { say } = useNotice()
const own = useOwn()
const table = useStudy()
const mine = computed(() => own.defaults)
const picker = ref<HTMLInputElement | null>(null)
const refused = shallowRef<Fault[]>([])

/** The page speaks in the units and the currency of the engineer's region. */
const region = computed(() => firstAnswers(mine.value).region)
const currency = computed(() => pricesIn(mine.value))
watch([region, currency], () => (table.begun = blankStudy('household', REGIONS[region.value].units, currency.value)), {
  immediate: true,
})
onMounted(own.ready)
onBeforeUnmount(() => (table.begun = null))

const NOT_SAID = { value: null, name: 'not set' }
const regions = [NOT_SAID, ...(Object.keys(REGIONS) as Region[]).map((value) => ({ value, name: REGIONS[value].name }))]
const climates = [
  NOT_SAID,
  ...(Object.keys(CLIMATES) as Climate[]).map((value) => ({ value, name: value[0]!.toUpperCase() + value.slice(1) })),
]
/** Prices that are left behind with their currency can be had back. */
async function elsewhere(part: Partial<typeof mine.value>) {
  const before = mine.value
  const priced = Object.keys(before.carriers).length > 0 || before.water !== null || Object.keys(before.book).length > 0
  await own.keep(movedTo(before, part))
  if (priced && pricesIn(before) !== currency.value)
    say({
      text: `The prices in ${pricesIn(before)} are not kept in ${currency.value}.`,
      way: { label: 'Undo', take: () => own.keep(before) },
    })
}

const thermometers = [
  { value: null as Thermometer | null, name: 'not set' },
  ...THERMOMETER_NAMES.map((value) => ({ value, name: value })),
]
const kinds = computed(() => [
  // One from a file may be none of these.
  { value: null, name: mine.value.insulation ? 'of another material' : 'not set' },
  ...(Object.keys(INSULATIONS) as InsulationKind[]).map((value) => ({ value, name: value })),
])
const kind = computed(() => mine.value.insulation && insulationOf(mine.value.insulation.lambdaWMK))
const wrap = (next: InsulationKind | null) =>
  own.change({
    insulation: next && {
      lambdaWMK: INSULATIONS[next].lambdaWMK,
      thicknessMm: mine.value.insulation?.thicknessMm ?? USUAL_WRAP_MM,
    },
  })

async function take(file: File | undefined) {
  refused.value = []
  if (!file) return
  const read = await importDefaults(file)
  if (!read.ok) return void (refused.value = read.faults)
  const before = mine.value
  await own.keep(read.value)
  say({ text: `Imported the defaults of “${file.name}”.`, way: { label: 'Undo', take: () => own.keep(before) } })
}
function onPick(event: Event) {
  const input = event.target as HTMLInputElement
  void take(input.files?.[0])
  input.value = ''
}
async function clear() {
  const before = mine.value
  await own.keep(NO_DEFAULTS)
  say({ text: 'Defaults cleared.', way: { label: 'Undo', take: () => own.keep(before) } })
}
</script>

<template>
  <main id="work" class="mx-auto max-w-4xl px-3 pb-12 sm:px-4">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
      <NuxtLink to="/" class="tool tool-bare px-2" aria-label="All households"><ArrowLeft :size="20" /></NuxtLink>
      <h1 class="text-xl sm:text-2xl">Defaults</h1>
      <p class="order-last w-full text-sm text-ink-soft sm:order-none sm:w-auto sm:flex-1">
        Every new household begins with these. Households that exist stay as they are.
      </p>
      <span class="ml-auto"><SchemeButton /></span>
    </header>
    <p v-if="own.trouble" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">{{ own.trouble }}</p>
    <div v-if="refused.length" class="mb-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
      <p class="font-semibold">The file was not imported. The defaults are as they were.</p>
      <ul class="mt-1 text-sm">
        <li v-for="(f, i) in refused" :key="i">
          <b v-if="f.path">{{ f.path }}: </b>{{ f.message }}
        </li>
      </ul>
    </div>

    <section aria-label="Engineer" class="own">
      <h2>Engineer</h2>
      <div class="grid gap-3 sm:grid-cols-2">
        <TextField label="Name" optional :value="mine.name" @change="(name) => own.change({ name })" />
        <TextField
          label="Firm and mark of the trade"
          optional
          :value="mine.mark"
          @change="(mark) => own.change({ mark })"
        />
      </div>
      <p class="caption mt-1">Stands beside each change of a setting.</p>
    </section>

    <section aria-label="Place" class="own">
      <h2>Place</h2>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <ChoiceField
          label="Units and currency"
          :value="mine.region"
          :choices="regions"
          @change="(v) => elsewhere({ region: v })"
        />
        <TextField
          label="Currency, where another"
          optional
          :value="mine.currency ?? ''"
          :check="
            (text) =>
              /^([A-Z]{3})?$/.test(text) ? '' : 'is no currency. Accepts a code of three capitals, such as EUR'
          "
          @change="(v) => elsewhere({ currency: v || null })"
        />
        <ChoiceField
          label="Climate"
          :value="mine.climate"
          :choices="climates"
          @change="(climate) => own.change({ climate })"
        />
      </div>
    </section>

    <OwnPrices :currency="currency" class="own" />

    <OwnBook :currency="currency" class="own" />

    <section aria-label="Insulation in the van" class="own">
      <h2>Pipe insulation in the van</h2>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <ChoiceField label="Insulation material" :value="kind" :choices="kinds" @change="wrap" />
        <NumberField
          v-if="mine.insulation"
          label="Insulation thickness"
          quantity="thickness"
          :schema="InsulationField.shape.thicknessMm"
          :value="mine.insulation.thicknessMm"
          @change="(mm) => mm && own.change({ insulation: { ...mine.insulation!, thicknessMm: mm } })"
        />
      </div>
      <p class="caption mt-1">“Insulate pipes” begins with it, and so does what is tried for a finding.</p>
    </section>

    <section aria-label="Thermometer" class="own">
      <h2>Thermometer in the bag</h2>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <ChoiceField
          label="Thermometer"
          :value="mine.instrument?.thermometer ?? null"
          :choices="thermometers"
          @change="
            (thermometer) =>
              own.change({
                instrument: thermometer && { thermometer, checkedOn: mine.instrument?.checkedOn ?? null },
              })
          "
        />
        <DateField
          v-if="mine.instrument"
          label="Last check in ice or boiling water"
          :value="mine.instrument.checkedOn"
          @change="(checkedOn) => own.change({ instrument: { ...mine.instrument!, checkedOn } })"
        />
      </div>
      <p class="caption mt-1">
        The first temperature of a day is read with it. A thermometer that was not checked for a year counts as less
        exact.
      </p>
    </section>

    <section aria-label="Pipe" class="own">
      <h2>Pipe met most</h2>
      <div class="grid gap-3 sm:grid-cols-3">
        <OwnPipe
          v-for="(name, use) in PIPE_USES"
          :key="use"
          :label="name"
          :value="mine.pipes[use as PipeUse]"
          @change="(pipe) => own.change({ pipes: { ...mine.pipes, [use]: pipe } })"
        />
      </div>
    </section>

    <div class="mt-6 flex flex-wrap gap-2 border-t-2 border-ink pt-3">
      <button class="tool" data-export-defaults @click="exportDefaults(mine)">
        <Download :size="18" />Export defaults
      </button>
      <button class="tool" @click="picker?.click()"><FileUp :size="18" />Import defaults</button>
      <button class="tool" @click="clear"><Trash2 :size="18" />Clear defaults</button>
      <input
        ref="picker"
        type="file"
        accept=".json,application/json"
        class="sr-only"
        aria-label="File of defaults to import"
        tabindex="-1"
        @change="onPick"
      />
    </div>
    <p class="caption mt-3">Saved in this browser only.</p>
  </main>
</template>

<style scoped>
.own {
  margin-top: 1rem;
  border-top: 2px solid var(--color-ink);
  padding-top: 0.35rem;
}
.own :deep(h2) {
  font-size: 1.05rem;
  margin-bottom: 0.35rem;
}
</style>
