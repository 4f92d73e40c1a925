<script setup lang="ts">
import PaperSheet from '~/components/handover/PaperSheet.vue'
import { useStudy } from '~/stores/study'
import { settingsSheet } from '~~/core/papers/settings-sheet'

/** The settings sheet, as it stands now. */
const table = useStudy()
const html = computed(() => settingsSheet(table.study!))
</script>

<template>
  <PaperSheet title="Settings sheet" :html="html" :file="`${table.study!.id}-settings`" />
</template>
