import { readFileSync, statSync } from 'node:fs'
import { Command, CommanderError } from 'commander'
import { calculatorNamed, CALCULATORS } from '../core/calculators/registry'
import { runCalculator } from '../core/calculators/run'
import { checksOf } from '../core/checks/catalogue'
import { demo, DEMOS } from '../core/demos/index'
import { HEATERS } from '../core/heaters/kinds'
import { applyAll } from '../core/measures/apply'
import { jobsOf } from '../core/measures/jobs'
import { claimsTogether, judgedClaim } from '../core/scenarios/claims'
import { type Interaction, interactionsOf, pairsOf } from '../core/scenarios/interactions'
import { modeJobs, modeRows } from '../core/scenarios/loop-modes'
import { DEFAULT_GOAL, optimiseSchedule } from '../core/scenarios/optimise-schedule'
import { orderOfWork } from '../core/scenarios/order-of-work'
import { type Ranges, rangesOf, SAMPLES, sampleYears, samplingOf } from '../core/scenarios/ranges'
import { accepts } from '../core/schema/words'
import { displayOf } from '../core/study/display-of'
import type { Package } from '../core/study/measures'
import { LARGEST_FILE, readStudyText, writeStudy } from '../core/study/read'
import type { Study } from '../core/study/study'
import { wordsOf } from '../core/study/words-of'
import { type Fault, faultText } from '../core/units/result'
import { broughtBy } from '../core/views/brought'
import { comparedInFull, type Comparison, type PackageResult } from '../core/views/compare'
import { comparisonCsv } from '../core/views/comparison-csv'
import { controllerFits, controllerFitText } from '../core/views/controller-fit'
import { findingsOf, inTheWay } from '../core/views/findings'
import { LEVEL_WORDS } from '../core/views/level-words'
import { refusalsOf, workOptions } from '../core/views/order-of-work'
import { refusedText } from '../core/views/range-words'
import { judgedHeater, linesOf, setpointChecks } from '../core/views/setpoint-checks'
import { sizes } from '../core/views/sizes'
import { ranked, sourceJobs, sourceYear } from '../core/views/sources'
import { WAITS_S } from '../core/year/result'
import { simulate } from '../core/year/simulate'
import { simulateMany } from '../core/year/simulate-many'
import { YearRefused } from '../core/year/work'
import {
  broughtText,
  claimsText,
  comparisonTable,
  findingsText,
  foundTable,
  modesTable,
  orderTable,
  rangesTable,
  sizeTable,
  sourcesTable,
  yearTable,
} from './tables'

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

/** A year for a search that goes on without those that are refused. */
function yearOrNull(study: Study) {
  try {
    return simulate(study)
  } catch (error) {
    if (error instanceof YearRefused) return null
    throw error
  }
}

function timed(study: Study) {
  const from = performance.now()
  const result = simulate(study)
  return { ...result, elapsedMs: Math.round(performance.now() - from) }
}

/** How many samples were asked for. */
function samplesOf(text: string): number {
  const samples = Number(text)
  if (!(Number.isInteger(samples) && samples >= SAMPLES.least && samples <= SAMPLES.most))
    refuse(`--samples: accepts whole numbers from ${SAMPLES.least} to ${SAMPLES.most}`)
  return samples
}

/** Each two measures of a package, and what becomes of their savings together. */
function pairsIn(
  study: Study,
  pack: Package,
  { asSet, asFound }: Comparison,
  { measures }: PackageResult,
): Interaction[] {
  const pairs = pairsOf(study, pack)
  return interactionsOf(
    pack,
    (asSet?.result ?? asFound).cost.total,
    measures.map((m) => m.alone.cost),
    pairs,
    pairs.map((p) => yearOrNull(p.study)),
  )
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
    await program(write, print, taken).parseAsync(args, { from: 'user' })
    return { status: 0, stdout, stderr: '' }
  } catch (error) {
    if (error instanceof Refusal) return { status: 2, stdout, stderr: `bagno: ${words(error.message)}\n` }
    if (error instanceof YearRefused) return { status: 2, stdout, stderr: `bagno: ${words(error.message)}\n` }
    if (error instanceof CommanderError) return { status: error.exitCode === 0 ? 0 : 2, stdout, stderr: '' }
    throw error
  }
}

