<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { beginFlow } from '~~/core/household/heating/edits'
import { Controls } from '~~/core/study/controls'
import { FLOW_BY, FlowC, FlowSetting as Flow, type FlowSetting } from '~~/core/study/heating'

/** How the flow temperature is set: fixed, by the weather with two levels, or by an outdoor curve; and the output limit. */
const table = useStudy()
const heating = computed(() => table.controls!.heating)
const flow = computed(() => heating.value.flow)
const shape = Controls.shape.heating.shape
const set = (key: string, edit: (h: Controls['heating']) => void) => table.set(`heating ${key}`, (k) => edit(k.heating))
const choose = (by: string) =>
  set('flow by', (h) => void (h.flow = by === '' ? null : beginFlow(by as FlowSetting['by'])))
const put = <B extends FlowSetting['by']>(by: B, edit: (f: Extract<FlowSetting, { by: B }>) => void) =>
  set('flow', (h) => h.flow?.by === by && edit(h.flow as Extract<FlowSetting, { by: B }>))
const CHOICES = [
  { value: '', name: 'not read' },
  ...FLOW_BY.map((value) => ({
    value: value as string,
    name: { fixed: 'fixed', season: 'two levels, by the weather', curve: 'outdoor curve' }[value],
  })),
]
const [, season, curve] = Flow.options
</script>

<template>
  <div class="grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
    <ChoiceField label="Flow temperature is" :value="flow?.by ?? ''" :choices="CHOICES" @change="choose" />
    <NumberField
      v-if="flow?.by === 'fixed'"
      label="Heating flow temperature"
      quantity="temperature"
      :schema="FlowC"
      :value="flow.flowC"
      @change="(v) => put('fixed', (f) => void (f.flowC = v!))"
    />
    <template v-else-if="flow?.by === 'season'">
      <NumberField
        label="In cold weather"
        quantity="temperature"
        :schema="FlowC"
        :value="flow.coldC"
        @change="(v) => put('season', (f) => void (f.coldC = v!))"
      />
      <NumberField
        label="In mild weather"
        quantity="temperature"
        :schema="FlowC"
        :value="flow.mildC"
        @change="(v) => put('season', (f) => void (f.mildC = v!))"
      />
      <NumberField
        label="Cold is below, outdoors"
        quantity="temperature"
        :schema="season.shape.belowC"
        :value="flow.belowC"
        @change="(v) => put('season', (f) => void (f.belowC = v!))"
      />
    </template>
    <template v-else-if="flow?.by === 'curve'">
      <NumberField
        label="Slope of the curve"
        :decimals="2"
        :schema="curve.shape.slope"
        :value="flow.slope"
        @change="(v) => put('curve', (f) => void (f.slope = v!))"
      />
      <NumberField
        label="Shift of the curve"
        quantity="rise"
        :schema="curve.shape.shiftK"
        :value="flow.shiftK"
        @change="(v) => put('curve', (f) => void (f.shiftK = v!))"
      />
      <NumberField
        label="Upper stop"
        quantity="temperature"
        :schema="FlowC"
        :value="flow.mostC"
        @change="(v) => put('curve', (f) => void (f.mostC = v!))"
      />
    </template>
    <NumberField
      label="Output limit for heating"
      quantity="power"
      :decimals="1"
      optional
      :schema="shape.limitKw"
      :value="heating.limitKw"
      @change="(v) => set('limit', (h) => void (h.limitKw = v))"
    />
  </div>
</template>
