import { shareAtAltitude } from '../heaters/burner'
import { efficiencyAt } from '../heaters/efficiency'
import { HEATERS } from '../heaters/kinds'
import { flowByCurve } from '../heaters/maker-curve'
import { atAltitude } from '../household/at-altitude'
import { cited } from '../household/papers'
import { carrierOf, efficiencyOf, isLocal, isRunning } from '../study/heater-kinds'
import type { Heater, Store } from '../study/plant'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { heatPerLitre } from '../water/power'
import type { Peaks } from './peaks'
import { type SizeCheck, type Verdict, worst } from './verdict'

/** Of a store that is as hot as it is set, this share can be drawn before it runs cool: cold water mixes in below. */
const USABLE_SHARE = 0.75
/** Return at which a burner's input is reckoned, °C. */
const INPUT_RETURN_C = 50

/** Water for washing leaves the drain no warmer than it was used, °C: a drain unit brings nothing above it. */
const DRAIN_WARMS_TO_C = 38

export interface Sized {
  heater: string
  kind: Heater['kind']
  /** What would be needed: output for what heats as it runs, kW; contents for a store, L; null where the other decides. */
  neededKw: number | null
  neededL: number | null
  /** Minutes of the busiest flow that the store gives, with what its heater adds meanwhile; Infinity where it never ends. */
  minutes: number | null
  checks: SizeCheck[]
  verdict: Verdict
}

type Ask = { study: Study; heater: Heater; peaks: Peaks; write: Display }
type Check = (ask: Ask) => SizeCheck[]

const check = (id: string, verdict: Verdict, sentence: string, source: string): SizeCheck[] => [
  { id, verdict, sentence, source },
]

/** Electric power of a heater and the phases it is spread over; null where it takes none to speak of. */
function electricOf(heater: Heater): { kw: number; phases: 1 | 3 } | null {
  if (HEATERS[heater.kind].source !== 'electricity') return null
  if (heater.kind === 'heat-pump') return { kw: heater.outputKw / 2 + heater.backupKw, phases: 1 }
  if (heater.kind === 'instant-electric') return { kw: heater.outputKw * heater.units, phases: heater.phases }
  return 'powerKw' in heater ? { kw: heater.powerKw, phases: 1 } : null
}

const amps: Check = ({ study, heater, write }) => {
  const electric = electricOf(heater)
  if (!electric) return []
  const main = study.site.electricMain
  if (!main)
    return check(
      'amps',
      'not known',
      `It takes ${write.figure('power', electric.kw)}; what the house is connected to was not looked at.`,
      'P/V on one phase, P/(√3 V) on three',
    )
  const takes = (electric.kw * 1000) / (electric.phases === 3 ? Math.sqrt(3) * main.volts : main.volts)
  const free = main.amps - main.otherAmps
  const ways = electric.phases
  const reasons = [
    ...(electric.phases > main.phases ? ['there is one phase and it needs three'] : []),
    ...(takes > free ? [`only ${free.toFixed(0)} of ${main.amps.toFixed(0)} A are free`] : []),
    ...(ways > main.spareWays ? [`${main.spareWays} ways are free and it needs ${ways}`] : []),
  ]
  return check(
    'amps',
    reasons.length ? 'does not fit' : 'fits',
    `It takes ${takes.toFixed(0)} A at ${main.volts.toFixed(0)} V${electric.phases === 3 ? ' on three phases' : ''}: ${reasons.length ? reasons.join(', ') : `${free.toFixed(0)} A are free, and ${main.spareWays} ${main.spareWays === 1 ? 'way' : 'ways'}`}. A licensed electrician confirms it before anything is ordered.`,
    'P/V on one phase, P/(√3 V) on three, against the main less what else runs',
  )
}

const gas: Check = ({ study, heater, write }) => {
  const efficiency = efficiencyOf(heater)
  if (!efficiency || !('outputKw' in heater) || !carrierOf(heater).includes('gas')) return []
  const kw =
    (heater.outputKw * (isRunning(heater) ? heater.units : 1)) /
    efficiencyAt(efficiency, INPUT_RETURN_C, carrierOf(heater))
  const line = study.site.gasLineKw
  return check(
    'gas-line',
    line === null ? 'not known' : kw > line ? 'does not fit' : 'fits',
    `It burns ${write.figure('power', kw)}; ${line === null ? 'what the gas line carries was not asked' : `the line carries ${write.figure('power', line)}`}. Line, flue and air are for the licensed.`,
    'Output over efficiency, gross',
  )
}

