import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ALWAYS } from '../../core/calendar/week'
import { placeTemperature } from '../../core/climate/places'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { type Efficiency, efficiencyAt } from '../../core/heaters/efficiency'
import { addHeater } from '../../core/household/edits/plant'
import { dayOf, mainsOn, steadyAtTap, warmUpVolumeTo } from '../../core/household/lookups'
import { loopAir, loopKeepsC, loopUa } from '../../core/household/loop'
import { beginRecovery } from '../../core/measures/begin'
import { meteredShare } from '../../core/money/gas-meter'
import { adopt, unAdopt } from '../../core/readings/adopt'
import { fit } from '../../core/readings/fit'
import { hotFront } from '../../core/readings/hot-front'
import { judge, KINDS } from '../../core/readings/kinds'
import { agrees } from '../../core/readings/reading-kind'
import { standingUa } from '../../core/stores/standing-loss'
import { controlsOf } from '../../core/study/in-force'
import { LOOP_MODES } from '../../core/study/loop-modes'
import { valueAt, withValueAt } from '../../core/study/paths'
import { readStudy } from '../../core/study/read'
import type { Reading } from '../../core/study/readings'
import { Study } from '../../core/study/study'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { firstDays } from '../../proof/random-study'
import { changed, readingOf } from '../../proof/studies'

const reading = (kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
  readingOf(kind, values, { where })
const withReading = (r: Reading, study: Study = hillTown): Study => ({ ...structuredClone(study), readings: [r] })
const judged = (r: Reading, study: Study = hillTown) => judge(withReading(r, study), r)!

/** Figures such as are read: a form begins without any. */
const READ: Partial<Record<Reading['kind'], Reading['values']>> = {
  mains: { coldC: 11 },
  pressure: { pressureBar: 3 },
  hardness: { hardnessMgL: 200 },
  'hot-litres': { volumeL: 1200, days: 7 },
  bucket: { volumeL: 5, seconds: 40 },
  difference: { othersL: 2, othersS: 60, volumeL: 8, seconds: 60 },
  'time-to-hot': { seconds: 40, flowLMin: 6 },
  climb: { points: '0 12; 15 30; 30 55; 45 55.2; 60 55.1', flowLMin: 6 },
  'tap-temperature': { hotC: 55 },
  droop: { aloneC: 48, togetherC: 44 },
  'heater-display': { inletC: 11, outletC: 48, flowLMin: 9, gave: 'all it has' },
  meter: { amount: 0.09, seconds: 120 },
  dial: { division: 3, hotC: 55 },
  clock: { aheadMin: 4 },
  'store-top': { storeC: 58 },
  reheat: { fromC: 35, toC: 55, minutes: 30 },
  'overnight-drop': { fromC: 60, toC: 56, hours: 9, ambientC: 15 },
  loop: { supplyC: 58, returnC: 55, pumpLMin: 4 },
  pump: { volts: 230, amps: 0.2, powerFactor: 0.6 },
  drain: { coldC: 11, preheatC: 22, drainC: 36, drainOutC: 24 },
}

describe('every kind of reading', () => {
  it('begins with no figure and nothing to correct', () => {
    for (const kind of KINDS) {
      const invented = Object.entries(kind.begin).filter(([name, v]) => typeof v === 'number' && name !== 'hotC')
      expect(invented).toEqual([])
      const begun = judge(hillTown, reading(kind.kind, kind.begin, null))
      expect(begun?.offers ?? []).toEqual([])
    }
  })

  it.each(KINDS.map((k) => [k.kind, k] as const))(
    '%s takes what is read in each demo, and an adoption is sound and can be taken back',
    (_, kind) => {
      for (const { study } of DEMOS) {
        if (!kind.possible(study)) continue
        const where = {
          tap: study.pipes.taps[1].id,
          heater: study.plant.heaters[0].id,
          controller: study.controllers[0].id,
          household: null,
        }[kind.at ?? 'household']
        const begin = {
          ...kind.begin,
          ...READ[kind.kind],
          ...(kind.kind === 'droop' ? { otherTap: study.pipes.taps[0].id } : {}),
        }
        const before = withReading(reading(kind.kind, begin, where), study)
        const verdict = judge(before, before.readings[0])
        expect(verdict).not.toBeNull()
        const after = adopt(before, 'one')
        expect(readStudy(after).ok).toBe(true)
        if (verdict!.offers.length === 0) expect(after).toEqual(before)
        else {
          for (const o of verdict!.offers) {
            expect(valueAt(after, o.path)).toEqual(o.value)
            expect(after.origins[o.path]).toBe('measured')
          }
          // Adopted, the study says what was read.
          const again = judge(after, after.readings[0])!
          if (again.verdict) expect(agrees(again.verdict)).toBe(true)
        }
        expect(unAdopt(after, 'one')).toEqual(before)
      }
    },
  )

  it('never throws, whatever values an import brings', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.dictionary(fc.string({ maxLength: 20 }), fc.oneof(fc.double(), fc.string())),
        (kind, values) => {
          const got = judge(hillTown, reading(kind.kind, values as Reading['values'], 'nowhere'))
          expect(got === null || typeof got === 'object').toBe(true)
        },
      ),
      { numRuns: 500 },
    )
  })
})

