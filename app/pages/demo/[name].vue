<script setup lang="ts">
import { useYears } from '~/stores/years'
import { keepStudy, keptStudy, storageTrouble } from '~/utils/db'
import { demo, DEMOS } from '~~/core/demos/index'
import { readStudy } from '~~/core/study/read'

/** Opens a demo household: the copy already kept here, or a fresh one. */
const name = String(useRoute().params.name)
const study = demo(name)
// Its year, as it will be read when it is opened, is worked out while the household is kept.
const years = useYears()
const read = study && readStudy(structuredClone(study))
if (read?.ok) years.orderAhead(read.value)
const trouble = ref('')
onMounted(async () => {
  if (!study) return
  try {
    if (!(await keptStudy(study.id))) await keepStudy(structuredClone(study))
    await navigateTo(`/study/${study.id}`, { replace: true })
  } catch {
    trouble.value =
      'Demo not saved: browser storage is full or blocked. Delete an old study or free space, and try again.'
  }
})
</script>

<template>
  <main id="work" class="mx-auto max-w-2xl p-6">
    <template v-if="!study">
      <h1 class="text-2xl">No demo “{{ name }}”</h1>
      <p class="mt-2">
        Available:
        <NuxtLink v-for="d in DEMOS" :key="d.study.id" :to="`/demo/${d.study.id}`" class="mr-3 text-copper underline">{{
          d.study.name
        }}</NuxtLink>
      </p>
    </template>
    <p v-else-if="trouble" role="alert">{{ trouble }} <NuxtLink to="/" class="text-copper underline">Home</NuxtLink></p>
    <template v-else>
      <p class="text-ink-soft">Opening the demo household…</p>
      <p v-if="storageTrouble" class="mt-2 border-l-4 border-alarm bg-alarm-pale p-2" role="alert">
        {{ storageTrouble }}
      </p>
    </template>
  </main>
</template>
