import { documentFault } from '../schema/words'
import { refused, type Result } from '../units/result'
import { bounded } from './bounds'
import { canMigrate, migrate } from './migrate'
import { soundReadings } from './older/readings'
import { FORMAT, VERSION } from './shape'
import { Study } from './study'

/** Largest study file that is read, bytes: a study with all the pictures it may have fits. */
export const LARGEST_FILE = 32 * 1024 * 1024

/** What stands where a version should, in a few words whatever it is. */
const versionText = (version: unknown): string =>
  version === undefined
    ? 'of no version'
    : typeof version === 'number' || typeof version === 'string'
      ? `version ${String(version).slice(0, 20)}`
      : 'of a version that is no number'

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
        : `is ${versionText(head.version)}; this Bagno reads version ${VERSION}`,
      'version',
    )
  const within = bounded(head)
  if (!within.ok) return within
  const result = Study.safeParse(upToDate(head))
  if (result.success) return { ok: true, value: result.data }
  return { ok: false, faults: result.error.issues.slice(0, 50).map(documentFault) }
}

/** Whether a document says that it is a study of a version that is read here. */
export const readable = (document: unknown): document is Study => {
  const head = document as Record<string, unknown> | null | undefined
  return (
    typeof head?.name === 'string' && head.format === FORMAT && (head.version === VERSION || canMigrate(head.version))
  )
}

/** A document of this version; one that cannot be brought up to it stays what it is, and is refused by its version. */
function upToDate(head: Record<string, unknown>): unknown {
  try {
    const doc = migrate(head)
    return { ...doc, readings: soundReadings(doc.readings) }
  } catch {
    return head
  }
}

/** Format of a file that holds several households, each as it is in a file of its own. */
const SEVERAL = 'bagno-studies'
const MOST_IN_FILE = 2000
/** How much of a file's beginning says what it is, characters. */
export const HEAD_OF_FILE = 200
/** Most characters of a file that begins so: one that says it holds several households may be four times as large. */
export const largestFor = (head: string): number =>
  head.slice(0, HEAD_OF_FILE).includes(`"${SEVERAL}"`) ? 4 * LARGEST_FILE : LARGEST_FILE

/** Text of a file with several households, whether or not each can be read by this version. */
export const writeStudies = (studies: readonly unknown[]): string =>
  `${JSON.stringify({ format: SEVERAL, studies }, null, 1)}\n`

/** Reads the text of a file with one household or several: each by itself, with what it is called when it is refused. */
export function readStudiesText(text: string): { name: string; read: Result<Study> }[] {
  const one = () => [{ name: '', read: readStudyText(text) }]
  if (text.length > largestFor(text)) return one()
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch {
    return one()
  }
  const { format, studies } = (document ?? {}) as { format?: unknown; studies?: unknown }
  if (format !== SEVERAL) return one()
  const whole = (message: string) => [{ name: '', read: refused(message, 'studies') }]
  if (!Array.isArray(studies)) return whole('a list of households is expected')
  if (studies.length > MOST_IN_FILE) return whole(`at most ${MOST_IN_FILE} households in a file`)
  return studies.map((study: unknown, i) => {
    const name = (study as { name?: unknown } | null)?.name
    return { name: typeof name === 'string' ? name.slice(0, 120) : `household ${i + 1}`, read: readStudy(study) }
  })
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
