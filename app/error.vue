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
    <h1 class="text-2xl">{{ missing ? 'There is no such page' : 'This page could not be shown' }}</h1>
    <p v-if="missing" class="mt-2 break-words">Nothing stands at {{ route.fullPath.slice(0, 120) }}.</p>
    <p v-else class="mt-2 break-words">
      Something in the app broke: {{ error.message.slice(0, 300) }}. What was kept in this browser is still there.
    </p>
    <div class="mt-4 flex flex-wrap gap-2">
      <button class="tool" @click="clearError({ redirect: '/' })">All households</button>
      <a v-if="!missing" class="tool" href="/mend.html">Fetch the app anew</a>
    </div>
  </main>
</template>
