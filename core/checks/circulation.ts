import { coldestMonth, DAYS } from '../calendar/year'
import { emptyDays } from '../household/empty-days'
import { bypassOf } from '../household/loop'
import { restedAt } from '../household/loop-at-rest'
import { carriedC } from '../household/supply'
import { steadyAtTap } from '../household/ways'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { SAFETY } from '../safety/limits'
import { controlsOf } from '../study/in-force'
import type { LoopMode } from '../study/loop-modes'
import type { Rule, Told } from './check'

/** Modes that keep the loop warm whether anybody draws or not. */
const RUNS_BY_ITSELF: ReadonlySet<LoopMode> = new Set(['always', 'clock', 'sampled', 'stop warm', 'trace heating'])

const loopCosts: Rule = ({ study, year, write }) => {
  if (!study.pipes.loop || !year || year.energy.loopKwh < year.energy.usefulKwh) return []
  return [
    {
      id: 'loop-costs',
      concern: 'cost',
      level: 'fail',
      subject: { kind: 'loop', id: null },
      figures: {
        loopKwh: { value: year.energy.loopKwh, quantity: 'energy', worse: { when: 'more', by: 50 } },
        usefulKwh: { value: year.energy.usefulKwh, quantity: 'energy' },
      },
      title: 'The loop takes more heat than the taps',
      sentence: `${write.energy(year.energy.loopKwh)} a year against ${write.energy(year.energy.usefulKwh)} used.`,
      source: 'The ledger of the year',
      remedy: 'Windows when somebody is up, and insulation on what can be reached: try both under Improve.',
      settledBy: 'loop',
      mendedBy: 'loop-windows',
    },
  ]
}

const crossover: Rule = ({ study, year, write }) => {
  const { loop } = study.pipes
  const bypass = bypassOf(loop)
  if (!loop || !bypass) return []
  const litres = contentsPerMetre(pipeOf(loop.back.material, loop.back.size)) * loop.back.lengthM
  const turn = study.pipes.taps.find((t) => t.runId === loop.turnsAt) ?? study.pipes.taps[0]
  const settlesC = steadyAtTap(study, turn, carriedC(study), coldestMonth(study.site.monthlyAirC))
  return [
    {
      id: 'crossover',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'loop', id: null },
      title: 'The return warms the cold line',
      sentence: `After each run of the pump up to ${write.figure('volume', litres)} in the cold line are as warm as ${write.temperature(bypass.closesAtC)}: the cold tap runs tepid first${year ? ` (${write.litres(year.water.warmColdL)} of it in the year, and it takes ${write.seconds((litres / turn.flowLMin) * 60)} to run cold)` : ''}, and water standing there in the growth range lets bacteria grow. The hot tap there gives between ${write.temperature(restedAt(study, loop.turnsAt))} (pump at rest for long) and ${write.temperature(bypass.closesAtC)} (valve just shut) in its first second, and ${write.temperature(settlesC)} once it has settled, in winter.`,
      source: `Contents of the cold line; growth of legionella between ${write.temperature(SAFETY.grows.value.low)} and ${write.temperature(SAFETY.grows.value.high)}`,
      remedy:
        'A valve that closes cooler, short runs of the pump, or a return of its own. Check valves where cold and hot are joined; local code decides.',
      settledBy: 'loop',
    },
  ]
}

/** A house that stands empty for fewer days than this has somebody who can press a switch. */
const WORTH_EMPTY_DAYS = 3

/** A pump that runs on while nobody is there: its own power and what the loop loses, by the share of the days. */
const emptyHouse: Rule = ({ study, year, write }): Told[] => {
  const days = emptyDays(study.people).size
  const { mode } = controlsOf(study).loop
  if (!study.pipes.loop || !year || days < WORTH_EMPTY_DAYS || !RUNS_BY_ITSELF.has(mode)) return []
  const share = days / DAYS
  const lostKwh = share * year.energy.loopKwh
  const pumpKwh = share * year.energy.loopPumpKwh
  return [
    {
      id: 'loop-empty-house',
      concern: 'cost',
      level: 'fail',
      subject: { kind: 'loop', id: null },
      title: 'The loop runs while the house is empty',
      sentence: `Nobody is there on ${days} days of the year and the loop is kept warm through them: about ${write.energy(lostKwh)} lost and ${write.energy(pumpKwh)} of electricity, by their share of the year.`,
      figures: {
        emptyDays: { value: days, unit: 'days' },
        lostKwh: { value: lostKwh, quantity: 'energy', worse: { when: 'more', by: 10 } },
        pumpKwh: { value: pumpKwh, quantity: 'energy' },
      },
      source: 'The ledger of the year × empty days / 365',
      remedy: 'Off at the switch when the house is left; after the return draw hot through every tap.',
      setting: 'loop.mode',
    },
  ]
}

export const CIRCULATION_CHECKS = { loopCosts, crossover, emptyHouse }
