import type { z } from 'zod'
import type { Fault } from '../units/result'
import { rangeOf, schemaIn, shapeOf } from './shape'

/** What a schema found wrong, in words. It is put into words here and nowhere else. */

/** Most characters of a path or of a message: a hostile file may have put millions there. */
const LONGEST = 300
const short = (text: string) => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text)

/**
 * Path of a field as a person reads it.
 * @example fieldPath(['pipes', 'runs', 2, 'size']) // "pipes › runs › 3 › size"
 */
function fieldPath(path: readonly PropertyKey[]): string {
  return path.map((p) => (typeof p === 'number' ? String(p + 1) : String(p))).join(' › ')
}

/** A fault of a document: where, as a person reads it, and what is accepted. */
export const documentFault = (issue: z.core.$ZodIssue): Fault => ({
  path: short(fieldPath(issue.path)),
  message: short(asked(issue)),
})

function asked(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined && issue.message.includes('undefined')
        ? 'is missing'
        : issue.message.replace(/^Invalid input: /, '').replace(', received undefined', ', but it is missing')
    case 'too_small':
      return issue.origin === 'number' || issue.origin === 'int' ? `must be ${issue.minimum} or more` : issue.message
    case 'too_big':
      return issue.origin === 'number' || issue.origin === 'int' ? `must be ${issue.maximum} or less` : issue.message
    case 'invalid_value':
      return `must be ${issue.values.map((v) => JSON.stringify(v)).join(' or ')}`
    case 'unrecognized_keys':
      return `has fields that are not known: ${issue.keys.slice(0, 5).join(', ')}`
    case 'invalid_union':
      return 'unknown type'
    default:
      return issue.message
  }
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
      const { min, max } = rangeOf(shape.schema)
      return `a number from ${min} to ${max}`
    }
  }
}

/** What stands at a path of an input, as a person would write it. */
export function gotAt(given: unknown, path: readonly PropertyKey[]): string {
  const value = path.reduce<unknown>((at, key) => (at as Record<PropertyKey, unknown> | null | undefined)?.[key], given)
  if (value === undefined) return 'nothing'
  if (typeof value === 'number') return String(value)
  return (JSON.stringify(value) as string | undefined)?.slice(0, 60) ?? 'something else'
}

/** A fault of a form that is filled in: by the path of its field, such as "runs.0.size", with what stands there now. */
export function formFault(schema: z.ZodObject, given: unknown, issue: z.core.$ZodIssue): Fault {
  if (issue.code === 'unrecognized_keys')
    return {
      path: [...issue.path, issue.keys[0]].join('.'),
      message: `is not a field of this calculator; it takes ${Object.keys(schema.shape).join(', ')}`,
    }
  const path = issue.path.join('.') || 'input'
  const got = gotAt(given, issue.path)
  if (issue.code === 'custom') return { path, message: `got ${got}, ${issue.message}` }
  const field = schemaIn(schema, issue.path)
  return { path, message: `got ${got}, accepts ${field ? accepts(field) : 'an object'}` }
}
