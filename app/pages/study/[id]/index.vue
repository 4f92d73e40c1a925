<script setup lang="ts">
import { stageLeft } from '~/utils/where-left'

/** A household opens where the work is: a new one on Survey, an old one where it was left. */
const STAGES = ['survey', 'measure', 'set', 'improve', 'handover', 'verify']
const id = String(useRoute().params.id)
onMounted(() => {
  const left = stageLeft(id)
  void navigateTo(`/study/${id}/${STAGES.includes(left) ? left : 'survey'}`, { replace: true })
})
</script>

<template><div /></template>
