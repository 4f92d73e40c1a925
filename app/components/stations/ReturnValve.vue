<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { type Loop, PUMP_IS, RETURN_VALVE } from '~~/core/study/pipes'

/** Two questions that set-up menus put as one: where the pump came from, and how the valve before it stands. */
defineProps<{ loop: Loop }>()
const emit = defineEmits<{ change: [path: string, value: unknown] }>()
</script>

<template>
  <ChoiceField
    label="Pump is"
    :value="loop.pumpIs"
    :choices="PUMP_IS.map((value) => ({ value, name: value }))"
    @change="(v) => emit('change', 'pumpIs', v)"
  />
  <ChoiceField
    label="Internal valve of the appliance"
    :value="loop.returnValve"
    :choices="RETURN_VALVE.map((value) => ({ value, name: value }))"
    @change="(v) => emit('change', 'returnValve', v)"
  />
  <div
    v-if="loop.pumpIs === 'built into the appliance'"
    class="col-span-full flex flex-wrap items-center gap-4 text-sm"
  >
    <svg
      v-for="open in [true, false]"
      :key="String(open)"
      viewBox="0 0 150 64"
      class="w-36"
      role="img"
      :aria-label="open ? 'Set for circulation: return to pump' : 'Set for no circulation: return shut off'"
    >
      <path d="M4 24H60M90 24H146" class="stroke-ink" stroke-width="5" fill="none" />
      <circle cx="75" cy="24" r="15" class="fill-plaster-pale stroke-ink" stroke-width="2" />
      <path :d="open ? 'M61 24H89' : 'M75 10V38'" class="stroke-copper" stroke-width="5" />
      <text x="75" y="58" text-anchor="middle" class="fill-ink text-[11px]">
        {{ open ? 'return to pump' : 'return shut off' }}
      </text>
    </svg>
    <p class="min-w-0 flex-1 basis-64">
      The type of circulation and the place of the pump are two settings: a menu that asks for an external pump does not
      ask whether there is a return. Take a picture of the valve. Test: pump on, the return pipe gets warm within
      minutes.
    </p>
  </div>
</template>
