<script setup lang="ts">
import FigureText from '~/components/fields/FigureText.vue'
import type { Figure, Worked } from '~~/core/calculators/calculator'

/** What a sum came to, with every step of it. */
const props = defineProps<{ worked: Worked; results: Readonly<Record<string, Figure>> }>()
const rows = computed(() =>
  Object.entries(props.results).map(([name, figure]) => ({
    name,
    figure,
    value: props.worked.out[name] ?? null,
  })),
)
</script>

<template>
  <div>
    <dl class="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
      <div v-for="r in rows" :key="r.name" class="border-b border-line py-1">
        <dt class="caption">{{ r.figure.label }}</dt>
        <dd class="text-xl font-semibold" :data-result="r.name"><FigureText :figure="r.figure" :value="r.value" /></dd>
      </div>
    </dl>
    <details v-if="worked.steps.length" class="mt-1">
      <summary class="min-h-11 py-2.5 text-sm">Calculation</summary>
      <ol class="text-sm">
        <li v-for="(s, i) in worked.steps" :key="i" class="border-b border-line py-1">
          <span class="font-semibold">{{ s.label }}</span> <span class="text-ink-soft">= {{ s.formula }}</span> =
          <b><FigureText :figure="s" :value="s.value" /></b>
        </li>
      </ol>
    </details>
    <p v-for="n in worked.notes" :key="n" class="mt-1 border-l-4 border-line-strong pl-2 text-sm">{{ n }}</p>
  </div>
</template>
