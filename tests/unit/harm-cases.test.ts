import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { DEMOS } from '../../core/demos'
import { courtFlat } from '../../core/demos/court-flat'
import { duplex } from '../../core/demos/duplex'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { scaldLimitOf } from '../../core/household/at-risk'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { hoursToRelief } from '../../core/household/time-to-relief'
import { SAFETY } from '../../core/safety/limits'
import type { Study } from '../../core/study/study'
import { findingsOf, inTheWay } from '../../core/views/findings'
import { setpointChecks } from '../../core/views/setpoint-checks'
import type { YearResult } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { looked, unguarded, withWood, wood } from './check-cases'

const one = (study: Study, id: string, year: YearResult | null = null) => checksOf(study, year).find((c) => c.id === id)
const stops = (study: Study, year: YearResult | null = null): string[] =>
  inTheWay(findingsOf(checksOf(study, year))).flatMap((f) => f.parts.filter((c) => c.blocks).map((c) => c.id))
const adultsOnly = (s: Study) => void s.people.persons.forEach((p) => (p.kind = 'adult'))

describe('burns', () => {
  it('unmixed water that burns within 10 s stops the visit until the valve is seen or fitted, whoever lives there', () => {
    const year = simulate(hillTown)
    // As the demo stands nobody has looked at the valve, and 64 °C comes at the bath.
    expect(one(hillTown, 'scald-first-bath', year)).toMatchObject({
      concern: 'harm',
      level: 'not checked',
      blocks: true,
    })
    expect(stops(hillTown, year)).toContain('scald-first-bath')
    const adults = changed(hillTown, (s) => {
      adultsOnly(s)
      unguarded(s)
      s.controls.found.heaters.boiler.setpointC = 70
    })
    expect(one(adults, 'scald-first-bath')).toMatchObject({ level: 'fail', blocks: true })
    const seen = changed(hillTown, (s) => void (s.plant.store!.mixing = { mixesToC: 45, testedOn: null }))
    expect(stops(seen, simulate(seen)).filter((id) => id.startsWith('scald'))).toEqual([])
    // A valve that is there and whose setting is not known does not silence it.
    const unset = changed(hillTown, (s) => void (s.plant.store!.mixing = { mixesToC: null, testedOn: null }))
    expect(one(unset, 'scald-first-bath', simulate(unset))).toMatchObject({ level: 'not checked', blocks: true })
  })

  it('have one limit for persons at risk: at the taps, in the limits in their order and in what is advised', () => {
    for (const study of [hillTown, changed(hillTown, adultsOnly)]) {
      const limitC = scaldLimitOf(study).value
      expect(one(study, 'scald-first-bath')!.figures.limitC.value).toBe(limitC)
      expect(one(study, 'limits')!.figures['scald limit'].value).toBe(limitC)
    }
    expect(scaldLimitOf(hillTown).value).toBeLessThan(scaldLimitOf(changed(hillTown, adultsOnly)).value)
  })
})

