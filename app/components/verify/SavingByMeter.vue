<script setup lang="ts">
import DateField from '~/components/fields/DateField.vue'
import MeterChoice from '~/components/verify/MeterChoice.vue'
import UseChart from '~/components/verify/UseChart.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { writeDay } from '~~/core/units/dates'
import { lastSetOn, verifySaving } from '~~/core/verification/saving'
import { expectedSaving, meteredText, verdictText, verifiedSentences } from '~~/core/views/verified-words'

/** A saving by the meter: readings before and after, weather taken out, held against what was calculated. */
const table = useStudy()
const years = useYears()
const study = computed(() => table.study!)
const meters = computed(() => study.value.verification.meters)
const chosen = ref('')
const meter = computed(() => meters.value.find((m) => m.id === chosen.value) ?? meters.value[0] ?? null)
const typedOn = ref<string | null>(null)
const on = computed(() => typedOn.value ?? lastSetOn(study.value))
const set = computed(() => (study.value.controls.set ? years.now : null))
const expected = computed(() => (meter.value ? expectedSaving(meter.value, years.found, set.value) : null))
const verified = computed(() =>
  meter.value && on.value ? verifySaving(study.value, meter.value, on.value, expected.value) : null,
)
const lines = computed(() =>
  verified.value && meter.value ? verifiedSentences(verified.value, meter.value, expected.value, table.units) : [],
)
const balance = computed(() => verified.value?.model?.heating ?? null)
</script>

<template>
  <div>
    <p v-if="!meter" class="max-w-prose">
      No meter readings yet. Read gas, electricity and water before anything is changed, and each week from then on: a
      saving is proved by readings of both sides.
      <NuxtLink :to="{ query: { view: 'meters' } }" class="tool tool-main mt-3 w-fit">Enter readings</NuxtLink>
    </p>
    <template v-else>
      <div class="flex flex-wrap items-end gap-3">
        <MeterChoice class="w-56" :meters="meters" :meter="meter" @choose="(id) => (chosen = id)" />
        <DateField class="w-44" label="Changed on" :value="on" @change="(v) => (typedOn = v)" />
      </div>
      <p v-if="!on" class="mt-3">Nothing was set yet in this study. Say on which day the change was made.</p>
      <section v-if="verified" aria-label="Saving by the meter" class="mt-4">
        <p v-if="verified.saving" class="text-3xl font-semibold" data-saving>
          {{ meteredText(meter, verified.saving.middle, table.units) }}
          <span class="text-base font-normal"
            >a year, between {{ meteredText(meter, verified.saving.low, table.units) }} and
            {{ meteredText(meter, verified.saving.high, table.units) }}</span
          >
        </p>
        <p
          class="mt-1 border-l-4 pl-2 font-semibold"
          :class="verified.ambiguous || (verified.saving?.high ?? 0) < 0 ? 'border-copper' : 'border-verdigris'"
          data-verdict
        >
          {{ verdictText(verified) }}
        </p>
        <ul class="mt-2 space-y-1" data-said>
          <li v-for="text in verified.saving ? lines.slice(1) : lines" :key="text">{{ text }}</li>
        </ul>
        <p v-if="balance" class="caption mt-2">
          Heating begins below {{ table.units.temperature(balance.balanceC) }} outdoors by this meter; what does not
          hang on the weather is hot water and the rest.
        </p>
        <p v-else-if="verified.model" class="caption mt-2">What this meter counts does not hang on the weather.</p>
        <UseChart :verified="verified" :meter="meter" class="mt-3" />
        <details class="mt-3">
          <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">
            {{ verified.before.length + verified.after.length }} periods compared
          </summary>
          <table class="w-full max-w-xl text-sm">
            <thead>
              <tr class="border-b border-ink text-left">
                <th>From</th>
                <th>To</th>
                <th class="text-right">Use a day</th>
                <th class="text-right">Side</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="p in [...verified.before, ...verified.after]" :key="p.from" class="border-b border-line">
                <td>{{ writeDay(p.from, table.units.system) }}</td>
                <td>{{ writeDay(p.to, table.units.system) }}</td>
                <td class="text-right tabular-nums">{{ meteredText(meter, p.perDay, table.units) }}</td>
                <td class="text-right">{{ p.to <= verified.splitOn ? 'before' : 'after' }}</td>
              </tr>
            </tbody>
          </table>
        </details>
      </section>
    </template>
  </div>
</template>
