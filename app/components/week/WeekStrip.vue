<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import WeekPlanner from '~/components/week/WeekPlanner.vue'
import { useStudy } from '~/stores/study'
import { MINUTES_A_DAY } from '~~/core/calendar/clock'
import { dateOf } from '~~/core/calendar/names'
import { DAY_NAMES, type Week } from '~~/core/calendar/week'
import { ALWAYS } from '~~/core/calendar/week'
import { DAY_S, MONTH_OF_DAY } from '~~/core/calendar/year'
import { daylight } from '~~/core/climate/sun'
import { emptyDays } from '~~/core/household/empty-days'
import { dearWeek } from '~~/core/money/tariff'
import { hasSetpoint, isRunning } from '~~/core/study/heater-kinds'
import { weekOf } from '~~/core/year/draws/draw-week'
import { drawsOfYear } from '~~/core/year/draws/draws'

/** The week on one strip: heater, loop and heating windows, hot runs, the draws people make, prices and who is away; each lane is edited below it. */
const table = useStudy()
const controls = computed(() => table.controls!)
const study = computed(() => table.study!)
const week = ref(2)
const days = computed(() => weekOf(study.value, drawsOfYear(study.value.people, study.value.site), week.value))
const away = computed(() => emptyDays(study.value.people))

interface Lane {
  key: string
  name: string
  week: Week
  colour: string
  set: (week: Week) => void
}
const lanes = computed((): Lane[] => [
  ...study.value.plant.heaters
    .filter((h) => hasSetpoint(h) && !isRunning(h))
    .map((h) => ({
      key: h.id,
      name: h.name,
      week: controls.value.heaters[h.id]!.windows ?? ALWAYS,
      colour: 'bg-copper',
      set: (w: Week) => void table.set(`timer ${h.id}`, (k) => void (k.heaters[h.id]!.windows = w)),
    })),
  ...(study.value.pipes.loop
    ? [
        {
          key: 'loop',
          name: 'Circulation',
          week:
            controls.value.loop.mode === 'off'
              ? ALWAYS.map(() => [])
              : controls.value.loop.mode === 'always'
                ? ALWAYS
                : controls.value.loop.windows,
          colour: 'bg-ink-soft',
          set: (w: Week) =>
            void table.set('loop windows', (k) => {
              k.loop.windows = w
              if (k.loop.mode === 'off' || k.loop.mode === 'always') k.loop.mode = 'clock'
            }),
        },
      ]
    : []),
  ...(controls.value.heating.heaterId
    ? [
        {
          key: 'heating',
          name: 'Space heating',
          week: controls.value.heating.windows ?? ALWAYS,
          colour: 'bg-line-strong',
          set: (w: Week) => void table.set('house heating', (k) => void (k.heating.windows = w)),
        },
      ]
    : []),
])
const chosen = ref('')
const lane = computed(() => lanes.value.find((l) => l.key === chosen.value) ?? lanes.value[0] ?? null)
const runs = computed(() =>
  Object.entries(controls.value.heaters).flatMap(([id, h]) =>
    h.disinfection ? [{ ...h.disinfection, name: study.value.plant.heaters.find((x) => x.id === id)!.name }] : [],
  ),
)
const month = computed(() => MONTH_OF_DAY[week.value * 7]!)
/** When it costs more than at the cheapest, by the carrier that has bands. */
const dear = computed(() => {
  const tariff = Object.values(study.value.prices.carriers).find((t) => t?.bands.length)
  return tariff ? dearWeek(tariff, month.value) : null
})
const pct = (m: number) => `${(m / MINUTES_A_DAY) * 100}%`
/** Draws by the days of the strip, Monday first. */
const ofWeekday = (d: number) => days.value.find((x) => x.weekday === d)
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
    <div class="mt-2">
      <div class="caption ml-11 flex justify-between" aria-hidden="true">
        <span v-for="h in [0, 6, 12, 18, 24]" :key="h" class="w-0 whitespace-nowrap"
          ><span class="-ml-2">{{ h }}</span></span
        >
      </div>
      <div v-for="(name, d) in DAY_NAMES" :key="name" class="flex items-stretch border-b border-line">
        <span
          class="w-11 shrink-0 self-center text-sm"
          :class="{ 'text-ink-soft': ofWeekday(d) && away.has(ofWeekday(d)!.day) }"
          >{{ name.slice(0, 3)
          }}<span v-if="ofWeekday(d) && away.has(ofWeekday(d)!.day)" class="caption block leading-3">away</span></span
        >
        <div class="relative min-w-0 flex-1 bg-plaster-pale py-0.5">
          <span
            class="absolute inset-y-0 border-x border-dashed border-line-strong"
            :style="{ left: pct(sun.fromMin), width: `calc(${pct(sun.toMin)} - ${pct(sun.fromMin)})` }"
          />
          <template v-if="dear">
            <span
              v-for="w in dear[d]"
              :key="w.fromMin"
              class="absolute top-0 h-1 bg-alarm/50"
              :style="{ left: pct(w.fromMin), width: pct(w.toMin - w.fromMin) }"
            />
          </template>
          <div v-for="l in lanes" :key="l.key" class="relative mt-1 h-2.5 first:mt-1.5">
            <span
              v-for="(w, i) in l.week[d]"
              :key="i"
              class="absolute inset-y-0 rounded-sm"
              :class="[l.colour, lane?.key === l.key ? '' : 'opacity-60']"
              :style="{ left: pct(w.fromMin), width: pct(w.toMin - w.fromMin) }"
            />
            <span
              v-for="(r, i) in l.colour === 'bg-copper' ? runs.filter((x) => x.weekday === d && x.name === l.name) : []"
              :key="`r${i}`"
              class="absolute -inset-y-0.5 w-1 bg-alarm"
              :style="{ left: pct(r.atMin) }"
            />
          </div>
          <div class="relative mt-1 h-2.5">
            <span
              v-for="(x, i) in ofWeekday(d)?.draws ?? []"
              :key="i"
              class="absolute bottom-0 w-0.5 bg-verdigris"
              :style="{ left: pct((x.startS % DAY_S) / 60), height: `${Math.min(100, 25 + x.litres)}%` }"
            />
          </div>
        </div>
      </div>
    </div>
    <ul class="caption mt-1 flex flex-wrap gap-x-4">
      <li v-for="l in lanes" :key="l.key"><i class="mr-1 inline-block size-2.5" :class="l.colour" />{{ l.name }}</li>
      <li><i class="mr-1 inline-block h-2.5 w-0.5 bg-verdigris" />draw-offs, taller for more volume</li>
      <li v-if="runs.length"><i class="mr-1 inline-block h-2.5 w-1 bg-alarm" />pasteurisation cycle</li>
      <li v-if="dear"><i class="mr-1 inline-block h-1 w-2.5 bg-alarm/50" />outside the cheapest tariff band</li>
      <li><i class="mr-1 inline-block h-2.5 w-2.5 border-x border-dashed border-line-strong" />daylight</li>
    </ul>
    <div v-if="lane" class="mt-4">
      <div class="flex flex-wrap items-end gap-2">
        <ChoiceField
          v-if="lanes.length > 1"
          class="w-52"
          label="Schedule to edit"
          :value="lane.key"
          :choices="lanes.map((l) => ({ value: l.key, name: l.name }))"
          @change="(v) => (chosen = v)"
        />
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
        :grid="controls.grid"
        @change="lane.set"
      />
    </div>
    <p v-else class="mt-3">
      Nothing here is time-controlled: an instantaneous water heater needs no hot water schedule, and there is no
      circulation.
    </p>
  </section>
</template>
