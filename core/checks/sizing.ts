import { coldestMonth } from '../calendar/year'
import { shareAtAltitude } from '../heaters/burner'
import { efficiencyAt } from '../heaters/efficiency'
import { HEATERS } from '../heaters/kinds'
import { flowByCurve } from '../heaters/maker-curve'
import { airAround } from '../household/air-around'
import { atAltitude } from '../household/at-altitude'
import { citation } from '../household/data-source'
import { type GasSupply, gasSupply, isPiped } from '../household/gas-supply'
import { loopAir, loopUa } from '../household/loop'
import { warmestPreheated } from '../household/preheated'
import { storeUa } from '../household/store-connections'
import { carrierOf, efficiencyOf, isInstantaneous, isOnStore, isPointOfUse, outputOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Store } from '../study/store'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { heatPerLitre } from '../water/power'
import type { Demand, Peaks } from '../year/demand'
import { atTapChecks } from './at-tap'
import { answered, type Told, type Visit } from './check'
import { candidateSupply } from './electrical'
import { outdoorsCheck } from './outdoors'
import { inletLevel, leastFlow, minutesOf, USABLE_SHARE } from './supply-limits'

/** Return at which a burner's input is reckoned, °C. */
const INPUT_RETURN_C = 50
/** Largest store that is sized, L, and how near its size is found. */
const LARGEST_L = 5000
const NEAR_L = 1

type Ask = { visit: Visit; heater: Heater; demand: Demand }
type Size = (ask: Ask) => Told[]

const about = ({ heater }: Ask) =>
  ({ subject: { kind: 'heater', id: heater.id }, concern: 'comfort', source: '' }) as const

const output: Size = (ask) => {
  const { visit, heater, demand } = ask
  const { study, write } = visit
  const { peaks } = demand
  if (!isInstantaneous(heater)) return []
  const kw = atAltitude(heater, study.site.altitudeM).outputKw * heater.units
  const loopKw = loopTakesKw(study, peaks)
  const share =
    'outputHolds' in heater && heater.outputHolds === 'at sea level' ? shareAtAltitude(study.site.altitudeM) : 1
  const promised = flowByCurve(heater.makerFlow, peaks.hotC - peaks.coldC)
  const byCurve = promised === null ? null : promised * heater.units
  const names = peaks.tapIds.map((id) => study.pipes.taps.find((t) => t.id === id)!.name).join(' and ')
  return [
    {
      ...about(ask),
      id: 'output',
      level: kw - loopKw >= peaks.kw && (byCurve === null || byCurve >= peaks.hotLMin) ? 'pass' : 'fail',
      title: 'Output at peak demand',
      sentence: `Peak demand ${write.figure('flow', peaks.hotLMin)} hot (${names}), ${write.figure('power', peaks.kw)} from ${write.temperature(peaks.coldC)} to ${write.temperature(peaks.hotC)}; output ${write.figure('power', kw)}${share < 0.995 ? `, ${Math.round(100 * share)}% of rated at this altitude` : ''}${loopKw > 0.05 ? `, of which the circulation takes ${write.figure('power', loopKw)}` : ''}${byCurve === null ? '' : `, by the manufacturer’s curve ${write.figure('flow', byCurve)} at this rise`}. All outlets open: ${write.figure('power', peaks.allTapsKw)}.`,
      figures: {
        neededKw: { value: peaks.kw, quantity: 'power', worse: { when: 'more', by: 0.5 } },
        givesKw: { value: kw - loopKw, quantity: 'power', worse: { when: 'less', by: 0.5 } },
      },
      source: `Flow × ρ(inlet) × c(mean) × rise, on the household’s own draw-offs${byCurve === null ? '' : `; curve: ${citation(heater.dataSource)}`}`,
      remedy: 'More output, less flow at the largest outlet, or staggered use.',
    },
  ]
}

