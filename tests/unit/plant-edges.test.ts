import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { hotLitresADay } from '../../core/household/hot-litres'
import { heaterDelayS, steadyAtTap } from '../../core/household/lookups'
import { storeSetpoint, supplyC, supplyOf } from '../../core/household/supply'
import { tapFigures } from '../../core/household/tap-figures'
import { apply } from '../../core/measures/apply'
import { jobsOf } from '../../core/measures/jobs'
import { pipeOf } from '../../core/pipes/catalogue'
import { fittingsM } from '../../core/pipes/fittings'
import { NOT_PRICED } from '../../core/study/measures'
import { MOST_LOGGED } from '../../core/study/people'
import { readStudyText, writeStudy } from '../../core/study/read'
import { Study } from '../../core/study/study'
import { parseQuantity } from '../../core/units/parse'
import { fromMetric } from '../../core/units/quantities'
import { compared } from '../../core/views/compare'
import { simulate } from '../../core/year/simulate'
import { traceDay } from '../../core/year/trace'
import { dayInMonth, FRAME_MIN } from '../../core/year/traced-day'
import { firstDays } from '../../proof/random-study'
import { changed, uncontrolled } from '../../proof/studies'

describe('what decides how hot the water leaves', () => {
  it('is the heater that finishes it, behind a store that only warms', () => {
    const solar = addHeater(harbourFlat, 'solar')
    expect(supplyOf(solar)).toEqual({ heaterId: 'wall-heater', setpointC: 55 })
    expect(storeSetpoint(solar)).toBeNull()
  })

  it('is the hottest thermostat of a store, not a fire, the sun or a store at one tap', () => {
    expect(supplyOf(forestFarm)).toEqual({ heaterId: 'top-element', setpointC: 58 })
    expect(storeSetpoint(forestFarm)).toBe(58)
    const dear = changed(forestFarm, (s) => {
      s.controls.found.heaters['workshop-store'].setpointC = 80
    })
    expect(supplyOf(dear).setpointC).toBe(58)
  })

  it('is cut by a mixing valve, in the pipes and at every tap', () => {
    expect(supplyC(forestFarm)).toBe(52)
    const open = changed(forestFarm, (s) => void (s.plant.store!.mixing = { mixesToC: null, testedOn: null }))
    expect(supplyC(open)).toBe(58)
    const tap = forestFarm.pipes.taps[0]
    expect(steadyAtTap(forestFarm, tap, supplyC(forestFarm), 0)).toBeLessThan(52)
    expect(steadyAtTap(open, tap, supplyC(open), 0)).toBeGreaterThan(56)
  })

  it('keep-hot takes the delay away that every wait begins with', () => {
    expect(heaterDelayS(harbourFlat)).toBe(7)
    expect(
      heaterDelayS(changed(harbourFlat, (s) => void (s.controls.found.heaters['wall-heater'].keepHot = true))),
    ).toBe(0)
    expect(heaterDelayS(hillTown)).toBe(0)
  })
})

describe('figures of a tap', () => {
  it('count what fittings resist, and nothing else for them', () => {
    const bent = changed(
      hillTown,
      (s) => void (s.pipes.runs.find((r) => r.id === 'kitchen-branch')!.fittings = { bends: 6, tees: 1, valves: 1 }),
    )
    const [plain, more] = [hillTown, bent].map((s) => tapFigures(s, s.pipes.taps[0]))
    const run = hillTown.pipes.runs.find((r) => r.id === 'kitchen-branch')!
    expect(more.dropBar).toBeGreaterThan(plain.dropBar)
    expect({ ...more, dropBar: 0, tap: 0 }).toEqual({ ...plain, dropBar: 0, tap: 0 })
    expect(
      fittingsM(
        bent.pipes.runs.find((r) => r.id === 'kitchen-branch')!.fittings,
        pipeOf(run.material, run.size).innerM,
      ),
    ).toBeCloseTo((6 * 30 + 60 + 8) * 0.0136, 6)
  })

  it('are nothing where a small store stands at the tap, and its water is not the plant’s', () => {
    const tap = forestFarm.pipes.taps.find((t) => t.id === 'workshop')!
    expect(tapFigures(forestFarm, tap)).toMatchObject({ ownStore: true, contentL: 0, waitS: 0 })
    const without = changed(forestFarm, (s) => {
      s.plant.heaters.pop()
      delete s.controls.found.heaters['workshop-store']
      uncontrolled(s)
      s.packages = []
    })
    expect(tapFigures(without, tap).waitS).toBeGreaterThan(40)
    expect(hotLitresADay(without, 3)).toBeGreaterThan(hotLitresADay(forestFarm, 3))
  })
})

