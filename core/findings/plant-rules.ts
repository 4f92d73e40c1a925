import { HEATED_ROOM_C } from '../climate/places'
import { atAltitude } from '../household/at-altitude'
import { storeSetpoint, supplyOf } from '../household/supply'
import { type Carrier, NET_OVER_GROSS } from '../money/carriers'
import { perKwh } from '../money/tariff'
import { carrierOf, efficiencyOf, outputOf, runningOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { HARD_MG_L, SCALES_C } from '../water/hardness'
import { mainsThroughYear } from '../water/mains'
import { waterPower } from '../water/power'
import type { Case, Finding, Rule } from './finding'

/** Thermostats of one store further apart than this disagree, K. */
const UNEQUAL_K = 3
/** A boiler brings a store no nearer to the hottest flow it may send than this, K. */
const COIL_GAP_K = 3
/** Starts a year above which a burner wears out early. */
const MANY_STARTS = 5000
/** Share of a heat pump's heat that its element may make. */
const BACKUP_SHARE = 0.1
/** What stores with a flue through them lose, W/K. */
const FLUE_UA = { low: 4, high: 6 } as const

export const willNotFire: Rule = ({ study, write }) => {
  const heater = runningOf(study.plant.heaters)
  if (!heater) return []
  const { setpointC } = supplyOf(study)
  const mains = mainsThroughYear(study.site)
  const warmest = Math.max(...mains)
  return study.pipes.taps.flatMap((tap): Finding[] => {
    const wanted = study.people.habits.filter((h) => h.tapId === tap.id).map((h) => h.wantedC)
    if (!wanted.length) return []
    const wantedC = Math.min(...wanted)
    const hot = tap.mixes
      ? tap.flowLMin * Math.max(0, Math.min(1, (wantedC - warmest) / (setpointC - warmest)))
      : tap.flowLMin
    if (hot >= heater.leastFlowLMin) return []
    return [
      {
        id: `will-not-fire-${tap.id}`,
        severity: 'mend',
        station: 'taps',
        on: tap.id,
        what: `The heater will not fire for ${tap.name}`,
        why: `In summer, mixed to ${write.temperature(wantedC)}, it asks for ${write.figure('flow', hot)} of hot water; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}.`,
        source: 'Mixer balance against the least flow of the heater',
        mend: `Lower the setpoint towards ${write.temperature(Math.max(wantedC, 42))}, so that more hot water is asked for.`,
        reading: 'bucket',
      },
    ]
  })
}

/** What height takes of a plate is worth a word from here on. */
const WORTH_DERATE = 0.99

/** A burner high up gives less than its plate says, and may have to be set for thin air. */
export const highUp: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (!('outputHolds' in h)) return []
    const { outputKw } = atAltitude(h, study.site.altitudeM)
    if (outputKw >= WORTH_DERATE * h.outputKw) return []
    return [
      {
        id: `high-up-${h.id}`,
        severity: 'look',
        station: 'heater',
        on: h.id,
        what: 'Is the burner set for this height?',
        why: `At ${write.figure('altitude', study.site.altitudeM)} the ${write.figure('power', h.outputKw)} of its plate are ${write.figure('power', outputKw)}: the year reckons with these. Many makers ask for other jets or a setting there.`,
        source: '4 % for each 300 m above 600 m; maker’s papers',
        mend: 'Ask whoever commissioned it, or its maker. Where its output was measured here, say so: it holds at this height. Gas work is for the licensed.',
      },
    ]
  })

export const twoTaps: Rule = ({ study, write }) => {
  const rated = runningOf(study.plant.heaters)
  if (!rated) return []
  const heater = atAltitude(rated, study.site.altitudeM)
  const coldest = Math.min(...mainsThroughYear(study.site))
  const asks = study.pipes.taps
    .map((tap) => ({
      tap,
      wantedC: Math.max(0, ...study.people.habits.filter((h) => h.tapId === tap.id && h.waits).map((h) => h.wantedC)),
    }))
    .filter((a) => a.wantedC > coldest)
    .map((a) => ({ ...a, kw: waterPower(a.tap.flowLMin, coldest, a.wantedC) }))
    .sort((a, b) => b.kw - a.kw)
    .slice(0, 2)
  const together = asks.reduce((s, a) => s + a.kw, 0)
  if (asks.length < 2 || together <= heater.outputKw) return []
  return [
    {
      id: 'two-taps',
      severity: 'mend',
      station: 'heater',
      on: heater.id,
      what: 'Two taps ask more than it lifts',
      why: `${asks.map((a) => a.tap.name).join(' and ')} together take ${write.figure('power', together)} with the main at its coldest, ${write.temperature(coldest)}; ${heater.name} gives ${write.figure('power', heater.outputKw)}.`,
      source: 'Flow × ρc × rise at the winter inlet',
      mend: 'Less flow at the larger tap, or a rule of the house: one after the other.',
      reading: 'droop',
    },
  ]
}

