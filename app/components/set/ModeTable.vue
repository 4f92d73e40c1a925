<script setup lang="ts">
import ModePicture from '~/components/set/ModePicture.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { MONTHS } from '~~/core/calendar/names'
import { LOOP_MODE_WORDS } from '~~/core/household/loop-mode-words'
import { modeJobs, type ModeRow, modeRows } from '~~/core/scenarios/loop-modes'
import type { LoopMode } from '~~/core/study/loop-modes'
import { assessed } from '~~/core/views/comfort'

/** Every way of running the loop side by side, on the household's own draws. */
const table = useStudy()
const years = useYears()
const units = computed(() => table.units)
const rows = shallowRef<ModeRow[] | null>(null)
const trouble = ref('')
/** What is shown is of the household before the last change. */
const stale = ref(false)
let batch = 0
watch(
  () => table.study,
  async (study) => {
    const mine = ++batch
    stale.value = true
    if (!study?.pipes.loop) return
    const jobs = modeJobs(study)
    const all = await years.many(
      jobs.map((j) => j.study),
      () => mine !== batch,
    )
    if (!all || mine !== batch) return
    const known = new Map(all.flatMap((year, i) => (year ? [[jobs[i]!.mode, year] as const] : [])))
    trouble.value = known.size < jobs.length ? 'Some modes could not be simulated and are left out.' : ''
    stale.value = false
    rows.value = known.has('off') ? modeRows(study, known) : null
  },
  { immediate: true },
)
onUnmounted(() => batch++)
const mode = computed(() => table.controls!.loop.mode)
const choose = (m: LoopMode) => table.set('loop mode', (k) => void (k.loop.mode = m))
const count = (n: number) => Math.round(n).toLocaleString('en-GB')
const cells: { title: string; unit?: string; of: (r: ModeRow) => string }[] = [
  { title: 'Net annual cost', of: (r) => (r.mode === 'off' ? '—' : units.value.moneyChange(r.net.total)) },
  { title: 'of which electricity', of: (r) => units.value.moneyChange(r.net.pump) },
  { title: 'water', of: (r) => units.value.moneyChange(r.net.water) },
  { title: 'heat', of: (r) => units.value.moneyChange(r.net.heat) },
  { title: 'Purchased energy excluding pump', of: (r) => units.value.energy(r.fuelKwh) },
  { title: 'Circulation electricity', of: (r) => units.value.energy(r.pumpKwh) },
  { title: 'Pump run time', of: (r) => `${count(r.pumpHours)} h` },
  { title: 'Pump starts', of: (r) => count(r.pumpStarts) },
  { title: 'Flow pipe loss', of: (r) => units.value.energy(r.outKwh) },
  { title: 'Return pipe loss', of: (r) => units.value.energy(r.backKwh) },
  { title: 'Dead-leg loss', of: (r) => units.value.energy(r.deadLegKwh) },
  { title: 'Draw-off to waste', of: (r) => units.value.litres(r.toWasteL) },
  { title: 'Median time to tap (P50)', of: (r) => assessed(r.waiting, units.value.seconds(r.waitMedianS)) },
  { title: '90th percentile time to tap (P90)', of: (r) => assessed(r.waiting, units.value.seconds(r.waitP90S)) },
  { title: 'Unmet draw-offs', of: (r) => String(r.unmetDraws) },
  { title: 'Return in growth range', of: (r) => `${Math.round(r.tepidHoursWeek)} h/week` },
  {
    title: 'Cost per minute of waiting saved',
    of: (r) => (r.moneyPerMinute === null ? '—' : `${units.value.money(r.moneyPerMinute)}`),
  },
  { title: 'Heater starts', of: (r) => count(r.heaterStarts) },
]
const months = computed(() => rows.value?.find((r) => r.mode === mode.value)?.netMonths ?? null)
</script>

<template>
  <section aria-label="Circulation modes compared">
    <h2 class="border-b border-ink pb-1 text-xl">Circulation modes compared</h2>
    <p v-if="!table.study!.pipes.loop" class="py-3">
      No circulation in this household. Add one under Survey, section Circulation, to compare modes.
    </p>
    <p v-else-if="!rows" class="py-3 text-ink-soft" role="status">Simulating each mode…</p>
    <template v-else>
      <p class="caption my-1">
        Cost against circulation off: <b>+</b> costs more. Running the pump saves water and waiting and costs heat.
        Choose a mode to set it.
        <b v-if="stale" role="status">Updating. These figures are from before the last change.</b>
      </p>
      <ModePicture v-if="rows.some((r) => r.waiting)" class="my-2" :rows="rows" :mode="mode" @choose="choose" />
      <div class="mode-table">
        <table class="w-full text-sm">
          <thead>
            <tr class="border-b border-ink align-bottom">
              <th class="text-left" scope="col">Per year</th>
              <th v-for="r in rows" :key="r.mode" scope="col" class="px-1 pb-1 text-right">
                <button
                  class="min-h-11 text-right font-semibold"
                  :class="mode === r.mode ? 'text-ink underline decoration-copper decoration-3' : 'text-copper'"
                  :aria-pressed="mode === r.mode"
                  @click="choose(r.mode)"
                >
                  {{ LOOP_MODE_WORDS[r.mode].name }}
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in cells" :key="c.title" class="border-b border-line">
              <th scope="row" class="py-1 pr-2 text-left font-normal">{{ c.title }}</th>
              <td
                v-for="r in rows"
                :key="r.mode"
                :data-mode="r.mode"
                :data-name="LOOP_MODE_WORDS[r.mode].name"
                class="px-1 py-1 text-right tabular-nums"
                :class="{ 'bg-copper-pale': mode === r.mode }"
              >
                {{ c.of(r) }}
              </td>
            </tr>
            <tr>
              <th scope="row" class="py-1 text-left font-normal">Net saving</th>
              <td
                v-for="r in rows"
                :key="r.mode"
                :data-name="LOOP_MODE_WORDS[r.mode].name"
                class="px-1 py-1 text-right"
                :class="{ 'bg-copper-pale': mode === r.mode }"
              >
                {{ r.mode === 'off' ? '—' : r.net.total < 0 ? 'yes' : 'never' }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="months && mode !== 'off'" class="mt-2 text-sm">
        {{ LOOP_MODE_WORDS[mode].name }} by month:
        <span v-for="(m, i) in months" :key="i" class="mr-2 inline-block tabular-nums"
          >{{ MONTHS[i] }} {{ units.moneyChange(m) }}</span
        >
      </p>
      <p v-if="trouble" role="alert" class="text-alarm">{{ trouble }}</p>
    </template>
  </section>
</template>

<style scoped>
/* On a phone each figure stands with its mode: nothing needs a sideways scroll. */
@media (max-width: 767px) {
  thead th:first-child {
    display: none;
  }
  thead tr,
  tbody tr {
    display: flex;
    flex-wrap: wrap;
    column-gap: 0.75rem;
  }
  tbody th {
    width: 100%;
    font-weight: 600;
  }
  tbody td {
    display: flex;
    width: calc(50% - 0.5rem);
    justify-content: space-between;
    text-align: right;
  }
  tbody td::before {
    content: attr(data-name);
    color: var(--color-ink-soft);
  }
}
</style>
