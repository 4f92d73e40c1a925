<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import CheckLine from '~/components/set/CheckLine.vue'
import { useTyped } from '~/composables/useTyped'
import { useJudgement } from '~/stores/judgement'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { localDay } from '~/utils/local-iso'
import { burnScale } from '~~/core/household/burn-scale'
import { setpointRange } from '~~/core/household/setpoint-range'
import { bandFor, strategiesFor } from '~~/core/household/setpoint-strategies'
import { SAVING_WORDS, savingParts } from '~~/core/measures/saving-parts'
import { hasSetpoint } from '~~/core/study/heater-kinds'
import { linesOf, setpointChecks, unexplained } from '~~/core/views/setpoint-checks'

/** The setting that is on the slider, held against everything it has to keep. */
const table = useStudy()
const years = useYears()
const judgement = useJudgement()
const units = computed(() => table.units)
const heaters = computed(() => table.study!.plant.heaters.filter(hasSetpoint))
const chosen = ref<string | null>(null)
/** A setting is judged with its own year: while that is on its way, the one before it stands. */
const judged = computed(() => (judgement.judgedOf?.study.id === table.study!.id ? judgement.judgedOf : null))
const board = computed(() =>
  judged.value?.year ? setpointChecks(judged.value.study, judgement.checks, chosen.value ?? undefined) : null,
)
const heater = computed(() => heaters.value.find((h) => h.id === board.value?.heaterId) ?? heaters.value[0] ?? null)
const setC = computed(() => (heater.value ? table.controls!.heaters[heater.value.id]!.setpointC : 0))
const foundC = computed(() => (heater.value ? table.study!.controls.found.heaters[heater.value.id]!.setpointC : 0))
const setpoint = (c: number) =>
  table.set(`setpoint ${heater.value!.id}`, (k) => void (k.heaters[heater.value!.id]!.setpointC = c), true)
const band = computed(() => heater.value && bandFor(heater.value, units.value))
const strategies = computed(() => (heater.value ? strategiesFor(heater.value, units.value) : []))
/** The slider goes as far as its controller, in its steps. */
const takes = computed(() => setpointRange(table.study!, heater.value?.id ?? ''))
const along = (c: number) => `${((c - takes.value.lowC) / (takes.value.highC - takes.value.lowC)) * 100}%`
const burns = computed(() => burnScale(table.study!))
const lines = computed(() => (board.value ? linesOf(board.value) : []))
const due = computed(() => lines.value.filter((l) => l.level !== 'pass'))
const passes = computed(() => lines.value.filter((l) => l.level === 'pass'))
const open = computed(() => (board.value ? unexplained(table.study!, board.value) : []))
const reasons = computed(() => table.study!.controls.reasons.filter((r) => r.heaterId === board.value?.heaterId))
const { typed: reason } = useTyped(
  () => 'Reason for this setting',
  () => null,
  () => {},
)
/** One reason for all that is red and not explained; each is kept by its own name. */
function explain() {
  const text = reason.value?.trim()
  if (!text || !board.value?.heaterId) return
  const on = localDay()
  const { heaterId } = board.value
  const kept = table.change('reason', (d) => {
    for (const c of open.value) d.controls.reasons.push({ check: c.id, heaterId, text, on })
  })
  if (kept) reason.value = null
}
const drop = (text: string, on: string) =>
  table.change('reason', (d) => {
    d.controls.reasons = d.controls.reasons.filter((r) => r.text !== text || r.on !== on)
  })
/** What was said, once for each sentence. */
const said = computed(() => [...new Map(reasons.value.map((r) => [`${r.on} ${r.text}`, r])).values()])
const saving = computed(() => {
  const { study, year } = judged.value ?? {}
  return study && year && years.found && year !== years.found ? savingParts(study, years.found, year) : null
})
const change = (kwh: number) => `${kwh > 0.5 ? '+' : ''}${units.value.energy(kwh)}`
</script>

