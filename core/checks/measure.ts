import { hotFlow, leastWantedAt, mainsOnWarmest } from '../household/hot-flow'
import { hottestOnFailure } from '../household/hottest-water'
import { loopRuns } from '../household/runs'
import { flueInStore, storeLoss } from '../household/store-loss'
import { carriedC, mixesTo, supplyOf } from '../household/supply'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { runsTo } from '../household/ways'
import { apply } from '../measures/apply'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { insulationOf, INSULATIONS } from '../pipes/loss'
import { displayOf } from '../study/display-of'
import { isHeatPump, runningOf } from '../study/heater-kinds'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { demandOf } from '../year/demand'
import { type Check, check, type Level, type Told, worst } from './check'
import { loopModeChecks } from './loop-mode'
import { one } from './one'
import { recoveryChecks } from './recovery'
import { heaterChecks } from './sizing'
import { placeChecks } from './space'

type Judge<K extends MeasureKind> = (study: Study, measure: MeasureOf<K>, write: Display) => Told[]

/** What a smaller flow does to a heater that needs a least one, and to the wait. */
const lessFlow: Judge<'tap-flow'> = (study, m, write) => {
  const tap = study.pipes.taps.find((t) => t.id === m.tapId)!
  const heater = runningOf(study.plant.heaters)
  const hotC = carriedC(study)
  const wantedC = leastWantedAt(study, tap.id)
  const hot = hotFlow({ ...tap, flowLMin: m.flowLMin }, wantedC, mainsOnWarmest(study), hotC)
  return [
    ...(heater
      ? [
          one(
            'least-flow',
            hot < heater.leastFlowLMin ? 'fail' : 'pass',
            `In summer, mixed to ${write.temperature(wantedC)}, it asks for ${write.figure('flow', hot)} hot; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}.`,
          ),
        ]
      : []),
    one(
      'wait',
      'pass',
      m.flowLMin < tap.flowLMin
        ? `Its run takes ${(tap.flowLMin / m.flowLMin).toFixed(1)} times as long to run warm.`
        : 'It runs no less than it did.',
    ),
  ]
}

/** Water in a run that is laid anew, and the pressure it takes. */
function pipeChecks(study: Study, measure: Measure, tapIds: readonly string[], write: Display): Told[] {
  const after = apply(study, measure)
  const { pressureBar } = study.site
  return after.pipes.taps
    .filter((t) => tapIds.includes(t.id))
    .flatMap((tap): Told[] => {
      const f = tapFigures(after, tap)
      const saved =
        tapFigures(
          study,
          study.pipes.taps.find((t) => t.id === tap.id)!,
        ).contentL - f.contentL
      return [
        one(
          'contents',
          'pass',
          `${f.tap.name}: ${write.figure('volume', f.contentL)} stand in its pipes, ${write.figure('volume', Math.abs(saved))} ${saved >= 0 ? 'less' : 'more'} than now.`,
          f.tap.id,
        ),
        one(
          'pressure',
          pressureBar === null ? 'not checked' : f.dropBar > pressureBar * MOST_DROP_SHARE ? 'fail' : 'pass',
          `At ${write.figure('flow', f.tap.flowLMin)} its pipes take ${write.figure('pressure', f.dropBar)}; ${pressureBar === null ? 'the pressure at the main was not read' : `there are ${write.figure('pressure', pressureBar)}`}.`,
          f.tap.id,
        ),
      ]
    })
}

/** Whether insulation stands the hottest water that can come, and how it is closed. */
function insulationHeat(study: Study, m: MeasureOf<'insulate-runs'>, write: Display): Told[] {
  const comesC = Math.min(hottestOnFailure(study), mixesTo(study.plant.store) ?? Infinity)
  const kind = insulationOf(m.insulation.lambdaWMK)
  if (kind === null)
    return [
      one(
        'heat',
        'not checked',
        `What an insulation of ${write.figure('conductivity', m.insulation.lambdaWMK)} stands was not read; up to ${write.temperature(comesC)} can come.`,
      ),
    ]
  const { standsC, closed } = INSULATIONS[kind]
  return [
    one(
      'heat',
      comesC > standsC ? 'fail' : 'pass',
      `It stands ${write.temperature(standsC)}, and up to ${write.temperature(comesC)} can come. Joints meet without a gap: ${closed}. Near a flue only mineral wool.`,
    ),
  ]
}

/** The bore against the least that the local code allows; what it would save is worked out all the same. */
function leastBore({ pipes }: Study, { material, size }: MeasureOf<'repipe'>['pipe'], write: Display): Told {
  const boreMm = pipeOf(material, size).innerM * 1000
  const least = pipes.leastBoreMm
  return one(
    'bore',
    least === null ? 'not checked' : boreMm < least - 1e-9 ? 'fail' : 'pass',
    `Its bore is ${write.figure('thickness', boreMm, 1)}; ${least === null ? 'the least that the local code allows was not looked up' : `the local code allows ${write.figure('thickness', least, 1)} and more`}.`,
  )
}

