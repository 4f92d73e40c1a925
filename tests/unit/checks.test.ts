import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyDay } from '../../core/calendar/week'
import { checksOf } from '../../core/checks/catalogue'
import { duplex } from '../../core/demos/duplex'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { applyAll } from '../../core/measures/apply'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { NOT_PRICED } from '../../core/study/measures'
import { Study } from '../../core/study/study'
import { broughtBy } from '../../core/views/brought'
import { SEVERITIES } from '../../core/views/findings'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { changed } from '../../proof/studies'
import { CASES, twoElements, unguarded, withWood, wood } from './check-cases'
import { findings, ids } from './judged'

describe('checks', () => {
  it.each(CASES)('%s stands where it should and goes when it is mended', (id, base, make, mend) => {
    const there = changed(base, make)
    expect(ids(there)).toContain(id)
    expect(ids(changed(there, mend))).not.toContain(id)
  })

  it('points at a store that gets too hot and at collectors that stand idle, with the figures of the year', () => {
    const idle = changed(withWood, (s) => {
      s.people.uses = s.people.uses.slice(0, 1)
      s.controls.found.loop.mode = 'off'
    })
    const year = simulate(idle)
    const relief = findings(idle, year).find((f) => f.id === 'relief-opens')!
    expect(relief.sentence).toContain(`${Math.round(year.energy.reliefKwh).toLocaleString('en-GB')} kWh`)
    expect(findings(hillTown, simulate(hillTown)).some((f) => f.id === 'relief-opens')).toBe(false)
    const sunny = changed(addHeater(hillTown, 'solar'), (s) => {
      s.people.uses = []
      s.controls.found.loop.mode = 'off'
      ;(s.plant.heaters[1] as HeaterOf<'solar'>).areaM2 = 12
    })
    expect(findings(sunny, simulate(sunny)).map((f) => f.id)).toContain('stagnation-solar')
  })

  it('names an element above its supply and thermostats that disagree', () => {
    expect(ids(twoElements)).toEqual(expect.arrayContaining(['current-upper', 'current-lower', 'unequal-thermostats']))
    const alike = changed(twoElements, (s) => void (s.controls.found.heaters.lower.setpointC = 59))
    expect(ids(alike)).not.toContain('unequal-thermostats')
  })

  it('says that children are at risk, by name and with the seconds', () => {
    const [danger] = findings(changed(hillTown, unguarded), null)
    expect(danger.severity).toBe('danger')
    expect(danger.parts[0].sentence).toMatch(
      /Maximum 65.0 °C at .*: deep burn in 2.0 s \(adult\), 0.5 s \(child\).*vulnerable: Runa, Pim, Oda/,
    )
  })

  it('a heater without a store at 80 °C with a child in the house is a danger, by the year and by the dial', () => {
    const hot = changed(harbourFlat, (s) => {
      s.controls.found.heaters['wall-heater'].setpointC = 80
      s.people.persons[0].kind = 'child'
      unguarded(s)
    })
    for (const year of [null, simulate(hot)])
      expect(findings(hot, year).find((f) => f.id === 'scald')!.severity).toBe('danger')
  })

  it('a fire that is never lit heats nothing too hot, and what is set is judged, not what was found', () => {
    const cold = changed(withWood, (s) => {
      wood(s).firings = []
      Object.assign(wood(s).circuit, { heightM: 0.4, lengthM: 9, boreMm: 20.2 })
    })
    expect(ids(cold).filter((id) => id.startsWith('gravity'))).toEqual([])
    const set = changed(twoElements, (s) => {
      s.controls.set = structuredClone(s.controls.found)
      s.controls.set.heaters.lower.setpointC = 60
    })
    expect(ids(set)).not.toContain('unequal-thermostats')
    const plastic = changed(duplex, (s) => {
      Object.assign(s.pipes.runs[0], { material: 'pp-r', size: '25x4.2' })
      ;(s.plant.heaters[0] as HeaterOf<'gas-store'>).pilotW = 0
      s.controls.found.heaters.burner.setpointC = 70
    })
    expect(ids(plastic)).toContain('plastic-basement-main')
    expect(
      ids(
        changed(plastic, (s) => {
          s.controls.set = structuredClone(s.controls.found)
          s.controls.set.heaters.burner.setpointC = 55
        }),
      ),
    ).not.toContain('plastic-basement-main')
  })

  it('reads the year: too little hot water, a timer that leaves the evening cool, starts, an element that does the work, tepid stores', () => {
    const of = (s: Study) => findings(s, simulate(s)).map((f) => f.id)
    const small = changed(hillTown, (s) => {
      s.plant.store!.litres = 40
      s.controls.found.loop.mode = 'off'
      s.controls.found.heaters.boiler.schedule = Array.from({ length: 7 }, () => [{ fromMin: 300, toMin: 420 }])
    })
    expect(of(small)).toEqual(expect.arrayContaining(['delivery']))
    const cycling = changed(hillTown, (s) => {
      ;(s.plant.heaters[0] as HeaterOf<'boiler-coil'>).coil.uaWK = 80
    })
    expect(of(cycling)).toContain('cycling-boiler')
    const pump = changed(
      changeHeaterKind(hillTown, 'boiler', 'heat-pump'),
      (s) => void ((s.plant.heaters[0] as HeaterOf<'heat-pump'>).backup = { by: 'top of store', belowK: 3 }),
    )
    expect(of(pump)).toContain('backup-boiler')
    const preheat = addHeater(harbourFlat, 'solar')
    expect(of(preheat)).toContain('growth-store')
    const unused = changed(
      harbourFlat,
      (s) => void (s.people.uses = s.people.uses.filter((h) => h.tapId !== 'kitchen-sink')),
    )
    expect(of(unused)).toContain('growth-runs')
  })

  it('says what a package brings that was not there before', () => {
    const pack = applyAll(hillTown, [
      { kind: 'setpoint', id: 'x', name: 'x', ...NOT_PRICED, heaterId: 'boiler', setpointC: 45 },
    ])
    const [before, after] = [checksOf(hillTown, simulate(hillTown)), checksOf(pack, simulate(pack))]
    const brought = broughtBy(before, after).map((f) => f.id)
    expect(brought).toEqual(expect.arrayContaining(['growth-store', 'growth-loop']))
    expect(brought).not.toContain('bare-pipes')
    expect(broughtBy(after, after)).toEqual([])
  })

  it('reads the year: a loop that takes more than the taps', () => {
    expect(findings(hillTown, simulate(hillTown)).map((f) => f.id)).toContain('loop-costs')
    const off = changed(hillTown, (s) => void (s.controls.found.loop.mode = 'off'))
    expect(findings(off, simulate(off)).map((f) => f.id)).not.toContain('loop-costs')
  })

  it('on any household come in order, once each, each with its reason, source and way out', () => {
    fc.assert(
      fc.property(randomStudy, (study) => {
        const all = findings(study, null)
        expect(new Set(all.map((f) => f.id)).size, all.map((f) => f.id).join(' ')).toBe(all.length)
        const rank = all.map((f) => SEVERITIES.indexOf(f.severity))
        expect(rank).toEqual([...rank].sort((a, b) => a - b))
        for (const { title, sentence, source, remedy } of all)
          for (const text of [title, sentence, source, remedy])
            expect(text).toMatch(/^(?!.*(NaN|undefined|Infinity)).{3,}/)
      }),
      { numRuns: 40 },
    )
  })
})

