import fc from 'fast-check'
import { SUMMER_TIMES } from '../core/calendar/summer-time'
import { everyDay } from '../core/calendar/week'
import { PLACES } from '../core/climate/places'
import { DEMOS } from '../core/demos/index'
import { HEATER_KINDS } from '../core/heaters/kinds'
import { addHeater, changeHeaterKind } from '../core/household/edits/plant'
import { CARRIERS } from '../core/money/carriers'
import { STANDARD_DAYS, type StandardDay } from '../core/people/standard-days'
import { MATERIALS, sizesOf } from '../core/pipes/catalogue'
import { CONNECTIONS } from '../core/recovery/drain-recovery'
import { LABEL_CLASSES } from '../core/stores/standing-loss'
import { TIMER_BY } from '../core/study/controls'
import { storesWater } from '../core/study/heater-kinds'
import { LOOP_MODES } from '../core/study/loop-modes'
import { LOOP_PLACES, MOUNTS } from '../core/study/pipes'
import { Study } from '../core/study/study'
import { COMES_IN, type Flow, FLOWS } from '../core/year/account/ledger'
import { House } from '../core/year/house'
import type { YearResult } from '../core/year/result'
import { simulate } from '../core/year/simulate'
import { YearRefused } from '../core/year/work'
import { controllers, putControllers } from './random-controllers'
import { heaterFigures, thrown } from './random-heater'
import { heatingSide, putHeating } from './random-heating'
import { judged, putJudged } from './random-judged'
import { num, wide } from './random-numbers'
import { dataSource, putSurvey, survey } from './random-survey'

const pipe = fc.constantFrom(...MATERIALS).chain((material) =>
  fc.record({
    material: fc.constant(material),
    size: fc.constantFrom(...sizesOf(material)),
    lengthM: fc.oneof(fc.double({ min: 0.1, max: 25, noNaN: true }), fc.constant(0.1)),
    place: fc.constantFrom(...PLACES),
    insulation: fc.option(
      fc.record({ lambdaWMK: fc.constantFrom(0.028, 0.037, 0.04), thicknessMm: fc.integer({ min: 0, max: 40 }) }),
    ),
  }),
)

/** The demos, and the same with every other kind of heater in, beside or behind their own. */
const BASES: Study[] = DEMOS.flatMap(({ study }) => [
  study,
  ...HEATER_KINDS.flatMap((kind) => [changeHeaterKind(study, study.plant.heaters[0].id, kind), addHeater(study, kind)]),
  addHeater(addHeater(study, 'under-sink'), 'reservoir'),
])

/** Functions of a heater's control, in use or not. */
const functions = fc.record({
  holidayC: fc.option(num(30, 85), { freq: 3 }),
  pasteurisation: fc.option(
    fc.record({
      weekday: fc.integer({ min: 0, max: 6 }),
      atMin: fc.integer({ min: 0, max: 1439 }),
      toC: num(55, 85),
      holdMin: fc.integer({ min: 1, max: 240 }),
    }),
    { freq: 3 },
  ),
  overrides: fc.array(
    fc
      .record({
        setpointC: num(30, 85),
        fromDay: fc.integer({ min: 1, max: 4 }),
        fromMin: fc.integer({ min: 0, max: 1439 }),
        minutes: fc.option(fc.integer({ min: 1, max: 3000 })),
        weekly: fc.boolean(),
      })
      .map((o) => ({ ...o, weekly: o.weekly && o.minutes !== null })),
    { maxLength: 2 },
  ),
  prices: fc.constantFrom('any' as const, 'any' as const, 'cheapest' as const),
  timerBy: fc.constantFrom(...TIMER_BY),
})

const loopSettings = fc.record({
  targetC: num(25, 75),
  differentialK: num(0.5, 20),
  sampled: fc.record({ everyMin: fc.integer({ min: 1, max: 240 }), testS: fc.oneof(fc.constant(0), num(0, 300)) }),
  demand: fc.record({
    by: fc.constantFrom('button' as const, 'presence' as const),
    leadS: num(0, 600),
    runOnS: num(5, 1800),
    missedShare: num(0, 1),
  }),
  learned: fc.record({ weeks: fc.integer({ min: 1, max: 8 }), threshold: num(0.01, 1) }),
  trace: fc.record({ wPerM: num(1, 60) }),
})

