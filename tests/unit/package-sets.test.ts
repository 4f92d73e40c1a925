import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arrivals } from '../../core/checks/delivery'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { applyAll } from '../../core/measures/apply'
import { packageSets, withSet } from '../../core/scenarios/package-sets'
import { controlsOf } from '../../core/study/in-force'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'

/** One outlet alone asks for hotter water than comes to it. */
const asking = (study: Study, tapId: string, needsC: number) =>
  changed(study, (s) => {
    for (const tap of s.pipes.taps) tap.minHotInletC = tap.id === tapId ? needsC : null
  })
const sink = hillTown.pipes.taps.find((t) => t.kind === 'kitchen')!
const short = asking(
  changed(hillTown, (s) => {
    for (const control of [s.controls.found, s.controls.set])
      for (const id in control?.heaters) control.heaters[id].setpointC = 50
  }),
  sink.id,
  52,
)
const remedies = packageSets(short).find((s) => s.name === `Remedies for ${sink.name}`)!
const arrivesWith = (name: string) => {
  const { measures } = remedies.packages.find((p) => p.name.endsWith(name))!
  return arrivals(applyAll(short, measures)).find((a) => a.tap.id === sink.id)?.arrivesC
}

describe('remedies for one outlet', () => {
  it('each bring it more than comes now: wrapped pipes some, a setpoint what it asks for, a heater of its own all', () => {
    const now = arrivals(short).find((a) => a.tap.id === sink.id)!.arrivesC
    expect(now).toBeLessThan(52)
    expect(arrivesWith('insulate its pipes')!).toBeGreaterThan(now)
    expect(arrivesWith('higher setpoint')!).toBeGreaterThanOrEqual(52)
    expect(arrivesWith('higher setpoint')!).toBeLessThan(53)
    // It asks the pipes for nothing any more.
    for (const own of [': point-of-use heater', ': instantaneous point-of-use heater'])
      expect(arrivesWith(own)).toBeUndefined()
  })

  it('are given where an outlet asks for more than comes, and nowhere else', () => {
    expect(packageSets(asking(short, sink.id, 35)).map((s) => s.name)).toEqual([
      'Circulation, with and without insulation',
    ])
    expect(packageSets(harbourFlat).every((s) => s.name.startsWith('Remedies'))).toBe(true)
  })
})

describe('a loop with and without insulation', () => {
  it('has another mode than now, and the same pipes wrapped in both', () => {
    const set = packageSets(hillTown).find((s) => s.name.startsWith('Circulation'))!
    const [asSet, other, both] = set.packages
    const mode = other.measures[0]
    expect(mode.kind === 'loop-mode' && mode.mode).not.toBe(controlsOf(hillTown).loop.mode)
    expect(both.measures).toEqual([...other.measures, ...asSet.measures])
  })
})

describe('the packages of a set', () => {
  it('fit any household, stand beside its own, and are made anew when they are asked for again', () => {
    fc.assert(
      fc.property(randomStudy, (any) => {
        const study = { ...any, packages: any.packages.slice(0, 5) }
        for (const set of packageSets(study)) {
          const once = withSet(study, set)
          const read = readStudy(once.study)
          expect(read.ok ? [] : read.faults).toEqual([])
          expect(once.study.packages.slice(0, study.packages.length)).toEqual(study.packages)
          expect(once.ids).toHaveLength(set.packages.length)
          for (const { measures } of set.packages) expect(readStudy(applyAll(study, measures)).ok).toBe(true)
          const again = withSet(once.study, set)
          expect(again.ids).toEqual(once.ids)
          expect(again.study.packages).toHaveLength(once.study.packages.length)
        }
      }),
      { numRuns: 60 },
    )
  })
})