const leastFire: Size = (ask): Told[] => {
  const { visit, heater, demand } = ask
  const { study, write } = visit
  const { peaks } = demand
  if (!isInstantaneous(heater)) return []
  const least = 'minOutputKw' in heater ? heater.minOutputKw : 0
  // What comes in warmest asks for least: the drain unit of the house, where it leads to the heater.
  const { recovery } = study.pipes
  const inletC = Math.max(peaks.coldC, recovery && recovery.connection !== 'B' ? warmestPreheated(study, recovery) : 0)
  const smallestKw = (peaks.leastHotLMin / 60) * heatPerLitre(inletC, peaks.hotC) * Math.max(0, peaks.hotC - inletC)
  return [
    leastFlow(heater, peaks, write),
    ...(least > 0 && smallestKw < least
      ? [
          {
            ...about(ask),
            id: 'least-fire',
            concern: 'fault' as const,
            level: 'marginal' as const,
            title: 'Minimum output',
            sentence: `Cycles below ${write.figure('power', least)}; smallest use ${write.figure('power', smallestKw)}${inletC > peaks.coldC ? ' with preheated water' : ''}.`,
            figures: {
              leastKw: { value: least, quantity: 'power' as const },
              smallestKw: { value: smallestKw, quantity: 'power' as const },
            },
            source: 'Minimum output against the smallest use',
            remedy: 'Heater with a lower minimum output.',
          },
        ]
      : []),
  ]
}

const inlet: Size = (ask) => {
  const { visit, heater } = ask
  const { study, write } = visit
  const { recovery } = study.pipes
  if (!isInstantaneous(heater) || !recovery || recovery.connection === 'B') return []
  const most = warmestPreheated(study, recovery)
  return [
    {
      ...about(ask),
      id: 'inlet',
      concern: 'fault',
      level: inletLevel(heater.maxInletC, most),
      title: 'Maximum inlet temperature',
      sentence:
        heater.maxInletC === null
          ? 'Maximum inlet temperature not checked.'
          : `Maximum inlet ${write.temperature(heater.maxInletC)}; preheated water up to ${write.temperature(most)}.`,
      source: `Manufacturer’s maximum inlet temperature against preheated water${heater.maxInletC === null ? '' : `: ${citation(heater.dataSource)}`}`,
      remedy: 'Check the data sheet, or connect the recovery unit to the shower only.',
    },
  ]
}

/** Heat that the loop takes while the taps run, kW: its loss in the coldest month, where it is in use. */
function loopTakesKw(study: Study, { hotC }: Peaks): number {
  if (!study.pipes.loop || controlsOf(study).loop.mode === 'off') return 0
  return (loopUa(study) * Math.max(0, hotC - loopAir(study, coldestMonth(study.site.monthlyAirC)))) / 1000
}

/** What a store loses standing, kW, in the coldest month. */
const standingKw = (study: Study, store: Store, hotC: number): number =>
  (storeUa(study)! *
    Math.max(0, hotC - airAround(store, coldestMonth(study.site.monthlyAirC), study.site.monthlyAirC))) /
  1000

/**
 * A store serves its house from what it holds and what its heater makes besides, what loop and store lose taken off: the
 * least of it that no stretch of the year empties. Its heater comes on when the cold has risen to the sensor.
 */
function storeFigures(
  { visit, heater, demand }: Ask,
  store: Store,
): { neededL: number; minutes: number; madeKw: number } {
  const { study } = visit
  const { peaks, runsAheadL } = demand
  const kw = outputOf(atAltitude(heater, study.site.altitudeM))?.kw ?? 0
  const madeKw = Math.max(0, kw - loopTakesKw(study, peaks) - standingKw(study, store, peaks.hotC))
  const perLitreKwh = (heatPerLitre(peaks.coldC, peaks.hotC) * (peaks.hotC - peaks.coldC)) / 3600
  const madeLMin = madeKw / 60 / perLitreKwh
  const sensor = ('sensorHeight' in heater ? heater.sensorHeight : null) ?? store.sensorHeight
  const serves = (litres: number) => runsAheadL(madeLMin, sensor * litres * USABLE_SHARE) <= litres * USABLE_SHARE
  let [low, high] = [0, LARGEST_L]
  if (!serves(high)) low = high
  while (high - low > NEAR_L) {
    const middle = (low + high) / 2
    if (serves(middle)) high = middle
    else low = middle
  }
  const usable = store.litres * USABLE_SHARE
  return { neededL: high, minutes: minutesOf(usable, peaks.hotLMin, madeLMin), madeKw }
}