describe('a closed store and a fire', () => {
  it('a relief valve that opens by pressure alone is a danger where a fire heats, a remark elsewhere', () => {
    const by = (base: Study, reliefKind: 'not checked' | 'pressure only') =>
      one(
        changed(base, (s) => (looked(s), (s.plant.store!.reliefKind = reliefKind))),
        'relief-kind',
      )
    expect(by(withWood, 'pressure only')).toMatchObject({ concern: 'harm', level: 'fail' })
    expect(by(withWood, 'not checked')).toMatchObject({ concern: 'harm', level: 'not checked' })
    // Where a thermostat can be switched off it never stops the visit, asked or not.
    expect(by(hillTown, 'pressure only')).toMatchObject({ concern: 'record', level: 'marginal' })
    expect(by(hillTown, 'not checked')).toMatchObject({ concern: 'record', level: 'not checked' })
    const alone = changed(withWood, (s) => (looked(s), (s.plant.store!.reliefKind = 'pressure only')))
    expect(one(alone, 'relief-feels')).toBeUndefined()
    // It has no temperature: none is told among the limits.
    expect(Object.keys(one(alone, 'limits')!.figures)).not.toContain('relief valve')
    expect(Object.keys(one(withWood, 'limits')!.figures)).toContain('relief valve')
    // It holds back until the water boils: nothing is let go at the temperature of the other kind.
    expect(hoursToRelief(alone.plant.store!, 4, 60)).toBeGreaterThan(
      hoursToRelief({ ...alone.plant.store!, reliefKind: 'temperature and pressure' }, 4, 60),
    )
  })

  it('a relief valve that nobody has looked at stops the visit: valve, place, shut-off and discharge each', () => {
    const asked = ['relief-valve', 'relief-shut', 'relief-feels', 'relief-piped']
    const none = changed(hillTown, (s) =>
      Object.assign(s.plant.store!, {
        reliefValve: null,
        reliefPiped: null,
        valveBeforeRelief: null,
        reliefAtTop: null,
        discharge: { fullSize: null, falls: null, endSeen: null, drained: null, covered: null, watchedBy: '' },
      }),
    )
    expect(stops(none)).toEqual(expect.arrayContaining(asked))
    expect(stops(changed(none, looked)).filter((id) => id.startsWith('relief') || id.startsWith('discharge'))).toEqual(
      [],
    )
    // Yes to "is there one" leaves the rest to be looked at and stops nothing that was not stopped before.
    const yes = changed(none, (s) => void (s.plant.store!.reliefValve = true))
    expect(stops(yes).length).toBeLessThan(stops(none).length)
  })

  it('no sentence speaks of water through a valve that is not there', () => {
    const none = changed(withWood, (s) => {
      looked(s)
      s.plant.store!.reliefValve = false
      wood(s).firings[0].hours = 12
    })
    const said = checksOf(none, simulate(none)).filter((c) => c.id.startsWith('relief'))
    expect(said.map((c) => c.id)).toContain('relief-valve')
    expect(said.some((c) => /through the relief valve/.test(c.sentence))).toBe(false)
    expect(said.some((c) => c.id.startsWith('discharge'))).toBe(false)
  })

  it('a pumped fire is a danger without an answer, and safe with one that somebody has tried', () => {
    const by = (failSafe: Partial<ReturnType<typeof wood>['circuit']['failSafe']>) =>
      changed(withWood, (s) => {
        wood(s).circuit.pump = { flowLMin: 10, watts: 30 }
        Object.assign(wood(s).circuit.failSafe, failSafe)
      })
    const level = (s: Study) => one(s, 'pumped-fire-wood-coil')!.level
    expect(level(by({ by: 'not checked' }))).toBe('not checked')
    expect(level(by({ by: 'none' }))).toBe('fail')
    for (const way of ['thermal discharge valve', 'gravity dump radiator', 'battery-fed pump'] as const) {
      expect(level(by({ by: way, testedBy: '' }))).toBe('not checked')
      expect(level(by({ by: way, testedBy: 'R. Amsel', testedOn: '2026-03-02' }))).toBe('pass')
    }
  })

  it('a relief valve set above the boiling point of open water is no danger: it says what flashes', () => {
    const high = changed(hillTown, (s) => {
      looked(s)
      s.plant.store!.mixing = { mixesToC: 45, testedOn: '2026-03-01' }
      s.site.altitudeM = 2500
      s.plant.store!.reliefC = 95
    })
    const limits = one(high, 'limits')!
    expect(limits.sentence).toMatch(/flashes to steam/)
    expect(limits.concern).not.toBe('harm')
    expect(stops(high).filter((id) => id.startsWith('relief') || id === 'limits')).toEqual([])
  })
})

describe('frost', () => {
  const outdoors = (designAirC: number | null) =>
    changed(hillTown, (s) => {
      s.site.designAirC = designAirC
      s.site.frostGuard = 'none'
      s.pipes.runs[1].place = 'loft'
    })
  it('goes by the coldest air entered, not by the mean of a month, and says the hours until a pipe freezes', () => {
    // Every month's mean is above freezing there.
    expect(Math.min(...hillTown.site.monthlyAirC)).toBeGreaterThan(-1)
    const id = `freezes-run-${hillTown.pipes.runs[1].id}`
    const cold = one(outdoors(-14), id)!
    expect(cold).toMatchObject({ concern: 'harm', level: 'fail', blocks: true })
    expect(cold.figures.hoursUntilIce.value).toBeGreaterThan(0.2)
    expect(cold.figures.hoursUntilIce.value).toBeLessThan(24)
    expect(cold.sentence).toMatch(/starts to freeze after/)
    expect(one(outdoors(6), id)).toBeUndefined()
    // Not asked is not known, and stands in the way.
    expect(one(outdoors(null), id)).toMatchObject({ level: 'not checked', blocks: true })
    const colder = one(outdoors(-25), id)!
    expect(colder.figures.hoursUntilIce.value).toBeLessThan(cold.figures.hoursUntilIce.value)
  })

  it('is judged at every store and appliance that stands in the cold too', () => {
    const cold = changed(outdoors(-14), (s) => {
      s.plant.store!.place = 'loft'
      s.plant.heaters[0].place = 'outdoors'
    })
    expect(one(cold, 'freezes-store')!.level).toBe('fail')
    expect(one(cold, `freezes-heater-${cold.plant.heaters[0].id}`)!.level).toBe('fail')
  })
})

