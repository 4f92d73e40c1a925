import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { hillTown } from '../../core/demos/hill-town'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { outages } from '../../core/household/outage'
import { BEFORE_FIRE_C, hoursToRelief, longestFiring } from '../../core/household/time-to-relief'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { open } from './judged'

const stoveOf = (s: Study) => s.plant.heaters.find((h): h is HeaterOf<'wood-coil'> => h.kind === 'wood-coil')!
const found = (study: Study, id: string) => open(study).find((c) => c.id === id)

describe('a fire and its store', () => {
  it('reaches the relief valve in the hours that its heat takes to warm the store', () => {
    // 400 L by 38 K at 1.3 kW: 400 × 4.146 × 38 / 1.3 / 3600.
    expect(hoursToRelief({ litres: 400, reliefC: 93, reliefKind: 'not checked' as const }, 1.3, 55)).toBeCloseTo(
      13.47,
      1,
    )
    expect(hoursToRelief({ litres: 400, reliefC: 90, reliefKind: 'not checked' as const }, 1.3, 90)).toBe(0)
    expect(longestFiring(stoveOf(mountainRefuge))).toBe(5)
  })

  it('the year lets go of water when nobody draws for longer than that, and not before', () => {
    const unused = (hours: number, uaWK: number) =>
      changed(mountainRefuge, (s) => {
        s.people.uses = s.people.uses.map((h) => ({ ...h, chance: 0 }))
        s.people.guests = []
        s.plant.heaters = s.plant.heaters.filter((h) => h.kind !== 'solar')
        const stove = stoveOf(s)
        stove.months = stove.months.map((_, m) => m === 3)
        stove.firings = [{ days: [true, false, false, false, false, false, false], atMin: 0, hours, kg: hours * 2 }]
        s.plant.store!.loss = { kind: 'ua', uaWK }
        s.controls.found.heaters.element.setpointC = 30
      })
    // A loss of 20 W/K brings the store to rest between the weekly fires: from about 20 °C the full rise is needed.
    const hours = hoursToRelief(mountainRefuge.plant.store!, 1.3, 20)
    expect(simulate(unused(Math.round(hours * 0.6), 20)).water.reliefL).toBe(0)
    // Without a loss each week's fire adds to the last, and the valve opens.
    expect(simulate(unused(Math.min(24, Math.round(hours * 0.6)), 0)).water.reliefL).toBeGreaterThan(0)
  })

  it('a stove with a pump gives its heat for as long as it burns, and its pump runs as long', () => {
    const pumped = (watts: number) =>
      changed(mountainRefuge, (s) => {
        const stove = stoveOf(s)
        stove.circuit.pump = { flowLMin: 10, watts }
        stove.circuit.heightM = 0
        stove.months = stove.months.map(() => true)
        stove.firings = [{ days: [true, true, false, true, false, false, true], atMin: 400, hours: 2.5, kg: 4 }]
        s.people.absences = []
      })
    const [still, runs] = [simulate(pumped(0)), simulate(pumped(80))]
    // 365 days begin on the year's first weekday: 52 weeks of four fires, and one more if that day has one.
    const first = mountainRefuge.site.firstWeekday
    const fires = 52 * 4 + ([0, 1, 3, 6].includes(first) ? 1 : 0)
    const { waterKw, efficiency } = stoveOf(pumped(80))
    expect(runs.energy.inputKwh['wood-logs']).toBeCloseTo((fires * 2.5 * waterKw) / efficiency, 3)
    const watched = (runs.energy.inputKwh.electricity ?? 0) - (still.energy.inputKwh.electricity ?? 0)
    expect(watched).toBeCloseTo(fires * 2.5 * 0.08, 3)
    expect(runs.energy.residualKwh).toBeCloseTo(0, 3)
  })

  it('says when a day without use ends at the valve, and for how long it has room', () => {
    const hot = changed(mountainRefuge, (s) => void (stoveOf(s).waterKw = 8))
    expect(found(hot, 'until-relief-stove')!.level).toBe('fail')
    const hours = hoursToRelief(hot.plant.store!, 8, BEFORE_FIRE_C)
    expect(found(hot, 'until-relief-stove')!.sentence).toContain(`in ${hours.toFixed(1)} h`)
    expect(found(mountainRefuge, 'until-relief-stove')!.level).toBe('marginal')
    expect(found(hillTown, 'until-relief-stove')).toBeUndefined()
  })

  it('warns of a pump that stops, and tells a house that stands empty of the tag', () => {
    const pumped = changed(mountainRefuge, (s) => void (stoveOf(s).circuit.pump = { flowLMin: 6, watts: 30 }))
    const bare = changed(pumped, (s) => void (stoveOf(s).circuit.failSafe.by = 'none'))
    expect(found(bare, 'pumped-fire-stove')!.level).toBe('fail')
    expect([found(pumped, 'pumped-fire-stove')!.level, found(pumped, 'pumped-fire-stove')!.blocks]).toEqual([
      'not checked',
      true,
    ])
    expect(found(mountainRefuge, 'pumped-fire-stove')).toBeUndefined()
    expect(found(mountainRefuge, 'dry-coil-stove')).toBeDefined()
    expect(found(forestFarm, 'dry-coil-range')).toBeUndefined()
    expect(outages(pumped).find((o) => o.id === 'stove')!.power).toBe('becomes dangerous')
    expect(outages(mountainRefuge).map((o) => o.power)).toEqual(['works', 'becomes dangerous', 'does not'])
  })
})

describe('pipes as they were laid', () => {
  it('flags steel after copper, a run that leads nowhere, and thin pipes against the pressure at the main', () => {
    const [first, second] = hillTown.pipes.runs
    const steel = changed(hillTown, (s) => Object.assign(s.pipes.runs[1], { material: 'steel-en', size: '20' }))
    expect(found(steel, `metals-${second.id}`)).toBeDefined()
    const other = changed(hillTown, (s) => Object.assign(s.pipes.runs[0], { material: 'steel-en', size: '25' }))
    expect(found(other, `metals-${first.id}`)).toBeUndefined()
    const stub = changed(hillTown, (s) => void s.pipes.runs.push({ ...second, id: 'old', name: 'To the old scullery' }))
    expect(found(stub, 'stub-old')!.title).toMatch(/Blind end: To the old scullery/)
    expect(found(hillTown, 'stub-old')).toBeUndefined()
    const tap = hillTown.pipes.taps.find((t) => t.kind === 'shower')!
    const thin = changed(hillTown, (s) => {
      const run = s.pipes.runs.find((r) => r.id === tap.runId)!
      Object.assign(run, { material: 'copper-en', size: '10', lengthM: 12 })
    })
    expect(found(thin, `drop-${tap.id}`)).toMatchObject({ level: 'fail', mendedBy: 'repipe' })
    expect(
      found(
        changed(thin, (s) => void (s.site.pressureBar = null)),
        `drop-${tap.id}`,
      ),
    ).toBeUndefined()
  })
})
