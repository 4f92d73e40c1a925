<script setup lang="ts">
import FindingMark from '~/components/findings/FindingMark.vue'
import DrainMark from '~/components/water/DrainMark.vue'
import HeaterMark from '~/components/water/HeaterMark.vue'
import PipeTree from '~/components/water/PipeTree.vue'
import StationButton from '~/components/water/StationButton.vue'
import StoreTank from '~/components/water/StoreTank.vue'
import { useClock } from '~/stores/clock'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import type { StationName } from '~/utils/stations'
import { waterColour } from '~/utils/temperature-ramp'
import { HEATERS } from '~~/core/heaters/kinds'
import { waterMoney } from '~~/core/money/tariff'
import { carrierOf } from '~~/core/study/heater-kinds'
import { assessed } from '~~/core/views/comfort'
import type { Station } from '~~/core/views/findings'
import { moneyByStation } from '~~/core/year/account/where-it-goes'
import { drawnL, purchasedKwh } from '~~/core/year/result'

/** The household as one line of water, from the cold main to the drain: map, way in and result at once. */
defineProps<{ station: StationName | null; chosen: string }>()
const emit = defineEmits<{ open: [station: StationName, id: string] }>()

const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const clock = useClock()
const study = computed(() => years.house!)
/** Median wait at a pipe that had rested. */
const wait = computed(() => {
  const first = years.shown?.comfort.coldPipe
  return first ? assessed(first.draws, units.value.seconds(first.medianS)) : '…'
})
const units = computed(() => table.units)
const money = computed(() => (years.shown ? moneyByStation(years.shown) : null))
/** Heat and water that run off while somebody waits. */
const toWaste = computed(() =>
  money.value && years.shown
    ? money.value.toWaste + waterMoney(years.shown.water.toWasteL, study.value.site, study.value.prices.water)
    : undefined,
)
const frame = computed(() => clock.frame)
const temp = (c: number | undefined | null) => (c === undefined || c === null ? '…' : units.value.temperature(c))
const spend = (amount: number | undefined) => (amount === undefined ? '…' : `${units.value.wholeMoney(amount)}/yr`)
const marks = (at: Station) => judgement.points.filter((f) => f.station === at).length
const heaterName = computed(() => {
  const count = study.value.plant.heaters.length
  return count > 1 ? `${count} heaters` : HEATERS[heater.value.kind].name
})
const heater = computed(() => study.value.plant.heaters[0]!)
</script>

<template>
  <section aria-label="System diagram" class="flex flex-wrap items-stretch gap-x-1 gap-y-2 lg:flex-nowrap">
    <StationButton name="Cold main" :marks="marks('main')" :open="station === 'main'" @click="emit('open', 'main', '')">
      <template #now>{{ temp(clock.day?.mainsC) }}</template>
      <template #year>{{ years.shown ? units.litres(drawnL(years.shown.water)) : '…' }}</template>
      <span
        class="my-auto block h-3 w-14 border-y border-ink"
        :style="{ background: waterColour(clock.day?.mainsC ?? null) }"
      />
    </StationButton>
    <StationButton
      :name="heaterName"
      :marks="marks('heater')"
      :open="station === 'heater'"
      @click="emit('open', 'heater', '')"
    >
      <template #now>{{ frame ? (frame.heatKw > 0 ? units.figure('power', frame.heatKw) : 'off') : '…' }}</template>
      <template #year>loses {{ spend(money?.heater) }}</template>
      <HeaterMark :fires="(frame?.heatKw ?? 0) > 0" :electric="carrierOf(heater) === 'electricity'" />
    </StationButton>
    <StationButton
      v-if="study.plant.store"
      name="Cylinder"
      :marks="marks('store')"
      :open="station === 'store'"
      @click="emit('open', 'store', '')"
    >
      <template #now>{{ temp(frame?.supplyC) }}</template>
      <template #year>loses {{ spend(money?.store) }}</template>
      <StoreTank :slices="frame?.slices ?? Array<null>(10).fill(null)" label="Cylinder, ten layers" />
    </StationButton>
    <div class="order-last flex w-full min-w-0 flex-col lg:order-none lg:w-auto lg:flex-1">
      <div class="min-w-0 flex-1">
        <PipeTree :study="study" :frame="frame" :chosen="chosen" @choose="(s, id) => emit('open', s, id)" />
      </div>
      <div class="flex flex-wrap">
        <button
          class="tool tool-bare px-2 text-sm"
          :aria-pressed="station === 'runs'"
          @click="emit('open', 'runs', '')"
        >
          <span class="text-copper">Runs</span><FindingMark v-if="marks('runs')" :count="marks('runs')" />
          {{ study.pipes.loop ? 'dead legs' : 'lose' }} <b class="font-semibold">{{ spend(money?.runs) }}</b>
        </button>
        <button
          class="tool tool-bare px-2 text-sm"
          :aria-pressed="station === 'loop'"
          @click="emit('open', 'loop', '')"
        >
          <span class="text-copper">Circulation</span><FindingMark v-if="marks('loop')" :count="marks('loop')" />
          <template v-if="study.pipes.loop"
            ><b class="font-semibold">{{ spend(money?.loop) }}</b></template
          ><template v-else>none</template>
        </button>
        <button
          class="tool tool-bare px-2 text-sm"
          :aria-pressed="station === 'taps'"
          @click="emit('open', 'taps', '')"
        >
          <span class="text-copper">Outlets</span><FindingMark v-if="marks('taps')" :count="marks('taps')" /> wait
          <b class="font-semibold">{{ wait }}</b>
        </button>
        <button
          class="tool tool-bare px-2 text-sm"
          :aria-pressed="station === 'people'"
          @click="emit('open', 'people', '')"
        >
          <span class="text-copper">Occupants</span> <FindingMark v-if="marks('people')" :count="marks('people')" />
          <b class="font-semibold">{{ study.people.persons.length }}</b>
        </button>
        <button
          class="tool tool-bare px-2 text-sm"
          :aria-pressed="station === 'prices'"
          @click="emit('open', 'prices', '')"
        >
          <span class="text-copper">Prices</span> purchased
          <b class="font-semibold">{{ years.shown ? units.energy(purchasedKwh(years.shown)) : '…' }}</b>
        </button>
      </div>
    </div>
    <StationButton name="Drain" :open="station === 'drain'" @click="emit('open', 'drain', '')">
      <template #now>useful heat {{ spend(money?.taps) }}</template>
      <template #year>draw-off to waste {{ spend(toWaste) }}</template>
      <DrainMark />
    </StationButton>
  </section>
</template>
