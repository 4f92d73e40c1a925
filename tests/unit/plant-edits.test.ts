import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calculatorNamed } from '../../core/calculators/registry'
import { runCalculator } from '../../core/calculators/run'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { HEATER_KINDS } from '../../core/heaters/kinds'
import { blankStudy } from '../../core/household/defaults/blank'
import {
  addHeater,
  addLoop,
  changeHeaterKind,
  raiseHeater,
  removeHeater,
  removeLoop,
} from '../../core/household/edits/plant'
import { addRun, keepsRun, moveRun, type Nudge, nudgeRun, removeRun } from '../../core/household/edits/runs'
import { below, outline } from '../../core/household/outline'
import { rankedTaps, tapFigures } from '../../core/household/tap-figures'
import { addToPackage, beginHeatSource } from '../../core/measures/begin'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { faultText } from '../../core/units/result'
import { firstDays, randomStudy } from '../../proof/random-study'

const sound = (study: Study) => {
  const read = readStudy(study)
  if (!read.ok) throw new Error(read.faults.map(faultText).join('; '))
}
const kinds = HEATER_KINDS

describe('changes to a plant', () => {
  it('a heater that is added takes no name of one that a measure would bring', () => {
    const planned = structuredClone(hillTown)
    addToPackage(planned, beginHeatSource(planned, 'heat-pump', 'beside', 'planned')!)
    const [brought] = planned.packages[0].measures.flatMap((m) => (m.kind === 'heat-source' ? [m.heater] : []))
    brought.id = 'heat-pump'
    const both = addHeater(planned, 'heat-pump')
    sound(both)
    expect(both.plant.heaters.at(-1)!.id).toBe('heat-pump-1')
  })

  it('any sequence of them leaves a sound study that can be simulated', () => {
    const edit = fc.oneof(
      fc.record({ do: fc.constant('kind' as const), i: fc.nat(5), kind: fc.constantFrom(...kinds) }),
      fc.record({ do: fc.constant('add' as const), i: fc.nat(5), kind: fc.constantFrom(...kinds) }),
      fc.record({
        do: fc.constantFrom('remove' as const, 'raise' as const, 'loop' as const, 'no loop' as const),
        i: fc.nat(5),
        kind: fc.constant('element' as const),
      }),
    )
    fc.assert(
      fc.property(randomStudy, fc.array(edit, { minLength: 1, maxLength: 8 }), (study, edits) => {
        let s = study
        for (const e of edits) {
          const id = s.plant.heaters[e.i % s.plant.heaters.length].id
          if (e.do === 'kind') s = changeHeaterKind(s, id, e.kind)
          else if (e.do === 'add') s = addHeater(s, e.kind)
          else if (e.do === 'remove') s = removeHeater(s, id)
          else if (e.do === 'raise') s = raiseHeater(s, id)
          else s = e.do === 'loop' ? addLoop(s) : removeLoop(s)
          sound(s)
        }
        const { residual, input } = firstDays(s, 1)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
      }),
      { numRuns: 25 },
    )
  })

  it.each(['off', 'always', 'clock'] as const)(
    'an instantaneous heater on a loop that is %s closes its ledger and stays between its temperatures',
    (mode) => {
      const study = structuredClone(changeHeaterKind(hillTown, 'boiler', 'instant-gas'))
      study.controls.found.loop.mode = mode
      for (const pumpLMin of [0.5, 4, 20]) {
        study.pipes.loop!.pumpLMin = pumpLMin
        const { residual, input, flows } = firstDays(study, 3, (home) => {
          expect(home.plant.state().supplyC).toBeLessThan(51)
          if (home.network.hasLoop) expect(home.network.returnC(home.nowS)).toBeLessThan(51)
        })
        expect(Math.abs(residual)).toBeLessThan(1e-6 * input)
        expect(flows.useful).toBeGreaterThan(0)
      }
    },
  )

  it('an instantaneous heater takes the store away, and another brings one back', () => {
    const instant = changeHeaterKind(hillTown, 'boiler', 'instant-gas')
    expect(instant.plant.store).toBeNull()
    expect(instant.controls.found.heaters.boiler.setpointC).toBe(50)
    const back = changeHeaterKind(instant, 'boiler', 'gas-store')
    expect(back.plant.store).not.toBeNull()
    expect(back.origins['plant.store.loss']).toBe('assumed')
  })

  it('what is changed in no way is the same study', () => {
    for (const { study } of DEMOS)
      expect(changeHeaterKind(study, study.plant.heaters[0].id, study.plant.heaters[0].kind)).toBe(study)
  })
})

