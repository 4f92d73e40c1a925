<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { Calculator, Download, Ellipsis, Redo2, Undo2 } from '@lucide/vue'
import { onKeyStroke, useMediaQuery } from '@vueuse/core'
import SchemeMenu from '~/components/home/SchemeMenu.vue'
import WordSearch from '~/components/home/WordSearch.vue'
import { usePocket } from '~/composables/usePocket'
import { SCHEMES, useScheme } from '~/composables/useScheme'
import { useStudy } from '~/stores/study'
import { exportStudy } from '~/utils/files'

/** What can be done anywhere in a household: side by side, or on a phone the way back and the rest on a sheet. */
const table = useStudy()
const pocket = usePocket()
const { chosen } = useScheme()
const wide = useMediaQuery('(min-width: 40rem)')
const setUnits = (event: Event) =>
  table.change('units', (d) => void (d.units = (event.target as HTMLSelectElement).value as 'metric' | 'us'))
const steps = (n: number) => `${n} ${n === 1 ? 'step' : 'steps'}`

const typing = (e: KeyboardEvent) => (e.target as HTMLElement).matches('input, textarea, select')
onKeyStroke(['z', 'Z', 'y'], (e) => {
  if (!(e.ctrlKey || e.metaKey) || typing(e)) return
  e.preventDefault()
  if (e.key === 'y' || e.shiftKey) table.redo()
  else table.undo()
})
</script>

<template>
  <div class="flex shrink-0 items-center gap-1">
    <button
      class="tool px-3"
      aria-label="Undo"
      :title="`Undo, Ctrl Z: ${steps(table.stepsBack)}`"
      :disabled="table.stepsBack === 0"
      @click="table.undo()"
    >
      <Undo2 :size="18" />
    </button>
    <template v-if="wide">
      <button
        class="tool px-3"
        aria-label="Redo"
        :title="`Redo, Ctrl Shift Z: ${steps(table.stepsOn)}`"
        :disabled="table.stepsOn === 0"
        @click="table.redo()"
      >
        <Redo2 :size="18" />
      </button>
      <select class="entry w-auto!" aria-label="Units" :value="table.study!.units" @change="setUnits">
        <option value="metric">metric</option>
        <option value="us">US</option>
      </select>
      <WordSearch />
      <button class="tool px-3" aria-label="Calculators" title="Calculators, Ctrl B" @click="pocket.open.value = true">
        <Calculator :size="18" />
      </button>
      <SchemeMenu />
      <button class="tool" aria-label="Export as a file" @click="exportStudy(table.study!)">
        <Download :size="18" />Export
      </button>
    </template>
    <template v-else>
      <WordSearch />
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
          <label class="caption"
            >Units<select class="entry" aria-label="Units" :value="table.study!.units" @change="setUnits">
              <option value="metric">metric</option>
              <option value="us">US</option>
            </select></label
          >
          <label class="caption"
            >Light or dark<select v-model="chosen" class="entry" aria-label="Light or dark">
              <option v-for="s in SCHEMES" :key="s.value" :value="s.value">{{ s.name }}</option>
            </select></label
          >
        </PopoverPanel>
      </Popover>
    </template>
  </div>
</template>
