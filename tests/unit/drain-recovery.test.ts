import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyMonth } from '../../core/calendar/year'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { changeHeaterKind } from '../../core/household/edits/plant'
import { apply } from '../../core/measures/apply'
import { beginMeasure } from '../../core/measures/begin'
import { type Connection, CONNECTIONS, drainRecovery, preheatedC } from '../../core/recovery/drain-recovery'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Recovery } from '../../core/study/pipes'
import { Study } from '../../core/study/study'
import { purchasedKwh, type YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { firstDays, randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const UNIT = { effectiveness: 0.5, ratedFlowLMin: 10 }
const HOT_C = 55
const COLD_C = 10
const SHOWER_C = 40
const DROP_K = 4

/** Long showers of 10 L/min, and nothing else: electric, no lag, hardly any pipe, cold main the same all year. */
const steady = Study.parse(
  changed(changeHeaterKind(harbourFlat, 'wall-heater', 'instant-electric'), (s) => {
    s.site.mains = { kind: 'monthly', monthlyC: everyMonth(COLD_C) }
    const heater = s.plant.heaters[0] as HeaterOf<'instant-electric'>
    Object.assign(heater, {
      outputKw: 60,
      startDelayS: 0,
      minActivationFlowLMin: 0,
      standbyW: 0,
      contentL: 0.1,
      contentUaWK: 0,
    })
    s.controls.found.heaters['wall-heater'].setpointC = HOT_C
    for (const r of s.pipes.runs) r.lengthM = 0.1
    for (const t of s.pipes.taps) t.flowLMin = 10
    const [shower] = s.people.uses
    s.people.uses = [
      { ...shower, use: { kind: 'timed', minutes: 60 }, amountSpread: 0, requiredC: SHOWER_C, chance: 1 },
    ]
    s.people.winterSwing = 0
    s.people.absences = []
    s.packages = []
  }),
)
const withUnit = (study: Study, connection: Connection, more: Partial<Recovery> = {}): Study =>
  changed(study, (s) => {
    s.pipes.recovery = {
      connection,
      mount: 'upright',
      ...UNIT,
      warmUpS: 0,
      inspectedOn: null,
      dropK: DROP_K,
      dataSource: null,
      tapIds: s.pipes.taps.filter((t) => t.kind === 'shower').map((t) => t.id),
      ...more,
    }
  })
const saved = (before: YearResult, after: YearResult) => 1 - purchasedKwh(after) / purchasedKwh(before)

describe('heat out of the drain', () => {
  const without = simulate(steady)

  it.each(CONNECTIONS)('on steady showers the year with %s is the closed form, within half a point', (connection) => {
    const { savedShare } = drainRecovery(connection, UNIT, {
      showerFlowLMin: 10,
      showerC: SHOWER_C,
      drainC: SHOWER_C - DROP_K,
      hotC: HOT_C,
      coldC: COLD_C,
    })
    const year = simulate(withUnit(steady, connection))
    expect(Math.abs(saved(without, year) - savedShare)).toBeLessThan(0.005)
    expect(year.energy.recoveredKwh).toBeCloseTo(purchasedKwh(without) - purchasedKwh(year), -1)
  })

  it('a unit that warms up slowly gives less of a shower, by its warm-up over the length of the shower', () => {
    const [at, slow] = [0, 120].map((warmUpS) => simulate(withUnit(steady, 'A', { warmUpS })).energy.recoveredKwh)
    // Of each hour 120 s are lost, less what is left of them at its end.
    expect(slow / at).toBeCloseTo(1 - 120 / 3600, 2)
  })

  it('gives nothing of a bath, of a tap that drains elsewhere, and of a drain as cold as the main', () => {
    const bath = changed(steady, (s) => void (s.pipes.taps.find((t) => t.kind === 'shower')!.drains = false))
    const elsewhere = withUnit(steady, 'A', { tapIds: [steady.pipes.taps.find((t) => t.kind !== 'shower')!.id] })
    for (const study of [withUnit(bath, 'A'), elsewhere]) expect(simulate(study).energy.recoveredKwh).toBe(0)
    expect(preheatedC(UNIT, { drainLMin: 10, drainC: 9, coldLMin: 10, coldC: 10 })).toBe(10)
  })

  it('on the main demo A saves most, and all of it goes through the ledger', () => {
    const base = simulate(hillTown)
    const years = CONNECTIONS.map((connection) => {
      const m = beginMeasure(hillTown, 'drain-recovery', 'unit')
      return simulate(apply(hillTown, { ...m, recovery: { ...m.recovery, connection } }))
    })
    const [a, b, c] = years.map((y) => base.cost.total - y.cost.total)
    expect(a).toBeGreaterThan(b)
    expect(a).toBeGreaterThan(c)
    expect(Math.min(b, c)).toBeGreaterThan(0)
    for (const y of years) {
      expect(Math.abs(y.energy.residualKwh)).toBeLessThan(1e-3)
      // People use what they used; a boiler saves at least what the drain gave.
      expect(Math.abs(y.energy.usefulKwh / base.energy.usefulKwh - 1)).toBeLessThan(0.005)
      expect(purchasedKwh(base) - purchasedKwh(y)).toBeGreaterThan(0.97 * y.energy.recoveredKwh)
    }
  })

  it('is no hotter than the drain, and never cools the cold water', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.85, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (effectiveness, drainLMin, coldLMin, coldC, overK) => {
          const streams = { drainLMin, drainC: coldC + overK, coldLMin, coldC }
          const out = preheatedC({ effectiveness, ratedFlowLMin: 10 }, streams)
          expect(out).toBeGreaterThanOrEqual(coldC)
          expect(out).toBeLessThanOrEqual(coldC + overK + 1e-9)
          // What one side gains the other can give.
          expect((out - coldC) * coldLMin).toBeLessThanOrEqual(overK * drainLMin + 1e-9)
          const better = preheatedC({ effectiveness: effectiveness + 0.1, ratedFlowLMin: 10 }, streams)
          expect(better).toBeGreaterThanOrEqual(out - 1e-9)
        },
      ),
    )
  })

  it('closes its ledger on random studies', () => {
    fc.assert(
      fc.property(
        randomStudy.filter((s) => s.pipes.recovery !== null),
        (study) => {
          const { residual, input, flows } = firstDays(study, 3)
          const moved = input + flows.recovered + flows.renewable + flows.ambient + Math.abs(flows.storedChange)
          expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1, moved))
        },
      ),
      { numRuns: 20, endOnFailure: true },
    )
  })
})
