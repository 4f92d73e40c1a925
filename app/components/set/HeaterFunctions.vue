<script setup lang="ts">
import { ChevronRight, Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DayField from '~/components/fields/DayField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TimeField from '~/components/fields/TimeField.vue'
import { useStudy } from '~/stores/study'
import { DAY_NAMES } from '~~/core/calendar/week'
import { boostNotice } from '~~/core/household/boost'
import { TIMER_WORDS } from '~~/core/household/setting-words'
import {
  defaultPasteurisation,
  HeaterControl as ControlSchema,
  type HeaterControl,
  Override,
  SetpointC,
  TIMER_BY,
} from '~~/core/study/controls'
import { carrierOf, hasFan, storesWater } from '~~/core/study/heater-kinds'
import type { Heater } from '~~/core/study/plant'

/** What a heater's control can do besides its setpoint: holiday, hot run, boosts and overrides, prices. */
const props = defineProps<{ heater: Heater }>()
const table = useStudy()
const control = computed(() => table.controls!.heaters[props.heater.id]!)
const set = (key: string, edit: (c: HeaterControl) => void) =>
  table.set(`${key} ${props.heater.id}`, (k) => edit(k.heaters[props.heater.id]!))
const DisinfectionShape = ControlSchema.shape.pasteurisation.unwrap().shape

const days = DAY_NAMES.map((name, value) => ({ value, name: name as string }))
const banded = computed(() => (table.study!.prices.carriers[carrierOf(props.heater)]?.bands.length ?? 0) > 0)
const addBoost = () =>
  set('boost', (c) =>
    c.overrides.push({
      setpointC: Math.min(70, c.setpointC + 10),
      fromDay: 1,
      fromMin: 1080,
      weekly: false,
      minutes: 120,
    }),
  )
const cuts = computed(() => control.value.schedule !== null && control.value.timerBy === 'its mains')
const fan = computed(() => hasFan(props.heater))
</script>

<template>
  <details class="mt-3 border-t border-line pt-1">
    <summary class="flex min-h-11 cursor-pointer items-center font-semibold text-copper">
      <ChevronRight :size="18" class="fold mr-1" aria-hidden="true" />Holiday, pasteurisation cycle, boost<template
        v-if="banded"
        >, prices</template
      >
    </summary>
    <div class="space-y-4 pb-2">
      <div v-if="control.schedule !== null">
        <ChoiceField
          class="w-56"
          label="Timer acts on"
          :value="control.timerBy"
          :choices="TIMER_BY.map((value) => ({ value, name: TIMER_WORDS[value] }))"
          @change="(v) => set('timer by', (c) => void (c.timerBy = v))"
        />
        <p v-if="cuts" class="mt-1 border-l-4 border-alarm pl-2 text-sm">
          {{
            fan
              ? 'Switching the power supply stops the fan while the heater is hot. Allow it only if the manufacturer does; otherwise use the control input.'
              : 'Switching the power supply also stops frost protection and clock. The control input is preferred.'
          }}
          Check the cylinder temperature before restart under Day.
        </p>
      </div>
      <div>
        <label class="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="control.holidayC !== null"
            @change="set('holiday', (c) => void (c.holidayC = c.holidayC === null ? 45 : null))"
          />
          <span class="font-semibold">Holiday setpoint</span>
          <span class="text-ink-soft">Setpoint on days of absence; dates are under Occupants and use</span>
        </label>
        <NumberField
          v-if="control.holidayC !== null"
          class="w-44"
          label="Holiday setpoint"
          quantity="temperature"
          :schema="SetpointC"
          :value="control.holidayC"
          @change="(v) => set('holiday', (c) => void (c.holidayC = v))"
        />
      </div>
      <div v-if="storesWater(heater)">
        <label class="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="control.pasteurisation !== null"
            @change="
              set(
                'pasteurisation cycle',
                (c) => void (c.pasteurisation = c.pasteurisation === null ? defaultPasteurisation() : null),
              )
            "
          />
          <span class="font-semibold">Weekly pasteurisation cycle</span>
          <span class="text-ink-soft">Legionella control; scald risk at outlets during the cycle</span>
        </label>
        <div v-if="control.pasteurisation" class="grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
          <ChoiceField
            label="Day of the pasteurisation cycle"
            :value="control.pasteurisation.weekday"
            :choices="days"
            @change="(v) => set('pasteurisation cycle', (c) => void (c.pasteurisation!.weekday = v))"
          />
          <div>
            <span class="caption block" aria-hidden="true">Start time</span>
            <TimeField
              label="Pasteurisation cycle start time"
              :value="control.pasteurisation.atMin"
              :max="1439"
              @change="(v) => set('pasteurisation cycle', (c) => void (c.pasteurisation!.atMin = v))"
            />
          </div>
          <NumberField
            label="Heats to"
            quantity="temperature"
            :schema="DisinfectionShape.toC"
            :value="control.pasteurisation.toC"
            @change="(v) => set('pasteurisation cycle', (c) => void (c.pasteurisation!.toC = v!))"
          />
          <NumberField
            label="Hold time"
            unit="min"
            :decimals="0"
            :schema="DisinfectionShape.holdMin"
            :value="control.pasteurisation.holdMin"
            @change="(v) => set('pasteurisation cycle', (c) => void (c.pasteurisation!.holdMin = v!))"
          />
        </div>
      </div>
      <div>
        <h3 class="text-base">Boosts and manual overrides</h3>
        <p class="caption">A boost is timed. An override without end time stays until cancelled.</p>
        <ul>
          <li v-for="(o, i) in control.overrides" :key="i" class="mt-2 flex flex-wrap items-end gap-3">
            <NumberField
              class="w-32"
              :label="`${i + 1}: setpoint`"
              quantity="temperature"
              :schema="SetpointC"
              :value="o.setpointC"
              @change="(v) => set('boost', (c) => void (c.overrides[i]!.setpointC = v!))"
            />
            <DayField
              :label="`${i + 1}: from`"
              :value="o.fromDay"
              @change="(v) => set('boost', (c) => void (c.overrides[i]!.fromDay = v))"
            />
            <TimeField
              :label="`${i + 1}: start time`"
              :value="o.fromMin"
              :max="1439"
              @change="(v) => set('boost', (c) => void (c.overrides[i]!.fromMin = v))"
            />
            <NumberField
              class="w-36"
              :label="`${i + 1}: duration, blank for no end`"
              quantity="duration"
              optional
              :schema="Override.shape.minutes"
              :value="o.minutes"
              @change="(v) => set('boost', (c) => void (c.overrides[i]!.minutes = v === null ? null : Math.round(v)))"
            />
            <label v-if="o.minutes !== null" class="flex min-h-11 items-center gap-2 text-sm">
              <input
                type="checkbox"
                class="size-5 accent-copper"
                :aria-label="`${i + 1}: each week`"
                :checked="o.weekly"
                @change="set('boost', (c) => void (c.overrides[i]!.weekly = !o.weekly))"
              />each week
            </label>
            <button
              class="tool tool-bare px-2"
              :aria-label="`Remove override ${i + 1}`"
              @click="set('boost', (c) => void c.overrides.splice(i, 1))"
            >
              <Trash2 :size="17" />
            </button>
            <p class="w-full border-l-4 border-line-strong pl-2 text-sm" data-boost>
              {{ boostNotice(table.study!, o, table.units) }}
            </p>
          </li>
        </ul>
        <button class="tool mt-2" :disabled="control.overrides.length >= 12" @click="addBoost">
          <Plus :size="17" />Add boost or override
        </button>
      </div>
      <label v-if="banded" class="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          class="size-5 accent-copper"
          :checked="control.prices === 'cheapest'"
          @change="set('prices', (c) => void (c.prices = c.prices === 'any' ? 'cheapest' : 'any'))"
        />
        <span class="font-semibold">Off-peak only</span>
        <span class="text-ink-soft">Heats only in the cheapest tariff band</span>
      </label>
    </div>
  </details>
</template>

<style scoped>
details[open] .fold {
  transform: rotate(90deg);
}
</style>