/** What a store that a thermostat holds must hold, and how long it lasts; null where that is not what decides. */
export function storeNeeds(visit: Visit, heater: Heater, demand: Demand): { neededL: number; minutes: number } | null {
  const { store } = visit.study.plant
  if (!isOnStore(heater) || !store || !HEATERS[heater.kind].thermostat) return null
  return storeFigures({ visit, heater, demand }, store)
}

const contents: Size = (ask) => {
  const { visit, heater, demand } = ask
  const { study, write } = visit
  const { store } = study.plant
  if (!isOnStore(heater) || !store || !HEATERS[heater.kind].thermostat) return []
  const { neededL, minutes, madeKw } = storeFigures(ask, store)
  const most = neededL >= LARGEST_L
  // What stands there is judged by its own year too: where no draw came cool it serves, with nothing to spare.
  const serves = visit.year !== null && visit.year.comfort.unmetDraws === 0
  const short = store.litres < neededL
  return [
    {
      ...about(ask),
      id: 'contents',
      level: !short ? 'pass' : serves ? 'marginal' : 'fail',
      title: 'Cylinder volume',
      sentence: `Peak hour ${write.figure('volume', demand.peaks.worstHourL, 0)} of hot water. With ${write.figure('power', madeKw)} after losses ${most ? `no cylinder up to ${write.figure('volume', LARGEST_L, 0)} covers the peak period of the year` : `${write.figure('volume', neededL, 0)} covers the peak period of the year with a margin`}; fitted ${write.figure('volume', store.litres, 0)}: ${minutes === Infinity ? 'peak flow sustained without limit' : `peak flow lasts ${Math.round(minutes)} min`}.${short && serves ? ' No unmet draw-offs in its simulated year: sufficient, without reserve.' : ''}`,
      figures: {
        neededL: { value: neededL, quantity: 'volume', worse: { when: 'more', by: 5 } },
        thereL: { value: store.litres, quantity: 'volume', worse: { when: 'less', by: 5 } },
      },
      source: `${Math.round(100 * USABLE_SHARE)}% of the cylinder is usable; the heater starts when cold water reaches its sensor`,
      remedy: 'Larger cylinder, more output, or staggered use.',
    },
  ]
}

const gas: Size = (ask) => {
  const { visit, heater } = ask
  const { study, write } = visit
  const efficiency = efficiencyOf(heater)
  if (!efficiency || !('outputKw' in heater) || !isPiped(carrierOf(heater))) return []
  const kw =
    (heater.outputKw * (isInstantaneous(heater) ? heater.units : 1)) /
    efficiencyAt(efficiency, INPUT_RETURN_C, carrierOf(heater))
  const supply = gasSupply(study, carrierOf(heater))
  const other = supply?.otherKw ?? 0
  const enough = supply !== null && kw + other <= supply.kw
  return [
    {
      ...about(ask),
      id: 'gas-line',
      concern: 'fault',
      level: supply === null || (enough && supply.otherKw === null) ? 'not checked' : enough ? 'pass' : 'fail',
      title: 'Gas supply',
      sentence: `Input ${write.figure('power', kw)}; ${gasSupplyText(study, supply, write)}. Gas, flue and air are for a registered installer.`,
      figures: {
        burnsKw: { value: kw, quantity: 'power' },
        ...(supply ? { carriesKw: { value: supply.kw, quantity: 'power' as const } } : {}),
      },
      source: 'Output over efficiency, gross; a pipe by Renouard’s equation at the usual drop. Local code',
      remedy: 'Larger gas supply, or less output.',
      asks: 'site.gasLineKw',
    },
  ]
}

