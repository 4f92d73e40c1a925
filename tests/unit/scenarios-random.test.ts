import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gridOf } from '../../core/household/controllers'
import { misfits } from '../../core/household/grid'
import { cheapAndQuick, modeJobs, modeRows } from '../../core/scenarios/loop-modes'
import { DEFAULT_GOAL, optimiseSchedule, withPlan } from '../../core/scenarios/optimise-schedule'
import { CIRCULATION } from '../../core/study/commanded'
import { edited } from '../../core/study/edited'
import { LOOP_MODES } from '../../core/study/loop-modes'
import { readStudy } from '../../core/study/read'
import { randomStudy, yearOrNull } from '../../proof/random-study'

/** With few draws and no thimble for a store, so that dozens of full years do not take minutes. */
const quick = randomStudy
  .filter(({ plant }) => plant.store === null || plant.store.litres >= 80)
  .map((study) =>
    edited(study, (s) => {
      s.people.uses = s.people.uses.slice(0, 2)
      // A measure may be about one of the others.
      s.packages = []
      s.claims = []
    }),
  )

describe('trials on random households', () => {
  it('loop modes stand against the loop off to the last digit, months and parts adding up', () => {
    fc.assert(
      fc.property(
        // A loop on a heater without a store, or on a small one, takes ten times as long.
        quick.filter(({ pipes, plant }) => pipes.loop !== null && plant.store !== null && plant.store.litres >= 150),
        // Some of the modes each time: a year of each takes seconds.
        fc.subarray(
          LOOP_MODES.filter((m) => m !== 'off'),
          { minLength: 3, maxLength: 3 },
        ),
        (study, some) => {
          const known = new Map(
            modeJobs(study).flatMap((j) => {
              if (j.mode !== 'off' && !some.includes(j.mode)) return []
              const year = yearOrNull(j.study)
              return year ? [[j.mode, year] as const] : []
            }),
          )
          fc.pre(known.has('off'))
          const rows = modeRows(study, known)
          // The edge to choose from: whatever is off it is beaten by one on it.
          const edge = cheapAndQuick(rows)
          for (const r of rows)
            expect(edge.includes(r) || edge.some((e) => e.costYear <= r.costYear && e.waitP90S <= r.waitP90S)).toBe(
              true,
            )
          edge.slice(1).forEach((e, i) => expect(e.waitP90S).toBeLessThanOrEqual(edge[i]!.waitP90S))
          expect(rows).toHaveLength(known.size)
          const off = rows.find((r) => r.mode === 'off')!
          expect([off.net.total, off.pumpKwh, off.outKwh, off.backKwh, off.pumpStarts]).toEqual([0, 0, 0, 0, 0])
          for (const r of rows) {
            const big = Math.max(1, Math.abs(r.costYear))
            expect(Math.abs(r.costYear - off.costYear - r.net.total)).toBeLessThan(1e-9 * big)
            expect(Math.abs(r.net.pump + r.net.water + r.net.heat - r.net.total)).toBeLessThan(1e-9 * big)
            expect(Math.abs(r.netMonths.reduce((s, x) => s + x, 0) - r.net.total)).toBeLessThan(1e-4 * big)
            if (r.mode === 'trace heating') expect(r.pumpHours).toBe(0)
          }
        },
      ),
      { numRuns: 1, endOnFailure: true },
    )
  })

  it('found windows fit the controller and cost no more than always on where the goal is kept, or it is said why not', async () => {
    await fc.assert(
      fc.asyncProperty(quick, async (study) => {
        let years = 0
        const found = await optimiseSchedule(
          study,
          DEFAULT_GOAL,
          (all) => {
            years += all.length
            return Promise.resolve(all.map(yearOrNull))
          },
          { mostYears: 4 },
        ).catch((error: unknown) => {
          // A household whose own year is refused has no windows to be found.
          if (yearOrNull(study) === null) return { nothing: String(error) }
          throw error
        })
        if ('nothing' in found) {
          expect(found.nothing.length).toBeGreaterThan(10)
          return
        }
        expect(found.years).toBeLessThanOrEqual(years)
        const { loop, heater } = found.best.plan
        if (loop) expect(misfits(gridOf(study, CIRCULATION), loop)).toEqual([])
        if (heater) expect(misfits(gridOf(study, found.heaterId!), heater)).toEqual([])
        const planned = withPlan(study, found.best.plan, found.heaterId)
        const read = readStudy(JSON.parse(JSON.stringify(planned)))
        expect(read.ok ? [] : read.faults).toEqual([])
        expect(yearOrNull(planned)?.cost.total).toBeCloseTo(found.best.cost, 6)
        if (found.kept) {
          expect(found.best.warm).toBeGreaterThanOrEqual(found.goal.shareWarm - 1e-12)
          if (found.always.warm >= found.goal.shareWarm)
            expect(found.best.cost).toBeLessThanOrEqual(found.always.cost + 1e-9)
        }
      }),
      { numRuns: 2, endOnFailure: true },
    )
  })
})
