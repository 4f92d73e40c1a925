<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import FindingsHere from '~/components/findings/FindingsHere.vue'
import ViewTabs from '~/components/home/ViewTabs.vue'
import AsFoundRegister from '~/components/set/AsFoundRegister.vue'
import HeaterFunctions from '~/components/set/HeaterFunctions.vue'
import LoopSetting from '~/components/set/LoopSetting.vue'
import WriteSwitch from '~/components/set/WriteSwitch.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { lazy } from '~/utils/lazy'
import { ALWAYS, type Schedule } from '~~/core/calendar/week'
import { lockNotice } from '~~/core/household/boost'
import { controllerOf, gridOf, lockAgainst } from '~~/core/household/controllers'
import { nearestSetpoints, setpointRange } from '~~/core/household/setpoint-range'
import { HeaterControl, SetpointC } from '~~/core/study/controls'
import { hasSetpoint, isInstantaneous, isOnStore, isPointOfUse, storesWater } from '~~/core/study/heater-kinds'
import { asFound } from '~~/core/study/in-force'
import type { Heater } from '~~/core/study/plant'
const LazyStepCards = lazy(() => import('~/components/set/StepCards.vue'))
const LazyControllerEntries = lazy(() => import('~/components/set/ControllerEntries.vue'))
const LazyControllerList = lazy(() => import('~/components/set/ControllerList.vue'))
const LazyDialGuides = lazy(() => import('~/components/set/DialGuides.vue'))
const LazyHeatingPage = lazy(() => import('~/components/set/HeatingPage.vue'))
const LazyOtherSettings = lazy(() => import('~/components/set/OtherSettings.vue'))
const LazyDayView = lazy(() => import('~/components/set/DayView.vue'))
const LazyModeTable = lazy(() => import('~/components/set/ModeTable.vue'))
const LazySetpointChecks = lazy(() => import('~/components/set/SetpointChecks.vue'))
const LazyWeekStrip = lazy(() => import('~/components/week/WeekStrip.vue'))
const LazyScheduleFinder = lazy(() => import('~/components/set/ScheduleFinder.vue'))

const table = useStudy()
const study = computed(() => table.study!)
const controls = computed(() => table.controls!)
const found = computed(() => study.value.controls.found)
const units = computed(() => table.units)

/** What the stage shows: the settings themselves, or one of the ways to try and judge them. */
const VIEWS = [
  { view: '', name: 'Setpoints and schedules' },
  { view: 'board', name: 'Setpoint checks' },
  { view: 'week', name: 'Week' },
  { view: 'modes', name: 'Circulation modes' },
  { view: 'schedule', name: 'Optimise' },
  { view: 'day', name: 'Day' },
  { view: 'heating', name: 'Heating' },
  { view: 'controllers', name: 'Controllers' },
  { view: 'dials', name: 'Dials' },
  { view: 'entries', name: 'Controller entries' },
  { view: 'others', name: 'Other settings' },
  { view: 'steps', name: 'Step cards' },
] as const
const route = useRoute()
const judgement = useJudgement()
const here = computed(() => judgement.points.filter((f) => ['heater', 'store', 'loop'].includes(f.station)))
const view = computed(() => VIEWS.find((v) => v.view === route.query.view)?.view ?? '')
/** A setpoint that a lock of its controller stands against: it is set once somebody has said so. */
const locked = shallowRef<{ id: string; c: number; says: string } | null>(null)
function setpoint(id: string, c: number, sliding = false) {
  const lock = lockAgainst(study.value, id, controls.value.heaters[id]!.setpointC, c)
  locked.value = lock && { id, c, says: lockNotice(lock, c, units.value) }
  if (!lock) table.set(`setpoint ${id}`, (k) => void (k.heaters[id]!.setpointC = c), sliding)
}
function unlock() {
  const { id, c } = locked.value!
  locked.value = null
  table.set(`setpoint ${id}`, (k) => void (k.heaters[id]!.setpointC = c))
}
const timer = (id: string, schedule: Schedule | null) =>
  table.set(`timer ${id}`, (k) => void (k.heaters[id]!.schedule = schedule))
