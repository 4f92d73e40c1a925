<script setup lang="ts">
import EnergyBar from '~/components/totals/EnergyBar.vue'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { DAYS } from '~~/core/calendar/year'
import type { Study } from '~~/core/study/study'
import { purchasedKwh, type YearResult } from '~~/core/year/result'

/** The first year of a household as it is answered so far, or what is missing for one; beside it what can be done. */
const props = defineProps<{ study: Study | null; missing: string | null }>()
const units = computed(() => useStudy().units)
const years = useYears()
/** Null while it is worked out. */
const year = shallowRef<YearResult | null>(null)
const refused = ref(false)
let asked = 0
watch(
  () => props.study,
  async (study) => {
    const mine = ++asked
    year.value = null
    refused.value = false
    if (!study) return
    const known = await years.many([study], () => mine !== asked)
    if (!known || mine !== asked) return
    year.value = known[0] ?? null
    refused.value = year.value === null
  },
  { immediate: true },
)
onBeforeUnmount(() => void asked++)
/** A figure of the year, or that there is none yet. */
const told = (write: (year: YearResult) => string) => (year.value ? write(year.value) : '…')
</script>

<template>
  <section
    aria-label="First year"
    class="fixed inset-x-0 bottom-0 z-30 border-t-2 border-ink bg-plaster-pale px-3 py-2 sm:px-4"
  >
    <div class="mx-auto flex max-w-[84rem] flex-wrap items-center gap-x-6 gap-y-2">
      <p v-if="missing || refused" class="flex-1 text-alarm" role="alert">
        {{ missing ?? 'This household could not be simulated. Create it to see the reason, or change an answer.' }}
      </p>
      <template v-else>
        <dl class="flex w-full justify-between gap-x-5 whitespace-nowrap sm:w-auto">
          <div>
            <dt class="caption">a year, assumed</dt>
            <dd class="text-xl font-semibold italic" data-first="cost">
              {{ told((y) => units.wholeMoney(y.cost.total)) }}
            </dd>
          </div>
          <div>
            <dt class="caption">purchased</dt>
            <dd class="text-xl italic" data-first="energy">{{ told((y) => units.energy(purchasedKwh(y))) }}</dd>
          </div>
          <div>
            <dt class="caption">hot water a day</dt>
            <dd class="text-xl italic" data-first="hot">
              {{ told((y) => units.figure('volume', y.water.hotL / DAYS, 0)) }}
            </dd>
          </div>
        </dl>
        <EnergyBar v-if="year" :year="year" as="row" class="hidden flex-1 md:block" />
      </template>
      <span class="flex w-full justify-between gap-2 sm:ml-auto sm:w-auto"><slot /></span>
    </div>
  </section>
</template>
