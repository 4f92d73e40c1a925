<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DataSourceFields from '~/components/fields/DataSourceFields.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { MOUNT_WORDS } from '~~/core/household/mounts'
import { MOUNTS, Recovery } from '~~/core/study/pipes'

/** The figures of a drain-water heat exchanger, and the taps that drain through it. */
const props = defineProps<{ value: Recovery }>()
const emit = defineEmits<{ change: [value: Recovery] }>()
const table = useStudy()
const shape = Recovery.shape
const put = (part: Partial<Recovery>) => emit('change', { ...props.value, ...part })
const draining = computed(() => table.study!.pipes.taps.filter((t) => t.drains))
function toggle(id: string) {
  const { tapIds } = props.value
  const next = tapIds.includes(id) ? tapIds.filter((x) => x !== id) : [...tapIds, id]
  // A unit that no tap drains through is none.
  if (next.length) put({ tapIds: next })
}
</script>

<template>
  <ChoiceField
    label="Mounting"
    :value="value.mount"
    :choices="MOUNTS.map((v) => ({ value: v, name: MOUNT_WORDS[v] }))"
    @change="(v) => put({ mount: v })"
  />
  <NumberField
    label="Effectiveness at equal flows"
    :decimals="2"
    :schema="shape.effectiveness"
    :value="value.effectiveness"
    help="From the certificate, or as measured"
    @change="(v) => put({ effectiveness: v! })"
  />
  <NumberField
    label="At a flow of"
    quantity="flow"
    :schema="shape.ratedFlowLMin"
    :value="value.ratedFlowLMin"
    @change="(v) => put({ ratedFlowLMin: v! })"
  />
  <NumberField
    label="Warm-up time"
    quantity="seconds"
    :schema="shape.warmUpS"
    :value="value.warmUpS"
    help="Time constant: two thirds of full recovery"
    @change="(v) => put({ warmUpS: v! })"
  />
  <NumberField
    label="Drop below the shower"
    quantity="rise"
    :schema="shape.dropK"
    :value="value.dropK"
    @change="(v) => put({ dropK: v! })"
  />
  <DateField label="Last inspection" :value="value.inspectedOn" @change="(v) => put({ inspectedOn: v })" />
  <DataSourceFields :value="value.dataSource" @change="(v) => put({ dataSource: v })" />
  <fieldset class="col-span-full">
    <legend class="caption">Drains through the unit</legend>
    <label v-for="t in draining" :key="t.id" class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
      ><input
        type="checkbox"
        class="size-5 accent-copper"
        :checked="value.tapIds.includes(t.id)"
        @change="toggle(t.id)"
      />{{ t.name }}</label
    >
  </fieldset>
</template>