const output: Check = ({ study, heater, peaks, write }) => {
  if (!isRunning(heater)) return []
  const kw = atAltitude(heater, study.site.altitudeM).outputKw * heater.units
  const share =
    'outputHolds' in heater && heater.outputHolds === 'at sea level' ? shareAtAltitude(study.site.altitudeM) : 1
  const promised = flowByCurve(heater.makerFlow, peaks.hotC - peaks.coldC)
  const byCurve = promised === null ? null : promised * heater.units
  const names = peaks.tapIds.map((id) => study.pipes.taps.find((t) => t.id === id)!.name).join(' and ')
  return check(
    'output',
    kw >= peaks.kw && (byCurve === null || byCurve >= peaks.hotLMin) ? 'fits' : 'does not fit',
    `At its busiest the house draws ${write.figure('flow', peaks.hotLMin)} hot (${names}), ${write.figure('power', peaks.kw)} from ${write.temperature(peaks.coldC)} to ${write.temperature(peaks.hotC)}; it gives ${write.figure('power', kw)}${share < 0.995 ? `, ${Math.round(100 * share)} % of its plate at this height` : ''}${byCurve === null ? '' : `, by its maker’s curve ${write.figure('flow', byCurve)} at this rise`}. All taps at once would be ${write.figure('power', peaks.allTapsKw)}.`,
    `Flow × ρ(inlet) × c(mean) × rise, on the household’s own draws${byCurve === null ? '' : `; the curve: ${cited(heater.papers)}`}`,
  )
}

const leastFire: Check = ({ heater, peaks, write }) => {
  if (!isRunning(heater)) return []
  const short = peaks.leastHotLMin < heater.leastFlowLMin
  const least = 'leastOutputKw' in heater ? heater.leastOutputKw : 0
  const smallestKw = (peaks.leastHotLMin / 60) * heatPerLitre(peaks.coldC, peaks.hotC) * (peaks.hotC - peaks.coldC)
  return [
    ...check(
      'least-flow',
      short ? 'does not fit' : 'fits',
      `The smallest use asks for ${write.figure('flow', peaks.leastHotLMin)} hot in winter; it needs ${write.figure('flow', heater.leastFlowLMin)} to fire.`,
      'Mixer balance against the least flow',
    ),
    ...(least > 0 && smallestKw < least
      ? check(
          'least-fire',
          'fits',
          `Below ${write.figure('power', least)} it goes out and lights again: the smallest use takes ${write.figure('power', smallestKw)}.`,
          'Least output against the smallest use',
        )
      : []),
  ]
}

const inlet: Check = ({ study, heater, peaks, write }) => {
  if (!isRunning(heater) || !study.pipes.recovery || study.pipes.recovery.connection === 'B') return []
  const most = Math.min(peaks.hotC - study.pipes.recovery.dropK, DRAIN_WARMS_TO_C)
  return check(
    'inlet',
    heater.mostInletC === null ? 'not known' : heater.mostInletC < most ? 'does not fit' : 'fits',
    heater.mostInletC === null
      ? 'Whether it accepts preheated water was not read off its papers.'
      : `It accepts up to ${write.temperature(heater.mostInletC)} at its inlet; the drain brings it towards ${write.temperature(most)} at most.`,
    `Maker’s largest inlet temperature against the drain${heater.mostInletC === null ? '' : `: ${cited(heater.papers)}`}`,
  )
}

/** A store serves the busiest hour from what it holds and what its heater adds in that hour. */
function storeFigures({ heater, peaks }: Ask, store: Store): { neededL: number; minutes: number } {
  const kw = 'outputKw' in heater ? heater.outputKw : 'powerKw' in heater ? heater.powerKw : 0
  const perLitreKwh = (heatPerLitre(peaks.coldC, peaks.hotC) * (peaks.hotC - peaks.coldC)) / 3600
  const madeLMin = kw / 60 / perLitreKwh
  const neededL = Math.max(0, peaks.worstHourL - madeLMin * 60) / USABLE_SHARE
  const usable = store.litres * USABLE_SHARE
  const minutes = peaks.hotLMin > madeLMin ? usable / (peaks.hotLMin - madeLMin) : Infinity
  return { neededL, minutes }
}

