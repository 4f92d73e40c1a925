import { describe, expect, it } from 'vitest'
import { everyDay, type Schedule } from '../../core/calendar/week'
import { checksOf } from '../../core/checks/catalogue'
import { courtFlat } from '../../core/demos/court-flat'
import { duplex } from '../../core/demos/duplex'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { HEATERS } from '../../core/heaters/kinds'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { storeLoss } from '../../core/household/store-loss'
import { apply } from '../../core/measures/apply'
import { beginMeasure, beginRecovery } from '../../core/measures/begin'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { sizeHeater, sizes } from '../../core/views/sizes'
import { ranked, sourceJobs, sourceYear } from '../../core/views/sources'
import { demandOf } from '../../core/year/demand'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { withWood, wood } from './check-cases'

const one = (study: Study, id: string, year = simulate(study)) => checksOf(study, year).find((c) => c.id === id)

describe('a figure beside a saving', () => {
  it('standing and loop loss say energy and no money: a price of it would exceed the bill', () => {
    for (const study of [mountainRefuge, hillTown, harbourFlat]) {
      const standing = one(study, 'standing')!
      expect(standing.sentence).not.toMatch(/€|\$|£|[A-Z]{3} \d/)
      expect(standing.figures.lostKwh.quantity).toBe('energy')
    }
  })

  it('a fire that is never lit makes no store too hot', () => {
    const unlit = changed(withWood, (s) => {
      wood(s).firings = []
      s.plant.store!.reliefC = 85
    })
    const year = simulate(unlit)
    expect(year.energy.reliefKwh).toBe(0)
    expect(checksOf(unlit, year).filter((c) => c.id === 'relief-opens' || c.id.startsWith('until-relief'))).toEqual([])
  })

  it('a sensor below the coil that heats it is named, and so is what it does', () => {
    const below = changed(hillTown, (s) => {
      const boiler = s.plant.heaters[0] as HeaterOf<'boiler-coil'>
      Object.assign(boiler.coil, { bottom: 0.5, top: 0.9 })
      s.plant.store!.sensorHeight = 0.1
    })
    const year = simulate(below)
    expect(one(below, 'sensor-below-boiler', year)).toMatchObject({ concern: 'fault', level: 'fail' })
    const often = one(below, 'cycling-boiler', year)
    if (often) expect(often.cause.id).toBe('sensor-below-boiler')
  })

  it('each heater answers for its own starts', () => {
    const year = simulate(forestFarm)
    expect(new Set(year.startsOf.map((s) => s.id))).toEqual(new Set(forestFarm.plant.heaters.map((h) => h.id)))
    expect(year.heaterStarts).toBe(year.startsOf.reduce((sum, s) => sum + s.starts, 0))
    // The pump of the collectors starts as often as it likes; a burner does not.
    const often = (id: string) => ({
      ...year,
      startsOf: year.startsOf.map((s) => ({ ...s, starts: s.id === id ? 9000 : 10 })),
    })
    for (const h of forestFarm.plant.heaters) {
      const wears = HEATERS[h.kind].source === 'burner' || h.kind === 'heat-pump'
      expect(
        checksOf(forestFarm, often(h.id))
          .filter((c) => c.id.startsWith('cycling-'))
          .map((c) => c.subject.id),
      ).toEqual(wears ? [h.id] : [])
    }
  })

  it('an outlet nobody has entered a use for is tested too, but does not fail by what is assumed of it', () => {
    const idle = changed(harbourFlat, (s) => {
      const [heater] = s.plant.heaters as [HeaterOf<'instant-gas'>]
      heater.minActivationFlowLMin = 6
      s.pipes.taps.forEach((t) => void (t.flowLMin = 6))
      const spared = s.pipes.taps[0].id
      s.people.uses = s.people.uses.filter((h) => h.tapId !== spared)
    })
    const [first, ...others] = idle.pipes.taps.filter((t) => t.mixes)
    expect(one(idle, `will-not-fire-${first.id}`)).toMatchObject({ level: 'marginal' })
    expect(one(idle, `will-not-fire-${first.id}`)!.sentence).toContain('No use entered')
    for (const t of others) expect(one(idle, `will-not-fire-${t.id}`)!.level).toBe('fail')
  })

  it('a pump that runs on in an empty house is a finding, with what it loses and takes', () => {
    const away = changed(hillTown, (s) => {
      s.people.absences = [{ personId: null, fromDay: 180, toDay: 200 }]
      s.controls.found.loop.mode = 'always'
    })
    const year = simulate(away)
    const found = one(away, 'loop-empty-house', year)!
    expect(found.figures.emptyDays.value).toBe(21)
    expect(found.figures.pumpKwh.value).toBeCloseTo((year.energy.loopPumpKwh * 21) / 365, 6)
    const off = changed(away, (s) => void (s.controls.found.loop.mode = 'off'))
    expect(one(off, 'loop-empty-house')).toBeUndefined()
  })

  it('a limit of litres counts the loop as hot only while it is', () => {
    const limit = (mode: 'always' | 'clock' | 'off') =>
      checksOf(
        changed(hillTown, (s) => {
          s.pipes.deadLegLimitL = 2
          s.controls.found.loop.mode = mode
        }),
        null,
      ).find((c) => c.id === 'waste-limit')!
    expect(limit('always').level).toBe('pass')
    expect(limit('clock').level).toBe('marginal')
    expect(limit('off').level).toBe('fail')
  })
})

