import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { mean, probit, quantileSorted, sampleCorrelation, sampleStandardDeviation } from 'simple-statistics'
import { type FirstStep, stationOf } from '../household/first-steps'
import { DOUBT_LEFT } from '../household/usual-doubt'
import { applyAll } from '../measures/apply'
import { canTake, judge, READINGS } from '../readings/kinds'
import { type ReadingKind, SIGMAS } from '../readings/reading-kind'
import type { Package } from '../study/measures'
import type { ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import { eachFigure, figuresOfYear, savedOf, type YearFigure, type YearFigures } from '../year/figures'
import { simulate } from '../year/simulate'
import { YearRefused } from '../year/work'
import { DOUBTED_KINDS, type DoubtedKind, withDoubt } from './doubted-figures'

/** Pairs of years that a range is usually made of, and their seed. */
export const SAMPLES = { usual: 64, least: 8, most: 1024, seed: 1 } as const

/** A figure of the household that is not surely known, by itself or with others that are off alike. */
interface DoubtedFigure {
  kind: DoubtedKind
  /** The reading that settles it and can be taken in this household; null: it is looked up or counted. */
  reading: ReadingKindName | null
  station: FirstStep['station'] | undefined
  /** Each place where it stands, with how much of its usual doubt is left there. */
  at: { path: string; left: number }[]
}

/** What may be off in a household, and by how many of its doubts each figure is in each sample. */
export interface Sampling {
  figures: readonly DoubtedFigure[]
  /** Sample by sample, figure by figure. */
  steps: readonly (readonly number[])[]
}

const PARTS = ['site', 'people', 'pipes', 'plant', 'controls', 'prices'] as const

/** Every place of a study that a kind of figure may stand at, by its path (see study/paths.ts). */
function placesIn(study: Study): string[] {
  const out: string[] = []
  const walk = (value: unknown, path: string) => {
    out.push(path)
    if (Array.isArray(value))
      for (const item of value) {
        const { id } = (item ?? {}) as { id?: unknown }
        if (typeof id === 'string') walk(item, `${path}.${id}`)
      }
    else if (typeof value === 'object' && value !== null)
      for (const [key, item] of Object.entries(value)) walk(item, `${path}.${key}`)
  }
  for (const part of PARTS) walk(study[part], part)
  return out
}

/**
 * How much of its usual doubt is left of a figure that a reading corrected: what that reading may itself be off, no less than a
 * good one leaves, and no more than there was.
 */
export function leftByReading(study: Study, kind: DoubtedKind, path: string): number {
  const reading = study.readings.findLast((r) => r.adopted?.some((a) => a.path === path))
  const verdict = reading?.kind === kind.reading(study) ? judge(study, reading)?.verdict : null
  if (!verdict) return DOUBT_LEFT.measured
  const usual = kind.usual.as === 'share' ? kind.usual.of * Math.abs(verdict.measured) : kind.usual.of
  return Math.min(DOUBT_LEFT.assumed, Math.max(DOUBT_LEFT.measured, verdict.uncertainty / SIGMAS / usual))
}

/** How much of its usual doubt is left of a figure, by where it comes from. */
function leftOf(study: Study, kind: DoubtedKind, path: string): number {
  const { settledBy } = kind
  if (settledBy && study.origins[settledBy] === 'measured') return leftByReading(study, kind, settledBy)
  if (study.origins[path] === 'measured') return leftByReading(study, kind, path)
  // A loss that nobody wrote down is what the pipes say by their lengths and wrapping.
  if (path === 'pipes.loop.measuredUaWK' && study.pipes.loop!.measuredUaWK === null) return DOUBT_LEFT.assumed
  return DOUBT_LEFT[study.origins[path] ?? 'entered']
}

/** What may be off in a household: its figures one by one, those that are off alike together. */
function figuresOf(study: Study): DoubtedFigure[] {
  const places = placesIn(study)
  return DOUBTED_KINDS.filter((kind) => kind.counts?.(study) !== false).flatMap((kind) => {
    const settles = READINGS[kind.reading(study) as keyof typeof READINGS] as ReadingKind | undefined
    const reading = settles && canTake(study, settles) ? settles.kind : null
    const groups = new Map<string, DoubtedFigure>()
    for (const path of places.filter((p) => kind.at.test(p))) {
      // A dial reads as far off after it was turned as before.
      const key = kind.alike ? '' : path.replace('controls.set.', 'controls.found.')
      const group = groups.get(key) ?? { kind, reading, station: stationOf(path), at: [] }
      group.at.push({ path, left: leftOf(study, kind, path) })
      groups.set(key, group)
    }
    return [...groups.values()]
  })
}

/**
 * Samples of what a household may really be: each doubted figure normally about what stands there, in a Latin hypercube, so that
 * every figure is spread evenly however few samples there are (McKay, Beckman and Conover, Technometrics 21, 1979).
 * The same for one study, number and seed, everywhere.
 */
export function samplingOf(study: Study, samples: number = SAMPLES.usual, seed: number = SAMPLES.seed): Sampling {
  const random = xoroshiro128plus(seed)
  const even = () => ((random.next() >>> 0) + 0.5) / 0x1_0000_0000
  const figures = figuresOf(study)
  const columns = figures.map(() => {
    const column = Array.from({ length: samples }, (_, i) => probit((i + even()) / samples))
    for (let i = samples - 1; i > 0; i--) {
      const k = Math.floor(even() * (i + 1))
      ;[column[i], column[k]] = [column[k], column[i]]
    }
    return column
  })
  return { figures, steps: Array.from({ length: samples }, (_, i) => columns.map((column) => column[i])) }
}

/** The household as it may be in a sample. */
export const sampleOf = (study: Study, { figures, steps }: Sampling, i: number): Study =>
  figures.reduce(
    (s, { kind, at }, k) => at.reduce((then, { path, left }) => withDoubt(then, kind, path, steps[i][k] * left), s),
    study,
  )

/** A sample: its year as the household stands, and with the package where one is looked at, on the same draws. */
export interface SampleYears {
  i: number
  base: YearFigures
  then: YearFigures | null
  /** Draw-offs that wait, in the year with fewer of them. */
  waiting: number
}

/**
 * Simulates a sample; null where the engine refuses a year of it. What a package brings is taken as it is given: only the
 * household is in doubt.
 */
export function sampleYears(study: Study, pack: Package | null, sampling: Sampling, i: number): SampleYears | null {
  const sample = sampleOf(study, sampling, i)
  try {
    const base = simulate(sample)
    const then = pack && simulate(applyAll(sample, pack.measures))
    return {
      i,
      base: figuresOfYear(base),
      then: then && figuresOfYear(then),
      waiting: Math.min(base.comfort.waiting, then ? then.comfort.waiting : Infinity),
    }
  } catch (error) {
    if (error instanceof YearRefused) return null
    throw error
  }
}

/** One in ten comes out below `p10`, as many above `p90`; the middle is known to `p50Within` either way, 19 times of 20. */
export interface Spread {
  p10: number
  p50: number
  p90: number
  p50Within: number
}
/** Of a normal sample the middle is that much less sure than the mean; and two standard errors hold 19 times of 20. */
const MIDDLE_ERROR = 2 * Math.sqrt(Math.PI / 2)

export function spreadOf(values: readonly number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (p: number) => quantileSorted(sorted, p)
  return {
    p10: at(0.1),
    p50: at(0.5),
    p90: at(0.9),
    p50Within: (MIDDLE_ERROR * sampleStandardDeviation(sorted)) / Math.sqrt(sorted.length),
  }
}

/** What to find out next, and by what share the range of the answer becomes narrower. */
export interface Next {
  /** The reading that says it; null: it is looked up or counted. */
  reading: ReadingKindName | null
  /** What it says. */
  figures: string[]
  station: FirstStep['station'] | undefined
  narrowsBy: number
}
/** Told is what stands so many standard errors out of what chance gives figures that move nothing (each √2 ⁄ samples of the variance). */
const OUT_OF_CHANCE = 3

/** Whether a share of the variance that goes with some figures is more than chance gives them in so many samples. */
export const isOutOfChance = (share: number, samples: number, figures = 1): boolean =>
  share > (OUT_OF_CHANCE * Math.sqrt(2 * figures)) / samples

/** Of fewer samples there is nothing to tell. */
const LEAST_TOLD = 3

export interface Ranges {
  /** Samples that these figures are of, and how many more the engine refused. */
  samples: number
  refused: number
  /** Draw-offs that wait, in the year with the fewest: of none nothing is told of waits. */
  waiting: number
  year: Record<YearFigure, Spread>
  /** What the package saves of each; null where none was looked at. Less is positive: it is what somebody keeps. */
  savings: Record<YearFigure, Spread> | null
  /** Share of samples in which it saves money. */
  chanceOfSaving: number | null
  next: Next[]
}

/** What the samples that have come say, as many as there are and in any order; null where too few are left of them to say anything. */
export function rangesOf(sampling: Sampling, come: readonly (SampleYears | null)[]): Ranges | null {
  const years = come.filter((y) => y !== null)
  if (years.length < LEAST_TOLD) return null
  const pairs = years.filter((y): y is SampleYears & { then: YearFigures } => y.then !== null)
  const paired = pairs.length === years.length
  const saved = pairs.map(({ base, then }) => savedOf(base, then))
  const answer = paired ? saved.map((s) => s.cost) : years.map((y) => y.base.cost)
  return {
    samples: years.length,
    refused: come.length - years.length,
    waiting: Math.min(...years.map((y) => y.waiting)),
    year: eachFigure((f) => spreadOf(years.map((y) => y.base[f]))),
    savings: paired ? eachFigure((f) => spreadOf(saved.map((s) => s[f]))) : null,
    chanceOfSaving: paired ? mean(answer.map((money) => (money > 0 ? 1 : 0))) : null,
    next: nextOf(sampling, years, answer),
  }
}

/**
 * What narrows an answer most: how much of its variance goes with each figure (squares of correlations, less what chance gives
 * so many samples), and how much of that is gone once the figure is measured.
 */
function nextOf({ figures, steps }: Sampling, years: readonly SampleYears[], answer: readonly number[]): Next[] {
  const n = years.length
  if (sampleStandardDeviation([...answer]) === 0) return []
  const groups = new Map<string, Next & { gone: number; count: number }>()
  figures.forEach(({ kind, reading, station, at }, k) => {
    const left = Math.max(...at.map((a) => a.left))
    if (left <= DOUBT_LEFT.measured) return
    const ofFigure = years.map((y) => steps[y.i][k])
    const r2 = sampleCorrelation(ofFigure, [...answer]) ** 2
    const share = (r2 - 1 / (n - 1)) / (1 - 1 / (n - 1))
    const key = reading ?? `${station} ${kind.name}`
    const group = groups.get(key) ?? { reading, figures: [], station, narrowsBy: 0, gone: 0, count: 0 }
    if (!group.figures.includes(kind.name)) group.figures.push(kind.name)
    group.count++
    group.gone += share * (1 - (DOUBT_LEFT.measured / left) ** 2)
    groups.set(key, group)
  })
  return [...groups.values()]
    .filter(({ gone, count }) => isOutOfChance(gone, n, count))
    .map(({ gone, count: _, ...next }) => ({ ...next, narrowsBy: 1 - Math.sqrt(Math.max(0, 1 - gone)) }))
    .sort((a, b) => b.narrowsBy - a.narrowsBy)
}
