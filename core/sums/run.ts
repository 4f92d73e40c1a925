import type { z } from 'zod'
import { type Fault, refused, type Result } from '../units/result'
import { shapeOf } from './shape'
import type { Sum, Worked } from './sum'
import { SumRefusal } from './sum'

/** What stands at a path of an input, as a person would write it. */
function gotAt(given: unknown, path: readonly PropertyKey[]): string {
  const value = path.reduce<unknown>((at, key) => (at as Record<PropertyKey, unknown> | null | undefined)?.[key], given)
  if (value === undefined) return 'nothing'
  if (typeof value === 'number') return String(value)
  return (JSON.stringify(value) as string | undefined)?.slice(0, 60) ?? 'something else'
}

/** What a field accepts, in words, from its schema. */
export function accepts(schema: z.ZodType): string {
  const shape = shapeOf(schema)
  switch (shape.kind) {
    case 'choice':
      return shape.options.join(', ')
    case 'list':
      return 'a list'
    case 'group':
      return 'an object'
    case 'text':
      return 'a text'
    case 'number': {
      const { minValue, maxValue } = shape.schema as { minValue?: number | null; maxValue?: number | null }
      return `a number from ${minValue} to ${maxValue}`
    }
  }
}

/** The schema at a path of a schema. */
function schemaAt(schema: z.ZodType, path: readonly PropertyKey[]): z.ZodType | undefined {
  return path.reduce<z.ZodType | undefined>((at, key) => {
    const shape = at && shapeOf(at)
    return shape?.kind === 'list' ? shape.item : shape?.kind === 'group' ? shape.fields[String(key)] : undefined
  }, schema)
}

function faultOf(sum: Sum, given: unknown, issue: z.core.$ZodIssue): Fault {
  if (issue.code === 'unrecognized_keys')
    return {
      path: [...issue.path, issue.keys[0]].join('.'),
      message: `is not a field of this sum; it takes ${Object.keys(sum.input.shape).join(', ')}`,
    }
  const path = issue.path.join('.') || 'input'
  const got = gotAt(given, issue.path)
  if (issue.code === 'custom') return { path, message: `got ${got}, ${issue.message}` }
  const schema = schemaAt(sum.input, issue.path)
  return { path, message: `got ${got}, accepts ${schema ? accepts(schema) : 'an object'}` }
}

/** Works a sum. Never throws; whatever is wrong with the input is named by the path of its field, such as "runs.0.size". */
export function runSum(sum: Sum, given: unknown): Result<Worked> {
  const checked = sum.input.safeParse(given)
  if (!checked.success) return { ok: false, faults: checked.error.issues.map((issue) => faultOf(sum, given, issue)) }
  try {
    return { ok: true, value: sum.work(checked.data as never) }
  } catch (error) {
    if (!(error instanceof SumRefusal)) throw error
    return refused(`got ${gotAt(given, error.field.split('.'))}, ${error.message}`, error.field)
  }
}
