import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { hillTown } from '../../core/demos/hill-town'
import { dialFor } from '../../core/heaters/dial'
import { settleOrigins } from '../../core/household/edits/origins'
import { KINDS, placesFor } from '../../core/readings/kinds'
import { hasSetpoint } from '../../core/study/heater-kinds'
import { valueAt, withValueAt } from '../../core/study/paths'

describe('a dial without degrees', () => {
  it('lies on the line between its marks, whichever way it turns', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.constantFrom(-1, 1),
        fc.double({ min: 2, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (start, way, perDivision, share) => {
          const marks = [0, 1, 2.5].map((d) => ({ division: start + way * d, tempC: 45 + perDivision * d }))
          const wanted = 45 + perDivision * 2.5 * share
          const answer = dialFor(marks, wanted)
          expect(answer.ok && Math.abs(answer.value - (start + way * 2.5 * share))).toBeLessThan(1e-6)
        },
      ),
    )
  })

  it('says why it cannot be said', () => {
    expect(dialFor([{ division: 2, tempC: 50 }], 55)).toEqual({
      ok: false,
      faults: [{ path: '', message: expect.stringMatching(/At least 2 marks/) }],
    })
    expect(
      dialFor(
        [
          { division: 1, tempC: 50 },
          { division: 2, tempC: 55 },
          { division: 1.5, tempC: 60 },
        ],
        52,
      ),
    ).toEqual({ ok: false, faults: [{ path: '', message: expect.stringMatching(/contradict/) }] })
    expect(
      dialFor(
        [
          { division: 1, tempC: 50 },
          { division: 2, tempC: 54 },
        ],
        70,
      ),
    ).toEqual({ ok: false, faults: [{ path: '', message: expect.stringMatching(/Too far/) }] })
    expect(
      dialFor(
        [
          { division: 1, tempC: 50 },
          { division: 2, tempC: 50.5 },
        ],
        50.2,
      ),
    ).toEqual({ ok: false, faults: [{ path: '', message: expect.stringMatching(/too close together/) }] })
  })
})

describe('paths and origins', () => {
  it('reach by key, by id and by position, and never out of a prototype', () => {
    expect(valueAt(hillTown, 'pipes.taps.bath.flowLMin')).toBeUndefined()
    expect(valueAt(hillTown, 'pipes.taps.first-bath.flowLMin')).toBe(14)
    expect(valueAt(hillTown, 'site.monthlyAirC.2')).toBe(6.8)
    expect(valueAt(hillTown, 'constructor.name')).toBeUndefined()
    expect(() => withValueAt(hillTown, 'pipes.taps.none.flowLMin', 3)).toThrow(RangeError)
    expect(valueAt(withValueAt(hillTown, 'pipes.taps.first-bath.flowLMin', 3), 'pipes.taps.first-bath.flowLMin')).toBe(
      3,
    )
    expect(hillTown.pipes.taps[2].flowLMin).toBe(14)
  })

  it('what is typed over is no longer assumed, what is adopted is measured', () => {
    const typed = withValueAt(hillTown, 'pipes.loop.pumpLMin', 5)
    expect(settleOrigins(hillTown, typed)['pipes.loop.pumpLMin']).toBeUndefined()
    expect(settleOrigins(hillTown, typed)['plant.store.loss']).toBe('assumed')
    const measured = { ...typed, origins: { ...typed.origins, 'pipes.loop.pumpLMin': 'measured' as const } }
    expect(settleOrigins(hillTown, measured)['pipes.loop.pumpLMin']).toBe('measured')
    expect(
      Object.keys(settleOrigins(hillTown, { ...hillTown, origins: { 'plant.heaters.gone.outputKw': 'measured' } })),
    ).toEqual([])
  })
})

describe('where a reading is taken', () => {
  it('offers a heater only for what can be read at it', () => {
    const farm = forestFarm
    const at = (kind: string) =>
      placesFor(
        farm,
        KINDS.find((k) => k.kind === kind)!,
      ).map((h) => h.id)
    const held = farm.plant.heaters.filter(hasSetpoint).map((h) => h.id)
    expect(held.length).toBeLessThan(farm.plant.heaters.length)
    expect(at('dial')).toEqual(held)
    expect(at('meter')).toEqual(held)
    expect(at('heater-display')).toEqual(farm.plant.heaters.map((h) => h.id))
  })
})