export const inputAsOutput: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    const burns = efficiencyOf(h)
    const output = outputOf(h)?.kw ?? 0
    if (!h.plate || !burns) return []
    const inputKw = h.plate.inputKw / (h.plate.on === 'net' ? (NET_OVER_GROSS[carrierOf(h)] ?? 1) : 1)
    if (output < inputKw * 0.99) return []
    return [
      {
        id: `input-output-${h.id}`,
        severity: 'mend',
        station: 'heater',
        on: h.id,
        what: 'Input compared with output',
        why: `${h.name} is down with an output of ${write.figure('power', output)}, and its plate says an input of ${write.figure('power', inputKw)} on gross value: no burner gives all it takes.`,
        source: 'Output = input × efficiency',
        mend: 'Read output off the plate, or measure it.',
        reading: 'heater-display',
      },
    ]
  })

export const neverReviewed: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => h.settingsReviewed === false)
    .map((h) => ({
      id: `factory-${h.id}`,
      severity: 'mend',
      station: 'heater',
      on: h.id,
      what: 'Settings as they left the factory',
      why: `Nobody has gone through the settings of ${h.name}: keep-hot, boost, holiday level and flow temperature are a maker’s guess at any house.`,
      source: 'Practice',
      mend: 'Go through them now, write them down as found, and set them for this household.',
    }))

export const supplyCurrent: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (!('supply' in h) || h.supply === null) return []
    const { volts, amps: allowed } = h.supply
    const kw = outputOf(h)!.kw
    const phases = h.kind === 'instant-electric' ? h.phases : 1
    const amps = (kw * 1000) / (phases === 3 ? volts * Math.sqrt(3) : volts)
    if (amps <= allowed) return []
    return [
      {
        id: `current-${h.id}`,
        severity: 'danger',
        station: 'heater',
        on: h.id,
        what: 'It draws more than its supply allows',
        why: `${write.figure('power', kw)} at ${volts} V${phases === 3 ? ' on three phases' : ''} is ${amps.toFixed(1)} A; the supply is good for ${allowed} A.`,
        source: 'I = P / V, or P / (√3 V) on three phases',
        mend: 'Electrical work is for the licensed: a larger supply or a smaller element.',
      },
    ]
  })

export const unequalThermostats: Rule = ({ study, write }) => {
  const elements = study.plant.heaters.filter((h) => h.kind === 'element')
  if (elements.length < 2) return []
  const set = elements.map((h) => controlsOf(study).heaters[h.id].setpointC)
  const apart = Math.max(...set) - Math.min(...set)
  if (apart <= UNEQUAL_K) return []
  return [
    {
      id: 'unequal-thermostats',
      severity: 'look',
      station: 'heater',
      on: elements[0].id,
      what: 'Two thermostats of one store disagree',
      why: `They stand ${write.figure('rise', apart)} apart; the hotter one does the work, wherever it sits.`,
      source: 'Practice: both alike, or the upper as boost only',
      mend: 'Set both alike, unless the upper is meant as a boost.',
      reading: 'dial',
    },
  ]
}

export const loopCosts: Rule = ({ study, year, write }) => {
  if (!study.pipes.loop || !year || year.energy.loopKwh < year.energy.usefulKwh) return []
  return [
    {
      id: 'loop-costs',
      severity: 'mend',
      station: 'loop',
      on: null,
      what: 'The loop takes more heat than the taps',
      why: `${write.energy(year.energy.loopKwh)} a year against ${write.energy(year.energy.usefulKwh)} used.`,
      source: 'The ledger of the year',
      mend: 'Windows when somebody is up, and insulation on what can be reached: try both under Improve.',
      reading: 'loop',
      tries: 'loop-windows',
    },
  ]
}

export const aboveTheFlow: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (h.kind !== 'boiler-coil') return []
    const { setpointC } = controlsOf(study).heaters[h.id]
    if (setpointC <= h.primary.flowMaxC - COIL_GAP_K) return []
    return [
      {
        id: `above-flow-${h.id}`,
        severity: 'mend',
        station: 'heater',
        on: h.id,
        what: 'Set hotter than the boiler can make',
        why: `The store is set to ${write.temperature(setpointC)} and ${h.name} sends at most ${write.temperature(h.primary.flowMaxC)} to the coil: it never comes to rest.`,
        source: 'A coil brings no water to the temperature of its flow',
        mend: `A setpoint ${write.figure('rise', COIL_GAP_K)} or more below the flow, or a hotter flow for hot water.`,
      },
    ]
  })

export const cycles: Rule = ({ study, year }) => {
  if (!year || year.heaterStarts <= MANY_STARTS) return []
  const burner = study.plant.heaters.find((h) => 'leastOutputKw' in h) ?? study.plant.heaters[0]
  return [
    {
      id: 'cycling',
      severity: 'mend',
      station: 'heater',
      on: burner.id,
      what: 'It starts very often',
      why: `${year.heaterStarts.toLocaleString('en-GB')} starts a year, ${Math.round(year.heaterStarts / 365)} a day: each loses a purge and wears igniter and valves.`,
      source: 'The year: heat asked for over what is made from lighting to going out',
      mend: 'A wider hysteresis, less power for hot water, more water in the circuit, or a loop that is asked for less often.',
    },
  ]
}

