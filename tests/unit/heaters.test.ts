import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { efficiencyAt } from '../../core/heaters/efficiency'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { defaultFunctions } from '../../core/study/controls'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { allStarts } from '../../core/year/heaters/plant-model'
import { firstDays } from '../../proof/random-study'
import { changed } from '../../proof/studies'

const nobody = (s: Study) => {
  s.people.uses = []
  s.controls.found.loop.mode = 'off'
}
const boiler = (s: Study) => s.plant.heaters[0] as HeaterOf<'boiler-coil'>

describe('efficiency', () => {
  it.each([
    [20, 0.975],
    [30, 0.96],
    [40, 0.935],
    [50, 0.905],
    [55, 0.885],
    [60, 0.875],
    [80, 0.86],
  ])('of a condensing appliance at a return of %d °C is %d', (returnC, want) => {
    expect(efficiencyAt({ kind: 'condensing', shift: 0 }, returnC, 'natural-gas')).toBeCloseTo(want, 9)
  })

  it('falls with the return and never leaves its table', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (c, more) => {
          const [cool, hot] = [
            efficiencyAt({ kind: 'condensing', shift: 0 }, c, 'natural-gas'),
            efficiencyAt({ kind: 'condensing', shift: 0 }, c + more, 'natural-gas'),
          ]
          expect(hot).toBeLessThanOrEqual(cool)
          expect(cool).toBeLessThanOrEqual(0.975)
          expect(hot).toBeGreaterThanOrEqual(0.86)
        },
      ),
    )
  })
})

describe('a boiler with a coil', () => {
  it('condenses more with a cooler store', () => {
    const loss = (setpointC: number) => {
      const { flows, input } = firstDays(
        changed(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = setpointC)),
        7,
      )
      return flows.conversion / input
    }
    expect(loss(50)).toBeLessThan(loss(70))
  })

  it('loses a purge at each start', () => {
    const input = (startLossWh: number) =>
      firstDays(
        changed(hillTown, (s) => void (boiler(s).startLossWh = startLossWh)),
        7,
      )
    const [without, withPurge] = [input(0), input(100)]
    const starts = allStarts(withPurge.home.plant.starts())
    expect(withPurge.input - without.input).toBeCloseTo(starts * 100 * 3.6, -3)
  })

  it('loses nothing between boiler and coil when that circuit loses nothing', () => {
    expect(
      firstDays(
        changed(hillTown, (s) => void (boiler(s).primary.uaWK = 0)),
        4,
      ).flows.primary,
    ).toBe(0)
  })

  it('heats inside its windows only', () => {
    const study = changed(hillTown, (s) => {
      nobody(s)
      s.controls.found.heaters.boiler.schedule = Array.from({ length: 7 }, () => [{ fromMin: 360, toMin: 480 }])
    })
    const fired: number[] = []
    firstDays(study, 5, (home) => {
      if (home.plant.state().heatKw > 0) fired.push((home.nowS / 60) % 1440)
    })
    expect(fired.length).toBeGreaterThan(0)
    // The step that reaches the edge of the window ends at it.
    for (const minute of fired) {
      expect(minute).toBeGreaterThanOrEqual(360)
      expect(minute).toBeLessThanOrEqual(480.01)
    }
  })
})

describe('a gas store', () => {
  it('burns its pilot at all times', () => {
    const quiet = (pilotW: number) =>
      firstDays(
        changed(duplex, (s) => {
          nobody(s)
          ;(s.plant.heaters[0] as HeaterOf<'gas-store'>).pilotW = pilotW
        }),
        10,
      )
    const loss = quiet(0)
    // A pilot smaller than the standing loss saves the burner its share.
    const [some, all] = [quiet(60), quiet(110)]
    expect(Math.abs(some.input / loss.input - 1)).toBeLessThan(0.08)
    expect(all.input).toBeGreaterThanOrEqual(110 * 10 * 86.4 * 0.999)
  })
})

describe('electric elements', () => {
  const electric = changeHeaterKind(changed(hillTown, nobody), 'boiler', 'element')

  it('turn all they draw into heat', () => {
    const { flows, input } = firstDays(electric, 10)
    expect(flows.conversion).toBeCloseTo(0, 6)
    expect(Math.abs(input - flows.store - flows.storedChange - flows.deadLeg)).toBeLessThan(1e-6 * input + 1e-3)
  })

  it('work in their order: the second rests while the first is called', () => {
    const two = addHeater(electric, 'element')
    const [first, second] = two.plant.heaters
    const study = changed(two, (s) => {
      s.plant.heaters[1] = { ...s.plant.heaters[1], powerKw: 9 } as HeaterOf<'element'>
      s.controls.found.heaters[first.id] = { setpointC: 60, differentialK: 5, schedule: null, ...defaultFunctions() }
      s.controls.found.heaters[second.id] = { setpointC: 40, differentialK: 5, schedule: null, ...defaultFunctions() }
    })
    let most = 0
    firstDays(study, 5, (home) => (most = Math.max(most, home.plant.state().heatKw)))
    expect(most).toBeCloseTo((first as HeaterOf<'element'>).powerKw, 6)
  })

  it('cost more by day than by night where the price says so', () => {
    const at = (fromMin: number, toMin: number) => {
      const study = changed(
        electric,
        (s) => void (s.controls.found.heaters.boiler.schedule = Array.from({ length: 7 }, () => [{ fromMin, toMin }])),
      )
      const { home } = firstDays(study, 5)
      const [money, kj] = [home.ledger.money.electricity[0], home.ledger.inputs.electricity[0]]
      return (money / kj) * 3600
    }
    // The demo's first days hold a weekend at the night price; working days differ.
    expect(at(0, 360)).toBeCloseTo(0.22, 6)
    expect(at(600, 900)).toBeGreaterThan(0.24)
  })
})
