<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { cooldownDropK, cooldownMinutes } from '~~/core/household/circulation-cooldown'
import { gridOf } from '~~/core/household/controllers'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { testsADay } from '~~/core/scenarios/loop-modes'
import { CIRCULATION } from '~~/core/study/commanded'
import { type LoopControl as Loop, LoopControl } from '~~/core/study/controls'
import { LOOP_MODE_TAKES, LOOP_MODES } from '~~/core/study/loop-modes'

/** How the loop is run, with what its mode needs to be told. */
const table = useStudy()
const loop = computed(() => table.controls!.loop)
const found = computed(() => table.study!.controls.found.loop)
const set = (key: string, edit: (l: Loop) => void) => table.set(`loop ${key}`, (k) => edit(k.loop))
const shape = LoopControl.shape
const takes = computed(() => LOOP_MODE_TAKES[loop.value.mode])
/** How the water at the turn cools while the pump rests. */
const rest = computed(() => {
  const { targetC, differentialK, sampled } = loop.value
  return {
    minutes: cooldownMinutes(table.study!, targetC, targetC - differentialK),
    sagK: cooldownDropK(table.study!, targetC - differentialK, sampled.everyMin) ?? 0,
  }
})
const tests = computed(() => Math.max(...loop.value.schedule.map((d) => testsADay(d, loop.value.sampled.everyMin))))
</script>

<template>
  <section aria-label="Circulation">
    <h2 class="text-xl">Circulation</h2>
    <div
      role="radiogroup"
      aria-label="Circulation mode"
      class="my-2 flex flex-wrap gap-px overflow-hidden rounded border border-line-strong bg-line-strong"
    >
      <button
        v-for="mode in LOOP_MODES"
        :key="mode"
        role="radio"
        :aria-checked="loop.mode === mode"
        class="min-h-11 grow px-3"
        :class="loop.mode === mode ? 'bg-copper text-white' : 'bg-plaster-pale hover:bg-plaster-deep'"
        @click="set('mode', (l) => void (l.mode = mode))"
      >
        {{ LOOP_MODE_WORDS[mode].name }}<span v-if="found.mode === mode" class="ml-1 text-xs opacity-80">found</span>
      </button>
    </div>
    <p class="text-ink-soft">{{ LOOP_MODE_WORDS[loop.mode].does }}</p>
    <div v-if="takes.target || loop.mode === 'learned'" class="mt-2 grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
      <NumberField
        v-if="takes.target"
        :label="loop.mode === 'trace heating' ? 'Cable holds' : 'Pump-off temperature'"
        quantity="temperature"
        :schema="shape.targetC"
        :value="loop.targetC"
        @change="(v) => set('target', (l) => void (l.targetC = v!))"
      />
      <NumberField
        v-if="takes.differential"
        label="Switching differential"
        quantity="rise"
        :schema="shape.differentialK"
        :value="loop.differentialK"
        @change="(v) => set('differential', (l) => void (l.differentialK = v!))"
      />
      <template v-if="loop.mode === 'sampled'">
        <NumberField
          label="Test interval"
          unit="min"
          :decimals="0"
          :schema="shape.sampled.shape.everyMin"
          :value="loop.sampled.everyMin"
          @change="(v) => set('every', (l) => void (l.sampled.everyMin = v!))"
        />
        <NumberField
          label="Test duration"
          quantity="seconds"
          :schema="shape.sampled.shape.testS"
          :value="loop.sampled.testS"
          @change="(v) => set('test', (l) => void (l.sampled.testS = v!))"
        />
      </template>
      <template v-if="loop.mode === 'on demand'">
        <ChoiceField
          label="Request by"
          :value="loop.demand.by"
          :choices="[
            { value: 'button', name: 'a button' },
            { value: 'presence', name: 'a presence sensor' },
          ]"
          @change="(v) => set('by', (l) => void (l.demand.by = v))"
        />
        <NumberField
          label="Lead time before draw-off"
          quantity="seconds"
          :schema="shape.demand.shape.leadS"
          :value="loop.demand.leadS"
          @change="(v) => set('lead', (l) => void (l.demand.leadS = v!))"
        />
        <NumberField
          label="Maximum run time"
          quantity="seconds"
          :schema="shape.demand.shape.runOnS"
          :value="loop.demand.runOnS"
          @change="(v) => set('run-on', (l) => void (l.demand.runOnS = v!))"
        />
        <NumberField
          label="Fraction of draw-offs without request"
          :decimals="2"
          :schema="shape.demand.shape.missedShare"
          :value="loop.demand.missedShare"
          @change="(v) => set('missed', (l) => void (l.demand.missedShare = v!))"
        />
      </template>
      <template v-if="loop.mode === 'learned'">
        <NumberField
          label="Learning period, weeks"
          :decimals="0"
          :schema="shape.learned.shape.weeks"
          :value="loop.learned.weeks"
          @change="(v) => set('weeks', (l) => void (l.learned.weeks = v!))"
        />
        <NumberField
          label="Run threshold, fraction of weeks"
          :decimals="2"
          :schema="shape.learned.shape.threshold"
          :value="loop.learned.threshold"
          @change="(v) => set('threshold', (l) => void (l.learned.threshold = v!))"
        />
      </template>
      <NumberField
        v-if="loop.mode === 'trace heating'"
        label="Cable output"
        quantity="linePower"
        :decimals="0"
        :schema="shape.trace.shape.wPerM"
        :value="loop.trace.wPerM"
        @change="(v) => set('cable', (l) => void (l.trace.wPerM = v!))"
      />
    </div>
    <p v-if="takes.differential && rest.minutes !== null" class="caption mt-1" data-rest>
      With the pump off in the coldest month the return connection cools from
      {{ table.units.temperature(loop.targetC) }} to {{ table.units.temperature(loop.targetC - loop.differentialK) }}
      {{ rest.minutes === Infinity ? 'never: the air is as warm' : `in ${Math.round(rest.minutes)} min` }}.
      <template v-if="loop.mode === 'sampled'">
        After a test that just passes it can cool by a further {{ table.units.figure('rise', rest.sagK) }} before the
        next test.
      </template>
    </p>
    <p v-if="loop.mode === 'sampled'" class="caption mt-1">
      Starts below {{ table.units.temperature(loop.targetC - loop.differentialK) }}. Up to {{ tests }} tests a day in
      this schedule. Sensor location:
      {{ table.study!.pipes.loop!.sensorAt === 'at the far tap' ? 'at the furthest outlet' : 'on the return' }}.
    </p>
    <p v-if="loop.mode === 'on demand'" class="caption mt-1">
      The time from request to draw-off counts as waiting, not as draw-off to waste.
    </p>
    <WeekPlanner
      v-if="takes.schedule"
      class="mt-3"
      label="Circulation schedule"
      :week="loop.schedule"
      :found="found.mode === 'clock' ? found.schedule : null"
      :grid="gridOf(table.study!, CIRCULATION)"
      @change="(w) => set('schedule', (l) => void (l.schedule = w))"
    />
  </section>
</template>