const held = computed(() => study.value.plant.heaters.filter(hasSetpoint))
const uncontrolled = computed(() => study.value.plant.heaters.filter((h) => !hasSetpoint(h)))
const titleOf = (h: Heater) =>
  isOnStore(h) && study.value.plant.store
    ? `${study.value.plant.store.name}, heated by ${h.name.toLowerCase()}`
    : isPointOfUse(h)
      ? `${h.name}, for ${study.value.pipes.taps.find((t) => t.id === h.tapId)!.name}`
      : h.name
const keepHot = (id: string) =>
  table.set(`keep-hot ${id}`, (k) => void (k.heaters[id]!.keepHot = !k.heaters[id]!.keepHot))

/** What the slider takes: as far as its controller goes, in its steps. */
const takes = (id: string) => setpointRange(study.value, id)
/** Where a setpoint stands on the slider, %. */
const along = (id: string, c: number) => {
  const { lowC, highC } = takes(id)
  return Math.min(1, Math.max(0, (c - lowC) / (highC - lowC))) * 97 + 1.5
}
/** What can be entered instead of a setpoint that its controller does not take. */
const nearest = (id: string) => nearestSetpoints(study.value, id, controls.value.heaters[id]!.setpointC)

/** What is said beside each setpoint, as it is being written. */
const written = computed(() => (study.value.controls.writes === 'found' ? asFound(study.value) : study.value))
/** They judge with every check there is, which is fetched once the figures of the year stand. */
const judged = shallowRef<typeof import('~~/core/views/setpoint-caution') | null>(null)
const years = useYears()
watch(
  () => years.now !== null || years.failure !== null,
  async (stands) => {
    if (stands) judged.value ??= await import('~~/core/views/setpoint-caution')
  },
  { immediate: true },
)
const warnings = computed(
  () => new Map(held.value.map((h) => [h.id, judged.value?.setpointCautions(written.value, h.id) ?? []])),
)
</script>

