import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { localDay, localIso } from '../../app/utils/local-iso'
import { secondsSince, soundStart, startedNow } from '../../app/utils/started'
import { courtFlat } from '../../core/demos/court-flat'
import { duplex } from '../../core/demos/duplex'
import { dayCsv, traceDay } from '../../core/year/trace'

afterEach(() => vi.useRealTimers())

describe('the day on the wall', () => {
  it.each([
    ['Pacific/Kiritimati', '2026-01-20T12:30:00Z', '2026-01-21T02:30:00.000+14:00'],
    ['Pacific/Pago_Pago', '2026-01-20T08:30:00Z', '2026-01-19T21:30:00.000-11:00'],
    ['Asia/Kathmandu', '2026-01-20T18:30:00Z', '2026-01-21T00:15:00.000+05:45'],
  ])('in %s is the one there', (zone, at, iso) => {
    const file = join(import.meta.dirname, '../../app/utils/local-iso.ts')
    const code = `import { localIso } from ${JSON.stringify(file)}; console.log(localIso(new Date('${at}')))`
    const told = execFileSync('npx', ['tsx', '-e', code], { env: { ...process.env, TZ: zone }, encoding: 'utf8' })
    expect(told.trim()).toBe(iso)
  })

  it('past the last year that can be written down stands still there', () => {
    const late = new Date('+012026-01-20T12:30:00Z')
    expect(localIso(late)).toMatch(/^9999-12-/)
    expect(localDay(late)).toMatch(/^\d{4}-\d\d-\d\d$/)
  })
})

describe('something that is timed', () => {
  it('goes on though the clock on the wall is put back, and after a reload by that clock', () => {
    vi.useFakeTimers({ toFake: ['Date', 'performance'] })
    const started = startedNow()
    vi.advanceTimersByTime(20_000)
    vi.setSystemTime(Date.now() - 3_600_000)
    expect(secondsSince(started)).toBeCloseTo(20, 3)
    const elsewhere = { ...started, page: started.page + 1 }
    expect(secondsSince(elsewhere, 15)).toBe(15)
    vi.setSystemTime(started.wallMs + 40_000)
    expect(secondsSince(elsewhere, 15)).toBeCloseTo(40, 3)
  })

  it.each([null, 3, {}, { wallMs: 'x', page: 1, pageMs: 2 }])('%j is no start', (x) => expect(soundStart(x)).toBeNull())
})

it('a tap named like a formula is none in a spreadsheet', () => {
  const study = structuredClone(courtFlat)
  study.pipes.taps[0].name = '=HYPERLINK("http://elsewhere.example")'
  study.pipes.taps[1].name = '@SUM(1)'
  const [head, row] = dayCsv(traceDay(study, 3), study).split('\r\n')
  expect(head).toContain(`'=HYPERLINK`)
  expect(head).toContain(`'@SUM(1)`)
  expect(row).toMatch(/^0,/)
})

it('a day is exported in the units and the words of its study', () => {
  const us = { ...duplex, units: 'us' as const }
  const trace = traceDay(us, 3)
  const [head, row] = dayCsv(trace, us)
    .split('\r\n')
    .map((line) => line.split(','))
  expect(head.slice(0, 2)).toEqual(['minute', 'Supply temperature °F'])
  expect(head.join()).toContain('Tank')
  expect(head.join()).not.toMatch(/°C|kW\b|[Cc]ylinder/)
  expect(Number(row[1])).toBeCloseTo(trace.frames[0].supplyC * 1.8 + 32, 1)
  const [metric] = dayCsv(trace, { ...duplex, units: 'metric' }).split('\r\n')
  expect(metric).toContain('Supply temperature °C')
  expect(metric).not.toMatch(/°F|Btu|[Tt]ank/)
})
