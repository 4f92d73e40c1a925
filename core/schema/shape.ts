import type { z } from 'zod'

/** What a field of a sum or of a reading is, for whoever draws a form for it. */
export type FieldShape =
  | { kind: 'number'; schema: z.ZodType }
  | { kind: 'choice'; options: (string | number)[] }
  | { kind: 'text' }
  | { kind: 'list'; item: z.ZodType }
  | { kind: 'group'; fields: Record<string, z.ZodType> }

interface Def {
  type: string
  innerType?: z.ZodType
  element?: z.ZodType
  shape?: Record<string, z.ZodType>
  entries?: Record<string, string>
  options?: z.ZodType[]
  values?: (string | number)[]
}
const defOf = (schema: z.ZodType) => (schema as z.ZodType & { def: Def }).def

/** A schema without its "may be left out". */
export function bare(schema: z.ZodType): z.ZodType {
  const def = defOf(schema)
  return def.type === 'optional' ? bare(def.innerType!) : schema
}

/** Reads the shape off a schema. */
export function shapeOf(schema: z.ZodType): FieldShape {
  const inner = bare(schema)
  const def = defOf(inner)
  switch (def.type) {
    case 'enum':
      return { kind: 'choice', options: Object.values(def.entries!) }
    case 'union':
      return { kind: 'choice', options: def.options!.flatMap((o) => defOf(o).values ?? []) }
    case 'array':
      return { kind: 'list', item: def.element! }
    case 'object':
      return { kind: 'group', fields: def.shape! }
    case 'string':
      return { kind: 'text' }
    default:
      return { kind: 'number', schema: inner }
  }
}

/** Without what makes it optional or nullable. */
const required = (schema: z.ZodType): z.ZodType => {
  const def = defOf(schema)
  return def.type === 'optional' || def.type === 'nullable' ? required(def.innerType!) : schema
}

/** The least and the most that a number field accepts, read from its schema. */
export function rangeOf(schema: z.ZodType): { min: number; max: number } {
  const { minValue, maxValue } = required(schema) as { minValue?: number | null; maxValue?: number | null }
  return { min: minValue ?? -Infinity, max: maxValue ?? Infinity }
}

/** The schema at a path of a schema. */
export function schemaIn(schema: z.ZodType, path: readonly PropertyKey[]): z.ZodType | undefined {
  return path.reduce<z.ZodType | undefined>((at, key) => {
    const shape = at && shapeOf(at)
    return shape?.kind === 'list' ? shape.item : shape?.kind === 'group' ? shape.fields[String(key)] : undefined
  }, schema)
}
