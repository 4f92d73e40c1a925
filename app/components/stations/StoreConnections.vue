<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationField from '~/components/fields/InsulationField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import ConnectionsSketch from '~/components/stations/ConnectionsSketch.vue'
import { useStudy } from '~/stores/study'
import { MATERIAL_NAMES, nearestSize, sizeChoices } from '~/utils/pipe-choices'
import { connectionsUa } from '~~/core/household/store-connections'
import { INLETS } from '~~/core/stores/connections'

/** How the pipes at the top of the store and its cold inlet are laid. */
const table = useStudy()
const connections = computed(() => table.study!.plant.store!.connections)
const inlet = computed(() => connections.value.inlet)
type Inlet = NonNullable<typeof inlet.value>
const put = (value: Inlet | null) => table.change('cold inlet', (d) => void (d.plant.store!.connections.inlet = value))
const at = computed(() => inlet.value?.at ?? 'not checked')
function enter(where: Inlet['at'] | 'not checked') {
  if (where === 'not checked') return put(null)
  const { material, size } = table.study!.pipes.runs.find((r) => r.from === null)!
  put({ material, size, insulation: null, ...inlet.value, at: where })
}
const ua = computed(() => connectionsUa(table.study!))
const within = computed(() => table.study!.plant.store!.loss.kind === 'ua')
</script>

<template>
  <YesNoField
    label="Heat traps, or pipes that fall first"
    :value="connections.heatTraps"
    @change="(v) => table.change('heat traps', (d) => void (d.plant.store!.connections.heatTraps = v))"
  />
  <ChoiceField
    label="Cold inlet at the"
    :value="at"
    :choices="[
      { value: 'not checked' as const, name: 'not checked' },
      ...INLETS.map((value) => ({ value, name: value })),
    ]"
    @change="enter"
  />
  <template v-if="inlet">
    <ChoiceField
      label="Cold inlet: material"
      :value="inlet.material"
      :choices="MATERIAL_NAMES"
      @change="(v) => put({ ...inlet!, material: v, size: nearestSize(inlet!, v) })"
    />
    <ChoiceField
      label="Cold inlet: size"
      :value="inlet.size"
      :choices="sizeChoices(inlet.material, table.units)"
      @change="(v) => put({ ...inlet!, size: v })"
    />
    <InsulationField
      label="Cold inlet: insulation"
      :value="inlet.insulation"
      @change="(v) => put({ ...inlet!, insulation: v })"
    />
  </template>
  <ConnectionsSketch />
  <p v-if="ua > 0" class="caption col-span-full">
    Connections: {{ table.units.figure('lossRate', ua) }},
    {{ within ? 'part of the heat loss coefficient as measured' : 'in addition to the standing loss above' }}.
  </p>
</template>
