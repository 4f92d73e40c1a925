import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayAfter } from '../../core/calendar/days'
import { dayNumber } from '../../core/calendar/year'
import { hillTown } from '../../core/demos/hill-town'
import { withHeating } from '../../core/household/heating/edits'
import { backOn, flowNext, flowsOf, flowStepsOf, type Vote } from '../../core/household/heating/flow-steps'
import { settingsSheet } from '../../core/papers/settings-sheet'
import { displayOf } from '../../core/study/display-of'
import type { FlowSteps } from '../../core/study/heating'
import { remindersOf } from '../../core/views/reminders'
import { changed, readingOf } from '../../proof/studies'

const down: FlowSteps = { begins: '2026-01-10', fromC: 60, toC: 50, byK: 4, everyDays: 7 }
const up: FlowSteps = { ...down, toC: 66, byK: 3 }
const said = (on: string, supplyC: number, feels: Vote['feels'], n: number) =>
  readingOf('flow-log', { outdoorC: -4, supplyC, feels }, { id: `vote-${n}`, takenAt: `${on}T19:00:00+01:00` })
/** The hill town with a plan and what was said of its flows. */
const study = (plan: FlowSteps, ...votes: [on: string, supplyC: number, feels: Vote['feels']][]) =>
  changed(withHeating(hillTown), (s) => {
    s.heating!.steps = plan
    s.readings = votes.map(([on, c, feels], i) => said(on, c, feels, i))
  })
const next = (plan: FlowSteps, ...votes: Parameters<typeof study>[1][]) =>
  flowNext(flowStepsOf(study(plan, ...votes), plan))

describe('a flow in small steps', () => {
  it('goes from the first to the last, none longer than a step', () => {
    expect(flowsOf(down)).toEqual([60, 56, 52, 50])
    expect(flowsOf({ ...down, toC: 60 })).toEqual([60])
    const c = fc.double({ min: 20, max: 90, noNaN: true })
    fc.assert(
      fc.property(c, c, fc.double({ min: 1, max: 10, noNaN: true }), (fromC, toC, byK) => {
        const flows = flowsOf({ ...down, fromC, toC, byK })
        expect(flows[0]).toBe(fromC)
        expect(flows.at(-1)).toBeCloseTo(toC, 8)
        flows.slice(1).forEach((f, i) => expect(Math.abs(f - flows[i])).toBeLessThanOrEqual(byK + 1e-8))
      }),
    )
  })

  it('asks first, then goes on as long as rooms stay warm, and back to the last that was right', () => {
    expect(next(down)).toEqual({ does: 'ask', flowC: 60, from: '2026-01-10' })
    expect(next(down, ['2026-01-11', 60, 'right'])).toEqual({ does: 'try', flowC: 56, from: '2026-01-17' })
    expect(next(down, ['2026-01-11', 60, 'right'], ['2026-01-20', 56, 'too warm'])).toMatchObject({ flowC: 52 })
    expect(next(down, ['2026-01-11', 60, 'right'], ['2026-01-20', 56, 'too cold'])).toEqual({ does: 'back', flowC: 60 })
    const all: [string, number, Vote['feels']][] = flowsOf(down).map((f, i) => [
      dayAfter('2026-01-12', 7 * i),
      f,
      'right',
    ])
    expect(next(down, ...all)).toEqual({ does: 'stay', flowC: 50 })
  })

  it('that is raised ends where it is warm, and one that is too warm goes back', () => {
    expect(next(up, ['2026-01-11', 60, 'too cold'])).toMatchObject({ does: 'try', flowC: 63 })
    expect(next(up, ['2026-01-11', 60, 'too cold'], ['2026-01-18', 63, 'right'])).toEqual({ does: 'stay', flowC: 63 })
    expect(next(up, ['2026-01-11', 60, 'too cold'], ['2026-01-18', 63, 'too warm'])).toEqual({
      does: 'back',
      flowC: 60,
    })
  })

  it('no step begins before the one before was lived with and something was said of it; another flow is no vote', () => {
    const late = flowStepsOf(study(down, ['2026-01-29', 60.5, 'right'], ['2026-01-30', 58, 'too cold']), down)
    expect(late.map((s) => s.due)).toEqual(['2026-01-10', '2026-01-29', '2026-02-05', '2026-02-12'])
    expect(late.map((s) => s.vote?.feels ?? null)).toEqual(['right', null, null, null])
    expect(flowStepsOf(study(down, ['2026-01-09', 60, 'right']), down)[0].vote).toBeNull()
  })

  it('stands in the calendar until it was tried, and a raised one goes back in spring', () => {
    const titles = (s: ReturnType<typeof study>) =>
      remindersOf(s, '2026-01-01', displayOf(s)).flatMap((e) =>
        /^Heating flow/.test(e.title) ? [`${e.day} ${e.title}`] : [],
      )
    expect(titles(study(down, ['2026-01-11', 60, 'right']))).toEqual([
      '2026-01-17 Heating flow to 56.0 °C',
      '2026-01-24 Heating flow to 52.0 °C',
      '2026-01-31 Heating flow to 50.0 °C',
    ])
    expect(titles(study(down, ['2026-01-11', 60, 'too cold']))).toEqual([])
    const back = backOn(hillTown, up)!
    expect(titles(study(up)).at(-1)).toBe(`${back} Heating flow back to 60.0 °C`)
    const mean = hillTown.site.monthlyAirC.reduce((s, c) => s + c, 0) / 12
    expect(hillTown.site.monthlyAirC[Number(back.slice(5, 7)) - 1]).toBeGreaterThan(mean)
    expect(dayNumber(back) - dayNumber(up.begins)).toBeLessThan(366)
    expect(backOn(hillTown, down)).toBeNull()
    // And on the sheet that hangs beside the boiler.
    expect(settingsSheet(study(down))).toContain('60.0 °C to 50.0 °C, 4.0 K every 7 days, from 10 Jan 2026')
  })
})
