import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { keptYears } from '~/utils/kept-years'
import { YearPool } from '~/utils/year-pool'
import { applyAll } from '~~/core/measures/apply'
import { AS_FOUND, AS_SET, type Job, jobsOf, packageKey } from '~~/core/measures/jobs'
import { asFound } from '~~/core/study/in-force'
import { type Study } from '~~/core/study/study'
import { dependsOn } from '~~/core/year/depends-on'
import type { YearResult } from '~~/core/year/result'
import { useStudy } from './study'

const YEARS_KEPT = 240
const said = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** Simulated years of the study on the table, as found, as set and improved, and the hands that simulate them. */
export const useYears = defineStore('years', () => {
  const table = useStudy()
  const pool = new YearPool(Math.min(4, Math.max(2, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1)))
  const cache = new Map<string, YearResult>()
  const kept = keptYears(import.meta.dev ? null : useRuntimeConfig().app.buildId)
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
      keptOrSimulated(study, content, () => false).catch(() => null),
    )
  }
  /** A year of a study, with what it depends on; one that is under way is waited for. Null when it went stale. */
  async function yearOf(study: Study, content: string, stale: () => boolean) {
    const early = ahead.get(content)
    ahead.delete(content)
    return (await early) ?? keptOrSimulated(study, content, stale)
  }
  async function keptOrSimulated(study: Study, content: string, stale: () => boolean) {
    const there = await kept.find(content)
    if (there || stale()) return there ?? null
    const year = await pool.year(study, stale)
    // The server may be of another build.
    if (year && !pool.onServer.value) void kept.keep(content, year)
    return year
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
  /** A year as set is there to be held against the one as found: before it is, nothing is said of what the setting changes. */
  const comparable = computed(
    () => years.value.has(AS_SET) || (lookedAt.value !== null && years.value.has(packageKey(lookedAt.value))),
  )
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
    },
  )
  watch([() => table.study, lookedAt], ([study]) => study && void simulateAll(study), { immediate: true })

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
        const result = await keptOrSimulated(study, content, stale).catch(() => null)
        if (result) remember(content, result)
        return result
      }),
    )
    return stale() ? null : all
  }

  return {
    orderAhead,
    /** An order to the hands that simulate; null when it went stale. */
    order: pool.order.bind(pool),
    many,
    stands,
    years,
    found,
    now,
    shown,
    shownAs,
    comparable,
    before,
    house,
    lookedAt,
    pending,
    wanted,
    failure,
    lastMs,
    onServer: pool.onServer,
    /** Orders whose worker has given no sign for a while. */
    silent: pool.silent,
    fit: (study: Study) => pool.order('fit', study, () => false),
    stop,
  }
})
