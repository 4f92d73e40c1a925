<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Check, SunMoon } from '@lucide/vue'
import { SCHEMES, useScheme } from '~/composables/useScheme'

/** Light or dark, by the system or by hand. */
const { chosen } = useScheme()
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="tool px-3" aria-label="Light or dark" title="Light or dark"><SunMoon :size="18" /></MenuButton>
    <MenuItems
      class="absolute right-0 z-40 mt-1 w-44 rounded border border-line-strong bg-white py-1 shadow-md focus:outline-none"
    >
      <MenuItem v-for="s in SCHEMES" :key="s.value" v-slot="{ active }">
        <button
          class="flex min-h-11 w-full items-center gap-2 px-3 text-left"
          :class="{ 'bg-copper-pale': active }"
          @click="chosen = s.value"
        >
          <Check :size="16" :class="{ invisible: chosen !== s.value }" aria-hidden="true" />{{ s.name
          }}<span v-if="chosen === s.value" class="sr-only">, chosen</span>
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
