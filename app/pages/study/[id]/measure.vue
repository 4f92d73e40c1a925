<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Calculator, Plus } from '@lucide/vue'
import DialPanel from '~/components/measure/DialPanel.vue'
import FitPanel from '~/components/measure/FitPanel.vue'
import PairList from '~/components/measure/PairList.vue'
import ReadingForm from '~/components/measure/ReadingForm.vue'
import ReadingRow from '~/components/measure/ReadingRow.vue'
import { usePocket } from '~/composables/usePocket'
import { useStudy } from '~/stores/study'
import { useReadingDrafts } from '~/utils/reading-draft'
import { canTake, KINDS } from '~~/core/readings/kinds'
import type { ReadingKindName } from '~~/core/study/readings'

/** The visit log: readings taken once, held against the study, and adopted into it. */
const table = useStudy()
const pocket = usePocket()
const readingDrafts = useReadingDrafts()
/** Whatever was being taken when the page went is taken up again. */
onMounted(() => readingDrafts.takeUp(table.study!.id))
const drafts = computed(() => readingDrafts.drafts.value)
const taking = computed(() => (drafts.value.studyId === table.study!.id ? drafts.value.open : null))
const begun = (kind: ReadingKindName) => drafts.value.of[kind] !== undefined
const kinds = computed(() => KINDS.filter((k) => canTake(table.study!, k)))
const readings = computed(() => [...table.study!.readings].reverse().sort((a, b) => b.takenAt.localeCompare(a.takenAt)))
/** Of a long log the latest are shown, and more when they are asked for. */
const PIECE = 30
const most = ref(PIECE)
const listed = computed(() => readings.value.slice(0, most.value))
const adopted = computed(() => table.study!.readings.filter((r) => r.adopted).length)
</script>

<template>
  <div>
    <div class="flex flex-wrap items-center gap-2">
      <Menu as="div" class="relative">
        <MenuButton class="tool tool-main"><Plus :size="17" />Take a reading</MenuButton>
        <MenuItems
          class="absolute z-20 mt-1 max-h-96 w-72 overflow-y-auto rounded border border-line-strong bg-white py-1 shadow-md focus:outline-none"
        >
          <MenuItem v-for="k in kinds" :key="k.kind" v-slot="{ active }">
            <button
              class="block min-h-11 w-full px-3 text-left"
              :class="{ 'bg-copper-pale': active }"
              @click="readingDrafts.open(k.kind)"
            >
              {{ k.title }}<span v-if="begun(k.kind)" class="caption">, in progress</span>
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
      <button class="tool" @click="pocket.open.value = true"><Calculator :size="17" />Calculators</button>
      <p v-if="readings.length" class="caption ml-auto">{{ readings.length }} in the log, {{ adopted }} applied</p>
    </div>
    <ReadingForm v-if="taking" :key="taking" class="mt-3" :kind="taking" />
    <PairList />
    <FitPanel />
    <DialPanel />
    <ul v-if="readings.length" class="mt-4 border-t border-ink" aria-label="Log of readings">
      <ReadingRow v-for="r in listed" :key="r.id" :reading="r" />
    </ul>
    <button v-if="listed.length < readings.length" class="tool mt-3" @click="most += PIECE">
      Show {{ Math.min(PIECE, readings.length - listed.length) }} earlier of {{ readings.length - listed.length }}
    </button>
    <div v-if="!readings.length && !taking" class="max-w-prose py-6">
      <p>
        No readings yet. Each reading gives its result at once, is compared with the study and can be applied to it.
      </p>
      <p class="mt-2 text-ink-soft">
        Take first: cold main temperature, flow of each shower, time to tap at the furthest outlet<template
          v-if="table.study!.plant.store"
          >, overnight drop of the cylinder</template
        >.
      </p>
    </div>
  </div>
</template>
