import type { z } from 'zod'
import type { Shown } from '../units/display'

/** A figure of a sum: what it is called, and how it is written. */
export interface Figure extends Shown {
  readonly label: string
}

/** One worked step: what it is, the formula in words, and what it came to. */
export interface Step extends Figure {
  readonly formula: string
  readonly value: number
}

export type Outcome = Record<string, number | string | null>

export interface Worked<O extends Outcome = Outcome> {
  readonly out: O
  readonly steps: readonly Step[]
  /** What the reader should know of it: an assumption made, a limit, a caution. */
  readonly notes: readonly string[]
}

/** A bench sum: a pure function with a schema for its input. Metric in and out; units stand in the names. */
export interface Calculator {
  readonly name: string
  readonly title: string
  /** Where on the visit it is of use. */
  readonly about: string
  readonly source: string
  readonly input: z.ZodObject
  /** Labels of what comes out, by name. */
  readonly results: Readonly<Record<string, Figure>>
  /** An input that shows what it is for. */
  readonly example: Record<string, unknown>
  readonly work: (input: never) => Worked
}

/** Ties a sum's schema to its function, so that the function sees checked input of the schema's type. */
export function defineCalculator<S extends z.ZodObject>(
  sum: Omit<Calculator, 'input' | 'work'> & { input: S; work: (input: z.output<S>) => Worked },
): Calculator {
  return sum
}

/** Thrown by a sum for figures that each are possible but not together; names the field. */
export class SumRefusal extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message)
  }
}

/** Refuses when a figure is not above another. */
export function needsAbove(field: string, value: number, other: number, what: string): void {
  if (value <= other) throw new SumRefusal(field, `must be above ${what}`)
}
