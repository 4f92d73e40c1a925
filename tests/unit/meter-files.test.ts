import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { readAirFile } from '../../core/verification/air-file'
import { readMeterCsv, withMeters } from '../../core/verification/meter-csv'
import { readMeterFile } from '../../core/verification/meter-file'
import { useOf } from '../../core/verification/periods'

describe('meter readings as separated values', () => {
  it('a file is taken whole or refused by line', () => {
    const csv = (...lines: string[]) => readMeterCsv(hillTown, ['meter,date,value,unit,estimated', ...lines].join('\n'))
    const good = csv('natural-gas,2026-01-01,100,m³,', 'Natural gas,2026-02-01,190.5,m³,yes', 'water,1.2.2026,12,m³,')
    if (!good.ok) throw new Error(good.faults.map((f) => f.message).join())
    expect(good.value.map((m) => [m.of, m.readings.length])).toEqual([
      ['natural-gas', 2],
      ['water', 1],
    ])
    expect(good.value[0].readings[1]).toMatchObject({ value: 190.5, estimated: true })
    const bad = csv(
      'steam,2026-01-01,1,m³,',
      'water,2026-02-30,1,m³,',
      'water,2026-02-01,-4,m³,',
      'water,2026-02-01,4,kWh,',
      'water,2026-02-01,4,m³,maybe',
    )
    expect(bad.ok ? [] : bad.faults.map((f) => f.path)).toEqual(['line 2', 'line 3', 'line 4', 'line 5', 'line 6'])
    expect(readMeterCsv(hillTown, 'a,b\n1,2').ok).toBe(false)
    expect(readMeterCsv(hillTown, '').ok).toBe(false)
    expect(readMeterCsv(hillTown, 'x'.repeat(2_000_000)).ok).toBe(false)
    // Given twice nothing doubles.
    const once = withMeters([], good.value)
    expect(withMeters(once, good.value)).toEqual(once)
  })

  it('never breaks on any text', () => {
    fc.assert(fc.property(fc.string({ maxLength: 400 }), (text) => void readMeterCsv(duplex, text)))
  })
})

/** A feed of hours, as a utility hands it out. */
const feed = (wh: readonly number[], { uom = 72, commodity = 1, tens = 0, startS = 1_735_686_000 } = {}) =>
  `<?xml version="1.0"?><feed xmlns="http://www.w3.org/2005/Atom" xmlns:espi="http://naesb.org/espi">
<entry><content><espi:LocalTimeParameters><espi:tzOffset>3600</espi:tzOffset></espi:LocalTimeParameters></content></entry>
<entry><content><espi:ReadingType><espi:commodity>${commodity}</espi:commodity><espi:flowDirection>1</espi:flowDirection><espi:powerOfTenMultiplier>${tens}</espi:powerOfTenMultiplier><espi:uom>${uom}</espi:uom></espi:ReadingType></content></entry>
<entry><content><espi:IntervalBlock>${wh
    .map(
      (value, i) =>
        `<espi:IntervalReading><espi:timePeriod><espi:duration>3600</espi:duration><espi:start>${startS + 3600 * i}</espi:start></espi:timePeriod><espi:value>${value}</espi:value></espi:IntervalReading>`,
    )
    .join('')}</espi:IntervalBlock></content></entry></feed>`