/** Runs that hang together as a tree: every one leads to the plant. */
const isTree = (study: Study) => outline(study.pipes.runs).length === study.pipes.runs.length

describe('the outline of the pipes', () => {
  it('stays a tree of the same runs, however they are moved', () => {
    const move = fc.tuple(
      fc.nat(20),
      fc.oneof(fc.constantFrom<Nudge>('up', 'down', 'in', 'out'), fc.tuple(fc.nat(15), fc.nat(6))),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMOS.map((d) => d.study)),
        fc.array(move, { minLength: 1, maxLength: 15 }),
        (study, moves) => {
          let { runs } = study.pipes
          for (const [i, how] of moves) {
            const { id } = runs[i % runs.length]
            runs = typeof how === 'string' ? nudgeRun(runs, id, how) : moveRun(runs, id, how[0], how[1])
          }
          const next = { ...study, pipes: { ...study.pipes, runs } }
          expect(isTree(next)).toBe(true)
          expect(runs.map((r) => r.id).sort()).toEqual(study.pipes.runs.map((r) => r.id).sort())
          sound(next)
        },
      ),
      { numRuns: 200 },
    )
  })

  it('moves a run with all that hangs on it', () => {
    const out = nudgeRun(hillTown.pipes.runs, 'first-branch', 'out')
    expect(out.find((r) => r.id === 'first-branch')!.from).toBe('riser-ground')
    expect(below(out, 'first-branch')).toEqual(
      new Set(['first-branch', 'first-shower-run', 'first-bath-run', 'first-basin-run']),
    )
    const back = nudgeRun(nudgeRun(hillTown.pipes.runs, 'first-bath-run', 'up'), 'first-bath-run', 'down')
    expect(back.map((r) => r.id)).toEqual(outline(hillTown.pipes.runs).map((r) => r.run.id))
  })

  it('adds a run at an end and takes one out, joining what it held', () => {
    const { study, id } = addRun(hillTown, 'riser-first')
    sound(study)
    expect(outline(study.pipes.runs).find((r) => r.run.id === id)!.depth).toBe(3)
    expect(removeRun(study, id).pipes.runs.map((r) => r.id)).toEqual(outline(hillTown.pipes.runs).map((r) => r.run.id))
    const without = removeRun(hillTown, 'first-branch')
    sound(without)
    expect(without.pipes.runs.find((r) => r.id === 'first-bath-run')!.from).toBe('riser-first')
    expect(keepsRun(hillTown, 'first-bath-run')).toMatch(/outlet/)
    expect(keepsRun(hillTown, 'riser-top')).toMatch(/return/)
    expect(removeRun(hillTown, 'riser-top')).toBe(hillTown)
  })
})

describe('taps', () => {
  it('are ranked by what they run off, with the figures of the bench sum', () => {
    const ranked = rankedTaps(hillTown)
    expect(ranked).toHaveLength(6)
    for (let i = 1; i < ranked.length; i++) expect(ranked[i - 1].toWasteL).toBeGreaterThanOrEqual(ranked[i].toWasteL)
    const { waitS, toWasteL, contentL } = tapFigures(hillTown, hillTown.pipes.taps[0])
    const runs = ['cellar-main', 'riser-ground', 'kitchen-branch']
      .map((id) => hillTown.pipes.runs.find((r) => r.id === id)!)
      .map(({ material, size, lengthM }) => ({ material, size, lengthM }))
    const answer = runCalculator(calculatorNamed('tap-wait')!, { runs, flowLMin: 7 })
    if (!answer.ok) throw new Error('refused')
    expect([contentL, toWasteL, waitS]).toEqual(
      [answer.value.out.contentL, answer.value.out.toWasteL, answer.value.out.waitS].map((x) =>
        expect.closeTo(x as number, 6),
      ),
    )
  })

  it('lose more pressure the faster they run', () => {
    const tap = hillTown.pipes.taps[1]
    expect(tapFigures(hillTown, { ...tap, flowLMin: 16 }).dropBar).toBeGreaterThan(
      2.5 * tapFigures(hillTown, { ...tap, flowLMin: 8 }).dropBar,
    )
  })
})

describe('a new household', () => {
  it('is sound and can be simulated', () => {
    sound(blankStudy('household'))
    expect(firstDays(blankStudy('household'), 3).flows.useful).toBeGreaterThan(0)
  })
})
