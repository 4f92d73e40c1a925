import { beforeAll, describe, expect, it } from 'vitest'
import { checksOfMeasure } from '../../core/checks/measure'
import { duplex } from '../../core/demos/duplex'
import { hillTown } from '../../core/demos/hill-town'
import { efficiencyAt } from '../../core/heaters/efficiency'
import { farFreeTap } from '../../core/household/edits/heat-source'
import { removeLoop } from '../../core/household/edits/plant'
import { computedLoopUa } from '../../core/household/loop'
import { flueInStore } from '../../core/household/store-loss'
import { apply, applyAll } from '../../core/measures/apply'
import { beginMeasure, measuresFor } from '../../core/measures/begin'
import { jobsOf } from '../../core/measures/jobs'
import { partsOf } from '../../core/measures/parts'
import { logKillPerHour } from '../../core/safety/legionella'
import { scaldSeconds } from '../../core/safety/scald'
import { interactionsOf, pairsOf } from '../../core/scenarios/interactions'
import { type JacketClear, staysClear } from '../../core/stores/jacket'
import { offeredAt } from '../../core/study/economics'
import { asFound, controlsOf } from '../../core/study/in-force'
import type { LoopMode } from '../../core/study/loop-modes'
import { type Measure, NOT_PRICED } from '../../core/study/measures'
import { Study } from '../../core/study/study'
import { wordsOf } from '../../core/study/words-of'
import { cascadeOf } from '../../core/views/cascade'
import { compared, type Comparison } from '../../core/views/compare'
import { refusalsOf } from '../../core/views/order-of-work'
import { drawsOfYear } from '../../core/year/draws/draws'
import { figuresOfYear, YEAR_FIGURES } from '../../core/year/figures'
import type { YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'

describe('measures', () => {
  const [schedule, wrap, sixty] = hillTown.packages[0].measures

  it('leave pipes that cannot be reached and the register of what was found alone', () => {
    const all = { ...wrap, runIds: hillTown.pipes.runs.map((r) => r.id) } as typeof wrap
    const done = apply(hillTown, all)
    expect(done.pipes.runs.find((r) => r.id === 'riser-top')!.insulation!.thicknessMm).toBe(9)
    expect(done.pipes.runs.find((r) => r.id === 'cellar-main')!.insulation!.thicknessMm).toBe(20)
    expect(done.pipes.loop!.back.insulation!.thicknessMm).toBe(20)
    const set = apply(apply(hillTown, sixty), schedule)
    expect(controlsOf(set).heaters.boiler.setpointC).toBe(60)
    expect(set.controls.found).toEqual(hillTown.controls.found)
    expect(asFound(set)).toEqual(hillTown)
  })

  it('leave a sound study', () => {
    for (const study of [hillTown, duplex])
      for (const p of study.packages) expect(Study.safeParse(applyAll(study, p.measures)).success).toBe(true)
  })
})

describe('a comparison', () => {
  let c: Comparison
  let years: Map<string, YearResult>
  beforeAll(() => {
    years = new Map(jobsOf(hillTown).map((j) => [j.key, simulate(j.study)]))
    c = compared(hillTown, years)
  })

  it('has the same draws in every year', () => {
    const draws = [...years.values()].map((y) => y.comfort.draws)
    expect(new Set(draws).size).toBe(1)
  })

  it('shows that savings do not add up', () => {
    const [p] = c.packages
    expect(p.together).toBeGreaterThan(0)
    expect(p.sumOfSingles).toBeGreaterThan(p.together * 1.1)
    for (const m of p.measures) {
      expect(m.alone.cost).toBeGreaterThan(0)
      expect(m.lastIn.cost).toBeLessThan(m.alone.cost)
    }
    expect(p.difference.cost).toBeCloseTo(p.result.cost.total - c.asFound.cost.total, 6)
  })

  it('adds up measure by measure, in every figure', () => {
    const [p] = c.packages
    for (const f of YEAR_FIGURES)
      expect(p.measures.reduce((sum, m) => sum + m.inOrder[f], 0)).toBeCloseTo(-p.againstSet[f], 8)
    for (const f of YEAR_FIGURES) {
      const { from, steps, to } = cascadeOf(c.asFound, p, f)
      expect([from, to]).toEqual([figuresOfYear(c.asFound)[f], figuresOfYear(p.result)[f]])
      expect(steps.map((s) => s.from)).toEqual([from, ...steps.slice(0, -1).map((s) => s.to)])
      expect(steps.at(-1)!.to).toBeCloseTo(to, 8)
    }
    expect(p.measures[0].inOrder).toEqual(p.measures[0].alone)
    expect(p.measures.at(-1)!.inOrder).toEqual(p.measures.at(-1)!.lastIn)
  })

  it('says which two measures save part of the same', () => {
    const [pack] = hillTown.packages
    const two = { ...pack, measures: pack.measures.slice(0, 2) }
    const pairs = pairsOf(hillTown, two)
    const together = simulate(pairs[0].study)
    const alone = c.packages[0].measures.slice(0, 2).map((m) => m.alone.cost)
    const [only] = interactionsOf(two, c.asFound.cost.total, alone, pairs, [together])
    expect(only.measures).toEqual(two.measures.map((m) => m.name))
    expect(alone[0] + alone[1] + only.money!).toBeCloseTo(c.asFound.cost.total - together.cost.total, 8)
    expect(interactionsOf(two, c.asFound.cost.total, alone, pairs, [null])[0].money).toBeNull()
    expect(pairsOf(hillTown, pack)).toHaveLength((pack.measures.length * (pack.measures.length - 1)) / 2)
  })

  it('saves heat in the pipes it wraps and nowhere out of thin air', () => {
    const { result } = c.packages[0]
    expect(result.energy.loopKwh).toBeLessThan(c.asFound.energy.loopKwh * 0.6)
    expect(result.energy.usefulKwh / c.asFound.energy.usefulKwh).toBeGreaterThan(0.98)
    expect(result.energy.usefulKwh / c.asFound.energy.usefulKwh).toBeLessThan(1.02)
  })

  it('names a year that is missing', () => expect(() => compared(hillTown, new Map())).toThrow(/as-found/))
})

describe('draws', () => {
  it('of one habit stay as they are when another changes', () => {
    const before = drawsOfYear(hillTown.people, hillTown.site).filter((d) => d.tapId === 'first-bath')
    const people = structuredClone(hillTown.people)
    people.uses = people.uses.filter((h) => h.id !== 'ilva-shower')
    people.uses[0].chance = 0.1
    expect(drawsOfYear(people, hillTown.site).filter((d) => d.tapId === 'first-bath')).toEqual(before)
  })

  it('stop while everybody is away, and are longer in winter', () => {
    const draws = drawsOfYear(hillTown.people, hillTown.site)
    const day = (d: { startS: number }) => Math.floor(d.startS / 86_400) + 1
    // A late shower may begin after midnight; half a day's grace at each end.
    expect(draws.filter((d) => day(d) > 218 && day(d) < 230)).toEqual([])
    const mean = (from: number, to: number) => {
      const some = draws.filter((d) => d.tapId === 'top-shower' && day(d) >= from && day(d) < to)
      return some.reduce((s, d) => s + d.amount, 0) / some.length
    }
    expect(mean(1, 60)).toBeGreaterThan(mean(160, 215))
  })
})

describe('tables of the trade', () => {
  it('condensing efficiency falls with the return', () => {
    expect(efficiencyAt({ kind: 'condensing', shift: 0 }, 20, 'natural-gas')).toBe(0.975)
    expect(efficiencyAt({ kind: 'condensing', shift: 0 }, 45, 'natural-gas')).toBeCloseTo(0.92, 9)
    expect(efficiencyAt({ kind: 'condensing', shift: 0 }, 90, 'natural-gas')).toBe(0.86)
    expect(efficiencyAt({ kind: 'fixed', share: 0.82 }, 20, 'natural-gas')).toBe(0.82)
  })

  it.each([
    [48.9, 300],
    [56.1, 15],
    [60, 5],
    [75, 1],
  ])('water at %d °C scalds an adult in %d s and a child in a quarter', (c, s) => {
    expect(scaldSeconds(c).adultS).toBeCloseTo(s, 6)
    expect(scaldSeconds(c).childS).toBeCloseTo(s / 4, 6)
  })

  it('below the table the time is long and not without end', () => {
    expect(scaldSeconds(44).adultS / 3600).toBeCloseTo(6, 9)
    expect(scaldSeconds(40).adultS).toBeLessThan(Infinity)
    expect(scaldSeconds(40).adultS).toBeGreaterThan(scaldSeconds(44).adultS)
  })

  it('kills tenfold in 111 minutes at 50 °C and in 2 at 60 °C', () => {
    expect(60 / logKillPerHour(50)).toBeCloseTo(111, 6)
    expect(60 / logKillPerHour(60)).toBeCloseTo(2, 6)
    expect(logKillPerHour(40)).toBe(0)
  })
})

describe('what nobody has asked for', () => {
  it('an unknown cost never yields a payback, alone or in a package', () => {
    const study = changed(hillTown, (s) => {
      s.packages[0].measures[0].costMoney = null
    })
    const years = new Map(jobsOf(study).map((j) => [j.key, simulate(j.study)]))
    const [pack] = compared(study, years).packages
    expect(pack.costMoney).toBeNull()
    expect(pack.appraisal).toBeNull()
    expect(pack.measures[0].costMoney).toBeNull()
  })
})

describe('insulation', () => {
  const priced = (m: Measure, price: number) => {
    const [foam] = partsOf(hillTown, m).filter((p) => p.key.startsWith('foam'))
    return { ...m, partPrices: { [foam.key]: offeredAt(price) } } as Measure
  }
  const foamOf = (m: Measure) => partsOf(hillTown, m).find((p) => p.key.startsWith('foam'))!
  const plain = beginMeasure(hillTown, 'insulate-runs', 'w')

  it('with a self-sealing slit is another part with a price of its own, and is closed in another way', () => {
    const selfSealing = { ...priced(plain, 4), slit: 'self-sealing' } as typeof plain
    expect(foamOf(priced(plain, 4)).priceEach?.likely).toBe(4)
    expect(foamOf(selfSealing).priceEach).toBeNull()
    expect(foamOf(selfSealing).name).toMatch(/self-sealing/)
    const closure = (m: Measure) => checksOfMeasure(hillTown, m).find((c) => c.id === 'heat')!.sentence
    expect(closure(plain)).toMatch(/glued/)
    expect(closure(selfSealing)).toMatch(/pressed shut/)
    expect(simulate(apply(hillTown, selfSealing)).cost.total).toBe(simulate(apply(hillTown, plain)).cost.total)
  })

  it('that comes without a slit to seal has none, whatever was chosen before', () => {
    const wool = { ...plain, slit: 'self-sealing' as const, insulation: { lambdaWMK: 0.037, thicknessMm: 20 } }
    expect(foamOf(wool).name).not.toMatch(/self-sealing/)
    expect(foamOf(wool).key).toBe(foamOf({ ...wool, slit: 'plain' }).key)
  })
})

describe('a jacket', () => {
  const clearOf = (study: Study, clear: JacketClear[]) =>
    checksOfMeasure(study, { ...beginMeasure(study, 'jacket', 'j'), clear }).find((c) => c.id === 'clear')!

  it('round a flue is not checked until all that must stay clear was looked at, and is not advised before', () => {
    expect(flueInStore(duplex.plant)).toBe(true)
    const all = [...staysClear(true)]
    expect(clearOf(duplex, all).level).toBe('pass')
    for (const left of all) {
      const without = clearOf(
        duplex,
        all.filter((c) => c !== left),
      )
      expect(without).toMatchObject({ level: 'not checked', concern: 'harm', blocks: true })
      expect(without.sentence).toMatch(wordsOf(duplex)(left))
    }
    const jacket = beginMeasure(duplex, 'jacket', 'j')
    const refused = (measure: Measure) => {
      const now = simulate(duplex)
      return refusalsOf(duplex, [measure], now, simulate(apply(duplex, measure)), false)
    }
    expect(refused(jacket).join()).toMatch(/Clearances/)
    expect(refused({ ...jacket, clear: all }).join()).not.toMatch(/Clearances/)
  })

  it('round a store without one asks for other things, and for its flue not at all', () => {
    expect(clearOf(hillTown, []).level).toBe('marginal')
    expect(clearOf(hillTown, []).sentence).not.toMatch(/flue|draught/)
    expect(clearOf(hillTown, [...staysClear(false)]).level).toBe('pass')
  })
})

describe('a loop laid where there is none', () => {
  const without = changed(removeLoop(hillTown), (s) => void (s.packages = []))
  const laid = (mode: LoopMode) => apply(without, { ...beginMeasure(without, 'lay-loop', 'lay'), mode })

  it('shortens the waits at the outlet it goes to, and costs what it loses', () => {
    const [before, after] = [simulate(without), simulate(laid('always'))]
    const far = without.pipes.taps.find((t) => t.id === farFreeTap(without))!.id
    const wait = (y: typeof before) => y.taps.find((t) => t.id === far)!.waitMedianS
    expect(wait(after)).toBeLessThan(0.5 * wait(before))
    expect(after.energy.loopKwh).toBeGreaterThan(100)
    expect(after.cost.loopPump).toBeGreaterThan(0)
    expect(before.energy.loopKwh).toBe(0)
  })

  it('is bought in parts, the return by its length, or a bypass valve where the cold pipe carries it', () => {
    const measure = beginMeasure(without, 'lay-loop', 'lay')
    const names = (m: typeof measure) => partsOf(without, m).map((p) => p.name)
    expect(names(measure)).toContain('Circulation pump with its control')
    expect(partsOf(without, measure).find((p) => p.key.startsWith('pipe '))!.count).toBe(
      Math.ceil(measure.loop.back.lengthM),
    )
    const cold = { ...measure, loop: { ...measure.loop, returns: { by: 'cold line' as const, closesAtC: 38 } } }
    expect(names(cold)).toContain('Thermostatic bypass valve at the furthest outlet')
    expect(partsOf(without, cold).some((p) => p.key.startsWith('pipe '))).toBe(false)
  })

  it('is not laid where there is one', () => {
    const measure = beginMeasure(without, 'lay-loop', 'lay')
    expect(apply(hillTown, measure)).toBe(hillTown)
    expect(checksOfMeasure(hillTown, measure).map((c) => c.level)).toEqual(['fail'])
    expect(measuresFor(hillTown)).not.toContain('lay-loop')
  })
})

describe('a loop whose loss was measured', () => {
  const wrap: Measure = {
    kind: 'insulate-runs',
    id: 'wrap',
    name: 'Wrap',
    ...NOT_PRICED,
    runIds: hillTown.pipes.runs.map((r) => r.id),
    loopReturn: true,
    insulation: { lambdaWMK: 0.038, thicknessMm: 30 },
    slit: 'plain',
  }
  const saves = (study: Study) => simulate(study).cost.total - simulate(apply(study, wrap)).cost.total

  it('is wrapped for as much as one that was computed, within a tenth, and by the share it was off', () => {
    const measured = (share: number) =>
      changed(hillTown, (s) => void (s.pipes.loop!.measuredUaWK = share * computedLoopUa(hillTown)))
    const computed = saves(hillTown)
    expect(computed).toBeGreaterThan(50)
    expect(saves(measured(1)) / computed).toBeCloseTo(1, 1)
    expect(saves(measured(1.3))).toBeGreaterThan(saves(measured(1)))
    const after = apply(measured(1.3), wrap)
    expect(after.pipes.loop!.measuredUaWK! / computedLoopUa(after)).toBeCloseTo(1.3, 9)
  })
})
