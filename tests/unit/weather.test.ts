import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSummerTime } from '../../core/calendar/summer-time'
import { DAYS_IN_MONTH, daysSince1970, firstDayOf } from '../../core/calendar/year'
import { CLIMATES } from '../../core/climate/archetypes'
import { Hours } from '../../core/climate/hours'
import { diffuseShare, hourAngle, hourShare, sunDay, sunOnPlane } from '../../core/climate/sun'

const RAD = Math.PI / 180
const hoursOf = (name: keyof typeof CLIMATES) => {
  const { latitudeDeg, airC, sunKwhM2 } = CLIMATES[name]
  return new Hours({ latitudeDeg, monthlyAirC: airC, monthlySunKwhM2: sunKwhM2 })
}

describe('the sun, against worked examples of Duffie & Beckman', () => {
  it('stands at 35.0° to a plane tilted 45°, 15° west of south, at 43° north on 13 February at 10:30', () => {
    expect(Math.acos(sunOnPlane(sunDay(43, 44), -22.5 * RAD, 45, 15)) / RAD).toBeCloseTo(35, 0)
  })

  it('gives 33.8 MJ/m² above the air at 43° north on 15 April', () => {
    expect(sunDay(43, 105).aboveAirKwhM2 * 3.6).toBeCloseTo(33.8, 0)
  })

  it('is as high in the south half a year later, and 7 % stronger, the earth being nearer then', () => {
    const [north, south] = [sunDay(40, 172), sunDay(-40, 172 + 182.5)]
    expect(south.aboveAirKwhM2 / north.aboveAirKwhM2).toBeCloseTo((1 + 0.033) / (1 - 0.033), 2)
    expect(south.sunset).toBeCloseTo(north.sunset, 1)
  })

  it('spreads a day over hours whose shares make one, noon the most', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 365 }), fc.double({ min: -60, max: 60, noNaN: true }), (day, latitude) => {
        const { sunset } = sunDay(latitude, day)
        fc.pre(sunset > 0.6)
        const shares = Array.from({ length: 24 }, (_, h) => hourShare(hourAngle(h), sunset))
        expect(shares.reduce((s, x) => s + x.whole, 0)).toBeGreaterThan(0.93)
        expect(shares.reduce((s, x) => s + x.whole, 0)).toBeLessThan(1.07)
        expect(Math.max(...shares.map((x) => x.whole))).toBe(Math.max(shares[11].whole, shares[12].whole))
      }),
    )
  })

  it('comes from the sky alone when it is dull, and mostly from the sun when it is clear', () => {
    expect(diffuseShare(0.1, 1.6)).toBeGreaterThan(0.95)
    expect(diffuseShare(0.75, 1.6)).toBeLessThan(0.25)
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 2.6, noNaN: true }),
        (k, sunset) => {
          expect(diffuseShare(k, sunset)).toBeGreaterThan(0.1)
          expect(diffuseShare(k, sunset)).toBeLessThanOrEqual(1.02)
        },
      ),
    )
  })
})

describe('hours made of monthly normals', () => {
  it.each(Object.keys(CLIMATES) as (keyof typeof CLIMATES)[])('%s keeps the means of its months', (name) => {
    const hours = hoursOf(name)
    DAYS_IN_MONTH.forEach((days, month) => {
      const [from, n] = [firstDayOf(month) * 24, days * 24]
      let [air, sun] = [0, 0]
      for (let h = from; h < from + n; h++) {
        air += hours.airC[h] / n
        sun += (hours.beamWM2[h] + hours.skyWM2[h]) / 1000 / days
        expect(hours.beamWM2[h]).toBeGreaterThanOrEqual(-1e-9)
      }
      expect(Math.abs(air - CLIMATES[name].airC[month])).toBeLessThan(0.2)
      expect(sun).toBeCloseTo(CLIMATES[name].sunKwhM2[month], 3)
    })
  })

  it('a tilted plane gains in winter and loses in summer, and faces the noon sun best', () => {
    const hours = hoursOf('temperate inland')
    const month = (m: number, tilt: number, azimuth = 0) => {
      let sum = 0
      for (let h = firstDayOf(m) * 24; h < firstDayOf(m + 1) * 24; h++) {
        const { beamWM2, skyWM2 } = hours.onPlane(h, tilt, azimuth)
        sum += beamWM2 + skyWM2
      }
      return sum
    }
    expect(month(0, 60)).toBeGreaterThan(1.3 * month(0, 0))
    expect(month(5, 60)).toBeLessThan(month(5, 0))
    expect(month(2, 45, 0)).toBeGreaterThan(month(2, 45, 90))
    // East and west are alike about noon.
    expect(month(2, 45, 60) / month(2, 45, -60)).toBeCloseTo(1, 2)
  })

  it('the air is warmest after noon and coolest before the sun rises', () => {
    const { airC } = hoursOf('warm and dry')
    const day = [...airC.slice(200 * 24, 201 * 24)]
    expect(day.indexOf(Math.max(...day))).toBeGreaterThanOrEqual(13)
    expect(day.indexOf(Math.max(...day))).toBeLessThanOrEqual(17)
    expect(day.indexOf(Math.min(...day))).toBeGreaterThanOrEqual(3)
    expect(day.indexOf(Math.min(...day))).toBeLessThanOrEqual(7)
  })
})

describe('days since 1970', () => {
  it('agree with the clock of the machine for any day, and refuse what is none', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1970-01-01'), max: new Date('2199-12-31'), noInvalidDate: true }),
        (date) => {
          expect(daysSince1970(date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate())).toBe(
            Math.floor(date.getTime() / 86_400_000),
          )
        },
      ),
    )
    expect([
      daysSince1970(2025, 2, 29),
      daysSince1970(2024, 2, 29),
      daysSince1970(2026, 13, 1),
      daysSince1970(2026, 4, 31),
    ]).toEqual([null, 19782, null, null])
  })
})

describe('while clocks are ahead', () => {
  it('the sun stands at one by the clock where it stood at noon, the year through no less of it', () => {
    const { latitudeDeg, airC, sunKwhM2 } = CLIMATES['high mountain']
    const normals = { latitudeDeg, monthlyAirC: airC, monthlySunKwhM2: sunKwhM2 }
    const [plain, ahead] = [new Hours(normals), new Hours(normals, (day) => isSummerTime('europe', 3, day))]
    const sunAt = (hours: Hours, h: number) => {
      const { beamWM2, skyWM2 } = hours.onPlane(h, 40, 20)
      return beamWM2 + skyWM2
    }
    let [all, shifted] = [0, 0]
    for (let h = 1; h < 365 * 24; h++) {
      const day = Math.floor(h / 24)
      const from = day >= 87 && day < 297 ? h - 1 : h
      expect(sunAt(ahead, h)).toBe(sunAt(plain, from))
      expect(ahead.airC[h]).toBe(plain.airC[from])
      all += sunAt(plain, h)
      shifted += sunAt(ahead, h)
    }
    expect(shifted / all).toBeCloseTo(1, 9)
  })
})
