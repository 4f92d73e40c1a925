import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOfMeasure, levelOfMeasure } from '../../core/checks/measure'
import { HEATER_PLACE, placeChecks } from '../../core/checks/space'
import { courtFlat } from '../../core/demos/court-flat'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { assumedHeater } from '../../core/household/defaults/assumed-heaters'
import { runsTo } from '../../core/household/lookups'
import { tapFigures } from '../../core/household/tap-figures'
import { apply } from '../../core/measures/apply'
import { beginMeasure } from '../../core/measures/begin'
import { pipeOf } from '../../core/pipes/catalogue'
import { contentsPerMetre } from '../../core/pipes/contents'
import { displayOf } from '../../core/study/display-of'
import { isPointOfUse } from '../../core/study/heater-kinds'
import type { LoopMode } from '../../core/study/loop-modes'
import type { Study } from '../../core/study/study'
import { sizes } from '../../core/views/sizes'
import { houseHeatSentence, lostToAirKwh } from '../../core/year/account/house-heat'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { open } from './judged'

const verdicts = (study: Study, kind: Parameters<typeof assumedHeater>[0]) =>
  Object.fromEntries(
    placeChecks(study, assumedHeater(kind, 'new', 'heated', study.pipes.taps[0]!.id, 200)).map((c) => [c.id, c.level]),
  )

describe('where another heater is to stand', () => {
  it('a flue, a drain for condensate and a supply are asked of those that need them', () => {
    expect(verdicts(hillTown, 'boiler-coil')).toEqual({
      flue: 'not checked',
      condensate: 'not checked',
      socket: 'not checked',
    })
    expect(verdicts(hillTown, 'heat-pump')).toEqual({ condensate: 'not checked' })
    expect(verdicts(hillTown, 'element')).toEqual({})
    expect(verdicts(hillTown, 'solar')).toEqual({ socket: 'not checked' })
  })

  it('what is there fits, what is not there does not, and neither is asked of a heater that stands', () => {
    const looked = (there: boolean) =>
      changed(hillTown, (s) => void (s.site.heaterPlace = { flue: there, condensate: there, socket: there }))
    for (const [study, verdict] of [
      [looked(true), 'pass'],
      [looked(false), 'fail'],
    ] as const)
      for (const v of Object.values(verdicts(study, 'boiler-coil'))) expect(v).toBe(verdict)
    const { there, instead } = sizes(looked(false))
    const asked = (list: typeof there) => list.flatMap((s) => s.checks).filter((c) => c.id in HEATER_PLACE)
    expect(asked(there)).toEqual([])
    expect(asked(instead).length).toBeGreaterThan(2)
    for (const s of instead) if (s.checks.some((c) => c.id in HEATER_PLACE)) expect(s.level).toBe('fail')
  })
})

describe('a heater that is moved', () => {
  it('takes its metres off every way to a tap and off the loop’s return, in any household', () => {
    fc.assert(
      fc.property(randomStudy, fc.double({ min: 0.1, max: 50, noNaN: true }), (study, nearerM) => {
        const moved = apply(study, { ...beginMeasure(study, 'move-heater', 'm'), nearerM })
        for (const tap of study.pipes.taps) {
          const [root] = runsTo(study, tap)
          const off = root.lengthM - Math.max(0.1, root.lengthM - nearerM)
          const now = moved.pipes.runs.find((r) => r.id === root.id)!
          expect(root.lengthM - now.lengthM).toBeCloseTo(off, 9)
          if (study.plant.heaters.some((h) => isPointOfUse(h))) continue
          const litres = tapFigures(study, tap).contentL - tapFigures(moved, tap).contentL
          if (study.pipes.loop === null)
            expect(litres).toBeCloseTo(contentsPerMetre(pipeOf(root.material, root.size)) * off, 6)
        }
        if (study.pipes.loop)
          expect(moved.pipes.loop!.back.lengthM).toBe(Math.max(0.1, study.pipes.loop.back.lengthM - nearerM))
        expect(moved.people).toBe(study.people)
      }),
      { numRuns: 40 },
    )
  })

  it('waits less and costs less in a flat without a loop, and is refused for more metres than there are', () => {
    const measure = { ...beginMeasure(harbourFlat, 'move-heater', 'm'), nearerM: 1 }
    const [now, then] = [simulate(harbourFlat), simulate(apply(harbourFlat, measure))]
    expect(then.comfort.waitMedianS).toBeLessThan(now.comfort.waitMedianS)
    expect(then.cost.total).toBeLessThan(now.cost.total)
    expect(levelOfMeasure(harbourFlat, { ...measure, nearerM: 199 })).toBe('fail')
    expect(levelOfMeasure(harbourFlat, measure)).toBe('not checked')
    const measured = changed(hillTown, (s) => void (s.plant.store!.ambientC = 31))
    const store = apply(measured, { ...beginMeasure(hillTown, 'move-heater', 'm'), place: 'heated' }).plant.store!
    expect([store.place, store.ambientC]).toEqual(['heated', null])
  })
})

describe('a drain unit', () => {
  it('says the hours that fitting it is assumed to take, by what has to be opened', () => {
    const hours = (access: boolean | null) => {
      const study = changed(courtFlat, (s) => void (s.pipes.drain!.access = access))
      const time = checksOfMeasure(study, beginMeasure(study, 'drain-recovery', 'm')).find((c) => c.id === 'time')!
      return [time.level, ...[...time.sentence.matchAll(/(\d+) h/g)].map((m) => Number(m[1]))] as const
    }
    const [[open, least], [shut, most], [unknown, ...both]] = [hours(true), hours(false), hours(null)]
    expect([open, shut, unknown]).toEqual(['pass', 'pass', 'not checked'])
    expect(most).toBeGreaterThan(least!)
    expect(both).toEqual([least, most])
  })
})

