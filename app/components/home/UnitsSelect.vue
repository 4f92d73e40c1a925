<script setup lang="ts">
import { useStudy } from '~/stores/study'
import type { Study } from '~~/core/study/study'

/** The units a study is read and written in. */
const table = useStudy()
const set = (event: Event) =>
  table.change('units', (d) => void (d.units = (event.target as HTMLSelectElement).value as Study['units']))
</script>

<template>
  <select class="entry" aria-label="Units" :value="table.study!.units" @change="set">
    <option value="metric">metric</option>
    <option value="us">US</option>
  </select>
</template>
