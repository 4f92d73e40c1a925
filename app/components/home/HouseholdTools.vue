<script setup lang="ts">
import { Calculator, Download, Redo2, Undo2 } from '@lucide/vue'
import { onKeyStroke, useMediaQuery } from '@vueuse/core'
import SchemeButton from '~/components/home/SchemeButton.vue'
import UnitsSelect from '~/components/home/UnitsSelect.vue'
import WordSearch from '~/components/home/WordSearch.vue'
import { useCalculators } from '~/composables/useCalculators'
import { useStudy } from '~/stores/study'
import { exportStudy } from '~/utils/files'
import { lazy } from '~/utils/lazy'
const LazyToolSheet = lazy(() => import('~/components/home/ToolSheet.vue'))

/** What can be done anywhere in a household: side by side, or on a phone the way back and the rest on a sheet. */
const table = useStudy()
const pocket = useCalculators()
const wide = useMediaQuery('(min-width: 40rem)')
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
      <UnitsSelect class="w-auto!" />
      <WordSearch />
      <button class="tool px-3" aria-label="Calculators" title="Calculators, Ctrl B" @click="pocket.open.value = true">
        <Calculator :size="18" />
      </button>
      <SchemeButton />
      <button class="tool" aria-label="Export as a file" @click="exportStudy(table.study!)">
        <Download :size="18" />Export
      </button>
    </template>
    <template v-else>
      <WordSearch />
      <LazyToolSheet />
    </template>
  </div>
</template>
