<script setup lang="ts">
import { Flag, Square, Timer } from '@lucide/vue'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'

/** A stopwatch that goes on while the screen is locked and after a reload: only its start is kept. */
const emit = defineEmits<{ took: [seconds: number] }>()
const startedAt = useLocalStorage<number>('bagno-stopwatch', 0)
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 100)
const seconds = computed(() => (startedAt.value ? Math.max(0, (now.value - startedAt.value) / 1000) : 0))
function start() {
  now.value = startedAt.value = Date.now()
}
function take() {
  const took = Math.round((Date.now() - startedAt.value) / 100) / 10
  startedAt.value = 0
  emit('took', took)
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Stopwatch">
    <button v-if="!startedAt" type="button" class="tool" @click="start"><Timer :size="18" />Start the watch</button>
    <template v-else>
      <button type="button" class="tool tool-main" @click="take">
        <Flag :size="18" />Take <b class="w-16 text-right text-lg" role="timer">{{ seconds.toFixed(1) }} s</b>
      </button>
      <button type="button" class="tool tool-bare" @click="startedAt = 0"><Square :size="16" />Drop</button>
    </template>
  </div>
</template>
