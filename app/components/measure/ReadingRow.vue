<script setup lang="ts">
import { Check, Trash2, Undo2 } from '@lucide/vue'
import VerdictLine from '~/components/measure/VerdictLine.vue'
import { useStudy } from '~/stores/study'
import { localIso } from '~/utils/local-iso'
import { type FieldName, FIGURES } from '~~/core/calculators/fields'
import { calculatorNamed } from '~~/core/calculators/registry'
import { adopt, unAdopt } from '~~/core/readings/adopt'
import { judge, kindOf, titleOf } from '~~/core/readings/kinds'
import { placeOf } from '~~/core/readings/place'
import type { Reading } from '~~/core/study/readings'
import { minuteOf, writeDay } from '~~/core/units/dates'

/** A line of the log: what was read, what it came to, whether it agrees, and whether the study has taken it over. */
const props = defineProps<{ reading: Reading }>()
const table = useStudy()
const judgement = computed(() => judge(table.study!, props.reading))
const title = computed(() => titleOf(props.reading))
const place = computed(() => placeOf(table.study!, props.reading) ?? '')
const when = computed(() => {
  const local = localIso(new Date(props.reading.takenAt))
  return `${writeDay(local.slice(0, 10), table.units.system)}, ${table.units.time(minuteOf(local))}`
})
/** What was read, as it was read: only the fields, not what a sum made of them. */
const read = computed(() => {
  const fields =
    props.reading.kind === 'sum'
      ? Object.keys(calculatorNamed(props.reading.sum ?? '')?.results ?? {})
      : Object.keys(kindOf(props.reading)?.input.shape ?? {})
  const results = calculatorNamed(props.reading.sum ?? '')?.results
  return Object.entries(props.reading.values)
    .filter(([name]) => fields.length === 0 || fields.includes(name))
    .map(([name, value]) => {
      const figure = results?.[name] ?? FIGURES[name as FieldName]
      if (name === 'otherTap')
        return `with ${table.study!.pipes.taps.find((t) => t.id === value)?.name ?? 'a removed outlet'}`
      if (name === 'checkedOn') return `checked on ${writeDay(String(value), table.units.system)}`
      if (name === 'state') return value === 'passing' ? 'passing value' : 'steady'
      if (typeof value === 'string') return value
      const plain = String(Number(value.toPrecision(4)))
      const decimals = figure?.quantity ? undefined : (plain.split('.')[1]?.length ?? 0)
      const text = figure ? table.units.value({ decimals, ...figure }, value) : plain
      return `${(figure?.label ?? name).toLowerCase()} ${text}`
    })
    .join(', ')
})
const remove = () =>
  table.replace((s) => {
    const back = unAdopt(s, props.reading.id)
    return { ...back, readings: back.readings.filter((r) => r.id !== props.reading.id) }
  })
</script>

<template>
  <li class="border-b border-line py-2" :data-reading="reading.kind">
    <div class="flex items-start gap-2">
      <div class="min-w-0 flex-1">
        <p class="flex flex-wrap items-baseline gap-x-2">
          <b class="font-display">{{ title }}</b>
          <span v-if="place">{{ place }}</span>
          <span class="caption">{{ when }}</span>
          <span v-if="reading.adopted" class="flex items-center gap-1 text-sm font-semibold text-verdigris"
            ><Check :size="15" />applied</span
          >
        </p>
        <p class="text-sm">{{ read }}</p>
        <p v-if="reading.note" class="text-sm text-ink-soft">{{ reading.note }}</p>
        <VerdictLine v-if="judgement?.verdict && !reading.adopted" :verdict="judgement.verdict" />
        <p v-for="n in judgement?.worked.notes ?? []" :key="n" class="mt-1 border-l-4 border-line-strong pl-2 text-sm">
          {{ n }}
        </p>
      </div>
      <img
        v-if="reading.photo"
        :src="reading.photo"
        :alt="`Picture with ${title}`"
        class="max-h-20 max-w-24 rounded-sm"
      />
      <div class="flex shrink-0 flex-col items-end sm:flex-row">
        <button
          v-if="reading.adopted"
          class="tool tool-bare px-2"
          :aria-label="`Undo apply: ${title}`"
          title="Undo apply"
          @click="table.replace((s) => unAdopt(s, reading.id))"
        >
          <Undo2 :size="18" />
        </button>
        <button v-else-if="judgement?.offers.length" class="tool" @click="table.replace((s) => adopt(s, reading.id))">
          Apply<span class="sr-only"> {{ title }} {{ place }}</span>
        </button>
        <button class="tool tool-bare px-2" :aria-label="`Delete ${title}`" @click="remove">
          <Trash2 :size="18" />
        </button>
      </div>
    </div>
  </li>
</template>
