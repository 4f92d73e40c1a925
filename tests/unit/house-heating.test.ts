import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAYS } from '../../core/calendar/year'
import { checksOf } from '../../core/checks/catalogue'
import { hillTown } from '../../core/demos/hill-town'
import { flowNeeded, flowTemperature, radiatorsAt } from '../../core/heaters/flow-temperature'
import { RADIATOR_EXPONENT } from '../../core/heaters/radiator'
import { degreeDaysOf, houseLoss } from '../../core/household/heating/house-loss'
import { flowNeededOnColdest, ratedKw, roomOutputs } from '../../core/household/heating/radiators'
import { displayOf } from '../../core/study/display-of'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { type FlowSetting, heatingNotChecked, type HouseHeating } from '../../core/study/heating'
import type { Study } from '../../core/study/study'
import { heatingSide, heatingSideText } from '../../core/views/heating-side'
import { type HeatingYear, heatingYear } from '../../core/year/heating/heating-year'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

/** The main demo with its boiler heating the house, 6 kW at −8 °C, 10 kW of radiators at 75/65/20. */
const house = (flow: FlowSetting, edit: (h: HouseHeating, s: Study) => void = () => {}) =>
  changed(hillTown, (s) => {
    s.site.designAirC = -8
    s.site.heatingMonths = s.site.heatingMonths.map(() => true)
    s.heating = { ...heatingNotChecked(RADIATOR_EXPONENT), totalRatedKw: 10 }
    s.heating.loss.statedKw = 6
    Object.assign(s.controls.found.heating, { heaterId: 'boiler', flow })
    edit(s.heating, s)
  })
const yearOf = (study: Study): HeatingYear => {
  const answer = heatingYear(study)
  if (!('year' in answer)) throw new Error(answer.missing.join(', '))
  return answer.year
}
const fixed = (flowC: number): FlowSetting => ({ by: 'fixed', flowC })

describe('flow and return of radiators', () => {
  it('are those they are rated at, and of printed factors', () => {
    expect(flowNeeded(1, 20)).toBeCloseTo(75, 2)
    expect(radiatorsAt(75, 20)).toMatchObject({ share: expect.closeTo(1, 3), returnC: expect.closeTo(65, 2) })
    // At 55 the same pump comes back at about 49.6: between the printed factors of 55/45 (0.51) and 55/50 (0.57), n = 1.3.
    const { share, returnC } = radiatorsAt(55, 20)
    expect(share).toBeGreaterThan(0.51)
    expect(share).toBeLessThan(0.57)
    expect(returnC).toBeCloseTo(55 - 10 * share, 1)
  })

  it('belong together: what is needed gives what was asked for, and more load asks for more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1.1, noNaN: true }),
        fc.double({ min: 12, max: 26, noNaN: true }),
        fc.double({ min: 1, max: 1.6, noNaN: true }),
        (share, roomC, exponent) => {
          const flowC = flowNeeded(share, roomC, exponent)
          const there = radiatorsAt(flowC, roomC, exponent)
          expect(there.share).toBeCloseTo(share, 2)
          expect(there.returnC).toBeGreaterThan(roomC)
          expect(there.returnC).toBeLessThan(flowC)
          expect(flowNeeded(share * 1.1, roomC, exponent)).toBeGreaterThan(flowC)
          // A hotter flow gives more and comes back hotter.
          const hotter = radiatorsAt(flowC + 5, roomC, exponent)
          expect(hotter.share).toBeGreaterThan(there.share)
          expect(hotter.returnC).toBeGreaterThan(there.returnC)
        },
      ),
    )
  })

  it('a curve rises with the cold, from the room to its stop', () => {
    const curve: FlowSetting = { by: 'curve', slope: 1.2, shiftK: 4, mostC: 55 }
    expect(flowTemperature(curve, 20, 20)).toBe(24)
    expect(flowTemperature(curve, 0, 20)).toBe(48)
    expect(flowTemperature(curve, -20, 20)).toBe(55)
    expect(flowTemperature({ ...curve, shiftK: -20 }, 18, 20)).toBe(20)
    const season: FlowSetting = { by: 'season', coldC: 60, mildC: 45, belowC: 3 }
    expect([2.9, 3, 12].map((c) => flowTemperature(season, c, 20))).toEqual([60, 45, 45])
  })
})

