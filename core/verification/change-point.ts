import jstat from 'jstat'
import { inverse, Matrix } from 'ml-matrix'

/** A period as the regression takes it: use a day, air of its days, whether it lies after the change, and whether people were there. */
export interface Observed {
  days: number
  perDay: number
  airC: readonly number[]
  after: boolean
  /** Share of its days on which the household was away. */
  away: number
}

/** A figure with its interval at 95 %. */
export interface Estimate {
  low: number
  middle: number
  high: number
}

/**
 * Use a day = base + slope × kelvins below the balance temperature + step after the change + what is not used while away.
 * Standard deviation is of one day: of a period it is that over the root of its days.
 */
export interface UseModel {
  /** Balance temperature, °C, and slope, per day and K; null: nothing hangs on the weather. */
  heating: { balanceC: number; slope: Estimate } | null
  base: Estimate
  /** Null where nothing lies on one of the two sides. */
  step: Estimate | null
  /** A day away against one at home; null: they were never away. */
  away: Estimate | null
  daySd: number
  degreesOfFreedom: number
}

const LEVEL = 0.95
/** Balance temperatures that are tried, °C. */
const BALANCE = { from: 6, to: 24, step: 0.5 } as const
/** A slope counts as one from so many standard errors on. */
const SLOPE_T = 3

/** Kelvins below a balance temperature, mean of some days. */
export const below = (airC: readonly number[], balanceC: number): number =>
  airC.reduce((sum, c) => sum + Math.max(0, balanceC - c), 0) / Math.max(1, airC.length)

interface Fitted {
  beta: number[]
  /** Covariance of the coefficients. */
  cov: Matrix
  sse: number
  dof: number
}

/** Weighted least squares: the mean of a period is as good as its days are many. Null where the columns hang together. */
function leastSquares(rows: readonly number[][], y: readonly number[], weights: readonly number[]): Fitted | null {
  const k = rows[0]?.length ?? 0
  const dof = rows.length - k
  if (dof < 1) return null
  const X = new Matrix(rows.map((row, i) => row.map((x) => x * Math.sqrt(weights[i]))))
  const Y = Matrix.columnVector(y.map((v, i) => v * Math.sqrt(weights[i])))
  const XtX = X.transpose().mmul(X)
  try {
    const inv = inverse(XtX)
    const beta = inv.mmul(X.transpose()).mmul(Y)
    const residual = Matrix.sub(Y, X.mmul(beta))
    const sse = residual.transpose().mmul(residual).get(0, 0)
    const cov = Matrix.mul(inv, sse / dof)
    const out = beta.to1DArray()
    return [...out, ...cov.to1DArray(), sse].every(Number.isFinite) ? { beta: out, cov, sse, dof } : null
  } catch {
    return null
  }
}

/** Two-sided quantile of Student's t at 95 %. */
export const tQuantile = (dof: number): number => jstat.jStat.studentt.inv(0.5 + LEVEL / 2, dof)

const errorOf = ({ cov }: Fitted, i: number) => Math.sqrt(Math.max(0, cov.get(i, i)))

/** Coefficients of some terms, and of the weather where a slope stands out: it is then the last. */
export interface TermFit {
  beta: readonly number[]
  /** Balance temperature, °C; null: use does not hang on the weather. */
  balanceC: number | null
  daySd: number
  dof: number
  /** Standard error of a sum of the coefficients, each so many times. */
  errorOf: (times: readonly number[]) => number
}

/**
 * Use a day as a sum of terms and of the weather: change-point model (ASHRAE Guideline 14, annex D). The balance temperature is
 * the one that leaves least unexplained; where no slope stands out, use does not hang on the weather. Null: too few periods, or
 * terms that cannot be told apart.
 */
export function fitTerms(observed: readonly Observed[], terms: readonly ((o: Observed) => number)[]): TermFit | null {
  const y = observed.map((o) => o.perDay)
  const weights = observed.map((o) => o.days)
  const rows = observed.map((o) => terms.map((term) => term(o)))
  const plain = leastSquares(rows, y, weights)
  if (!plain) return null
  let best: { balanceC: number; fit: Fitted } | null = null
  for (let balanceC = BALANCE.from; balanceC <= BALANCE.to; balanceC += BALANCE.step) {
    const fit = leastSquares(
      rows.map((row, i) => [...row, below(observed[i].airC, balanceC)]),
      y,
      weights,
    )
    // The balance temperature is a parameter too.
    if (fit && fit.dof > 1 && (!best || fit.sse < best.fit.sse)) best = { balanceC, fit: { ...fit, dof: fit.dof - 1 } }
  }
  const heats = best !== null && best.fit.beta[terms.length] > SLOPE_T * errorOf(best.fit, terms.length)
  const { beta, cov, sse, dof } = heats ? best!.fit : plain
  // One parameter more was fitted than the matrix knew of.
  const wider = heats ? Math.sqrt((dof + 1) / dof) : 1
  return {
    beta,
    balanceC: heats ? best!.balanceC : null,
    daySd: Math.sqrt(sse / dof),
    dof,
    errorOf: (times) => {
      const x = Matrix.columnVector([...times])
      return wider * Math.sqrt(Math.max(0, x.transpose().mmul(cov).mmul(x).get(0, 0)))
    },
  }
}

/** An estimate with its interval from a standard error. */
export const estimateOf = (middle: number, error: number, dof: number): Estimate => {
  const half = tQuantile(dof) * error
  return { low: middle - half, middle, high: middle + half }
}

/** Terms that only some periods have: a day away counts where there was one, and days at home too. */
export const awayTerm = (observed: readonly Observed[]): ((o: Observed) => number)[] =>
  observed.some((o) => o.away > 0) ? [(o) => o.away] : []

/** The use of a meter by weather, by a change, and by days away. Null where there are too few periods. */
export function fitUse(observed: readonly Observed[]): UseModel | null {
  const steps = new Set(observed.map((o) => o.after)).size === 2
  const away = awayTerm(observed)
  const fit = fitTerms(observed, [() => 1, ...(steps ? [(o: Observed) => (o.after ? 1 : 0)] : []), ...away])
  if (!fit) return null
  const one = (i: number) => {
    const middle = fit.beta[i]
    return estimateOf(middle, fit.errorOf(fit.beta.map((_, k) => (k === i ? 1 : 0))), fit.dof)
  }
  return {
    heating: fit.balanceC === null ? null : { balanceC: fit.balanceC, slope: one(fit.beta.length - 1) },
    base: one(0),
    step: steps ? one(1) : null,
    away: away.length ? one(steps ? 2 : 1) : null,
    daySd: fit.daySd,
    degreesOfFreedom: fit.dof,
  }
}
