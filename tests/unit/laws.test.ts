import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyDay } from '../../core/calendar/week'
import { PLACES, placeTemperature } from '../../core/climate/places'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { highestSetting } from '../../core/household/hottest'
import { apply } from '../../core/measures/apply'
import { SAFETY } from '../../core/safety/limits'
import { hasSetpoint } from '../../core/study/heater-kinds'
import { type Measure, NOT_PRICED } from '../../core/study/measures'
import { readStudy, readStudyText, writeStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { firstDays, randomStudy } from '../../proof/random-study'

const DAYS = 6

describe('laws, on random studies', () => {
  it('the ledger closes', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const { residual, input } = firstDays(study, DAYS)
        expect(Math.abs(residual)).toBeLessThan(1e-6 * Math.max(1000, input))
      }),
      { numRuns: 60 },
    )
  })

  it('no temperature leaves the range between the coldest input and the hottest source', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const air = study.site.monthlyAirC
        const own = [...study.plant.heaters, ...(study.plant.store ? [study.plant.store] : [])].flatMap(
          (thing) => thing.ambientC ?? [],
        )
        const cold = Math.min(
          ...air.map((_, m) => Math.min(...PLACES.map((p) => placeTemperature(p, m, air)))),
          ...own,
          1,
        )
        const set = Math.max(...Object.values(study.controls.found.heaters).map(highestSetting))
        const flowMax = Math.max(...study.plant.heaters.map((h) => (h.kind === 'boiler-coil' ? h.primary.flowMaxC : 0)))
        // A burner goes on for one step after its thermostat is content; a pilot goes on until the cut-off.
        const pilot = study.plant.heaters.some((h) => h.kind === 'gas-store' && h.pilotW > 0)
        // The sun and a fire go on until the relief valve opens.
        const wild = study.plant.heaters.some((h) => !hasSetpoint(h))
        const { loop } = study.controls.found
        const cable = loop.mode === 'trace heating' ? loop.targetC + 0.05 : 0
        const hot = Math.max(
          set + 8,
          flowMax,
          26,
          cable,
          ...own.map((c) => c + 1),
          pilot ? SAFETY.cutOut.value + 2 : 0,
          wild ? 99 : 0,
        )
        let steps = 0
        firstDays(study, 3, (home) => {
          if (steps++ % 7) return
          const state = home.plant.state()
          for (const c of [
            state.supplyC,
            ...state.slices,
            ...home.network.branches.flatMap((b) => b.run.profile(home.nowS).map(([, c]) => c)),
          ]) {
            expect(c).toBeGreaterThan(cold - 1e-6)
            expect(c).toBeLessThan(hot)
          }
        })
      }),
      { numRuns: 12 },
    )
  })

  it('more insulation never loses more heat', () => {
    fc.assert(
      fc.property(randomStudy, fc.integer({ min: 9, max: 30 }), (study, mm) => {
        const losses = (thicknessMm: number) => {
          // Random pipes behind the demo's own heater: one that runs dry now and then fills the runs hotter or cooler by chance.
          const wrapped = structuredClone(DEMOS.find((d) => d.study.id === study.id)!.study)
          wrapped.pipes.runs.forEach((run, i) => Object.assign(run, study.pipes.runs[i]))
          const insulation = { lambdaWMK: 0.04, thicknessMm }
          for (const run of [...wrapped.pipes.runs, ...(wrapped.pipes.loop ? [wrapped.pipes.loop.back] : [])])
            Object.assign(run, { place: 'cellar', insulation })
          const { flows, input } = firstDays(wrapped, DAYS)
          // Behind a heater that does not fire the pipes hold cold water and gain heat: they lose none.
          return { lost: Math.max(0, flows.loop + flows.deadLeg), input }
        }
        const [thin, thick] = [losses(mm), losses(mm + 15)]
        // Half a hundredth, and two thousandths of what is bought, cover a heater that lights at another moment.
        expect(thick.lost).toBeLessThanOrEqual(thin.lost * 1.005 + 0.002 * thin.input + 1)
      }),
      { numRuns: 40 },
    )
  })

  it('a longer loop window never loses less in the loop', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 700, max: 1100 }),
        fc.integer({ min: 30, max: 300 }),
        (from, to, more) => {
          const loss = (end: number) => {
            const study = structuredClone(hillTown)
            Object.assign(study.controls.found.loop, { mode: 'clock', schedule: everyDay([from, end]) })
            return firstDays(study, DAYS).flows.loop
          }
          expect(loss(to + more)).toBeGreaterThan(loss(to))
        },
      ),
      { numRuns: 15 },
    )
  })

  it('the same seed gives the same bytes, another seed another year', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const bytes = (s: Study) => JSON.stringify(firstDays(s, 3).flows)
        expect(bytes(study)).toBe(bytes(structuredClone(study)))
        // A standard day is the same whatever the seed.
        const other = bytes({ ...study, people: { ...study.people, seed: study.people.seed + 1 } })
        if (study.people.draws.kind === 'standard') expect(other).toBe(bytes(study))
        // Where nobody draws in these days there is nothing to be another.
        else if (firstDays(study, 3).flows.useful > 0) expect(other).not.toBe(bytes(study))
      }),
      { numRuns: 10 },
    )
  })

  it('a measure that changes nothing changes nothing', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const held = Object.entries(study.controls.found.heaters)
        const [habit] = study.people.uses
        const [run] = study.pipes.runs
        const common = { id: 'same', name: 'Same', ...NOT_PRICED }
        const idle: Measure[] = [
          {
            ...common,
            kind: 'insulate-runs',
            runIds: [],
            loopReturn: false,
            insulation: { lambdaWMK: 0.04, thicknessMm: 20 },
            slit: 'plain',
          },
          ...held.flatMap(([heaterId, control]): Measure[] => [
            { ...common, kind: 'setpoint', heaterId, setpointC: control.setpointC },
            { ...common, kind: 'heater-schedule', heaterId, schedule: control.schedule },
            { ...common, kind: 'heater-control', heaterId, control },
          ]),
          { ...common, kind: 'shorter-draws', useIds: [habit.id], share: 1 },
          { ...common, kind: 'bath-to-shower', useIds: [], tapId: habit.tapId, minutes: 5 },
          {
            ...common,
            kind: 'repipe',
            runId: run.id,
            pipe: { material: run.material, size: run.size, lengthM: run.lengthM },
          },
          ...(study.pipes.recovery
            ? [{ ...common, kind: 'drain-recovery' as const, recovery: study.pipes.recovery }]
            : []),
          ...(study.plant.store
            ? [
                {
                  ...common,
                  kind: 'jacket' as const,
                  insulation: { lambdaWMK: 0.04, thicknessMm: 80 },
                  coveredShare: 0,
                  clear: [],
                },
              ]
            : []),
          { ...common, kind: 'loop-mode', mode: study.controls.found.loop.mode },
          { ...common, kind: 'loop-schedule', schedule: study.controls.found.loop.schedule },
          { ...common, kind: 'tap-flow', tapId: study.pipes.taps[0].id, flowLMin: study.pipes.taps[0].flowLMin },
        ]
        const before = JSON.stringify(study)
        const year = JSON.stringify(firstDays(study, 2).flows)
        for (const m of idle) expect(JSON.stringify(firstDays(apply(study, m), 2).flows)).toBe(year)
        expect(JSON.stringify(study)).toBe(before)
      }),
      { numRuns: 8 },
    )
  })

  it('a study survives being written and read', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const read = readStudyText(writeStudy(study))
        expect(read).toEqual({ ok: true, value: study })
      }),
    )
  })

  it('nothing that is thrown at the reader breaks it', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.uint8Array().map((b) => new TextDecoder().decode(b)),
        ),
        (text) => {
          const read = readStudyText(text)
          expect(read.ok).toBe(false)
          if (!read.ok) expect(read.faults[0].message).not.toBe('')
        },
      ),
    )
    fc.assert(fc.property(fc.anything(), (value) => void readStudy(value)))
  })
})
