<script setup lang="ts">
import { Calculator, Plus } from '@lucide/vue'
import DialPanel from '~/components/measure/DialPanel.vue'
import FitPanel from '~/components/measure/FitPanel.vue'
import PairList from '~/components/measure/PairList.vue'
import ReadingChoice from '~/components/measure/ReadingChoice.vue'
import ReadingForm from '~/components/measure/ReadingForm.vue'
import ReadingRow from '~/components/measure/ReadingRow.vue'
import { useCalculators } from '~/composables/useCalculators'
import { useStudy } from '~/stores/study'
import { useReadingDrafts } from '~/utils/reading-draft'

/** The visit log: readings taken once, held against the study, and adopted into it. */
const table = useStudy()
const pocket = useCalculators()
const readingDrafts = useReadingDrafts()
/** Whatever was being taken when the page went is taken up again. */
onMounted(() => readingDrafts.takeUp(table.study!.id))
const drafts = computed(() => readingDrafts.drafts.value)
const taking = computed(() => (drafts.value.studyId === table.study!.id ? drafts.value.open : null))
/** What can be read is shown while nothing is being taken, unless the log is what somebody came for. */
const asked = ref<boolean | null>(null)
const choosing = computed({
  get: () => !taking.value && (asked.value ?? table.study!.readings.length === 0),
  set: (now) => {
    if (now && taking.value) readingDrafts.open(null)
    asked.value = now
  },
})
watch(taking, (now) => now && (asked.value = null))
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
      <button v-if="!choosing" class="tool tool-main" @click="choosing = true">
        <Plus :size="17" />Take a reading
      </button>
      <button v-else-if="readings.length" class="tool" @click="choosing = false">Back to the log</button>
      <button class="tool" @click="pocket.open.value = true"><Calculator :size="17" />Calculators</button>
      <p v-if="readings.length" class="caption ml-auto">{{ readings.length }} in the log, {{ adopted }} applied</p>
    </div>
    <ReadingChoice v-if="choosing" class="mt-4" />
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
    <p v-if="!readings.length && !taking" class="caption mt-4">
      No readings yet. Each reading gives its result at once, is compared with the study and can be applied to it.
    </p>
  </div>
</template>