const CHECKS: { [K in MeasureKind]?: Judge<K> } = {
  'insulate-runs': (study, m, write) => {
    const names = study.pipes.runs.filter((r) => m.runIds.includes(r.id) && !r.reachable).map((r) => r.name)
    const first = study.pipes.runs.filter((r) => r.from === null && r.reachable && !m.runIds.includes(r.id))
    const onLoop = loopRuns(study)
    const bare = study.pipes.runs.filter((r) => onLoop.has(r.id) && r.reachable && !m.runIds.includes(r.id))
    return [
      ...(names.length ? [one('reach', 'fail', `Cannot be reached and stays as it is: ${names.join(', ')}.`)] : []),
      ...(first.length
        ? [
            one(
              'first-metres',
              'marginal',
              `The first ${write.figure('length', FIRST_M)} at the plant are left out: ${first.map((r) => r.name).join(', ')}. The same length of the cold inlet belongs to it, and a heat trap where there is none.`,
            ),
          ]
        : []),
      ...(bare.length
        ? [
            one(
              'loop',
              'marginal',
              `Hot all the time the pump runs and left out: ${bare.map((r) => r.name).join(', ')}.`,
            ),
          ]
        : []),
      ...insulationHeat(study, m, write),
    ]
  },
  jacket: ({ plant }, _, write) => [
    one(
      'clear',
      'pass',
      flueInStore(plant)
        ? 'Top, draught hood, air inlet at the foot, controls and relief valve stay clear.'
        : 'Controls, covers of elements, ports and the relief valve stay clear.',
    ),
    ...(flueInStore(plant)
      ? [
          one(
            'flue',
            'pass',
            `It holds what leaves by the shell, ${write.figure('lossRate', storeLoss(plant)!.shellWK)} of ${write.figure('lossRate', storeLoss(plant)!.allWK)}; the flue takes the rest.`,
          ),
        ]
      : []),
  ],
  'loop-mode': loopModeChecks,
  'tap-flow': lessFlow,
  'stop-when-warm': ({ people }, m) => {
    const late = people.habits.filter((h) => h.tapId === m.tapId && h.unattendedS > 0)
    return [
      one(
        'late',
        late.length ? 'pass' : 'not checked',
        late.length
          ? `Comes when it has long been warm: ${late.map((h) => h.name).join(', ')}.`
          : 'Nobody said that it runs on unused there: ask, and write the seconds beside the use. Without them it saves nothing.',
      ),
    ]
  },
  repipe: (study, m, write) => {
    const served = study.pipes.taps.filter((t) => runsTo(study, t).some((r) => r.id === m.runId)).map((t) => t.id)
    return [
      one(
        'contents',
        'pass',
        `It holds ${write.figure('volume', contentsPerMetre(pipeOf(m.pipe.material, m.pipe.size)) * m.pipe.lengthM)}.`,
      ),
      leastBore(study, m.pipe, write),
      ...pipeChecks(study, m, served, write),
    ]
  },
  'own-run': (study, m, write) => [leastBore(study, m.pipe, write), ...pipeChecks(study, m, [m.tapId], write)],
  'move-heater': (study, m, write) => {
    const short = study.pipes.runs.filter((r) => r.from === null && r.lengthM < m.nearerM)
    const moved = study.plant.heaters.find((h) => h.id === supplyOf(study).heaterId)!
    return [
      one(
        'way',
        short.length ? 'fail' : 'pass',
        short.length
          ? `Nearer by more than there is of it: ${short.map((r) => `${r.name}, ${write.figure('length', r.lengthM)}`).join('; ')}.`
          : `Every run from the plant is shorter by ${write.figure('length', m.nearerM)}.`,
      ),
      ...placeChecks(study, moved),
      one(
        'lines',
        'not checked',
        'Cold main, fuel or cable at the new place, and the floor that bears it, were not looked at.',
      ),
    ]
  },
  'drain-recovery': recoveryChecks,
  'heat-source': (study, m, write) => {
    const after = apply(study, m)
    return [
      ...heaterChecks({ study: after, year: null, write }, m.heater, demandOf(study, carriedC(after))),
      ...placeChecks(study, m.heater),
      ...(isHeatPump(m.heater)
        ? [
            one(
              'room',
              m.heater.air === 'outdoors' ? 'pass' : 'not checked',
              m.heater.air === 'outdoors'
                ? 'It draws its heat from outdoors; its noise is heard there.'
                : `It cools ${m.heater.place === 'heated' ? 'a heated room, and the heating makes that good: it is in the cost' : 'the room it stands in'}. It hums, and needs about ${write.figure('room', ROOM_M3)} of air around it or ducts.`,
            ),
          ]
        : []),
    ]
  },
}

/** Pipe at the plant that is wrapped before any other, m. */
const FIRST_M = 2

/** Air that a heat pump without ducts needs around it, m³: usual in makers’ papers. */
const ROOM_M3 = 20

/** What is to be looked at before a measure is done, in the house as the measures before it leave it. */
export const checksOfMeasure = (study: Study, measure: Measure): Check[] =>
  ((CHECKS[measure.kind] as Judge<MeasureKind> | undefined)?.(study, measure, displayOf(study)) ?? []).map((told) =>
    check({ ...told, subject: { kind: 'measure', id: measure.id } }),
  )

/** How a measure stands as far as is known. */
export const levelOfMeasure = (study: Study, measure: Measure): Level =>
  worst(checksOfMeasure(study, measure).map((c) => c.level))
