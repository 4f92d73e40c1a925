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
