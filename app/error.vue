<script setup lang="ts">
import type { NuxtError } from '#app'

/** The page for an address that is none, and for what broke while a page was made. Nothing that was kept is touched. */
const props = defineProps<{ error: NuxtError }>()
const missing = computed(() => props.error.statusCode === 404)
const route = useRoute()
useHead({ title: 'Bagno' })
</script>

<template>
  <main id="work" class="mx-auto max-w-2xl p-6">
    <h1 class="text-2xl">{{ missing ? 'Page not found' : 'Page cannot be shown' }}</h1>
    <p v-if="missing" class="mt-2 break-words">No page at {{ route.fullPath.slice(0, 120) }}.</p>
    <p v-else class="mt-2 break-words">
      Application error: {{ error.message.slice(0, 300) }}. Saved studies are not affected.
    </p>
    <div class="mt-4 flex flex-wrap gap-2">
      <button class="tool" @click="clearError({ redirect: '/' })">All households</button>
      <a v-if="!missing" class="tool" href="/mend.html">Reload the app</a>
    </div>
  </main>
</template>
