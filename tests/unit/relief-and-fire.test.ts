import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import type { Level } from '../../core/checks/check'
import { checksOfMeasure } from '../../core/checks/measure'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { againstPhysics, flowByCurve } from '../../core/heaters/maker-curve'
import { DISCHARGE } from '../../core/safety/discharge'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { NOT_PRICED } from '../../core/study/measures'
import type { Store } from '../../core/study/store'
import type { Study } from '../../core/study/study'
import { inTheWay } from '../../core/views/findings'
import { sizeHeater } from '../../core/views/sizes'
import { flowAtRise } from '../../core/water/power'
import { demandOf } from '../../core/year/demand'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { findings } from './judged'

const found = (study: Study, id: string) => checksOf(study, null).find((c) => c.id === id)
const level = (study: Study, id: string): Level | null => found(study, id)?.level ?? null
const store = (study: Study, change: Partial<Store>) =>
  changed(study, (s) => void Object.assign(s.plant.store!, change))
const fire = (change: Partial<HeaterOf<'wood-coil'>['way']>) =>
  changed(mountainRefuge, (s) => {
    const coil = s.plant.heaters.find((h) => h.kind === 'wood-coil')!
    Object.assign((coil as HeaterOf<'wood-coil'>).way, change)
  })
const coilId = mountainRefuge.plant.heaters.find((h) => h.kind === 'wood-coil')!.id

describe('the relief valve', () => {
  const there = { reliefValve: true, reliefPiped: true }
  it.each([
    ['with a fire', mountainRefuge, null, 'not checked'],
    ['with a fire', mountainRefuge, false, 'fail'],
    ['with a fire', mountainRefuge, true, 'pass'],
    ['with a boiler', hillTown, null, 'not checked'],
    ['with a boiler', hillTown, false, 'fail'],
  ] as const)('%s, where it feels the top: %#', (_, study, reliefAtTop, expected) =>
    expect(level(store(study, { ...there, reliefAtTop }), 'relief-feels')).toBe(expected),
  )

  it('has a way for what it lets go', () => {
    const way = { fullSize: true, falls: true, endSeen: true, drained: true, covered: true, watchedBy: 'Runa' }
    for (const c of Object.keys(DISCHARGE))
      expect(level(store(mountainRefuge, { ...there, discharge: way }), `discharge-${c.toLowerCase()}`)).toBe('pass')
    const open = found(store(mountainRefuge, { ...there, discharge: { ...way, falls: null } }), 'discharge-falls')!
    expect([open.level, open.blocks]).toEqual(['not checked', true])
    const bad = found(store(hillTown, { ...there, discharge: { ...way, endSeen: false } }), 'discharge-endseen')!
    expect([bad.level, bad.blocks]).toEqual(['fail', true])
    // Who looks at it is written down, and holds nobody up.
    const unwatched = found(store(hillTown, { ...there, discharge: { ...way, watchedBy: '' } }), 'discharge-watched')!
    expect([unwatched.concern, unwatched.level, unwatched.blocks]).toEqual(['record', 'not checked', false])
  })
})

describe('a mixing valve', () => {
  const hot = (testedOn: string | null, visit: string | null, mixing = true) =>
    changed(hillTown, (s) => {
      s.controls.foundOn = visit
      s.plant.store!.mixing = mixing ? { mixesToC: 48, testedOn } : 'none'
    })
  const sentence = (study: Study) =>
    checksOf(study, null).find((c) => c.cause.id === 'mixing-tested' && c.level !== 'pass')?.sentence ?? null
  it('is asked for its test while the store is hot enough to scald, and once a year', () => {
    expect(sentence(hot(null, '2026-05-01'))).toMatch(/No test recorded/)
    expect(sentence(hot('2026-02-01', '2026-05-01'))).toBeNull()
    expect(sentence(hot('2024-02-01', '2026-05-01'))).toMatch(/2024-02-01/)
    expect(sentence(hot(null, '2026-05-01', false))).toBeNull()
    // With no day of the visit an old test is not taken for a new one; a reading's day will do.
    expect(sentence(hot('2026-02-01', null))).toMatch(/date of the visit not entered/)
    const read = changed(hot('2024-02-01', null), (s) => {
      const values = { tempC: 60 }
      s.readings = [
        {
          id: 'r',
          takenAt: '2024-05-01T10:00:00+02:00',
          kind: 'heater-display',
          sum: null,
          where: 'boiler',
          values,
          note: '',
          photo: null,
          adopted: null,
        },
      ]
    })
    expect(sentence(read)).toBeNull()
    const cool = changed(hot(null, '2026-05-01'), (s) => {
      for (const c of Object.values(s.controls.found.heaters)) c.setpointC = 45
    })
    expect(sentence(cool)).toBeNull()
  })
})

