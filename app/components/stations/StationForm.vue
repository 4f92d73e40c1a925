<script setup lang="ts">
import { X } from '@lucide/vue'
import { type StationName, STATIONS } from '~/utils/stations'

/** The sheet of one station: what is known of it and set at it. */
const props = defineProps<{ station: StationName; chosen: string }>()
const emit = defineEmits<{ close: [] }>()
const FORMS = {
  main: resolveComponent('MainStation'),
  heater: resolveComponent('HeaterStation'),
  store: resolveComponent('StoreStation'),
  loop: resolveComponent('LoopStation'),
  runs: resolveComponent('RunsStation'),
  taps: resolveComponent('TapsStation'),
  people: resolveComponent('PeopleStation'),
  prices: resolveComponent('PricesStation'),
  drain: resolveComponent('DrainStation'),
}
const years = useYears()
const here = computed(() => years.points.filter((f) => f.station === props.station))
const title = ref<HTMLElement | null>(null)
watch(
  () => props.station,
  async () => {
    await nextTick()
    title.value?.focus()
  },
)
</script>

<template>
  <section :aria-label="STATIONS[station]">
    <div class="mb-2 flex items-center justify-between border-b border-line">
      <h2 ref="title" tabindex="-1" class="text-xl outline-none">{{ STATIONS[station] }}</h2>
      <button class="tool tool-bare px-2" :aria-label="`Close ${STATIONS[station]}`" @click="emit('close')">
        <X :size="20" />
      </button>
    </div>
    <details v-if="here.length" class="mb-3" :open="here.some((f) => f.severity === 'danger')">
      <summary class="min-h-11 cursor-pointer py-2 font-semibold text-copper">
        {{ here.length === 1 ? 'One thing stands out here' : `${here.length} things stand out here` }}
      </summary>
      <FindingList :findings="here" />
    </details>
    <component :is="FORMS[station]" :chosen="chosen" />
  </section>
</template>
