import { figuresOfYear, type YearFigure } from '../year/figures'
import type { YearResult } from '../year/result'
import type { PackageResult } from './compare'

/** A measure at its place in its package: what the year takes before it and after it. */
interface Step {
  id: string
  name: string
  from: number
  to: number
  /** Less is positive. */
  saved: number
}

/** The way from doing nothing to a package in one figure: each measure begins where the one before it ended. */
export function cascadeOf(
  base: YearResult,
  { measures, result }: PackageResult,
  figure: YearFigure,
): { from: number; steps: Step[]; to: number } {
  const from = figuresOfYear(base)[figure]
  let at = from
  const steps = measures.map(({ id, name, inOrder }) => {
    const saved = inOrder[figure]
    const step = { id, name, from: at, to: at - saved, saved }
    at = step.to
    return step
  })
  return { from, steps, to: figuresOfYear(result)[figure] }
}