describe('what readings say', () => {
  it('a store left overnight in the engine reads its own loss', () => {
    const study = structuredClone(hillTown)
    study.people.uses = []
    study.controls.found.loop.mode = 'off'
    study.controls.found.heaters.boiler.schedule = Array.from({ length: 7 }, () => [{ fromMin: 600, toMin: 601 }])
    let [from, to] = [0, 0]
    firstDays(study, 2, (home) => {
      const mean = home.plant.state().slices.reduce((s, c) => s + c / 10, 0)
      if (home.nowS <= 86_400 + 12 * 3600) from = mean
      if (home.nowS <= 86_400 + 20 * 3600) to = mean
    })
    const { verdict, worked } = judged(
      reading('overnight-drop', {
        fromC: from,
        toC: to,
        hours: 8,
        ambientC: placeTemperature('cellar', 0, study.site.monthlyAirC),
      }),
      study,
    )
    expect(verdict!.modelled).toBeCloseTo(standingUa(study.plant.store!.loss, 200), 9)
    expect(Math.abs((worked.out.uaWK as number) / verdict!.modelled - 1)).toBeLessThan(0.05)
  })

  it('the time to hot of the study agrees with the study, and a longer one lengthens the last run', () => {
    const tap = hillTown.pipes.taps[0]
    const { hotL } = hotFront(hillTown, tap, reading('note', {}).takenAt, { hotC: 40, flowLMin: 6 })!
    const seconds = (hotL / 6) * 60
    expect(agrees(judged(reading('time-to-hot', { seconds, flowLMin: 6, hotC: 40 }, tap.id)).verdict!)).toBe(true)
    const long = judged(reading('time-to-hot', { seconds: seconds + 30, flowLMin: 6, hotC: 40 }, tap.id))
    expect(agrees(long.verdict!)).toBe(false)
    expect(long.offers[0].path).toBe(`pipes.runs.${tap.runId}.lengthM`)
    const after = adopt(
      withReading(reading('time-to-hot', { seconds: seconds + 30, flowLMin: 6, hotC: 40 }, tap.id)),
      'one',
    )
    expect(warmUpVolumeTo(after, tap)).toBeCloseTo(warmUpVolumeTo(hillTown, tap) + 3, 1)
  })

  it('counts from the loop while its pump is due, so that a short wait does not shorten what was warm', () => {
    const tap = hillTown.pipes.taps.find((t) => t.id === 'top-shower')!
    const [day, night] = ['2026-01-20T10:00:00+01:00', '2026-01-20T03:00:00+01:00']
    const front = (takenAt: string) => hotFront(hillTown, tap, takenAt, { hotC: 40, flowLMin: 8 })!.warmUpVolumeL
    expect(loopKeepsC(hillTown, day)).toBeGreaterThan(50)
    expect(loopKeepsC(hillTown, night)).toBeNull()
    expect(front(night)).toBeCloseTo(warmUpVolumeTo(hillTown, tap), 9)
    expect(front(day)).toBeLessThan(0.2 * warmUpVolumeTo(hillTown, tap))
    const short = { ...reading('time-to-hot', { seconds: 6, flowLMin: 8, hotC: 40 }, tap.id), takenAt: day }
    expect(agrees(judged(short).verdict!)).toBe(true)
    const fitted = fit({ ...hillTown, readings: [short, { ...short, id: 'two' }] })!
    expect(fitted.study.pipes.runs.find((r) => r.id === 'cellar-main')!.lengthM).toBe(7)
    for (const c of fitted.corrections) if (!c.settled) expect(c.to).toBe(c.from)
  })

  it('takes the temperature called hot, whatever drives the loop', () => {
    const tap = hillTown.pipes.taps.find((t) => t.id === 'top-shower')!
    const night = '2026-01-20T03:00:00+01:00'
    const at = (hotC: number) => hotFront(hillTown, tap, night, { hotC, flowLMin: 6 })!
    // A hotter mark is passed later; half way between cold and steady it is passed as the front itself comes.
    const middle = (at(40).coldC + at(40).steadyC) / 2
    expect(at(30).hotL).toBeLessThan(at(40).hotL)
    expect(at(40).hotL).toBeLessThan(at(52).hotL)
    expect(at(middle).hotL).toBeCloseTo(at(middle).warmUpVolumeL, 9)
    // Hotter than ever comes there: what was read is judged against what comes.
    const hotter = judged({ ...reading('time-to-hot', { seconds: 60, flowLMin: 6, hotC: 70 }, tap.id), takenAt: night })
    expect(hotter.verdict!.figure.quantity).toBe('temperature')
    expect(agrees(hotter.verdict!)).toBe(false)
    for (const mode of LOOP_MODES) {
      const house = changed(hillTown, (s) => {
        const set = controlsOf(s).loop
        set.mode = mode
        set.schedule = ALWAYS
        set.targetC = 50
        set.differentialK = 5
      })
      const front = hotFront(house, tap, night, { hotC: 40, flowLMin: 6 })
      if (mode === 'on demand' || mode === 'learned') expect(front, mode).toBeNull()
      else expect(front!.pastLoop, mode).toBe(mode !== 'off')
    }
    // A loop that is kept at 45 °C does not spare the wait for 48.
    const cool = changed(hillTown, (s) => {
      Object.assign(controlsOf(s).loop, { mode: 'sampled', schedule: ALWAYS, targetC: 50, differentialK: 5 })
    })
    expect(hotFront(cool, tap, night, { hotC: 48, flowLMin: 6 })!.pastLoop).toBe(false)
  })

  it('a loop read at its modelled loss agrees, and a measured loss is what the engine loses', () => {
    const ua = loopUa(hillTown)
    const carried = (4 / 60) * KJ_PER_LITRE_K * 1000
    const air = loopAir(hillTown, 0)
    const returnC = air + (58 - air) * Math.exp(-ua / carried)
    const { verdict } = judged(reading('loop', { supplyC: 58, returnC, pumpLMin: 4 }))
    expect(Math.abs(verdict!.measured / ua - 1)).toBeLessThan(0.02)
    expect(agrees(verdict!)).toBe(true)
    const twice = withValueAt(hillTown, 'pipes.loop.measuredUaWK', ua * 1.5) as Study
    const lost = (s: Study) => firstDays(s, 5).flows.loop
    expect(lost(twice) / lost(hillTown)).toBeGreaterThan(1.3)
    expect(lost(twice) / lost(hillTown)).toBeLessThan(1.6)
    expect(
      firstDays({ ...hillTown, pipes: { ...hillTown.pipes, loop: { ...hillTown.pipes.loop!, measuredUaWK: ua } } }, 5)
        .flows.loop,
    ).toBeCloseTo(lost(hillTown), -2)
  })

  it('a cold main that was read shifts its year through the reading', () => {
    const r = reading('mains', { coldC: 7.5 })
    const after = adopt(withReading(r), 'one')
    expect(Math.abs(mainsOn(after, r.takenAt) - 7.5)).toBeLessThan(0.6)
    expect(after.site.mains.kind).toBe('monthly')
  })

  it('meter and water together give an efficiency, and more out than in is said to be wrong', () => {
    const good = judged(reading('meter', { fuel: 'gas-m3', amount: 0.05, seconds: 90, powerKw: 19 }, 'boiler'))
    expect(good.worked.out.efficiency as number).toBeCloseTo(
      19 / ((0.05 * meteredShare(hillTown.site.altitudeM) * 11 * 3600) / 90),
      6,
    )
    expect(good.offers[0].path).toBe('plant.heaters.boiler.efficiency')
    const bad = judged(reading('meter', { fuel: 'gas-m3', amount: 0.05, seconds: 90, powerKw: 30 }, 'boiler'))
    expect(bad.offers).toHaveLength(0)
    expect(bad.worked.notes.join()).toMatch(/Output above input/)
  })

  it('a clocked meter takes its power from the display in the log, and moves a condensing curve instead of flattening it', () => {
    const shown = { ...reading('heater-display', { inletC: 11, outletC: 48, flowLMin: 7 }, 'boiler'), id: 'shown' }
    const clocked = {
      ...reading('meter', { fuel: 'gas-m3', amount: 0.06, seconds: 100, gasC: 15 }, 'boiler'),
      id: 'clocked',
    }
    const study = { ...hillTown, readings: [shown, clocked] }
    const { worked, offers } = judge(study, clocked)!
    const kw = judge(study, shown)!.worked.out.waterKw as number
    const inputKw = (0.06 * meteredShare(hillTown.site.altitudeM, 15) * 11 * 3600) / 100
    expect(worked.out.efficiency as number).toBeCloseTo(kw / inputKw, 6)
    const measured = kw / inputKw
    const value = offers[0].value as Efficiency
    expect(value.kind).toBe('condensing')
    expect(efficiencyAt(value, 45, 'natural-gas')).toBeCloseTo(measured, 3)
    expect(efficiencyAt(value, 25, 'natural-gas')).toBeGreaterThan(efficiencyAt(value, 60, 'natural-gas'))
    // What one draw took is no output of the heater.
    expect(judge(study, shown)!.offers).toEqual([])
  })

  it('two taps together are two different taps, held against what the heater lifts', () => {
    const taken = (otherTap: string) =>
      judge(harbourFlat, {
        ...reading('droop', { otherTap, aloneC: 54, togetherC: 36 }, 'shower'),
        takenAt: '2026-01-20T08:00:00Z',
      })!
    expect(taken('shower').worked.notes.join()).toMatch(/two different outlets/)
    const both = harbourFlat.pipes.taps
      .filter((t) => t.id === 'shower' || t.id === 'kitchen-sink')
      .reduce((s, t) => s + t.flowLMin, 0)
    expect(taken('kitchen-sink').verdict!.modelled).toBeCloseTo(
      mainsOn(harbourFlat, '2026-01-20T08:00:00Z') + (19.2 * 60) / (both * KJ_PER_LITRE_K),
      6,
    )
  })

  it('a timed climb and a drain reading correct the study', () => {
    const tap = hillTown.pipes.taps[0]
    const climbed = {
      ...reading('climb', { points: '0 12; 60 20; 90 50; 110 60; 140 60.2', flowLMin: 7, hotC: 40 }, tap.id),
      takenAt: '2026-01-20T03:00:00Z',
    }
    expect(judged(climbed).offers[0].path).toBe(`pipes.runs.${tap.runId}.lengthM`)
    expect(judged(reading('drain', { coldC: 7, preheatC: 20, drainC: 36, drainOutC: 24 })).offers[0].path).toBe(
      'site.mains',
    )
    // With a unit that is there, its effectiveness too, where both sides flow alike.
    const unit = changed(hillTown, (s) => void (s.pipes.recovery = beginRecovery(s)))
    const offered = (drainOutC: number) =>
      judge(unit, reading('drain', { coldC: 7, preheatC: 20, drainC: 36, drainOutC }))!.offers.map((o) => o.path)
    expect(offered(23)).toContain('pipes.recovery.effectiveness')
    expect(offered(30)).not.toContain('pipes.recovery.effectiveness')
  })

  it('hotter than the setpoint is a passing value, and behind a mixing valve nothing is said of it', () => {
    const said = (study: Study, hotC: number, where: string) =>
      judge(study, reading('tap-temperature', { hotC, where: 'near' }, where))!.worked.notes.join(' ')
    const setC = controlsOf(harbourFlat).heaters[Object.keys(controlsOf(harbourFlat).heaters)[0]].setpointC
    const tap = harbourFlat.pipes.taps[0].id
    expect(said(harbourFlat, setC + 2, tap)).not.toMatch(/passing/)
    expect(said(harbourFlat, setC + 12, tap)).toMatch(/passing value/)
    expect(said(forestFarm, 70, 'shower')).not.toMatch(/passing/)
  })

  it('behind a mixing valve a tap says nothing of the thermostat, and a store before a heater has its own', () => {
    expect(judge(forestFarm, reading('tap-temperature', { hotC: 50, where: 'near' }, 'shower'))!.offers).toEqual([])
    const solar = addHeater(addHeater(harbourFlat, 'solar'), 'element')
    expect(judge(solar, reading('store-top', { storeC: 58 }))!.offers[0].path).toBe(
      'controls.found.heaters.element.setpointC',
    )
  })

  it('volt-amperes correct nothing', () => {
    expect(judged(reading('pump', { volts: 230, amps: 0.2 })).offers).toHaveLength(0)
    expect(judged(reading('pump', { volts: 230, amps: 0.2, powerFactor: 0.6 })).offers[0].value).toBe(27.6)
  })

  it('long draws lose little on the way, and less the faster they run', () => {
    const tap = hillTown.pipes.taps[4]
    const slow = steadyAtTap(hillTown, { ...tap, flowLMin: 3 }, 60, 0)
    const fast = steadyAtTap(hillTown, { ...tap, flowLMin: 12 }, 60, 0)
    expect(slow).toBeLessThan(fast)
    expect(fast).toBeLessThan(60)
    expect(60 - slow).toBeLessThan(4)
  })

  it('knows the day of an ISO time', () => {
    expect(dayOf('2026-01-01T00:00:00Z')).toEqual({ month: 0, day: 0 })
    expect(dayOf('2028-02-29T08:00:00+01:00')).toEqual({ month: 1, day: 58 })
    expect(dayOf('2026-12-31T23:00:00Z')).toEqual({ month: 11, day: 364 })
  })
})
