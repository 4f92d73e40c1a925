<script setup lang="ts">
import { X } from '@lucide/vue'
import FindingsHere from '~/components/findings/FindingsHere.vue'
import DrainStation from '~/components/stations/DrainStation.vue'
import HeaterStation from '~/components/stations/HeaterStation.vue'
import LoopStation from '~/components/stations/LoopStation.vue'
import MainStation from '~/components/stations/MainStation.vue'
import PeopleStation from '~/components/stations/PeopleStation.vue'
import PricesStation from '~/components/stations/PricesStation.vue'
import RunsStation from '~/components/stations/RunsStation.vue'
import StoreStation from '~/components/stations/StoreStation.vue'
import TapsStation from '~/components/stations/TapsStation.vue'
import { useAssumed } from '~/stores/assumed'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { type StationName, STATIONS } from '~/utils/stations'

/** The sheet of one station: what is known of it and set at it. */
const props = defineProps<{ station: StationName; chosen: string }>()
const emit = defineEmits<{ close: [] }>()
const FORMS = {
  main: MainStation,
  heater: HeaterStation,
  store: StoreStation,
  loop: LoopStation,
  runs: RunsStation,
  taps: TapsStation,
  people: PeopleStation,
  prices: PricesStation,
  drain: DrainStation,
}
const table = useStudy()
const judgement = useJudgement()
const here = computed(() => judgement.points.filter((f) => f.station === props.station))
const assumed = useAssumed()
assumed.look()
const step = computed(() => assumed.steps.find((s) => s.station === props.station))
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
    <p v-if="step" class="caption mb-2 max-sm:min-h-10" data-depends>
      {{ step.assumed === 1 ? '1 value' : `${step.assumed} values` }} here still assumed<template
        v-if="step.money !== null && step.money < 0.5"
        >; the annual cost hardly depends on {{ step.assumed === 1 ? 'it' : 'them' }}</template
      ><template v-else-if="step.money !== null"
        >: the annual cost depends on {{ step.assumed === 1 ? 'it' : 'them' }} by
        <span class="whitespace-nowrap">±{{ table.units.wholeMoney(step.money) }}</span></template
      >.
    </p>
    <FindingsHere class="mb-3" :findings="here" />
    <component :is="FORMS[station]" :chosen="chosen" />
  </section>
</template>
