<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { ALWAYS } from '~~/core/calendar/week'
import { SUMMER_WORDS } from '~~/core/household/setting-words'
import { Controls } from '~~/core/study/controls'
import { canHeatHouse } from '~~/core/study/heater-kinds'
import { heatingPauseMin } from '~~/core/views/heating-pause'

const ClockAhead = Controls.shape.clock.shape.aheadMin

/** Heating of the house by the same appliance, and the controller's clock. */
const table = useStudy()
const years = useYears()
const heating = computed(() => table.controls!.heating)
const clock = computed(() => table.controls!.clock)
const burners = computed(() => table.study!.plant.heaters.filter(canHeatHouse))
const SUMMERS = Controls.shape.clock.shape.summerTime.options.map((value) => ({ value, name: SUMMER_WORDS[value] }))
/** Minutes that radiators pause for hot water on a day with heating. */
const pauseMin = computed(() => years.now && heatingPauseMin(table.study!, years.now))
const set = (edit: (h: Controls['heating']) => void) => table.set('house heating', (k) => edit(k.heating))
const choices = computed(() => [
  { value: null as string | null, name: 'another appliance' },
  ...burners.value.map((h) => ({ value: h.id as string | null, name: h.name })),
])
</script>

<template>
  <section aria-label="Space heating and clock">
    <template v-if="burners.length">
      <h2 class="text-base">Space heating by</h2>
      <div class="mt-1 flex flex-wrap items-end gap-3">
        <ChoiceField
          class="w-56"
          label="Appliance"
          :value="heating.heaterId"
          :choices="choices"
          @change="(v) => set((h) => void (h.heaterId = v))"
        />
        <template v-if="heating.heaterId">
          <label class="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="heating.hotWaterFirst"
              @change="set((h) => void (h.hotWaterFirst = !h.hotWaterFirst))"
            />hot water priority
          </label>
          <label class="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="heating.schedule !== null"
              @change="set((h) => void (h.schedule = h.schedule === null ? ALWAYS : null))"
            />space heating schedule
          </label>
        </template>
      </div>
      <p v-if="heating.heaterId && years.now" class="caption mt-1">
        Hot water priority interrupts space heating for {{ Math.round(years.now.heatingLostHours) }} h/year. While space
        heating runs the heat exchanger is hot, so keep-hot has no effect.
      </p>
      <p v-if="pauseMin !== null" class="mt-1 text-sm" data-pause>
        For the household: while hot water runs the radiators pause, about {{ pauseMin }} min on a day with heating;
        they get their heat afterwards. Nothing is wrong when they cool for that long.
      </p>
      <WeekPlanner
        v-if="heating.heaterId && heating.schedule"
        label="Space heating schedule"
        :week="heating.schedule"
        :grid="table.controls!.grid"
        @change="(w) => set((h) => void (h.schedule = w))"
      />
    </template>
    <h2 class="mt-4 text-base">Controller clock</h2>
    <div class="mt-1 flex flex-wrap items-end gap-3">
      <NumberField
        class="w-44"
        label="Clock offset (+ = fast)"
        unit="min"
        :decimals="0"
        :schema="ClockAhead"
        :value="clock.aheadMin"
        @change="(v) => table.set('clock', (k) => void (k.clock.aheadMin = Math.round(v!)))"
      />
      <ChoiceField
        v-if="table.study!.site.summerTime !== 'none'"
        class="w-56"
        label="Summer time"
        :value="clock.summerTime"
        :choices="SUMMERS"
        @change="(v) => table.set('clock', (k) => void (k.clock.summerTime = v))"
      />
    </div>
  </section>
</template>
