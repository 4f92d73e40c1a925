<script setup lang="ts">
import { Printer } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import CalendarOut from '~/components/set/CalendarOut.vue'
import EntryGroup from '~/components/set/EntryGroup.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { localIso } from '~/utils/local-iso'
import { hoursOpen, type Schedule, weekInWords } from '~~/core/calendar/week'
import { withWritten } from '~~/core/household/changes'
import { putWeek } from '~~/core/household/controller-weeks'
import type { FitWay } from '~~/core/household/fit-controller'
import { withDayShown, withReadBack } from '~~/core/household/read-back'
import { DAY_GROUP_WORDS } from '~~/core/household/setting-words'
import type { Commanded } from '~~/core/study/controllers'
import { USUAL_GRID } from '~~/core/study/new-controller'
import { writeDay } from '~~/core/units/dates'
import { controllerFits } from '~~/core/views/controller-fit'

/** A week as it is keyed into the controller: fitted to what that takes, listed in the order of the keys, and read back. */
const table = useStudy()
const years = useYears()
const study = computed(() => table.study!)
const controls = computed(() => table.controls!)
const units = computed(() => table.units)
const all = computed(() => controllerFits(study.value, controls.value))
const at = ref<Commanded | null>(null)
const one = computed(() => all.value.find((w) => w.of === at.value) ?? all.value[0] ?? null)
const grid = computed(() => one.value?.grid ?? USUAL_GRID)
const WAYS: Record<FitWay, string> = {
  outwards: 'Outwards, for comfort: on whenever the plan is',
  inwards: 'Inwards, for cost: on only when the plan is',
}

/** What a year costs with the plan as it is wished, and with each fit; null until it is worked out. */
const costs = shallowRef<(number | null)[] | null>(null)
const working = ref(false)
let batch = 0
watch([one, grid], () => {
  batch++
  working.value = false
  costs.value = null
})
onUnmounted(() => batch++)
async function workOut() {
  const mine = ++batch
  working.value = true
  const { of, week } = one.value!
  const jobs = [week, ...one.value!.fits.map((f) => f.week)].map((w) =>
    withWritten(study.value, (c) => putWeek(c, of, w)),
  )
  const known = await years.many(jobs, () => mine !== batch)
  if (mine !== batch) return
  working.value = false
  costs.value = known && known.map((y) => y?.cost.total ?? null)
}
const moneyOf = (i: number) => {
  const cost = costs.value?.[i]
  return cost === undefined ? '' : cost === null ? 'not simulated' : `${units.value.money(cost)} a year`
}
const enter = (week: Schedule) => table.set('fitted week', (c) => putWeek(c, one.value!.of, week))

function readBack(week: Schedule) {
  const { of } = one.value!
  const on = localIso(new Date()).slice(0, 10)
  table.change(`read back ${of}`, (d) => {
    d.controls.readBack = withReadBack(d.controls.readBack, { of, on, week })
  })
}
const showed = (day: number, periods: Schedule[number]) =>
  readBack(withDayShown(grid.value, one.value!.readBack?.week ?? one.value!.week, day, periods))
const HOURS = { found: 'Found', planned: 'Planned', entered: 'Entered' } as const
const print = () => window.print()
</script>

