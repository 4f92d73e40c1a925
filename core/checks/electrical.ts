import { ampsOf, ampsTogether, loadOf, spareAmps, voltsFor } from '../household/electrical'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import type { Rule, Told, Visit } from './check'

const SOURCE =
  'I = P / V on one phase, P / (√3 V) on three, V between two phases; a continuous load times 1.25 in US units'
const LICENSED = 'Electrical work is for a registered installer.'
const amps = (value: number) => ({ value, unit: 'A', worse: { when: 'more' as const, by: 1 } })

const continuousText = (study: Study, heater: Heater) =>
  loadOf(heater, study.units)?.continuous ? ', as a continuous load' : ''

/** A heater against the way that feeds it. */
const ownSupply: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    const load = loadOf(h, study.units)
    if (!load || !('supply' in h)) return []
    const at = {
      id: `current-${h.id}`,
      subject: { kind: 'heater', id: h.id },
      source: SOURCE,
      asks: `plant.heaters.${h.id}.supply`,
    } as const
    if (h.supply === null)
      return [
        {
          ...at,
          concern: 'harm',
          level: 'not checked',
          title: `Electrical supply of ${h.name}`,
          cause: { id: 'supply', title: 'Electrical supply of the heaters' },
          sentence: `Load up to ${write.figure('electricPower', load.kw)}; capacity of its circuit not checked.`,
          remedy: `Read the rating of its circuit and the voltage. ${LICENSED}`,
        },
      ]
    const takes = ampsOf(load, h.supply.volts)
    const over = takes > h.supply.amps
    return [
      {
        ...at,
        concern: 'harm',
        level: over ? 'fail' : 'pass',
        title: over ? `Circuit overloaded: ${h.name}` : `Electrical supply of ${h.name}`,
        sentence: `${write.figure('electricPower', load.kw)} at ${h.supply.volts} V${load.phases === 3 ? ' three-phase' : ''}${continuousText(study, h)} is ${takes.toFixed(1)} A; its circuit is rated ${h.supply.amps} A.`,
        figures: { takesA: amps(takes), allowedA: { value: h.supply.amps, unit: 'A' } },
        remedy: `Larger circuit or smaller immersion heater. ${LICENSED}`,
      },
    ]
  })

/** All electric heaters together against what the main has to spare. */
const mainSupply: Rule = ({ study, write }): Told[] => {
  const electric = study.plant.heaters.filter((h) => loadOf(h, study.units))
  const main = study.site.electricMain
  if (electric.length === 0) return []
  const kw = electric.reduce((s, h) => s + loadOf(h, study.units)!.kw, 0)
  const at = {
    id: 'main-current',
    subject: { kind: 'supply', id: null },
    concern: 'harm',
    source: `${SOURCE}; against supply capacity less other maximum demand`,
    asks: 'site.electricMain',
  } as const
  if (!main)
    return [
      {
        ...at,
        level: 'not checked',
        title: 'Electrical supply',
        cause: { id: 'supply', title: 'Electrical supply of the heaters' },
        sentence: `${electric.map((h) => h.name).join(' and ')}: load up to ${write.figure('electricPower', kw)}; supply to the house not checked.`,
        figures: { heatersKw: { value: kw, quantity: 'electricPower' } },
        remedy: `Read main fuse, voltage, phases and other maximum demand. ${LICENSED}`,
      },
    ]
  const takes = ampsTogether(main, electric, study.units)
  const spare = spareAmps(main)
  const noPhases = electric.filter((h) => loadOf(h, study.units)!.phases > main.phases)
  const over = takes > spare || noPhases.length > 0
  return [
    {
      ...at,
      level: over ? 'fail' : 'pass',
      title: over ? 'Electrical supply overloaded' : 'Electrical supply',
      sentence: noPhases.length
        ? `${noPhases.map((h) => h.name).join(' and ')} needs three phases; the house has one.`
        : `${electric.map((h) => h.name).join(' and ')} take ${takes.toFixed(0)} A on the most loaded phase; of ${main.amps.toFixed(0)} A other loads take ${main.otherAmps.toFixed(0)} A.`,
      figures: { takesA: amps(takes), spareA: { value: spare, unit: 'A', worse: { when: 'less', by: 1 } } },
      remedy: `Larger supply, smaller immersion heater, or load control. ${LICENSED}`,
    },
  ]
}

export const ELECTRICAL_CHECKS = { ownSupply, mainSupply }

/** Whether a heater that is not there yet could be fed: what it takes besides those that stay, against what the main has. */
export function candidateSupply({ study, write }: Visit, heater: Heater): Told[] {
  const load = loadOf(heater, study.units)
  if (!load) return []
  const main = study.site.electricMain
  const at = {
    id: 'amps',
    subject: { kind: 'heater', id: heater.id },
    concern: 'harm',
    title: 'Electrical supply',
    source: `${SOURCE}; against supply capacity less other maximum demand`,
    asks: 'site.electricMain',
    remedy: `Larger supply or smaller heater. ${LICENSED}`,
  } as const
  if (!main)
    return [
      {
        ...at,
        level: 'not checked',
        sentence: `Load ${write.figure('electricPower', load.kw)}; supply to the house not checked.`,
        figures: { kw: { value: load.kw, quantity: 'electricPower' } },
      },
    ]
  const volts = voltsFor(main, load.phases)
  const own = ampsOf(load, volts)
  const together = ampsTogether(main, study.plant.heaters, study.units)
  const spare = spareAmps(main)
  const reasons = [
    ...(load.phases > main.phases ? ['the house has one phase and it needs three'] : []),
    ...(together > spare
      ? [
          `${together > own + 0.5 ? `${together.toFixed(0)} A with the other heaters and ` : ''}only ${spare.toFixed(0)} of ${main.amps.toFixed(0)} A spare`,
        ]
      : []),
    ...(load.phases > main.spareWays ? [`${main.spareWays} spare ways and it needs ${load.phases}`] : []),
  ]
  return [
    {
      ...at,
      level: reasons.length ? 'fail' : 'pass',
      sentence: `Takes ${own.toFixed(0)} A at ${volts.toFixed(0)} V${load.phases === 3 ? ' three-phase' : ''}${continuousText(study, heater)}: ${reasons.length ? reasons.join(', ') : `${spare.toFixed(0)} A and ${main.spareWays} ${main.spareWays === 1 ? 'way' : 'ways'} spare`}. To be confirmed by a licensed electrician before ordering.`,
      figures: { takesA: amps(own), togetherA: { value: together, unit: 'A' }, spareA: { value: spare, unit: 'A' } },
    },
  ]
}
