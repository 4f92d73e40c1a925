import { pathToFileURL } from 'node:url'
import Table from 'cli-table3'
import type { Study } from '../core/study/study'
import { bundled } from './trees'

const ROUNDS = 9
/** What of a core is timed: its demos, and its main demo with each heater kind and in each loop mode. */
const TIMED = `
import { DEMOS } from './core/demos/index'
import { HEATER_KINDS, HEATERS } from './core/heaters/kinds'
import { addHeater, changeHeaterKind } from './core/household/edits/plant'
import { LOOP_MODES } from './core/study/loop-modes'
import { inMode } from './core/scenarios/loop-modes'
import { House } from './core/year/house'
import { simulate } from './core/year/simulate'
const [{ study }] = DEMOS
export const houses = {
  demos: DEMOS.map((d) => [d.study.name, d.study]),
  heaters: HEATER_KINDS.map((kind) => [
    HEATERS[kind].name,
    HEATERS[kind].heats === 'tap' ? addHeater(study, kind) : changeHeaterKind(study, 'boiler', kind),
  ]),
  loops: LOOP_MODES.map((mode) => ['Loop: ' + mode, inMode(study, mode)]),
}
export const year = (house) => simulate(house)
export const steps = (house) => {
  let n = 0
  new House(house).runUntil(365 * 86400, undefined, () => n++)
  return n
}
`

/** A core by what is timed of it. */
interface Core {
  houses: Record<'demos' | 'heaters' | 'loops', [name: string, house: Study][]>
  year: (house: Study) => unknown
  steps: (house: Study) => number
}
interface Times {
  before: number[]
  after: number[]
}

const timed = (work: () => unknown) => {
  const from = performance.now()
  work()
  return performance.now() - from
}
const ratioOf = (times: Times) => Math.min(...times.after) / Math.min(...times.before)

/**
 * Times the years of the work tree against those of a commit, in one process, turn about: the best of nine of each tells what
 * the code takes, whatever else the machine is doing.
 * @param rev commit to time against; @param onlyDemos leaves the heater kinds and the loop modes out
 */
export async function benchAgainst(rev: string, onlyDemos: boolean): Promise<void> {
  const [before, after] = await Promise.all(
    [rev, undefined].map(async (r) => (await import(pathToFileURL(await bundled('bench', TIMED, r)).href)) as Core),
  )
  const table = new Table({
    head: ['household', 'before, ms', 'now, ms', 'ratio', 'steps before', 'steps now'],
    style: { head: [], border: [] },
    colAligns: ['left', 'right', 'right', 'right', 'right', 'right'],
  })
  const ofDemos: number[] = []
  for (const group of onlyDemos ? (['demos'] as const) : (['demos', 'heaters', 'loops'] as const))
    for (const [name, house] of after.houses[group]) {
      const was = before.houses[group].find(([n]) => n === name)?.[1]
      if (!was) continue
      const times: Times = { before: [], after: [] }
      before.year(was)
      after.year(house)
      for (let k = 0; k < ROUNDS; k++) {
        const both = [
          () => times.before.push(timed(() => before.year(was))),
          () => times.after.push(timed(() => after.year(house))),
        ]
        for (const one of k % 2 ? both.reverse() : both) one()
      }
      const ratio = ratioOf(times)
      if (group === 'demos') ofDemos.push(ratio)
      table.push([
        name,
        Math.min(...times.before).toFixed(0),
        Math.min(...times.after).toFixed(0),
        ratio.toFixed(3),
        before.steps(was),
        after.steps(house),
      ])
    }
  console.log(table.toString())
  const mean = Math.exp(ofDemos.reduce((sum, r) => sum + Math.log(r), 0) / ofDemos.length)
  console.log(`Best of ${ROUNDS}, turn about. Geometric mean over the demos: ${mean.toFixed(3)}`)
}
