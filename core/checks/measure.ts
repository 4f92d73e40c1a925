import { hotFlow, leastWantedAt, mainsOnWarmest } from '../household/hot-flow'
import { hottestOnFailure } from '../household/hottest-water'
import { runsTo } from '../household/lookups'
import { loopRuns } from '../household/runs'
import { flueInStore, storeLoss } from '../household/store-loss'
import { mixesTo, supplyC, supplyOf } from '../household/supply'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { apply } from '../measures/apply'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { closureOf, insulationOf, INSULATIONS } from '../pipes/loss'
import { FIRST_M } from '../stores/connections'
import { type JacketClear, staysClear } from '../stores/jacket'
import { displayOf } from '../study/display-of'
import { instantaneousOf, isHeatPump } from '../study/heater-kinds'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import type { Display } from '../units/display'
import { demandOf } from '../year/demand'
import { type Check, check, type Level, type Told, worst } from './check'
import { loopModeChecks } from './loop-mode'
import { one } from './one'
import { recoveryChecks } from './recovery'
import { heaterChecks } from './sizing'
import { placeChecks } from './space'

type CheckRule<K extends MeasureKind> = (study: Study, measure: MeasureOf<K>, write: Display) => Told[]

/** What a smaller flow does to a heater that needs a least one, and to the wait. */
const lessFlow: CheckRule<'tap-flow'> = (study, m, write) => {
  const tap = study.pipes.taps.find((t) => t.id === m.tapId)!
  const heater = instantaneousOf(study.plant.heaters)
  const hotC = supplyC(study)
  const requiredC = leastWantedAt(study, tap.id)
  const hot = hotFlow({ ...tap, flowLMin: m.flowLMin }, requiredC, mainsOnWarmest(study), hotC)
  return [
    ...(heater
      ? [
          one(
            'least-flow',
            hot < heater.minActivationFlowLMin ? 'fail' : 'pass',
            `In summer, mixed to ${write.temperature(requiredC)}, it takes ${write.figure('flow', hot)} hot; ${heater.name} starts at ${write.figure('flow', heater.minActivationFlowLMin)}.`,
          ),
        ]
      : []),
    one(
      'wait',
      'pass',
      m.flowLMin < tap.flowLMin
        ? `Time to tap rises by a factor of ${(tap.flowLMin / m.flowLMin).toFixed(1)}.`
        : 'Flow is not reduced.',
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
          `${f.tap.name}: pipe volume ${write.figure('volume', f.contentL)}, ${write.figure('volume', Math.abs(saved))} ${saved >= 0 ? 'less' : 'more'} than now.`,
          f.tap.id,
        ),
        one(
          'pressure',
          pressureBar === null ? 'not checked' : f.dropBar > pressureBar * MOST_DROP_SHARE ? 'fail' : 'pass',
          `Pressure drop ${write.figure('pressure', f.dropBar)} at ${write.figure('flow', f.tap.flowLMin)}; ${pressureBar === null ? 'supply pressure not measured' : `supply pressure ${write.figure('pressure', pressureBar)}`}.`,
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
        `Temperature limit of insulation at ${write.figure('conductivity', m.insulation.lambdaWMK)} not checked; water up to ${write.temperature(comesC)}.`,
      ),
    ]
  const { standsC } = INSULATIONS[kind]
  return [
    one(
      'heat',
      comesC > standsC ? 'fail' : 'pass',
      `Insulation limit ${write.temperature(standsC)}; maximum water temperature ${write.temperature(comesC)}. Closure: ${closureOf(kind, m.slit)}. Near a flue use mineral wool only.`,
    ),
  ]
}

/** The bore against the least that the local code allows; what it would save is worked out all the same. */
function leastBore({ pipes }: Study, { material, size }: MeasureOf<'repipe'>['pipe'], write: Display): Told {
  const boreMm = pipeOf(material, size).innerM * 1000
  const least = pipes.minBoreMm
  return one(
    'bore',
    least === null ? 'not checked' : boreMm < least - 1e-9 ? 'fail' : 'pass',
    `Bore ${write.figure('thickness', boreMm, 1)}; ${least === null ? 'minimum bore by local code not checked' : `minimum bore by local code ${write.figure('thickness', least, 1)}`}.`,
  )
}

/** What a jacket leaves clear: whoever has not looked may cover what gives a flame its air. */
function jacketClear(flueInside: boolean, clear: readonly JacketClear[]): Told {
  const missing = staysClear(flueInside).filter((c) => !clear.includes(c))
  return missing.length
    ? one(
        'clear',
        flueInside ? 'not checked' : 'marginal',
        `Before it goes on, mark on the jacket and cut out: ${missing.join(', ')}.`,
      )
    : one('clear', 'pass', `Stays clear: ${staysClear(flueInside).join(', ')}.`)
}

function trapsThere(heatTraps: boolean | null): Told {
  if (heatTraps === null)
    return one(
      'traps',
      'not checked',
      'Heat traps not checked, so no saving is calculated. Enter it with the cylinder.',
    )
  return heatTraps
    ? one('traps', 'marginal', 'Heat traps are fitted already: none are added.')
    : one('traps', 'pass', 'No heat trap fitted: the water in the pipes at the top turns over.')
}

