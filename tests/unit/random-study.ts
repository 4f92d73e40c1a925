import fc from 'fast-check'
import { everyDay } from '../../core/controls/week'
import { DEMOS } from '../../core/demos/index'
import { MATERIALS, sizesOf } from '../../core/pipes/catalogue'
import { addHeater, changeHeaterKind } from '../../core/study/plant-edits'
import { HEATER_KINDS, type HeaterKind } from '../../core/study/plant'
import { Study } from '../../core/study/study'
import { Household } from '../../core/year/household'
import { COMES_IN, FLOWS, type Flow } from '../../core/year/ledger'
import { CARRIERS } from '../../core/money/carriers'
import { PLACES } from '../../core/climate/places'

const pipe = fc
  .constantFrom(...MATERIALS)
  .chain((material) =>
    fc.record({
      material: fc.constant(material),
      size: fc.constantFrom(...sizesOf(material)),
      lengthM: fc.double({ min: 0.3, max: 25, noNaN: true }),
      place: fc.constantFrom(...PLACES),
      insulation: fc.option(fc.record({ lambdaWMK: fc.constantFrom(0.028, 0.037, 0.04), thicknessMm: fc.integer({ min: 0, max: 40 }) })),
    }),
  )

/** The demos, and the same with every other kind of heater in, beside or behind their own. */
const BASES: Study[] = DEMOS.flatMap(({ study }) => [
  study,
  ...(Object.keys(HEATER_KINDS) as HeaterKind[]).flatMap((kind) => [changeHeaterKind(study, study.plant.heaters[0].id, kind), addHeater(study, kind)]),
  ...[addHeater(addHeater(study, 'under-sink'), 'reservoir')].map((s) => ({ ...s, plant: { ...s.plant, heaters: s.plant.heaters.map((h) => (h.kind === 'under-sink' ? { ...h, feed: 'hot' as const } : h)) } })),
])

/** A sound study of a household nobody has thought of: a demo's shape with its figures thrown about. */
export const randomStudy: fc.Arbitrary<Study> = fc
  .record({
    base: fc.constantFrom(...BASES),
    pipes: fc.array(pipe, { minLength: 12, maxLength: 12 }),
    setpointC: fc.double({ min: 40, max: 75, noNaN: true }),
    hysteresisK: fc.double({ min: 1, max: 12, noNaN: true }),
    litres: fc.double({ min: 60, max: 500, noNaN: true }),
    uaWK: fc.double({ min: 0, max: 8, noNaN: true }),
    outputScale: fc.double({ min: 0.3, max: 2, noNaN: true }),
    timer: fc.option(fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 720, max: 1440 }))),
    mode: fc.constantFrom('off' as const, 'always' as const, 'clock' as const),
    loop: fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 720, max: 1440 })),
    pumpLMin: fc.double({ min: 0.5, max: 12, noNaN: true }),
    flowScale: fc.double({ min: 0.4, max: 2, noNaN: true }),
    seed: fc.integer({ min: 0, max: 1_000_000 }),
    keepHot: fc.boolean(),
    mixesToC: fc.option(fc.double({ min: 38, max: 60, noNaN: true })),
    closesAtC: fc.option(fc.double({ min: 28, max: 45, noNaN: true })),
    airC: fc.double({ min: -10, max: 12, noNaN: true }),
  })
  .map((r) => {
    const study = structuredClone(r.base)
    study.people.seed = r.seed
    study.site.monthlyAirC = study.site.monthlyAirC.map((c) => c + r.airC / 2)
    study.pipes.runs = study.pipes.runs.map((run, i) => ({ ...run, ...r.pipes[i % 12] }))
    study.pipes.taps = study.pipes.taps.map((t) => ({ ...t, flowLMin: t.flowLMin * r.flowScale }))
    const found = study.controls.found
    for (const id of Object.keys(found.heaters)) {
      found.heaters[id] = {
        setpointC: r.setpointC,
        hysteresisK: r.hysteresisK,
        windows: r.timer ? everyDay(r.timer) : null,
        keepHot: r.keepHot,
      }
    }
    if (study.plant.store) study.plant.store = { ...study.plant.store, litres: r.litres, loss: { kind: 'ua', uaWK: r.uaWK }, mixesToC: r.mixesToC }
    study.plant.heaters = study.plant.heaters.map((h) => ('outputKw' in h ? { ...h, outputKw: Math.max(3, h.outputKw * r.outputScale), ...('leastOutputKw' in h ? { leastOutputKw: 1 } : {}) } : h))
    if (study.pipes.loop) {
      study.pipes.loop = { ...study.pipes.loop, bypass: r.closesAtC === null ? null : { closesAtC: r.closesAtC }, pumpLMin: r.pumpLMin, back: { ...study.pipes.loop.back, ...r.pipes[11] } }
      found.loop = { mode: r.mode, windows: everyDay(r.loop) }
    }
    return Study.parse(study)
  })

export interface SpanAccount {
  flows: Record<Flow, number>
  input: number
  residual: number
  home: Household
}

/** Runs the first days of a study's year and adds its ledger up, kJ. */
export function firstDays(study: Study, days: number, seen?: (home: Household) => void): SpanAccount {
  const home = new Household(study)
  home.runUntil(days * 86_400, Infinity, seen && (() => seen(home)))
  home.closeMonth()
  const sum = (a: Float64Array) => a.reduce((s, x) => s + x, 0)
  const flows = Object.fromEntries(FLOWS.map((f) => [f, sum(home.ledger.flows[f])])) as Record<Flow, number>
  const input = CARRIERS.reduce((s, c) => s + sum(home.ledger.inputs[c]), 0)
  const out = FLOWS.reduce((s, f) => s + (COMES_IN.includes(f) ? -flows[f] : flows[f]), 0)
  return { flows, input, residual: input - out, home }
}
