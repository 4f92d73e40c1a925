<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { X } from '@lucide/vue'
import { useCalculators } from '~/composables/useCalculators'
import { useStudy } from '~/stores/study'
import { placeOf } from '~/utils/word-places'
import { wordsOf } from '~~/core/study/words-of'
import { findTerms } from '~~/core/words/find'
import { type Concept, TERMS } from '~~/core/words/terms'

/** Finds any place by any of the trade's words, old or new, and says in a line what it is. */
const table = useStudy()
const pocket = useCalculators()
const open = defineModel<boolean>({ required: true })
const asked = ref('')
watch(open, () => (asked.value = ''))
const MOST = 12
const found = computed(() => findTerms(asked.value).slice(0, MOST))
const nameOf = (concept: Concept) => {
  const name = wordsOf(table.study!)(TERMS[concept].metric)
  return name[0]!.toUpperCase() + name.slice(1)
}

async function go(concept: Concept | null) {
  if (!concept) return
  open.value = false
  const { to } = placeOf(TERMS[concept].at)
  if (to === null) pocket.open.value = true
  else await navigateTo(`/study/${table.study!.id}/${to}`)
}
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="open = false">
    <div class="fixed inset-0 bg-ink/30" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto p-3 sm:p-10">
      <DialogPanel class="mx-auto max-w-xl rounded border border-line-strong bg-plaster p-4 shadow-md">
        <div class="flex items-center justify-between">
          <DialogTitle class="text-xl">Search</DialogTitle>
          <button class="tool tool-bare px-3" aria-label="Close the search" @click="open = false">
            <X :size="18" />
          </button>
        </div>
        <Combobox :model-value="null" nullable @update:model-value="go">
          <ComboboxInput
            class="entry"
            aria-label="Word of the trade"
            placeholder="heater, dead leg, legionella, payback"
            autocomplete="off"
            @change="asked = $event.target.value"
          />
          <ComboboxOptions static class="mt-2 focus:outline-none">
            <ComboboxOption v-for="concept in found" :key="concept" v-slot="{ active }" :value="concept" as="template">
              <li
                class="min-h-11 cursor-pointer border-b border-line px-2 py-1.5"
                :class="{ 'bg-copper-pale': active }"
                :data-term="concept"
              >
                <span class="flex flex-wrap justify-between gap-x-3"
                  ><b>{{ nameOf(concept) }}</b
                  ><span class="caption">{{ placeOf(TERMS[concept].at).name }}</span></span
                >
                <span class="block text-sm">{{ TERMS[concept].help }}</span>
              </li>
            </ComboboxOption>
          </ComboboxOptions>
          <p v-if="asked.trim() && !found.length" class="mt-3 text-ink-soft" role="status">No term found.</p>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
