import type { z } from 'zod'
import { Measure, type MeasureKind } from '~~/core/study/measures'

/** What a kind of measure accepts in a field of its own. */
export const measureField = (kind: MeasureKind, field: string): z.ZodType =>
  (Measure.options.find((o) => o.shape.kind.value === kind)!.shape as unknown as Record<string, z.ZodType>)[field]!

/** A list of ids with one put in, or taken out where it stood there. */
export const toggled = (list: readonly string[], id: string): string[] =>
  list.includes(id) ? list.filter((x) => x !== id) : [...list, id]
