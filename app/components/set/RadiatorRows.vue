<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import { withoutRadiator, withRadiator } from '~~/core/household/heating/edits'
import type { RoomOutput } from '~~/core/household/heating/radiators'
import { MOST_RADIATORS, Radiator, RADIATOR_VALVES } from '~~/core/study/heating'
import { ratedAtText } from '~~/core/views/heating-side'

/** Radiators room by room: what they give at the flow that is set, what the room needs, and the valve. */
const props = defineProps<{ rooms: readonly RoomOutput[] }>()
const table = useStudy()
const units = computed(() => table.units)
const put = (id: string, key: string, edit: (r: Radiator) => void) =>
  table.change(`radiator ${id} ${key}`, (d) => edit(d.heating!.radiators.find((r) => r.id === id)!))
const stateOf = (r: RoomOutput): string => {
  if (r.needsC === null)
    return r.radiator.ratedKw === null || r.radiator.lossKw === null
      ? 'output or loss not known'
      : 'too small at any flow'
  return `needs ${units.value.temperature(r.needsC)} flow`
}
</script>

<template>
  <div>
    <ul>
      <li
        v-for="r in props.rooms"
        :key="r.radiator.id"
        class="grid grid-cols-2 items-end gap-x-3 gap-y-1 border-b border-line py-2 sm:grid-cols-[minmax(7rem,1fr)_7rem_7rem_8rem_5rem_7rem_7rem_3rem]"
        :data-radiator="r.radiator.id"
      >
        <TextField
          label="Room"
          :value="r.radiator.name"
          @change="(v) => put(r.radiator.id, 'name', (x) => void (x.name = v))"
        />
        <NumberField
          :label="`Rated, ${ratedAtText(units)}`"
          quantity="power"
          :decimals="2"
          optional
          :schema="Radiator.shape.ratedKw"
          :value="r.radiator.ratedKw"
          @change="(v) => put(r.radiator.id, 'rated', (x) => void (x.ratedKw = v))"
        />
        <NumberField
          label="Room loss"
          quantity="power"
          :decimals="2"
          optional
          :schema="Radiator.shape.lossKw"
          :value="r.radiator.lossKw"
          @change="(v) => put(r.radiator.id, 'loss', (x) => void (x.lossKw = v))"
        />
        <ChoiceField
          label="Valve"
          :value="r.radiator.valve"
          :choices="RADIATOR_VALVES.map((value) => ({ value, name: value }))"
          @change="(v) => put(r.radiator.id, 'valve', (x) => void (x.valve = v))"
        />
        <TextField
          label="Set at"
          optional
          :check="(t) => (t.length > 20 ? 'is too long. Accepts up to 20 characters' : '')"
          :value="r.radiator.mark"
          @change="(v) => put(r.radiator.id, 'mark', (x) => void (x.mark = v))"
        />
        <NumberField
          label="Room measured"
          quantity="temperature"
          optional
          :schema="Radiator.shape.measuredC"
          :value="r.radiator.measuredC"
          @change="(v) => put(r.radiator.id, 'measured', (x) => void (x.measuredC = v))"
        />
        <YesNoField
          label="Clear"
          yes="clear"
          no="covered"
          :value="r.radiator.clear"
          @change="(v) => put(r.radiator.id, 'clear', (x) => void (x.clear = v))"
        />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove radiator ${r.radiator.name}`"
          @click="table.replace((s) => withoutRadiator(s, r.radiator.id))"
        >
          <Trash2 :size="17" />
        </button>
        <p class="caption col-span-full" :class="{ 'text-alarm': r.short }">
          <template v-if="r.givesKw !== null"
            >Gives {{ units.figure('power', r.givesKw, 2) }} on the coldest day; </template
          >{{ stateOf(r)
          }}<template v-if="r.radiator.valve === 'thermostatic' && r.radiator.measuredC === null"
            >; its number is not measured</template
          >.
        </p>
      </li>
    </ul>
    <button class="tool mt-2" :disabled="props.rooms.length >= MOST_RADIATORS" @click="table.replace(withRadiator)">
      <Plus :size="17" />Add a radiator
    </button>
  </div>
</template>
