import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clock } from '../../core/calendar/week'
import { readDay, readMoment, writeDay } from '../../core/units/dates'
import { display } from '../../core/units/display'
import { meanings, parseNumber, parseQuantity, parseTime, understood } from '../../core/units/parse'
import { fromMetric, QUANTITIES, type Quantity, toMetric, unitOf } from '../../core/units/quantities'
import { inWordsOf } from '../../core/words/dialect'

const quantities = fc.constantFrom(...(Object.keys(QUANTITIES) as Quantity[]))
const systems = fc.constantFrom('metric' as const, 'us' as const)

describe('entries as they are written', () => {
  it.each([
    ['flow', 'metric', '1.2 gpm', 4.5425],
    ['flow', 'us', '1.2', 4.5425],
    ['temperature', 'metric', '52F', 11.111],
    ['temperature', 'us', '60 °C', 60],
    ['temperature', 'us', '140', 60],
    ['length', 'us', `12'6"`, 3.81],
    ['length', 'metric', `12' 6 1/2"`, 3.8227],
    ['length', 'us', `3/4"`, 0.01905],
    ['length', 'metric', '3,5', 3.5],
    ['length', 'metric', '12 ft', 3.6576],
    ['volume', 'metric', '50 gal', 189.2706],
    ['power', 'us', '40000 btu/h', 11.723],
    ['thickness', 'us', '3/4', 19.05],
    ['pressure', 'metric', '45 psi', 3.1026],
    ['rise', 'metric', '9 °F', 5],
  ] as const)('%s in %s: "%s" is %d', (quantity, system, text, want) => {
    expect(parseQuantity(quantity, system, text)).toBeCloseTo(want, 3)
  })

  it.each(['', 'abc', '12 furlongs', '5 gpm L', '1..2', '4 °C'])('a flow of "%s" is refused', (text) => {
    expect(parseQuantity('flow', 'metric', text)).toBeNull()
  })

  it.each([
    ['1 234.5', 1234.5],
    ['1,5', 1.5],
    ['1-1/2', 1.5],
    ['−4', -4],
    ['3/0', null],
    ['1e5', null],
    ['1,200.5', 1200.5],
    ['1.200,5', 1200.5],
    ['1,234,567', 1_234_567],
    ['1.234.567', 1_234_567],
    ['0,125', 0.125],
    ['1200,125', 1200.125],
    ['1.200', 1.2],
    // A thousand or a little more than one: nobody can tell.
    ['1,200', null],
    ['-12,345', null],
    ['1,20,5', null],
  ])('the number "%s" is %s', (text, want) => expect(parseNumber(text)).toBe(want))

  it.each((Object.keys(QUANTITIES) as Quantity[]).map((q) => [q]))(
    'a doubtful %s is asked for, in both systems, and each answer is taken',
    (quantity) => {
      for (const system of ['metric', 'us'] as const) {
        expect(parseQuantity(quantity, system, '1,200')).toBeNull()
        const either = meanings('1,200')!
        expect(either).toEqual(['1200', '1.200'])
        expect(either.map((text) => fromMetric(quantity, system, parseQuantity(quantity, system, text)!))).toEqual([
          expect.closeTo(1200, 6),
          expect.closeTo(1.2, 6),
        ])
        expect(fromMetric(quantity, system, parseQuantity(quantity, system, '1,5')!)).toBeCloseTo(1.5, 9)
        expect(fromMetric(quantity, system, parseQuantity(quantity, system, '1,200.5')!)).toBeCloseTo(1200.5, 6)
      }
    },
  )

  it.each([
    ['7:30p', 1170],
    ['07.30', 450],
    ['0730', 450],
    ['12am', 0],
    ['12pm', 720],
    ['24:00', 1440],
    ['7', 420],
    ['25:00', null],
    ['7:60', null],
    ['13pm', null],
    ['noon', null],
  ])('the time "%s" is %s', (text, want) => expect(parseTime(text)).toBe(want))

  it('reads back any figure it writes with its unit', () => {
    fc.assert(
      fc.property(quantities, systems, fc.double({ min: 0, max: 500, noNaN: true }), (quantity, system, metric) => {
        const shown = fromMetric(quantity, system, metric)
        const text = `${shown.toFixed(6)} ${unitOf(quantity, system).label}`
        expect(parseQuantity(quantity, system, text)).toBeCloseTo(metric, 3)
        expect(toMetric(quantity, system, shown)).toBeCloseTo(metric, 6)
      }),
    )
  })

  it('reads back any time it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1440 }), (minute) => {
        expect(parseTime(clock(minute))).toBe(minute)
      }),
    )
  })

  it('never throws', () => {
    fc.assert(
      fc.property(quantities, systems, fc.string(), (quantity, system, text) => {
        const value = parseQuantity(quantity, system, text)
        expect(value === null || Number.isFinite(value)).toBe(true)
      }),
    )
  })
})

