<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import RecoveryForm from '~/components/stations/RecoveryForm.vue'
import { useStudy } from '~/stores/study'
import { assumedDrain } from '~~/core/household/defaults/drain'
import { warmUpOf } from '~~/core/household/warm-up'
import { beginRecovery } from '~~/core/measures/begin'
import { CONNECTION_GOES_TO, CONNECTIONS } from '~~/core/recovery/drain-recovery'
import { Drain } from '~~/core/study/pipes'

/** What a heat exchanger in the drain would find: the stack, the distances and which taps run down it. */
const table = useStudy()
const drain = computed(() => table.study!.pipes.drain)
const draining = computed(() => table.study!.pipes.taps.filter((t) => t.drains))
const recovery = computed(() => table.study!.pipes.recovery)
/** What the unit gives less because each draw warms its wall first. */
const warming = computed(() => recovery.value && warmUpOf(table.study!, recovery.value))
const begin = () => table.change('drain', (d) => void (d.pipes.drain = assumedDrain(table.study!)))
const put = (key: string, change: (drain: Drain) => void) => table.change(`drain ${key}`, (d) => change(d.pipes.drain!))
const toggle = (id: string) =>
  put('taps', (x) => void (x.tapIds = x.tapIds.includes(id) ? x.tapIds.filter((t) => t !== id) : [...x.tapIds, id]))
</script>

<template>
  <div v-if="drain" class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
    <NumberField
      label="Accessible vertical stack"
      quantity="length"
      :decimals="2"
      :schema="Drain.shape.stackHeightM"
      :value="drain.stackHeightM"
      @change="(v) => put('height', (x) => void (x.stackHeightM = v!))"
    />
    <NumberField
      label="Stack diameter"
      quantity="thickness"
      :schema="Drain.shape.diameterMm"
      :value="drain.diameterMm"
      @change="(v) => put('diameter', (x) => void (x.diameterMm = v!))"
    />
    <NumberField
      label="Distance to the cold main"
      quantity="length"
      :schema="Drain.shape.toMainM"
      :value="drain.toMainM"
      @change="(v) => put('main', (x) => void (x.toMainM = v!))"
    />
    <NumberField
      label="Distance to the heater"
      quantity="length"
      :schema="Drain.shape.toHeaterM"
      :value="drain.toHeaterM"
      @change="(v) => put('heater', (x) => void (x.toHeaterM = v!))"
    />
    <NumberField
      label="Distance to the shower’s cold feed"
      quantity="length"
      optional
      :schema="Drain.shape.toShowerM"
      :value="drain.toShowerM"
      @change="(v) => put('shower', (x) => void (x.toShowerM = v))"
    />
    <YesNoField
      label="Accessible for cutting in"
      :value="drain.access"
      @change="(v) => put('access', (x) => void (x.access = v))"
    />
    <fieldset class="col-span-full">
      <legend class="caption">Outlets that drain into it</legend>
      <label v-for="t in draining" :key="t.id" class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
        ><input
          type="checkbox"
          class="size-5 accent-copper"
          :checked="drain.tapIds.includes(t.id)"
          @change="toggle(t.id)"
        />{{ t.name }}</label
      >
    </fieldset>
    <p class="caption col-span-full">
      Only outlets that drain while they run allow heat recovery: showers, not baths. Simulate a unit under Improve.
    </p>
    <button
      class="tool tool-bare justify-self-start"
      @click="table.change('no drain', (d) => void (d.pipes.drain = null))"
    >
      <Trash2 :size="17" />Not checked
    </button>
  </div>
  <div v-else>
    <p>Drain not checked.</p>
    <button class="tool mt-2" @click="begin"><Plus :size="17" />Enter the drain</button>
  </div>
  <section v-if="draining.length" class="mt-6" aria-label="Existing waste water heat recovery">
    <h3 class="mb-1 text-lg">Existing waste water heat recovery</h3>
    <div v-if="recovery" class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <ChoiceField
        label="Preheated water feeds"
        :value="recovery.connection"
        :choices="
          CONNECTIONS.map((value) => ({
            value,
            name: `${value}: ${CONNECTION_GOES_TO[value]}`,
          }))
        "
        @change="(v) => table.change('recovery', (d) => void (d.pipes.recovery!.connection = v))"
      />
      <RecoveryForm :value="recovery" @change="(v) => table.change('recovery', (d) => void (d.pipes.recovery = v))" />
      <p v-if="warming" class="col-span-full text-sm" data-warming>
        Warm-up costs <b>{{ table.units.seconds(warming.lostS) }}</b> of full recovery in a mean draw of
        {{ warming.minutes.toFixed(1) }} min: {{ Math.round(100 * warming.share) }}% of what it would recover at once.
        The year counts it.
      </p>
      <button
        class="tool tool-bare justify-self-start"
        @click="table.change('no recovery', (d) => void (d.pipes.recovery = null))"
      >
        <Trash2 :size="17" />None fitted
      </button>
    </div>
    <button
      v-else
      class="tool"
      @click="table.change('recovery', (d) => void (d.pipes.recovery = beginRecovery(table.study!)))"
    >
      <Plus :size="17" />Waste water heat recovery fitted
    </button>
  </section>
</template>
