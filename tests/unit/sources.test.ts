import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bagno } from '../../cli/program'
import { demo, DEMOS } from '../../core/demos/index'
import { applyAll } from '../../core/measures/apply'
import { beginHeatSource } from '../../core/measures/begin'
import { partsOf } from '../../core/measures/parts'
import { displayOf } from '../../core/study/display-of'
import { edited } from '../../core/study/edited'
import { readStudy } from '../../core/study/read'
import { breakEven, sourceJobs, sourceSentences, type SourceYear, sourceYear } from '../../core/views/sources'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'

const hill = demo('hill-town')!
const now = simulate(hill)
const job = (kind: string, how = 'instead') => sourceJobs(hill).find((j) => j.kind === kind && j.how === how)!

describe('a year with each heat source', () => {
  it('is the year of the measure of the same name', () => {
    const { study } = job('heat-pump')
    const measured = applyAll(hill, [beginHeatSource(hill, 'heat-pump', 'instead', 'm')!])
    expect(simulate(study).cost.total).toBeCloseTo(simulate(measured).cost.total, 9)
  })

  it('at the break-even price the simulated years cost the same', () => {
    for (const kind of ['heat-pump', 'element', 'district-heat'] as const) {
      const { study, heater } = job(kind)
      const then = simulate(study)
      const { breakEven: even } = sourceYear(hill, now, job(kind), then)
      expect(even, kind).not.toBeNull()
      const factor = even!.perKwh / even!.nowPerKwh
      const at = (s: typeof hill) =>
        simulate(
          edited(s, ({ prices }) => {
            const tariff = prices.carriers[even!.carrier]
            if (!tariff) return
            tariff.price *= factor
            for (const band of tariff.bands) band.price *= factor
          }),
        ).cost.total
      expect(at(study) / at(hill), heater.name).toBeCloseTo(1, 6)
    }
  })

  it('costs what is bought for it too, as far as that is priced', () => {
    const bare = job('heat-pump')
    expect(sourceYear(hill, now, bare, now).ownedMoney).toBeNull()
    expect(sourceSentences(sourceYear(hill, now, bare, now), displayOf(hill))).toContain(
      'Purchase and work not priced.',
    )
    const keys = partsOf(hill, beginHeatSource(hill, 'heat-pump', 'instead', 'm')!).map((p) => p.key)
    const book = Object.fromEntries(keys.map((key) => [key, { low: 900, likely: 1000, high: 1500 }]))
    const priced = edited(hill, ({ economics }) => void Object.assign(economics, { book, discountPercent: 0 }))
    const there = sourceJobs(priced).find((j) => j.kind === 'heat-pump' && j.how === 'instead')!
    // A thousand for each part, over fifteen years without interest.
    expect(sourceYear(priced, now, there, now).ownedMoney).toBeCloseTo(now.cost.total + (1000 * keys.length) / 15, 6)
  })

  it('has no break-even where the house lives on the same carrier', () => {
    expect(breakEven('natural-gas', now, simulate(job('instant-gas').study))).toBeNull()
    expect(breakEven('electricity', now, now)).toBeNull()
  })

  it('says that a price was assumed where the household had none', () => {
    const { study } = job('district-heat')
    const year = sourceYear(hill, now, job('district-heat'), simulate(study))
    expect(year.assumedPrices).toEqual(['district-heat'])
    expect(sourceSentences(year, displayOf(hill)).join(' ')).toMatch(/Price of district heat assumed/)
    expect(sourceYear(hill, now, job('heat-pump'), now).assumedPrices).toEqual([])
  })

  it('every source of every demo and of random households is a sound study', () => {
    const sound = (study: typeof hill) => {
      for (const j of sourceJobs(study)) {
        const read = readStudy(JSON.parse(JSON.stringify(j.study)))
        expect(read.ok ? [] : read.faults, `${study.id}: ${j.kind} ${j.how}`).toEqual([])
        expect(j.study.plant.heaters.some((h) => h.id === j.heater.id)).toBe(true)
      }
    }
    for (const { study } of DEMOS) sound(study)
    fc.assert(fc.property(randomStudy, sound), { numRuns: 25 })
  })

  it('the command line prints them, cheapest first', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'bagno-sources-'))
    const file = join(folder, 'flat.json')
    writeFileSync(file, JSON.stringify(demo('harbour-flat')))
    const { status, stdout } = await bagno(['sources', file, '--json'])
    rmSync(folder, { recursive: true })
    expect(status).toBe(0)
    const years = JSON.parse(stdout) as (SourceYear & { savesMoney: number })[]
    expect(years.length).toBeGreaterThan(5)
    // What fits or may fit first, then what does not, last what rests on figures nobody has entered: each cheapest first.
    const group = (y: SourceYear) => (y.assumedFigures.length > 0 ? 2 : y.level === 'fail' ? 1 : 0)
    const order = years.map((y) => [group(y), y.totalMoney] as const)
    expect(order).toEqual([...order].sort((a, b) => a[0] - b[0] || a[1] - b[1]))
    expect(new Set(order.map(([g]) => g)).size).toBeGreaterThan(1)
    const flat = simulate(demo('harbour-flat')!).cost.total
    for (const y of years) expect(y.savesMoney).toBeCloseTo(flat - y.totalMoney, 9)
  })
})
