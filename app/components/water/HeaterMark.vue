<script setup lang="ts">
/** A heater: a vessel with a burner or an element under it, filled while it fires. */
defineProps<{ fires: boolean; electric: boolean }>()
</script>

<template>
  <svg viewBox="0 0 48 72" class="h-20 w-13" aria-hidden="true">
    <rect
      x="5"
      y="3"
      width="38"
      height="66"
      rx="4"
      fill="var(--color-plaster-pale)"
      stroke="var(--color-ink)"
      stroke-width="1.6"
    />
    <path d="M12 14h24M12 14v8h24v8H12" fill="none" stroke="var(--color-ink)" stroke-width="1.6" />
    <path
      v-if="electric"
      d="M12 56h4v-8h5v8h5v-8h5v8h5"
      fill="none"
      :stroke="fires ? 'var(--color-copper)' : 'var(--color-line-strong)'"
      stroke-width="2.6"
    />
    <path
      v-else
      d="M12 58c0-7 5-8 5-14c4 3 5 7 4 10c3-3 3-8 2-12c6 4 9 10 7 16z"
      :fill="fires ? 'var(--color-copper)' : 'none'"
      :stroke="fires ? 'var(--color-copper-deep)' : 'var(--color-line-strong)'"
      stroke-width="1.6"
    />
    <path d="M10 61h28" stroke="var(--color-ink)" stroke-width="1.6" />
  </svg>
</template>