describe('the heat loss of a house', () => {
  it('by two methods, with their gap; one that was calculated goes before them', () => {
    const study = house(fixed(60), (h) => (h.loss = { floorM2: 120, wM2: 60, usedKwh: null, statedKw: null }))
    expect(houseLoss(study, study.heating!)).toMatchObject({ byAreaKw: 7.2, byUseKw: null, gap: null, kw: 7.2 })
    const days = degreeDaysOf(study, 20)
    const used = changed(study, (s) => (s.heating!.loss.usedKwh = 15_000))
    const both = houseLoss(used, used.heating!)
    expect(both.byUseKw).toBeCloseTo(((15_000 * hillTown.site.heating.efficiency) / (days * 24)) * 28, 6)
    expect(both.gap).toBeCloseTo(100 * (both.byUseKw! / 7.2 - 1), 6)
    expect(both.kw).toBeCloseTo((7.2 + both.byUseKw!) / 2, 6)
    expect(both.wK).toBeCloseTo((1000 * both.kw!) / 28, 6)
    const stated = changed(used, (s) => (s.heating!.loss.statedKw = 5))
    expect(houseLoss(stated, stated.heating!).kw).toBe(5)
  })

  it('by use gives back the loss that a year of heating was made with', () => {
    const study = house(fixed(75))
    const { heatKwh } = yearOf(study)
    const back = changed(study, (s) => {
      s.heating!.loss = { floorM2: null, wM2: null, statedKw: null, usedKwh: heatKwh / s.site.heating.efficiency }
    })
    // The year goes by hours, degree days by months: hours above the base count for nothing there.
    expect(houseLoss(back, back.heating!).byUseKw! / 6).toBeGreaterThan(0.95)
    expect(houseLoss(back, back.heating!).byUseKw! / 6).toBeLessThan(1.15)
  })
})

describe('rooms and radiators', () => {
  const rooms = (h: HouseHeating) => {
    const one = { valve: 'not checked', mark: '', measuredC: null, clear: null } as const
    h.radiators = [
      { ...one, id: 'a', name: 'Hall', ratedKw: 2, lossKw: 0.6 },
      { ...one, id: 'b', name: 'Bath', ratedKw: 1, lossKw: 0.6 },
    ]
  }
  it('the room that needs most decides; each says what it gives', () => {
    const study = house(fixed(55), rooms)
    expect(ratedKw(study.heating!)).toBe(3)
    const [hall, bath] = roomOutputs(study.heating!, 55)
    expect(hall.givesKw).toBeCloseTo(2 * radiatorsAt(55, 20).share, 6)
    expect(bath.needsC).toBeCloseTo(flowNeeded(0.6, 20), 6)
    expect(flowNeededOnColdest(study, study.heating!)).toBe(bath.needsC)
    expect(hall.needsC!).toBeLessThan(bath.needsC!)
  })
})

describe('a year of heating', () => {
  it('says what is missing before it says anything', () => {
    expect(heatingYear(hillTown)).toEqual({
      missing: ['heat loss of the house', 'rated output of the radiators', 'flow temperature'],
    })
  })

  it('a lower flow comes back cooler, condenses more and costs less, until it does not carry the house', () => {
    const [hot, warm, cool] = [75, 60, 40].map((c) => yearOf(house(fixed(c))))
    expect(hot.heatKwh).toBeCloseTo(warm.heatKwh, 0)
    expect(hot.returnC).toBeGreaterThan(warm.returnC)
    expect(hot.fuelKwh).toBeGreaterThan(warm.fuelKwh)
    const curve = yearOf(house({ by: 'curve', slope: 1, shiftK: 8, mostC: 60 }))
    expect(curve.flowC).toBeLessThan(warm.flowC)
    expect(curve.condensingShare).toBeGreaterThan(warm.condensingShare - 1e-9)
    expect(curve.cost!).toBeLessThan(warm.cost!)
    expect(curve.heatKwh).toBeCloseTo(warm.heatKwh, 0)
    expect(warm.shortHours).toBe(0)
    expect(cool.shortHours).toBeGreaterThan(0)
    expect(cool.heatKwh).toBeLessThan(warm.heatKwh)
    for (const y of [hot, warm, cool, curve]) {
      expect(y.fuelKwh * y.efficiency).toBeCloseTo(y.heatKwh, 4)
      expect(y.condensingShare).toBeGreaterThanOrEqual(0)
      expect(y.condensingShare).toBeLessThanOrEqual(1 + 1e-9)
    }
  })

  it('modulation against hours: a least output of none never cycles, one above the loss always does', () => {
    const least = (kw: number) => yearOf(house(fixed(65), (h) => (h.leastKw = kw)))
    expect(least(0)).toMatchObject({ cyclingHours: 0, starts: 0 })
    const all = least(6.5)
    expect(all.cyclingHours).toBe(all.hours)
    expect(all.hours).toBeLessThanOrEqual(DAYS * 24)
    const [some, more] = [least(2), least(4)]
    expect(more.cyclingHours!).toBeGreaterThan(some.cyclingHours!)
    // 6 kW over 28 K: 2 kW are reached 9.33 K below the base of 16 °C.
    expect(some.cyclesAboveC).toBeCloseTo(16 - (2000 / 6000) * 28, 6)
    // Twice the water, half the starts.
    const water = (litres: number) =>
      yearOf(house(fixed(65), (h) => Object.assign(h, { leastKw: 4, circuitL: litres })))
    expect(water(400).starts! / water(200).starts!).toBeCloseTo(0.5, 1)
  })

  it('what is not known is not counted as nothing: no starts without a least output, and a circuit that is assumed says so', () => {
    const unknown = yearOf(
      house(fixed(65), (_h, s) => {
        for (const c of [s.controls.found, s.controls.set]) if (c) c.heating.heaterId = null
      }),
    )
    expect(unknown).toMatchObject({ cyclingHours: null, starts: null, cyclesAboveC: null })
    expect(yearOf(house(fixed(65))).circuit).toEqual({ litres: 80, assumed: true })
    expect(yearOf(house(fixed(65), (h) => (h.circuitL = 120))).circuit).toEqual({ litres: 120, assumed: false })
  })

  it('condenses by the dew point of its fuel', () => {
    const burning = (carrier: 'natural-gas' | 'heating-oil') =>
      yearOf(
        house(fixed(58), (_h, s) => {
          s.plant.heaters[0] = { ...(s.plant.heaters[0] as HeaterOf<'boiler-coil'>), carrier }
          s.prices.carriers[carrier] ??= s.prices.carriers['natural-gas']
        }),
      ).condensingShare
    // A return of about 52 °C: below the 55 °C of natural gas, above the 47 °C of oil.
    expect([burning('natural-gas'), burning('heating-oil')]).toEqual([1, 0])
  })

  it('of any household says what is missing, or figures that can be', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const side = heatingSide(study)
        expect(JSON.stringify(side)).not.toMatch(/NaN|Infinity/)
        expect(heatingSideText(study, displayOf(study))).not.toMatch(/NaN|undefined|Infinity/)
        if (!side || !('year' in side.year)) return
        const { year } = side.year
        expect(year.hours).toBeLessThanOrEqual(DAYS * 24)
        expect(year.shortHours).toBeLessThanOrEqual(year.hours)
        expect(year.cyclingHours ?? 0).toBeLessThanOrEqual(year.hours)
        expect(year.heatKwh).toBeGreaterThanOrEqual(0)
        expect(year.fuelKwh * year.efficiency).toBeCloseTo(year.heatKwh, 3)
        expect(year.condensingShare).toBeLessThanOrEqual(1 + 1e-9)
      }),
      { numRuns: 60 },
    )
  })

  it('an output limit at the loss changes nothing, one below it leaves hours short', () => {
    const limited = (limitKw: number | null) =>
      yearOf(house(fixed(70), (_h, s) => (s.controls.found.heating.limitKw = limitKw)))
    expect(limited(6)).toEqual(limited(null))
    expect(limited(2).shortHours).toBeGreaterThan(0)
  })
})

