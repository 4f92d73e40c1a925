<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import type { z } from 'zod'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TextField from '~/components/fields/TextField.vue'
import { useStudy } from '~/stores/study'
import { MATERIAL_NAMES } from '~/utils/pipe-choices'
import { nearestSize, sizeChoices } from '~/utils/pipe-choices'
import { type FieldName, FIGURES } from '~~/core/calculators/fields'
import type { Material } from '~~/core/pipes/catalogue'
import { shapeOf } from '~~/core/schema/shape'
import type { Fault } from '~~/core/units/result'

/** One field of a sum or a reading, drawn from its schema; lists and groups draw their own fields. */
const props = defineProps<{
  name: string
  path: string
  schema: z.ZodType
  value: unknown
  faults: readonly Fault[]
  /** What stands beside it: a size is chosen among those of its material. */
  beside?: Record<string, unknown>
}>()
const emit = defineEmits<{ change: [value: unknown] }>()

/** Labels of fields that are no figures, and of choices. */
const NAMES: Record<string, string> = {
  runs: 'Runs',
  draws: 'Simultaneous draw-offs',
  count: 'Number',
  insulation: 'Insulation',
  jacket: 'Jacket',
  connection: 'Connected to',
  phases: 'Phases',
  fuel: 'Meter',
  gas: 'Gas',
  'natural-gas': 'natural gas',
  gave: 'Heater output',
  state: 'Held steady',
  steady: 'yes, steady',
  passing: 'no, a passing value',
  thermometer: 'Thermometer',
  water: 'Water',
  taps: 'Outlets open',
  where: 'Location of the outlet',
  event: 'Event',
  dryAgain: 'Dry again afterwards',
  circuit: 'Circuit',
  gauge: 'Circuit is',
  feels: 'Rooms felt',
  near: 'near the heater',
  far: 'far from the heater',
  mixed: 'as mixed',
  hot: 'hot only',
  cold: 'cold only',
  alone: 'alone',
  together: 'with another',
  A: 'shower and heater (A)',
  B: 'shower only (B)',
  C: 'heater only (C)',
  'gas-m3': 'gas, m³',
  'gas-ft3': 'gas, ft³',
  'electricity-kwh': 'electricity, kWh',
  'electricity-pulses': 'electricity, pulses',
  heatsBy: 'Heat from',
  'bought-heat': 'burner or immersion heater',
  'heat-from-air': 'heat pump or solar',
}
const shape = computed(() => shapeOf(props.schema))
const optional = computed(() => props.schema.isOptional())
const figure = computed(() => FIGURES[props.name as FieldName])
const label = computed(() => figure.value?.label ?? NAMES[props.name] ?? props.name)
const currency = computed(() => useStudy().study?.prices.currency ?? 'EUR')
const unit = computed(() => figure.value?.unit?.replace('money', currency.value))
const fault = computed(() => props.faults.find((f) => f.path === props.path)?.message.replace(/^got .*?, /, ''))
const sizes = computed(() =>
  props.name === 'size' && props.beside?.material
    ? sizeChoices(props.beside.material as Material, useStudy().units)
    : null,
)
const group = computed(() => (props.value ?? {}) as Record<string, unknown>)
const list = computed(() => (props.value ?? []) as unknown[])

/** A group to begin with, when an optional one is switched on: the middle of the road. */
const BEGIN: Record<string, unknown> = {
  insulation: { lambdaWMK: 0.038, thicknessMm: 13 },
  jacket: { lambdaWMK: 0.04, thicknessMm: 80, areaM2: 2, coveredShare: 0.85 },
}
const copyOf = (x: unknown) => structuredClone(toRaw(x))
const setIn = (key: string, value: unknown) => {
  const next = { ...group.value, [key]: value }
  if (value === undefined) delete next[key]
  if (key === 'material')
    next.size = nearestSize(group.value as { material: Material; size: string }, value as Material)
  emit('change', next)
}
</script>

<template>
  <NumberField
    v-if="shape.kind === 'number'"
    switchable
    :label="label"
    :quantity="figure?.quantity"
    :unit="unit"
    :decimals="figure?.quantity === 'thickness' ? 2 : figure?.quantity ? undefined : 4"
    :schema="shape.schema"
    :optional="optional"
    :value="(value as number | undefined) ?? null"
    :fault="fault"
    @change="(v) => emit('change', v ?? undefined)"
  />
  <ChoiceField
    v-else-if="shape.kind === 'choice'"
    :label="label"
    :value="(value as string | number | undefined) ?? null"
    :choices="[
      ...(optional ? [{ value: null, name: 'not said' }] : []),
      ...(name === 'material' ? MATERIAL_NAMES : shape.options.map((o) => ({ value: o, name: NAMES[o] ?? String(o) }))),
    ]"
    @change="(v) => emit('change', v ?? undefined)"
  />
  <ChoiceField
    v-else-if="sizes"
    :label="label"
    :value="value as string"
    :choices="sizes"
    @change="(v) => emit('change', v)"
  />
  <TextField
    v-else-if="shape.kind === 'text'"
    :label="label"
    :optional="optional"
    :value="(value as string | undefined) ?? ''"
    @change="(v) => emit('change', v)"
  />
  <fieldset v-else-if="shape.kind === 'list'" class="col-span-full">
    <legend class="text-sm font-semibold">{{ label }}</legend>
    <div v-for="(item, i) in list" :key="i" class="mt-1 flex items-end gap-2 border-l-4 border-line-strong pl-2">
      <CalculatorField
        class="min-w-0 flex-1"
        :name="`${name}-item`"
        :path="`${path}.${i}`"
        :schema="shape.item"
        :value="item"
        :faults="faults"
        @change="
          (v) =>
            emit(
              'change',
              list.map((x, k) => (k === i ? v : x)),
            )
        "
      />
      <button
        type="button"
        class="tool tool-bare px-2"
        :aria-label="`Remove ${label.toLowerCase()} ${i + 1}`"
        :disabled="list.length === 1"
        @click="
          emit(
            'change',
            list.filter((_, k) => k !== i),
          )
        "
      >
        <Trash2 :size="17" />
      </button>
    </div>
    <button type="button" class="tool mt-2" @click="emit('change', [...list, copyOf(list.at(-1))])">
      <Plus :size="17" />One more
    </button>
  </fieldset>
  <div v-else class="col-span-full">
    <label v-if="optional" class="flex min-h-11 items-center gap-2 text-sm font-semibold">
      <input
        type="checkbox"
        class="size-5 accent-copper"
        :checked="value !== undefined"
        @change="emit('change', value === undefined ? BEGIN[name] : undefined)"
      />{{ label }}
    </label>
    <div v-if="value !== undefined" class="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <CalculatorField
        v-for="(inner, key) in shape.fields"
        :key="key"
        :name="String(key)"
        :path="`${path}.${key}`"
        :schema="inner"
        :value="group[key]"
        :faults="faults"
        :beside="group"
        @change="(v) => setIn(String(key), v)"
      />
    </div>
  </div>
</template>