/** What the gas line carries, in words. */
function gasSupplyText({ site }: Study, supply: GasSupply | null, write: Display): string {
  if (!supply) return 'gas supply capacity not checked'
  if (supply.by === 'entered') return `gas supply capacity ${write.figure('power', supply.kw)}`
  const { lengthM, boreMm } = site.gasPipe
  return `gas pipe of ${write.figure('thickness', boreMm!, 1)} bore and ${write.figure('length', lengthM!)} carries ${write.figure('power', supply.kw)}; ${supply.otherKw === null ? 'what else it feeds is not checked' : `it feeds ${write.figure('power', supply.otherKw)} besides`}`
}

/** Gas or heat has to be led to the house, unless something there lives on it already. */
const network: Size = (ask) => {
  const { visit, heater } = ask
  const { study } = visit
  const carrier = carrierOf(heater)
  const which = carrier === 'natural-gas' ? 'gas' : carrier === 'district-heat' ? 'heat' : null
  if (which === null) return []
  const used =
    study.plant.heaters.some((h) => h.id !== heater.id && carrierOf(h) === carrier) ||
    study.site.heating.carrier === carrier
  const there = used ? true : study.site.networks[which]
  const name = which === 'gas' ? 'A gas main' : 'A heat network'
  return [
    {
      ...about(ask),
      id: 'network',
      concern: 'fault',
      level: answered(there, true),
      title: name,
      sentence: `${name} ${there === null ? 'at the house: not checked' : there ? 'at the house: yes' : 'at the house: no'}.`,
      source: 'Survey',
      remedy: there === null ? 'Ask, and record it under Heater.' : 'Another fuel.',
      asks: `site.networks.${which}`,
    },
  ]
}

const outdoors: Size = (ask) => {
  const { visit, heater } = ask
  const { study, write } = visit
  const told = outdoorsCheck(study, heater, write)
  return told ? [{ ...about(ask), ...told }] : []
}

/** The sun and a fire give what they give: something else must be able to serve the house alone. */
const alone: Size = (ask) => {
  const { visit, heater } = ask
  const { source, heats, byItself } = HEATERS[heater.kind]
  if (heats !== 'store' || !byItself) return []
  const others = visit.study.plant.heaters.filter(
    (h) => h.id !== heater.id && !isPointOfUse(h) && HEATERS[h.kind].thermostat,
  )
  return [
    {
      ...about(ask),
      id: 'alone',
      level: others.length ? 'pass' : 'fail',
      title: 'Without sun or stove',
      sentence: others.length
        ? `Backup: ${others.map((h) => h.name).join(' and ')}.`
        : 'No thermostatic backup: no hot water without sun or stove.',
      source: 'Uncontrolled sources are not counted at peak demand',
      remedy: 'Add a heater with a thermostat.',
    },
    {
      ...about(ask),
      id: 'place',
      concern: 'fault',
      level: 'not checked',
      title: 'Location',
      sentence:
        source === 'sun'
          ? 'Roof, load, shading and pipe or cable route not checked.'
          : 'Stove, flue and height of the cylinder not checked.',
      source: 'Survey',
      remedy: 'Check before ordering.',
    },
  ]
}

/** In the order they are read. */
const SIZES: readonly Size[] = [output, contents, alone, leastFire, inlet, network, gas, outdoors]

/** Whether a heater serves a household at its busiest, and can be fed where it stands: its checks, in the order they are read. */
export const heaterChecks = (visit: Visit, heater: Heater, demand: Demand): Told[] => [
  ...SIZES.flatMap((size) => size({ visit, heater, demand })),
  ...atTapChecks(visit, heater),
  ...candidateSupply(visit, heater),
]
