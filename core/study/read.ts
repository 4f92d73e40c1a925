import type { z } from 'zod'
import { type Fault, refused, type Result } from '../units/result'
import { canMigrate, migrate } from './migrate'
import { FORMAT, VERSION } from './shape'
import { Study } from './study'

/** Largest study file that is read, bytes: hundreds of times what a real one needs. */
export const LARGEST_FILE = 8 * 1024 * 1024

/**
 * Path of a field as a person reads it.
 * @example fieldPath(['pipes', 'runs', 2, 'size']) // "pipes › runs › 3 › size"
 */
export function fieldPath(path: readonly PropertyKey[]): string {
  return path.map((p) => (typeof p === 'number' ? String(p + 1) : String(p))).join(' › ')
}

/** A Zod issue in plain words: what is accepted and what was found. */
export function plainFault(issue: z.core.$ZodIssue): Fault {
  return { path: fieldPath(issue.path), message: plainMessage(issue) }
}

function plainMessage(issue: z.core.$ZodIssue): string {
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
      return 'must be of one of the known kinds'
    default:
      return issue.message
  }
}

/** Checks a parsed document and says what it is when it is not a study this version can read. */
export function readStudy(document: unknown): Result<Study> {
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return refused('this is not a Bagno study: a JSON object is expected')
  const head = document as Record<string, unknown>
  if (head.format !== FORMAT) return refused(`this is not a Bagno study: "format" should be "${FORMAT}"`, 'format')
  if (head.version !== VERSION && !canMigrate(head.version))
    return refused(
      typeof head.version === 'number' && head.version > VERSION
        ? `was written by a newer Bagno (version ${head.version}); this one reads version ${VERSION}`
        : `is version ${JSON.stringify(head.version) ?? 'missing'}; this Bagno reads version ${VERSION}`,
      'version',
    )
  const result = Study.safeParse(migrate(head))
  if (result.success) return { ok: true, value: result.data }
  return { ok: false, faults: result.error.issues.slice(0, 50).map(plainFault) }
}

/** Reads the text of a file. Random bytes, a truncated file or one too large are refused with a reason. */
export function readStudyText(text: string): Result<Study> {
  if (text.length > LARGEST_FILE)
    return refused(
      `the file is ${(text.length / 1048576).toFixed(0)} MB; a study is at most ${LARGEST_FILE / 1048576} MB`,
    )
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch {
    return refused('the file is not JSON: it may be damaged or of another kind')
  }
  return readStudy(document)
}

/** Text of a study file: the document, indented so that people and version control can read it. */
export function writeStudy(study: Study): string {
  return `${JSON.stringify(study, null, 2)}\n`
}
