import { DAYS, MONTH_OF_DAY } from '../../calendar/year'
import { startsASecond } from '../../heaters/burner'
import { condensesBelowC, efficiencyAt } from '../../heaters/efficiency'
import { flowTemperature, type RadiatorsAt, radiatorsAt } from '../../heaters/flow-temperature'
import { cyclesAbove, heatTaken } from '../../heaters/house-heat'
import { houseLoss } from '../../household/heating/house-loss'
import { ratedKw } from '../../household/heating/radiators'
import type { Carrier } from '../../money/carriers'
import { perKwh } from '../../money/tariff'
import { carrierOf } from '../../study/heater-kinds'
import type { FlowSetting, HouseHeating } from '../../study/heating'
import { controlsOf } from '../../study/in-force'
import type { Heater } from '../../study/plant'
import type { Study } from '../../study/study'
import { KJ_PER_LITRE_K } from '../../water/properties'
import { hoursOf } from '../weather/site-hours'

/** Water of a heating circuit where it was not read, L for each kW of its radiators. */
const CIRCUIT_L_KW = 8
/** Its water rises by this between lighting and going out, K. */
const SWING_K = 10

/** Outputs of the appliance that heats the house, kW: as they were typed, else as the heater says that heats hot water too. */
export function heatingOutput(study: Study): { leastKw: number | null; mostKw: number | null } {
  const { heating } = study
  const heater = heatsHouse(study)
  const own = heater && 'outputKw' in heater ? heater : null
  return {
    leastKw: heating?.leastKw ?? (own && 'minOutputKw' in own ? own.minOutputKw : null),
    mostKw: heating?.mostKw ?? own?.outputKw ?? null,
  }
}

/** The heater of hot water that heats the house too; null: another appliance does. */
export const heatsHouse = (study: Study): Heater | null =>
  study.plant.heaters.find((h) => h.id === controlsOf(study).heating.heaterId) ?? null

/** Efficiency at a return, and the carrier: of the heater that heats both by its curve, of another as the site says. */
export function heatSourceOf(study: Study): { carrier: Carrier; at: (returnC: number) => number; byReturn: boolean } {
  const heater = heatsHouse(study)
  if (heater && 'efficiency' in heater && typeof heater.efficiency === 'object') {
    const { efficiency } = heater
    const carrier = carrierOf(heater)
    return { carrier, at: (c) => efficiencyAt(efficiency, c, carrier), byReturn: efficiency.kind === 'condensing' }
  }
  const { carrier, efficiency } = study.site.heating
  return { carrier, at: () => efficiency, byReturn: false }
}

/** A year of heating the house. Every hour stands by itself: no warming up, no lowering by night. */
export interface HeatingYear {
  heatKwh: number
  fuelKwh: number
  cost: number | null
  /** Heat over fuel. */
  efficiency: number
  /** Whether it follows the return; else it is the one typed for the household. */
  efficiencyByReturn: boolean
  /** Share of the heat that is made with a return below the dew point. */
  condensingShare: number
  /** Mean return and mean flow, by heat, °C. */
  returnC: number
  flowC: number
  /** Hours with heating, of them those in which the burner goes on and off; and its starts; null: least output not known. */
  hours: number
  cyclingHours: number | null
  starts: number | null
  /** Water that takes up its heat between two starts, L; by its radiators where it was not read. */
  circuit: { litres: number; assumed: boolean }
  /** Hours in which radiators or output do not carry the loss. */
  shortHours: number
  /** From this outdoor temperature on it goes on and off, °C; null: never, or not known. */
  cyclesAboveC: number | null
}

/** A year of heating, or what is missing for one. */
export type HeatingAnswer = { year: HeatingYear } | { missing: string[] }

/** What a year of heating is worked out from. */
interface Given {
  heating: HouseHeating
  flow: FlowSetting
  wK: number
  ratedKw: number
  leastKw: number | null
  topKw: number
}

