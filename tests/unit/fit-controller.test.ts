import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyDay, hoursOpen, isOn, type Schedule, tidyDay, workAndRest } from '../../core/calendar/week'
import { entriesOf, FIT_WAYS, fitDiffers, fittedTo, misread } from '../../core/household/fit-controller'
import { misfits } from '../../core/household/grid'
import { overlap, unplannedPeriod, withDayShown, withPeriod, withReadBack } from '../../core/household/read-back'
import { CIRCULATION } from '../../core/study/commanded'
import type { Grid } from '../../core/study/controllers'
import { Schedule as Week } from '../../core/study/week'

const grids: fc.Arbitrary<Grid> = fc.record({
  stepMin: fc.constantFrom(1, 5, 10, 15, 30, 60),
  periodsPerDay: fc.integer({ min: 1, max: 12 }),
  days: fc.constantFrom('same' as const, 'work-sat-sun' as const, 'each' as const),
})
const day = fc
  .array(fc.tuple(fc.nat({ max: 1439 }), fc.integer({ min: 1, max: 400 })), { maxLength: 8 })
  .map((all) => tidyDay(all.map(([fromMin, long]) => ({ fromMin, toMin: Math.min(1440, fromMin + long) }))))
const plans: fc.Arbitrary<Schedule> = fc.array(day, { minLength: 7, maxLength: 7 })
const minutes = Array.from({ length: (7 * 1440) / 7 }, (_, i) => i * 7)

describe('a plan on a controller', () => {
  it('can be entered, whatever the plan and the grid, and is a week that a study takes', () => {
    fc.assert(
      fc.property(plans, grids, fc.constantFrom(...FIT_WAYS), (plan, grid, way) => {
        const fit = fittedTo(grid, plan, way)
        expect(misfits(grid, fit)).toEqual([])
        expect(Week.safeParse(fit).success).toBe(true)
      }),
    )
  })

  it('outwards is on whenever the plan is, inwards only when it is', () => {
    fc.assert(
      fc.property(plans, grids, (plan, grid) => {
        const [out, into] = FIT_WAYS.map((way) => fittedTo(grid, plan, way))
        for (const m of minutes) {
          if (isOn(plan, m)) expect(isOn(out, m)).toBe(true)
          if (isOn(into, m)) expect(isOn(plan, m)).toBe(true)
        }
        expect(fitDiffers(plan, out).lessH).toBeCloseTo(0, 9)
        expect(fitDiffers(plan, into).moreH).toBeCloseTo(0, 9)
        expect(fitDiffers(plan, out).moreH).toBeCloseTo(hoursOpen(out) - hoursOpen(plan), 9)
      }),
    )
  })

  it('that fits is entered unchanged, and once fitted it is fitted', () => {
    fc.assert(
      fc.property(
        plans,
        grids,
        fc.constantFrom(...FIT_WAYS),
        fc.constantFrom(...FIT_WAYS),
        (plan, grid, way, again) => {
          const fit = fittedTo(grid, plan, way)
          expect(fittedTo(grid, fit, again)).toEqual(fit)
        },
      ),
    )
  })

  it('closes the shortest gap outwards and drops the shortest period inwards', () => {
    const grid: Grid = { stepMin: 30, periodsPerDay: 2, days: 'same' }
    const plan = everyDay([370, 465], [490, 540], [1080, 1320])
    expect(fittedTo(grid, plan, 'outwards')[0]).toEqual([
      { fromMin: 360, toMin: 540 },
      { fromMin: 1080, toMin: 1320 },
    ])
    expect(fittedTo(grid, plan, 'inwards')[0]).toEqual([
      { fromMin: 390, toMin: 450 },
      { fromMin: 1080, toMin: 1320 },
    ])
  })

  it('of days in one group is on when one of them is, or only when all are', () => {
    const grid: Grid = { stepMin: 30, periodsPerDay: 4, days: 'same' }
    const plan = workAndRest([[360, 480]], [[420, 600]])
    expect(fittedTo(grid, plan, 'outwards')[2]).toEqual([{ fromMin: 360, toMin: 600 }])
    expect(fittedTo(grid, plan, 'inwards')[6]).toEqual([{ fromMin: 420, toMin: 480 }])
  })
})

