import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { meanExcess, radiatorShare } from '../../core/heaters/radiator'
import { heatingPauseMin } from '../../core/views/heating-pause'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { fault, out, worked } from './sums'

const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a radiator at a lower flow', () => {
  it.each([
    // Printed conversion factors of panel radiators, exponent 1.3, room 20 °C.
    [75, 65, 1],
    [70, 55, 0.8],
    [55, 45, 0.51],
    [45, 35, 0.3],
    [35, 30, 0.15],
  ])('%i/%i gives %f of its rated output, within 0.015', (flowC, returnC, share) => {
    expect(Math.abs(radiatorShare(flowC, returnC, 20) - share)).toBeLessThan(0.015)
  })

  it('gives less the cooler its flow, and its mean excess lies between those of flow and return', () => {
    fc.assert(
      fc.property(num(15, 25), num(1, 40), num(0, 40), (roomC, above, spread) => {
        const [flowC, returnC] = [roomC + above + spread, roomC + above]
        const mean = meanExcess(flowC, returnC, roomC)
        expect(mean).toBeGreaterThanOrEqual(above - 1e-9)
        expect(mean).toBeLessThanOrEqual(above + spread + 1e-9)
        expect(radiatorShare(flowC + 5, returnC + 5, roomC)).toBeGreaterThan(radiatorShare(flowC, returnC, roomC))
      }),
    )
  })

  it('says whether the room stays warm, and refuses a return below the room', () => {
    const at = { ratedOutputKw: 1.6, supplyC: 55, returnC: 45, roomC: 20, roomNeedsKw: 0.7 }
    expect(out('radiator-output', at).overKw).toBeCloseTo(1.6 * radiatorShare(55, 45, 20) - 0.7, 9)
    expect(worked('radiator-output', { ...at, roomNeedsKw: 1.2 }).notes[0]).toMatch(/Too little/)
    expect(fault('radiator-output', { ...at, returnC: 18 })).toMatch(/returnC/)
  })
})

describe('a house’s heat loss', () => {
  const house = {
    floorM2: 110,
    lossWM2: 50,
    heatingKwhYear: 12_000,
    efficiency: 0.9,
    degreeDays: 2500,
    roomC: 20,
    designC: -10,
  }
  it('by use: 12,000 kWh at 0.9 in 2,500 degree days are 180 W/K, 5.4 kW at 30 K', () => {
    expect(out('heat-loss', house).byUseKw).toBeCloseTo(5.4, 9)
    expect(out('heat-loss', house).byAreaKw).toBeCloseTo(5.5, 9)
    expect(worked('heat-loss', house).notes[0]).toMatch(/agree/)
    expect(worked('heat-loss', { ...house, lossWM2: 120 }).notes[0]).toMatch(/far apart/)
  })
})

describe('radiators beside hot water', () => {
  const heated = changed(harbourFlat, (s) => {
    for (const c of [s.controls.found, s.controls.set])
      if (c) Object.assign(c.heating, { heaterId: s.plant.heaters[0].id, schedule: null, hotWaterFirst: true })
  })
  it('pause for the minutes that hot water takes, on a day with heating', () => {
    const year = simulate(heated)
    const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31].reduce(
      (s, n, m) => s + (heated.site.heatingMonths[m] ? n : 0),
      0,
    )
    expect(heatingPauseMin(heated, year)).toBe(Math.max(1, Math.round((60 * year.heatingLostHours) / days)))
    expect(heatingPauseMin(heated, year)).toBeGreaterThan(1)
  })
  it('pause for none where hot water waits, or nothing heats the house', () => {
    const waits = changed(heated, (s) => {
      for (const c of [s.controls.found, s.controls.set]) if (c) c.heating.hotWaterFirst = false
    })
    expect(heatingPauseMin(waits, simulate(heated))).toBeNull()
    const never = changed(heated, (s) => void (s.site.heatingMonths = s.site.heatingMonths.map(() => false)))
    expect(heatingPauseMin(never, simulate(heated))).toBeNull()
  })
})

describe('a modulation floor', () => {
  const boiler = { lossKw: 6, designC: -10, roomC: 20, leastKw: 3, outdoorC: 10 }
  it('is reached where the heat taken is the least output, and from there on it burns for a share of the time', () => {
    const { cyclesFromC } = out('modulation', boiler)
    // 20 °C less 4 K of gains, less 3 kW at 0.2 kW/K.
    expect(cyclesFromC).toBeCloseTo(1, 9)
    expect(out('modulation', { ...boiler, outdoorC: cyclesFromC }).onShare).toBeCloseTo(100, 9)
    expect(out('modulation', boiler).onShare).toBeCloseTo(40, 9)
    expect(out('modulation', { ...boiler, outdoorC: 16 }).onShare).toBe(0)
    expect(out('modulation', { ...boiler, leastKw: 0 }).onShare).toBe(100)
  })

  it('burns as much heat as the house loses, or all the time', () => {
    fc.assert(
      fc.property(num(1, 30), num(0.5, 20), num(-20, 20), (lossKw, leastKw, outdoorC) => {
        const { onShare, lossNowKw } = out('modulation', { ...boiler, lossKw, leastKw, outdoorC })
        if (onShare < 100) expect((onShare / 100) * leastKw).toBeCloseTo(lossNowKw, 6)
        else expect(lossNowKw).toBeGreaterThanOrEqual(leastKw - 1e-9)
      }),
    )
  })
})