<template>
  <div>
    <ViewTabs class="print:hidden" label="Views of Settings" :views="VIEWS" :at="view" />
    <WriteSwitch v-if="view !== 'steps'" class="mb-3 print:hidden" />
    <LazySetpointChecks v-if="view === 'board'" />
    <LazyWeekStrip v-else-if="view === 'week'" />
    <LazyModeTable v-else-if="view === 'modes'" />
    <LazyScheduleFinder v-else-if="view === 'schedule'" />
    <LazyDayView v-else-if="view === 'day'" />
    <LazyHeatingPage v-else-if="view === 'heating'" />
    <LazyDialGuides v-else-if="view === 'dials'" />
    <LazyOtherSettings v-else-if="view === 'others'" />
    <LazyControllerList v-else-if="view === 'controllers'" />
    <LazyControllerEntries v-else-if="view === 'entries'" />
    <LazyStepCards v-else-if="view === 'steps'" />
    <div v-else class="space-y-8">
      <FindingsHere class="print:hidden" :findings="here" at=" at heater, cylinder and circulation" />
      <section v-for="heater in held" :key="heater.id" :aria-label="heater.name" class="print:hidden">
        <h2 class="text-xl">{{ titleOf(heater) }}</h2>
        <div class="mt-2 grid items-end gap-x-6 gap-y-2 sm:grid-cols-[10rem_minmax(0,1fr)]">
          <NumberField
            label="Setpoint"
            quantity="temperature"
            :schema="SetpointC"
            :value="controls.heaters[heater.id]!.setpointC"
            @change="(c) => setpoint(heater.id, c!)"
          />
          <div>
            <input
              type="range"
              class="h-11 w-full accent-copper"
              :min="takes(heater.id).lowC"
              :max="takes(heater.id).highC"
              :step="takes(heater.id).stepK"
              :value="controls.heaters[heater.id]!.setpointC"
              aria-label="Setpoint slider"
              :aria-valuetext="units.temperature(controls.heaters[heater.id]!.setpointC)"
              @input="setpoint(heater.id, Number(($event.target as HTMLInputElement).value), true)"
            />
            <div class="caption relative flex justify-between" aria-hidden="true">
              <span>{{ units.temperature(takes(heater.id).lowC) }}</span>
              <span
                class="absolute -translate-x-1/2 border-t-4 border-line-strong px-1"
                :style="{ left: `${along(heater.id, found.heaters[heater.id]!.setpointC)}%` }"
                >found</span
              >
              <span>{{ units.temperature(takes(heater.id).highC) }}</span>
            </div>
          </div>
        </div>
        <div
          v-if="nearest(heater.id)"
          role="alert"
          class="mt-2 border-l-4 border-alarm bg-alarm-pale p-3 text-sm"
          data-not-taken
        >
          <p>
            {{ controllerOf(study, heater.id)!.name }} cannot be set to
            {{ units.temperature(controls.heaters[heater.id]!.setpointC) }}.
          </p>
          <button v-for="c in nearest(heater.id)" :key="c" class="tool mt-2 mr-2" @click="setpoint(heater.id, c)">
            Set {{ units.temperature(c) }}
          </button>
        </div>
        <div
          v-if="locked?.id === heater.id"
          role="alertdialog"
          aria-label="Locked setpoint"
          class="mt-2 border-l-4 border-alarm bg-alarm-pale p-3 text-sm"
        >
          <p>{{ locked.says }}</p>
          <button class="tool mt-2" @click="unlock">Unlock and set {{ units.temperature(locked.c) }}</button>
          <button class="tool tool-bare mt-2" @click="locked = null">Leave as it is</button>
        </div>
        <div class="mt-2 grid items-start gap-x-6 sm:grid-cols-[11rem_minmax(0,1fr)]">
          <NumberField
            label="Switching differential"
            quantity="rise"
            :schema="HeaterControl.shape.differentialK"
            :value="controls.heaters[heater.id]!.differentialK"
            @change="
              (v) => table.set(`hysteresis ${heater.id}`, (k) => void (k.heaters[heater.id]!.differentialK = v!))
            "
          />
          <div>
            <p
              v-for="text in warnings.get(heater.id)"
              :key="text"
              class="mt-2 border-l-4 border-line-strong pl-2 text-sm"
              data-caution
            >
              {{ text }}
            </p>
          </div>
        </div>
        <label v-if="isInstantaneous(heater)" class="mt-3 flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5 accent-copper"
            :checked="controls.heaters[heater.id]!.keepHot"
            @change="keepHot(heater.id)"
          />
          <span class="font-semibold">Keep-hot</span>
          <span class="text-ink-soft"
            >{{
              controls.heaters[heater.id]!.keepHot
                ? 'Heat exchanger kept hot during on periods: no start-up delay, continuous loss'
                : 'off: the heat exchanger cools between draw-offs'
            }}{{
              found.heaters[heater.id]!.keepHot !== controls.heaters[heater.id]!.keepHot
                ? `; found ${found.heaters[heater.id]!.keepHot ? 'on' : 'off'}`
                : ''
            }}</span
          >
        </label>
        <p v-if="!storesWater(heater) && controls.heaters[heater.id]!.schedule === null" class="caption mt-3">
          Heats only during draw-off: no hot water schedule.
        </p>
        <div v-else class="mt-4">
          <label class="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              class="size-5 accent-copper"
              :checked="controls.heaters[heater.id]!.schedule !== null"
              @change="timer(heater.id, controls.heaters[heater.id]!.schedule === null ? ALWAYS : null)"
            />
            <span class="font-semibold">Hot water schedule</span>
            <span class="text-ink-soft">{{
              controls.heaters[heater.id]!.schedule === null
                ? 'off: heating allowed at any time'
                : 'heating allowed during on periods only'
            }}</span>
          </label>
          <WeekPlanner
            v-if="controls.heaters[heater.id]!.schedule"
            :label="`Hot water schedule of ${heater.name}`"
            :week="controls.heaters[heater.id]!.schedule!"
            :found="found.heaters[heater.id]!.schedule"
            :grid="gridOf(study, heater.id)"
            @change="(w) => timer(heater.id, w)"
          />
        </div>
        <HeaterFunctions :heater="heater" />
      </section>

      <p v-if="uncontrolled.length" class="text-ink-soft print:hidden">
        {{ uncontrolled.map((h) => h.name).join(' and ') }} {{ uncontrolled.length > 1 ? 'have' : 'has' }} no
        thermostat: see Survey.
      </p>

      <LoopSetting v-if="study.pipes.loop" class="print:hidden" />

      <AsFoundRegister />
    </div>
  </div>
</template>
