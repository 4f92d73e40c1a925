import { readFileSync, statSync } from 'node:fs'
import { Command, CommanderError } from 'commander'
import { demo, DEMOS } from '../core/demos/index'
import { broughtBy, findings } from '../core/findings/findings'
import { applyAll } from '../core/measures/apply'
import { compared, jobsOf } from '../core/measures/compare'
import { accepts } from '../core/schema/words'
import { LARGEST_FILE, readStudyText, writeStudy } from '../core/study/read'
import type { Study } from '../core/study/study'
import { sumNamed, SUMS } from '../core/sums/registry'
import { runSum } from '../core/sums/run'
import { type Fault, faultText } from '../core/units/result'
import { simulate } from '../core/year/simulate'
import { YearRefused } from '../core/year/work'
import { comparisonTable, yearTable } from './tables'

/** What a call of the command line comes to: what it prints, and 2 for bad input. */
export interface Answer {
  status: 0 | 2
  stdout: string
  stderr: string
}

/** Bad input: one line on standard error, exit 2. */
class Refusal extends Error {}

function refuse(message: string): never {
  throw new Refusal(message.replace(/\s+/g, ' '))
}

const oneLine = (file: string, faults: Fault[]) => {
  const [first] = faults
  const more = faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''
  return `${file}: ${faultText(first)}${more}`
}

function load(file: string): Study {
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

function timed(study: Study) {
  const from = performance.now()
  const result = simulate(study)
  return { ...result, elapsedMs: Math.round(performance.now() - from) }
}

/** Runs the command line with the words that follow its name. */
export function bagno(args: readonly string[]): Answer {
  let stdout = ''
  const write = (text: string) => void (stdout += text)
  try {
    program(write).parse(args, { from: 'user' })
    return { status: 0, stdout, stderr: '' }
  } catch (error) {
    if (error instanceof Refusal) return { status: 2, stdout, stderr: `bagno: ${error.message}\n` }
    if (error instanceof YearRefused) return { status: 2, stdout, stderr: `bagno: ${error.message}\n` }
    if (error instanceof CommanderError) return { status: error.exitCode === 0 ? 0 : 2, stdout, stderr: '' }
    throw error
  }
}

function program(write: (text: string) => void): Command {
  const print = (value: unknown) => write(typeof value === 'string' ? value : `${JSON.stringify(value, null, 2)}\n`)
  const program = new Command('bagno')
    .description('Hot water of a household: a year of it, and what a change saves.')
    .configureOutput({ writeOut: write, writeErr: write, outputError: (text) => refuse(text.replace(/^error: /, '')) })
    .exitOverride()

  program
    .command('demo [name]')
    .description('list the demo studies, or print one')
    .action((name?: string) => {
      if (name === undefined)
        return void print(DEMOS.map((d) => `${d.study.id.padEnd(14)} ${d.study.name}. ${d.shows}\n`).join(''))
      const study = demo(name)
      if (!study) refuse(`there is no demo "${name}"; there are ${DEMOS.map((d) => d.study.id).join(', ')}`)
      print(writeStudy(study))
    })

  program
    .command('validate <file>')
    .description('say whether a study file is sound')
    .action((file: string) => {
      const study = load(file)
      print(
        `${file}: sound (${study.name}; ${study.pipes.runs.length} runs, ${study.pipes.taps.length} taps, ${study.packages.length} packages)\n`,
      )
    })

  program
    .command('simulate <file>')
    .description('one year of the household as it stands')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = load(file)
      const result = timed(study)
      print(options.json ? result : yearTable(study, result))
    })

  program
    .command('compare <file>')
    .description('as found, as set, and each package with its savings')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = load(file)
      const years = new Map(jobsOf(study).map((job) => [job.key, timed(job.study)]))
      const comparison = compared(study, years)
      print(options.json ? comparison : comparisonTable(study, comparison))
    })

  program
    .command('findings <file>')
    .description('what an experienced engineer would point out')
    .option('--json', 'print every field')
    .action((file: string, options: { json?: boolean }) => {
      const study = load(file)
      const all = findings(study, simulate(study))
      const text = (list: typeof all) =>
        list.map((f) => `${f.severity.padEnd(7)} ${f.what}\n        ${f.why}\n        ${f.mend}\n`).join('')
      if (options.json) return void print(all)
      print(text(all) || 'nothing stands out\n')
      for (const pack of study.packages) {
        const after = applyAll(study, pack.measures)
        const brought = broughtBy(all, findings(after, simulate(after)))
        if (brought.length) print(`\n“${pack.name}” would bring:\n${text(brought)}`)
      }
    })

  program
    .command('sum [name] [input]')
    .description('list the bench sums, or work one: sum NAME \'{"field": value}\'')
    .action((name?: string, input?: string) => {
      if (name === undefined) {
        for (const s of SUMS) {
          const fields = Object.entries(s.input.shape).map(
            ([field, schema]) => `  ${field}${schema.isOptional() ? '?' : ''}: ${accepts(schema)}`,
          )
          print(`${s.name}: ${s.title}. ${s.about}\n${fields.join('\n')}\n  → ${Object.keys(s.results).join(', ')}\n`)
        }
        return
      }
      const sum = sumNamed(name)
      if (!sum) refuse(`there is no sum "${name}"; there are ${SUMS.map((s) => s.name).join(', ')}`)
      if (input === undefined) refuse(`${name}: needs its input as JSON, such as ${JSON.stringify(sum.example)}`)
      let given: unknown
      try {
        given = JSON.parse(input)
      } catch {
        refuse(`${name}: the input is not JSON; it takes ${JSON.stringify(sum.example)}`)
      }
      const answer = runSum(sum, given)
      if (!answer.ok) refuse(`${name}: ${faultText(answer.faults[0])}`)
      print({ ...answer.value.out, steps: answer.value.steps, notes: answer.value.notes })
    })

  return program
}