describe('a feed of intervals', () => {
  it('is summed up day by day, by its own clock, in its own power of ten', () => {
    // 23:00 UTC on 31 December is midnight an hour further east.
    const read = readMeterFile(
      duplex,
      feed(
        Array.from({ length: 72 }, (_, i) => (i < 24 ? 100 : 50)),
        { tens: 1 },
      ),
    )
    if (!read.ok) throw new Error(read.faults.map((f) => f.message).join())
    const [m] = read.value
    expect([m.of, m.perUnit, m.readings.map((r) => [r.on, r.value])]).toEqual([
      'electricity',
      0.001,
      [
        ['2025-01-01', 0],
        ['2025-01-02', 24_000],
        ['2025-01-03', 36_000],
        ['2025-01-04', 48_000],
      ],
    ])
    expect(useOf(m).periods.map((p) => p.perDay)).toEqual([24, 12, 12])
  })

  it('of weeks or months is counted from end to end, not on its first day', () => {
    const month = (n: number) =>
      feed([310_000], { startS: 1_735_686_000 + n * 31 * 86_400 }).replace(
        '<espi:duration>3600',
        `<espi:duration>${31 * 86_400}`,
      )
    const [first, second] = [month(0), month(1)]
    const interval = /<espi:IntervalReading>[\s\S]*<\/espi:IntervalReading>/
    const both = readMeterFile(
      duplex,
      first.replace('</espi:IntervalBlock>', `${interval.exec(second)![0]}</espi:IntervalBlock>`),
    )
    if (!both.ok) throw new Error(both.faults.map((f) => f.message).join())
    expect(useOf(both.value[0]).periods.map((p) => [p.from, p.to, p.perDay])).toEqual([
      ['2025-01-01', '2025-02-01', 10],
      ['2025-02-01', '2025-03-04', 10],
    ])
    const doubled = readMeterFile(
      duplex,
      first.replace('</espi:IntervalBlock>', `${interval.exec(first)![0]}</espi:IntervalBlock>`),
    )
    expect(doubled.ok).toBe(false)
    const twice = feed([1]).replace('</espi:IntervalBlock>', `${interval.exec(first)![0]}</espi:IntervalBlock>`)
    const overlaps = readMeterFile(duplex, twice)
    expect(overlaps.ok ? '' : overlaps.faults[0].message).toMatch(/overlap on 2025-01-01/)
  })

  it('counts nothing over a gap', () => {
    const hours = feed(Array<number>(24).fill(100)).replace('</espi:IntervalBlock>', '')
    const later = feed(Array<number>(24).fill(200), { startS: 1_735_686_000 + 5 * 86_400 })
    const block = later.slice(later.indexOf('<espi:IntervalReading>'), later.indexOf('</espi:IntervalBlock>'))
    const read = readMeterFile(
      duplex,
      hours.replace('</content></entry></feed>', `${block}</espi:IntervalBlock></content></entry></feed>`),
    )
    if (!read.ok) throw new Error(read.faults.map((f) => f.message).join())
    expect(useOf(read.value[0]).periods.map((p) => [p.from, p.days, Math.round(10 * p.perDay) / 10])).toEqual([
      ['2025-01-01', 1, 2.4],
      ['2025-01-06', 1, 4.8],
    ])
  })

  it('that overlaps another is joined to it without counting what neither says', () => {
    const of = (firstDay: number, days: number, wh: number) => {
      const read = readMeterFile(
        duplex,
        feed(Array<number>(24 * days).fill(wh), { startS: 1_735_686_000 + firstDay * 86_400 }),
      )
      if (!read.ok) throw new Error('refused')
      return read.value
    }
    const later = of(4, 4, 100)
    const both = withMeters(later, of(0, 6, 200))
    expect(both).toHaveLength(1)
    for (const p of useOf(both[0]).periods) expect([2.4, 4.8]).toContain(Math.round(10 * p.perDay) / 10)
  })

  it('that is hostile, broken or of something else is refused with what it is', () => {
    const bomb = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]><feed>&b;</feed>`
    const refusals = [
      bomb,
      '<feed><entry></feed>',
      '<feed></feed>',
      feed([1, 2], { uom: 5 }),
      feed([1, 2], { commodity: 6 }),
      feed([1, -2]),
      feed([1]).replace(/<espi:start>\d+/, '<espi:start>soon'),
      `<feed>${'x'.repeat(17 * 1024 * 1024)}</feed>`,
    ].map((text) => readMeterFile(duplex, text))
    expect(refusals.map((r) => r.ok)).toEqual(refusals.map(() => false))
    fc.assert(fc.property(fc.string({ maxLength: 300 }), (text) => void readMeterFile(duplex, `<${text}`)))
  })
})

describe('weather as it was', () => {
  const hours = (day: string, c: (h: number) => number, n = 24) =>
    Array.from({ length: n }, (_, h) => `${day.split('-').map(Number).join(',')},${h + 1},60,x,${c(h)},1`)
  const epw = (...rows: string[]) => ['LOCATION,Hill town', ...Array<string>(7).fill('HEADER'), ...rows].join('\n')

  it('comes day by day from an EPW file, and from separated values in the units of the study', () => {
    const read = readAirFile(hillTown, epw(...hours('2026-02-28', (h) => h), ...hours('2026-03-01', () => 5)))
    expect(read).toEqual({ ok: true, value: { from: '2026-02-28', c: [11.5, 5] } })
    expect(readAirFile({ units: 'us' }, 'date,temperature\n3/1/2026,50\n3/2/2026,32')).toEqual({
      ok: true,
      value: { from: '2026-03-01', c: [10, 0] },
    })
  })

  it('of a typical year, with gaps or of half a day is refused by its line', () => {
    const faults = (text: string) => {
      const read = readAirFile(hillTown, text)
      return read.ok ? [] : read.faults.map((f) => f.path)
    }
    expect(faults(epw(...hours('2005-01-31', () => 5), ...hours('1998-02-01', () => 5)))).toEqual(['line 33'])
    expect(faults(epw(...hours('2026-01-01', () => 5, 10)))).toEqual(['line 9'])
    expect(faults(epw('2026,1,1,1,60,x,hot,1'))).toEqual(['line 9'])
    expect(faults('date,temperature\n2026-01-01,5\n2026-01-03,5')).toEqual(['line 3'])
    expect(faults('date,temperature\n')).toHaveLength(1)
    fc.assert(fc.property(fc.string({ maxLength: 200 }), (text) => void readAirFile(hillTown, `LOCATION,${text}`)))
  })
})
