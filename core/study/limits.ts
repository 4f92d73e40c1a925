import type { z } from 'zod'
import { rangeOf } from '../schema/shape'
import { valueAt } from './paths'
import { StudyShape } from './shape'
import type { Study } from './study'

/** What is asked of a schema here, whatever its kind. */
interface Kind {
  unwrap?: () => Kind
  shape?: Record<string, Kind>
  element?: Kind
  valueType?: Kind
  options?: readonly Kind[]
}

/** Without what makes it optional or nullable; a list stays a list. */
const bare = (schema: Kind): Kind => (schema.unwrap && !schema.element ? bare(schema.unwrap()) : schema)

/** Of the kinds of a union, the one that a value is of. */
const kindOf = (options: readonly Kind[], value: unknown): Kind | undefined =>
  options.find((option) =>
    Object.entries(bare(option).shape ?? { none: { values: new Set() } }).every(
      ([key, field]) =>
        !('values' in field) ||
        (field as { values: Set<unknown> }).values.has((value as Record<string, unknown> | undefined)?.[key]),
    ),
  )

/**
 * The schema that a figure of a study has, by its path (see paths.ts); undefined where the path leads nowhere.
 * Limits are stated in the schema alone: who needs one reads it here.
 */
function schemaAt(study: Study, path: string): z.ZodType | undefined {
  const segments = path.split('.')
  let at: Kind | undefined = StudyShape as unknown as Kind
  for (let i = 0; i < segments.length && at; i++) {
    at = bare(at)
    if (at.options) at = kindOf(at.options, i === 0 ? study : valueAt(study, segments.slice(0, i).join('.')))
    const schema: Kind | undefined = at && bare(at)
    at = schema?.shape?.[segments[i]] ?? schema?.element ?? schema?.valueType
  }
  return at as z.ZodType | undefined
}

/** Whether a study takes a value at a path, by itself: what it must agree with elsewhere is not looked at. */
export const takes = (study: Study, path: string, value: unknown): boolean =>
  schemaAt(study, path)?.safeParse(value).success ?? false

/**
 * The least and the most that a study accepts at a path.
 * @throws RangeError when the path leads nowhere
 * @example rangeAt(study, 'plant.heaters.element.powerKw') // { min: 0.3, max: 40 }
 */
export function rangeAt(study: Study, path: string): { min: number; max: number } {
  const schema = schemaAt(study, path)
  if (!schema) throw new RangeError(`there is no "${path}"`)
  return rangeOf(schema)
}
