import type { Command } from 'commander'
import { zoneNames } from '../core/calendar/ical'
import { checksOf } from '../core/checks/catalogue'
import { settingsSheet } from '../core/papers/settings-sheet'
import { modeJobs, modeRows } from '../core/scenarios/loop-modes'
import { DEFAULT_GOAL, optimiseSchedule } from '../core/scenarios/optimise-schedule'
import { displayOf } from '../core/study/display-of'
import { Day } from '../core/study/fields'
import { controllerFits, controllerFitText } from '../core/views/controller-fit'
import { heatingSide, heatingSideText } from '../core/views/heating-side'
import { LEVEL_WORDS } from '../core/views/level-words'
import { calendarFile } from '../core/views/reminders'
import { schedulesCsv } from '../core/views/schedules-csv'
import { judgedHeater, linesOf, setpointChecks } from '../core/views/setpoint-checks'
import { WAITS_S } from '../core/year/result'
import { simulate } from '../core/year/simulate'
import { simulateMany } from '../core/year/simulate-many'
import { refuse, type Say, yearOrNull } from './say'
import { foundTable, modesTable } from './tables'

/** Commands about what is set: modes, schedules, setpoints, what is keyed in, the calendar and the heating side. */
export function settingsCommands(program: Command, { write, print, taken }: Say): void {
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
    .command('sheet <file>')
    .description('the settings sheet: what is entered where, on one side of paper (HTML)')
    .action((file: string) => write(settingsSheet(taken(file))))

  program
    .command('schedules <file>')
    .description('every on period of the week as separated values')
    .action((file: string) => print(`${schedulesCsv(taken(file))}\n`))

  program
    .command('ical <file>')
    .description('schedules, cycles, boosts, absences, clocks and upkeep as a calendar (RFC 5545)')
    .option('--zone <name>', 'time zone by its IANA name', Intl.DateTimeFormat().resolvedOptions().timeZone)
    .option('--from <day>', 'first day, YYYY-MM-DD', new Date().toISOString().slice(0, 10))
    .action((file: string, { zone, from }: { zone: string; from: string }) => {
      const study = taken(file)
      if (!Day.safeParse(from).success) refuse('--from: accepts a day as YYYY-MM-DD')
      if (!zoneNames().includes(zone)) refuse(`--zone: "${zone}" is not known. Accepts names such as Europe/Vienna`)
      const stamp = `${new Date().toISOString().slice(0, 19)}Z`
      print(calendarFile(study, displayOf(study), { from, zone, stamp }))
    })

  program
    .command('heating <file>')
    .description('the heating side: heat loss, radiators, flow temperature, a year of heating, who controls what')
    .option('--json', 'print every figure')
    .action((file: string, options: { json?: boolean }) => {
      const study = taken(file)
      print(options.json ? heatingSide(study) : heatingSideText(study, displayOf(study)))
    })
}