describe('figures as they are shown', () => {
  it('carry their unit, in both systems', () => {
    expect(display('us', 'USD', 'therm').temperature(60)).toBe('140 °F')
    expect(display('metric', 'EUR', 'kwh').figure('flow', 4.5425)).toBe('4.5 L/min')
    expect(display('us', 'USD', 'therm').figure('flow', 4.5425)).toBe('1.20 gpm')
    expect(display('metric', 'EUR', 'kwh').litres(94_500)).toBe('94.5 m³')
  })

  it('write money with its sign where it is a change', () => {
    const d = display('metric', 'EUR', 'kwh')
    expect(d.money(1687.4)).toBe('€1,687')
    expect(d.moneyChange(-542.2)).toBe('−€542')
    expect(d.moneyChange(46.17)).toBe('+€46')
    expect(d.money(8.2)).toBe('€8.20')
    expect(d.moneyChange(-0.001)).toBe('€0.00')
  })
})

describe('a doubtful figure in a study that says how its figures are typed', () => {
  it('is taken by its style, with the other meaning at hand', () => {
    expect(understood('1,200 m', 'decimal point')).toEqual({ meant: '1200 m', other: '1.200 m' })
    expect(understood('1,200 m', 'decimal comma')).toEqual({ meant: '1.200 m', other: '1200 m' })
    expect(understood('1.200', 'decimal comma')).toEqual({ meant: '1200', other: '1.200' })
    expect(understood('1.200', 'decimal point')).toBeNull()
    expect(understood('1,200', 'not said')).toBeNull()
    for (const plain of ['0,125', '1,25', '12.5', '1.234,5', '7'])
      for (const style of ['decimal point', 'decimal comma'] as const) expect(understood(plain, style)).toBeNull()
  })
})

describe('a day of the calendar', () => {
  it('is read as it is written, in either system, and in its other usual ways', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1900-01-01'), max: new Date('2199-12-31'), noInvalidDate: true }),
        systems,
        (at, system) => {
          const iso = at.toISOString().slice(0, 10)
          const [year, month, day] = iso.split('-').map(Number)
          expect(readDay(writeDay(iso, system), system)).toBe(iso)
          expect(readDay(iso, system)).toBe(iso)
          expect(readDay(`${day}.${month}.${year}`, 'metric')).toBe(iso)
          expect(readDay(`${month}/${day}/${year}`, 'us')).toBe(iso)
          expect(readMoment(`${writeDay(iso, system)} ${system === 'us' ? '5:30 pm' : '17:30'}`, system)).toBe(
            `${iso}T17:30`,
          )
        },
      ),
    )
  })

  it.each(['', '31 Feb 2026', '29 Feb 2025', '13/13/2026', '2026-00-10', 'soon', '12', '1 Jan 1066', '5 Mai 2026'])(
    '“%s” is none',
    (text) => {
      for (const system of ['metric', 'us'] as const) expect(readDay(text, system)).toBeNull()
    },
  )

  it('of three numbers begins with the day, and in US studies with the month', () => {
    expect(readDay('3/4/26', 'metric')).toBe('2026-04-03')
    expect(readDay('3/4/26', 'us')).toBe('2026-03-04')
    expect(readDay('29 February 2028', 'metric')).toBe('2028-02-29')
    expect(readMoment('29 Nov 2026', 'metric')).toBeNull()
    expect(inWordsOf('us', 'Worst morning: 15 Jan, and 3 May 2026')).toBe('Worst morning: Jan 15, and May 3, 2026')
  })
})
