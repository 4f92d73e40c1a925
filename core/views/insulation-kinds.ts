import { yearMean } from '../calendar/year'
import { placeTemperature } from '../climate/places'
import { supplyC } from '../household/supply'
import { apply } from '../measures/apply'
import { partsOf } from '../measures/parts'
import { pipeOf } from '../pipes/catalogue'
import { type InsulationKind, INSULATIONS, pipeLoss } from '../pipes/loss'
import type { MeasureOf } from '../study/measures'
import type { Run } from '../study/pipes'
import type { Study } from '../study/study'

/** What is wrapped: a run, or the way back of a loop. */
type Wrapped = Pick<Run, 'material' | 'size' | 'place'>

/** A kind of insulation on the pipes that a measure wraps. */
export interface KindOfInsulation {
  kind: InsulationKind
  lambdaWMK: number
  /** What it stands, °C, as is usual. */
  standsC: number
  /** Comes with a self-sealing slit as well. */
  selfSealing: boolean
  closed: string
  /** Loss of a metre of the first wrapped pipe at the supply temperature, W/m; null while none is wrapped. */
  lossWM: number | null
  /** Money for a metre (or a foot) of it, by the price book or as offered; null: not priced. */
  priceEach: number | null
}

/** The first pipe that a measure wraps, as it is; null where it wraps none. */
function firstWrapped(study: Study, measure: MeasureOf<'insulate-runs'>): Wrapped | null {
  const { runs, loop } = study.pipes
  const after = apply(study, measure).pipes
  const i = after.runs.findIndex((r, k) => r !== runs[k])
  if (i >= 0) return runs[i]
  return loop && after.loop!.back.insulation !== loop.back.insulation ? loop.back : null
}

/** Each usual kind of insulation at the thickness of a measure: what it stands, how it is closed, what it loses, what it costs. */
export function insulationKinds(
  study: Study,
  measure: MeasureOf<'insulate-runs'>,
): { of: Wrapped | null; waterC: number; bareWM: number | null; kinds: KindOfInsulation[] } {
  const waterC = supplyC(study)
  const { monthlyAirC } = study.site
  const of = firstWrapped(study, measure)
  const airC = of && yearMean(monthlyAirC.map((_, m) => placeTemperature(of.place, m, monthlyAirC)))
  const loss = (lambdaWMK: number | null) =>
    of &&
    pipeLoss(
      pipeOf(of.material, of.size),
      waterC,
      airC!,
      lambdaWMK === null ? null : { lambdaWMK, thicknessMm: measure.insulation.thicknessMm },
      of.place,
    ).lossWM
  return {
    of,
    waterC,
    bareWM: loss(null),
    kinds: (Object.keys(INSULATIONS) as InsulationKind[]).map((kind) => {
      const { lambdaWMK, standsC, slit, closed } = INSULATIONS[kind]
      const foam = partsOf(study, { ...measure, insulation: { ...measure.insulation, lambdaWMK } }).find(
        (p) => p.lengthEach,
      )
      return {
        kind,
        lambdaWMK,
        standsC,
        selfSealing: slit,
        closed,
        lossWM: loss(lambdaWMK),
        priceEach: foam?.priceEach && foam.lengthEach ? foam.priceEach.likely / foam.lengthEach.units : null,
      }
    }),
  }
}
