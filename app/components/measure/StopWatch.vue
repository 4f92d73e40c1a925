<script setup lang="ts">
import { Flag, Square, Timer } from '@lucide/vue'
import { useIntervalFn } from '@vueuse/core'
import { secondsSince, type Started, startedNow } from '~/utils/started'

/** A stopwatch that goes on while the screen is locked and after a reload: its start is kept with the reading. */
const props = defineProps<{ started: Started | null }>()
const emit = defineEmits<{ took: [seconds: number]; start: [started: Started | null] }>()
const seconds = ref(0)
const elapsedS = () => (props.started ? secondsSince(props.started) : 0)
useIntervalFn(() => (seconds.value = elapsedS()), 100)
function take() {
  const took = Math.round(elapsedS() * 10) / 10
  emit('start', null)
  emit('took', took)
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Stopwatch">
    <button v-if="!started" type="button" class="tool" @click="((seconds = 0), emit('start', startedNow()))">
      <Timer :size="18" />Start the stopwatch
    </button>
    <template v-else>
      <button type="button" class="tool tool-main" @click="take">
        <Flag :size="18" />Use <b class="w-16 text-right text-lg" role="timer">{{ seconds.toFixed(1) }} s</b>
      </button>
      <button type="button" class="tool tool-bare" @click="emit('start', null)"><Square :size="16" />Discard</button>
    </template>
  </div>
</template>
