import { coldestMonth, DAYS } from '../calendar/year'
import { stagnantC } from '../household/circulation-cooldown'
import { emptyDays } from '../household/empty-days'
import { steadyAtTap } from '../household/lookups'
import { bypassOf } from '../household/loop'
import { supplyC } from '../household/supply'
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
      title: 'Circulation loss exceeds useful heat',
      sentence: `Circulation loss ${write.energy(year.energy.loopKwh)} a year; useful heat ${write.energy(year.energy.usefulKwh)}.`,
      source: 'Annual heat balance',
      remedy: 'Limit the circulation schedule to hours of use and insulate accessible pipes: add both under Improve.',
      settledBy: 'loop',
      mendedBy: 'loop-schedule',
    },
  ]
}

const crossover: Rule = ({ study, year, write }) => {
  const { loop } = study.pipes
  const bypass = bypassOf(loop)
  if (!loop || !bypass) return []
  const litres = contentsPerMetre(pipeOf(loop.back.material, loop.back.size)) * loop.back.lengthM
  const turn = study.pipes.taps.find((t) => t.runId === loop.returnConnectionRunId) ?? study.pipes.taps[0]
  const settlesC = steadyAtTap(study, turn, supplyC(study), coldestMonth(study.site.monthlyAirC))
  return [
    {
      id: 'crossover',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'loop', id: null },
      title: 'Cold pipe warmed by bypass return',
      sentence: `After each pump run up to ${write.figure('volume', litres)} in the cold pipe are as warm as ${write.temperature(bypass.closesAtC)}: the cold outlet runs warm first${year ? ` (${write.litres(year.water.warmColdL)} a year, and ${write.seconds((litres / turn.flowLMin) * 60)} until cold)` : ''}. Water in the growth range there is a legionella risk. The hot outlet there starts between ${write.temperature(stagnantC(study, loop.returnConnectionRunId))} (pump off for long) and ${write.temperature(bypass.closesAtC)} (valve just closed) and settles at ${write.temperature(settlesC)} in winter.`,
      source: `Volume of the cold pipe; growth range ${write.temperature(SAFETY.grows.value.low)} to ${write.temperature(SAFETY.grows.value.high)}`,
      remedy:
        'Fit a bypass valve that closes at a lower temperature, shorten pump runs, or add a dedicated return. Fit check valves where hot and cold are joined. Follow the local code.',
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
      title: 'Circulation runs during absence',
      sentence: `Absence on ${days} days a year with circulation on: about ${write.energy(lostKwh)} of heat and ${write.energy(pumpKwh)} of electricity, in proportion to the year.`,
      figures: {
        emptyDays: { value: days, unit: 'days' },
        lostKwh: { value: lostKwh, quantity: 'energy', worse: { when: 'more', by: 10 } },
        pumpKwh: { value: pumpKwh, quantity: 'energy' },
      },
      source: 'Annual heat balance × days of absence / 365',
      remedy: 'Switch the pump off before an absence. On return flush every outlet with hot water.',
      setting: 'loop.mode',
    },
  ]
}

/** The valve inside an appliance that sends its water round: with a pump built in it decides whether anything circulates. */
const returnValve: Rule = ({ study }) => {
  const { loop } = study.pipes
  if (!loop || controlsOf(study).loop.mode === 'off' || controlsOf(study).loop.mode === 'trace heating') return []
  const shut = loop.returnValve === 'set for no circulation'
  const unknown = loop.pumpIs === 'built into the appliance' && loop.returnValve === 'not checked'
  if (!shut && !unknown) return []
  return [
    {
      id: 'return-valve',
      concern: 'fault',
      level: shut ? 'fail' : 'not checked',
      subject: { kind: 'loop', id: null },
      title: 'Internal valve for circulation',
      sentence: shut
        ? 'The valve is set for no circulation: the pump works against it, and outlets stay cold.'
        : 'Not checked. A pump built into the appliance needs its internal valve set for circulation.',
      source: 'Manufacturer’s instructions',
      remedy:
        'Take a picture of its position. Test: with the pump on, the return pipe at the appliance must get warm within minutes.',
      asks: 'pipes.loop.returnValve',
      settledBy: 'loop',
    },
  ]
}

export const CIRCULATION_CHECKS = { returnValve, loopCosts, crossover, emptyHouse }
