import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOfMeasure } from '../../core/checks/measure'
import { DEMOS } from '../../core/demos'
import { courtFlat } from '../../core/demos/court-flat'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { sourcesFor } from '../../core/household/edits/heat-source'
import { removeHabit, removeTap } from '../../core/household/edits/people'
import { addHeater, removeHeater } from '../../core/household/edits/plant'
import { removeRun } from '../../core/household/edits/runs'
import { apply, applyAll } from '../../core/measures/apply'
import { beginHeatSource, beginMeasure, measuresFor } from '../../core/measures/begin'
import { jobsOf } from '../../core/measures/jobs'
import { costOf, partsOf } from '../../core/measures/parts'
import { paybackYears } from '../../core/measures/payback'
import { offeredAt } from '../../core/study/economics'
import type { Measure, Package } from '../../core/study/measures'
import { Study } from '../../core/study/study'
import { netCost } from '../../core/views/appraisal'
import { compared, detailsOf } from '../../core/views/compare'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

/** Every measure that a household can be offered, as it is begun. */
const allOf = (study: Study): Measure[] => [
  ...measuresFor(study)
    .filter((kind) => kind !== 'heat-source')
    .map((kind): Measure => beginMeasure(study, kind, kind)),
  ...(['instead', 'beside'] as const).flatMap((how) =>
    sourcesFor(study, how).map((kind) => beginHeatSource(study, kind, how, `${how}-${kind}`)!),
  ),
]
const DAYS = 2
/** Heat that came in in some days for what was used and lost: of the air too, and less what a charge at their end has stored. */
const heatIn = (study: Study) => {
  const { input: bought, flows } = firstDays(study, DAYS)
  return bought + flows.ambient - flows.storedChange
}

describe('measures, on every demo', () => {
  it.each(DEMOS.map(({ study }) => [study.id, study] as const))(
    'each that is offered to %s leaves a sound study, its ledger closed, and says what it takes',
    (_, study) => {
      for (const m of allOf(study)) {
        const after = apply(study, m)
        const proposed = { ...study, claims: [], packages: [{ id: 'p', name: 'p', measures: [m] }] }
        for (const s of [proposed, after]) expect(Study.safeParse(s).success, `${m.kind} ${m.name}`).toBe(true)
        const { residual, input, flows } = firstDays(after, DAYS)
        const moved = input + flows.recovered + flows.renewable + flows.ambient + Math.abs(flows.storedChange)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1, moved))
        expect(
          checksOfMeasure(study, m).every((c) => c.sentence.length > 10 && !/NaN|undefined/.test(c.sentence)),
        ).toBe(true)
        expect(partsOf(study, m).every((p) => Number.isInteger(p.count) && p.count > 0)).toBe(true)
        // Nobody has asked what it costs.
        expect(costOf(study, m)).toBeNull()
        expect(paybackYears(netCost([m], [costOf(study, m)])?.likely ?? null, 1e9)).toBeNull()
      }
    },
    60_000,
  )

  it('an empty package saves nothing, and a package saves the difference of its years to the last digit', () => {
    const study = changed(courtFlat, (s) => void s.packages.push({ id: 'empty', name: 'Empty', measures: [] }))
    const years = new Map(jobsOf(study).map((j) => [j.key, simulate(j.study)]))
    const { packages, asFound } = compared(study, years)
    expect(packages[1].together).toBe(0)
    expect(packages[0].together).toBe(asFound.cost.total - packages[0].result.cost.total)
    expect(packages[0].difference.cost).toBe(-packages[0].together)
  })

  it('costs are their parts: known once all are, unknown again when one is taken back', () => {
    const [pack] = courtFlat.packages
    const [drain] = detailsOf(courtFlat, pack)
    expect(drain.costMoney).toBeNull()
    const priced: Package = {
      ...pack,
      measures: pack.measures.map((m) =>
        m.kind === 'drain-recovery'
          ? { ...m, partPrices: { ...m.partPrices, 'labour drain-recovery': offeredAt(260) } }
          : m,
      ),
    }
    const known = detailsOf(courtFlat, priced)[0]
    expect(known.costMoney!.likely).toBe(known.parts.reduce((s, p) => s + p.count * p.priceEach!.likely, 0))
    expect(known.parts.find((p) => p.key === 'cold pipe m')!.count).toBe(7)
  })

  it('foam is bought in whole pieces', () => {
    const wrap = { ...beginMeasure(hillTown, 'insulate-runs', 'w') }
    for (const p of partsOf(hillTown, wrap).filter((x) => x.key.startsWith('foam')))
      expect(p.count * 2).toBeGreaterThanOrEqual(Number.parseFloat(p.also!))
  })

  it('a measure named lower never raises a setpoint', () => {
    for (const setpointC of [35, 45, 50, 52, 60, 70]) {
      const study = changed(harbourFlat, (s) => void (s.controls.found.heaters['wall-heater'].setpointC = setpointC))
      expect(beginMeasure(study, 'setpoint', 's').setpointC).toBeLessThanOrEqual(setpointC)
    }
  })

  it('forgets what is taken out of the house', () => {
    const study = changed(hillTown, (s) => void (s.packages = [{ id: 'all', name: 'All', measures: allOf(hillTown) }]))
    const sound = (s: Study) => Study.safeParse(s).success
    const tap = study.pipes.taps.find((t) => t.kind === 'bath')!
    const unused = study.people.uses
      .filter((h) => h.tapId === tap.id)
      .reduce((house, h) => removeHabit(house, h.id), study)
    for (const after of [
      removeHabit(study, study.people.uses[0].id),
      removeTap(unused, tap.id),
      removeRun(study, study.pipes.runs[0].id),
      removeHeater(addHeater(study, 'element'), 'boiler'),
    ])
      expect(sound(after)).toBe(true)
  })
})

