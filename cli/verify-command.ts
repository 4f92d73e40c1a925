import { readFileSync, statSync } from 'node:fs'
import type { Command } from 'commander'
import { displayOf } from '../core/study/display-of'
import { Day } from '../core/study/fields'
import { asFound } from '../core/study/in-force'
import { Meter } from '../core/study/meters'
import { faultText } from '../core/units/result'
import { withMeters } from '../core/verification/meter-csv'
import { LARGEST_READINGS, readMeterFile } from '../core/verification/meter-file'
import { refitTo } from '../core/verification/refit'
import { lastSetOn, verifySaving } from '../core/verification/saving'
import { refitSentences } from '../core/views/refit-words'
import { expectedSaving, verifiedSentences } from '../core/views/verified-words'
import { refuse, type Say, yearOrNull } from './say'

interface Options {
  meter?: string
  on?: string
  others?: string
  json?: boolean
}

/** The command about what meters say of a saving. */
export function verifyCommand(program: Command, { print, taken }: Say): void {
  program
    .command('verify <file> <readings>')
    .description('saving by meter readings (CSV, or an ESPI feed), weather taken out, with its interval')
    .option('--meter <carrier>', 'which meter of several: a carrier, or water')
    .option('--on <day>', 'day of the change, YYYY-MM-DD; default: the last setting in the log')
    .option('--others <kWh>', 'what else the meter counts in a year; with it the study is held against the meter')
    .option('--json', 'print every figure')
    .action((file: string, readings: string, options: Options) => {
      const study = taken(file)
      const text = (() => {
        try {
          // One that is too large is not even opened; reading it says so.
          return statSync(readings).size > LARGEST_READINGS
            ? 'x'.repeat(LARGEST_READINGS + 1)
            : readFileSync(readings, 'utf8')
        } catch (error) {
          return refuse(`${readings}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'error'})`)
        }
      })()
      const read = readMeterFile(study, text)
      if (!read.ok) refuse(`${readings}: ${read.faults.map(faultText).join('; ')}`)
      const meters = withMeters(study.verification.meters, read.value)
      const of = options.meter === undefined ? meters[0] : meters.find((m) => m.of === options.meter)
      if (!of) refuse(`--meter: accepts one of ${meters.map((m) => m.of).join(', ')}`)
      if (options.on !== undefined && !Day.safeParse(options.on).success) refuse('--on: accepts a day as YYYY-MM-DD')
      const others = options.others === undefined ? of.others : Number(options.others)
      if (!Meter.shape.others.safeParse(others).success) refuse('--others: accepts kWh a year, 0 to 1000000')
      const meter = { ...of, others }
      const on = options.on ?? lastSetOn(study)
      if (on === null) refuse('--on: nothing was set in this study. Say the day of the change, YYYY-MM-DD')
      const [found, set] = [yearOrNull(asFound(study)), study.controls.set && yearOrNull(study)]
      const verified = verifySaving(study, meter, on, expectedSaving(meter, found, set))
      const answer = found && others !== null ? refitTo(study, meter, found, set, on) : null
      const write = displayOf(study)
      const lines = [
        ...verifiedSentences(verified, meter, expectedSaving(meter, found, set), write),
        ...(answer ? ('refit' in answer ? refitSentences(answer.refit, write) : [answer.missing]) : []),
      ]
      print(
        options.json
          ? { ...verified, refit: answer && 'refit' in answer ? answer.refit : null }
          : `${lines.join('\n')}\n`,
      )
    })
}
