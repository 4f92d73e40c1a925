<script setup lang="ts">
import { Search, Square } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import { useNotice } from '~/composables/useNotice'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { type Schedule, weekInWords } from '~~/core/calendar/week'
import { DEFAULT_GOAL, type Found, optimiseSchedule, type Tried, withPlan } from '~~/core/scenarios/optimise-schedule'
import { planPackage } from '~~/core/scenarios/plan-measures'
import { dependsOn } from '~~/core/year/depends-on'
import { WAITS_S } from '~~/core/year/result'

/** Looks for the cheapest windows that keep a share of draws warm within a wait. */
const table = useStudy()
const years = useYears()
const units = computed(() => table.units)
const goal = ref({ ...DEFAULT_GOAL })
const found = shallowRef<Found | null>(null)
/** The household that it was found in. */
const foundIn = ref('')
const changedSince = computed(() => table.study !== null && foundIn.value !== dependsOn(table.study))
const nothing = ref('')
const trouble = ref('')
const progress = ref<{ done: number; most: number; best: Tried | null } | null>(null)
let batch = 0

async function search() {
  const study = table.study!
  const mine = ++batch
  found.value = null
  nothing.value = trouble.value = ''
  progress.value = { done: 0, most: 1, best: null }
  try {
    const answer = await optimiseSchedule(
      study,
      { ...goal.value },
      async (studies) => {
        const all = await years.many(studies, () => mine !== batch)
        if (!all) throw new Stopped()
        return all
      },
      { onProgress: (done, most, best) => mine === batch && (progress.value = { done, most, best }) },
    )
    if (mine !== batch) return
    if ('nothing' in answer) nothing.value = answer.nothing
    else {
      found.value = answer
      foundIn.value = dependsOn(study)
    }
  } catch (error) {
    if (!(error instanceof Stopped)) trouble.value = error instanceof Error ? error.message : String(error)
  } finally {
    if (mine === batch) progress.value = null
  }
}
class Stopped extends Error {}
function stop() {
  batch++
  progress.value = null
}
onUnmounted(stop)
// What was found holds for the household it was found in.
watch(
  () => table.study?.id,
  () => (stop(), (found.value = null)),
)

const percent = (share: number) => `${(100 * share).toFixed(1)}%`
const inWords = (week: Schedule | null) =>
  week === null ? '' : week.every((d) => d.length === 0) ? 'off' : weekInWords(week, units.value.time)
const plans = computed(() => {
  const f = found.value
  if (!f) return []
  return [
    ['As set', f.asItStands],
    ['Always on', f.always],
    ['Cheapest schedule found', f.best],
    ['One time step longer', f.warmer],
  ] as [string, Tried][]
})
const take = () => {
  const f = found.value!
  table.set('found windows', (k) => void Object.assign(k, withPlan(table.study!, f.best.plan, f.heaterId).controls.set))
}
function keepAsMeasures() {
  const { best, heaterId } = found.value!
  const kept = table.change(
    'windows as measures',
    (d) => void d.packages.push(planPackage(table.study!, best.plan, heaterId)),
  )
  if (kept) useNotice().say({ text: 'Saved as a package under Improve.' })
}
</script>

