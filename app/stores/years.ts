import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { YearPool } from '~/utils/year-pool'
import type { Check } from '~~/core/checks/check'
import { applyAll } from '~~/core/measures/apply'
import { AS_FOUND, AS_SET, type Job, jobsOf, packageKey } from '~~/core/measures/jobs'
import { asFound } from '~~/core/study/in-force'
import { type Study } from '~~/core/study/study'
import type { Tried } from '~~/core/views/advice'
import type { Judged } from '~~/core/views/compare'
import { findingsOf } from '~~/core/views/findings'
import { dependsOn } from '~~/core/year/depends-on'
import type { YearResult } from '~~/core/year/result'
import { dayInMonth, type DayTrace, FRAME_MIN } from '~~/core/year/trace'
import { useStudy } from './study'

const YEARS_KEPT = 240
const said = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** Simulated years of the study on the table, as found, as set and improved, and the day that is being looked at. */
export const useYears = defineStore('years', () => {
  const table = useStudy()
  const pool = new YearPool(Math.min(4, Math.max(2, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1)))
  const cache = new Map<string, YearResult>()
  const years = shallowRef<ReadonlyMap<string, YearResult>>(new Map())
  const pending = ref(0)
  const wanted = ref(0)
  const failure = ref<string | null>(null)
  const lastMs = ref(0)
  /** Package whose single and last-in savings are wanted; null while none is being looked at. */
  const lookedAt = ref<string | null>(null)
  /** The figures in force before the last change. */
  const before = shallowRef<YearResult | null>(null)
  let batch = 0
  /**
   * The household whose own year is on every screen, or was refused. What else is wanted of it waits for that: a day and
   * what stands out would only take cores from the year, and of the year before they would be wrong.
   */
  const stands = shallowRef<{ study: Study; year: YearResult | null } | null>(null)
  let lastView: string | null = null

  function remember(key: string, result: YearResult) {
    cache.set(key, result)
    if (cache.size > YEARS_KEPT) cache.delete(cache.keys().next().value!)
  }

  /** Years ordered before their study came onto the table. */
  const ahead = new Map<string, Promise<YearResult | null>>()
  /** Orders the year that a study about to be opened is shown with first. */
  function orderAhead(study: Study) {
    const content = dependsOn(study)
    // A refusal is said when the study is on the table.
    ahead.set(
      content,
      pool.year(study, () => false).catch(() => null),
    )
  }
  /** A year of a study, with what it depends on; one that is under way is waited for. Null when it went stale. */
  async function yearOf(study: Study, content: string, stale: () => boolean) {
    const early = ahead.get(content)
    ahead.delete(content)
    return (await early) ?? pool.year(study, stale)
  }

  function jobs(study: Study): Job[] {
    const all = jobsOf(
      study,
      study.packages.filter((p) => p.id === lookedAt.value),
    )
    const others = study.packages.filter((p) => p.id !== lookedAt.value).slice(0, 1)
    const rest = jobsOf(study, others).filter((j) => others.some((p) => j.key === packageKey(p.id)))
    const rank = (j: Job) => (j.key === AS_SET ? 0 : j.key === AS_FOUND ? 1 : j.key.startsWith('package/') ? 2 : 3)
    return [...all, ...rest].sort((a, b) => rank(a) - rank(b))
  }

  async function simulateAll(study: Study) {
    const mine = ++batch
    const stale = () => mine !== batch
    const from = performance.now()
    const plan = jobs(study).map((job) => ({ ...job, content: dependsOn(job.study) }))
    const missing = plan.filter((j, i) => !cache.has(j.content) && plan.findIndex((k) => k.content === j.content) === i)
    const publish = () => {
      const next = new Map<string, YearResult>()
      for (const job of plan) {
        const result = cache.get(job.content)
        if (result) next.set(job.key, result)
      }
      years.value = next
    }
    failure.value = null
    wanted.value = missing.length
    pending.value = missing.length
    const sameView = lastView
    lastView = lookedAt.value
    const current = shown.value
    // Old figures stay in sight until all that is on every screen has come.
    const first = plan.filter((j) => j.key === AS_SET || j.key === AS_FOUND)
    const firstHere = () => first.every((j) => cache.has(j.content))
    const stand = () => void (stands.value = { study, year: failure.value ? null : now.value })
    if (firstHere()) {
      publish()
      stand()
    }
    const isFirst = (job: Job) => job.key === AS_SET || job.key === AS_FOUND
    const simulated = (jobs: typeof missing) =>
      Promise.all(
        jobs.map(async (job) => {
          try {
            const result = await yearOf(job.study, job.content, stale)
            if (!result) return
            remember(job.content, result)
            if (stale()) return
            pending.value--
            if (firstHere()) {
              publish()
              if (lastMs.value === 0 || first.some((j) => j.content === job.content))
                lastMs.value = performance.now() - from
            }
          } catch (error) {
            if (!stale()) failure.value = said(error)
          }
        }),
      )
    // What is on every screen comes first: workers share the cores with the page.
    await simulated(missing.filter(isFirst))
    if (stale()) return
    stand()
    await simulated(missing.filter((job) => !isFirst(job)))
    if (stale()) return
    pending.value = 0
    if (current && shown.value && current !== shown.value && sameView === lookedAt.value) before.value = current
  }

  /** Drops what has not been simulated yet. */
  function stop() {
    batch++
    pending.value = 0
  }

  const found = computed(() => years.value.get(AS_FOUND) ?? null)
  /** The household as it stands now: as set, or as found while nothing is set. */
  const now = computed(() => years.value.get(AS_SET) ?? found.value)
  /** What is being written is what is shown: as found, while that is entered. */
  const showsFound = computed(() => table.study?.controls.writes === 'found')
  const written = computed(() => (showsFound.value ? found.value : now.value))

  /** The year on show beside the work: with the package that is being looked at, or as it stands. */
  const shown = computed(() => (lookedAt.value && years.value.get(packageKey(lookedAt.value))) || written.value)
  const shownAs = computed(() => {
    if (lookedAt.value && years.value.has(packageKey(lookedAt.value))) return 'with the package'
    return table.study?.controls.set && !showsFound.value ? 'as set' : 'as found'
  })

  /** The household that line, clock and totals show: with the package that is being looked at, or as it stands. */
  const house = computed(() => {
    const study = table.study
    const pack = study?.packages.find((p) => p.id === lookedAt.value)
    if (study && pack) return applyAll(study, pack.measures)
    return study && showsFound.value ? asFound(study) : study
  })
  // Another view of the same study is not a change.
  watch(lookedAt, () => (before.value = null))
  watch(
    () => table.study?.id,
    () => {
      years.value = new Map()
      before.value = null
      checks.value = []
    },
  )
  watch([() => table.study, lookedAt], ([study]) => study && void simulateAll(study), { immediate: true })

  // The day under the clock.
  const month = ref(0)
  const weekday = ref(1)
  const minute = ref(6 * 60 + 30)
  const day = shallowRef<DayTrace | null>(null)
  let dayBatch = 0
  const standing = computed(() => (house.value && stands.value?.study === table.study ? dependsOn(house.value) : null))
  watch(
    [standing, month, weekday],
    async () => {
      const study = house.value
      if (!study || standing.value === null) return
      const mine = ++dayBatch
      const at = dayInMonth(study, month.value, weekday.value)
      const trace = await pool.order('day', study, () => mine !== dayBatch, at).catch(() => null)
      if (trace && mine === dayBatch) day.value = trace
    },
    { immediate: true },
  )
  const frame = computed(
    () => day.value?.frames[Math.min(day.value.frames.length - 1, Math.floor(minute.value / FRAME_MIN))] ?? null,
  )

  /** The household as it stands, judged: every check, each once. Every screen shows a view of these. */
  const checks = shallowRef<readonly Check[]>([])
  /** What an experienced engineer would point out of them. */
  const points = computed(() => findingsOf(checks.value))
  /** What the checks were worked out of. */
  const pointedOutOf = shallowRef<{ study: Study; year: YearResult | null } | null>(null)
  /** The points are those of the household as it stands now, with its own year: nothing is still on its way. */
  const pointsStand = computed(
    () =>
      pending.value === 0 &&
      now.value !== null &&
      pointedOutOf.value?.study === table.study &&
      pointedOutOf.value?.year === now.value,
  )
  const pointsFailed = ref<string | null>(null)
  let pointsBatch = 0
  watch(
    stands,
    async (of) => {
      if (!of || (of.study === pointedOutOf.value?.study && of.year === pointedOutOf.value.year)) return
      const mine = ++pointsBatch
      pointsFailed.value = null
      const found = await pool
        .order('checks', of.study, () => mine !== pointsBatch, of.year)
        .catch((error: unknown) => {
          if (mine === pointsBatch) pointsFailed.value = said(error)
          return null
        })
      if (!found || mine !== pointsBatch) return
      checks.value = found
      pointedOutOf.value = of
    },
    { immediate: true },
  )
  /** Remedies of the household as it stands, each tried on it; they come after all that is on the screen. */
  const advice = shallowRef<readonly Tried[]>([])
  const advicePending = ref(0)
  let adviceBatch = 0
  watch([checks, pending, lookedAt], async () => {
    const mine = ++adviceBatch
    const of = pointedOutOf.value
    advicePending.value = 0
    if (!of?.year || of.study !== table.study || pending.value > 0) {
      if (of?.study !== table.study) advice.value = []
      return
    }
    const stale = () => mine !== adviceBatch
    advice.value = []
    const { study, year } = of
    const candidates = await pool.order('candidates', study, stale, checks.value).catch(() => null)
    if (!candidates || stale()) return
    advicePending.value = candidates.length
    const judged = [...checks.value]
    for (const candidate of candidates) {
      const [then] = (await many([candidate.study], stale)) ?? []
      if (stale()) return
      const one = then && (await pool.order('tried', study, stale, year, judged, candidate, then).catch(() => null))
      if (stale()) return
      advicePending.value--
      if (one) advice.value = [...advice.value, one]
    }
  })

  /** The package being looked at, judged; null while its year is not there. */
  const judged = shallowRef<Judged | null>(null)
  const packageYear = computed(() => (lookedAt.value && years.value.get(packageKey(lookedAt.value))) || null)
  let broughtBatch = 0
  watch([() => table.study, lookedAt, now, packageYear], async ([study, pack, year, then], [, packBefore]) => {
    const mine = ++broughtBatch
    if (pack !== packBefore || !then) judged.value = null
    if (!study || !pack || !then) return
    const found = await pool.order('judged', study, () => mine !== broughtBatch, pack, year, then).catch(() => null)
    if (found && mine === broughtBatch) judged.value = found
  })

  /**
   * Years of studies side by side, for a comparison or a search; null for those that are refused. What was simulated once is
   * known. Null in all when nobody wants them any more.
   */
  async function many(studies: readonly Study[], stale: () => boolean): Promise<(YearResult | null)[] | null> {
    const all = await Promise.all(
      studies.map(async (study) => {
        const content = dependsOn(study)
        const known = cache.get(content)
        if (known) return known
        const result = await pool.year(study, stale).catch(() => null)
        if (result) remember(content, result)
        return result
      }),
    )
    return stale() ? null : all
  }

  /** A day of a study as it goes, minute by minute; null when it went stale. */
  const traced = (study: Study, at: number, stale: () => boolean) =>
    pool.order('day', study, stale, at).catch(() => null)

  return {
    orderAhead,
    many,
    traced,
    checks,
    judgedOf: pointedOutOf,
    points,
    pointsStand,
    pointsFailed,
    stands,
    judged,
    advice,
    advicePending,
    years,
    found,
    now,
    shown,
    shownAs,
    before,
    house,
    lookedAt,
    pending,
    wanted,
    failure,
    lastMs,
    onServer: pool.onServer,
    fit: (study: Study) => pool.order('fit', study, () => false),
    stop,
    month,
    weekday,
    minute,
    day,
    frame,
  }
})
