<script setup lang="ts">
/** Says of a field that what stands in it was typed before the browser went, and is not the study's yet. */
defineProps<{ again: boolean }>()
</script>

<template>
  <p v-if="again" role="status" class="caption">Typed earlier and not yet saved. Leave the field to save it.</p>
</template>
