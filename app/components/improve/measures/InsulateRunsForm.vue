<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import InsulationFields from '~/components/improve/measures/InsulationFields.vue'
import InsulationKinds from '~/components/improve/measures/InsulationKinds.vue'
import { useStudy } from '~/stores/study'
import { toggled } from '~/utils/measure-field'
import { hasSlit, SLITS } from '~~/core/pipes/loss'
import type { MeasureOf } from '~~/core/study/measures'

/** Pipes to wrap, and with what. */
defineProps<{ measure: MeasureOf<'insulate-runs'> }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
const table = useStudy()
const pipes = computed(() => table.study!.pipes)
</script>

<template>
  <InsulationFields :insulation="measure.insulation" @change="(path, v) => emit('change', path, v)" />
  <ChoiceField
    v-if="hasSlit(measure.insulation.lambdaWMK)"
    label="Slit"
    :value="measure.slit"
    :choices="SLITS.map((s) => ({ value: s, name: s === 'plain' ? 'plain, glued or taped' : s }))"
    @change="(v) => emit('change', 'slit', v)"
  />
  <InsulationKinds :measure="measure" />
  <fieldset class="col-span-full">
    <legend class="caption">Pipes to insulate; pipes that are not accessible are left out</legend>
    <div class="flex flex-wrap gap-x-4">
      <label
        v-for="run in pipes.runs"
        :key="run.id"
        class="flex min-h-11 items-center gap-1.5 text-sm"
        :class="{ 'text-ink-soft': !run.reachable }"
      >
        <input
          type="checkbox"
          class="size-5 accent-copper"
          :disabled="!run.reachable"
          :checked="measure.runIds.includes(run.id)"
          @change="emit('change', 'runIds', toggled(measure.runIds, run.id))"
        />
        {{ run.name }}
      </label>
      <label v-if="pipes.loop" class="flex min-h-11 items-center gap-1.5 text-sm">
        <input
          type="checkbox"
          class="size-5 accent-copper"
          :disabled="!pipes.loop.back.reachable"
          :checked="measure.loopReturn"
          @change="emit('change', 'loopReturn', !measure.loopReturn)"
        />
        Secondary return
      </label>
    </div>
  </fieldset>
</template>
