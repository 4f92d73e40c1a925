<script setup lang="ts">
import { Moon, Sun, SunMoon } from '@lucide/vue'
import { type Scheme, SCHEMES, useScheme } from '~/composables/useScheme'

/** Light or dark, by the system or by hand: each press goes to the next. */
const { chosen } = useScheme()
const PICTURE: Record<Scheme, typeof Sun> = { auto: SunMoon, light: Sun, dark: Moon }
const at = computed(() =>
  Math.max(
    0,
    SCHEMES.findIndex((s) => s.value === chosen.value),
  ),
)
const next = computed(() => SCHEMES[(at.value + 1) % SCHEMES.length]!)
</script>

<template>
  <button
    class="tool px-3"
    :aria-label="`Light or dark: ${SCHEMES[at]!.name}`"
    :title="`Light or dark: ${SCHEMES[at]!.name}; next: ${next.name}`"
    @click="chosen = next.value"
  >
    <component :is="PICTURE[SCHEMES[at]!.value]" :size="18" />
  </button>
</template>
