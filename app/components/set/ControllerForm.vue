<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import { commandable, commandedName } from '~~/core/household/controllers'
import { withoutController } from '~~/core/household/edits/controllers'
import { DAY_GROUP_WORDS, SUMMER_WORDS, WEEKDAY_WORDS } from '~~/core/household/setting-words'
import { type Commanded, Controller, ControllerClock, Grid, PANELS, UNUSED_PERIODS } from '~~/core/study/controllers'

/** A controller: what it commands, what it can hold, its clock, and who may change it. */
const props = defineProps<{ controller: Controller }>()
const table = useStudy()
const study = computed(() => table.study!)
const c = computed(() => props.controller)
const clock = computed(() => table.controls!.clocks[c.value.id]!)
const put = (key: string, edit: (controller: Controller) => void) =>
  table.change(`controller ${c.value.id} ${key}`, (s) => edit(s.controllers.find((x) => x.id === c.value.id)!))
const setClock = (edit: (clock: ControllerClock) => void) =>
  table.set(`clock ${c.value.id}`, (k) => edit(k.clocks[c.value.id]!))
const toggle = (of: Commanded) =>
  put(
    'commands',
    (x) => void (x.commands = x.commands.includes(of) ? x.commands.filter((o) => o !== of) : [...x.commands, of]),
  )
const STEPS = [1, 5, 10, 15, 30, 60] as const
const SUMMERS = ControllerClock.shape.summerTime.options.map((value) => ({ value, name: SUMMER_WORDS[value] }))
const WEEKDAYS = Object.entries(WEEKDAY_WORDS)
  .map(([days, name]) => ({ value: Number(days), name }))
  .sort((a, b) => a.value - b.value)
const range = Controller.shape.range.unwrap().shape
const USUAL_RANGE = { lowC: 35, highC: 65, stepK: 1 }
</script>

<template>
  <section :aria-label="c.name" class="border-t border-line-strong py-4" :data-controller="c.id">
    <div class="flex flex-wrap items-end gap-3">
      <TextField class="w-64" label="Name" :value="c.name" @change="(v) => put('name', (x) => void (x.name = v))" />
      <ChoiceField
        class="w-48"
        label="Operated"
        :value="c.panel"
        :choices="PANELS.map((value) => ({ value, name: value }))"
        @change="(v) => put('panel', (x) => void (x.panel = v))"
      />
      <button class="tool tool-bare" @click="table.replace((s) => withoutController(s, c.id))">
        <Trash2 :size="17" />Remove
      </button>
    </div>
    <fieldset class="mt-2">
      <legend class="caption">Commands</legend>
      <label v-for="of in commandable(study)" :key="of" class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
        ><input
          type="checkbox"
          class="size-5 accent-copper"
          :checked="c.commands.includes(of)"
          @change="toggle(of)"
        />{{ commandedName(study, of) }}</label
      >
    </fieldset>
    <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
      <ChoiceField
        label="Time step"
        :value="c.grid.stepMin"
        :choices="STEPS.map((value) => ({ value: value as Grid['stepMin'], name: `${value} min` }))"
        @change="(v) => put('step', (x) => void (x.grid.stepMin = v))"
      />
      <ChoiceField
        label="On periods a day"
        :value="c.grid.periodsPerDay"
        :choices="Array.from({ length: 12 }, (_, i) => ({ value: i + 1, name: String(i + 1) }))"
        @change="(v) => put('periods', (x) => void (x.grid.periodsPerDay = v))"
      />
      <ChoiceField
        label="Day groups"
        :value="c.grid.days"
        :choices="Grid.shape.days.options.map((value) => ({ value, name: DAY_GROUP_WORDS[value] }))"
        @change="(v) => put('days', (x) => void (x.grid.days = v))"
      />
      <ChoiceField
        label="Unused periods read"
        :value="c.unused"
        :choices="UNUSED_PERIODS.map((value) => ({ value, name: value }))"
        @change="(v) => put('unused', (x) => void (x.unused = v))"
      />
      <NumberField
        label="Clock offset (+ = fast)"
        unit="min"
        :decimals="0"
        :schema="ControllerClock.shape.aheadMin"
        :value="clock.aheadMin"
        @change="(v) => setClock((k) => void (k.aheadMin = Math.round(v!)))"
      />
      <ChoiceField
        label="Weekday shown"
        :value="clock.daysAhead"
        :choices="WEEKDAYS"
        @change="(v) => setClock((k) => void (k.daysAhead = v))"
      />
      <ChoiceField
        v-if="study.site.summerTime !== 'none'"
        label="Summer time"
        :value="clock.summerTime"
        :choices="SUMMERS"
        @change="(v) => setClock((k) => void (k.summerTime = v))"
      />
      <NumberField
        label="Menu closes after"
        quantity="seconds"
        optional
        :schema="Controller.shape.timeoutS"
        :value="c.timeoutS"
        @change="(v) => put('time-out', (x) => void (x.timeoutS = v))"
      />
    </div>
    <details class="mt-2">
      <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">
        Temperature range, lock, batteries, who may change it
      </summary>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
        <label class="col-span-full flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="c.range !== null"
            @change="put('range', (x) => void (x.range = x.range ? null : { ...USUAL_RANGE }))"
          />Range and step of its temperature read
        </label>
        <template v-if="c.range">
          <NumberField
            label="Lowest"
            quantity="temperature"
            :schema="range.lowC"
            :value="c.range.lowC"
            @change="(v) => put('low', (x) => void (x.range!.lowC = v!))"
          />
          <NumberField
            label="Highest"
            quantity="temperature"
            :schema="range.highC"
            :value="c.range.highC"
            @change="(v) => put('high', (x) => void (x.range!.highC = v!))"
          />
          <NumberField
            label="Temperature step"
            quantity="rise"
            :schema="range.stepK"
            :value="c.range.stepK"
            @change="(v) => put('temperature step', (x) => void (x.range!.stepK = v!))"
          />
        </template>
        <NumberField
          class="col-start-1"
          label="Locked above"
          quantity="temperature"
          optional
          :schema="Controller.shape.lockAboveC"
          :value="c.lockAboveC"
          @change="(v) => put('lock', (x) => void (x.lockAboveC = v))"
        />
        <TextField
          class="col-span-1 sm:col-span-3"
          label="How it is unlocked (no codes)"
          optional
          :value="c.unlocking"
          @change="(v) => put('unlocking', (x) => void (x.unlocking = v))"
        />
        <DateField
          label="Batteries changed"
          :value="c.batteryOn"
          @change="(v) => put('batteries', (x) => void (x.batteryOn = v))"
        />
        <TextField
          label="May be changed by"
          optional
          :value="c.changedBy"
          @change="(v) => put('changed by', (x) => void (x.changedBy = v))"
        />
        <TextField
          label="Account held by"
          optional
          :value="c.account"
          @change="(v) => put('account', (x) => void (x.account = v))"
        />
        <template v-if="c.panel === 'plug-in timer'">
          <NumberField
            class="col-start-1"
            label="Rating of the timer"
            unit="A"
            optional
            :decimals="1"
            :schema="Controller.shape.ratingA"
            :value="c.ratingA"
            @change="(v) => put('rating', (x) => void (x.ratingA = v))"
          />
          <YesNoField
            label="Permitted by the heater’s manufacturer"
            :value="c.permitted"
            @change="(v) => put('permitted', (x) => void (x.permitted = v))"
          />
        </template>
        <TextField
          class="col-span-full"
          label="Note"
          long
          optional
          :value="c.note"
          @change="(v) => put('note', (x) => void (x.note = v))"
        />
      </div>
    </details>
  </section>
</template>