describe('checks of what is set', () => {
  const of = (study: Study) => findings(study, simulate(study)).map((f) => f.id)
  const boiler = (edit: (c: Study['controls']['found']['heaters'][string], s: Study) => void) =>
    changed(hillTown, (s) => edit(s.controls.found.heaters.boiler, s))

  it('tells a timer that cuts the mains from one that asks the control', () => {
    const timer = (timerBy: 'its mains' | 'its control') =>
      of(boiler((c) => Object.assign(c, { schedule: everyDay([0, 1440]), timerBy })))
    expect(timer('its mains')).toContain('timer-mains-boiler')
    expect(timer('its control')).not.toContain('timer-mains-boiler')
  })

  it('an override without an end, a wrong clock, a timer that is too short and a hot run that fails each have a word', () => {
    const none = of(hillTown)
    for (const [id, study] of [
      [
        'override-boiler-0',
        boiler((c) => c.overrides.push({ setpointC: 70, fromDay: 3, fromMin: 0, minutes: null, weekly: false })),
      ],
      ['clock-wrong-controller-1', boiler((_, s) => (s.controls.found.clocks['controller-1'].aheadMin = -45))],
      ['clock-wrong-controller-1', boiler((_, s) => (s.controls.found.clocks['controller-1'].daysAhead = 1))],
      [
        'clock-wrong-controller-1',
        boiler(
          (_, s) => ((s.controls.found.clocks['controller-1'].summerTime = 'stays'), (s.site.summerTime = 'europe')),
        ),
      ],
      ['delivery', boiler((c) => (c.schedule = everyDay([600, 630])))],
      ['hot-run', boiler((c) => (c.pasteurisation = { weekday: 2, atMin: 60, toC: 84, holdMin: 30 }))],
    ] as const) {
      expect(none).not.toContain(id)
      expect(of(study)).toContain(id)
    }
    const boost = boiler((c) => c.overrides.push({ setpointC: 70, fromDay: 3, fromMin: 0, minutes: 90, weekly: false }))
    expect(of(boost)).not.toContain('override-boiler-0')
  })

  it('a tepid store with a hot run that is held each week is no danger', () => {
    const run = { weekday: 2, atMin: 60, toC: 65, holdMin: 30 }
    expect(of(boiler((c) => (c.setpointC = 48)))).toContain('growth-store')
    const held = boiler((c) => Object.assign(c, { setpointC: 48, pasteurisation: run }))
    const growth = checksOf(held, simulate(held)).find((c) => c.id === 'growth-store')!
    expect([growth.level, growth.blocks]).toEqual(['marginal', false])
  })
})
