import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import { hotLitresADay } from '../../core/household/hot-litres'
import { adopt, unAdopt } from '../../core/readings/adopt'
import { type ClimbPoint, readClimb, secondsTo, steadyOf, writeClimb } from '../../core/readings/climb'
import { fit } from '../../core/readings/fit'
import { judge } from '../../core/readings/kinds'
import { agrees } from '../../core/readings/reading-kind'
import type { Reading } from '../../core/study/readings'
import type { Study } from '../../core/study/study'
import { readingOf } from '../../proof/studies'

const reading = (kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
  readingOf(kind, values, { id: 'r', where, takenAt: '2026-03-10T09:00:00.000Z' })
const at = (...pairs: [number, number][]): ClimbPoint[] => pairs.map(([s, c]) => ({ s, c }))

describe('a timed climb', () => {
  it('is steady when three readings over 20 s lie together, and not before', () => {
    expect(steadyOf(at([0, 12], [10, 30], [20, 48], [30, 52]))).toBeNull()
    expect(steadyOf(at([0, 12], [10, 52], [15, 52.2], [20, 52.1]))).toBeNull()
    expect(steadyOf(at([0, 12], [10, 52], [20, 52.4], [30, 52.2]))).toBeCloseTo(52.2, 9)
    expect(steadyOf(at([0, 12], [10, 50], [20, 51], [30, 52], [40, 53]))).toBeNull()
    expect(steadyOf([])).toBeNull()
  })

  it('passes a temperature between two readings by a straight line', () => {
    expect(secondsTo(at([0, 10], [10, 30], [20, 50]), 40)).toBeCloseTo(15, 9)
    expect(secondsTo(at([5, 45]), 40)).toBe(5)
    expect(secondsTo(at([0, 10], [10, 30]), 40)).toBeNull()
  })

  it('is written and read back, and refuses what is none', () => {
    const point = fc.tuple(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 0, max: 1000 }))
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 60 }), (list) => {
        let s = 0
        const points = list.map(([gap, c]) => ({ s: Math.round((s += gap / 10) * 10) / 10, c: c / 10 }))
        expect(readClimb(writeClimb(points))).toEqual(points)
      }),
    )
    for (const bad of ['', 'x', '10 20; 5 30', '0 20; 10', '0 120', '1 2 3']) expect(readClimb(bad)).toBeNull()
    fc.assert(fc.property(fc.string(), (text) => void readClimb(text)))
  })

  it('gives seconds and a steady temperature, held against the study', () => {
    const climb = reading(
      'climb',
      { points: '0 14; 3 22; 6 44; 12 61; 20 63.8; 30 64; 40 64.1', flowLMin: 8, hotC: 40 },
      'top-shower',
    )
    const judgement = judge(hillTown, climb)!
    expect(judgement.worked.out.seconds).toBeCloseTo(5.45, 2)
    expect(judgement.worked.out.steadyC).toBeCloseTo(63.97, 1)
    expect(agrees(judgement.verdict!)).toBe(true)
    const short = judge(hillTown, reading('climb', { points: '0 14; 10 22', flowLMin: 8, hotC: 40 }, 'top-shower'))!
    expect(short.verdict).toBeNull()
    expect(short.worked.notes[0]).toMatch(/Continue/)
    expect(judge(hillTown, reading('climb', { points: 'no', flowLMin: 8, hotC: 40 }))).toBeNull()
  })
})

describe('hot water over some days', () => {
  const litres = hotLitresADay(hillTown, 2)
  const log = (factor: number): Study => ({
    ...hillTown,
    readings: [reading('hot-litres', { volumeL: Math.round(litres * factor * 14), days: 14 })],
  })

  it('agrees with its routine, and corrects it when adopted, and back', () => {
    expect(agrees(judge(log(1.05), log(1.05).readings[0])!.verdict!)).toBe(true)
    const more = log(1.5)
    const adopted = adopt(more, 'r')
    expect(adopted.people.volumeFactor).toBeGreaterThan(1.4)
    expect(adopted.origins['people.volumeFactor']).toBe('measured')
    expect(judge(adopted, adopted.readings[0])!.verdict!.modelled / (litres * 1.5)).toBeGreaterThan(0.9)
    expect(unAdopt(adopted, 'r').people).toEqual(hillTown.people)
  })

  it('is fitted with all the others', () => {
    const { corrections } = fit(log(1.6))!
    const factor = corrections.find((c) => c.path === 'people.volumeFactor')!
    expect(factor.to).toBeGreaterThan(1.3)
    expect(factor.settled).toBe(true)
  })
})
