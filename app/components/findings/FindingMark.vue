<script setup lang="ts">
/** How many findings stand at a station. */
defineProps<{ count: number }>()
</script>

<template>
  <span
    class="ml-1 inline-flex min-w-5 items-center justify-center rounded-full border border-alarm px-1 text-xs leading-4 text-alarm"
    :title="`${count} ${count === 1 ? 'finding' : 'findings'} here`"
    >{{ count }}<span class="sr-only"> {{ count === 1 ? 'finding' : 'findings' }}</span></span
  >
</template>
