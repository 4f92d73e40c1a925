import { Command, CommanderError } from 'commander'
import { calculatorNamed, CALCULATORS } from '../core/calculators/registry'
import { runCalculator } from '../core/calculators/run'
import { checksOf } from '../core/checks/catalogue'
import { demo, DEMOS } from '../core/demos/index'
import { HEATERS } from '../core/heaters/kinds'
import { applyAll } from '../core/measures/apply'
import { accepts } from '../core/schema/words'
import { writeStudy } from '../core/study/read'
import { wordsOf } from '../core/study/words-of'
import { faultText } from '../core/units/result'
import { broughtBy } from '../core/views/brought'
import { findingsOf, inTheWay } from '../core/views/findings'
import { sizes } from '../core/views/sizes'
import { ranked, sourceJobs, sourceYear } from '../core/views/sources'
import { simulate } from '../core/year/simulate'
import { YearRefused } from '../core/year/work'
import { packageCommands } from './package-commands'
import { load, Refusal, refuse, type Say, timed, yearOrNull } from './say'
import { settingsCommands } from './settings-commands'
import { broughtText, findingsText, sizeTable, sourcesTable, yearTable } from './tables'
import { verifyCommand } from './verify-command'

/** What a call of the command line comes to: what it prints, and 2 for bad input. */
export interface Answer {
  status: 0 | 2
  stdout: string
  stderr: string
}

/** Runs the command line with the words that follow its name. */
export async function bagno(args: readonly string[]): Promise<Answer> {
  let stdout = ''
  const write = (text: string) => void (stdout += text)
  let words = (text: string) => text
  const print = (value: unknown) =>
    write(typeof value === 'string' ? words(value) : `${JSON.stringify(value, null, 2)}\n`)
  /** What is said of a study from then on is said in its words. */
  const taken = (file: string) => {
    const study = load(file)
    words = wordsOf(study)
    return study
  }
  try {
    await program({ write, print, taken }).parseAsync(args, { from: 'user' })
    return { status: 0, stdout, stderr: '' }
  } catch (error) {
    if (error instanceof Refusal) return { status: 2, stdout, stderr: `bagno: ${words(error.message)}\n` }
    if (error instanceof YearRefused) return { status: 2, stdout, stderr: `bagno: ${words(error.message)}\n` }
    if (error instanceof CommanderError) return { status: error.exitCode === 0 ? 0 : 2, stdout, stderr: '' }
    throw error
  }
}

function program(say: Say): Command {
  const { write, print, taken } = say
  const program = new Command('bagno')
    .description('Domestic hot water of a household: annual energy, cost and savings.')
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
    .description('validate a study file')
    .action((file: string) => {
      const study = taken(file)
      print(
        `${file}: valid (${study.name}; ${study.pipes.runs.length} runs, ${study.pipes.taps.length} outlets, ${study.packages.length} packages)\n`,
      )
    })

  program
    .command('simulate <file>')
    .description('simulate a year of the household as set')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const result = timed(study)
      print(options.json ? result : yearTable(study, result))
    })

  packageCommands(program, say)
  settingsCommands(program, say)
  verifyCommand(program, say)

  program
    .command('findings <file>')
    .description('list the findings')
    .option('--json', 'print every field')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const checks = checksOf(study, simulate(study))
      const all = findingsOf(checks)
      if (options.json) return void print(all)
      print(findingsText(all) || 'no findings\n')
      const blocking = inTheWay(all)
      if (blocking.length) print(`\nThe visit cannot be completed:\n${blocking.map((f) => `- ${f.title}\n`).join('')}`)
      for (const pack of study.packages) {
        const after = applyAll(study, pack.measures)
        const brought = broughtBy(checks, checksOf(after, simulate(after)))
        if (brought.length) print(`\nNew findings with “${pack.name}”:\n${broughtText(study, brought)}`)
      }
    })

  program
    .command('size <file>')
    .description('size heat sources on the household’s own peak demand')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const sized = sizes(study, undefined, simulate(study))
      print(options.json ? sized : sizeTable(study, sized))
    })

  program
    .command('sources <file>')
    .description('simulate a year with each possible heat source, cheapest to run first')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const now = simulate(study)
      const years = ranked(
        sourceJobs(study).flatMap((job) => {
          const then = yearOrNull(job.study)
          return then ? [{ name: HEATERS[job.kind].name, ...sourceYear(study, now, job, then) }] : []
        }),
      )
      print(options.json ? years : sourcesTable(study, now, years))
    })

  program
    .command('calculate [name] [input]')
    .description('list the calculators, or run one: sum NAME \'{"field": value}\'')
    .action((name?: string, input?: string) => {
      if (name === undefined) {
        for (const s of CALCULATORS) {
          const fields = Object.entries(s.input.shape).map(
            ([field, schema]) => `  ${field}${schema.isOptional() ? '?' : ''}: ${accepts(schema)}`,
          )
          print(`${s.name}: ${s.title}. ${s.about}\n${fields.join('\n')}\n  → ${Object.keys(s.results).join(', ')}\n`)
        }
        return
      }
      const sum = calculatorNamed(name)
      if (!sum) refuse(`no calculator "${name}"; available: ${CALCULATORS.map((s) => s.name).join(', ')}`)
      if (input === undefined) refuse(`${name}: needs its input as JSON, such as ${JSON.stringify(sum.example)}`)
      let given: unknown
      try {
        given = JSON.parse(input)
      } catch {
        refuse(`${name}: the input is not JSON; it takes ${JSON.stringify(sum.example)}`)
      }
      const answer = runCalculator(sum, given)
      if (!answer.ok) refuse(`${name}: ${faultText(answer.faults[0])}`)
      print({ ...answer.value.out, steps: answer.value.steps, notes: answer.value.notes })
    })

  return program
}