const CHECKS: { [K in MeasureKind]?: CheckRule<K> } = {
  'insulate-runs': (study, m, write) => {
    const names = study.pipes.runs.filter((r) => m.runIds.includes(r.id) && !r.reachable).map((r) => r.name)
    const first = study.pipes.runs.filter((r) => r.from === null && r.reachable && !m.runIds.includes(r.id))
    const onLoop = loopRuns(study)
    const bare = study.pipes.runs.filter((r) => onLoop.has(r.id) && r.reachable && !m.runIds.includes(r.id))
    return [
      ...(names.length ? [one('reach', 'fail', `Not accessible, left as it is: ${names.join(', ')}.`)] : []),
      ...(first.length
        ? [
            one(
              'first-metres',
              'marginal',
              `First ${write.figure('length', FIRST_M)} at the hot connection not included: ${first.map((r) => r.name).join(', ')}. Insulate the same length of the cold inlet, and add a heat trap where there is none.`,
            ),
          ]
        : []),
      ...(bare.length
        ? [one('loop', 'marginal', `Hot whenever the pump runs, not included: ${bare.map((r) => r.name).join(', ')}.`)]
        : []),
      ...insulationHeat(study, m, write),
    ]
  },
  jacket: ({ plant }, { clear }, write) => [
    jacketClear(flueInStore(plant), clear),
    ...(flueInStore(plant)
      ? [
          one(
            'flue',
            'pass',
            `Reduces the shell loss only, ${write.figure('lossRate', storeLoss(plant)!.shellWK)} of ${write.figure('lossRate', storeLoss(plant)!.allWK)}; the rest is flue loss.`,
          ),
        ]
      : []),
  ],
  'store-connections': ({ plant: { store } }, m) =>
    store
      ? [
          ...(m.heatTraps ? [trapsThere(store.connections.heatTraps)] : []),
          one(
            'cold-inlet',
            store.connections.inlet === null ? 'not checked' : 'pass',
            store.connections.inlet === null
              ? 'Cold inlet not checked: no saving is calculated for it. Enter it with the cylinder.'
              : `Cold inlet at the ${store.connections.inlet.at} of the cylinder, ${store.connections.inlet.insulation ? 'insulated' : 'bare'}.`,
          ),
        ]
      : [],
  'loop-mode': loopModeChecks,
  'lay-loop': (study, m, write) => {
    if (study.pipes.loop) return [one('route', 'fail', 'There is a circulation already: nothing is laid.')]
    const after = apply(study, m)
    const { loop } = after.pipes
    return [
      one(
        'route',
        'not checked',
        `Return of ${write.figure('length', loop!.back.lengthM)}: route, wall and ceiling openings not checked.`,
      ),
      ...loopModeChecks(after, m, write),
    ]
  },
  'tap-flow': lessFlow,
  'stop-when-warm': ({ people }, m) => {
    const late = people.uses.filter((h) => h.tapId === m.tapId && h.unattendedS > 0)
    return [
      one(
        'late',
        late.length ? 'pass' : 'not checked',
        late.length
          ? `Unattended run time entered for: ${late.map((h) => h.name).join(', ')}.`
          : 'No unattended run time entered, so no saving is calculated. Ask, and enter it with the use.',
      ),
    ]
  },
  repipe: (study, m, write) => {
    const served = study.pipes.taps.filter((t) => runsTo(study, t).some((r) => r.id === m.runId)).map((t) => t.id)
    return [
      one(
        'contents',
        'pass',
        `Pipe volume ${write.figure('volume', contentsPerMetre(pipeOf(m.pipe.material, m.pipe.size)) * m.pipe.lengthM)}.`,
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
          ? `Moved by more than the run length: ${short.map((r) => `${r.name}, ${write.figure('length', r.lengthM)}`).join('; ')}.`
          : `Every run from the hot connection is ${write.figure('length', m.nearerM)} shorter.`,
      ),
      ...placeChecks(study, moved),
      one('lines', 'not checked', 'Cold main, fuel or cable and floor load at the new location not checked.'),
    ]
  },
  'drain-recovery': recoveryChecks,
  'heat-source': (study, m, write) => {
    const after = apply(study, m)
    return [
      ...heaterChecks({ study: after, year: null, write }, m.heater, demandOf(study, supplyC(after))),
      ...placeChecks(study, m.heater),
      ...(isHeatPump(m.heater)
        ? [
            one(
              'room',
              m.heater.air === 'outdoors' ? 'pass' : 'not checked',
              m.heater.air === 'outdoors'
                ? 'Takes heat from outdoor air; fan noise outdoors.'
                : `Cools ${m.heater.place === 'heated' ? 'a heated space; the extra space heating is in the cost' : 'its location'}. Fan noise; needs about ${write.figure('room', ROOM_M3)} of room volume or ducting.`,
            ),
          ]
        : []),
    ]
  },
}

/** Air that a heat pump without ducts needs around it, m³: usual in makers’ papers. */
const ROOM_M3 = 20

/** What is to be looked at before a measure is done, in the house as the measures before it leave it. */
export const checksOfMeasure = (study: Study, measure: Measure): Check[] =>
  ((CHECKS[measure.kind] as CheckRule<MeasureKind> | undefined)?.(study, measure, displayOf(study)) ?? []).map((told) =>
    check({ ...told, subject: { kind: 'measure', id: measure.id } }, wordsOf(study)),
  )

/** How a measure stands as far as is known. */
export const levelOfMeasure = (study: Study, measure: Measure): Level =>
  worst(checksOfMeasure(study, measure).map((c) => c.level))
