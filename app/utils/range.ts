import type { z } from 'zod'

/** The least and the most that a number field of the study accepts, read from its schema. */
export function rangeOf(schema: z.ZodType): { min: number; max: number } {
  let at = schema as unknown as { unwrap?: () => unknown; minValue?: number | null; maxValue?: number | null }
  while (typeof at.unwrap === 'function') at = at.unwrap() as typeof at
  return { min: at.minValue ?? -Infinity, max: at.maxValue ?? Infinity }
}
