<script setup lang="ts">
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { applyAll } from '~~/core/measures/apply'
import { type PackageSet, packageSets, withSet } from '~~/core/scenarios/package-sets'
import { type Column, columnOf, isSame, linesOf, MOST_BESIDE } from '~~/core/views/side-by-side'

/** Up to four packages in columns beside the household as it stands. */
const table = useStudy()
const years = useYears()
const packages = computed(() => table.study!.packages)
const chosen = ref(packages.value.slice(0, MOST_BESIDE).map((p) => p.id))
const differencesOnly = ref(false)
const columns = shallowRef<readonly Column[] | null>(null)
const refused = ref<string[]>([])
let batch = 0
watch(
  [() => table.study, () => years.now, chosen],
  async () => {
    const [study, now] = [table.study, years.now]
    const mine = ++batch
    columns.value = null
    if (!study || !now) return
    const looked = study.packages.filter((p) => chosen.value.includes(p.id))
    const all = await years.many(
      looked.map((p) => applyAll(study, p.measures)),
      () => mine !== batch,
    )
    if (!all || mine !== batch) return
    refused.value = looked.filter((_, i) => all[i] === null).map((p) => p.name)
    const made = await Promise.all(
      looked.map(async (p, i) => {
        const then = all[i]
        const judged = then && (await years.order('judged', study, () => mine !== batch, p.id, now, then))
        return judged ? columnOf(study, p, now, then, judged.brought) : null
      }),
    )
    if (mine === batch) columns.value = made.filter((c) => c !== null)
  },
  { immediate: true },
)
onUnmounted(() => batch++)
const lines = computed(() => {
  if (!columns.value || !years.now) return []
  const all = linesOf(table.study!, years.now, columns.value, table.units)
  return differencesOnly.value ? all.filter((l) => !isSame(l)) : all
})
const choose = (id: string) =>
  (chosen.value = chosen.value.includes(id) ? chosen.value.filter((x) => x !== id) : [...chosen.value, id])
/** Answers to one question that this household gives reason for: made as packages, and chosen. */
const own = useOwn()
onMounted(() => own.ready())
const sets = computed(() => packageSets(table.study!, own.defaults.insulation))
function take(set: PackageSet) {
  const made = withSet(table.study!, set)
  if (table.replace(() => made.study)) chosen.value = made.ids
}
const baseName = computed(() => (table.study!.controls.set ? 'As set' : 'As found'))
</script>

<template>
  <section aria-label="Side by side">
    <div v-if="sets.length" class="mb-3 flex flex-wrap items-center gap-2">
      <p class="caption w-full">Make the packages of a question, and compare them</p>
      <button v-for="s in sets" :key="s.name" class="tool" @click="take(s)">{{ s.name }}</button>
    </div>
    <p v-if="packages.length === 0">No package yet. Begin one under Packages, or have the order of work made one.</p>
    <template v-else>
      <fieldset class="flex flex-wrap gap-x-5">
        <legend class="caption">Packages, up to {{ MOST_BESIDE }}</legend>
        <label v-for="p in packages" :key="p.id" class="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5 shrink-0 accent-copper"
            :checked="chosen.includes(p.id)"
            :disabled="!chosen.includes(p.id) && chosen.length >= MOST_BESIDE"
            @change="choose(p.id)"
          />
          <span>{{ p.name }}</span>
        </label>
        <label class="flex min-h-11 items-center gap-2 sm:ml-auto">
          <input v-model="differencesOnly" type="checkbox" class="size-5 shrink-0 accent-copper" />
          <span>Differences only</span>
        </label>
      </fieldset>
      <p v-if="!columns" class="py-6 text-ink-soft" role="status">Simulating the year of each…</p>
      <template v-else>
        <div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Table of packages">
          <table class="w-full min-w-160 table-fixed text-sm" data-beside>
            <thead>
              <tr class="border-b-2 border-ink text-left">
                <th scope="col" class="w-44 py-1.5 pr-3"><span class="sr-only">Figure</span></th>
                <th scope="col" class="w-40 py-1.5 pr-3">{{ baseName }}</th>
                <th v-for="c in columns" :key="c.id" scope="col" class="py-1.5 pr-3">{{ c.name }}</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(l, k) in lines"
                :key="`${l.name} ${k}`"
                class="border-b border-line align-top"
                :data-line="l.name"
              >
                <th scope="row" class="py-1.5 pr-3 text-left font-normal text-ink-soft">{{ l.name }}</th>
                <td v-for="(cell, i) in l.cells" :key="i" class="py-1.5 pr-3">{{ cell }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="caption mt-1">
          Each package alone on the household as it stands, simulated on the same draw-offs. Every figure is computed.
          Savings: less is positive.
        </p>
        <p v-if="refused.length" class="mt-1 text-alarm">Not simulated: {{ refused.join(', ') }}.</p>
      </template>
    </template>
  </section>
</template>
