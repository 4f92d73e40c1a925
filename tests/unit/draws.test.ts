import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dateOf } from '../../core/calendar/names'
import { hillTown } from '../../core/demos/hill-town'
import { hotLitresADay } from '../../core/household/hot-litres'
import { guessMapping, LARGEST_LOG, type LogMapping, readDrawLog, readTable } from '../../core/study/draw-log'
import type { Study } from '../../core/study/study'
import { faultText } from '../../core/units/result'
import { weekOf } from '../../core/year/draws/draw-week'
import { drawsOfYear } from '../../core/year/draws/draws'
import { simulate } from '../../core/year/simulate'

const taps = hillTown.pipes.taps
const key = (d: { startS: number; tapId: string; amount: number }) =>
  `${d.startS.toFixed(3)} ${d.tapId} ${d.amount.toFixed(6)}`

describe('guests', () => {
  const guests = { name: 'Cousins', count: 2, likePersonId: 'ilva', fromDay: 100, toDay: 120 }
  it('add draws of their own on their days and leave all others as they were', () => {
    const before = drawsOfYear(hillTown.people, hillTown.site).map(key)
    const after = drawsOfYear({ ...hillTown.people, guests: [guests] }, hillTown.site)
    const added = after.filter((d) => !new Set(before).has(key(d)))
    expect(after.length - before.length).toBe(added.length)
    expect(added.length).toBeGreaterThan(20)
    for (const d of added) {
      expect(d.startS / 86_400).toBeGreaterThan(98.5)
      expect(d.startS / 86_400).toBeLessThan(120.5)
    }
  })
})

describe('the factor on all amounts', () => {
  it('scales every draw and moves none', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 5, noNaN: true }), (volumeFactor) => {
        const [a, b] = [
          drawsOfYear(hillTown.people, hillTown.site),
          drawsOfYear({ ...hillTown.people, volumeFactor }, hillTown.site),
        ]
        expect(b.length).toBe(a.length)
        for (let i = 0; i < a.length; i += 97) {
          expect(b[i].startS).toBe(a[i].startS)
          expect(b[i].amount / a[i].amount).toBeCloseTo(volumeFactor, 4)
        }
      }),
      { numRuns: 8 },
    )
  })

  it('the hot water reckoned for a day is what the engine draws, within 15 %', () => {
    const study: Study = {
      ...hillTown,
      controls: {
        ...hillTown.controls,
        found: { ...hillTown.controls.found, loop: { ...hillTown.controls.found.loop, mode: 'off' } },
      },
      people: { ...hillTown.people, absences: [], winterSwing: 0 },
    }
    const reckoned = Array.from({ length: 12 }, (_, m) => hotLitresADay(study, m)).reduce((s, x) => s + x / 12, 0)
    expect(Math.abs(reckoned / (simulate(study).water.hotL / 365) - 1)).toBeLessThan(0.15)
  })
})

describe('a week of draws', () => {
  it('has the draws of its days, with the litres that each asks', () => {
    const all = drawsOfYear(hillTown.people, hillTown.site)
    const week = weekOf(hillTown, all, 6)
    expect(week.map((d) => d.weekday)).toEqual([3, 4, 5, 6, 0, 1, 2])
    expect(week.flatMap((d) => d.draws).length).toBe(
      all.filter((d) => d.startS >= 42 * 86_400 && d.startS < 49 * 86_400).length,
    )
    const shower = all.find((d) => d.measure === 'seconds' && d.startS >= 42 * 86_400)!
    const shown = week.flatMap((d) => d.draws).find((d) => d.startS === shower.startS)!
    expect(shown.litres).toBeCloseTo((shower.amount / 60) * taps.find((t) => t.id === shower.tapId)!.flowLMin, 9)
    expect([dateOf(0), dateOf(58), dateOf(59), dateOf(364)]).toEqual(['1 Jan', '28 Feb', '1 Mar', '31 Dec'])
  })
})

const MAPPING: LogMapping = {
  time: 'start',
  amount: 'litres',
  amountUnit: 'L',
  tap: 'tap',
  temperature: 'temp',
  temperatureUnit: '°C',
  tapId: 'kitchen-sink',
  requiredC: 40,
}
const read = (text: string, change: Partial<LogMapping> = {}) =>
  readDrawLog('log.csv', text, { ...MAPPING, ...change }, taps, 10)