function program(
  write: (text: string) => void,
  print: (value: unknown) => void,
  taken: (file: string) => Study,
): Command {
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

  program
    .command('compare <file>')
    .description('as found, as set, and each package with its savings')
    .option('--csv', 'print the comparison as separated values')
    .option('--pairs', 'simulate each two measures too: which of them save part of the same')
    .option('--json', 'print every figure')
    .action((file: string, options: { csv?: boolean; pairs?: boolean; json?: boolean }) => {
      const study = taken(file)
      const years = new Map(jobsOf(study).map((job) => [job.key, timed(job.study)]))
      const comparison = comparedInFull(study, years)
      if (options.csv) return void write(comparisonCsv(study, comparison, () => null))
      const packages = comparison.packages.map((p, i) => ({
        ...p,
        ...(options.pairs ? { pairs: pairsIn(study, study.packages[i], comparison, p) } : {}),
      }))
      print(options.json ? { ...comparison, packages } : comparisonTable(study, { ...comparison, packages }))
    })

  program
    .command('ranges <file>')
    .description('how far the year and the savings of a package may lie apart, and what to find out next')
    .option('--package <name>', 'package, by its name or id')
    .option('--samples <count>', `pairs of years, ${SAMPLES.least} to ${SAMPLES.most}`, String(SAMPLES.usual))
    .option('--seed <number>', 'seed of the samples', String(SAMPLES.seed))
    .option('--json', 'print every figure')
    .action((file: string, options: { package?: string; samples: string; seed: string; json?: boolean }) => {
      const study = taken(file)
      const pack =
        options.package === undefined ? null : study.packages.find((p) => [p.id, p.name].includes(options.package!))
      if (pack === undefined)
        refuse(`--package: one of ${study.packages.map((p) => p.name).join(', ') || 'none: this study has no package'}`)
      const [samples, seed] = [samplesOf(options.samples), Number(options.seed)]
      if (!Number.isSafeInteger(seed)) refuse('--seed: accepts whole numbers')
      const sampling = samplingOf(study, samples, seed)
      const years = Array.from({ length: samples }, (_, i) => sampleYears(study, pack, sampling, i))
      const ranges = rangesOf(sampling, years) ?? refuse(`${file}: ${refusedText(samples)}`)
      const { savings, ...rest } = ranges
      print(options.json ? { saving: savings && savings.cost, ...rest, savings } : rangesTable(study, pack, ranges))
    })

  program
    .command('rank <file>')
    .description('look for the measures that are worth most together within the budget, and the order to do them in')
    .option('--budget <money>', 'most that the household can spend; default: as the study says')
    .option('--comfort', 'allow what makes hot water come later')
    .option('--json', 'print every figure')
    .action(async (file: string, options: { budget?: string; comfort?: boolean; json?: boolean }) => {
      const read = taken(file)
      const budgetMoney = options.budget === undefined ? read.economics.budgetMoney : Number(options.budget)
      if (budgetMoney !== null && !(budgetMoney >= 0)) refuse('--budget: accepts money from 0')
      const study = { ...read, economics: { ...read.economics, budgetMoney } }
      const now = simulate(study)
      const before = checksOf(study, now)
      const order = await orderOfWork(
        study,
        workOptions(study),
        now,
        (all) => Promise.resolve(all.map(yearOrNull)),
        (measures, then) => Promise.resolve(refusalsOf(study, measures, now, then, options.comfort ?? false, before)),
      )
      print(options.json ? order : orderTable(study, order))
    })

  program
    .command('claim <file>')
    .description('hold the savings that are claimed in the study against the ranges of its packages')
    .option('--samples <count>', `pairs of years, ${SAMPLES.least} to ${SAMPLES.most}`, String(SAMPLES.usual))
    .option('--json', 'print every figure')
    .action((file: string, options: { samples: string; json?: boolean }) => {
      const study = taken(file)
      const samples = samplesOf(options.samples)
      const now = simulate(study)
      const known = new Map<string, Ranges | null>()
      const rangesFor = (pack: Package) => {
        const sampling = samplingOf(study, samples)
        const there = known.get(pack.id)
        const ranges =
          there !== undefined
            ? there
            : rangesOf(
                sampling,
                Array.from({ length: samples }, (_, i) => sampleYears(study, pack, sampling, i)),
              )
        known.set(pack.id, ranges)
        return ranges
      }
      const judged = study.claims.map((claim) => {
        const pack = study.packages.find((p) => p.id === claim.packageId) ?? null
        return { claim, ...judgedClaim(claim, now, pack, pack && rangesFor(pack)) }
      })
      const together = claimsTogether(study.claims, now)
      print(options.json ? { claims: judged, together } : claimsText(study, judged, together))
    })

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
    .command('modes <file>')
    .description('compare the circulation modes on the household’s own draw-offs')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const jobs = modeJobs(study)
      if (!jobs.length) refuse(`${file}: no circulation, no modes to compare`)
      const rows = modeRows(study, new Map(simulateMany(jobs.map((j) => [j.mode, j.study]))))
      print(options.json ? rows : modesTable(study, rows))
    })

  program
    .command('optimise-schedule <file>')
    .description('optimise the schedules of circulation and cylinder for a share of draw-offs hot within a time')
    .option('--share <share>', 'share of draw-offs, 0 to 1', String(DEFAULT_GOAL.shareWarm))
    .option('--within <seconds>', `time, one of ${WAITS_S.join(', ')}`, String(DEFAULT_GOAL.withinS))
    .option('--years <count>', 'maximum number of simulated years')
    .option('--json', 'print every figure')
    .action(async (file: string, options: { share: string; within: string; years?: string; json?: boolean }) => {
      const study = taken(file)
      const [shareWarm, withinS] = [Number(options.share), Number(options.within)]
      if (!(shareWarm >= 0 && shareWarm <= 1)) refuse('--share: accepts 0 to 1')
      if (!WAITS_S.some((s) => s === withinS)) refuse(`--within: one of ${WAITS_S.join(', ')} seconds`)
      const years = options.years === undefined ? undefined : Number(options.years)
      if (years !== undefined && !(Number.isInteger(years) && years >= 1))
        refuse('--years: accepts whole numbers from 1')
      const found = await optimiseSchedule(
        study,
        { shareWarm, withinS },
        (all) => Promise.resolve(all.map(yearOrNull)),
        {
          ...(years === undefined ? {} : { mostYears: years }),
        },
      )
      print(options.json ? found : 'nothing' in found ? `${found.nothing}\n` : foundTable(study, found))
    })

  program
    .command('setpoint-checks <file>')
    .description('check a setpoint: scald risk, hygiene, comfort, limits, cost')
    .option('--heater <id>', 'heater whose setpoint is checked; default: the one that governs the supply temperature')
    .option('--json', 'print every field')
    .action((file: string, options: { heater?: string; json?: boolean }) => {
      const study = taken(file)
      if (options.heater !== undefined && judgedHeater(study, options.heater) !== options.heater)
        refuse(`--heater: there is no heater "${options.heater}" with a thermostat`)
      const board = setpointChecks(study, checksOf(study, simulate(study)), options.heater)
      if (options.json) return void print(board)
      if (board.heaterId === null) print('No heater here has a thermostat; the checks that need none follow.\n')
      print(
        linesOf(board)
          .map(
            (l) =>
              `${LEVEL_WORDS[l.level].padEnd(12)} ${l.title}\n             ${l.worst.sentence}\n${l.others.map((c) => `             ${LEVEL_WORDS[c.level]}: ${c.title}\n`).join('')}`,
          )
          .join(''),
      )
    })

  program
    .command('fit-controller <file>')
    .description(
      'what is keyed into the controller, period by period; of a plan that does not fit the nearest that does',
    )
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      const fits = controllerFits(study)
      print(options.json ? fits : controllerFitText(fits, displayOf(study)))
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
