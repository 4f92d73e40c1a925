<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { toggled } from '~/utils/measure-field'

/** Uses of the household that a measure is about. */
defineProps<{ habitIds: readonly string[] }>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const table = useStudy()
</script>

<template>
  <fieldset class="col-span-full">
    <legend class="caption">Uses</legend>
    <label
      v-for="h in table.study!.people.habits"
      :key="h.id"
      class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
      ><input
        type="checkbox"
        class="size-5 accent-copper"
        :checked="habitIds.includes(h.id)"
        @change="emit('change', toggled(habitIds, h.id))"
      />{{ h.name }}</label
    >
  </fieldset>
</template>
