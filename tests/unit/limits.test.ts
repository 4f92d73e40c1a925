import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { figurePaths } from '../../core/household/defaults/assumed'
import { changeHeaterKind } from '../../core/household/edits/plant'
import { judge, KINDS } from '../../core/readings/kinds'
import { rangeAt, takes } from '../../core/study/limits'
import { valueAt, withValueAt } from '../../core/study/paths'
import type { Reading } from '../../core/study/readings'
import { dependsOn } from '../../core/year/depends-on'
import { randomStudy } from '../../proof/random-study'
import { readingOf } from '../../proof/studies'

const reading = (kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
  readingOf(kind, values, { where, takenAt: '2026-02-03T07:30:00+01:00' })

describe('limits of a study', () => {
  it('are found for every figure by its path, and take what stands there', () => {
    for (const { study } of DEMOS)
      for (const path of figurePaths(study, '').map((p) => p.slice(1)))
        expect(takes(study, path, valueAt(study, path)), path).toBe(true)
    fc.assert(
      fc.property(randomStudy, (study) => {
        for (const path of [...figurePaths(study.plant, 'plant'), ...figurePaths(study.pipes, 'pipes')])
          expect(takes(study, path, valueAt(study, path)), path).toBe(true)
      }),
      { numRuns: 30 },
    )
  })

  it('are those of the kind that stands there', () => {
    const element = changeHeaterKind(hillTown, 'boiler', 'element')
    expect(rangeAt(element, 'plant.heaters.boiler.powerKw')).toEqual({ min: 0.3, max: 40 })
    expect(rangeAt(hillTown, 'plant.heaters.boiler.outputKw')).toEqual({ min: 1, max: 200 })
    expect(rangeAt(hillTown, 'site.monthlyAirC.3')).toEqual({ min: -50, max: 50 })
    expect(() => rangeAt(hillTown, 'plant.heaters.boiler.powerKw')).toThrow(RangeError)
    expect(takes(hillTown, 'plant.heaters.gone.outputKw', 5)).toBe(false)
  })

  it('hold for whatever a reading offers: no 69.6 kW for an element whose limit is 40', () => {
    const element = changeHeaterKind(hillTown, 'boiler', 'element')
    const shown = (flowLMin: number) =>
      judge(element, reading('heater-display', { inletC: 10, outletC: 60, flowLMin, gave: 'all it has' }, 'boiler'))!
        .offers
    expect(shown(20)).toEqual([])
    expect(shown(6)).toEqual([expect.objectContaining({ path: 'plant.heaters.boiler.powerKw' })])
    fc.assert(
      fc.property(
        randomStudy,
        fc.constantFrom(...KINDS.map((k) => k.kind)),
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (study, name, figures) => {
          const kind = KINDS.find((k) => k.kind === name)!
          const values = Object.fromEntries(
            Object.keys(kind.input.shape).map((field, i) => [field, kind.begin[field] ?? figures[i % 12]]),
          )
          for (const { id } of study.plant.heaters) {
            const offers = judge(study, reading(name, values, kind.at === 'heater' ? id : null))?.offers ?? []
            for (const offer of offers) expect(takes(study, offer.path, offer.value), offer.path).toBe(true)
          }
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('what a year depends on', () => {
  it('is moved by figures and not by names, notes, units or readings', () => {
    const was = dependsOn(hillTown)
    const renamed = ['pipes.taps.kitchen-sink.name', 'plant.heaters.boiler.note', 'site.name'].reduce(
      (s, path) => withValueAt(s, path, 'Another name'),
      hillTown,
    )
    expect(dependsOn({ ...renamed, units: 'us', readings: [reading('note', {})] })).toBe(was)
    expect(dependsOn(withValueAt(hillTown, 'pipes.taps.kitchen-sink.flowLMin', 5))).not.toBe(was)
    expect(dependsOn(withValueAt(hillTown, 'controls.found.heaters.boiler.setpointC', 61))).not.toBe(was)
  })
})
