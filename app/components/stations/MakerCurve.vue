<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { curveInHouse } from '~~/core/household/maker-curve'
import type { InstantaneousHeater } from '~~/core/study/heater-kinds'
import { InstantGas, MOST_CURVE_POINTS } from '~~/core/study/plant'

/** What the maker says a heater gives at each rise, beside what its output makes of it. */
const props = defineProps<{ heater: InstantaneousHeater }>()
const emit = defineEmits<{ change: [points: InstantaneousHeater['makerFlow']] }>()
const table = useStudy()
const units = computed(() => table.units)
const shape = InstantGas.shape.makerFlow.element.shape
const points = computed(() => props.heater.makerFlow)
const physics = computed(() => curveInHouse(props.heater, table.study!))
const riseK = ref<number | null>(null)
const lMin = ref<number | null>(null)
function add() {
  emit('change', [...points.value, { riseK: riseK.value!, lMin: lMin.value! }])
  riseK.value = lMin.value = null
}
const put = (i: number, change: Partial<(typeof points.value)[number]>) =>
  emit(
    'change',
    points.value.map((p, k) => (k === i ? { ...p, ...change } : p)),
  )
</script>

<template>
  <section aria-label="Manufacturer’s flow curve" class="mt-3">
    <h4 class="text-sm font-semibold">Manufacturer’s flow curve</h4>
    <p v-if="!points.length" class="caption">Points of the manufacturer’s table are compared with the rated output.</p>
    <ul>
      <li v-for="(p, i) in points" :key="i" class="flex flex-wrap items-end gap-3 py-1">
        <NumberField
          class="w-28"
          label="Temperature rise"
          quantity="rise"
          :schema="shape.riseK"
          :value="p.riseK"
          @change="(v) => put(i, { riseK: v! })"
        />
        <NumberField
          class="w-28"
          label="flow"
          quantity="flow"
          :schema="shape.lMin"
          :value="p.lMin"
          @change="(v) => put(i, { lMin: v! })"
        />
        <p class="min-h-11 flex-1 content-center text-sm">
          from rated output {{ units.figure('flow', physics[i]!.physicsLMin) }}:
          <b :class="physics[i]!.apart ? 'text-alarm' : 'text-verdigris'"
            >{{ Math.abs(Math.round(physics[i]!.above * 100)) }}% {{ physics[i]!.above >= 0 ? 'above' : 'below' }}</b
          >
        </p>
        <button
          class="tool tool-bare"
          :aria-label="`Remove point ${i + 1} of the curve`"
          @click="
            emit(
              'change',
              points.filter((_, k) => k !== i),
            )
          "
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <div v-if="points.length < MOST_CURVE_POINTS" class="flex flex-wrap items-end gap-3 py-1">
      <NumberField
        class="w-28"
        label="New point: temperature rise"
        quantity="rise"
        optional
        :schema="shape.riseK"
        :value="riseK"
        @change="(v) => (riseK = v)"
      />
      <NumberField
        class="w-28"
        label="New point: flow"
        quantity="flow"
        optional
        :schema="shape.lMin"
        :value="lMin"
        @change="(v) => (lMin = v)"
      />
      <button class="tool" :disabled="riseK === null || lMin === null" @click="add">
        <Plus :size="17" />Add point
      </button>
    </div>
  </section>
</template>
