import { describe, expect, it } from 'vitest'
import { everyDay, type Schedule } from '../../core/calendar/week'
import { checksOf } from '../../core/checks/catalogue'
import { duplex } from '../../core/demos/duplex'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { gridOf } from '../../core/household/controllers'
import { misfits } from '../../core/household/grid'
import { storeThermostat } from '../../core/household/supply'
import { DEFAULT_GOAL, type Found, optimiseSchedule, type Plan, withPlan } from '../../core/scenarios/optimise-schedule'
import { coarseWeeks, neighbours, weekOfDraws, widened } from '../../core/scenarios/schedule-candidates'
import { CIRCULATION } from '../../core/study/commanded'
import { controlsOf } from '../../core/study/in-force'
import type { Study } from '../../core/study/study'
import { broughtBy } from '../../core/views/brought'
import { drawsOfYear } from '../../core/year/draws/draws'
import { WAITS_S, type YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'

const years = new Map<string, YearResult>()
/** A year, once for each way of setting it. */
function yearOf(study: Study): YearResult {
  const key = study.id + JSON.stringify(controlsOf(study))
  const known = years.get(key) ?? simulate(study)
  years.set(key, known)
  return known
}
const search = (study: Study, goal = DEFAULT_GOAL, mostYears = 100) =>
  optimiseSchedule(study, goal, (all) => Promise.resolve(all.map(yearOf)), { mostYears }) as Promise<Found>

describe('candidates', () => {
  const grid = gridOf(hillTown, CIRCULATION)
  const week = weekOfDraws(drawsOfYear(hillTown.people, hillTown.site), hillTown.site.firstWeekday, grid, {
    share: 0.1,
    leadMin: 12,
    gapMin: 30,
  })

  it('are such as the controller holds', () => {
    const all = [week, widened(week, grid), ...neighbours(week, grid, 2), ...coarseWeeks(180)]
    for (const w of all) expect(misfits(grid, w)).toEqual([])
    expect(coarseWeeks(180)).toHaveLength(1 + 36)
  })

  it('open before the draws they follow by what it takes to heat up', () => {
    const first = Math.min(...drawsOfYear(hillTown.people, hillTown.site).map((d) => (d.startS % 86_400) / 60))
    const all = weekOfDraws(drawsOfYear(hillTown.people, hillTown.site), hillTown.site.firstWeekday, grid, {
      share: 0,
      leadMin: 60,
      gapMin: 30,
    })
    const opens = Math.min(...all.map((day) => day[0].fromMin))
    expect(opens).toBeLessThanOrEqual(Math.max(0, Math.floor(first / 30) * 30 - 60))
  })
})

describe('the finder', () => {
  it.each(DEMOS.filter(({ study }) => study.plant.store).map(({ study }) => [study.id, study] as const))(
    'on %s is no dearer than every coarse plan there is, keeps its goal, and brings no danger',
    async (_, study) => {
      const found = await search(study, DEFAULT_GOAL, study.pipes.loop ? 105 : 60)
      const heaterId = storeThermostat(study)?.heaterId ?? null
      const weeks = coarseWeeks(480)
      const loops: (Schedule | null)[] = study.pipes.loop ? weeks : [null]
      const now = checksOf(study, yearOf(study))
      const at = WAITS_S.indexOf(found.goal.withinS as (typeof WAITS_S)[number])
      const least = Math.min(found.goal.shareWarm, found.always.warm)
      let cheapest = Infinity
      for (const loop of loops)
        for (const heater of heaterId ? weeks : [null]) {
          const plan: Plan = { loop, heater }
          const tried = withPlan(study, plan, heaterId)
          const year = yearOf(tried)
          if (year.comfort.warmWithin[at] < least || year.cost.total >= cheapest) continue
          if (broughtBy(now, checksOf(tried, year)).some((c) => c.concern === 'harm')) continue
          cheapest = year.cost.total
        }
      expect(found.best.cost).toBeLessThanOrEqual(cheapest + 0.005)
      expect(found.best.cost).toBeLessThanOrEqual(found.always.cost + 0.005)
      if (found.asItStands.warm >= least) expect(found.best.cost).toBeLessThanOrEqual(found.asItStands.cost + 0.005)
      expect(found.best.warm).toBeGreaterThanOrEqual(least)
      // What it says is what the full year of the plan says.
      const year = simulate(withPlan(study, found.best.plan, heaterId))
      expect([year.cost.total, year.comfort.warmWithin[at]]).toEqual([found.best.cost, found.best.warm])
      expect(found.leftOut).toBe(Math.round((1 - found.best.warm) * year.comfort.waiting))
    },
  )

  it('a house whose heater works on demand and has no loop is told why there is nothing to look for', async () => {
    expect(await optimiseSchedule(harbourFlat, DEFAULT_GOAL, () => Promise.reject(new Error('none')))).toMatchObject({
      nothing: expect.stringMatching(/heats only during draw-off/),
    })
  })

  it('ends at once when it is told to, and tells how far it is', async () => {
    const seen: number[] = []
    let calls = 0
    const stopped = optimiseSchedule(
      hillTown,
      DEFAULT_GOAL,
      (all) => {
        if (++calls > 4) return Promise.reject(new Error('stopped'))
        return Promise.resolve(all.map(yearOf))
      },
      { onProgress: (done) => seen.push(done) },
    )
    await expect(stopped).rejects.toThrow('stopped')
    expect(seen.length).toBeGreaterThan(1)
  })

  it('a harder goal never costs less', async () => {
    const easy = await search(duplex, { shareWarm: 0.3, withinS: 30 }, 45)
    const hard = await search(duplex, { shareWarm: 0.6, withinS: 30 }, 45)
    expect(hard.best.cost).toBeGreaterThanOrEqual(easy.best.cost)
    expect(withPlan(hillTown, { loop: everyDay(), heater: null }, null).controls.set!.loop.mode).toBe('off')
  })
})
