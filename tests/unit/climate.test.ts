import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DAYS_IN_MONTH } from '../../core/calendar/year'
import { CLIMATES, heatedMonths } from '../../core/climate/archetypes'
import { LARGEST_EPW, readEpw } from '../../core/climate/epw'
import { blankStudy } from '../../core/household/defaults/blank'
import { readStudy } from '../../core/study/read'
import { faultText } from '../../core/units/result'

/** A weather file of a made-up place: so many degrees in each month, with a day's swing. */
function epw(monthlyC: readonly number[], change: (row: string[], hour: number) => string[] = (r) => r): string {
  const header = [
    'LOCATION,Nowhere Point,-,-,made up,0,50,10,1,100',
    ...[
      'DESIGN CONDITIONS',
      'TYPICAL/EXTREME PERIODS',
      'GROUND TEMPERATURES',
      'HOLIDAYS/DAYLIGHT SAVINGS',
      'COMMENTS 1',
      'COMMENTS 2',
      'DATA PERIODS',
    ].map((h) => `${h},0`),
  ]
  const rows: string[] = []
  let hour = 0
  DAYS_IN_MONTH.forEach((days, m) => {
    for (let d = 1; d <= days; d++)
      for (let h = 1; h <= 24; h++) {
        const c = monthlyC[m] + 4 * Math.cos((2 * Math.PI * (h - 15)) / 24)
        rows.push(
          change(['2020', String(m + 1), String(d), String(h), '0', '?9?9', c.toFixed(1), '5.0', '70'], hour++).join(
            ',',
          ),
        )
      }
  })
  return [...header, ...rows].join('\r\n')
}

describe('weather files', () => {
  it('give back the months they were made of', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -30, max: 35, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (monthlyC) => {
          const answer = readEpw(epw(monthlyC))
          expect(answer.ok).toBe(true)
          if (answer.ok)
            answer.value.monthlyAirC.forEach((c, m) => expect(Math.abs(c - monthlyC[m])).toBeLessThan(0.11))
        },
      ),
      { numRuns: 8 },
    )
  })

  it('may miss hours, as the format marks them, but not whole months', () => {
    const gaps = readEpw(epw(CLIMATES['cool coast'].airC, (row, h) => (h % 50 === 0 ? row.with(6, '99.9') : row)))
    expect(gaps.ok && gaps.value.missing).toBe(176)
    expect(gaps.ok && gaps.value.place).toBe('Nowhere Point')
    const half = readEpw(epw(CLIMATES['cool coast'].airC).split('\r\n').slice(0, 3000).join('\r\n'))
    expect(half).toEqual({
      ok: false,
      faults: expect.arrayContaining([{ path: 'month 6', message: expect.stringMatching(/^has \d+ hours of 720/) }]),
    })
  })

  it.each([
    ['°F', (row: string[]) => row.with(6, '68.5'), /^line 9: air is "68.5".*is it °F\?/],
    ['words', (row: string[], h: number) => (h === 3 ? row.with(6, 'warm') : row), /^line 12: air is "warm"/],
    ['an empty figure', (row: string[], h: number) => (h === 3 ? row.with(6, '') : row), /^line 12: air is ""/],
    ['a month too many', (row: string[], h: number) => (h === 0 ? row.with(1, '13') : row), /^line 9: month is "13"/],
    ['rows cut off', (row: string[], h: number) => (h === 0 ? row.slice(0, 4) : row), /^line 9: has 4 columns/],
  ])('with %s are refused by line', (_, change, message) => {
    const answer = readEpw(epw(CLIMATES['temperate inland'].airC, change))
    expect(answer.ok).toBe(false)
    if (!answer.ok) {
      expect(faultText(answer.faults[0])).toMatch(message)
      expect(answer.faults.length).toBeLessThanOrEqual(20)
    }
  })

  /** Columns up to the sun on the level: 400 Wh/m² from seven to six in June, half of that in the other months. */
  const sunny = (row: string[], hour: number) => {
    const wh = hour % 24 >= 7 && hour % 24 < 18 ? (row[1] === '6' ? 400 : 200) : 0
    return [...row, '99999', '0', '0', '300', String(wh), '0', '0']
  }

  it('give the sun of each month and the latitude, where they have them', () => {
    const answer = readEpw(epw(CLIMATES['cool coast'].airC, (row, h) => sunny(row, h)))
    if (!answer.ok) throw new Error(answer.faults.map(faultText).join())
    expect(answer.value.latitudeDeg).toBe(50)
    expect(answer.value.monthlySunKwhM2![5]).toBeCloseTo(4.4, 2)
    expect(answer.value.monthlySunKwhM2![0]).toBeCloseTo(2.2, 2)
    const bare = readEpw(epw(CLIMATES['cool coast'].airC))
    expect(bare.ok && bare.value.monthlySunKwhM2).toBeNull()
  })

  it('may miss hours of sun, but not most of a month, and refuse a sun nobody has seen', () => {
    const missing = (share: number) =>
      readEpw(
        epw(CLIMATES['cool coast'].airC, (row, h) => {
          const r = sunny(row, h)
          return h % 100 < share ? r.with(13, '9999') : r
        }),
      )
    const some = missing(0)
    if (!some.ok) throw new Error(some.faults.map(faultText).join())
    const gaps = missing(24)
    expect(gaps.ok && Math.abs(gaps.value.monthlySunKwhM2![5] / some.value.monthlySunKwhM2![5] - 1)).toBeLessThan(0.1)
    const few = missing(80)
    expect(few.ok && few.value.monthlySunKwhM2).toBeNull()
    const mad = readEpw(
      epw(CLIMATES['cool coast'].airC, (row, h) => (h === 12 ? sunny(row, h).with(13, '4000') : sunny(row, h))),
    )
    expect(mad).toEqual({
      ok: false,
      faults: [{ path: 'line 21', message: 'sun is "4000", a number from 0 to 1600 Wh/m² is expected' }],
    })
  })

  it('that are none, or enormous, are refused', () => {
    expect(readEpw('{"a": 1}')).toEqual({
      ok: false,
      faults: [{ path: 'line 1', message: 'a weather file begins with LOCATION' }],
    })
    expect(readEpw('x'.repeat(LARGEST_EPW + 1))).toEqual({
      ok: false,
      faults: [{ path: '', message: expect.stringMatching(/MB/) }],
    })
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(readEpw(`LOCATION,x\n${'\n'.repeat(7)}${text}`).ok).toBe(false)
      }),
    )
  })
})

describe('climates to begin with', () => {
  it.each(Object.entries(CLIMATES))('%s makes a sound study, heated in its cold months', (_, { airC: monthlyC }) => {
    const study = blankStudy('household')
    const heated = heatedMonths(monthlyC)
    expect(readStudy({ ...study, site: { ...study.site, monthlyAirC: [...monthlyC], heatingMonths: heated } }).ok).toBe(
      true,
    )
    expect(Math.max(...monthlyC.filter((_, m) => heated[m]), -99)).toBeLessThan(
      Math.min(...monthlyC.filter((_, m) => !heated[m]), 99),
    )
  })
})
