<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'

/** One of a few, each with a picture. */
defineProps<{ label: string; value: T; choices: readonly { value: T; name: string; says?: string }[] }>()
const emit = defineEmits<{ change: [value: T] }>()
</script>

<template>
  <RadioGroup
    :model-value="value"
    :aria-label="label"
    class="grid gap-1"
    @update:model-value="(v: T) => emit('change', v)"
  >
    <RadioGroupOption v-for="c in choices" :key="c.value" v-slot="{ checked, active }" :value="c.value" as="template">
      <div
        class="flex min-h-11 cursor-pointer items-center gap-2 rounded border px-2 py-1 text-sm leading-tight"
        :class="[
          checked ? 'border-copper bg-copper-pale font-semibold' : 'border-line-strong bg-plaster-pale',
          active ? 'outline-2 outline-offset-1 outline-copper' : '',
        ]"
        :title="c.says"
      >
        <slot :value="c.value" />
        <span class="min-w-0">{{ c.name }}</span>
      </div>
    </RadioGroupOption>
  </RadioGroup>
</template>
