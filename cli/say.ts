import { readFileSync, statSync } from 'node:fs'
import { LARGEST_FILE, readStudyText } from '../core/study/read'
import type { Study } from '../core/study/study'
import { type Fault, faultText } from '../core/units/result'
import { simulate } from '../core/year/simulate'
import { YearRefused } from '../core/year/work'

/** Bad input: one line on standard error, exit 2. */
export class Refusal extends Error {}

export function refuse(message: string): never {
  throw new Refusal(message.replace(/\s+/g, ' '))
}

const oneLine = (file: string, faults: Fault[]) => {
  const [first] = faults
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''
  return `${file}: ${faultText(first)}${more}`
}

export function load(file: string): Study {
  const attempt = <T>(work: () => T): T => {
    try {
      return work()
    } catch (error) {
      return refuse(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'error'})`)
    }
  }
  if (attempt(() => statSync(file)).size > LARGEST_FILE)
    refuse(`${file}: a study is at most ${LARGEST_FILE / 1048576} MB`)
  const text = attempt(() => readFileSync(file, 'utf8'))
  const read = readStudyText(text)
  if (!read.ok) refuse(oneLine(file, read.faults))
  return read.value
}

/** A year for a search that goes on without those that are refused. */
export function yearOrNull(study: Study) {
  try {
    return simulate(study)
  } catch (error) {
    if (error instanceof YearRefused) return null
    throw error
  }
}

export function timed(study: Study) {
  const from = performance.now()
  const result = simulate(study)
  return { ...result, elapsedMs: Math.round(performance.now() - from) }
}

/** What a command says with: bare text, a table or JSON in the words of the study, and the study of a file. */
export interface Say {
  write: (text: string) => void
  print: (value: unknown) => void
  taken: (file: string) => Study
}