describe('a day of the farm, drawn', () => {
  it('has ten slices, the heat of the fire, and what would come of the tap with its own store', () => {
    const day = traceDay(forestFarm, dayInMonth(forestFarm, 0, 1))
    expect(day.frames).toHaveLength((24 * 60) / FRAME_MIN)
    for (const f of day.frames) {
      expect(f.slices).toHaveLength(10)
      expect(f.locals.workshop).toBeGreaterThan(45)
      expect(f.supplyC).toBeLessThanOrEqual(52)
    }
    const at = (minute: number) => day.frames[minute / FRAME_MIN].heatKw
    // The fire is lit at 06:30 and 11:30, for two hours each.
    expect(at(7 * 60)).toBeCloseTo(1.6, 1)
    expect(at(12 * 60)).toBeGreaterThanOrEqual(1.6)
    expect(at(3 * 60)).toBeLessThan(0.01)
  })
})

describe('measures on other plants', () => {
  it('a package of the farm is compared on the same draws, and its singles with it', () => {
    const years = new Map(jobsOf(forestFarm).map((j) => [j.key, simulate(j.study)]))
    const { packages, asFound } = compared(forestFarm, years)
    expect(packages[0].measures).toHaveLength(2)
    expect(packages[0].result.comfort.draws).toBe(asFound.comfort.draws)
    expect(packages[0].result.energy.residualKwh).toBe(0)
    expect(packages[0].measures.find((m) => m.id === 'workshop-fifty')!.alone.cost).toBeGreaterThan(0)
  })

  it('a setpoint is set on the heater it names and on no other', () => {
    const lower = apply(forestFarm, {
      kind: 'setpoint',
      id: 'x',
      name: 'x',
      ...NOT_PRICED,
      heaterId: 'top-element',
      setpointC: 50,
    })
    expect(lower.controls.set!.heaters).toEqual({
      ...forestFarm.controls.found.heaters,
      'top-element': { ...forestFarm.controls.found.heaters['top-element'], setpointC: 50 },
    })
  })

  it('insulation in a slab still saves, and less than the slab loses bare', () => {
    const slab = changed(hillTown, (s) => void (s.pipes.runs.find((r) => r.id === 'kitchen-branch')!.place = 'slab'))
    const lost = (s: Study) => firstDays(s, 10).home.branchLostKj
    const i = firstDays(slab, 1).home.network.branches.findIndex((b) => b.id === 'kitchen-branch')
    const wrapped = apply(slab, {
      kind: 'insulate-runs',
      id: 'x',
      name: 'x',
      ...NOT_PRICED,
      runIds: ['kitchen-branch'],
      loopReturn: false,
      insulation: { lambdaWMK: 0.038, thicknessMm: 20 },
      slit: 'plain',
    })
    expect(lost(wrapped)[i]).toBeLessThan(lost(slab)[i])
    expect(lost(wrapped)[i]).toBeGreaterThan(0)
  })
})

describe('large and odd studies', () => {
  it('the longest log that is taken fits a file, is read, and makes a year', () => {
    const draws = Array.from({ length: MOST_LOGGED }, (_, i) => ({
      atMin: Math.round((i * 50 * 1440 * 100) / MOST_LOGGED) / 100,
      tapId: 'kitchen-sink',
      litres: 0.5,
      requiredC: 40,
    }))
    const study = {
      ...hillTown,
      people: {
        ...hillTown.people,
        draws: { kind: 'logged' as const, source: 'a long one', days: 50, firstWeekday: 0, draws },
      },
    }
    const read = readStudyText(writeStudy(study))
    expect(read.ok && read.value.people.draws).toEqual(study.people.draws)
    const { flows, residual, input } = firstDays(study, 2)
    expect(flows.useful).toBeGreaterThan(0)
    expect(Math.abs(residual)).toBeLessThan(1e-6 * input)
  })

  it('a house where the sun hardly rises, and one south of the equator, have a year', () => {
    const solar = changeHeaterKind(addHeater(hillTown, 'solar'), 'boiler', 'element')
    for (const latitudeDeg of [66, 0, -45, -66]) {
      const { flows, residual, input } = firstDays(
        changed(solar, (s) => void (s.site.latitudeDeg = latitudeDeg)),
        15,
      )
      expect(Math.abs(residual)).toBeLessThan(1e-6 * input)
      expect(flows.renewable).toBeGreaterThanOrEqual(0)
    }
    const south = firstDays(
      changed(solar, (s) => {
        s.site.latitudeDeg = -45
        s.site.monthlySunKwhM2 = [...s.site.monthlySunKwhM2.slice(6), ...s.site.monthlySunKwhM2.slice(0, 6)]
      }),
      15,
    )
    expect(south.flows.renewable).toBeGreaterThan(firstDays(solar, 15).flows.renewable)
  })

  it('areas are written and read in both systems', () => {
    expect(parseQuantity('area', 'us', '43')).toBeCloseTo(3.995, 3)
    expect(parseQuantity('area', 'metric', '43 ft²')).toBeCloseTo(3.995, 3)
    expect(parseQuantity('area', 'us', '4 m2')).toBe(4)
    expect(fromMetric('area', 'us', 4)).toBeCloseTo(43.06, 2)
  })
})
