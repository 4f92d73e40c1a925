import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { type FirstStep, firstSteps } from '~~/core/household/first-steps'
import { type Depends, dependsOnAssumed, doubtedIn, together } from '~~/core/scenarios/depends-on-assumed'
import type { Study } from '~~/core/study/study'
import { useJudgement } from './judgement'
import { useStudy } from './study'
import { useYears } from './years'

/** A household that changes sooner than this, ms, is being typed: its dozen years would only take cores from the next. */
const REST_MS = 1500

/** How much of the annual cost depends on what is still assumed, worked out while somebody looks at it. */
export const useAssumed = defineStore('assumed', () => {
  const table = useStudy()
  const years = useYears()
  const judgement = useJudgement()
  const lookers = ref(0)
  const known = shallowRef<{ study: Study; kinds: readonly Depends[] } | null>(null)
  let batch = 0
  watch([() => judgement.pointsStand, () => judgement.advicePending, lookers], async ([stands, advice, wanted]) => {
    const study = table.study
    // It comes after all that is on the screen.
    if (!study || !stands || advice > 0 || wanted === 0 || known.value?.study === study) return
    const mine = ++batch
    const stale = () => mine !== batch || table.study !== study || lookers.value === 0
    await new Promise((rested) => setTimeout(rested, REST_MS))
    if (stale()) return
    const doubted = doubtedIn(study)
    const year = years.now
    const all = await years.many(
      doubted.map((d) => d.study),
      stale,
    )
    if (all && year && !stale()) known.value = { study, kinds: dependsOnAssumed(doubted, year, all) }
  })
  const of = computed(() => (known.value && known.value.study === table.study ? known.value.kinds : null))
  /** Sections with assumed figures: those that most of the cost depends on first, once that is known. */
  const steps = computed((): (FirstStep & { money: number | null })[] => {
    const steps = table.study ? firstSteps(table.study) : []
    const kinds = of.value
    if (!kinds) return steps.map((s) => ({ ...s, money: null }))
    return steps
      .map((s) => ({ ...s, money: together(kinds.filter((k) => k.station === s.station)) }))
      .sort((a, b) => b.money - a.money)
  })

  /** Has it worked out for as long as the component that asks is there. */
  function look() {
    lookers.value++
    onScopeDispose(() => lookers.value--)
  }
  return { kinds: of, steps, look }
})
