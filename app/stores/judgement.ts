import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Check } from '~~/core/checks/check'
import { packageKey } from '~~/core/measures/jobs'
import type { Study } from '~~/core/study/study'
import type { Tried } from '~~/core/views/advice'
import type { Judged } from '~~/core/views/compare'
import { findingsOf } from '~~/core/views/findings'
import type { YearResult } from '~~/core/year/result'
import { useOwn } from './own'
import { useStudy } from './study'
import { useYears } from './years'

const said = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** What is judged of the study on the table: its checks, the advice tried on it, and the package that is being looked at. */
export const useJudgement = defineStore('judgement', () => {
  const table = useStudy()
  const years = useYears()
  const own = useOwn()
  /** The household as it stands, judged: every check, each once. Every screen shows a view of these. */
  const checks = shallowRef<readonly Check[]>([])
  /** Checks that something is tried for: room is kept for what comes of it. */
  const tries = shallowRef<ReadonlySet<string>>(new Set())
  /** What an experienced engineer would point out of them. */
  const points = computed(() => findingsOf(checks.value))
  /** What the checks were worked out of. */
  const pointedOutOf = shallowRef<{ study: Study; year: YearResult | null } | null>(null)
  /** The points are those of the household as it stands now, with its own year: nothing is still on its way. */
  const pointsStand = computed(
    () =>
      years.pending === 0 &&
      years.now !== null &&
      pointedOutOf.value?.study === table.study &&
      pointedOutOf.value?.year === years.now,
  )
  const pointsFailed = ref<string | null>(null)
  let pointsBatch = 0
  watch(
    () => years.stands,
    async (of) => {
      if (!of || (of.study === pointedOutOf.value?.study && of.year === pointedOutOf.value.year)) return
      const mine = ++pointsBatch
      pointsFailed.value = null
      const found = await years
        .order('checks', of.study, () => mine !== pointsBatch, of.year)
        .catch((error: unknown) => {
          if (mine === pointsBatch) pointsFailed.value = said(error)
          return null
        })
      if (!found || mine !== pointsBatch) return
      checks.value = found.checks
      tries.value = new Set(found.tries)
      pointedOutOf.value = of
    },
    { immediate: true },
  )
  /** Remedies of the household as it stands, each tried on it; they come after all that is on the screen. */
  const advice = shallowRef<readonly Tried[]>([])
  const advicePending = ref(0)
  let adviceBatch = 0
  watch([checks, () => years.pending, () => years.lookedAt], async () => {
    const mine = ++adviceBatch
    const of = pointedOutOf.value
    advicePending.value = 0
    if (!of?.year || of.study !== table.study || years.pending > 0) {
      if (of?.study !== table.study) advice.value = []
      return
    }
    const stale = () => mine !== adviceBatch
    advice.value = []
    const { study, year } = of
    await own.ready()
    if (stale()) return
    const candidates = await years
      .order('candidates', study, stale, checks.value, own.defaults.insulation)
      .catch(() => null)
    if (!candidates || stale()) return
    advicePending.value = candidates.length
    const judged = [...checks.value]
    for (const candidate of candidates) {
      const [then] = (await years.many([candidate.study], stale)) ?? []
      if (stale()) return
      const one = then && (await years.order('tried', study, stale, year, judged, candidate, then).catch(() => null))
      if (stale()) return
      advicePending.value--
      if (one) advice.value = [...advice.value, one]
    }
  })

  /** The package being looked at, judged; null while its year is not there. */
  const judged = shallowRef<Judged | null>(null)
  const packageYear = computed(() => (years.lookedAt && years.years.get(packageKey(years.lookedAt))) || null)
  let broughtBatch = 0
  watch(
    [() => table.study, () => years.lookedAt, () => years.now, packageYear],
    async ([study, pack, year, then], [, packBefore]) => {
      const mine = ++broughtBatch
      if (pack !== packBefore || !then) judged.value = null
      if (!study || !pack || !then) return
      const found = await years.order('judged', study, () => mine !== broughtBatch, pack, year, then).catch(() => null)
      if (found && mine === broughtBatch) judged.value = found
    },
  )

  watch(
    () => table.study?.id,
    () => (checks.value = []),
  )
  return { checks, judgedOf: pointedOutOf, points, pointsStand, pointsFailed, judged, advice, advicePending, tries }
})