export const hardAndHot: Rule = ({ study, write }) => {
  const { hardnessMgL } = study.site
  const setpointC = storeSetpoint(study)
  if (hardnessMgL === null || hardnessMgL < HARD_MG_L || setpointC === null || setpointC <= SCALES_C) return []
  return [
    {
      id: 'hard-and-hot',
      severity: 'look',
      station: 'store',
      on: null,
      what: 'Hard water, stored very hot',
      why: `${write.figure('hardness', hardnessMgL)}, kept at ${write.temperature(setpointC)}: scale grows sharply above ${write.temperature(SCALES_C)} and takes coil and element first.`,
      source: 'Practice; hardness as calcium carbonate',
      mend: `${write.temperature(SCALES_C)} is hot enough; have element, coil and store looked at more often.`,
      reading: 'hardness',
    },
  ]
}

export const elementInTheSun: Rule = ({ study }) => {
  const solar = study.plant.heaters.find((h) => h.kind === 'solar')
  if (!solar) return []
  return study.plant.heaters
    .filter((h) => h.kind === 'element' && h.height < solar.coil.top)
    .map((h) => ({
      id: `element-in-sun-${h.id}`,
      severity: 'mend',
      station: 'heater',
      on: h.id,
      what: 'The element heats what is the sun’s',
      why: `${h.name} sits below the top of the collectors’ coil: it warms the water that the sun is meant to warm, so that they find it hot.`,
      source: 'Water heated at a height rises; below it stays what the sun can use',
      mend: 'An element above the coil, or a timer that keeps it out of the day.',
    }))
}

/** What a power costs that is spent all year, in energy and money. */
function allYear({ study, write }: Case, carrier: Carrier, watts: number): string {
  const kwh = watts * 8.76
  const tariff = study.prices.carriers[carrier]
  return tariff ? `${write.energy(kwh)} a year, ${write.money(kwh * perKwh(tariff))}` : `${write.energy(kwh)} a year`
}

export const pilots: Rule = (given) =>
  given.study.plant.heaters.flatMap((h): Finding[] => {
    if (!('pilotW' in h) || h.pilotW <= 0) return []
    return [
      {
        id: `pilot-${h.id}`,
        severity: 'mend',
        station: 'heater',
        on: h.id,
        what: 'A pilot that burns all year',
        why: `The flame of ${h.name} takes ${allYear(given, h.carrier, h.pilotW)}${h.kind === 'gas-store' ? '; part of it keeps the store warm' : ''}.`,
        source: 'Watts × 8,760 h',
        mend: 'A heater with electric ignition when it is due; out while the house is empty for long. Lighting it again is for those who know how.',
        tries: 'heat-source',
        reading: 'meter',
      },
    ]
  })

export const keepsHot: Rule = (given) => {
  const { study } = given
  const heater = runningOf(study.plant.heaters)
  if (!heater || !controlsOf(study).heaters[heater.id].keepHot) return []
  const watts = heater.contentUaWK * Math.max(0, controlsOf(study).heaters[heater.id].setpointC - HEATED_ROOM_C)
  return [
    {
      id: `keep-hot-${heater.id}`,
      severity: 'look',
      station: 'heater',
      on: heater.id,
      what: 'Kept hot day and night',
      why: `${heater.name} holds its exchanger warm: its loss alone is ${allYear(given, carrierOf(heater), watts)}, its purges not counted. It saves ${heater.startLagS} s at each first draw.`,
      source: 'Loss of the exchanger × (setpoint − room) × 8,760 h',
      mend: 'Off, or only in the hours that somebody waits in.',
      tries: 'heater-control',
    },
  ]
}

export const muchBackup: Rule = ({ study, year, write }) => {
  const pump = study.plant.heaters.find((h) => h.kind === 'heat-pump')
  if (!pump || !year) return []
  const made = year.energy.backupKwh + year.energy.ambientKwh * 1.5
  if (year.energy.backupKwh < BACKUP_SHARE * made) return []
  return [
    {
      id: `backup-${pump.id}`,
      severity: 'mend',
      station: 'heater',
      on: pump.id,
      what: 'The element does the heat pump’s work',
      why: `${write.energy(year.energy.backupKwh)} a year come from the element of ${pump.name}, at three times the price of what the heat pump makes.`,
      source: 'The year, by the element’s control',
      mend: 'Let it help by boost only, heat earlier, set the store cooler, or a larger store.',
    },
  ]
}

export const flueStoreByLabel: Rule = ({ study, write }) =>
  study.plant.store?.loss.kind === 'label'
    ? study.plant.heaters
        .filter((h) => h.kind === 'gas-store')
        .map((h) => ({
          id: `flue-loss-${h.id}`,
          severity: 'look',
          station: 'store',
          on: null,
          what: 'An electric store’s label on a store with a flue',
          why: 'A flue through the store carries heat off day and night: it loses two to four times what a label class allows.',
          source: `Gas stores: ${write.figure('lossRate', FLUE_UA.low)} to ${write.figure('lossRate', FLUE_UA.high)}`,
          mend: 'Measure the overnight drop with burner and pilot out, or put the loss for each degree.',
          reading: 'overnight-drop',
        }))
    : []