describe('what an appliance loses', () => {
  it('a boiler’s efficiency is its own: an immersion heater beside it makes it neither better nor worse', () => {
    const beside = addHeater(hillTown, 'element')
    const element = beside.plant.heaters.find((h) => h.kind === 'element')!
    const off = changed(beside, (s) => void (s.controls.found.heaters[element.id]!.schedule = everyDay()))
    const share = (study: Study) => one(study, 'condensing-boiler')!.figures.efficiency.value as number
    const [alone, unused, used] = [share(hillTown), share(off), share(beside)]
    expect(unused).toBeCloseTo(alone, 3)
    // In use it takes hours of the boiler’s, and with them some of its starts: a point or two, not a third.
    expect(Math.abs(used - alone)).toBeLessThan(0.03)
  })

  it('what is kept hot by a schedule is told of its hours, not of the whole year', () => {
    const kept = (schedule: Schedule | null) => {
      const study = changed(harbourFlat, ({ controls, plant }) => {
        const id = plant.heaters.find((h) => h.kind === 'instant-gas')!.id
        Object.assign(controls.found.heaters[id]!, { keepHot: true, schedule })
      })
      return Number(
        /loss ([\d,.]+) kWh/.exec(checksOf(study, null).find((c) => c.id.startsWith('keep-hot-'))!.sentence)![1],
      )
    }
    expect(kept(everyDay([360, 480], [1080, 1200]))).toBeCloseTo(kept(null) / 6, 0)
  })
})

describe('what the plant does', () => {
  it('the element of a heat pump heats what lies above it: the lower it sits, the more it does', () => {
    const year = (heightOfBackup: number) => {
      const study = changed(changeHeaterKind(hillTown, 'boiler', 'heat-pump'), (s) => {
        const pump = s.plant.heaters[0] as HeaterOf<'heat-pump'>
        Object.assign(pump, { outputKw: 0.8, backupKw: 3, backupHeight: heightOfBackup })
        Object.assign(s.controls.found.heaters.boiler, { setpointC: 58 })
        s.controls.found.loop.mode = 'off'
      })
      return simulate(study)
    }
    const kwh = (r: ReturnType<typeof year>) => r.energy.inputKwh.electricity!
    expect(kwh(year(0.1))).toBeGreaterThan(kwh(year(0.8)))
  })

  it('a drain unit that feeds mixers alone brings no cool draw at taps behind an instantaneous heater', () => {
    for (const study of [harbourFlat, changeHeaterKind(harbourFlat, 'wall-heater', 'instant-electric')]) {
      const withB = changed(study, (s) => void (s.pipes.recovery = { ...beginRecovery(s), connection: 'B' }))
      // One that is at the edge of cool falls to either side of it.
      expect(simulate(withB).comfort.unmetDraws).toBeLessThanOrEqual(1.03 * simulate(study).comfort.unmetDraws)
    }
  })

  it('a jacket on a store with a flue holds what leaves by the shell, a third of it or so', () => {
    const before = storeLoss(duplex.plant)!
    expect(before.shellWK).toBeLessThan(0.5 * before.allWK)
    const jacket = beginMeasure(duplex, 'jacket', 'j')
    const wrapped = storeLoss(apply(duplex, jacket).plant)!
    // Whatever it is made of, it cannot take off more than leaves by the shell it covers.
    const thick = apply(duplex, { ...jacket, coveredShare: 1, insulation: { lambdaWMK: 0.02, thicknessMm: 300 } })
    for (const after of [wrapped, storeLoss(thick.plant)!])
      expect(before.allWK - after.allWK).toBeLessThan(before.shellWK)
    // Without a flue the whole loss is the shell's.
    expect(storeLoss(hillTown.plant)!.shellWK).toBe(storeLoss(hillTown.plant)!.allWK)
  })

  it('the board says what a combi’s efficiency follows', () => {
    const instant = one(harbourFlat, 'condensing-wall-heater')
    // A heater of fixed efficiency follows nothing, and nothing is said.
    expect(instant).toBeUndefined()
    const condensing = changed(harbourFlat, (s) => {
      const h = s.plant.heaters[0] as HeaterOf<'instant-gas'>
      h.efficiency = { kind: 'condensing', shift: 0 }
    })
    const said = one(condensing, 'condensing-wall-heater')!
    expect(said.sentence).toMatch(/return|inlet|comes in/i)
    // No setpoint mends it, and none is offered.
    expect([said.setting, said.remedy]).toEqual([null, 'No action by setpoint.'])
  })
})

