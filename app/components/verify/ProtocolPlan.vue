<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { FIELDS } from '~~/core/calculators/fields'
import { MOST_BLOCKS, Protocol, SWITCHED } from '~~/core/study/meters'
import { writeDay } from '~~/core/units/dates'
import { blocksFor, blocksOf, protocolResult } from '~~/core/verification/protocol'
import { meteredText } from '~~/core/views/verified-words'

/** Weeks on and weeks off in turn: planned with as many as it takes, and told apart once the meter was read. */
const table = useStudy()
const study = computed(() => table.study!)
const meters = computed(() => study.value.verification.meters)
const plan = computed(() => study.value.verification.protocol)
const meter = computed(() => meters.value.find((m) => m.id === (plan.value?.meterId ?? meters.value[0]?.id)) ?? null)
const put = (key: string, edit: (p: Protocol) => void) =>
  table.change(`weeks ${key}`, (d) => edit(d.verification.protocol!))
const begin = () =>
  table.change('weeks on and off', (d) => {
    d.verification.protocol = {
      of: study.value.pipes.loop ? 'circulation' : 'hot water schedule',
      meterId: meter.value!.id,
      begins: localDay(),
      blockDays: 7,
      blocks: 8,
      offFirst: true,
    }
  })
/** Saving a year that is expected of it, as typed: how many weeks it takes hangs on that. */
const expected = ref<number | null>(null)
const needed = computed(() =>
  plan.value && meter.value && expected.value !== null
    ? blocksFor(study.value, meter.value, plan.value, expected.value)
    : null,
)
const blocks = computed(() => (plan.value ? blocksOf(plan.value) : []))
const result = computed(() => (plan.value && meter.value ? protocolResult(study.value, meter.value, plan.value) : null))
const text = (x: number) => meteredText(meter.value!, x, table.units)
</script>

<template>
  <div class="space-y-4">
    <p class="max-w-prose text-ink-soft">
      Where there will be no year to compare, weeks on and weeks off in turn tell what a circulation, a schedule or
      keep-hot takes. Not where hygiene needs it running: check the findings first.
    </p>
    <p v-if="!meter">
      It takes a meter that is read on the day of each change.
      <NuxtLink :to="{ query: { view: 'meters' } }" class="tool mt-2 w-fit">Enter readings</NuxtLink>
    </p>
    <button v-else-if="!plan" class="tool tool-main" @click="begin"><Plus :size="17" />Plan weeks on and off</button>
    <template v-else>
      <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-4">
        <ChoiceField
          label="Switched"
          :value="plan.of"
          :choices="SWITCHED.map((value) => ({ value, name: value }))"
          @change="(v) => put('of', (p) => void (p.of = v))"
        />
        <ChoiceField
          label="Meter"
          :value="plan.meterId"
          :choices="meters.map((m) => ({ value: m.id, name: m.name }))"
          @change="(v) => put('meter', (p) => void (p.meterId = v))"
        />
        <DateField
          label="Begins on"
          :value="plan.begins"
          @change="(v) => v && put('begins', (p) => void (p.begins = v))"
        />
        <ChoiceField
          label="First"
          :value="String(plan.offFirst)"
          :choices="[
            { value: 'true', name: 'off' },
            { value: 'false', name: 'on' },
          ]"
          @change="(v) => put('first', (p) => void (p.offFirst = v === 'true'))"
        />
        <ChoiceField
          label="Each lasts"
          :value="String(plan.blockDays)"
          :choices="[
            { value: '7', name: '1 week' },
            { value: '14', name: '2 weeks' },
          ]"
          @change="(v) => put('lasts', (p) => void (p.blockDays = v === '7' ? 7 : 14))"
        />
        <NumberField
          label="How many in all"
          :decimals="0"
          :schema="Protocol.shape.blocks"
          :value="plan.blocks"
          @change="(v) => put('blocks', (p) => void (p.blocks = Math.round(v!)))"
        />
        <NumberField
          v-if="meter.of !== 'water'"
          label="Saving expected, a year"
          quantity="energy"
          :decimals="0"
          optional
          :schema="FIELDS.billKwh"
          :value="expected"
          @change="(v) => (expected = v)"
        />
        <button
          class="tool tool-bare mt-4"
          @click="table.change('weeks gone', (d) => void (d.verification.protocol = null))"
        >
          <Trash2 :size="17" />Remove the plan
        </button>
      </div>
      <p v-if="needed !== null" data-needed>
        {{
          needed > MOST_BLOCKS
            ? `It would take ${needed} of them: too small a saving for this meter.`
            : `It takes ${needed} of them to tell this saving from chance, 8 times in 10${needed > plan.blocks ? '; fewer are planned' : ''}.`
        }}
      </p>
      <p v-else-if="expected !== null" class="text-ink-soft">
        How many it takes is not known yet: read the meter for four weeks first.
      </p>
      <section v-if="result" aria-label="Result of weeks on and off">
        <p v-if="result.saving" class="text-2xl font-semibold" data-saving>
          {{ text(result.saving.middle) }}
          <span class="text-base font-normal"
            >a year saved when off, between {{ text(result.saving.low) }} and {{ text(result.saving.high) }}</span
          >
        </p>
        <p class="border-l-4 pl-2" :class="result.ambiguous ? 'border-copper' : 'border-verdigris'" data-verdict>
          {{
            result.ambiguous
              ? `Cannot be told apart yet: ${result.known} of ${plan.blocks} read at both ends.`
              : 'Told apart by the meter.'
          }}
        </p>
        <p v-if="result.unread.length" class="text-sm">
          Not read on {{ result.unread.map((d) => writeDay(d, table.units.system)).join(', ') }}: what lies beside
          counts on neither side.
        </p>
      </section>
      <ol class="max-w-xl text-sm">
        <li v-for="b in blocks" :key="b.from" class="flex gap-4 border-b border-line py-1" data-block>
          <span class="w-56"
            >{{ writeDay(b.from, table.units.system) }} to {{ writeDay(b.to, table.units.system) }}</span
          >
          <b :class="b.on ? 'text-copper' : 'text-verdigris'">{{ b.on ? 'on' : 'off' }}</b>
        </li>
      </ol>
      <p class="caption">The days go to the calendar file under Settings, Controller entries.</p>
    </template>
  </div>
</template>
