<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import InsulationFields from '~/components/improve/measures/InsulationFields.vue'
import { BEFORE_MEASURE, measureField, toggled } from '~/utils/measure-field'
import { flueInStore } from '~~/core/household/store-loss'
import { staysClear } from '~~/core/stores/jacket'
import type { MeasureOf } from '~~/core/study/measures'

/** A jacket round the store. */
defineProps<{ measure: MeasureOf<'jacket'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const before = inject(BEFORE_MEASURE)!
const parts = computed(() => staysClear(flueInStore(before.value.plant)))
</script>

<template>
  <InsulationFields :insulation="measure.insulation" @change="(path, v) => emit('change', path, v)" />
  <NumberField
    label="Share of the cylinder covered"
    :schema="measureField('jacket', 'coveredShare')"
    :value="measure.coveredShare"
    @change="(v) => emit('change', 'coveredShare', v)"
  />
  <fieldset class="col-span-full">
    <legend class="caption">Looked at, and cut out of the jacket so that it stays clear</legend>
    <div class="flex flex-wrap gap-x-4">
      <label v-for="part in parts" :key="part" class="flex min-h-11 items-center gap-1.5 text-sm">
        <input
          type="checkbox"
          class="size-5 accent-copper"
          :checked="measure.clear.includes(part)"
          @change="emit('change', 'clear', toggled(measure.clear, part))"
        />
        {{ part }}
      </label>
    </div>
  </fieldset>
</template>
