<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { dateOf } from '~~/core/calendar/names'
import { DAY_NAMES, type Schedule } from '~~/core/calendar/week'
import { ALWAYS } from '~~/core/calendar/week'
import { DAY_S, MONTH_OF_DAY } from '~~/core/calendar/year'
import { daylight } from '~~/core/climate/sun'
import { gridOf } from '~~/core/household/controllers'
import { emptyDays } from '~~/core/household/empty-days'
import { dearWeek } from '~~/core/money/tariff'
import { CIRCULATION, SPACE_HEATING } from '~~/core/study/commanded'
import type { Commanded } from '~~/core/study/controllers'
import { hasSetpoint, storesWater } from '~~/core/study/heater-kinds'
import { weekOf } from '~~/core/year/draws/draw-week'
import { drawsOfYear } from '~~/core/year/draws/draws'

/**
 * The week on one strip: heater, loop and heating windows, hot runs, the draws people make, prices and who is away. The lane
 * that is chosen is edited in the strip itself; the others stand thin under it.
 */
const table = useStudy()
const controls = computed(() => table.controls!)
const study = computed(() => table.study!)
const week = ref(2)
const days = computed(() => weekOf(study.value, drawsOfYear(study.value.people, study.value.site), week.value))
const away = computed(() => emptyDays(study.value.people))

interface Lane {
  key: string
  /** What its controller commands. */
  of: Commanded
  name: string
  week: Schedule
  colour: string
  /** Its text on that colour. */
  ink: string
  set: (week: Schedule) => void
}
const lanes = computed((): Lane[] => [
  ...study.value.plant.heaters
    .filter((h) => hasSetpoint(h) && storesWater(h))
    .map((h) => ({
      key: h.id,
      of: h.id,
      name: h.name,
      week: controls.value.heaters[h.id]!.schedule ?? ALWAYS,
      colour: 'bg-copper',
      ink: 'text-white',
      set: (w: Schedule) => void table.set(`timer ${h.id}`, (k) => void (k.heaters[h.id]!.schedule = w)),
    })),
  ...(study.value.pipes.loop
    ? [
        {
          key: 'loop',
          of: CIRCULATION,
          name: 'Circulation',
          week:
            controls.value.loop.mode === 'off'
              ? ALWAYS.map(() => [])
              : controls.value.loop.mode === 'always'
                ? ALWAYS
                : controls.value.loop.schedule,
          colour: 'bg-ink-soft',
          ink: 'text-plaster-pale',
          set: (w: Schedule) =>
            void table.set('loop windows', (k) => {
              k.loop.schedule = w
              if (k.loop.mode === 'off' || k.loop.mode === 'always') k.loop.mode = 'clock'
            }),
        },
      ]
    : []),
  ...(controls.value.heating.heaterId
    ? [
        {
          key: 'heating',
          of: SPACE_HEATING,
          name: 'Space heating',
          week: controls.value.heating.schedule ?? ALWAYS,
          colour: 'bg-line-strong',
          ink: 'text-ink',
          set: (w: Schedule) => void table.set('house heating', (k) => void (k.heating.schedule = w)),
        },
      ]
    : []),
])
const chosen = ref('')
const lane = computed(() => lanes.value.find((l) => l.key === chosen.value) ?? lanes.value[0] ?? null)
const others = computed(() => lanes.value.filter((l) => l.key !== lane.value?.key))
/** Pasteurisation cycles of a day, each in the lane of its heater. */
const runsOf = ({ key }: Lane, d: number) => {
  const run = controls.value.heaters[key]?.pasteurisation
  return run?.weekday === d ? [run] : []
}
const anyRun = computed(() => Object.values(controls.value.heaters).some((h) => h.pasteurisation))
const month = computed(() => MONTH_OF_DAY[week.value * 7]!)
/** When it costs more than at the cheapest, by the carrier that has bands. */
const dear = computed(() => {
  const tariff = Object.values(study.value.prices.carriers).find((t) => t?.bands.length)
  return tariff ? dearWeek(tariff, month.value) : null
})
const pct = (m: number) => `${(m / MINUTES_A_DAY) * 100}%`
/** Draws by the days of the strip, Monday first. */
const ofWeekday = (d: number) => days.value.find((x) => x.weekday === d)
const isAway = (d: number) => away.value.has(ofWeekday(d)?.day ?? -1)
const sun = computed(() => daylight(study.value.site.latitudeDeg, week.value * 7 + 4))
/** The chosen lane's windows of a day on every day, or on the days of its group. */
const copyFrom = ref(0)
const copyTo = (days: number[]) =>
  lane.value!.set(
    lane.value!.week.map((old, d) =>
      days.includes(d) ? lane.value!.week[copyFrom.value]!.map((w) => ({ ...w })) : old,
    ),
  )
</script>

