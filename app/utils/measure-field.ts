import type { ComputedRef, InjectionKey } from 'vue'
import type { z } from 'zod'
import { Measure, type MeasureKind } from '~~/core/study/measures'
import type { Study } from '~~/core/study/study'

/** The household that a measure comes to: the measures before it in its package are done. */
export const BEFORE_MEASURE: InjectionKey<ComputedRef<Study>> = Symbol('before the measure')

/** What a kind of measure accepts in a field of its own. */
export const measureField = (kind: MeasureKind, field: string): z.ZodType =>
  (Measure.options.find((o) => o.shape.kind.value === kind)!.shape as unknown as Record<string, z.ZodType>)[field]!

/** A list of ids with one put in, or taken out where it stood there. */
export const toggled = (list: readonly string[], id: string): string[] =>
  list.includes(id) ? list.filter((x) => x !== id) : [...list, id]
