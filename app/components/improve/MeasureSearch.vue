<script setup lang="ts">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/vue'
import { Search } from '@lucide/vue'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { HEATERS } from '~~/core/heaters/kinds'
import { type How, sourcesFor } from '~~/core/household/edits/heat-source'
import { beginHeatSource, beginMeasure, measuresFor } from '~~/core/measures/begin'
import { MEASURES } from '~~/core/measures/names'
import { freshId } from '~~/core/study/fresh-id'
import type { Measure } from '~~/core/study/measures'

/** Finds a measure by what it does or where it is done, and adds it to a package. */
const props = defineProps<{ index: number }>()
const table = useStudy()
const own = useOwn()
void own.ready()
const study = computed(() => table.study!)
const words = ref('')

interface Choice {
  key: string
  name: string
  at: string
  finds: string
  begin: (id: string) => Measure | null
}
const choices = computed((): Choice[] => {
  const offered = measuresFor(study.value)
    .filter((kind) => kind !== 'heat-source')
    .map((kind) => ({
      key: kind as string,
      ...MEASURES[kind],
      begin: (id: string) => beginMeasure(study.value, kind, id, own.defaults.insulation) as Measure,
    }))
  const sources = (['instead', 'beside'] as How[]).flatMap((how) =>
    sourcesFor(study.value, how).map((kind) => ({
      key: `${how} ${kind}`,
      name: `${HEATERS[kind].name} (${how === 'instead' ? 'replacement' : 'additional'})`,
      at: 'Heater',
      finds: how === 'instead' ? 'replace heat source replacement' : 'add heat source additional',
      begin: (id: string) => beginHeatSource(study.value, kind, how, id),
    })),
  )
  return [...offered, ...sources]
})
const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return choices.value.filter((c) => {
    const text = `${c.name} ${c.at} ${c.finds}`.toLowerCase()
    return asked.every((word) => text.includes(word))
  })
})
const places = computed(() => [...new Set(found.value.map((c) => c.at))])
function add(choice: Choice | null) {
  if (!choice) return
  const pack = study.value.packages[props.index]!
  const measure = choice.begin(freshId('measure', pack.measures))
  if (measure) table.change('add measure', (d) => void d.packages[props.index]!.measures.push(measure))
  words.value = ''
}
</script>

<template>
  <Combobox :model-value="null" nullable as="div" class="relative w-full sm:w-80" @update:model-value="add">
    <ComboboxLabel class="sr-only">Add a measure</ComboboxLabel>
    <div class="relative">
      <ComboboxInput
        class="entry pl-10"
        placeholder="Add a measure"
        autocomplete="off"
        :display-value="() => words"
        @change="words = $event.target.value"
      />
      <ComboboxButton
        class="absolute top-0 left-0 flex min-h-11 min-w-10 items-center justify-center"
        aria-label="All measures"
      >
        <Search :size="18" />
      </ComboboxButton>
    </div>
    <ComboboxOptions
      class="absolute right-0 z-20 mt-1 max-h-96 w-full overflow-y-auto rounded border border-line-strong bg-white py-1 shadow-md focus:outline-none"
    >
      <p v-if="found.length === 0" class="px-3 py-2 text-ink-soft">No measure found.</p>
      <template v-for="place in places" :key="place">
        <li class="caption px-3 pt-2" aria-hidden="true">{{ place }}</li>
        <ComboboxOption
          v-for="c in found.filter((x) => x.at === place)"
          :key="c.key"
          v-slot="{ active }"
          :value="c"
          as="template"
        >
          <li
            class="flex min-h-11 cursor-pointer items-center px-3"
            :class="{ 'bg-copper-pale': active }"
            :data-choice="c.key"
          >
            {{ c.name }}
          </li>
        </ComboboxOption>
      </template>
    </ComboboxOptions>
  </Combobox>
</template>