describe('the pipes of a fire', () => {
  it('are followed before it is lit; what is wrong on them is a danger', () => {
    const ways = ['shut', 'dry', 'rises'].map((part) => `fire-${part}-${coilId}`)
    for (const id of ways) expect(level(mountainRefuge, id)).toBe('pass')
    const bad = fire({ canBeShut: true, filled: false, rises: false })
    for (const id of ways) expect([level(bad, id), found(bad, id)!.concern]).toEqual(['fail', 'harm'])
    const open = fire({ rises: null, filled: null })
    expect(ways.map((id) => found(open, id)!.blocks)).toEqual([false, true, true])
    // One pipe is one entry.
    expect(
      findings(open)
        .filter((f) => f.id.startsWith('fire-'))
        .map((f) => [f.id, f.parts.length]),
    ).toEqual([[`fire-way-${coilId}`, 2]])
  })

  it('hold up the end of a visit, as every danger does, and what can wait does not', () => {
    const all = findings(fire({ filled: null }))
    const held = inTheWay(all)
    expect(held.map((f) => f.id)).toContain(`fire-dry-${coilId}`)
    for (const f of all) if (f.severity === 'danger') expect(held).toContain(f)
    expect(held.every((f) => f.parts.some((c) => c.concern === 'harm'))).toBe(true)
  })
})

describe('a maker’s curve', () => {
  it('of a heater that gives its output is nought above physics, whatever the points', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 60, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.uniqueArray(fc.integer({ min: 5, max: 70 }), { minLength: 2, maxLength: 8 }),
        (kw, inletC, rises) => {
          const points = rises.map((riseK) => ({ riseK, lMin: flowAtRise(kw, inletC, riseK) }))
          for (const p of againstPhysics(points, kw, inletC)) expect(Math.abs(p.above)).toBeLessThan(1e-9)
          const [low, high] = [Math.min(...rises), Math.max(...rises)]
          const between = (low + high) / 2
          // Between two points the output is taken as even: within the change of ρ c there.
          expect(flowByCurve(points, between)! / flowAtRise(kw, inletC, between)).toBeCloseTo(1, 2)
          for (const p of points) expect(flowByCurve(points, p.riseK)).toBeCloseTo(p.lMin, 9)
          expect(flowByCurve(points, high + 1)).toBeNull()
          expect(flowByCurve(points, low - 1)).toBeNull()
        },
      ),
    )
  })

  it('is said where it promises more than the output makes, and decides whether a heater fits', () => {
    const flat = (lMin: number) =>
      changed(harbourFlat, (s) => {
        const heater = s.plant.heaters[0] as HeaterOf<'instant-gas'>
        heater.outputKw = 60
        heater.makerFlow = [
          { riseK: 20, lMin: 2 * lMin },
          { riseK: 70, lMin: lMin / 2 },
        ]
      })
    const id = `curve-${harbourFlat.plant.heaters[0]!.id}`
    const exact = changed(flat(1), (s) => {
      const heater = s.plant.heaters[0] as HeaterOf<'instant-gas'>
      heater.outputHolds = 'at this height'
      heater.makerFlow = [20, 50].map((riseK) => ({ riseK, lMin: flowAtRise(60, 8, riseK) }))
    })
    expect(level(exact, id)).toBeNull()
    expect(found(flat(40), id)?.sentence).toMatch(/% less/)
    const verdict = (study: Study) =>
      sizeHeater(study, study.plant.heaters[0]!, demandOf(study, 50)).checks.find((c) => c.id === 'output')!
    expect(verdict(exact).level).toBe('pass')
    expect(verdict(flat(1)).level).toBe('fail')
    expect(verdict(flat(1)).sentence).toMatch(/by the manufacturer’s curve/)
  })
})

describe('limits that somebody chose', () => {
  const year = simulate(hillTown)
  const limited = (deadLegLimitL: number | null, energyLimitKwh: number | null) =>
    checksOf(
      changed(hillTown, (s) => void Object.assign(s.pipes, { deadLegLimitL, energyLimitKwh })),
      year,
    ).filter((c) => c.id === 'waste-limit' || c.id === 'energy-limit')
  it('are kept at their figure and not past it, each with its sentence', () => {
    expect(limited(null, null)).toEqual([])
    const bought = purchasedKwh(year)
    const kept = (...limits: [number | null, number | null]) => limited(...limits).map((t) => t.level)
    expect([kept(20, bought), kept(20, bought - 1), kept(null, bought), kept(0.1, null)]).toEqual([
      ['pass', 'pass'],
      ['pass', 'fail'],
      ['pass'],
      ['fail'],
    ])
    const [cup] = limited(0.1, null)
    expect(cup!.sentence).toMatch(/Dead-leg volume above 0.10 L at Kitchen sink,/)
  })

  it('a bore below what the local code allows does not fit, and one nobody looked up is not known', () => {
    const run = hillTown.pipes.runs.find((r) => r.from !== null)!
    const measure = {
      id: 'm',
      name: 'm',
      kind: 'repipe' as const,
      ...NOT_PRICED,
      runId: run.id,
      pipe: { ...run },
    }
    const bore = (least: number | null) =>
      checksOfMeasure(
        changed(hillTown, (s) => void (s.pipes.minBoreMm = least)),
        measure as never,
      ).find((c) => c.id === 'bore')!.level
    expect([bore(null), bore(5), bore(60)]).toEqual(['not checked', 'pass', 'fail'])
  })
})
