<script setup lang="ts">
import type { Component } from 'vue'
import TextField from '~/components/fields/TextField.vue'
import BathToShowerForm from '~/components/improve/measures/BathToShowerForm.vue'
import DrainRecoveryForm from '~/components/improve/measures/DrainRecoveryForm.vue'
import HeaterControlForm from '~/components/improve/measures/HeaterControlForm.vue'
import HeatSourceForm from '~/components/improve/measures/HeatSourceForm.vue'
import InsulateRunsForm from '~/components/improve/measures/InsulateRunsForm.vue'
import JacketForm from '~/components/improve/measures/JacketForm.vue'
import LayLoopForm from '~/components/improve/measures/LayLoopForm.vue'
import LoopModeForm from '~/components/improve/measures/LoopModeForm.vue'
import MoveHeaterForm from '~/components/improve/measures/MoveHeaterForm.vue'
import OneTapForm from '~/components/improve/measures/OneTapForm.vue'
import OwnRunForm from '~/components/improve/measures/OwnRunForm.vue'
import RepipeForm from '~/components/improve/measures/RepipeForm.vue'
import ScheduleForm from '~/components/improve/measures/ScheduleForm.vue'
import SetpointForm from '~/components/improve/measures/SetpointForm.vue'
import ShorterDrawsForm from '~/components/improve/measures/ShorterDrawsForm.vue'
import StoreConnectionsForm from '~/components/improve/measures/StoreConnectionsForm.vue'
import TapFlowForm from '~/components/improve/measures/TapFlowForm.vue'
import { useStudy } from '~/stores/study'
import { BEFORE_MEASURE } from '~/utils/measure-field'
import { applyAll } from '~~/core/measures/apply'
import type { Measure, MeasureKind } from '~~/core/study/measures'
import { withValueAt } from '~~/core/study/paths'

/** What a measure is told: its name and the figures of its kind. */
const props = defineProps<{ index: number; at: number; measure: Measure }>()
const table = useStudy()
/** The form of each kind; one that is missing does not compile. */
const FORMS: Record<MeasureKind, Component> = {
  'insulate-runs': InsulateRunsForm,
  jacket: JacketForm,
  'store-connections': StoreConnectionsForm,
  setpoint: SetpointForm,
  'heater-schedule': ScheduleForm,
  'heater-control': HeaterControlForm,
  'loop-mode': LoopModeForm,
  'loop-schedule': ScheduleForm,
  'lay-loop': LayLoopForm,
  'tap-flow': TapFlowForm,
  'stop-when-warm': OneTapForm,
  'mend-drip': OneTapForm,
  'shorter-draws': ShorterDrawsForm,
  'bath-to-shower': BathToShowerForm,
  repipe: RepipeForm,
  'own-run': OwnRunForm,
  'move-heater': MoveHeaterForm,
  'drain-recovery': DrainRecoveryForm,
  'heat-source': HeatSourceForm,
}
/** What a form asks is of the household with what comes before it done, as its checks are. */
provide(
  BEFORE_MEASURE,
  computed(() => applyAll(table.study!, table.study!.packages[props.index]!.measures.slice(0, props.at))),
)
const put = (path: string, value: unknown) =>
  table.change(`measure ${props.at} ${path}`, (d) => {
    const all = d.packages[props.index]!.measures
    all[props.at] = withValueAt(props.measure, path, value)
  })
</script>

<template>
  <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
    <TextField class="col-span-2" label="Name of the measure" :value="measure.name" @change="(v) => put('name', v)" />
    <component :is="FORMS[measure.kind]" :measure="measure" @change="put" />
  </div>
</template>
