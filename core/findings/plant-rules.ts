import { supplyOf } from '../controls/supply'
import { NET_OVER_GROSS } from '../money/carriers'
import { carrierOf, efficiencyOf, outputOf, runningOf } from '../study/plant'
import { mainsThroughYear } from '../water/mains'
import { waterPower } from '../water/power'
import type { Finding, Rule } from './finding'

/** Thermostats of one store further apart than this disagree, K. */
const UNEQUAL_K = 3

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
    const hot = tap.mixes ? tap.flowLMin * Math.max(0, Math.min(1, (wantedC - warmest) / (setpointC - warmest))) : tap.flowLMin
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

export const twoTaps: Rule = ({ study, write }) => {
  const heater = runningOf(study.plant.heaters)
  if (!heater) return []
  const coldest = Math.min(...mainsThroughYear(study.site))
  const asks = study.pipes.taps
    .map((tap) => ({ tap, wantedC: Math.max(0, ...study.people.habits.filter((h) => h.tapId === tap.id && h.waits).map((h) => h.wantedC)) }))
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
    if (h.plateInputKw === null || !burns) return []
    const inputKw = h.plateInputKw / (h.plateOn === 'net' ? (NET_OVER_GROSS[carrierOf(h)] ?? 1) : 1)
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

export const supplyCurrent: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (!('supplyAmps' in h) || h.supplyAmps === null || h.volts === null) return []
    const kw = outputOf(h)!.kw
    const phases = h.kind === 'instant-electric' ? h.phases : 1
    const amps = (kw * 1000) / (phases === 3 ? h.volts * Math.sqrt(3) : h.volts)
    if (amps <= h.supplyAmps) return []
    return [
      {
        id: `current-${h.id}`,
        severity: 'danger',
        station: 'heater',
        on: h.id,
        what: 'It draws more than its supply allows',
        why: `${kw} kW at ${h.volts} V${phases === 3 ? ' on three phases' : ''} is ${amps.toFixed(1)} A; the supply is good for ${h.supplyAmps} A.`,
        source: 'I = P / V, or P / (√3 V) on three phases',
        mend: 'Electrical work is for the licensed: a larger supply or a smaller element.',
      },
    ]
  })

export const unequalThermostats: Rule = ({ study, write }) => {
  const elements = study.plant.heaters.filter((h) => h.kind === 'element')
  if (elements.length < 2) return []
  const set = elements.map((h) => study.controls.found.heaters[h.id].setpointC)
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
    },
  ]
}
