import type { z } from 'zod'
import type { Sum, Worked } from './sum'
import { SumRefusal } from './sum'

export interface SumFault {
  /** Path of the field, such as "runs.0.size". */
  field: string
  message: string
}
export type SumAnswer = { ok: true; worked: Worked } | { ok: false; faults: SumFault[] }

/** What stands at a path of an input, as a person would write it. */
function gotAt(given: unknown, path: readonly PropertyKey[]): string {
  const value = path.reduce<unknown>((at, key) => (at as Record<PropertyKey, unknown> | null | undefined)?.[key], given)
  if (value === undefined) return 'nothing'
  if (typeof value === 'number') return String(value)
  return JSON.stringify(value)?.slice(0, 60) ?? String(value)
}

interface Bounded {
  minValue?: number | null
  maxValue?: number | null
}

/** What a field accepts, in words, from its schema. */
export function accepts(schema: z.ZodType): string {
  const { def } = schema as z.ZodType & { def: { type: string; innerType?: z.ZodType; entries?: Record<string, string>; options?: z.ZodType[]; values?: unknown[] } }
  if (def.type === 'optional') return accepts(def.innerType!)
  if (def.type === 'enum') return Object.values(def.entries!).join(', ')
  if (def.type === 'literal') return def.values!.join(', ')
  if (def.type === 'union') return def.options!.map(accepts).join(' or ')
  if (def.type === 'array') return 'a list'
  if (def.type === 'object') return 'an object'
  if (def.type === 'string') return 'a text'
  const { minValue, maxValue } = schema as Bounded
  return `a number from ${minValue} to ${maxValue}`
}

/** The schema at a path of a schema. */
function schemaAt(schema: z.ZodType, path: readonly PropertyKey[]): z.ZodType | undefined {
  let at: z.ZodType | undefined = schema
  for (const key of path) {
    type Def = { type: string; innerType?: z.ZodType; element?: z.ZodType; shape?: Record<string, z.ZodType> }
    let def: Def | undefined = (at as (z.ZodType & { def: Def }) | undefined)?.def
    while (def?.type === 'optional') def = (def.innerType as z.ZodType & { def: Def }).def
    at = def?.type === 'array' ? def.element : def?.shape?.[String(key)]
  }
  return at
}

function faultOf(sum: Sum, given: unknown, issue: z.core.$ZodIssue): SumFault {
  if (issue.code === 'unrecognized_keys')
    return { field: [...issue.path, issue.keys[0]].join('.'), message: `is not a field of this sum; it takes ${Object.keys(sum.input.shape).join(', ')}` }
  const field = issue.path.join('.') || 'input'
  const got = gotAt(given, issue.path)
  if (issue.code === 'custom') return { field, message: `got ${got}, ${issue.message}` }
  const schema = schemaAt(sum.input, issue.path)
  return { field, message: `got ${got}, accepts ${schema ? accepts(schema) : 'an object'}` }
}

/** Works a sum. Never throws; whatever is wrong with the input is named by field. */
export function runSum(sum: Sum, given: unknown): SumAnswer {
  const checked = sum.input.safeParse(given)
  if (!checked.success) return { ok: false, faults: checked.error.issues.map((issue) => faultOf(sum, given, issue)) }
  try {
    return { ok: true, worked: sum.work(checked.data as never) }
  } catch (error) {
    if (!(error instanceof SumRefusal)) throw error
    return { ok: false, faults: [{ field: error.field, message: `got ${gotAt(given, error.field.split('.'))}, ${error.message}` }] }
  }
}
