import Table from 'cli-table3'
import { DEMOS } from '../core/demos/index'
import { HEATER_KINDS, HEATERS } from '../core/heaters/kinds'
import { addHeater, changeHeaterKind } from '../core/household/edits/plant'
import { LOOP_MODE_WORDS } from '../core/household/loop-mode-words'
import { apply } from '../core/measures/apply'
import { beginMeasure, measuresFor } from '../core/measures/begin'
import { jobsOf } from '../core/measures/jobs'
import { MEASURES } from '../core/measures/names'
import { inMode } from '../core/scenarios/loop-modes'
import { LOOP_MODES } from '../core/study/loop-modes'
import type { Study } from '../core/study/study'
import { simulate } from '../core/year/simulate'
import { benchAgainst } from './bench-against'
import { benchMany } from './bench-many'

// npm run bench -- --against REV [--demos]: this tree's years against those of a commit, and nothing else.
const against = process.argv.indexOf('--against')
if (against > 0) {
  await benchAgainst(process.argv[against + 1], process.argv.includes('--demos'))
  process.exit()
}

// npm run bench -- --many: how many years a minute.
if (process.argv.includes('--many')) {
  await benchMany()
  process.exit()
}

const ROUNDS = 9
/** What a year of the main demo is meant to take at most, ms: now, and where it goes. */
const LIMIT_MS = 400
const GOAL_MS = 150

const ascending = (xs: number[]) => [...xs].sort((a, b) => a - b)
const median = (xs: number[]) => ascending(xs)[Math.floor(xs.length / 2)]

function timed(work: () => unknown): number {
  const from = performance.now()
  work()
  return performance.now() - from
}

const table = new Table({
  head: ['household', 'first year, ms', 'median year, ms', 'best, ms', 'draws', 'comparison, years', 'ms'],
  style: { head: [], border: [] },
  colAligns: ['left', 'right', 'right', 'right', 'right', 'right', 'right'],
})
let main = 0
for (const { study } of DEMOS) {
  const first = timed(() => simulate(study))
  const rounds = Array.from({ length: ROUNDS }, () => timed(() => simulate(study)))
  const best = ascending(rounds)[0]
  main ||= best
  const jobs = jobsOf(study)
  const comparison = timed(() => jobs.forEach((job) => simulate(job.study)))
  table.push([
    study.name,
    first.toFixed(0),
    median(rounds).toFixed(0),
    best.toFixed(0),
    simulate(study).comfort.draws,
    jobs.length,
    comparison.toFixed(0),
  ])
}
console.log(table.toString())

/** A year of each heater kind, of each loop mode and with each kind of measure, on the main demo. */
const others = new Table({
  head: ['main demo with', 'best, ms'],
  style: { head: [], border: [] },
  colAligns: ['left', 'right'],
})
const bestOf = (study: Study) => ascending(Array.from({ length: 3 }, () => timed(() => simulate(study))))[0]
const [{ study: house }] = DEMOS
for (const kind of HEATER_KINDS)
  others.push([
    HEATERS[kind].name,
    bestOf(HEATERS[kind].heats === 'tap' ? addHeater(house, kind) : changeHeaterKind(house, 'boiler', kind)).toFixed(0),
  ])
for (const mode of LOOP_MODES)
  others.push([`Loop: ${LOOP_MODE_WORDS[mode].name}`, bestOf(inMode(house, mode)).toFixed(0)])
for (const kind of measuresFor(house)) {
  const m = beginMeasure(house, kind, kind)
  others.push([`Measure: ${MEASURES[kind].name.toLowerCase()}`, bestOf(apply(house, m)).toFixed(0)])
}
console.log(others.toString())
console.log(
  `Node ${process.versions.node}, one core. The best of ${ROUNDS} tells what the code takes, the median what else the machine was doing.\nMain demo ${main.toFixed(0)} ms a year; at most ${LIMIT_MS} now, ${GOAL_MS} is the goal.`,
)
if (main > LIMIT_MS) process.exitCode = 1
