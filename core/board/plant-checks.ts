import { willNotFire } from '../findings/plant-rules'
import { pipeLimitC } from '../findings/safety-rules'
import { efficiencyAt } from '../heaters/efficiency'
import { hottestOf } from '../household/hottest'
import { carriedC } from '../household/supply'
import { perKwh } from '../money/tariff'
import { SAFETY } from '../safety/limits'
import { carrierOf, efficiencyOf, isLocal } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { HARD_MG_L, SCALES_C } from '../water/hardness'
import { boughtKwh } from '../year/result'
import type { Check, Judge, Level } from './check'

/** Water boils about this much cooler for each metre of height, °C. */
const BOILS_LESS_C_M = 1 / 300
/** An appliance condenses well from this efficiency on gross value on. */
const CONDENSES_WELL = 0.9
/** Very hard water, mg/L, and so far above where scale grows sharply, K: both together are more than a word. */
const VERY_HARD = { mgL: 300, aboveK: 5 } as const

/** The limits one after the other as they must stand: what is delivered, what it can reach, pipe, relief valve, boiling. */
export const limitsInOrder: Judge = ({ study, heaterId, write }) => {
  const { heaters, store } = study.plant
  const controls = controlsOf(study).heaters
  const heater = heaters.find((h) => h.id === heaterId)!
  const delivered = carriedC(study)
  const hottest = Math.max(...heaters.filter((h) => !isLocal(h)).map((h) => hottestOf(h, controls[h.id]) ?? 0))
  const pipe = pipeLimitC(study)
  const boils = 100 - study.site.altitudeM * BOILS_LESS_C_M
  const out: string[] = []
  let level: Level = 'green'
  const add = (at: Level, text: string) => {
    out.push(text)
    if (at === 'red' || level === 'green') level = at
  }
  if (pipe !== null && delivered > pipe)
    add('red', `what is delivered is above the ${write.temperature(pipe)} that the pipe at the source stands`)
  else if (pipe !== null && hottest > pipe)
    add(
      'amber',
      `${write.temperature(hottest)} can be reached when something fails, and the pipe at the source stands ${write.temperature(pipe)}`,
    )
  if (store && delivered >= store.reliefC) add('red', 'the relief valve would open at what is delivered')
  if (store && store.reliefC >= boils)
    add(
      'red',
      `the relief valve opens at ${write.temperature(store.reliefC)}, above where water boils in the open up here`,
    )
  const order = [
    `scald limit ${write.temperature(SAFETY.scalds.value)}`,
    `delivered ${write.temperature(delivered)}`,
    `hottest of ${heater.name} ${write.temperature(hottestOf(heater, controls[heaterId]) ?? delivered)}`,
    ...(pipe === null ? [] : [`pipe ${write.temperature(pipe)}`]),
    ...(store ? [`relief valve ${write.temperature(store.reliefC)}`] : []),
    `boiling ${write.temperature(boils)}`,
  ]
  return [
    {
      id: 'limits',
      title: 'Limits in their order',
      level,
      sentence: `${order.join(', ')}: ${out.length ? `${out.join('; ')}.` : 'in order.'}`,
      source: 'Makers’ limits of pipes; boiling falls by 1 °C in 300 m',
    },
  ]
}

/** What the heater can make at all. */
export const reachable: Judge = ({ study, heaterId, setpointC, write }) => {
  const heater = study.plant.heaters.find((h) => h.id === heaterId)!
  const most = hottestOf(heater, controlsOf(study).heaters[heaterId])
  if (most === null || setpointC <= most) return []
  return [
    {
      id: 'reach',
      title: 'Reach of the heater',
      level: 'red',
      sentence: `${heater.name} makes at most ${write.temperature(most)}; set to ${write.temperature(setpointC)} its thermostat is never content.`,
      source: 'Its own limit',
    },
  ]
}

