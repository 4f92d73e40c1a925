import { mean, probit, sampleCorrelation, sampleCovariance, sampleVariance } from 'simple-statistics'
import type { Study } from '../study/study'
import type { YearFigure } from '../year/figures'
import type { DoubtedKind } from './doubted-figures'
import { isOutOfChance, sampleOf, type SampleYears, type Sampling, type Spread, spreadOf } from './ranges'

/** A figure that a meter moves: up where it is above nothing, by a share of itself, in kelvins, or in points of a hundred. */
export interface Moved {
  name: string
  by: number
  as: 'share' | 'K' | 'points'
}

/** A household as a meter leaves it. */
export interface RefitStudy {
  samples: number
  /** What was counted lies further off than the doubts of the study allow: something else is wrong with it. */
  outside: boolean
  /** A year as it may be now, narrowed to what was counted. */
  year: Record<'cost' | 'inputKwh', Spread>
  moved: Moved[]
  /** The household with what moved where the meter has it. */
  study: Study
}

/** Fewer samples than this say nothing. */
const LEAST_SAMPLES = 8
/** Further off than so many standard deviations of what could be expected, it is no accident. */
const OUTSIDE_SDS = 2.5

/** So many of its usual doubts as it is told of a figure. */
function movedBy({ name, usual, worse }: DoubtedKind, doubts: number): Moved {
  if (usual.as === 'share') return { name, by: Math.exp(usual.of * doubts) - 1, as: 'share' }
  return worse ? { name, by: -100 * usual.of * doubts, as: 'points' } : { name, by: usual.of * doubts, as: 'K' }
}

/** What a figure of each sample becomes once it is known how far that sample's year is from the meter. */
const pulled = (values: readonly number[], off: readonly number[], gain: number): number[] =>
  values.map((v, i) => v + gain * off[i])

/**
 * Draws the samples of a household towards what a meter counted: each figure by its covariance with the year, over the variance
 * of the year and of the meter (ensemble Kalman update; Evensen, Journal of Geophysical Research 99, 1994). Figures that hang
 * together with the year no more than chance has it stay; the others take what is theirs.
 * @param figure what of a year the meter counts; @param calculated that figure of the study itself
 * @param factor what the meter counts over what was calculated, with its standard error
 */
export function refitStudy(
  study: Study,
  sampling: Sampling,
  come: readonly (SampleYears | null)[],
  figure: YearFigure,
  calculated: number,
  factor: { middle: number; sd: number },
): RefitStudy | null {
  const years = come.filter((y) => y !== null)
  const n = years.length
  if (n < LEAST_SAMPLES || calculated <= 0) return null
  const y = years.map((s) => s.base[figure] / calculated)
  const spread = sampleVariance(y)
  if (spread === 0) return null
  const sure = spread + factor.sd ** 2
  // Each sample meets the meter as it may have counted, spread evenly over its own doubt.
  const order = y.map((_, i) => i).toSorted((a, b) => years[a].i - years[b].i)
  const met = new Array<number>(n)
  order.forEach((i, rank) => (met[i] = factor.middle + factor.sd * probit((((rank * STRIDE) % n) + 0.5) / n)))
  const off = y.map((own, i) => met[i] - own)
  const pull = (of: 'cost' | 'inputKwh') => {
    const values = years.map((s) => s.base[of])
    return spreadOf(pulled(values, off, sampleCovariance(values, y) / sure))
  }
  const columns = sampling.figures.map((_, k) => years.map((s) => sampling.steps[s.i][k]))
  // A price moves no meter, whatever chance has it.
  const counts = sampling.figures.map(({ at }) => at.every(({ path }) => !path.startsWith('prices.')))
  const told = columns.map((c, k) => counts[k] && isOutOfChance(sampleCorrelation(c, y) ** 2, n))
  const slopes = columns.map((c, k) => (told[k] ? sampleCovariance(c, y) / sampleVariance(c) : 0))
  const explained = slopes.reduce((s, b) => s + b * b, 0)
  // What the others would have taken goes to those that are told, so that the whole is met.
  const means = slopes.map((b) => (explained > 0 ? (b * (factor.middle - 1) * spread) / sure / explained : 0))
  return {
    samples: n,
    outside: Math.abs(factor.middle - mean(y)) > OUTSIDE_SDS * Math.sqrt(sure),
    year: { cost: pull('cost'), inputKwh: pull('inputKwh') },
    moved: sampling.figures
      .map(({ kind, at }, k) => ({ kind, doubts: means[k] * Math.max(...at.map((a) => a.left)) }))
      .filter((m, k) => told[k] && Math.abs(m.doubts) >= WORTH_TELLING)
      .sort((a, b) => Math.abs(b.doubts) - Math.abs(a.doubts))
      .map(({ kind, doubts }) => movedBy(kind, doubts)),
    study: sampleOf(study, { figures: sampling.figures, steps: [means] }, 0),
  }
}
/** A figure that moves by less of its doubt stays where it is for anybody who reads it. */
const WORTH_TELLING = 0.05
/** Doubts of the meter go round the samples by this step, so that they do not follow their order. */
const STRIDE = 27
