<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import DaysField from '~/components/fields/DaysField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import TimeField from '~/components/fields/TimeField.vue'
import { assumedFiring } from '~~/core/household/defaults/drain'
import { Firing } from '~~/core/study/fire'

/** When a fire is lit: days, from when, how long, and how much wood. */
const props = defineProps<{ firings: Firing[] }>()
const emit = defineEmits<{ change: [firings: Firing[]] }>()
const put = (i: number, change: Partial<Firing>) =>
  emit(
    'change',
    props.firings.map((f, k) => (k === i ? { ...f, ...change } : f)),
  )
const add = () => emit('change', [...props.firings, assumedFiring()])
</script>

<template>
  <section aria-label="Firing schedule" class="mt-2">
    <h4 class="text-sm font-semibold">Firing schedule</h4>
    <ul>
      <li v-for="(f, i) in firings" :key="i" class="flex flex-wrap items-end gap-2 py-1">
        <DaysField :label="`Days of firing ${i + 1}`" :value="f.days" @change="(days) => put(i, { days })" />
        <div>
          <span class="caption block" aria-hidden="true">lit at</span
          ><TimeField
            :label="`Firing ${i + 1}, lit at`"
            :value="f.atMin"
            :max="1439"
            @change="(atMin) => put(i, { atMin })"
          />
        </div>
        <NumberField
          class="w-24"
          label="burns for"
          unit="h"
          :decimals="2"
          :schema="Firing.shape.hours"
          :value="f.hours"
          @change="(hours) => put(i, { hours: hours! })"
        />
        <NumberField
          class="w-24"
          label="wood per firing"
          quantity="mass"
          :schema="Firing.shape.kg"
          :value="f.kg"
          @change="(kg) => put(i, { kg: kg! })"
        />
        <button
          class="tool tool-bare px-2"
          :aria-label="`Remove firing ${i + 1}`"
          @click="
            emit(
              'change',
              firings.filter((_, k) => k !== i),
            )
          "
        >
          <Trash2 :size="17" />
        </button>
      </li>
    </ul>
    <button class="tool mt-1" :disabled="firings.length >= 20" @click="add"><Plus :size="17" />Add firing</button>
  </section>
</template>
