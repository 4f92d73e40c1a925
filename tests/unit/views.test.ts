import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { type Check, rank } from '../../core/checks/check'
import { DEMOS } from '../../core/demos'
import { forestFarm } from '../../core/demos/forest-farm'
import { hillTown } from '../../core/demos/hill-town'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { apply } from '../../core/measures/apply'
import { beginMeasure } from '../../core/measures/begin'
import { edited } from '../../core/study/edited'
import { hasSetpoint } from '../../core/study/heater-kinds'
import { valueAt, withValueAt } from '../../core/study/paths'
import { Study } from '../../core/study/study'
import { candidatesFor, tried } from '../../core/views/advice'
import { broughtBy } from '../../core/views/brought'
import { findingsOf, inTheWay } from '../../core/views/findings'
import { setpointChecks } from '../../core/views/setpoint-checks'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { unguarded } from './check-cases'

/** What every view says of a household agrees with its checks. */
function agree(study: Study, checks: readonly Check[]): void {
  const findings = findingsOf(checks)
  const blocking = inTheWay(findings)
  const harm = checks.filter((c) => c.concern === 'harm' && (c.level === 'fail' || c.level === 'not checked'))
  expect(checks.filter((c) => c.blocks)).toEqual(harm)
  const ids = (of: typeof findings) => of.flatMap((f) => f.parts.map((c) => c.id))
  for (const c of harm) {
    expect(ids(findings)).toContain(c.id)
    expect(ids(blocking)).toContain(c.id)
    for (const h of study.plant.heaters.filter(hasSetpoint))
      if (c.board === 'all' || c.board.includes(h.id)) expect(setpointChecks(study, checks, h.id).checks).toContain(c)
  }
  // Each check that does not pass stands in one entry, as it is.
  expect(ids(findings).sort()).toEqual(
    checks
      .filter((c) => c.level !== 'pass')
      .map((c) => c.id)
      .sort(),
  )
  expect(blocking.every((f) => f.parts.some((c) => harm.includes(c)))).toBe(true)
}

describe('views of the checks', () => {
  it('agree on every demo with its year, and on any household', () => {
    for (const { study } of DEMOS) agree(study, checksOf(study, simulate(study)))
    fc.assert(
      fc.property(randomStudy, (study) => agree(study, checksOf(study, null))),
      { numRuns: 60 },
    )
  })

  it('what nobody has looked at stands in the way, and some answer to it makes the visit easier to finish', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const now = checksOf(study, null)
        for (const c of now.filter((x) => x.concern === 'harm' && x.level === 'not checked')) {
          expect(c.blocks).toBe(true)
          if (c.asks === null || valueAt(study, c.asks) !== null) continue
          // What takes another answer than yes or no is not asked here.
          const answers = [true, false].map((answer) => withValueAt(study, c.asks!, answer))
          const left = answers
            .filter((s) => Study.safeParse(s).success)
            .map((answered) => {
              const then = checksOf(answered, null)
              return {
                blocks: then.filter((x) => x.blocks).length,
                level: then.find((x) => x.id === c.id)?.level ?? 'pass',
              }
            })
          const good = left.filter((l) => l.level === 'pass' || l.level === 'marginal')
          for (const l of good) expect(l.blocks, c.id).toBeLessThan(now.filter((x) => x.blocks).length)
        }
      }),
      { numRuns: 30 },
    )
  })

  it('one cause is one entry: six taps that scald are one line that opens to six', () => {
    const [scald] = findingsOf(checksOf(changed(hillTown, unguarded), null)).filter((f) => f.cause.id === 'scald')
    expect([scald!.severity, scald!.parts.filter((c) => c.level === 'fail')]).toEqual(['danger', expect.any(Array)])
    expect(scald!.parts.filter((c) => c.level === 'fail')).toHaveLength(hillTown.pipes.taps.length)
  })

  it('worse is told where a fault of that name was there before', () => {
    const cool = (c: number) =>
      changed(hillTown, (s) => {
        s.controls.found.loop.mode = 'off'
        s.plant.store!.litres = 60
        s.controls.found.heaters.boiler!.setpointC = c
      })
    const [hot, cold] = [cool(52), cool(42)]
    const [before, after] = [checksOf(hot, simulate(hot)), checksOf(cold, simulate(cold))]
    expect(before.find((c) => c.id === 'delivery')!.level).not.toBe('pass')
    const delivery = broughtBy(before, after).find((c) => c.id === 'delivery')!
    expect(delivery.worsened.length).toBeGreaterThan(0)
    for (const { was, is } of delivery.worsened) expect(is.value).not.toBe(was.value)
  })
})

describe('advice', () => {
  it.each(DEMOS.map(({ study }) => [study.id, study] as const))(
    'for %s is tried: none that is offered leaves its check worse or brings harm',
    (_, study) => {
      const year = simulate(study)
      const checks = checksOf(study, year)
      for (const candidate of candidatesFor(study, checks)) {
        const then = simulate(candidate.study)
        const t = tried({ year, checks }, candidate, then)
        expect(t.savesMoney).toBeCloseTo(year.cost.total - then.cost.total, 9)
        if (!t.offered) continue
        const after = new Map(checksOf(candidate.study, then).map((c) => [c.id, c]))
        for (const c of checks.filter((x) => x.concern === 'harm' || x.id === t.check)) {
          const is = after.get(c.id)
          if (is) expect(rank(is.level), `${t.words}: ${c.id}`).toBeLessThanOrEqual(rank(c.level))
        }
        for (const c of after.values())
          if (c.concern === 'harm' && c.level === 'fail') expect(checks.map((x) => x.id)).toContain(c.id)
      }
    },
    120_000,
  )
})

describe('the relief valve', () => {
  it.each([
    ['the refuge', mountainRefuge],
    ['the farm', forestFarm],
  ] as const)('of %s lets go no more than is put in above its setting, and a jacket never costs', (_, study) => {
    const year = simulate(study)
    expect(year.energy.reliefKwh).toBeGreaterThan(0)
    expect(year.energy.reliefKwh).toBeLessThan(60)
    const wrapped = simulate(apply(study, beginMeasure(study, 'jacket', 'm')))
    expect(purchasedKwh(wrapped)).toBeLessThanOrEqual(purchasedKwh(year))
    expect(wrapped.cost.total).toBeLessThanOrEqual(year.cost.total)
    // A setting that is never reached lets nothing go.
    const high = edited(study, ({ plant }) => void (plant.store!.reliefC = 99))
    expect(simulate(high).energy.reliefKwh).toBeLessThanOrEqual(year.energy.reliefKwh)
  })
})