const contents: Check = (ask) => {
  const { study, heater, peaks, write } = ask
  const { store } = study.plant
  if (HEATERS[heater.kind].heats !== 'store' || !store || !HEATERS[heater.kind].thermostat) return []
  const { neededL, minutes } = storeFigures(ask, store)
  return check(
    'contents',
    store.litres >= neededL ? 'fits' : 'does not fit',
    `The busiest hour takes ${write.figure('volume', peaks.worstHourL, 0)} of hot water; ${neededL > 0 ? `with what it adds in that hour a store of ${write.figure('volume', neededL, 0)} is enough` : 'it makes that much within the hour, so any store is enough'}, and there are ${write.figure('volume', store.litres, 0)}: ${minutes === Infinity ? 'the busiest flow never empties it' : `the busiest flow runs ${Math.round(minutes)} min`}.`,
    `${Math.round(100 * USABLE_SHARE)} % of a store can be drawn hot`,
  )
}

const outdoors: Check = ({ study, heater, write }) => {
  const outside = heater.place === 'outdoors' || (heater.kind === 'heat-pump' && heater.air === 'outdoors')
  if (!outside) return []
  const { leastAirC } = study.site
  const limit = heater.kind === 'heat-pump' ? heater.leastAirC : null
  const verdict: Verdict =
    leastAirC === null || limit === null ? 'not known' : leastAirC < limit ? 'does not fit' : 'fits'
  return check(
    'outdoors',
    heater.kind === 'heat-pump' && heater.backupKw > 0 && verdict === 'does not fit' ? 'fits' : verdict,
    leastAirC === null
      ? 'The coldest air of the site was not asked. Outdoors it needs weather cover, drained condensate and frost protection of pipes.'
      : limit === null
        ? `Air falls to ${write.temperature(leastAirC)}; what it stands was not read. It needs weather cover and frost protection of pipes.`
        : `Air falls to ${write.temperature(leastAirC)}; below ${write.temperature(limit)} ${heater.kind === 'heat-pump' && heater.backupKw > 0 ? 'only its element works' : 'it does not work'}. Condensate and pipes are kept from freezing.`,
    'Coldest air against the limit of the unit',
  )
}

/** The sun and a fire give what they give: something else must be able to serve the house alone. */
const alone: Check = ({ study, heater }) => {
  const { source, heats } = HEATERS[heater.kind]
  if (heats !== 'store' || (source !== 'sun' && source !== 'fire')) return []
  const others = study.plant.heaters.filter((h) => h.id !== heater.id && !isLocal(h) && HEATERS[h.kind].thermostat)
  return [
    ...check(
      'alone',
      others.length ? 'fits' : 'does not fit',
      others.length
        ? `When it gives nothing ${others.map((h) => h.name).join(' and ')} serves the house.`
        : 'When it gives nothing there is no hot water: nothing with a thermostat stands beside it.',
      'What gives by itself is not counted on at the busiest moment',
    ),
    ...check(
      'place',
      'not known',
      source === 'sun'
        ? 'Roof, its load, shade and the way of the pipes or cables were not looked at.'
        : 'The fire, its flue, and whether the store stands above it were not looked at.',
      'Survey',
    ),
  ]
}

/** In the order they are read. */
const CHECKS: readonly Check[] = [output, contents, alone, leastFire, inlet, amps, gas, outdoors]

/** Whether a heater serves a household at its busiest, and what stands in its way. What is unknown does not fit. */
export function sizeHeater(
  study: Study,
  heater: Heater,
  peaks: Peaks,
  write: Display,
  /** What else is asked of it, beside whether it serves. */
  besides: readonly SizeCheck[] = [],
): Sized {
  const ask = { study, heater, peaks, write }
  const checks = [...CHECKS.flatMap((judge) => judge(ask)), ...besides]
  const { store } = study.plant
  const stored = HEATERS[heater.kind].heats === 'store' && store ? storeFigures(ask, store) : null
  return {
    heater: heater.name,
    kind: heater.kind,
    neededKw: isRunning(heater) ? peaks.kw : null,
    neededL: stored && HEATERS[heater.kind].thermostat ? stored.neededL : null,
    minutes: stored && HEATERS[heater.kind].thermostat ? stored.minutes : null,
    checks,
    verdict: checks.length === 0 ? 'not known' : worst(checks.map((c) => c.verdict)),
  }
}