describe('entries and what is read back', () => {
  const grid: Grid = { stepMin: 30, periodsPerDay: 4, days: 'work-sat-sun' }
  const plan = workAndRest(
    [
      [360, 480],
      [1080, 1320],
    ],
    [[480, 1380]],
  )

  it('stand in the order of the keys, with those that must read empty', () => {
    const entries = entriesOf(grid, plan)
    expect(entries.map((e) => e.days)).toEqual([[0, 1, 2, 3, 4], [5], [6]])
    expect(entries[0].periods).toEqual([{ fromMin: 360, toMin: 480 }, { fromMin: 1080, toMin: 1320 }, null, null])
  })

  it('agree with the plan, or name the group and the period that does not', () => {
    expect(misread(grid, plan, plan)).toEqual([])
    const wrong = plan.map((d, i) => (i < 5 ? [d[0], { fromMin: 1080, toMin: 1350 }] : d))
    expect(misread(grid, plan, wrong)).toEqual([
      {
        days: [0, 1, 2, 3, 4],
        period: 2,
        planned: { fromMin: 1080, toMin: 1320 },
        shown: { fromMin: 1080, toMin: 1350 },
      },
    ])
    const left = plan.map((d, i) => (i === 6 ? [...d, { fromMin: 1390, toMin: 1410 }] : d))
    expect(misread(grid, plan, left)).toEqual([
      { days: [6], period: 2, planned: null, shown: { fromMin: 1390, toMin: 1410 } },
    ])
  })
})

describe('what a display shows', () => {
  const grid: Grid = { stepMin: 30, periodsPerDay: 4, days: 'work-sat-sun' }
  const day = [
    { fromMin: 360, toMin: 480 },
    { fromMin: 1080, toMin: 1320 },
  ]
  it('is put down period by period, in order, and two that touch stay two', () => {
    expect(withPeriod(day, 1, { fromMin: 480, toMin: 540 })).toEqual([day[0], { fromMin: 480, toMin: 540 }])
    expect(withPeriod(day, 0, { fromMin: 1380, toMin: 1410 })).toEqual([day[1], { fromMin: 1380, toMin: 1410 }])
    expect(withPeriod(day, 0, null)).toEqual([day[1]])
    expect(withPeriod([], 2, day[0])).toEqual([day[0]])
  })

  it('takes a period that was not planned where there is room, whatever stands there', () => {
    fc.assert(
      fc.property(plans, grids, ([shown], grid) => {
        const free = unplannedPeriod(shown, grid)
        const there = withPeriod(shown, shown.length, free)
        expect(there).toHaveLength(shown.length + 1)
        if ((shown.at(-1)?.toMin ?? 0) < 1440 || (shown[0]?.fromMin ?? 1440) >= grid.stepMin)
          expect(Week.safeParse(Array.from({ length: 7 }, () => there)).success).toBe(true)
      }),
    )
  })

  it('two periods that lie over each other are told from two that touch', () => {
    const at = (fromMin: number, toMin: number) => ({ fromMin, toMin })
    expect(overlap([at(0, 60), at(60, 120)])).toBe(false)
    expect(overlap([at(0, 61), at(60, 120)])).toBe(true)
    expect(overlap([])).toBe(false)
  })

  it('is of all days that share a programme, and of one controller once', () => {
    const week = withDayShown(grid, everyDay(), 2, day)
    expect(week.map((d) => d.length)).toEqual([2, 2, 2, 2, 2, 0, 0])
    const first = { of: CIRCULATION, on: '2026-03-02', week }
    const again = { ...first, on: '2027-03-02' }
    expect(withReadBack(withReadBack([], first), again)).toEqual([again])
  })
})