/**
 * A sound study of a household nobody has thought of: a demo's shape with its figures thrown about, to the edges of
 * what the schema takes.
 */
export const randomStudy: fc.Arbitrary<Study> = fc
  .record({
    base: fc.constantFrom(...BASES),
    pipes: fc.array(pipe, { minLength: 12, maxLength: 12 }),
    figures: fc.array(heaterFigures, { minLength: 4, maxLength: 4 }),
    setpoints: fc.array(num(30, 85), { minLength: 4, maxLength: 4 }),
    differentialK: num(0.5, 20),
    litres: wide(5, 5000),
    heightM: num(0.2, 5),
    sensorHeight: num(0, 1),
    inletMix: num(0, 0.3),
    loss: fc.oneof(
      fc.record({ kind: fc.constant('ua' as const), uaWK: num(0, 8) }),
      fc.record({ kind: fc.constant('test' as const), kwhDay: num(0, 8), riseK: num(20, 60) }),
      fc.record({ kind: fc.constant('label' as const), label: fc.constantFrom(...LABEL_CLASSES) }),
    ),
    reliefC: num(80, 99),
    timer: fc.option(fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 720, max: 1440 }))),
    mode: fc.oneof(
      fc.constantFrom('off' as const, 'always' as const, 'clock' as const),
      fc.constantFrom(...LOOP_MODES),
    ),
    loopSettings,
    functions: fc.array(functions, { minLength: 4, maxLength: 4 }),
    heating: fc.record({
      on: fc.boolean(),
      schedule: fc.option(fc.constant(everyDay([360, 540], [1020, 1320]))),
      hotWaterFirst: fc.boolean(),
    }),
    controllers,
    heatingSide,
    summerTime: fc.constantFrom(...SUMMER_TIMES),
    ambientC: fc.option(num(-10, 40), { freq: 4 }),
    sensorAt: fc.constantFrom(...LOOP_PLACES),
    absences: fc.boolean(),
    loop: fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 720, max: 1440 })),
    pumpLMin: wide(0.2, 30),
    returnHeight: num(0, 1),
    flowScale: num(0.4, 2),
    seed: fc.integer({ min: 0, max: 1_000_000 }),
    keepHot: fc.boolean(),
    mixing: fc.oneof(
      fc.constantFrom('not checked' as const, 'none' as const),
      fc.record({ mixesToC: fc.option(num(30, 70)), testedOn: fc.constantFrom(null, '2026-03-01') }),
    ),
    closesAtC: fc.option(num(25, 55)),
    airC: num(-10, 12),
    latitudeDeg: num(-66, 66),
    altitudeM: num(-400, 3000),
    mains: fc.constantFrom({ kind: 'model' as const }, { kind: 'ground' as const }),
    recovery: fc.option(
      fc.record({
        connection: fc.constantFrom(...CONNECTIONS),
        mount: fc.constantFrom(...MOUNTS),
        effectiveness: num(0.05, 0.85),
        ratedFlowLMin: num(2, 40),
        warmUpS: fc.oneof(fc.constant(0), num(0, 300)),
        dropK: num(0, 10),
        dataSource,
        inspectedOn: fc.constant(null),
      }),
    ),
    unattendedS: fc.constantFrom(0, 0, 20, 600),
    stopsWhenWarm: fc.boolean(),
    dripLH: fc.constantFrom(null, null, 0, 0.4, 3, 30),
    survey,
    judged,
    exportPerKwh: fc.option(num(0, 0.5)),
    standard: fc.option(fc.constantFrom(...(Object.keys(STANDARD_DAYS) as StandardDay[])), { freq: 5 }),
  })
  .map((r) => {
    const study = structuredClone(r.base)
    study.people.seed = r.seed
    study.site = {
      ...study.site,
      monthlyAirC: study.site.monthlyAirC.map((c) => c + r.airC / 2),
      latitudeDeg: r.latitudeDeg,
      altitudeM: r.altitudeM,
      mains: r.mains,
    }
    study.pipes.runs = study.pipes.runs.map((run, i) => ({ ...run, ...r.pipes[i % 12] }))
    study.pipes.taps = study.pipes.taps.map((t) => ({ ...t, flowLMin: t.flowLMin * r.flowScale }))
    study.pipes.taps[0].stopsWhenWarm = r.stopsWhenWarm
    study.pipes.taps[0].dripLH = r.dripLH
    for (const h of study.people.uses) h.unattendedS = r.unattendedS
    const draining = study.pipes.taps.filter((t) => t.drains).map((t) => t.id)
    study.pipes.recovery = r.recovery && draining.length ? { ...r.recovery, tapIds: draining } : null
    study.prices.carriers.electricity!.exportPerKwh = r.exportPerKwh
    if (r.standard) study.people.draws = { kind: 'standard', cycle: r.standard, tapId: study.pipes.taps[0].id }
    const found = study.controls.found
    study.site.summerTime = r.summerTime
    found.heating = { ...found.heating, ...r.heating, heaterId: r.heating.on ? study.plant.heaters[0].id : null }
    delete (found.heating as { on?: boolean }).on
    if (r.absences) study.people.absences = [{ personId: null, fromDay: 1, toDay: 2 }, ...study.people.absences]
    for (const [i, id] of Object.keys(found.heaters).entries()) {
      found.heaters[id] = {
        ...r.functions[i % 4],
        pasteurisation: storesWater(study.plant.heaters.find((h) => h.id === id)!)
          ? r.functions[i % 4].pasteurisation
          : null,
        setpointC: r.setpoints[i % 4],
        differentialK: r.differentialK,
        schedule: r.timer ? everyDay(r.timer) : null,
        ...('keepHot' in found.heaters[id] ? { keepHot: r.keepHot } : {}),
      }
    }
    if (study.plant.store)
      study.plant.store = {
        ...study.plant.store,
        litres: r.litres,
        heightM: r.heightM,
        sensorHeight: r.sensorHeight,
        inletMix: r.inletMix,
        reliefC: r.reliefC,
        loss: r.loss,
        mixing: r.mixing,
        ambientC: r.ambientC,
      }
    study.plant.heaters = study.plant.heaters.map((h, i) => thrown(h, r.figures[i % 4]))
    if (study.pipes.loop) {
      study.pipes.loop = {
        ...study.pipes.loop,
        returns:
          r.closesAtC === null
            ? { by: 'own pipe', height: r.returnHeight }
            : { by: 'cold line', closesAtC: r.closesAtC },
        pumpLMin: r.pumpLMin,
        sensorAt: r.sensorAt,
        back: { ...study.pipes.loop.back, ...r.pipes[11] },
      }
      found.loop = { ...r.loopSettings, mode: r.mode, schedule: everyDay(r.loop) }
    }
    putHeating(study, r.heatingSide)
    putControllers(study, r.controllers)
    putSurvey(study, r.survey)
    putJudged(study, r.judged)
    return Study.parse(study)
  })

export interface SpanAccount {
  flows: Record<Flow, number>
  input: number
  residual: number
  home: House
}

/** Runs the first days of a study's year and adds its ledger up, kJ. */
export function firstDays(study: Study, days: number, seen?: (home: House) => void): SpanAccount {
  const home = new House(study)
  home.runUntil(days * 86_400, Infinity, seen && (() => seen(home)))
  home.closeMonth()
  const sum = (a: Float64Array) => a.reduce((s, x) => s + x, 0)
  const flows = Object.fromEntries(FLOWS.map((f) => [f, sum(home.ledger.flows[f])])) as Record<Flow, number>
  const input = CARRIERS.reduce((s, c) => s + sum(home.ledger.inputs[c]), 0)
  const out = FLOWS.reduce((s, f) => s + (COMES_IN.includes(f) ? -flows[f] : flows[f]), 0)
  return { flows, input, residual: input - out, home }
}

/** A year of a study; null where it is refused as too long to follow, which an odd study may be. */
export function yearOrNull(study: Study): YearResult | null {
  try {
    return simulate(study)
  } catch (error) {
    if (error instanceof YearRefused) return null
    throw error
  }
}
