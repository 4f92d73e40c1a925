import { HEATERS } from '../heaters/kinds'
import { hottestOf } from '../household/hottest'
import { loopRuns } from '../household/runs'
import { carriedC, mixesTo, supplyOf } from '../household/supply'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { runsTo } from '../household/ways'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { insulationOf, INSULATIONS } from '../pipes/loss'
import { peaksOf } from '../sizing/peaks'
import { placeChecks } from '../sizing/place'
import { sizeHeater } from '../sizing/size'
import { type Verdict, worst } from '../sizing/verdict'
import { displayOf } from '../study/display-of'
import { isLocal, runningOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { mainsThroughYear } from '../water/mains'
import { apply } from './apply'
import { type MeasureCheck, one } from './check'
import { loopModeChecks } from './loop-checks'
import { recoveryChecks } from './recovery-checks'

/** Whose work a measure is. Local codes decide; this is what is usual. */
const WHO: Record<MeasureKind, string> = {
  'insulate-runs': 'Anyone handy. Near a flue or a hot surface only what stands the heat.',
  jacket: 'Anyone handy, with the supply isolated. On a gas store only where its maker allows it.',
  setpoint: 'The engineer, on the visit.',
  'heater-windows': 'The engineer, on the visit.',
  'heater-control': 'The engineer, on the visit.',
  'loop-mode': 'The engineer; a pump or valve by the plumber.',
  'loop-windows': 'The engineer, on the visit.',
  'tap-flow': 'Anyone handy.',
  'stop-when-warm': 'Anyone handy.',
  'mend-drip': 'Anyone handy, with the supply shut; a plumber where its seat is worn.',
  'shorter-draws': 'The household.',
  'bath-to-shower': 'The household.',
  repipe: 'A licensed plumber.',
  'own-run': 'A licensed plumber.',
  'move-heater': 'Licensed trades: water, fuel or cable, flue.',
  'drain-recovery': 'A licensed plumber: drains and drinking water meet at one wall.',
  'heat-source': 'Licensed trades.',
}

/** Who does it, with the caution of the heater it is about. */
export const whoDoes = (measure: Measure): string =>
  measure.kind === 'heat-source' ? `${WHO['heat-source']} ${HEATERS[measure.heater.kind].caution}` : WHO[measure.kind]

type Judge<K extends MeasureKind> = (study: Study, measure: MeasureOf<K>, write: Display) => MeasureCheck[]

/** What a smaller flow does to a heater that needs a least one, and to the wait. */
const lessFlow: Judge<'tap-flow'> = (study, m, write) => {
  const tap = study.pipes.taps.find((t) => t.id === m.tapId)!
  const heater = runningOf(study.plant.heaters)
  const hotC = carriedC(study)
  const warmest = Math.max(...mainsThroughYear(study.site))
  const wanted = study.people.habits.filter((h) => h.tapId === tap.id).map((h) => h.wantedC)
  const wantedC = wanted.length ? Math.min(...wanted) : 38
  const hot = tap.mixes ? m.flowLMin * Math.max(0, Math.min(1, (wantedC - warmest) / (hotC - warmest))) : m.flowLMin
  return [
    ...(heater
      ? [
          one(
            'least-flow',
            hot < heater.leastFlowLMin ? 'does not fit' : 'fits',
            `In summer, mixed to ${write.temperature(wantedC)}, it asks for ${write.figure('flow', hot)} hot; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}.`,
          ),
        ]
      : []),
    one(
      'wait',
      'fits',
      m.flowLMin < tap.flowLMin
        ? `Its run takes ${(tap.flowLMin / m.flowLMin).toFixed(1)} times as long to run warm.`
        : 'It runs no less than it did.',
    ),
  ]
}

/** Water in a run that is laid anew, and the pressure it takes. */
function pipeChecks(study: Study, measure: Measure, tapIds: readonly string[], write: Display): MeasureCheck[] {
  const after = apply(study, measure)
  const { pressureBar } = study.site
  return after.pipes.taps
    .filter((t) => tapIds.includes(t.id))
    .flatMap((tap): MeasureCheck[] => {
      const f = tapFigures(after, tap)
      const saved =
        tapFigures(
          study,
          study.pipes.taps.find((t) => t.id === tap.id)!,
        ).contentL - f.contentL
      return [
        one(
          `contents-${f.tap.id}`,
          'fits',
          `${f.tap.name}: ${write.figure('volume', f.contentL)} stand in its pipes, ${write.figure('volume', Math.abs(saved))} ${saved >= 0 ? 'less' : 'more'} than now.`,
        ),
        one(
          `pressure-${f.tap.id}`,
          pressureBar === null ? 'not known' : f.dropBar > pressureBar * MOST_DROP_SHARE ? 'does not fit' : 'fits',
          `At ${write.figure('flow', f.tap.flowLMin)} its pipes take ${write.figure('pressure', f.dropBar)}; ${pressureBar === null ? 'the pressure at the main was not read' : `there are ${write.figure('pressure', pressureBar)}`}.`,
        ),
      ]
    })
}

/** Whether insulation stands the hottest water that can come, and how it is closed. */
function insulationHeat(study: Study, m: MeasureOf<'insulate-runs'>, write: Display): MeasureCheck[] {
  const controls = controlsOf(study).heaters
  const hottestC = Math.max(
    carriedC(study),
    ...study.plant.heaters.filter((h) => !isLocal(h)).map((h) => hottestOf(h, controls[h.id]) ?? 0),
  )
  const comesC = Math.min(hottestC, mixesTo(study.plant.store) ?? Infinity)
  const kind = insulationOf(m.insulation.lambdaWMK)
  if (kind === null)
    return [
      one(
        'heat',
        'not known',
        `What an insulation of ${write.figure('conductivity', m.insulation.lambdaWMK)} stands was not read; up to ${write.temperature(comesC)} can come.`,
      ),
    ]
  const { standsC, closed } = INSULATIONS[kind]
  return [
    one(
      'heat',
      comesC > standsC ? 'does not fit' : 'fits',
      `It stands ${write.temperature(standsC)}, and up to ${write.temperature(comesC)} can come. Joints meet without a gap: ${closed}. Near a flue only mineral wool.`,
    ),
  ]
}

/** The bore against the least that the local code allows; what it would save is worked out all the same. */
function leastBore({ pipes }: Study, { material, size }: MeasureOf<'repipe'>['pipe'], write: Display): MeasureCheck {
  const boreMm = pipeOf(material, size).innerM * 1000
  const least = pipes.leastBoreMm
  return one(
    'bore',
    least === null ? 'not known' : boreMm < least - 1e-9 ? 'does not fit' : 'fits',
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
      ...(names.length
        ? [one('reach', 'does not fit', `Cannot be reached and stays as it is: ${names.join(', ')}.`)]
        : []),
      ...(first.length
        ? [
            one(
              'first-metres',
              'not known',
              `The first two metres at the plant are left out: ${first.map((r) => r.name).join(', ')}. The first two of the cold inlet belong to it, and a heat trap where there is none.`,
            ),
          ]
        : []),
      ...(bare.length
        ? [
            one(
              'loop',
              'not known',
              `Hot all the time the pump runs and left out: ${bare.map((r) => r.name).join(', ')}.`,
            ),
          ]
        : []),
      ...insulationHeat(study, m, write),
    ]
  },
  jacket: ({ plant }) => [
    one(
      'clear',
      'fits',
      plant.heaters.some((h) => HEATERS[h.kind].flueInStore)
        ? 'Top, draught hood, air inlet at the foot, controls and relief valve stay clear.'
        : 'Controls, covers of elements, ports and the relief valve stay clear.',
    ),
  ],
  'loop-mode': loopModeChecks,
  'tap-flow': lessFlow,
  'stop-when-warm': ({ people }, m) => {
    const late = people.habits.filter((h) => h.tapId === m.tapId && h.unattendedS > 0)
    return [
      one(
        'late',
        late.length ? 'fits' : 'not known',
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
        'fits',
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
        short.length ? 'does not fit' : 'fits',
        short.length
          ? `Nearer by more than there is of it: ${short.map((r) => `${r.name}, ${write.figure('length', r.lengthM)}`).join('; ')}.`
          : `Every run from the plant is shorter by ${write.figure('length', m.nearerM)}.`,
      ),
      ...placeChecks(study, moved),
      one(
        'lines',
        'not known',
        'Cold main, fuel or cable at the new place, and the floor that bears it, were not looked at.',
      ),
    ]
  },
  'drain-recovery': recoveryChecks,
  'heat-source': (study, m, write) => {
    const after = apply(study, m)
    const peaks = peaksOf(study, carriedC(after))
    return [
      ...sizeHeater(after, m.heater, peaks, write, placeChecks(study, m.heater)).checks.map(
        ({ id, verdict, sentence }) => one(id, verdict, sentence),
      ),
      ...(m.heater.kind === 'heat-pump'
        ? [
            one(
              'room',
              m.heater.air === 'outdoors' ? 'fits' : 'not known',
              m.heater.air === 'outdoors'
                ? 'It draws its heat from outdoors; its noise is heard there.'
                : `It cools ${m.heater.place === 'heated' ? 'a heated room, and the heating makes that good: it is in the cost' : 'the room it stands in'}. It hums, and needs about 20 m³ of air around it or ducts.`,
            ),
          ]
        : []),
    ]
  },
}

/** What is to be looked at before a measure is done. */
export const checksOf = (study: Study, measure: Measure): MeasureCheck[] =>
  (CHECKS[measure.kind] as Judge<MeasureKind> | undefined)?.(study, measure, displayOf(study)) ?? []

/** Whether a measure can be done as far as is known. */
export const verdictOf = (study: Study, measure: Measure): Verdict =>
  worst(checksOf(study, measure).map((c) => c.verdict))
