<script setup lang="ts">
import { FileUp } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import {
  AMOUNT_UNITS,
  guessMapping,
  LARGEST_LOG,
  type LogMapping,
  readDrawLog,
  readTable,
  TEMPERATURE_UNITS,
} from '~~/core/study/draw-log'
import { LoggedDraw } from '~~/core/study/people'
import { faultText } from '~~/core/units/result'
import { mainsByMonth } from '~~/core/water/mains'

/** Draws that were logged, from a file of separated values: its columns are matched, then read or refused line by line. */
const table = useStudy()
const { say } = useNotice()
const file = ref<{ name: string; text: string; columns: string[]; sample: Record<string, string> } | null>(null)
const mapping = ref<LogMapping | null>(null)
const faults = ref<string[]>([])
const taps = computed(() => table.study!.pipes.taps)

async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  file.value = null
  if (chosen.size > LARGEST_LOG)
    return void (faults.value = [
      `“${chosen.name}” is ${(chosen.size / 1048576).toFixed(1)} MB. Accepts up to ${LARGEST_LOG / 1048576} MB`,
    ])
  const text = await chosen.text()
  const read = readTable(text)
  if (!read.ok) return void (faults.value = read.faults.map(faultText))
  faults.value = []
  file.value = { name: chosen.name, text, columns: read.value.columns, sample: read.value.rows[0]! }
  mapping.value = guessMapping(read.value.columns, taps.value[0]!.id)
}
function take() {
  const { site, pipes } = table.study!
  const months = mainsByMonth(site)
  const answer = readDrawLog(
    file.value!.name,
    file.value!.text,
    mapping.value!,
    pipes.taps,
    months.reduce((s, c) => s + c / 12, 0),
  )
  faults.value = answer.ok ? [] : answer.faults.map(faultText)
  if (!answer.ok) return
  if (!table.change('logged draws', (d) => void (d.people.draws = answer.value))) return
  say({
    text: `Imported ${answer.value.draws.length} draw-offs over ${answer.value.days} days from “${answer.value.source}”.`,
  })
  file.value = null
}
const put = (change: Partial<LogMapping>) => (mapping.value = { ...mapping.value!, ...change })
const columns = computed(
  () =>
    file.value?.columns.map((value) => ({ value, name: `${value} (${file.value!.sample[value] || 'empty'})` })) ?? [],
)
const maybe = computed(() => [
  { value: null as string | null, name: 'not in the file' },
  ...columns.value.map((c) => ({ value: c.value as string | null, name: c.name })),
])
const pick = <T extends string>(list: readonly T[]) => list.map((value) => ({ value, name: value as string }))
</script>

<template>
  <section aria-label="Logged draw-offs" class="mt-4">
    <h3 class="text-base">Logged draw-offs</h3>
    <p class="caption">
      A CSV file with a header row: a time such as 2026-03-02 07:15, a quantity and, if available, outlet and
      temperature.
    </p>
    <p v-if="table.study!.people.draws.kind === 'logged'" class="text-sm">
      The year repeats {{ table.study!.people.draws.draws.length }} draw-offs over
      {{ table.study!.people.draws.days }} days from “{{ table.study!.people.draws.source }}”.
    </p>
    <label class="tool mt-1 focus-within:outline-2 focus-within:outline-copper"
      ><FileUp :size="18" />Draw-off log (CSV)<input
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        class="sr-only"
        aria-label="Draw-off log (CSV)"
        @change="choose"
    /></label>
    <div v-if="file && mapping" class="mt-2 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <ChoiceField label="Time column" :value="mapping.time" :choices="columns" @change="(time) => put({ time })" />
      <ChoiceField
        label="Quantity column"
        :value="mapping.amount"
        :choices="columns"
        @change="(amount) => put({ amount })"
      />
      <ChoiceField
        label="unit"
        :value="mapping.amountUnit"
        :choices="pick(AMOUNT_UNITS)"
        @change="(amountUnit) => put({ amountUnit })"
      />
      <ChoiceField label="Outlet column" :value="mapping.tap" :choices="maybe" @change="(tap) => put({ tap })" />
      <ChoiceField
        label="Outlet if none is given"
        :value="mapping.tapId"
        :choices="taps.map((t) => ({ value: t.id, name: t.name }))"
        @change="(tapId) => put({ tapId })"
      />
      <ChoiceField
        label="Temperature column"
        :value="mapping.temperature"
        :choices="maybe"
        @change="(temperature) => put({ temperature })"
      />
      <ChoiceField
        v-if="mapping.temperature"
        label="unit"
        :value="mapping.temperatureUnit"
        :choices="pick(TEMPERATURE_UNITS)"
        @change="(temperatureUnit) => put({ temperatureUnit })"
      />
      <NumberField
        v-else
        label="Temperature of all"
        quantity="temperature"
        :schema="LoggedDraw.shape.requiredC"
        :value="mapping.requiredC"
        @change="(v) => put({ requiredC: v! })"
      />
      <button class="tool tool-main self-end" @click="take">Import draw-offs</button>
      <button class="tool tool-bare self-end" @click="file = null">Cancel</button>
    </div>
    <div
      v-if="faults.length"
      class="mt-2 max-h-40 overflow-auto border-l-4 border-alarm bg-alarm-pale p-2 text-sm"
      role="alert"
    >
      <p class="font-semibold">Log not imported; draw-offs unchanged.</p>
      <p v-for="f in faults" :key="f">{{ f }}</p>
    </div>
  </section>
</template>
