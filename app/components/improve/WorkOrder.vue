<script setup lang="ts">
import { PackagePlus, Search, Square } from '@lucide/vue'
import NumberField from '~/components/fields/NumberField.vue'
import WorkProgress from '~/components/fields/WorkProgress.vue'
import { useOwn } from '~/stores/own'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { type OrderOfWork, orderOfWork } from '~~/core/scenarios/order-of-work'
import { Economics } from '~~/core/study/economics'
import { freshId } from '~~/core/study/fresh-id'
import { packageOfWork, unpricedText, workOptions, workSentences, workSummary } from '~~/core/views/order-of-work'
import { dependsOn } from '~~/core/year/depends-on'

/** Which measures are worth most together, and in which order they are done. */
const emit = defineEmits<{ added: [] }>()
const table = useStudy()
const years = useYears()
const own = useOwn()
onMounted(own.ready)
const units = computed(() => table.units)
const worseComfort = ref(false)
const found = shallowRef<{ order: OrderOfWork; of: string } | null>(null)
const done = ref(0)
const running = ref(false)
const failed = ref('')
let batch = 0
/** What an order hangs on. */
const contentOf = () =>
  JSON.stringify([dependsOn(table.study!), table.study!.packages, table.study!.economics, worseComfort.value])
const holds = computed(() => found.value !== null && found.value.of === contentOf())

class Stopped extends Error {}
async function search() {
  const [study, now] = [table.study!, years.now]
  if (!now) return
  const mine = ++batch
  const stale = () => mine !== batch
  const of = contentOf()
  found.value = null
  failed.value = ''
  done.value = 0
  running.value = true
  const unlessStale = <T,>(answer: T | null): T => {
    if (answer === null || stale()) throw new Stopped()
    return answer
  }
  try {
    const order = await orderOfWork(
      study,
      workOptions(study, own.defaults.insulation),
      now,
      async (studies) =>
        unlessStale(
          await Promise.all(
            studies.map(async (one) => {
              const [year] = unlessStale(await years.many([one], stale))
              done.value++
              return year!
            }),
          ),
        ),
      async (measures, then) =>
        unlessStale(await years.order('refusals', study, stale, measures, now, then, worseComfort.value)),
    )
    if (!stale()) found.value = { order, of }
  } catch (error) {
    if (!(error instanceof Stopped)) failed.value = error instanceof Error ? error.message : String(error)
  }
  if (!stale()) stop()
}
function stop() {
  batch++
  running.value = false
}
onUnmounted(stop)
watch(() => table.study, stop)

function add() {
  const { order } = found.value!
  table.change('order of work', (d) => {
    const pack = packageOfWork(order, freshId('work', d.packages))
    d.packages.unshift(structuredClone(pack))
  })
  emit('added')
}
</script>

<template>
  <section aria-label="Order of work">
    <p class="max-w-prose">
      Every measure that could be done here, alone, in pairs and together, each simulated for a year. Left out is what
      fails a check, brings a danger, or costs as much over its service life as it saves.
    </p>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <NumberField
        class="w-40"
        label="Budget"
        :unit="table.study!.prices.currency"
        :decimals="0"
        optional
        :schema="Economics.shape.budgetMoney"
        :value="table.study!.economics.budgetMoney"
        @change="(v) => table.change('budget', (d) => void (d.economics.budgetMoney = v))"
      />
      <label class="flex min-h-11 items-center gap-2">
        <input v-model="worseComfort" type="checkbox" class="size-5 shrink-0 accent-copper" />
        <span>Hot water may come later than now</span>
      </label>
      <button v-if="running" class="tool" @click="stop"><Square :size="17" />Stop</button>
      <button v-else class="tool tool-main" :disabled="!years.now" @click="search">
        <Search :size="17" />Find the order of work
      </button>
    </div>
    <WorkProgress v-if="running" class="mt-3" counts="Years simulated" :done="done">
      {{ done }} years simulated
    </WorkProgress>
    <p v-if="failed" class="mt-2 text-alarm" role="alert">{{ failed }}</p>
    <template v-if="found">
      <p v-if="!holds" class="mt-3 border-l-4 border-copper pl-2">
        The household, the packages or the limits have changed since. Find it again.
      </p>
      <p class="mt-4 text-lg" data-work-summary>{{ workSummary(found.order, table.study!) }}</p>
      <ol v-if="found.order.steps.length" class="mt-2 list-decimal pl-6">
        <li v-for="(sentence, i) in workSentences(found.order, table.study!)" :key="i" class="py-1" data-work-step>
          {{ sentence }}
        </li>
      </ol>
      <button v-if="found.order.steps.length && holds" class="tool tool-main mt-2" @click="add">
        <PackagePlus :size="17" />Make it a package
      </button>
      <template v-if="found.order.notPriced.length">
        <h2 class="mt-5 text-xl">Not priced</h2>
        <p class="caption">What each may cost at most, to be paid back over its service life.</p>
        <ul class="mt-1">
          <li v-for="n in found.order.notPriced" :key="n.measure.id" class="border-b border-line py-1" data-not-priced>
            {{ unpricedText(n, units) }}
          </li>
        </ul>
      </template>
      <details v-if="found.order.left.length" class="mt-4">
        <summary class="min-h-11 cursor-pointer py-2.5 font-semibold text-copper">
          {{ found.order.left.length }} left out, and why
        </summary>
        <ul>
          <li v-for="l in found.order.left" :key="l.measure.id" class="border-b border-line py-1 text-sm" data-left>
            <b>{{ l.measure.name }}:</b> {{ l.why.join(' ') }}
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>
