import type { Command } from 'commander'
import { checksOf } from '../core/checks/catalogue'
import { jobsOf } from '../core/measures/jobs'
import { report } from '../core/papers/report'
import { claimsTogether, judgedClaim } from '../core/scenarios/claims'
import { type Interaction, interactionsOf, pairsOf } from '../core/scenarios/interactions'
import { orderOfWork } from '../core/scenarios/order-of-work'
import { type Ranges, rangesOf, SAMPLES, sampleYears, samplingOf } from '../core/scenarios/ranges'
import { Day } from '../core/study/fields'
import type { Package } from '../core/study/measures'
import type { Study } from '../core/study/study'
import { comparedInFull, type Comparison, type PackageResult } from '../core/views/compare'
import { comparisonCsv } from '../core/views/comparison-csv'
import { refusalsOf, workOptions } from '../core/views/order-of-work'
import { refusedText } from '../core/views/range-words'
import { simulate } from '../core/year/simulate'
import { refuse, type Say, timed, yearOrNull } from './say'
import { claimsText, comparisonTable, orderTable, rangesTable } from './tables'

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

/** Commands about packages: what they save, how sure that is, and which are worth most. */
export function packageCommands(program: Command, { write, print, taken }: Say): void {
  program
    .command('report <file>')
    .description('the report for the householder with its appendix: one HTML file')
    .option('--ranges', `simulate ${SAMPLES.usual} paired years of each package: how far its saving may lie apart`)
    .option('--on <day>', 'day it is written, YYYY-MM-DD', new Date().toISOString().slice(0, 10))
    .action((file: string, options: { ranges?: boolean; on: string }) => {
      const study = taken(file)
      if (!Day.safeParse(options.on).success) refuse('--on: accepts a day as YYYY-MM-DD')
      const years = new Map(jobsOf(study).map((job) => [job.key, timed(job.study)]))
      const sampling = samplingOf(study)
      const sampled = (pack: Package) =>
        rangesOf(
          sampling,
          sampling.steps.map((_, i) => sampleYears(study, pack, sampling, i)),
        )
      const ranges = new Map(
        (options.ranges ? study.packages : []).flatMap((p) => {
          const range = sampled(p)
          return range ? [[p.id, range] as const] : []
        }),
      )
      write(report({ study, comparison: comparedInFull(study, years), ranges, on: options.on }))
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
}
