<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { apply, applyAll } from '~~/core/measures/apply'
import { CONNECTION_GOES_TO, CONNECTIONS } from '~~/core/recovery/drain-recovery'
import type { MeasureOf } from '~~/core/study/measures'
import type { YearResult } from '~~/core/year/result'

/** The three ways to connect a drain unit, each simulated in this house after the measures before it. */
const props = defineProps<{ index: number; at: number; measure: MeasureOf<'drain-recovery'> }>()
const table = useStudy()
const years = useYears()
const base = shallowRef<YearResult | null>(null)
const rows = shallowRef<(YearResult | null)[]>([])
let batch = 0
watch(
  [() => table.study, () => props.measure],
  async () => {
    const mine = ++batch
    const before = applyAll(table.study!, table.study!.packages[props.index]!.measures.slice(0, props.at))
    const studies = CONNECTIONS.map((connection) =>
      apply(before, { ...props.measure, recovery: { ...props.measure.recovery, connection } }),
    )
    const all = await years.many([before, ...studies], () => mine !== batch)
    if (!all || mine !== batch) return
    ;[base.value, ...rows.value] = all as [YearResult | null, ...(YearResult | null)[]]
  },
  { immediate: true },
)
onUnmounted(() => batch++)
const choose = (connection: (typeof CONNECTIONS)[number]) =>
  table.change('connection', (d) => {
    const m = d.packages[props.index]!.measures[props.at]!
    if (m.kind === 'drain-recovery') m.recovery.connection = connection
  })
</script>

<template>
  <div class="max-w-2xl">
    <h3 class="text-base">Preheated water feeds</h3>
    <ul class="mt-1 grid gap-2 sm:grid-cols-3" role="radiogroup" aria-label="Connection">
      <li v-for="(c, i) in CONNECTIONS" :key="c">
        <button
          role="radio"
          :aria-checked="measure.recovery.connection === c"
          class="h-full w-full rounded border p-2 text-left"
          :class="
            measure.recovery.connection === c ? 'border-copper bg-copper-pale' : 'border-line-strong bg-plaster-pale'
          "
          :data-connection="c"
          @click="choose(c)"
        >
          <b>{{ c }}</b>: to {{ CONNECTION_GOES_TO[c] }}
          <span v-if="rows[i] && base" class="mt-1 block text-sm"
            >saves <b>{{ table.units.money(base.cost.total - rows[i]!.cost.total) }}</b> a year,
            {{ table.units.energy(rows[i]!.energy.recoveredKwh) }} recovered from the drain</span
          >
          <span v-else class="caption mt-1 block">being simulated…</span>
        </button>
      </li>
    </ul>
    <p class="caption mt-1">
      A: the preheated water feeds both shower and heater. B: shower only. C: heater only. The hotter the supply, the
      larger the cold share at the mixer and the nearer B comes to A. Only draw-offs that drain while they run recover
      heat, once the unit is warm. Each is simulated on this household’s own draw-offs.
    </p>
  </div>
</template>
