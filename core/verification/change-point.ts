import jstat from 'jstat'
import { inverse, Matrix } from 'ml-matrix'

/** A period as the regression takes it: use a day, air of its days, and whether it lies after the change. */
export interface Observed {
  days: number
  perDay: number
  airC: readonly number[]
  after: boolean
}

/** A figure with its interval at 95 %. */
export interface Estimate {
  low: number
  middle: number
  high: number
}

/**
 * Use a day = base + slope × kelvins below the balance temperature + step after the change.
 * Standard deviation is of one day: of a period it is that over the root of its days.
 */
export interface UseModel {
  /** Balance temperature, °C, and slope, per day and K; null: nothing hangs on the weather. */
  heating: { balanceC: number; slope: Estimate } | null
  base: Estimate
  /** Null where nothing lies on one of the two sides. */
  step: Estimate | null
  daySd: number
  degreesOfFreedom: number
}

const LEVEL = 0.95
/** Balance temperatures that are tried, °C. */
const BALANCE = { from: 6, to: 24, step: 0.5 } as const
/** A slope counts as one from so many standard errors on. */
const SLOPE_T = 3

const below = (airC: readonly number[], balanceC: number) =>
  airC.reduce((sum, c) => sum + Math.max(0, balanceC - c), 0) / Math.max(1, airC.length)

interface Fitted {
  beta: number[]
  se: number[]
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
    const s2 = sse / dof
    const se = Array.from({ length: k }, (_, j) => Math.sqrt(Math.max(0, s2 * inv.get(j, j))))
    const out = beta.to1DArray()
    return [...out, ...se, sse].every(Number.isFinite) ? { beta: out, se, sse, dof } : null
  } catch {
    return null
  }
}

/** Two-sided quantile of Student's t at 95 %. */
export const tQuantile = (dof: number): number => jstat.jStat.studentt.inv(0.5 + LEVEL / 2, dof)

/**
 * The use of a meter by weather and by a change: a change-point model of three parameters (base, slope, balance temperature;
 * ASHRAE Guideline 14, annex D) with a step. The balance temperature is the one that leaves least unexplained; where no slope
 * stands out, use does not hang on the weather. Null where there are too few periods.
 */
export function fitUse(observed: readonly Observed[]): UseModel | null {
  const sides = new Set(observed.map((o) => o.after))
  const steps = sides.size === 2
  const y = observed.map((o) => o.perDay)
  const weights = observed.map((o) => o.days)
  const step = (o: Observed) => (steps ? [o.after ? 1 : 0] : [])
  const plain = leastSquares(
    observed.map((o) => [1, ...step(o)]),
    y,
    weights,
  )
  if (!plain) return null
  let best: { balanceC: number; fit: Fitted } | null = null
  for (let balanceC = BALANCE.from; balanceC <= BALANCE.to; balanceC += BALANCE.step) {
    const fit = leastSquares(
      observed.map((o) => [1, ...step(o), below(o.airC, balanceC)]),
      y,
      weights,
    )
    // The balance temperature is a parameter too.
    if (fit && fit.dof > 1 && (!best || fit.sse < best.fit.sse)) best = { balanceC, fit: { ...fit, dof: fit.dof - 1 } }
  }
  const at = best && best.fit.beta.length - 1
  const heats = best !== null && at !== null && best.fit.beta[at] > SLOPE_T * best.fit.se[at]
  const { beta, se, sse, dof } = heats ? best!.fit : plain
  const sd = Math.sqrt(sse / dof)
  // One parameter more was fitted than the matrix knew of.
  const wider = heats ? Math.sqrt((dof + 1) / dof) : 1
  const estimate = (i: number): Estimate => {
    const half = tQuantile(dof) * se[i] * wider
    return { low: beta[i] - half, middle: beta[i], high: beta[i] + half }
  }
  return {
    heating: heats ? { balanceC: best!.balanceC, slope: estimate(beta.length - 1) } : null,
    base: estimate(0),
    step: steps ? estimate(1) : null,
    daySd: sd,
    degreesOfFreedom: dof,
  }
}
