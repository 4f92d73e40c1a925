<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { Calculator, Download, Ellipsis, Redo2 } from '@lucide/vue'
import UnitsSelect from '~/components/home/UnitsSelect.vue'
import { useCalculators } from '~/composables/useCalculators'
import { SCHEMES, useScheme } from '~/composables/useScheme'
import { useStudy } from '~/stores/study'
import { exportStudy } from '~/utils/files'

/** The tools that have no room in the header of a phone. */
const table = useStudy()
const pocket = useCalculators()
const { chosen } = useScheme()
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="tool px-3" aria-label="More tools"><Ellipsis :size="18" /></PopoverButton>
    <PopoverPanel
      v-slot="{ close }"
      class="absolute right-0 z-40 mt-1 grid w-60 gap-2 rounded border border-line-strong bg-white p-2 shadow-md"
    >
      <button class="tool" aria-label="Redo" :disabled="table.stepsOn === 0" @click="table.redo()">
        <Redo2 :size="18" />Redo
      </button>
      <button class="tool" aria-label="Calculators" @click="((pocket.open.value = true), close())">
        <Calculator :size="18" />Calculators
      </button>
      <button class="tool" aria-label="Export as a file" @click="exportStudy(table.study!)">
        <Download :size="18" />Export as a file
      </button>
      <label class="caption">Units<UnitsSelect /></label>
      <label class="caption"
        >Light or dark<select v-model="chosen" class="entry" aria-label="Light or dark">
          <option v-for="s in SCHEMES" :key="s.value" :value="s.value">{{ s.name }}</option>
        </select></label
      >
    </PopoverPanel>
  </Popover>
</template>
