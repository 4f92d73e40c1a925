<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { ALWAYS } from '~~/core/calendar/week'
import { gridOf } from '~~/core/household/controllers'
import { SPACE_HEATING } from '~~/core/study/commanded'
import type { Controls } from '~~/core/study/controls'
import { canHeatHouse } from '~~/core/study/heater-kinds'
import { heatingPauseMin, LONG_PAUSE_MIN } from '~~/core/views/heating-pause'

/** Heating of the house by the same appliance. */
const table = useStudy()
const years = useYears()
const heating = computed(() => table.controls!.heating)
const burners = computed(() => table.study!.plant.heaters.filter(canHeatHouse))
/** Minutes that radiators pause for hot water on a day with heating. */
const pauseMin = computed(() => years.now && heatingPauseMin(table.study!, years.now))
const set = (edit: (h: Controls['heating']) => void) => table.set('house heating', (k) => edit(k.heating))
const choices = computed(() => [
  { value: null as string | null, name: 'another appliance' },
  ...burners.value.map((h) => ({ value: h.id as string | null, name: h.name })),
])
</script>

<template>
  <section v-if="burners.length" aria-label="Space heating">
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
      For the household: while hot water is heated the radiators pause, about {{ pauseMin }} min on a day with heating.
      {{
        pauseMin > LONG_PAUSE_MIN
          ? 'Rooms cool in so long a time: shorten the hours of the circulation, or heat hot water at night.'
          : 'They get their heat afterwards; nothing is wrong when they cool for that long.'
      }}
    </p>
    <WeekPlanner
      v-if="heating.heaterId && heating.schedule"
      label="Space heating schedule"
      :week="heating.schedule"
      :grid="gridOf(table.study!, SPACE_HEATING)"
      @change="(w) => set((h) => void (h.schedule = w))"
    />
  </section>
</template>
