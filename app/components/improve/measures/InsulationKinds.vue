<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { BEFORE_MEASURE } from '~/utils/measure-field'
import type { MeasureOf } from '~~/core/study/measures'
import { unitOf } from '~~/core/units/quantities'
import { insulationKinds } from '~~/core/views/insulation-kinds'

/** The usual kinds of insulation side by side, at the thickness of the measure and on its first pipe. */
const props = defineProps<{ measure: MeasureOf<'insulate-runs'> }>()
const table = useStudy()
const units = computed(() => table.units)
const before = inject(BEFORE_MEASURE)!
const shown = computed(() => insulationKinds(before.value, props.measure))
const perLength = computed(() => unitOf('length', table.study!.units).label)
const priced = (each: number | null) =>
  each === null ? 'not priced' : `${units.value.value({ unit: 'money' }, each)} per ${perLength.value}`
</script>

<template>
  <details class="col-span-full" data-kinds>
    <summary class="min-h-11 cursor-pointer py-2.5 text-sm font-semibold text-copper">
      Kinds of insulation compared
    </summary>
    <div class="overflow-x-auto">
      <table class="w-full max-w-4xl text-sm">
        <caption class="caption py-1 text-left">
          <template v-if="shown.of"
            >Loss at {{ units.figure('thickness', measure.insulation.thicknessMm) }} with water at
            {{ units.temperature(shown.waterC) }}; bare {{ units.figure('pipeLoss', shown.bareWM!) }}.</template
          >
          Limits are usual values: the manufacturer’s go first.
        </caption>
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1">Insulation</th>
            <th class="text-right">Loss</th>
            <th class="pl-4 text-right">Limit</th>
            <th class="pl-4">Slit</th>
            <th class="pl-4">Closed by</th>
            <th class="pl-4 text-right">Price</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="k in shown.kinds"
            :key="k.kind"
            class="border-b border-line"
            :class="{ 'bg-copper-pale': k.lambdaWMK === measure.insulation.lambdaWMK }"
          >
            <th class="py-1 text-left font-normal">{{ k.kind }}</th>
            <td class="text-right">{{ k.lossWM === null ? 'no pipe chosen' : units.figure('pipeLoss', k.lossWM) }}</td>
            <td class="pl-4 text-right">{{ units.figure('temperature', k.standsC, 0) }}</td>
            <td class="pl-4">{{ k.selfSealing ? 'plain or self-sealing' : 'no self-sealing' }}</td>
            <td class="pl-4">{{ k.closed }}</td>
            <td class="pl-4 text-right">{{ priced(k.priceEach) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>