<template>
  <div class="space-y-5">
    <p v-if="!heater" class="py-4">
      No heater here has a thermostat: solar and solid fuel heat without a setpoint. The checks below still apply.
    </p>
    <template v-if="heater">
      <section aria-label="Setting">
        <div class="flex flex-wrap items-end gap-3">
          <ChoiceField
            v-if="heaters.length > 1"
            class="w-64"
            label="Heater"
            :value="heater.id"
            :choices="heaters.map((h) => ({ value: h.id, name: h.name }))"
            @change="(v) => (chosen = v)"
          />
          <p class="text-2xl font-semibold">{{ units.temperature(setC) }}</p>
          <p v-if="band" class="caption flex-1">
            Usual range {{ units.temperature(band.lowC) }} to {{ units.temperature(band.highC) }}. Reasons for higher:
            {{ band.raise }}. Reasons for lower: {{ band.lower }}.
          </p>
        </div>
        <input
          type="range"
          class="h-11 w-full accent-copper"
          :min="takes.lowC"
          :max="takes.highC"
          :step="takes.stepK"
          :value="setC"
          aria-label="Setpoint under check"
          :aria-valuetext="units.temperature(setC)"
          @input="setpoint(Number(($event.target as HTMLInputElement).value))"
        />
        <div class="relative h-9 overflow-hidden border-t border-line" aria-hidden="true">
          <span
            v-if="band"
            class="absolute top-0 h-1.5 bg-verdigris"
            :style="{ left: along(band.lowC), width: `calc(${along(band.highC)} - ${along(band.lowC)})` }"
          />
          <span
            v-for="m in burns.marks"
            :key="m.c"
            class="caption absolute top-2 -translate-x-1/2 text-center leading-4"
            :class="{ 'max-sm:hidden': m.c % 10 === 5 }"
            :style="{ left: along(m.c) }"
            >{{ m.adult }}</span
          >
        </div>
        <p class="caption">
          Under the slider: time to a deep burn for an adult without a mixing valve; a quarter of it for a child. Limit
          at the outlets {{ units.temperature(burns.limitC) }}. Found at {{ units.temperature(foundC) }}.
        </p>
      </section>
      <section aria-label="Starting strategies">
        <h2 class="text-base">Starting strategies</h2>
        <ul class="mt-1 grid gap-2 sm:grid-cols-2">
          <li v-for="s in strategies" :key="s.id" class="min-w-0 border-l-4 border-line-strong pl-2">
            <button
              class="tool tool-bare px-1 text-left font-semibold whitespace-normal! text-copper"
              @click="table.set(`school ${heater.id}`, (k) => void Object.assign(k.heaters[heater!.id]!, s.sets))"
            >
              {{ s.name }}
            </button>
            <p class="text-sm">{{ s.why }}</p>
          </li>
        </ul>
      </section>
    </template>
    <section aria-label="Setpoint checks" :class="{ 'min-h-[40rem]': !board }">
      <h2 class="border-b border-ink pb-1 text-xl">Checks at this setpoint</h2>
      <p v-if="!board" class="py-3 text-ink-soft">{{ years.failure ?? 'Simulating the year…' }}</p>
      <p v-else-if="years.pending" class="caption" role="status">updating…</p>
      <ul>
        <CheckLine v-for="l in due" :key="l.worst.id" :line="l" />
      </ul>
      <details v-if="passes.length" data-passes>
        <summary class="min-h-11 py-2.5 font-semibold text-verdigris">
          {{ passes.length === 1 ? '1 check passes' : `${passes.length} checks pass` }}
        </summary>
        <ul>
          <CheckLine v-for="l in passes" :key="l.worst.id" :line="l" />
        </ul>
      </details>
    </section>
    <template v-if="heater">
      <section v-if="open.length || said.length" aria-label="Reasons" class="border-l-4 border-alarm pl-3">
        <template v-if="open.length">
          <h2 class="text-base">
            {{ open.length === 1 ? '1 failed check' : `${open.length} failed checks` }} without a recorded reason
          </h2>
          <p class="caption">{{ open.map((c) => c.title).join(', ') }}. The reason is saved with the study.</p>
          <div class="mt-1 flex flex-wrap items-end gap-2">
            <div class="min-w-64 flex-1">
              <label class="caption block" for="board-reason">Reason</label>
              <input
                id="board-reason"
                class="entry"
                maxlength="4000"
                :value="reason ?? ''"
                @input="reason = ($event.target as HTMLInputElement).value"
                @keydown.enter="explain"
              />
            </div>
            <button class="tool tool-main" :disabled="!reason?.trim()" @click="explain">Save reason</button>
          </div>
        </template>
        <p v-for="r in said" :key="r.on + r.text" class="mt-1 flex flex-wrap items-center gap-2">
          <span class="caption">{{ r.on }}</span> {{ r.text }}
          <button class="tool tool-bare px-2 text-sm" @click="drop(r.text, r.on)">Remove</button>
        </p>
      </section>
      <section aria-label="Savings breakdown">
        <h2 class="border-b border-ink pb-1 text-xl">Savings breakdown</h2>
        <p v-if="!saving" class="py-2 text-ink-soft">
          No change from as found. Move the slider to see savings by item.
        </p>
        <table v-else class="w-full">
          <tbody>
            <tr v-for="(name, key) in SAVING_WORDS" :key="key" class="border-b border-line">
              <th scope="row" class="py-1 text-left font-normal">{{ name }}</th>
              <td class="text-right tabular-nums">{{ change(saving[key]) }}</td>
            </tr>
            <tr class="border-b border-ink font-semibold">
              <th scope="row" class="py-1 text-left">Purchased energy, per year</th>
              <td class="text-right tabular-nums">{{ change(saving.purchasedKwh) }}</td>
            </tr>
            <tr class="font-semibold">
              <th scope="row" class="py-1 text-left">Cost, per year</th>
              <td class="text-right tabular-nums">{{ units.moneyChange(saving.money) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>