describe('laws of measures, on random studies', () => {
  it('the order of measures that do not touch the same thing does not matter', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const [tap] = study.pipes.taps
        const measures: Measure[] = [
          { ...beginMeasure(study, 'insulate-runs', 'a') },
          { ...beginMeasure(study, 'tap-flow', 'b'), tapId: tap.id },
          ...(study.people.uses.length ? [beginMeasure(study, 'shorter-draws', 'c') as Measure] : []),
          ...(study.plant.store ? [beginMeasure(study, 'jacket', 'd') as Measure] : []),
        ]
        expect(applyAll(study, [...measures].reverse())).toEqual(applyAll(study, measures))
      }),
      { numRuns: 30, endOnFailure: true },
    )
  })

  it('a thicker jacket never costs energy, nor does thicker foam on a run that lies hot', () => {
    const house = changed(hillTown, (s) => void (s.controls.found.loop.mode = 'always'))
    const years = [0, 20, 60, 120].map((thicknessMm) => {
      const jacket = beginMeasure(house, 'jacket', 'j')
      return purchasedKwh(simulate(apply(house, { ...jacket, insulation: { ...jacket.insulation, thicknessMm } })))
    })
    const wraps = [5, 13, 30].map((thicknessMm) => {
      const wrap = beginMeasure(house, 'insulate-runs', 'w')
      return purchasedKwh(simulate(apply(house, { ...wrap, insulation: { ...wrap.insulation, thicknessMm } })))
    })
    for (const list of [years, wraps]) for (let i = 1; i < list.length; i++) expect(list[i]).toBeLessThan(list[i - 1])
  })

  it('more recovery never asks for more heat', () => {
    for (const study of [courtFlat, harbourFlat, hillTown])
      for (const connection of ['A', 'B', 'C'] as const) {
        const fuels = [0.1, 0.3, 0.5, 0.7].map((effectiveness) => {
          const m = beginMeasure(study, 'drain-recovery', 'd')
          return heatIn(apply(study, { ...m, recovery: { ...m.recovery, connection, effectiveness, warmUpS: 0 } }))
        })
        const without = heatIn(study)
        for (const [i, fuel] of fuels.entries()) expect(fuel).toBeLessThanOrEqual((fuels[i - 1] ?? without) * 1.005)
      }
  })

  it('every measure that is offered leaves a sound study', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        for (const m of allOf(study)) expect(Study.safeParse(apply(study, m)).success, m.name).toBe(true)
      }),
      { numRuns: 15, endOnFailure: true },
    )
  })
})