export const scale: Judge = ({ study, setpointC, write }) => {
  const { hardnessMgL } = study.site
  const base = { id: 'scale', title: 'Scale', source: 'Practice; hardness as calcium carbonate' }
  if (hardnessMgL === null)
    return [
      {
        ...base,
        level: setpointC > SCALES_C ? 'amber' : 'green',
        sentence: `Nobody has read the hardness. ${setpointC > SCALES_C ? `Above ${write.temperature(SCALES_C)} scale grows sharply in hard water: look into a kettle.` : `Up to ${write.temperature(SCALES_C)} scale grows slowly.`}`,
      },
    ]
  const hot = setpointC > SCALES_C
  const level: Level =
    hardnessMgL < HARD_MG_L || !hot
      ? 'green'
      : hardnessMgL >= VERY_HARD.mgL && setpointC > SCALES_C + VERY_HARD.aboveK
        ? 'red'
        : 'amber'
  return [
    {
      ...base,
      level,
      sentence: `${write.figure('hardness', hardnessMgL)} at ${write.temperature(setpointC)}: ${
        level === 'green'
          ? hardnessMgL >= HARD_MG_L
            ? `hard, but not above ${write.temperature(SCALES_C)}; look at element and coil every two years or so`
            : 'not hard enough to matter'
          : `scale grows sharply above ${write.temperature(SCALES_C)}; have element and coil looked at every year`
      }.`,
    },
  ]
}

export const condensing: Judge = ({ study, year, heaterId, setpointC, write }) => {
  const heater = study.plant.heaters.find((h) => h.id === heaterId)!
  const efficiency = efficiencyOf(heater)
  if (efficiency?.kind !== 'condensing') return []
  const carrier = carrierOf(heater)
  const input = year.energy.inputKwh[carrier] ?? 0
  const dry = efficiencyAt(efficiency, 80, carrier)
  const electric = year.energy.inputKwh.electricity ?? 0
  const share = input > 0 ? 1 - Math.max(0, year.energy.conversionKwh - electric) / input : dry
  return [
    {
      id: 'condensing',
      title: 'Condensing',
      level: share >= CONDENSES_WELL ? 'green' : 'amber',
      sentence: `At ${write.temperature(setpointC)} ${heater.name} turned ${(100 * share).toFixed(1)} % of its gas into heat over the year, purges counted; dry it would be ${(100 * dry).toFixed(0)} %. Cooler water condenses more.`,
      source: 'Efficiency against return water, gross value',
    },
  ]
}

export const leastFlow: Judge = ({ study, year, write }) => {
  const cold = willNotFire({ study, year, write })
  const names = cold.map((f) => study.pipes.taps.find((t) => t.id === f.on)!.name)
  if (!study.plant.heaters.some((h) => 'leastFlowLMin' in h)) return []
  return [
    {
      id: 'least-flow',
      title: 'Least flow',
      level: names.length === 0 ? 'green' : names.length < study.pipes.taps.length ? 'amber' : 'red',
      sentence: names.length
        ? `In summer too little hot water is asked for at ${names.join(', ')} to light the heater: the hotter it is set, the less is asked for.`
        : 'Every tap asks for enough hot water to light the heater, in summer too.',
      source: 'Mixer balance against the least flow of the heater',
    },
  ]
}

/** What is lost by keeping water ready, and what it costs. */
export const standing: Judge = ({ study, year, heaterId, write }): Check[] => {
  const { storeKwh, loopKwh, primaryKwh, usefulKwh } = year.energy
  const carrier = carrierOf(study.plant.heaters.find((h) => h.id === heaterId)!)
  const tariff = study.prices.carriers[carrier]
  const bought = boughtKwh(year)
  const heat = bought - year.energy.conversionKwh
  const lost = storeKwh + loopKwh + primaryKwh
  // Lost heat was bought with the conversion of the rest.
  const money = tariff && heat > 0 ? lost * (bought / heat) * perKwh(tariff) : null
  return [
    {
      id: 'standing',
      title: 'Standing and loop loss',
      // Money is no danger: it is never more than a word.
      level: lost > usefulKwh / 2 ? 'amber' : 'green',
      sentence: `${write.energy(lost)} a year are lost by keeping water ready (store ${write.energy(storeKwh)}, loop ${write.energy(loopKwh)}, heater circuit ${write.energy(primaryKwh)}) for ${write.energy(usefulKwh)} of use${money === null ? '' : `: about ${write.money(money)}`}.`,
      source: 'The year’s ledger',
    },
  ]
}
