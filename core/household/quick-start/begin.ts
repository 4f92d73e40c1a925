import { everyDay, type Schedule } from '../../calendar/week'
import { CLIMATES, heatedMonths } from '../../climate/archetypes'
import { BILLED } from '../../money/billing'
import { edited } from '../../study/edited'
import { hasSetpoint } from '../../study/heater-kinds'
import type { Study } from '../../study/study'
import { commandable } from '../controllers'
import { assumedIn, originsOf } from '../defaults/assumed'
import { defaultControl } from '../defaults/assumed-heaters'
import { blankStudy } from '../defaults/blank'
import { withPrices } from '../edits/plant'
import { currencyIn, withDefaults } from '../engineer/begin-with'
import { type EngineerDefaults, NO_DEFAULTS } from '../engineer/defaults'
import { burns, mainCarrier, type QuickAnswers, type QuickTimer } from './answers'
import { quickPipes } from './pipes'
import { quickPlant } from './plant'
import { inSouth, regionOf } from './regions'
import { quickHabits, quickPersons } from './routine'

const TIMERS: Record<QuickTimer, Schedule | null> = { always: null, twice: everyDay([330, 510], [990, 1320]) }
/** On periods of a circulation found on a schedule: while people are up. */
const LOOP_ON = everyDay([360, 1320])
/** Share of its energy a house is heated with, by what also heats the water. */
const HEATING_EFFICIENCY = { 'heat-pump': 3, 'wood-coil': 0.7, burner: 0.85, other: 1 } as const

/**
 * A household from nine answers: a plant, pipes, outlets and routines that are believable for them, begun with what the
 * engineer brings along. What was not said is assumed and says so; what was (contents, setpoint, price) is entered.
 */
export function quickStart(id: string, answers: QuickAnswers, own: EngineerDefaults = NO_DEFAULTS): Study {
  const { units, summerTime, south } = regionOf(answers.region)
  const climate = CLIMATES[answers.climate]
  const months = <T>(of: readonly T[]) => (south ? inSouth(of) : [...of])
  const air = months<number>(climate.airC)
  const carrier = mainCarrier(answers)
  const pipes = quickPipes(answers, units)
  const plant = quickPlant(answers, pipes.taps[0].id)
  const persons = quickPersons(answers)
  const blank = blankStudy(id, units, currencyIn(answers.region, own))
  const begun = edited(blank, (study) => {
    Object.assign(study.site, {
      monthlyAirC: air,
      monthlySunKwhM2: months<number>(climate.sunKwhM2),
      latitudeDeg: south ? -climate.latitudeDeg : climate.latitudeDeg,
      heatingMonths: heatedMonths(air),
      heating: { carrier, efficiency: heatingEfficiency(answers) },
      summerTime,
    })
    if (units === 'us' && carrier === 'natural-gas') study.energyIn = 'therm'
    study.people.persons = persons
    study.people.uses = quickHabits(answers, persons, pipes.taps)
    Object.assign(study.pipes, pipes)
    Object.assign(study.plant, plant)
    const { found } = study.controls
    found.heaters = Object.fromEntries(
      plant.heaters.filter(hasSetpoint).map((h) => {
        const control = defaultControl(h.kind)
        const schedule = TIMERS[answers.timer]
        return [h.id, { ...control, schedule, setpointC: answers.setpointC ?? control.setpointC }]
      }),
    )
    found.loop.mode = pipes.loop ? answers.loopMode : 'off'
    found.loop.schedule = LOOP_ON
    study.controllers[0].commands = commandable(study)
    study.prices.carriers = {}
  })
  return marked(priced(withDefaults(withPrices(begun), own), answers), answers)
}

function heatingEfficiency({ source }: QuickAnswers): number {
  if (source === 'heat-pump' || source === 'wood-coil') return HEATING_EFFICIENCY[source]
  return burns(source) ? HEATING_EFFICIENCY.burner : HEATING_EFFICIENCY.other
}

/** The price of the bill in the unit it counts in. */
function priced(study: Study, answers: QuickAnswers): Study {
  const carrier = mainCarrier(answers)
  const { price } = answers
  const kwhPerUnit = price && BILLED[carrier][price.unit]
  if (!price || !kwhPerUnit) return study
  return edited(study, ({ prices }) => {
    Object.assign(prices.carriers[carrier]!, {
      ...{ unit: price.unit, kwhPerUnit, price: price.perUnit },
      // The bill's, whatever was said of the price before.
      ...{ source: '', asOf: null },
    })
  })
}

/** Every figure says that it is assumed, but for those that were answered. */
function marked(study: Study, answers: QuickAnswers): Study {
  const { site, people, pipes, plant, controls, prices } = study
  const { heatingMonths: _months, firstWeekday: _day, ...assumedSite } = site
  const { seed: _seed, ...assumedPeople } = people
  const origins = originsOf([
    assumedIn(assumedSite, 'site'),
    assumedIn(assumedPeople, 'people'),
    assumedIn(pipes, 'pipes'),
    assumedIn(plant, 'plant'),
    assumedIn(controls.found.heaters, 'controls.found.heaters'),
    assumedIn(prices, 'prices'),
  ])
  const entered: string[] = []
  if (answers.litres !== null) entered.push('plant.store.litres')
  if (answers.setpointC !== null)
    entered.push(...Object.keys(controls.found.heaters).map((id) => `controls.found.heaters.${id}.setpointC`))
  if (answers.price !== null) entered.push(`prices.carriers.${mainCarrier(answers)}.price`)
  for (const path of entered) delete origins[path]
  return { ...study, origins }
}