describe('electrical supply', () => {
  const main = (amps: number, volts: number, phases: 1 | 3, otherAmps: number) => ({
    amps,
    volts,
    phases,
    spareWays: 3,
    otherAmps,
  })
  const instant = (kw: number, phases: 1 | 3, units = 1) =>
    changed(changeHeaterKind(harbourFlat, 'wall-heater', 'instant-electric'), (s) => {
      Object.assign(s.plant.heaters[0], { outputKw: kw, phases, units, unitsShare: 'together' })
    })

  it('three phases are by line to line: 18 kW at 400 V are 26 A, not 45', () => {
    const study = changed(instant(18, 3), (s) => void (s.site.electricMain = main(35, 400, 3, 5)))
    const check = one(study, 'main-current')!
    expect(check.figures.takesA.value).toBeCloseTo(18_000 / (Math.sqrt(3) * 400), 6)
    expect(check.level).toBe('pass')
  })

  it('one phase on a three-phase main is by line to neutral', () => {
    const study = changed(instant(7, 1), (s) => void (s.site.electricMain = main(35, 400, 3, 0)))
    expect(one(study, 'main-current')!.figures.takesA.value).toBeCloseTo(7000 / (400 / Math.sqrt(3)), 6)
  })

  it('what else runs is taken off the main: 48 A on 40 A of which 25 are used is a danger', () => {
    const study = changed(instant(11.5, 1), (s) => void (s.site.electricMain = main(40, 240, 1, 25)))
    expect(one(study, 'main-current')).toMatchObject({ concern: 'harm', level: 'fail', blocks: true })
    expect(one(study, 'main-current')!.figures.spareA.value).toBe(15)
  })

  it('heaters side by side are added', () => {
    const at = (units: number) =>
      one(
        changed(instant(6, 1, units), (s) => void (s.site.electricMain = main(63, 230, 1, 5))),
        'main-current',
      )!.figures.takesA.value
    expect(at(2)).toBeCloseTo(2 * at(1), 6)
  })

  it('a storage heater is a continuous load in US units, and not in metric ones', () => {
    const amps = (units: 'us' | 'metric') => {
      const study = changed(addHeater(hillTown, 'element'), (s) => {
        s.units = units
        s.site.electricMain = main(100, 240, 1, 20)
      })
      return one(study, 'main-current')!.figures.takesA.value
    }
    expect(amps('us')).toBeCloseTo(1.25 * amps('metric'), 6)
  })

  it('a main and a way that nobody has looked at stop the visit', () => {
    const study = changed(instant(18, 3), (s) => {
      s.site.electricMain = null
      Object.assign(s.plant.heaters[0], { supply: null })
    })
    expect(stops(study)).toEqual(expect.arrayContaining(['main-current', 'current-wall-heater']))
  })
})