<template>
  <section aria-label="Controller entries">
    <p v-if="!one" class="text-ink-soft">No schedule is in use: nothing is keyed in.</p>
    <template v-else>
      <div class="flex flex-wrap items-end gap-3 print:hidden">
        <ChoiceField
          v-if="all.length > 1"
          class="w-64"
          label="Schedule of"
          :value="one.of"
          :choices="all.map((w) => ({ value: w.of, name: w.name }))"
          @change="(v) => (at = v)"
        />
        <button v-if="one.entries.length" class="tool" @click="print"><Printer :size="17" />Print entries</button>
      </div>
      <h2 class="mt-4 text-xl">{{ one.name }}: {{ weekInWords(one.week, units.time) }}</h2>
      <p class="caption">
        {{ one.controller?.name ?? 'No controller recorded' }}: steps of {{ grid.stepMin }} min,
        {{ grid.periodsPerDay }} on periods a day, {{ DAY_GROUP_WORDS[grid.days] }}.
      </p>

      <div v-if="one.problems.length" class="mt-3 print:hidden" data-fits>
        <h3 class="text-base">Cannot be entered as planned</h3>
        <ul class="list-disc pl-5 text-sm">
          <li v-for="p in one.problems" :key="p">{{ p }}</li>
        </ul>
        <table class="mt-2 w-full max-w-4xl text-sm">
          <thead>
            <tr class="border-b border-ink text-left">
              <th class="py-1">Nearest that can</th>
              <th>Week</th>
              <th class="text-right">Hours a week</th>
              <th class="text-right">Annual cost</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr class="border-b border-line align-top">
              <th class="py-2 text-left font-normal">As planned</th>
              <td class="py-2"></td>
              <td class="py-2 text-right">{{ hoursOpen(one.week).toFixed(1) }} h</td>
              <td class="py-2 text-right">{{ moneyOf(0) }}</td>
              <td></td>
            </tr>
            <tr v-for="(f, i) in one.fits" :key="f.way" class="border-b border-line align-top" :data-fit="f.way">
              <th class="py-2 pr-2 text-left font-normal">{{ WAYS[f.way] }}</th>
              <td class="py-2">{{ weekInWords(f.week, units.time) }}</td>
              <td class="py-2 text-right">
                {{ hoursOpen(f.week).toFixed(1) }} h
                <span class="caption block">{{
                  f.way === 'outwards' ? `${f.moreH.toFixed(1)} h more` : `${f.lessH.toFixed(1)} h less`
                }}</span>
              </td>
              <td class="py-2 text-right">{{ moneyOf(i + 1) }}</td>
              <td class="py-1 pl-2 text-right">
                <button class="tool" :aria-label="`Take the plan ${f.way}`" @click="enter(f.week)">Take it</button>
              </td>
            </tr>
          </tbody>
        </table>
        <button class="tool mt-2" :disabled="working" @click="workOut">
          {{ working ? 'Simulating…' : 'Simulate the year of each' }}
        </button>
      </div>

      <div v-else class="mt-3" data-entries>
        <p class="text-sm">
          Key in from the top, clock and weekday first.
          {{
            one.controller?.timeoutS
              ? `The menu closes ${units.seconds(one.controller.timeoutS)} after the last key: have this list at hand.`
              : 'Menus close by themselves after a while: have this list at hand.'
          }}
          What an unused period keeps from before still switches.
        </p>
        <EntryGroup
          v-for="e in one.entries"
          :key="e.days[0]"
          :entries="e"
          :shown="one.readBack ? one.readBack.week[e.days[0]!]! : null"
          :grid="grid"
          :unused-reads="one.unusedReads"
          @shown="(periods) => showed(e.days[0]!, periods)"
        />
        <p class="mt-3">
          <template v-for="(name, key) in HOURS" :key="key">
            <span v-if="one.hours[key] !== null" class="mr-4"
              >{{ name }} <b>{{ one.hours[key]!.toFixed(1) }} h</b> a week</span
            >
          </template>
        </p>
        <div class="mt-2 flex flex-wrap items-center gap-3 print:hidden">
          <button class="tool" @click="readBack(one.week)">Display reads as planned</button>
          <p
            v-if="one.readBack"
            role="status"
            :class="one.wrong.length ? 'text-alarm' : 'text-verdigris'"
            data-read-back
          >
            {{
              one.wrong.length
                ? `${one.wrong.length} ${one.wrong.length === 1 ? 'period differs' : 'periods differ'} from the plan`
                : 'Entered as planned'
            }}, read back on {{ writeDay(one.readBack.on, units.system) }}.
          </p>
          <p v-else class="caption">Not read back yet.</p>
        </div>
      </div>

      <details class="mt-4 print:hidden" data-groupings>
        <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">
          Other day groups, and what each loses
        </summary>
        <table class="text-sm">
          <thead>
            <tr class="border-b border-ink text-left">
              <th class="py-1 pr-6">Day groups</th>
              <th class="pr-6 text-right">Programmes to key in</th>
              <th class="text-right">On more than planned</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="g in one.groupings" :key="g.days" class="border-b border-line">
              <td class="py-1 pr-6">{{ DAY_GROUP_WORDS[g.days] }}</td>
              <td class="pr-6 text-right">{{ g.programmes }}</td>
              <td class="text-right">{{ g.moreH.toFixed(1) }} h a week</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
    <CalendarOut class="mt-6" />
  </section>
</template>
