<script setup lang="ts">
import { paybackYears } from '~~/core/measures/payback'
/** What each measure saves alone and last in, and why they do not add up. */
const table = useStudy()
const years = useYears()
const units = computed(() => table.units)
const result = computed(() => years.comparison?.packages[0] ?? null)
const found = computed(() => years.found)
const payback = (cost: number | null, saves: number) => {
  const years = paybackYears(cost, saves)
  if (years === null) return 'not known'
  return years === 0 ? 'at once' : years === Infinity ? 'never' : `${years.toFixed(1)} years`
}
</script>

<template>
  <section aria-label="What it saves">
    <h2 class="text-xl">What it saves</h2>
    <p v-if="!result || !found" class="py-4 text-ink-soft" role="status">
      Simulating each measure alone and last in: {{ years.wanted - years.pending }} of {{ years.wanted }} years done.
      <button v-if="years.pending" class="tool ml-2" @click="years.stop()">Stop</button>
    </p>
    <template v-else>
      <p class="mt-1 text-lg">
        <b
          class="text-2xl"
          :class="result.difference.cost <= 0 ? 'text-verdigris' : 'text-alarm'"
          data-package-change
          >{{ units.moneyChange(result.difference.cost) }}</b
        >
        a year against as found: {{ units.money(found.cost.total) }} becomes
        <b data-package-cost>{{ units.money(result.result.cost.total) }}</b>.
      </p>
      <div
        class="relative overflow-x-auto"
        tabindex="0"
        role="region"
        aria-label="Savings, in a table that scrolls sideways"
      >
        <table class="mt-2 w-full min-w-[34rem] text-sm">
          <thead>
            <tr class="border-b border-ink text-left">
              <th class="py-1">Measure</th>
              <th class="text-right">Alone</th>
              <th class="text-right">Last in</th>
              <th class="text-right">Costs</th>
              <th class="text-right">Pays back, last in</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in result.measures" :key="m.id" class="border-b border-line">
              <th class="py-1.5 text-left font-normal">{{ m.name }}</th>
              <td class="text-right">{{ units.money(m.aloneMoney) }}</td>
              <td class="text-right">{{ units.money(m.lastInMoney) }}</td>
              <td class="text-right">
                {{ m.costMoney === null ? 'not known' : m.costMoney === 0 ? 'nothing' : units.money(m.costMoney) }}
              </td>
              <td class="text-right">{{ payback(m.costMoney, m.lastInMoney) }}</td>
            </tr>
            <tr class="font-semibold">
              <th class="py-1.5 text-left">Together, over what is set</th>
              <td class="text-right" colspan="2">{{ units.money(result.together) }}</td>
              <td class="text-right">
                {{ result.costMoney === null ? 'not all known' : units.money(result.costMoney) }}
              </td>
              <td class="text-right">{{ payback(result.costMoney, result.together) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="result.measures.length > 1" class="caption mt-1">
        Single savings would add up to {{ units.money(result.sumOfSingles) }}; together the measures save
        {{ units.money(result.together) }}, because what one saves the next cannot save again.
      </p>
    </template>
  </section>
</template>