<template>
  <section aria-label="Schedule optimiser">
    <h2 class="border-b border-ink pb-1 text-xl">Optimise schedule</h2>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <ChoiceField
        class="w-36"
        label="Share of draw-offs"
        :value="goal.shareWarm"
        :choices="[0.8, 0.9, 0.95, 0.98, 0.99, 1].map((value) => ({ value, name: `${Math.round(value * 100)}%` }))"
        @change="(v) => (goal.shareWarm = v)"
      />
      <ChoiceField
        class="w-36"
        label="hot within"
        :value="goal.withinS"
        :choices="WAITS_S.map((value) => ({ value: value as number, name: `${value} s` }))"
        @change="(v) => (goal.withinS = v)"
      />
      <button v-if="!progress" class="tool tool-main" @click="search"><Search :size="17" />Optimise</button>
      <button v-else class="tool" @click="stop"><Square :size="17" />Stop</button>
    </div>
    <p class="caption mt-1">
      Each schedule is simulated for a year on the household’s own draw-offs, within the controller limits. Schedules
      that fail a safety check are left out.
    </p>
    <WorkProgress v-if="progress" class="mt-3" counts="Years simulated" :done="progress.done" :of="progress.most">
      {{ progress.done }} of at most {{ progress.most }} years<template v-if="progress.best"
        >; best so far <b>{{ units.money(progress.best.cost) }}</b> a year with
        {{ percent(progress.best.warm) }} hot</template
      >
    </WorkProgress>
    <p v-if="nothing" class="mt-3">{{ nothing }}</p>
    <p v-if="trouble" class="mt-3 text-alarm" role="alert">{{ trouble }}</p>
    <template v-if="found">
      <p v-if="!found.kept" class="mt-3 border-l-4 border-copper pl-2">
        Target not achievable: always on gives {{ percent(found.always.warm) }} within {{ found.goal.withinS }} s, not
        {{ percent(found.goal.shareWarm) }}; the limit is pipe volume. The schedule shown matches always on.
      </p>
      <table class="mt-3 w-full" data-found>
        <thead>
          <tr class="border-b border-ink text-left">
            <th scope="col">Schedule</th>
            <th scope="col" class="text-right">a year</th>
            <th scope="col" class="text-right">hot within {{ found.goal.withinS }} s</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="[name, t] in plans"
            :key="name"
            class="border-b border-line"
            :class="{ 'font-semibold': t === found.best }"
          >
            <th scope="row" class="py-1 text-left font-[inherit]">{{ name }}</th>
            <td class="text-right tabular-nums">{{ units.money(t.cost) }}</td>
            <td class="text-right tabular-nums">{{ percent(t.warm) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="changedSince" class="caption" role="status">
        Settings have changed since; these figures are from before.
      </p>
      <dl class="mt-3 grid gap-x-4 gap-y-1 sm:grid-cols-[8rem_minmax(0,1fr)]">
        <template v-if="found.best.plan.loop">
          <dt class="font-semibold">Circulation</dt>
          <dd>{{ inWords(found.best.plan.loop) }}</dd>
        </template>
        <template v-if="found.best.plan.heater">
          <dt class="font-semibold">Heater</dt>
          <dd>{{ inWords(found.best.plan.heater) }}</dd>
        </template>
        <dt class="font-semibold">Not met</dt>
        <dd>
          {{ found.leftOut }} of {{ found.draws }} draw-offs a year are not hot within {{ found.goal.withinS }} s. One
          step longer costs {{ units.moneyChange(found.warmer.cost - found.best.cost) }} a year and gives
          {{ percent(found.warmer.warm) }}.
        </dd>
        <dt class="font-semibold">Lead time</dt>
        <dd>
          On periods start before the first draw-off by the reheat time<template v-if="found.looksForLoop"
            >: the circulation {{ Math.ceil(found.leadMin.loop) }} min</template
          ><template v-if="found.heaterId"
            >{{ found.looksForLoop ? ', ' : ': ' }}the cylinder {{ Math.ceil(found.leadMin.heater) }} min</template
          >.
        </dd>
        <dt class="font-semibold">Simulations</dt>
        <dd>
          {{ found.years }} years<template v-if="found.refusedForDanger"
            >; {{ found.refusedForDanger }} cheaper {{ found.refusedForDanger === 1 ? 'schedule' : 'schedules' }} left
            out for failing a safety check</template
          >.
        </dd>
      </dl>
      <div class="mt-3 flex flex-wrap gap-2">
        <button class="tool tool-main" @click="take">Apply this schedule</button>
        <button class="tool" @click="keepAsMeasures">Save as package</button>
      </div>
    </template>
  </section>
</template>
