import type { Command } from 'commander'
import { checksOf } from '../core/checks/catalogue'
import { modeJobs, modeRows } from '../core/scenarios/loop-modes'
import { DEFAULT_GOAL, optimiseSchedule } from '../core/scenarios/optimise-schedule'
import { displayOf } from '../core/study/display-of'
import { controllerFits, controllerFitText } from '../core/views/controller-fit'
import { LEVEL_WORDS } from '../core/views/level-words'
import { judgedHeater, linesOf, setpointChecks } from '../core/views/setpoint-checks'
import { WAITS_S } from '../core/year/result'
import { simulate } from '../core/year/simulate'
import { simulateMany } from '../core/year/simulate-many'
import { refuse, type Say, yearOrNull } from './say'
import { foundTable, modesTable } from './tables'

/** Commands about what is set: modes, schedules, setpoints, and what is keyed in. */
export function settingsCommands(program: Command, { print, taken }: Say): void {
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
}