describe('borrowed figures', () => {
  const supplier = { source: 'Water supplier', on: '2026-01-01', conditions: '' }
  const sourced = (s: Study) => void (s.site.sources = { mains: supplier, hardness: supplier })

  it('are asked whose they are, and citation where they decide', () => {
    const curve = changed(harbourFlat, (s) => {
      const [h] = s.plant.heaters
      sourced(s)
      if (h?.kind === 'instant-gas') h.makerFlow = [{ riseK: 30, lMin: 90 }]
    })
    const of = (study: Study, id: string) => open(study).find((f) => f.id === id)
    expect(of(curve, 'borrowed')!.sentence).toContain(curve.plant.heaters[0]!.name)
    const named = changed(curve, (s) => {
      s.plant.heaters[0]!.dataSource = { source: 'Sheet 12', on: '2024-05-01', conditions: 'inlet at 15 °C' }
    })
    expect(of(named, 'borrowed')).toBeUndefined()
    expect(of(named, `curve-${named.plant.heaters[0]!.id}`)!.source).toMatch(/Sheet 12, 2024-05-01, inlet at 15 °C/)
    const label = changed(hillTown, (s) => {
      sourced(s)
      s.plant.store!.loss = { kind: 'label', label: 'C' }
      delete s.origins['plant.store.loss']
    })
    expect(of(label, 'borrowed')!.sentence).toContain(label.plant.store!.name)
    const assumed = changed(label, (s) => void (s.origins['plant.store.loss'] = 'assumed'))
    expect(of(assumed, 'borrowed')).toBeUndefined()
  })

  it('of the water are the supplier’s, unless they were read here or are a model', () => {
    const borrowed = (edit: (s: Study) => void) =>
      open(changed(hillTown, edit)).find((f) => f.id === 'borrowed')?.sentence ?? ''
    const hard = (s: Study) => void (s.site.hardnessMgL = 240)
    expect(borrowed(hard)).toContain('Hardness')
    expect(borrowed((s) => (hard(s), sourced(s)))).not.toContain('Hardness')
    expect(borrowed((s) => (hard(s), void (s.origins['site.hardnessMgL'] = 'measured')))).not.toContain('Hardness')
    expect(borrowed(() => {})).not.toContain('Cold main')
    const typed = (s: Study) => {
      s.site.mains = { kind: 'monthly', monthlyC: Array.from({ length: 12 }, () => 10) }
      delete s.origins['site.mains']
    }
    expect(borrowed(typed)).toContain('Cold main')
  })
})

describe('what a way of running a loop needs along it', () => {
  const loop = hillTown.pipes.loop!
  const checks = (mode: LoopMode, pumpAt: typeof loop.pumpAt, sensorAt: typeof loop.sensorAt) => {
    const study = changed(hillTown, (s) => void Object.assign(s.pipes.loop!, { pumpAt, sensorAt }))
    return checksOfMeasure(study, { ...beginMeasure(study, 'loop-mode', 'm'), mode }).map((c) => [
      c.id,
      c.level,
      c.sentence,
    ])
  }
  it('is nothing for a pump that rests, a supply for a cable, and a pump that was seen for the rest', () => {
    expect(checks('off', 'not checked', 'not checked')).toEqual([])
    expect(checks('trace heating', 'at the plant', 'not there')).toEqual([
      ['supply', 'not checked', expect.any(String)],
    ])
    expect(checks('clock', 'not checked', 'not checked').map((c) => c[1])).toEqual(['not checked'])
    expect(checks('clock', 'at the plant', 'not checked').map((c) => c[1])).toEqual(['pass'])
  })

  it('is a sensor where the mode goes by one, with the wire to the pump', () => {
    const outM = runsTo(hillTown, { runId: loop.returnConnectionRunId }).reduce((s, r) => s + r.lengthM, 0)
    const [, wire] = checks('stop warm', 'at the plant', 'at the far tap')
    expect(wire![1]).toBe('pass')
    expect(wire![2]).toContain(`${outM.toFixed(1)} m`)
    expect(checks('sampled', 'at the plant', 'not there')[1]![1]).toBe('not checked')
    expect(checks('sampled', 'at the far tap', 'at the far tap')[1]![2]).toMatch(/short/)
  })
})

describe('heat that came to heated rooms', () => {
  it('is all of what is lost in a house that is heated all year, and nothing where nothing stands in a heated room', () => {
    const all = (place: 'heated' | 'cellar') =>
      simulate(
        changed(hillTown, (s) => {
          s.site.heatingMonths = s.site.heatingMonths.map(() => true)
          for (const r of [...s.pipes.runs, s.pipes.loop!.back, s.plant.store!, ...s.plant.heaters]) r.place = place
        }),
      ).energy
    const inside = all('heated')
    expect(inside.houseHeatKwh / lostToAirKwh(inside)).toBeCloseTo(1, 6)
    expect(houseHeatSentence(inside, false, displayOf(hillTown))).toMatch(/\(100%\).*not credited/)
    expect(all('cellar').houseHeatKwh).toBe(0)
  })
})
