import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { connectionsUa, storeUa } from '../../core/household/store-connections'
import { apply } from '../../core/measures/apply'
import { beginMeasure } from '../../core/measures/begin'
import type { Material } from '../../core/pipes/catalogue'
import { pipeOf, PIPES, sizesOf } from '../../core/pipes/catalogue'
import { connectionUa } from '../../core/stores/connections'
import type { Study } from '../../core/study/study'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { changed, uncontrolled } from '../../proof/studies'

const bare = { at: 'top' as const, material: 'copper-en' as const, size: '22', insulation: null }
const labelled = (edit: (s: Study) => void = () => {}) =>
  changed(duplex, (s) => {
    s.plant.store!.loss = { kind: 'label', label: 'C' }
    s.pipes.loop = null
    uncontrolled(s)
    s.controls.found.loop.mode = 'off'
    if (s.controls.set) s.controls.set.loop.mode = 'off'
    s.packages = []
    edit(s)
  })

describe('connections of a store', () => {
  it('lose what was measured on such pipes: 0.1 to 0.4 W/K without a trap, less with one', () => {
    const copper = pipeOf('copper-en', '22')
    expect(connectionUa(copper, null, 'cellar', true)).toBeGreaterThan(0.2)
    expect(connectionUa(copper, null, 'cellar', true)).toBeLessThan(0.45)
    // √(U′ λA): 0.79 W/(m·K) × (380 × 59.7 mm² + 0.64 × 320 mm²) W·m/K
    expect(connectionUa(copper, null, 'cellar', false)).toBeCloseTo(
      Math.sqrt(0.79 * (380 * 59.7e-6 + 0.64 * 320e-6)),
      2,
    )
    expect(connectionUa(pipeOf('pex-en', '20x2'), null, 'cellar', false)).toBeLessThan(0.03)
  })

  it('never lose more with a trap or with insulation, whatever the pipe', () => {
    for (const material of Object.keys(PIPES) as Material[])
      for (const size of sizesOf(material)) {
        const of = (mm: number | null, free: boolean) =>
          connectionUa(
            pipeOf(material, size),
            mm === null ? null : { lambdaWMK: 0.038, thicknessMm: mm },
            'cellar',
            free,
          )
        expect(of(null, true)).toBeGreaterThanOrEqual(of(null, false))
        expect(of(30, true)).toBeLessThan(of(null, true) + 1e-9)
        expect(of(30, false)).toBeLessThan(of(null, false) + 1e-9)
      }
  })

  it('count for nothing until somebody has looked, and are said as not checked with what they may take', () => {
    const study = labelled()
    expect(connectionsUa(study)).toBe(0)
    const check = checksOf(study, null).find((c) => c.id === 'store-connections')!
    expect(check.level).toBe('not checked')
    expect(check.sentence).toMatch(/Up to [\d.,]+ /)
  })

  it('are in the year’s standing loss, kWh for kWh', () => {
    const with_ = labelled((s) => void (s.plant.store!.connections = { heatTraps: false, inlet: bare }))
    const [plain, open] = [simulate(labelled()), simulate(with_)]
    const more = open.energy.storeKwh / plain.energy.storeKwh
    expect(more).toBeCloseTo(storeUa(with_)! / storeUa(labelled())!, 1)
    expect(open.energy.residualKwh).toBe(0)
  })

  it('a measured loss has them in it already', () => {
    const at = (heatTraps: boolean) =>
      changed(labelled(), (s) => {
        s.plant.store!.loss = { kind: 'ua', uaWK: 3 }
        s.plant.store!.connections = { heatTraps, inlet: bare }
      })
    expect(storeUa(at(false))).toBe(3)
    expect(storeUa(at(true))).toBe(3)
    const mended = apply(at(false), beginMeasure(at(false), 'store-connections', 'm'))
    expect(storeUa(mended)!).toBeCloseTo(3 - (connectionsUa(at(false)) - connectionsUa(mended)), 9)
    expect(storeUa(mended)!).toBeLessThan(3)
  })

  it('of a hot pipe that is on a loop in use are the loop’s', () => {
    const looped = (mode: 'off' | 'always') =>
      changed(hillTown, (s) => {
        s.controls.found.loop.mode = mode
        s.controls.set = null
        s.plant.store!.connections = { heatTraps: false, inlet: null }
      })
    expect(connectionsUa(looped('off'))).toBeGreaterThan(0)
    expect(connectionsUa(looped('always'))).toBe(0)
  })

  it('mended, never lose more than before, and a jacket round them keeps what they take', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        fc.pre(study.plant.store !== null)
        const mended = apply(study, beginMeasure(study, 'store-connections', 'm'))
        expect(storeUa(mended)!).toBeLessThanOrEqual(storeUa(study)! + 1e-9)
        const jacket = apply(study, { ...beginMeasure(study, 'jacket', 'j'), coveredShare: 0 })
        expect(storeUa(jacket)!).toBeCloseTo(storeUa(study)!, 6)
      }),
      { numRuns: 60 },
    )
  })
})
