<script setup lang="ts">
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import type { HeaterOf } from '~~/core/study/heater-kinds'

/** The way of the water between a fire and its store, drawn to its heights, and what has to be seen on it before it is lit. */
const props = defineProps<{ heater: HeaterOf<'wood-coil'> }>()
const emit = defineEmits<{ change: [way: HeaterOf<'wood-coil'>['way']] }>()
const table = useStudy()
const units = computed(() => table.units)
const c = computed(() => props.heater.circuit)
const W = 340
/** Pixels for a metre: the tallest of what is drawn fills the height. */
const scale = computed(() => 110 / Math.max(1.2, Math.abs(c.value.heightM) + c.value.portsApartM))
const fire = computed(() => (c.value.heightM >= 0 ? 170 : 170 + c.value.heightM * scale.value))
const ports = computed(() => ({
  low: fire.value,
  high: fire.value - Math.max(18, c.value.portsApartM * scale.value),
}))
const middle = computed(() => (ports.value.low + ports.value.high) / 2 - c.value.heightM * scale.value)
const store = computed(() => ({ low: middle.value + 26, high: middle.value - 26 }))
const way = computed(() => props.heater.way)
const hotPath = computed(() =>
  way.value.rises === false
    ? `M88,${ports.value.high} L140,${ports.value.high - 4} L165,${ports.value.high + 14} L190,${ports.value.high - 4} L230,${store.value.high}`
    : `M88,${ports.value.high} L230,${store.value.high}`,
)
const QUESTIONS = {
  rises: 'Hot pipe rises continuously',
  canBeShut: 'Isolating valve on its pipes',
  filled: 'Filled, vented, all valves open',
} as const
const says = computed(() =>
  [
    `${props.heater.name}: ${c.value.heightM >= 0 ? 'cylinder above' : 'cylinder below'} by ${units.value.figure('length', Math.abs(c.value.heightM), 1)}`,
    c.value.pump ? 'pumped' : 'gravity circulation',
    way.value.canBeShut ? 'with an isolating valve' : '',
    way.value.rises === false ? 'with a dip in the pipe' : '',
  ]
    .filter(Boolean)
    .join(', '),
)
</script>

<template>
  <section aria-label="The stove’s pipes" class="mt-3">
    <h4 class="text-sm font-semibold">The stove’s pipes</h4>
    <div class="mt-1 grid items-start gap-4 sm:grid-cols-[minmax(0,22rem)_minmax(0,1fr)]">
      <svg :viewBox="`0 0 ${W} 200`" role="img" :aria-label="says" class="w-full max-w-md">
        <rect
          x="30"
          :y="ports.high - 16"
          width="58"
          :height="ports.low - ports.high + 32"
          class="fill-none stroke-ink"
        />
        <text x="59" :y="Math.min(198, ports.low + 30)" text-anchor="middle" class="fill-ink text-[12px]">fire</text>
        <rect
          x="230"
          :y="store.high - 14"
          width="62"
          :height="store.low - store.high + 28"
          rx="8"
          class="fill-none stroke-ink"
        />
        <text x="261" :y="(store.low + store.high) / 2 + 4" text-anchor="middle" class="fill-ink text-[12px]">
          cylinder
        </text>
        <path :d="hotPath" class="fill-none stroke-copper" stroke-width="4" />
        <path :d="`M230,${store.low} L88,${ports.low}`" class="fill-none stroke-verdigris" stroke-width="4" />
        <g class="fill-ink text-[12px]">
          <text x="24" :y="ports.high + 4" text-anchor="end">out</text>
          <text x="24" :y="ports.low + 4" text-anchor="end">in</text>
          <text x="298" :y="store.high + 4">flow</text>
          <text x="298" :y="store.low + 4">return</text>
        </g>
        <circle v-if="c.pump" cx="160" :cy="(store.low + ports.low) / 2" r="8" class="fill-plaster stroke-ink" />
        <text
          v-if="c.pump"
          x="160"
          :y="(store.low + ports.low) / 2 + 22"
          text-anchor="middle"
          class="fill-ink text-[12px]"
        >
          pump
        </text>
        <g v-if="way.canBeShut" class="stroke-alarm" stroke-width="2">
          <path :d="`M195,${(ports.high + store.high) / 2 - 6} l12,12 m0,-12 l-12,12`" />
        </g>
        <text
          v-if="way.canBeShut"
          x="201"
          :y="(ports.high + store.high) / 2 - 12"
          text-anchor="middle"
          class="fill-alarm text-[12px]"
        >
          isolating valve
        </text>
        <text
          v-if="way.rises === false"
          x="165"
          :y="ports.high + 30"
          text-anchor="middle"
          class="fill-alarm text-[12px]"
        >
          air collects
        </text>
      </svg>
      <div class="grid gap-2">
        <YesNoField
          v-for="(label, key) in QUESTIONS"
          :key="key"
          :label="label"
          :value="way[key]"
          @change="(v) => emit('change', { ...way, [key]: v })"
        />
        <p class="caption">
          Return to the lower port, flow from the upper port; relief valve at the top with no isolating valve before it;
          drain cock at the lowest point. Heights to scale, lengths not.
        </p>
      </div>
    </div>
  </section>
</template>