describe('checks of the heating side', () => {
  const ids = (study: Study) =>
    checksOf(study, null)
      .filter((c) => c.level !== 'pass')
      .map((c) => c.id)
  it('hold the flow against the radiators, and the output against the loss', () => {
    expect(ids(house(fixed(45)))).toContain('flow-too-low')
    expect(ids(house(fixed(80)))).toContain('flow-too-high')
    const needed = flowNeededOnColdest(house(fixed(60)), house(fixed(60)).heating!)!
    expect(ids(house(fixed(needed + 2))).filter((id) => id.startsWith('flow-'))).toEqual([])
    expect(ids(house(fixed(60), (h) => (h.mostKw = 24)))).toContain('output-not-limited')
    expect(
      ids(
        house(fixed(60), (h, s) => {
          h.mostKw = 24
          s.controls.found.heating.limitKw = 7
        }),
      ),
    ).not.toContain('output-not-limited')
  })

  it('bands of a circuit, a valve in the room of its control, a covered radiator', () => {
    const circuit = { warnBar: 0.8, lockoutBar: 0.5, reliefBar: 3, readOn: null, shutBy: '', hotBar: null }
    const at = (coldBar: number, hotBar: number | null, fillingShut: boolean | null) =>
      ids(house(fixed(60), (h) => (h.circuits.heating = { ...circuit, coldBar, hotBar, fillingShut }))).filter((id) =>
        /circuit|filling/.test(id),
      )
    expect(at(1.2, 1.8, true)).toEqual([])
    expect(at(0.7, null, null)).toEqual(['circuit-low-heating'])
    expect(at(0.5, null, null)).toEqual(['circuit-locked-heating'])
    expect(at(1.2, 2.8, false)).toEqual(['circuit-relief-heating', 'filling-open-heating'])
    const hall = { id: 'a', name: 'Hall', ratedKw: null, lossKw: null, mark: '3', measuredC: null }
    const room = (valve: 'thermostatic' | 'none', clear: boolean) =>
      ids(
        house(fixed(60), (h) => {
          h.radiators = [{ ...hall, valve, clear }]
          h.sensorIn = 'a'
        }),
      ).filter((id) => /valve-in|radiators-covered/.test(id))
    expect(room('thermostatic', true)).toEqual(['valve-in-control-room'])
    expect(room('none', false)).toEqual(['radiators-covered'])
  })
})