/** The same of a household, or what is missing. */
function given(study: Study): Given | string[] {
  const { heating } = study
  const { flow, limitKw } = controlsOf(study).heating
  const wK = heating && houseLoss(study, heating).wK
  const rated = heating && ratedKw(heating)
  const missing = [
    ...(wK ? [] : ['heat loss of the house']),
    ...(rated ? [] : ['rated output of the radiators']),
    ...(flow ? [] : ['flow temperature']),
  ]
  if (!heating || !wK || !rated || !flow) return missing
  const { leastKw, mostKw } = heatingOutput(study)
  return { heating, flow, wK, ratedKw: rated, leastKw, topKw: Math.min(limitKw ?? Infinity, mostKw ?? Infinity) }
}

/** Radiators at a flow, each tenth of a degree worked out once: a year asks for few. */
function radiatorsByFlow({ roomC, exponent }: HouseHeating): (flowC: number) => RadiatorsAt {
  const known = new Map<number, RadiatorsAt>()
  return (flowC) => {
    const tenths = Math.round(10 * flowC)
    const there = known.get(tenths) ?? radiatorsAt(tenths / 10, roomC, exponent)
    known.set(tenths, there)
    return there
  }
}

/** Outdoor air of each hour of the months with heating, °C. */
function heatedHours({ site }: Study): number[] {
  const { airC } = hoursOf(site)
  return Array.from({ length: DAYS * 24 }, (_, h) => h)
    .filter((h) => site.heatingMonths[MONTH_OF_DAY[Math.floor(h / 24)]])
    .map((h) => airC[h])
}

/**
 * Each hour of the year with heating: loss = W/K × (room − gains − outdoor); flow by its setting; return as the radiators send
 * it back at that flow, whatever share of the hour they are fed; efficiency at that return; below the least output it goes on
 * and off for loss / least of the time.
 */
export function heatingYear(study: Study): HeatingAnswer {
  const parts = given(study)
  if (Array.isArray(parts)) return { missing: parts }
  const { heating, flow, wK, leastKw, topKw } = parts
  const { roomC } = heating
  const source = heatSourceOf(study)
  const litres = heating.circuitL ?? CIRCUIT_L_KW * parts.ratedKw
  const swingKj = litres * KJ_PER_LITRE_K * SWING_K
  const dewC = condensesBelowC(source.carrier)
  const at = radiatorsByFlow(heating)
  const sum = { heat: 0, fuel: 0, condensing: 0, return: 0, flow: 0, hours: 0, cycling: 0, starts: 0, short: 0 }
  for (const airC of heatedHours(study)) {
    const load = heatTaken(wK / 1000, roomC, airC)
    if (load <= 0) continue
    const flowC = flowTemperature(flow, airC, roomC)
    const { share, returnC } = at(flowC)
    const most = Math.min(topKw, parts.ratedKw * share)
    const heat = Math.min(load, most)
    sum.hours++
    if (load > most * 1.001) sum.short++
    if (leastKw !== null && heat > 0 && heat < leastKw) {
      sum.cycling++
      sum.starts += 3600 * startsASecond(heat, leastKw, swingKj)
    }
    sum.heat += heat
    sum.fuel += heat / source.at(returnC)
    if (returnC < dewC) sum.condensing += heat
    sum.return += heat * returnC
    sum.flow += heat * flowC
  }
  const tariff = study.prices.carriers[source.carrier]
  const by = (x: number) => (sum.heat > 0 ? x / sum.heat : 0)
  return {
    year: {
      heatKwh: sum.heat,
      fuelKwh: sum.fuel,
      cost: tariff ? sum.fuel * perKwh(tariff) : null,
      efficiency: sum.fuel > 0 ? sum.heat / sum.fuel : 0,
      efficiencyByReturn: source.byReturn,
      condensingShare: by(sum.condensing),
      returnC: by(sum.return),
      flowC: by(sum.flow),
      hours: sum.hours,
      cyclingHours: leastKw === null ? null : sum.cycling,
      starts: leastKw === null ? null : sum.starts,
      circuit: { litres, assumed: heating.circuitL === null },
      shortHours: sum.short,
      cyclesAboveC: leastKw ? cyclesAbove(wK / 1000, roomC, leastKw) : null,
    },
  }
}