describe('sizes', () => {
  it('ask for the store that the worst window of any length empties, not for an hour’s', () => {
    // Its own year with what is said to be enough has no cool draw; with a third of it has.
    const needed = sizes(duplex).there[0].neededL!
    expect(needed).toBeGreaterThan(20)
    const cool = (litres: number) =>
      simulate(changed(duplex, (s) => void (s.plant.store!.litres = litres))).comfort.unmetDraws
    expect(cool(Math.max(30, 1.15 * needed))).toBeLessThanOrEqual(cool(Math.max(10, needed / 3)))
  })

  it('do not fail a store that its own year finds large enough: it serves, with nothing to spare', () => {
    const contents = (year: ReturnType<typeof simulate> | null) =>
      sizes(courtFlat, undefined, year).there[0].checks.find((c) => c.id === 'contents')!
    const year = simulate(courtFlat)
    expect(year.comfort.unmetDraws).toBe(0)
    expect([contents(null).level, contents(year).level]).toEqual(['fail', 'marginal'])
  })

  it('take the loss of the loop off the output', () => {
    const at = (mode: 'always' | 'off') => {
      const study = changed(hillTown, (s) => void (s.controls.found.loop.mode = mode))
      return sizeHeater(study, study.plant.heaters[0], demandOf(study, 60)).neededL!
    }
    expect(at('always')).toBeGreaterThan(at('off'))
  })

  it('what they reject, sources do not rank before what fits', () => {
    const study = changed(hillTown, (s) => {
      s.site.electricMain = { amps: 25, volts: 230, phases: 1, spareWays: 0, otherAmps: 24 }
    })
    const now = simulate(study)
    const years = ranked(sourceJobs(study).map((job) => sourceYear(study, now, job, simulate(job.study))))
    expect(years.some((y) => y.level === 'fail')).toBe(true)
    const order = years.map((y) => (y.assumedFigures.length ? 2 : y.level === 'fail' ? 1 : 0))
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })
})

describe('sources', () => {
  it('surplus sun states what it assumes, and is ranked last until that is entered', () => {
    const jobs = sourceJobs(hillTown)
    const sun = jobs.filter((j) => j.kind === 'pv-element')
    expect(sun.length).toBeGreaterThan(0)
    for (const job of sun) {
      expect(job.assumedFigures.join(' ')).toMatch(/kWp/)
      expect(job.assumedFigures.join(' ')).toMatch(/a day of other household electricity/)
    }
  })

  it('a gas main or a heat network that is not there is no source', () => {
    const none = changed(hillTown, (s) => void (s.site.networks = { gas: false, heat: false }))
    for (const job of sourceJobs(none)) {
      if (job.kind === 'district-heat') expect(job.level).toBe('fail')
      if ('carrier' in job.heater && job.heater.carrier === 'natural-gas') expect(job.level, job.kind).toBe('fail')
    }
    const gas = sourceJobs(none, () => ({ carrier: 'natural-gas' })).find((j) => j.kind === 'instant-gas')!
    expect(gas.level).toBe('fail')
    const there = changed(none, (s) => void (s.site.networks = { gas: true, heat: true }))
    const heat = (study: Study) => sizes(study).instead.find((x) => x.kind === 'district-heat')
    expect(heat(none)).toBeUndefined()
    expect(heat(there)!.checks.find((c) => c.id === 'network')!.level).toBe('pass')
  })
})
