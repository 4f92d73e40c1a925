<script setup lang="ts">
import type { Figure, Worked } from '~~/core/sums/sum'

/** What a sum came to, with every step of it. */
const props = defineProps<{ worked: Worked; results: Readonly<Record<string, Figure>> }>()
const table = useStudy()
const currency = computed(() => table.study?.prices.currency ?? 'EUR')
const write = (figure: Figure, value: number | string | null) => {
  if (value === null) return 'not known'
  if (typeof value === 'string') return value
  if (figure.quantity) return table.units.figure(figure.quantity, value, figure.decimals)
  const text = value.toLocaleString('en-GB', {
    minimumFractionDigits: figure.decimals ?? 2,
    maximumFractionDigits: figure.decimals ?? 2,
  })
  return `${text.replace('-', '−')} ${figure.unit?.replace('money', currency.value) ?? ''}`.trim()
}
const rows = computed(() =>
  Object.entries(props.results).map(([name, figure]) => ({
    name,
    figure,
    text: write(figure, props.worked.out[name] ?? null),
  })),
)
</script>

<template>
  <div>
    <dl class="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
      <div v-for="r in rows" :key="r.name" class="border-b border-line py-1">
        <dt class="caption">{{ r.figure.label }}</dt>
        <dd class="text-xl font-semibold" :data-result="r.name">{{ r.text }}</dd>
      </div>
    </dl>
    <details v-if="worked.steps.length" class="mt-1">
      <summary class="min-h-11 py-2.5 text-sm">How it is worked</summary>
      <ol class="text-sm">
        <li v-for="(s, i) in worked.steps" :key="i" class="border-b border-line py-1">
          <span class="font-semibold">{{ s.label }}</span> <span class="text-ink-soft">= {{ s.formula }}</span> =
          <b>{{ write(s, s.value) }}</b>
        </li>
      </ol>
    </details>
    <p v-for="n in worked.notes" :key="n" class="mt-1 border-l-4 border-line-strong pl-2 text-sm">{{ n }}</p>
  </div>
</template>
