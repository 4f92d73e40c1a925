import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MINUTES_A_DAY } from '../../core/calendar/clock'
import { everyDay, type Schedule } from '../../core/calendar/week'
import {
  addFreeWindow,
  addWindow,
  moveWindow,
  nudgeWindow,
  removeWindow,
  splitWindow,
} from '../../core/household/edits/schedule'
import { daysTogether, misfits } from '../../core/household/grid'
import type { Grid } from '../../core/study/controllers'

const grid: Grid = { stepMin: 30, periodsPerDay: 3, days: 'each' }
const minute = fc.integer({ min: -200, max: 1700 })
const day = fc.integer({ min: 0, max: 6 })
/** Edits in any order; those that the grid has no room for leave the week as it was. */
const edits = fc.array(
  fc.oneof(
    fc.record({ do: fc.constant('add' as const), day, a: minute }),
    fc.record({ do: fc.constant('free' as const), day }),
    fc.record({ do: fc.constant('move' as const), day, i: fc.nat(2), a: minute, b: minute }),
    fc.record({ do: fc.constant('nudge' as const), day, i: fc.nat(2), steps: fc.integer({ min: -4, max: 4 }) }),
    fc.record({ do: fc.constant('split' as const), day, i: fc.nat(2) }),
    fc.record({ do: fc.constant('remove' as const), day, i: fc.nat(2) }),
  ),
  { maxLength: 30 },
)

describe('windows that are edited', () => {
  it('stay on the grid of the controller, whatever is done to them, and change on the days that go together', () => {
    fc.assert(
      fc.property(
        edits,
        fc.constantFrom(...([10, 15, 30, 60] as const)),
        fc.constantFrom(...(['each', 'work-sat-sun', 'same'] as const)),
        (all, stepMin, days) => {
          const on: Grid = { ...grid, stepMin, days }
          let week: Schedule = everyDay([6 * 60, 8 * 60])
          for (const e of all) {
            const here = week[e.day]
            if ('i' in e && e.i >= here.length) continue
            const next =
              e.do === 'add'
                ? addWindow(on, week, e.day, e.a)
                : e.do === 'free'
                  ? addFreeWindow(on, week, e.day)
                  : e.do === 'move'
                    ? moveWindow(on, week, e.day, e.i, { fromMin: e.a, toMin: e.b })
                    : e.do === 'nudge'
                      ? nudgeWindow(on, week, e.day, e.i, e.steps, 'both')
                      : e.do === 'split'
                        ? splitWindow(on, week, e.day, e.i)
                        : removeWindow(on, week, e.day, e.i)
            if (e.do === 'add' || e.do === 'free') expect(next === null || here.length < on.periodsPerDay).toBe(true)
            week = next ?? week
            for (const d of daysTogether(on, e.day)) expect(week[d]).toEqual(week[e.day])
            for (const { fromMin, toMin } of week.flat()) {
              expect((fromMin % stepMin) + (toMin % stepMin)).toBe(0)
              expect(fromMin).toBeGreaterThanOrEqual(0)
              expect(toMin).toBeLessThanOrEqual(MINUTES_A_DAY)
              expect(toMin - fromMin).toBeGreaterThanOrEqual(stepMin)
            }
          }
        },
      ),
    )
  })

  it('split an hour apart where there is room, and not where the grid has none', () => {
    const week = everyDay([6 * 60, 12 * 60])
    const [a, b] = splitWindow(grid, week, 0, 0)![0]
    expect([a.toMin, b.fromMin]).toEqual([8 * 60 + 30, 9 * 60 + 30])
    expect(splitWindow(grid, everyDay([360, 390]), 0, 0)).toBeNull()
    expect(misfits(grid, splitWindow(grid, week, 0, 0)!)).toEqual([])
  })
})
