<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { dialFor } from '~~/core/heaters/dial'
import { SetpointC } from '~~/core/study/controls'

/** Where to put a dial without degrees, from the marks in the log. */
const table = useStudy()
const requiredC = ref(60)
const dials = computed(() =>
  table
    .study!.plant.heaters.map((heater) => ({
      heater,
      marks: table
        .study!.readings.filter((r) => r.kind === 'dial' && r.where === heater.id)
        .map((r) => ({ division: Number(r.values.division), tempC: Number(r.values.hotC) })),
    }))
    .filter((d) => d.marks.length > 0)
    .map((d) => ({ ...d, answer: dialFor(d.marks, requiredC.value) })),
)
</script>

<template>
  <section v-if="dials.length" aria-label="Dial without temperature scale" class="mt-4 border-l-4 border-copper pl-3">
    <h2 class="text-base">Dial without temperature scale</h2>
    <div v-for="d in dials" :key="d.heater.id" class="mt-1 grid items-end gap-3 sm:grid-cols-[10rem_1fr]">
      <NumberField
        label="Required"
        quantity="temperature"
        switchable
        :schema="SetpointC"
        :value="requiredC"
        @change="(v) => (requiredC = v!)"
      />
      <p>
        <template v-if="d.answer.ok"
          >Set the dial of {{ d.heater.name }} to division <b class="text-xl">{{ d.answer.value.toFixed(1) }}</b>, from
          {{ d.marks.length }} marks. Then draw off, wait until the heater stops, and read again.</template
        >
        <template v-else>{{ d.answer.faults[0]!.message }}</template>
      </p>
    </div>
  </section>
</template>