const faults = (text: string, change: Partial<LogMapping> = {}) => {
  const answer = read(text, change)
  return answer.ok ? [] : answer.faults.map(faultText)
}
const GOOD =
  'start,tap,litres,temp\n2026-03-02 07:15,Kitchen sink,4.5,42\n2026-03-02T19:00:30,first-shower,50,39\n2026-03-03 08:00,,2,\n'

describe('a log of draws', () => {
  it('is read, with taps by name or id, and what is missing as it was said', () => {
    const answer = read(GOOD)
    expect(answer).toEqual({
      ok: true,
      value: {
        kind: 'logged',
        source: 'log.csv',
        days: 2,
        firstWeekday: 0,
        draws: [
          { atMin: 435, tapId: 'kitchen-sink', litres: 4.5, requiredC: 42 },
          { atMin: 1140.5, tapId: 'first-shower', litres: 50, requiredC: 39 },
          { atMin: 1920, tapId: 'kitchen-sink', litres: 2, requiredC: 40 },
        ],
      },
    })
  })

  it('is read with semicolons, decimal commas, a byte-order mark and quotes', () => {
    const answer = read('\uFEFFstart;tap;litres;temp\r\n"2026-03-02 07:15";"Kitchen sink";4,5;42,0\r\n')
    expect(answer.ok && answer.value.draws[0].litres).toBe(4.5)
  })

  it.each([1, 2, 3])('of %i rows with decimal commas is read: the header says what parts the columns', (rows) => {
    const answer = read(`start;tap;litres;temp\n${'2026-03-02 07:15;Kitchen sink;4,5;42,5\n'.repeat(rows)}`)
    expect(answer.ok && answer.value.draws.map((d) => [d.litres, d.requiredC])).toEqual(Array(rows).fill([4.5, 42.5]))
  })

  it.each([
    ['gal', '2', 7.570824],
    ['min', '3', 21],
    ['s', '60', 7],
    ['kWh', '1', 3600 / (4.146 * 30)],
  ] as const)('in %s comes out in litres', (amountUnit, amount, litres) => {
    const answer = read(`start,tap,litres\n2026-03-02 07:15,Kitchen sink,${amount}\n`, {
      amountUnit,
      temperature: null,
    })
    expect(answer.ok && answer.value.draws[0].litres).toBeCloseTo(litres, 2)
  })

  it.each([
    [
      'a time that is none',
      'start,tap,litres,temp\n2026-02-30 07:15,,4,40\n',
      /^line 2: start is “2026-02-30 07:15”; a day and a time/,
    ],
    [
      'an amount in words',
      'start,tap,litres,temp\n\n2026-03-02 07:15,,much,40\n',
      /^line 3: litres is “much”; a number above 0 is expected, in L/,
    ],
    ['a negative amount', 'start,tap,litres,temp\n2026-03-02 07:15,,-4,40\n', /^line 2: litres is “-4”/],
    [
      'a tap nobody knows',
      'start,tap,litres,temp\n2026-03-02 07:15,Sauna,4,40\n',
      /^line 2: tap is “Sauna”; the outlets are Kitchen sink/,
    ],
    ['°F taken for °C', 'start,tap,litres,temp\n2026-03-02 07:15,,4,105\n', /^line 2: temp is “105”.*is it °F\?/],
    [
      'litres taken for minutes',
      'start,tap,litres,temp\n2026-03-02 07:15,,400,40\n',
      /^line 2: .*is the unit right\?/,
      { amountUnit: 'min' as const },
    ],
    [
      'two years',
      'start,tap,litres,temp\n2024-03-02 07:15,,4,40\n2026-03-02 07:15,,4,40\n',
      /spans 731 days. Accepts up to a year/,
    ],
    ['no rows', 'start,tap,litres,temp\n', /^line 1: a header/],
  ] as [string, string, RegExp, Partial<LogMapping>?][])(
    'with %s is refused by line',
    (_, text, message, change = {}) => expect(faults(text, change)[0]).toMatch(message),
  )

  it('names every bad line up to twenty, and takes nothing of the rest', () => {
    const text = `start,tap,litres,temp\n${'nonsense,,x,y\n'.repeat(50)}`
    expect(faults(text)).toHaveLength(20)
    expect(faults(`${GOOD}nonsense,,1,40\n`)).toEqual([expect.stringMatching(/^line 5:/)])
  })

  it('that is enormous or no table is refused', () => {
    expect(readTable('x'.repeat(LARGEST_LOG + 1))).toEqual({
      ok: false,
      faults: [{ path: '', message: expect.stringMatching(/Accepts up to 4 MB/) }],
    })
    expect(faults(`start,tap,litres,temp\n${'2026-03-02 07:15,,4,40\n'.repeat(20_001)}`)).toEqual([
      expect.stringMatching(/20001 rows. Accepts up to 20000/),
    ])
    fc.assert(fc.property(fc.string(), (text) => void read(text)))
  })

  it('guesses its columns from their names', () => {
    expect(guessMapping(['Date & time', 'Outlet', 'Volume [gal]', 'Temp °F'], 'x')).toMatchObject({
      time: 'Date & time',
      tap: 'Outlet',
      amount: 'Volume [gal]',
      amountUnit: 'gal',
      temperature: 'Temp °F',
      temperatureUnit: '°F',
    })
    expect(guessMapping(['start', 'seconds'], 'x')).toMatchObject({
      amount: 'seconds',
      amountUnit: 's',
      tap: null,
      temperature: null,
    })
  })

  it('any draws written out are read back', () => {
    const draw = fc.record({
      minute: fc.integer({ min: 0, max: 20 * 1440 - 1 }),
      tap: fc.constantFrom(...taps),
      litres: fc.integer({ min: 1, max: 20_000 }),
      c: fc.integer({ min: 20, max: 80 }),
    })
    fc.assert(
      fc.property(fc.array(draw, { minLength: 1, maxLength: 40 }), (list) => {
        const rows = list.map(
          (d) =>
            `2026-03-${String(2 + Math.floor(d.minute / 1440)).padStart(2, '0')} ${String(Math.floor((d.minute % 1440) / 60)).padStart(2, '0')}:${String(d.minute % 60).padStart(2, '0')},${d.tap.name},${d.litres / 100},${d.c}`,
        )
        const answer = read(`start,tap,litres,temp\n${rows.join('\n')}\n`)
        if (!answer.ok) throw new Error(answer.faults.map(faultText).join())
        const first = Math.floor(Math.min(...list.map((d) => d.minute)) / 1440) * 1440
        const text = (m: number, tap: string, l: number, c: number) => `${m} ${tap} ${l} ${c}`
        expect(answer.value.draws.map((d) => text(Math.round(d.atMin), d.tapId, d.litres, d.requiredC)).sort()).toEqual(
          list.map((d) => text(d.minute - first, d.tap.id, d.litres / 100, d.c)).sort(),
        )
      }),
    )
  })

  it('is repeated through the year on its own weekdays', () => {
    const answer = read(
      'start,tap,litres,temp\n2026-03-02 07:15,Kitchen sink,5,40\n2026-03-08 09:00,Kitchen sink,7,40\n',
    )
    if (!answer.ok) throw new Error(answer.faults.map(faultText).join())
    const draws = drawsOfYear({ ...hillTown.people, draws: answer.value }, hillTown.site)
    for (const d of draws) expect((3 + Math.floor(d.startS / 86_400)) % 7).toBe(d.amount === 5 ? 0 : 6)
    expect(draws.filter((d) => d.amount === 5).length).toBeGreaterThanOrEqual(51)
    // A log of a single Monday fills every day of a year that begins on a Thursday.
    const one = read('start,tap,litres,temp\n2026-03-02 07:15,Kitchen sink,5,40\n')
    expect(
      one.ok &&
        new Set(
          drawsOfYear({ ...hillTown.people, draws: one.value }, hillTown.site).map((d) =>
            Math.round((d.startS - 7.25 * 3600) / 86_400),
          ),
        ).size,
    ).toBe(365)
  })
})