<template>
  <section aria-label="Week on one strip">
    <div class="flex flex-wrap items-end gap-3">
      <h2 class="mr-auto text-xl">Week on one strip</h2>
      <ChoiceField
        class="w-44"
        label="Draw-offs of the week of"
        :value="week"
        :choices="Array.from({ length: 52 }, (_, i) => ({ value: i, name: dateOf(i * 7) }))"
        @change="(v) => (week = v)"
      />
    </div>
    <template v-if="lane">
      <div class="mt-2 flex flex-wrap items-end gap-2">
        <RadioGroup
          v-if="lanes.length > 1"
          :model-value="lane.key"
          aria-label="Schedule to edit"
          class="flex flex-wrap gap-1"
          @update:model-value="(key: string) => (chosen = key)"
        >
          <RadioGroupOption v-for="l in lanes" :key="l.key" v-slot="{ checked, active }" :value="l.key" as="template">
            <span
              class="tool cursor-pointer"
              :class="[
                checked ? 'border-copper bg-copper-pale font-semibold' : '',
                active ? 'outline-2 outline-copper' : '',
              ]"
              ><i class="inline-block size-3 rounded-sm" :class="l.colour" />{{ l.name }}</span
            >
          </RadioGroupOption>
        </RadioGroup>
        <p v-else class="py-2.5 pr-2 font-semibold">{{ lane.name }}</p>
        <ChoiceField
          class="w-36"
          label="Copy from"
          :value="copyFrom"
          :choices="DAY_NAMES.map((name, value) => ({ value, name: name as string }))"
          @change="(v) => (copyFrom = v)"
        />
        <button class="tool" @click="copyTo([0, 1, 2, 3, 4])">to Mon–Fri</button>
        <button class="tool" @click="copyTo([5, 6])">to the weekend</button>
        <button class="tool" @click="copyTo([0, 1, 2, 3, 4, 5, 6])">to all days</button>
      </div>
      <WeekPlanner
        class="mt-3"
        :label="`Schedule of ${lane.name}`"
        :week="lane.week"
        :grid="gridOf(study, lane.of)"
        :look="`${lane.colour} ${lane.ink}`"
        @change="lane.set"
      >
        <template #day="{ day }">
          <span v-if="isAway(day)" class="caption block leading-3">away</span>
        </template>
        <template #rail="{ day }">
          <span
            v-for="(r, i) in runsOf(lane, day)"
            :key="`r${i}`"
            class="pointer-events-none absolute inset-y-0 z-10 w-1 bg-alarm"
            :style="{ left: pct(r.atMin) }"
          />
        </template>
        <template #under="{ day }">
          <div class="relative border-b border-line pb-1.5" :data-under="day">
            <span
              class="pointer-events-none absolute inset-y-0 border-x border-dashed border-line-strong"
              :style="{ left: pct(sun.fromMin), width: `calc(${pct(sun.toMin)} - ${pct(sun.fromMin)})` }"
            />
            <span
              v-for="w in dear?.[day] ?? []"
              :key="w.fromMin"
              class="pointer-events-none absolute bottom-0 h-1 bg-alarm/50"
              :style="{ left: pct(w.fromMin), width: pct(w.toMin - w.fromMin) }"
            />
            <div v-for="l in others" :key="l.key" class="relative mt-0.5 h-2" :data-lane="l.key">
              <span
                v-for="(w, i) in l.week[day]"
                :key="i"
                class="absolute inset-y-0 rounded-sm"
                :class="l.colour"
                :style="{ left: pct(w.fromMin), width: pct(w.toMin - w.fromMin) }"
              />
              <span
                v-for="(r, i) in runsOf(l, day)"
                :key="`r${i}`"
                class="absolute -inset-y-0.5 w-1 bg-alarm"
                :style="{ left: pct(r.atMin) }"
              />
            </div>
            <div class="relative mt-0.5 h-2.5">
              <span
                v-for="(x, i) in ofWeekday(day)?.draws ?? []"
                :key="i"
                class="absolute bottom-0 w-0.5 bg-verdigris"
                :style="{ left: pct((x.startS % DAY_S) / 60), height: `${Math.min(100, 25 + x.litres)}%` }"
              />
            </div>
          </div>
        </template>
      </WeekPlanner>
      <ul class="caption mt-2 flex flex-wrap gap-x-4" aria-label="Key of the strip">
        <li v-for="l in others" :key="l.key"><i class="mr-1 inline-block size-2.5" :class="l.colour" />{{ l.name }}</li>
        <li><i class="mr-1 inline-block h-2.5 w-0.5 bg-verdigris" />draw-offs, taller for more volume</li>
        <li v-if="anyRun"><i class="mr-1 inline-block h-2.5 w-1 bg-alarm" />pasteurisation cycle</li>
        <li v-if="dear"><i class="mr-1 inline-block h-1 w-2.5 bg-alarm/50" />outside the cheapest tariff band</li>
        <li><i class="mr-1 inline-block h-2.5 w-2.5 border-x border-dashed border-line-strong" />daylight</li>
      </ul>
    </template>
    <p v-else class="mt-3">
      Nothing here is time-controlled: an instantaneous water heater needs no hot water schedule, and there is no
      circulation.
    </p>
  </section>
</template>
