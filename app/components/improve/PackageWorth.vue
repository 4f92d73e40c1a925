<script setup lang="ts">
import { usePackage } from '~/composables/usePackage'
import { useStudy } from '~/stores/study'
import { appraisalAssumes, appraisalRows } from '~~/core/views/appraisal-words'

/** What the package is worth over the years, with what was taken for that. */
const table = useStudy()
const { comparison } = usePackage()
const appraisal = computed(() => comparison.value?.packages[0]?.appraisal ?? null)
</script>

<template>
  <section aria-label="Money over the years">
    <h2 class="border-b border-ink pb-1 text-xl">Money over the years</h2>
    <p v-if="!appraisal" class="mt-2 text-ink-soft">
      Not priced yet: enter the prices of all parts, or lump sums, under the measures.
    </p>
    <template v-else>
      <dl class="mt-2 flex flex-wrap gap-x-8 gap-y-2">
        <div v-for="[name, text] in appraisalRows(appraisal, table.units)" :key="name" :data-worth="name">
          <dt class="caption">{{ name }}</dt>
          <dd class="font-semibold">{{ text }}</dd>
        </div>
      </dl>
      <p class="caption mt-1 max-w-prose">
        {{ comparison!.asSet ? 'Against as set.' : 'Against as found.' }}
        {{ appraisalAssumes(appraisal, table.study!.economics).join(' ') }}
        <NuxtLink :to="`/study/${table.study!.id}/survey?at=prices`" class="underline">Rates and years</NuxtLink>
      </p>
    </template>
  </section>
</template>
