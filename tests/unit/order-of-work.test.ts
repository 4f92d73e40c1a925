import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { courtFlat } from '../../core/demos/court-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { applyAll } from '../../core/measures/apply'
import { beginHeatSource, beginMeasure } from '../../core/measures/begin'
import { exclude, type OrderOfWork, orderOfWork } from '../../core/scenarios/order-of-work'
import { edited } from '../../core/study/edited'
import type { Measure } from '../../core/study/measures'
import { Study } from '../../core/study/study'
import { packageOfWork, refusalsOf, workOptions, workSentences, workSummary } from '../../core/views/order-of-work'
import { simulate } from '../../core/year/simulate'
import { YearRefused } from '../../core/year/work'

/** Years of one household, each worked out once. */
function search(study: Study, measures: readonly Measure[]) {
  const now = simulate(study)
  const before = checksOf(study, now)
  return orderOfWork(
    study,
    measures,
    now,
    (all) =>
      Promise.resolve(
        all.map((s) => {
          try {
            return simulate(s)
          } catch (error) {
            if (error instanceof YearRefused) return null
            throw error
          }
        }),
      ),
    (set, then) => Promise.resolve(refusalsOf(study, set, now, then, false, before)),
  )
}
/** What nobody has priced, at a price; of a kind no more than two, for a quick test. */
const priced = (study: Study) =>
  workOptions(study)
    .filter((m, i, all) => all.slice(0, i).filter((x) => x.kind === m.kind).length < 2)
    .map((m, i) => ({ ...m, costMoney: m.costMoney ?? 60 + 40 * i }))
const names = ({ steps }: OrderOfWork) => steps.map((s) => s.measure.name)

describe.each(DEMOS.map((d) => [d.study.id, d.study] as const))('the order of work of %s', (_, study) => {
  it('is never worse than the best measure or pair, and does what it says', async () => {
    const options = priced(study)
    const order = await search(study, options)
    if (order.bestOfFew !== null) expect(order.benefit).toBeGreaterThanOrEqual(order.bestOfFew)
    else expect(order.steps).toEqual([])
    // Step by step it adds up to the whole, which is the year of its package.
    const pack = packageOfWork(order, 'work')
    const then = simulate(applyAll(study, pack.measures))
    const saved = simulate(study).cost.total - then.cost.total
    expect(order.steps.reduce((s, x) => s + x.saves, 0)).toBeCloseTo(order.saves, 6)
    expect(Math.abs(saved - order.saves)).toBeLessThan(0.01)
    expect(refusalsOf(study, pack.measures, simulate(study), then, false)).toEqual([])
    // Every measure is in it, or told why it is not.
    expect(new Set([...order.steps, ...order.left, ...order.notPriced].map((x) => x.measure.id)).size).toBe(
      options.length,
    )
    for (const { why } of order.left) expect(why.length).toBeGreaterThan(0)
    expect(Study.safeParse({ ...study, packages: [...study.packages, pack] }).success).toBe(true)
  })
})

describe('an order of work', () => {
  const jacket = { ...beginMeasure(courtFlat, 'jacket', 'jacket'), costMoney: 20 }
  const drain = { ...beginMeasure(courtFlat, 'drain-recovery', 'drain'), costMoney: 600 }

  it('is, of three measures, the best of all eight sets', async () => {
    const head = { ...beginMeasure(courtFlat, 'stop-when-warm', 'stop'), costMoney: 90 }
    const options = [jacket, drain, head]
    const order = await search(courtFlat, options)
    const now = simulate(courtFlat)
    const aYear = (m: Measure) => m.costMoney! * (0.03 / (1 - 1.03 ** -{ jacket: 15, drain: 25, stop: 8 }[m.id]!))
    const worth = Array.from({ length: 8 }, (_, bits) => options.filter((_, i) => bits & (1 << i))).map((set) => {
      const then = simulate(applyAll(courtFlat, set))
      const allowed = refusalsOf(courtFlat, set, now, then, false).length === 0
      return allowed ? now.cost.total - then.cost.total - set.reduce((s, m) => s + aYear(m), 0) : -Infinity
    })
    expect(order.benefit).toBeCloseTo(Math.max(...worth), 6)
  })

  it('keeps the budget, and says what is over it', async () => {
    const poor = edited(courtFlat, (s) => void (s.economics.budgetMoney = 100))
    const order = await search(poor, [jacket, drain])
    expect(order.cost).toBeLessThanOrEqual(100)
    expect(order.left.find((l) => l.measure.id === 'drain')!.why).toContain('Over the budget.')
    expect(names(order)).toEqual([jacket.name])
    expect(workSentences(order, poor)[0]).toMatch(/^Jacket, 80 mm: saves €\d.* a year for €20, paid back in/)
    expect(workSummary(order, poor)).toMatch(/every single measure and every pair/)
  })

  it('never counts an unknown price as none, and says what it may cost', async () => {
    const order = await search(courtFlat, [{ ...drain, costMoney: null }])
    expect(order.steps).toEqual([])
    const [unknown] = order.notPriced
    // As much a year, growing by 1 and discounted at 3 %, as long as it lasts.
    const k = 1.01 / 1.03
    expect(unknown.worthUpTo).toBeCloseTo((unknown.saves * (k * (1 - k ** 25))) / (1 - k), 6)
  })

  it('does not do two things that set the same, nor what undoes part of another, but what goes together', () => {
    const apart = (a: Measure, b: Measure, study = courtFlat) => {
      expect(exclude(study, b, a)).toBe(exclude(study, a, b))
      return exclude(study, a, b)
    }
    const at = (c: number) => ({ ...beginMeasure(courtFlat, 'setpoint', `s${c}`), setpointC: c })
    const source = beginMeasure(courtFlat, 'heat-source', 'x')
    const controls = beginMeasure(courtFlat, 'heater-control', 'c')
    expect(apart(at(55), at(60))).toBe(true)
    expect(apart({ ...source, replaces: [at(55).heaterId] }, at(55))).toBe(true)
    // All controls of a heater are its setpoint too.
    expect(apart({ ...controls, control: { ...controls.control, setpointC: 50 } }, at(60))).toBe(true)
    expect(apart(jacket, drain)).toBe(false)
    // A clock and its hours are set together, whichever comes first.
    const clock = { ...beginMeasure(hillTown, 'loop-mode', 'm'), mode: 'clock' as const }
    expect(apart(clock, beginMeasure(hillTown, 'loop-schedule', 'h'), hillTown)).toBe(false)
    // Moved nearer and laid anew: what is laid is as long as it was said, or shorter.
    const root = hillTown.pipes.runs.find((r) => r.from === null)!
    const anew = { ...beginMeasure(hillTown, 'repipe', 'r'), runId: root.id }
    expect(apart(anew, beginMeasure(hillTown, 'move-heater', 'n'), hillTown)).toBe(true)
    expect(apart(beginMeasure(hillTown, 'insulate-runs', 'i'), anew, hillTown)).toBe(false)
  })

  it('leaves out what could hurt somebody while nobody has looked', async () => {
    const now = simulate(courtFlat)
    const electric: Measure = {
      ...beginMeasure(courtFlat, 'heat-source', 'e'),
      ...beginHeatSource(
        edited(courtFlat, (s) => void (s.site.electricMain = null)),
        'element',
        'instead',
        'e',
      ),
    } as Measure
    const unknown = edited(courtFlat, (s) => void (s.site.electricMain = null))
    const said = refusalsOf(unknown, [electric], now, simulate(applyAll(unknown, [electric])), true)
    expect(said.join(' ')).toMatch(/supply: not checked/i)
  })
})
