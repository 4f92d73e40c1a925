import { type Check, check, type Level, worst } from '../checks/check'
import { heaterChecks, storeNeeds } from '../checks/sizing'
import { placeChecks } from '../checks/space'
import { type HeaterKind, HEATERS } from '../heaters/kinds'
import {
  type Choice,
  choiceOf as chosenOf,
  choicesOf,
  heatSource,
  type How,
  sourcesFor,
} from '../household/edits/heat-source'
import { putHeater } from '../household/edits/plant'
import { supplyC } from '../household/supply'
import { displayOf } from '../study/display-of'
import { isInstantaneous, isPointOfUse } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { type Demand, demandOf, type Peaks } from '../year/demand'
import type { YearResult } from '../year/result'

/** A heat source held against what a household asks for. */
export interface Sized {
  heater: string
  kind: Heater['kind']
  /**
   * What would be needed: output for what heats as it runs, kW; contents for a store, or hot water in the busiest hour at an
   * outlet of its own, L; null where the other decides.
   */
  neededKw: number | null
  neededL: number | null
  /** What it has of that: output of all its units, kW, or contents, L; null where the other decides. */
  hasKw: number | null
  hasL: number | null
  /** Minutes of the busiest flow that the store gives, with what its heater adds meanwhile; Infinity where it never ends. */
  minutes: number | null
  checks: Check[]
  level: Level
  /** What can be chosen of it, and what is. */
  choices: ReturnType<typeof choicesOf>
  choice: Choice
}

export interface Sizes {
  peaks: Peaks
  there: Sized[]
  instead: Sized[]
  beside: Sized[]
  /** What could serve one outlet alone: where the water is longest on its way. */
  atTap: Sized[]
}

/**
 * A heater as it would stand in a study, sized.
 * @param before the house it is put into; null: it stands there; @param year the year of what stands there, where it is known
 */
export function sizeHeater(
  study: Study,
  heater: Heater,
  demand: Demand,
  before: Study | null = null,
  year: YearResult | null = null,
): Sized {
  const visit = { study, year, write: displayOf(study) }
  const told = [...heaterChecks(visit, heater, demand), ...(before ? placeChecks(before, heater) : [])]
  const words = wordsOf(study)
  const checks = told.map((t) => check({ ...t, subject: { kind: 'heater', id: heater.id } }, words))
  const stored = storeNeeds(visit, heater, demand)
  const of = (id: string, figure: string) => checks.find((c) => c.id === id)?.figures[figure]?.value ?? null
  const atTap = isPointOfUse(heater)
  return {
    heater: heater.name,
    kind: heater.kind,
    neededKw: isInstantaneous(heater) ? demand.peaks.kw : atTap ? of('output', 'neededKw') : null,
    neededL: stored?.neededL ?? of('supply-minutes', 'hourL'),
    hasKw: isInstantaneous(heater) ? heater.outputKw * heater.units : atTap ? of('output', 'givesKw') : null,
    hasL: stored ? (study.plant.store?.litres ?? null) : of('supply-minutes', 'availableL'),
    minutes: stored?.minutes ?? of('supply-minutes', 'minutes'),
    checks,
    level: checks.length === 0 ? 'not checked' : worst(checks.map((c) => c.level)),
    choices: before ? choicesOf(before, heater) : {},
    choice: chosenOf(heater),
  }
}

/** Every heat source that a house could have, sized on its own draws: what is there, and what could stand in its place or beside it. */
export function sizes(
  study: Study,
  choiceOf: (kind: HeaterKind, how: How) => Choice = () => ({}),
  year: YearResult | null = null,
): Sizes {
  // Each kind has a temperature of its own; the draws of a year are mixed once for each.
  const known = new Map<number, Demand>()
  const demandAt = (hotC: number) => {
    const demand = known.get(hotC) ?? demandOf(study, hotC)
    known.set(hotC, demand)
    return demand
  }
  const now = demandAt(supplyC(study))
  const sized = (kind: HeaterKind, how: How): Sized => {
    const { replaces, heater, control, store } = heatSource(study, kind, how, choiceOf(kind, how))!
    const after = putHeater(study, replaces, heater, control, store)
    return sizeHeater(after, heater, demandAt(supplyC(after)), study)
  }
  const beside = sourcesFor(study, 'beside')
  return {
    peaks: now.peaks,
    there: study.plant.heaters.map((h) => sizeHeater(study, h, now, null, year)),
    instead: sourcesFor(study, 'instead').map((kind) => sized(kind, 'instead')),
    beside: beside.filter((kind) => HEATERS[kind].heats !== 'tap').map((kind) => sized(kind, 'beside')),
    atTap: beside.filter((kind) => HEATERS[kind].heats === 'tap').map((kind) => sized(kind, 'beside')),
  }
}
