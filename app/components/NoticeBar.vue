<script setup lang="ts">
import { X } from '@lucide/vue'
import { useNotice } from '~/composables/useNotice'
const { notice, clear } = useNotice()
async function go() {
  const way = notice.value?.way
  clear()
  await way?.take()
}
</script>

<template>
  <div
    role="status"
    aria-live="polite"
    class="pointer-events-none fixed inset-x-0 bottom-14 z-40 flex justify-center p-3 lg:bottom-0"
  >
    <div v-if="notice" class="flex items-center gap-3 rounded bg-ink py-1 pr-1 pl-4 text-white">
      <span>{{ notice.text }}</span>
      <button
        v-if="notice.way"
        class="tool tool-bare pointer-events-auto font-semibold text-copper-pale! hover:bg-ink-soft!"
        @click="go"
      >
        {{ notice.way.label }}
      </button>
      <button
        class="tool tool-bare pointer-events-auto px-2 text-white! hover:bg-ink-soft!"
        aria-label="Dismiss"
        @click="clear"
      >
        <X :size="18" />
      </button>
    </div>
  </div>
</template>