describe('growth', () => {
  it('is judged in a store that only preheats, though the heater that is judged stores nothing', () => {
    const preheated = addHeater(addHeater(harbourFlat, 'solar'), 'heat-pump')
    expect(preheated.plant.store).not.toBeNull()
    const cool = changed(preheated, (s) => {
      for (const [id, c] of Object.entries(s.controls.found.heaters)) if (id !== 'wall-heater') c.setpointC = 40
      s.controls.found.heaters['wall-heater'].setpointC = 48
    })
    const checks = checksOf(cool, null)
    expect(checks.find((c) => c.id === 'growth-store')).toMatchObject({ concern: 'harm', level: 'fail' })
    expect(setpointChecks(cool, checks, 'wall-heater').checks.map((c) => c.id)).toContain('growth-store')
    // Finished hot enough behind it, it is no danger.
    const finished = changed(cool, (s) => void (s.controls.found.heaters['wall-heater'].setpointC = 60))
    expect(one(finished, 'growth-store')!.level).toBe('marginal')
  })

  it('is judged in a small store at a tap', () => {
    const small = changed(addHeater(hillTown, 'under-sink'), (s) => {
      const h = s.plant.heaters.find((x) => x.kind === 'under-sink')!
      s.controls.found.heaters[h.id].setpointC = 40
    })
    expect(one(small, 'growth-under-sink')).toMatchObject({ concern: 'harm', level: 'fail' })
  })

  it('a cold line that its valve closes at 38 °C, and a holiday level with a heat-through, are no danger', () => {
    const line = changed(hillTown, (s) => void (s.pipes.loop!.returns = { by: 'cold line', closesAtC: 38 }))
    expect(stops(line)).not.toContain('growth-loop')
    const away = changed(courtFlat, (s) => {
      s.people.absences = [{ personId: null, fromDay: 190, toDay: 210 }]
      for (const c of Object.values(s.controls.found.heaters)) c.holidayC = 30
    })
    const back = one(away, 'on-return')!
    expect(back).toMatchObject({ concern: 'record', blocks: false })
    expect(back.remedy).toMatch(/flush every outlet hot/)
  })
})

describe('carbon monoxide', () => {
  it('flue, air, fan, alarm and service are asked for every appliance that burns indoors; unknown is unknown', () => {
    const asked = ['flue', 'combustion-air', 'extractor', 'co-alarm', 'serviced']
    const unseen = {
      flue: 'not checked' as const,
      vent: 'not checked' as const,
      airOpen: null,
      extractor: null,
      alarm: null,
      servicedOn: null,
    }
    for (const study of [harbourFlat, duplex, forestFarm, withWood]) {
      const blank = changed(study, (s) => {
        for (const h of s.plant.heaters) if ('combustion' in h) h.combustion = { ...unseen }
        for (const h of s.plant.heaters) if ('place' in h && h.place === 'outdoors') h.place = 'heated'
      })
      const burning = blank.plant.heaters.filter((h) => 'combustion' in h)
      expect(burning.length).toBeGreaterThan(0)
      for (const h of burning)
        for (const id of asked) expect(one(blank, `${id}-${h.id}`)!.level, `${id}-${h.id}`).toBe('not checked')
    }
    const fan = changed(harbourFlat, (s) => {
      const h = s.plant.heaters[0]
      if ('combustion' in h)
        h.combustion = {
          flue: 'open',
          vent: 'metal liner or pipe',
          airOpen: true,
          extractor: true,
          alarm: true,
          servicedOn: null,
        }
    })
    expect(one(fan, 'extractor-wall-heater')).toMatchObject({ concern: 'harm', level: 'fail', blocks: true })
  })
})

describe('limits in their order', () => {
  it('stand for every demo, on one scale, and are not green under burns', () => {
    for (const { study } of DEMOS) {
      const year = simulate(study)
      const checks = checksOf(study, year)
      const limits = checks.find((c) => c.id === 'limits')!
      const hottest = Math.max(...study.pipes.taps.map((t) => year.taps.find((x) => x.id === t.id)?.hottestC ?? 0))
      expect(limits.figures['at the outlets'].value).toBeCloseTo(hottest, 6)
      expect(limits.figures['local boiling point'].value).toBeGreaterThan(80)
      if (study.plant.store) expect(limits.figures['relief valve'].value).toBe(study.plant.store.reliefC)
      for (const h of study.plant.heaters)
        if (!('tapId' in h)) expect(limits.figures[h.name], `${study.id} ${h.name}`).toBeDefined()
      if (hottest > scaldLimitOf(study).value + 0.1) expect(limits.level).not.toBe('pass')
    }
  })

  it('stand where no thermostat is judged: a house that lives on a fire alone', () => {
    const fire = changed(changeHeaterKind(hillTown, 'boiler', 'wood-coil'), unguarded)
    expect(Object.values(fire.controls.found.heaters)).toEqual([])
    expect(one(fire, 'limits')!.level).not.toBe('pass')
    expect(SAFETY.burnsAtOnce.value).toBe(10)
  })
})
