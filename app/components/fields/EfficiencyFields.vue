<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { type Efficiency, efficiencyAt } from '~~/core/heaters/efficiency'
import { assumedEfficiency } from '~~/core/household/defaults/assumed-heaters'
import type { Carrier } from '~~/core/money/carriers'
import { BoilerCoil } from '~~/core/study/plant'

/** How well a burner turns fuel into heat: along the condensing curve, or one share. */
defineProps<{ efficiency: Efficiency; carrier: Carrier; origin?: 'measured' | 'entered' | 'assumed' }>()
const emit = defineEmits<{ change: [efficiency: Efficiency] }>()
const units = computed(() => useStudy().units)
const fixedShare = BoilerCoil.shape.efficiency.options[1].shape.share
const shift = BoilerCoil.shape.efficiency.options[0].shape.shift
</script>

<template>
  <ChoiceField
    label="Efficiency"
    :value="efficiency.kind"
    :choices="[
      { value: 'condensing', name: 'Condensing' },
      { value: 'fixed', name: 'Fixed efficiency' },
    ]"
    @change="(v) => emit('change', assumedEfficiency(v))"
  />
  <NumberField
    v-if="efficiency.kind === 'fixed'"
    label="Efficiency, gross, 0 to 1"
    :schema="fixedShare"
    :value="efficiency.share"
    :origin="origin"
    @change="(v) => emit('change', { kind: 'fixed', share: v! })"
  />
  <template v-else>
    <NumberField
      label="Efficiency correction"
      :decimals="3"
      :schema="shift"
      :value="efficiency.shift"
      :origin="origin"
      @change="(v) => emit('change', { kind: 'condensing', shift: v! })"
    />
    <p class="caption self-end pb-2">
      {{ Math.round(efficiencyAt(efficiency, 30, carrier) * 100) }}% at a return of {{ units.temperature(30) }},
      {{ Math.round(efficiencyAt(efficiency, 60, carrier) * 100) }}% at {{ units.temperature(60) }}
    </p>
  </template>
</template>
