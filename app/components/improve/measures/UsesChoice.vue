<script setup lang="ts">
import { useStudy } from '~/stores/study'
import { toggled } from '~/utils/measure-field'

/** Uses of the household that a measure is about. */
defineProps<{ useIds: readonly string[] }>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const table = useStudy()
</script>

<template>
  <fieldset class="col-span-full">
    <legend class="caption">Uses</legend>
    <label
      v-for="h in table.study!.people.uses"
      :key="h.id"
      class="mr-5 inline-flex min-h-11 items-center gap-1.5 text-sm"
      ><input
        type="checkbox"
        class="size-5 accent-copper"
        :checked="useIds.includes(h.id)"
        @change="emit('change', toggled(useIds, h.id))"
      />{{ h.name }}</label
    >
  </fieldset>
</template>
