import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { findings } from '../../core/findings/findings'
import { standsInTheWay } from '../../core/findings/finishing'
import { againstPhysics, flowByCurve } from '../../core/heaters/maker-curve'
import { checksOf } from '../../core/measures/checks'
import { targetsOf } from '../../core/measures/targets'
import { peaksOf } from '../../core/sizing/peaks'
import { sizeHeater } from '../../core/sizing/size'
import { displayOf } from '../../core/study/display-of'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Store } from '../../core/study/plant'
import type { Study } from '../../core/study/study'
import { flowAtRise } from '../../core/water/power'
import { boughtKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

const found = (study: Study, id: string) => findings(study, null).find((f) => f.id === id)
const severity = (study: Study, id: string) => found(study, id)?.severity ?? null
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
    [mountainRefuge, null, 'look'],
    [mountainRefuge, false, 'danger'],
    [mountainRefuge, true, null],
    [hillTown, null, null],
    [hillTown, false, 'mend'],
  ] as const)('of %o that feels the top: %s is %s', (study, reliefAtTop, expected) =>
    expect(severity(store(study, { ...there, reliefAtTop }), 'relief-feels')).toBe(expected),
  )

  it('has a way for what it lets go', () => {
    const way = { fullSize: true, falls: true, endSeen: true, drained: true }
    expect(severity(store(mountainRefuge, { ...there, discharge: way }), 'discharge-way')).toBeNull()
    const open = found(store(mountainRefuge, { ...there, discharge: { ...way, falls: null } }), 'discharge-way')!
    expect([open.severity, open.holdsUp]).toEqual(['look', true])
    const bad = found(store(hillTown, { ...there, discharge: { ...way, endSeen: false } }), 'discharge-way')!
    expect(bad.severity).toBe('mend')
    expect(bad.why).toMatch(/end is open and in sight/)
    expect(severity(store(hillTown, there), 'discharge-way')).toBeNull()
  })
})

describe('a mixing valve', () => {
  const hot = (testedOn: string | null, visit: string | null, mixing = true) =>
    changed(hillTown, (s) => {
      s.controls.foundOn = visit
      s.plant.store!.mixing = mixing ? { mixesToC: 48, testedOn } : 'none'
    })
  it('is asked for its test while the store is hot enough to scald, and once a year', () => {
    expect(found(hot(null, '2026-05-01'), 'mixing-tested')?.why).toMatch(/wrote down a test/)
    expect(severity(hot('2026-02-01', '2026-05-01'), 'mixing-tested')).toBeNull()
    expect(found(hot('2024-02-01', '2026-05-01'), 'mixing-tested')?.why).toMatch(/2024-02-01/)
    expect(severity(hot(null, '2026-05-01', false), 'mixing-tested')).toBeNull()
    // With no day of the visit an old test is not taken for a new one; a reading's day will do.
    expect(found(hot('2026-02-01', null), 'mixing-tested')?.why).toMatch(/no day of the visit/)
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
    expect(severity(read, 'mixing-tested')).toBeNull()
    const cool = changed(hot(null, '2026-05-01'), (s) => {
      for (const c of Object.values(s.controls.found.heaters)) c.setpointC = 45
    })
    expect(severity(cool, 'mixing-tested')).toBeNull()
  })
})

describe('the pipes of a fire', () => {
  it('are followed before it is lit; what is wrong on them is a danger', () => {
    expect(severity(mountainRefuge, `fire-way-${coilId}`)).toBeNull()
    expect(severity(fire({ canBeShut: true }), `fire-shut-${coilId}`)).toBe('danger')
    expect(severity(fire({ filled: false }), `fire-dry-${coilId}`)).toBe('danger')
    expect(severity(fire({ rises: false }), `fire-rises-${coilId}`)).toBe('danger')
    const open = found(fire({ rises: null, filled: null }), `fire-way-${coilId}`)!
    expect([open.severity, open.holdsUp]).toEqual(['look', true])
    expect(open.why).toMatch(/rises all the way, whether it is filled/)
  })

  it('hold up the end of a visit, as every danger does, and what can wait does not', () => {
    const all = findings(fire({ filled: null }), null)
    const held = standsInTheWay(all)
    expect(held.map((f) => f.id)).toContain(`fire-way-${coilId}`)
    expect(held.every((f) => f.severity === 'danger' || f.holdsUp)).toBe(true)
    for (const f of all) if (f.severity === 'danger') expect(held).toContain(f)
    expect(all.some((f) => f.severity === 'mend' && held.includes(f))).toBe(false)
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
    expect(severity(exact, id)).toBeNull()
    expect(found(flat(40), id)?.why).toMatch(/% less/)
    const verdict = (study: Study) =>
      sizeHeater(study, study.plant.heaters[0]!, peaksOf(study, 50), displayOf(study)).checks.find(
        (c) => c.id === 'output',
      )!
    expect(verdict(exact).verdict).toBe('fits')
    expect(verdict(flat(1)).verdict).toBe('does not fit')
    expect(verdict(flat(1)).sentence).toMatch(/by its maker’s curve/)
  })
})

describe('limits that somebody chose', () => {
  const year = simulate(hillTown)
  const limited = (wasteLimitL: number | null, energyLimitKwh: number | null) =>
    targetsOf(
      changed(hillTown, (s) => void Object.assign(s.pipes, { wasteLimitL, energyLimitKwh })),
      year,
      displayOf(hillTown),
    )
  it('are kept at their figure and not past it, each with its sentence', () => {
    expect(limited(null, null)).toEqual([])
    const bought = boughtKwh(year)
    const kept = (...limits: [number | null, number | null]) => limited(...limits).map((t) => t.kept)
    expect([kept(20, bought), kept(20, bought - 1), kept(null, bought), kept(0.1, null)]).toEqual([
      [true, true],
      [true, false],
      [true],
      [false],
    ])
    const [cup] = limited(0.1, null)
    expect(cup!.text).toMatch(/More than 0.10 L to run off at Kitchen sink,/)
  })

  it('a bore below what the local code allows does not fit, and one nobody looked up is not known', () => {
    const run = hillTown.pipes.runs.find((r) => r.from !== null)!
    const measure = {
      id: 'm',
      name: 'm',
      kind: 'repipe' as const,
      costMoney: null,
      partPrices: {},
      runId: run.id,
      pipe: { ...run },
    }
    const bore = (least: number | null) =>
      checksOf(
        changed(hillTown, (s) => void (s.pipes.leastBoreMm = least)),
        measure as never,
      ).find((c) => c.id === 'bore')!.verdict
    expect([bore(null), bore(5), bore(60)]).toEqual(['not known', 'fits', 'does not fit'])
  })
})
