<script setup lang="ts">
/** How far a piece of long work has come: what is counted, how many of how many; without an end where nobody knows it. */
defineProps<{ counts: string; done: number; of?: number }>()
</script>

<template>
  <div role="status">
    <progress
      class="h-3 w-full accent-copper"
      :value="of === undefined ? undefined : done"
      :max="of"
      :aria-label="counts"
    />
    <p><slot /></p>
  </div>
</template>
