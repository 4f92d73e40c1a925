import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everyDay } from '../../core/calendar/week'
import { DEMOS } from '../../core/demos'
import { hillTown } from '../../core/demos/hill-town'
import { displayOf } from '../../core/study/display-of'
import { edited } from '../../core/study/edited'
import { hasSetpoint } from '../../core/study/heater-kinds'
import { carrierOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { fitUse, type Observed, tQuantile } from '../../core/verification/change-point'
import { useOf } from '../../core/verification/periods'
import { blocksNeeded, blocksOf, protocolResult } from '../../core/verification/protocol'
import { verifySaving } from '../../core/verification/saving'
import { remindersOf } from '../../core/views/reminders'
import { verdictText } from '../../core/views/verified-words'
import { meteredYears, meterOf as meter, randomFrom, readOn as read } from '../../proof/bills'
import { changed } from '../../proof/studies'

const ON = '2026-03-02'
describe('change-point regression', () => {
  it('Student’s t has its printed quantiles', () => {
    for (const [dof, t] of [
      [1, 12.706],
      [5, 2.571],
      [10, 2.228],
      [30, 2.042],
    ] as const)
      expect(tQuantile(dof)).toBeCloseTo(t, 3)
  })

  it('a straight line with a step has the closed form of a difference of means, by its pooled deviation', () => {
    // No weather: two groups, equal days. The classical two-sample interval, pooled, is the reference.
    const before = [10.2, 9.8, 10.1, 9.9, 10.4, 9.6]
    const after = [8.1, 7.7, 8.3, 7.9, 8.0, 8.0]
    const observed: Observed[] = [...before, ...after].map((perDay, i) => ({
      days: 7,
      perDay,
      airC: Array<number>(7).fill(30),
      after: i >= 6,
      away: 0,
    }))
    const mean = (all: number[]) => all.reduce((s, x) => s + x, 0) / all.length
    const ss = (all: number[]) => all.reduce((s, x) => s + (x - mean(all)) ** 2, 0)
    const pooled = Math.sqrt((ss(before) + ss(after)) / 10)
    const half = 2.228139 * pooled * Math.sqrt(2 / 6)
    const { step, heating, degreesOfFreedom } = fitUse(observed)!
    expect(heating).toBeNull()
    expect(degreesOfFreedom).toBe(10)
    expect(step!.middle).toBeCloseTo(mean(after) - mean(before), 9)
    expect(step!.high - step!.middle).toBeCloseTo(half, 5)
  })

  it('what was made of a base, a slope and a balance temperature is found again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1_000_000 }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        fc.integer({ min: 20, max: 40 }).map((n) => n / 2),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (seed, base, slope, balanceC, step) => {
          const random = randomFrom(seed)
          const observed = Array.from({ length: 52 }, (_, w): Observed => {
            const airC = Array.from(
              { length: 7 },
              () => 10 - 10 * Math.cos((2 * Math.PI * w) / 52) + 6 * (random() - 0.5),
            )
            const heat = airC.reduce((s, c) => s + Math.max(0, balanceC - c), 0) / 7
            return { days: 7, perDay: base + slope * heat + (w % 2 ? step : 0), airC, after: w % 2 === 1, away: 0 }
          })
          const model = fitUse(observed)!
          expect(model.heating?.balanceC).toBe(balanceC)
          expect(model.heating!.slope.middle).toBeCloseTo(slope, 6)
          expect(model.base.middle).toBeCloseTo(base, 5)
          expect(model.step!.middle).toBeCloseTo(step, 5)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('meter readings', () => {
  it('nothing is counted across an exchange or backwards, and guesses only join what lies about them', () => {
    const use = useOf(
      meter('electricity', [
        read('2026-01-01', 100),
        read('2026-01-11', 200),
        read('2026-01-21', 290, { estimated: true }),
        read('2026-01-31', 300),
        read('2026-02-10', 5, { exchanged: true }),
        read('2026-02-20', 45),
        read('2026-03-02', 40),
      ]),
    )
    expect(use.periods.map((p) => [p.from, p.days, p.perDay])).toEqual([
      ['2026-01-01', 10, 10],
      ['2026-01-11', 20, 5],
      ['2026-02-10', 10, 4],
    ])
    expect(use.estimates).toBe(1)
    expect(use.problems).toHaveLength(1)
  })
})

/** Houses with something done to them: a lower setpoint, a shorter schedule, or both. */
const houses = (): { name: string; before: Study; after: Study }[] => {
  const lower = (study: Study, byK: number) =>
    edited(study, (s) => {
      for (const h of s.plant.heaters.filter(hasSetpoint)) s.controls.found.heaters[h.id].setpointC -= byK
    })
  const shorter = (study: Study, fromMin: number, toMin: number) =>
    edited(study, (s) => {
      s.controls.found.loop.mode = 'clock'
      s.controls.found.loop.schedule = everyDay([fromMin, toMin])
    })
  return [
    { name: 'lower by 10 K', before: hillTown, after: lower(hillTown, 10) },
    { name: 'loop by day', before: hillTown, after: shorter(hillTown, 360, 720) },
    { name: 'loop in the evening', before: hillTown, after: shorter(hillTown, 1020, 1260) },
    { name: 'both', before: hillTown, after: lower(shorter(hillTown, 390, 480), 5) },
    { name: 'nothing', before: hillTown, after: hillTown },
    ...DEMOS.filter((d) => d.study.id !== 'hill-town').map((d) => ({
      name: d.study.id,
      before: d.study,
      after: lower(d.study, 8),
    })),
  ]
}

describe('savings by the meter', () => {
  it('the interval holds the truth in at least 18 of 20 made-up houses', () => {
    const all = houses()
    const held = Array.from({ length: 20 }, (_, i) => {
      const { before, after, name } = all[i % all.length]
      const carrier = carrierOf(before.plant.heaters[0])
      const house = {
        before,
        after,
        carrier,
        heatingPerK: i % 3 === 0 ? 0 : 4 + (i % 5),
        balanceC: 13 + (i % 4),
        noise: 0.08 + 0.03 * (i % 4),
        seed: 101 + i,
      }
      const { readings, air, truthKwh } = meteredYears(house, ON)
      const study = changed(before, (s) => void (s.verification.air = air))
      const { saving, weatherRecorded } = verifySaving(study, meter(carrier, readings), ON, null)
      expect(weatherRecorded).toBeCloseTo(1, 2)
      return { name, truthKwh, saving, holds: saving !== null && saving.low <= truthKwh && truthKwh <= saving.high }
    })
    const missed = held.filter((h) => !h.holds)
    expect(missed.length, JSON.stringify(missed)).toBeLessThanOrEqual(2)
  })

  it('is told where nothing else changed, and is not where something did', () => {
    const after = edited(hillTown, (s) => void (s.controls.found.loop.schedule = everyDay([390, 480])))
    const { readings, air } = meteredYears(
      { before: hillTown, after, carrier: 'natural-gas', heatingPerK: 6, balanceC: 15, noise: 0.1, seed: 7 },
      ON,
    )
    const study = changed(hillTown, (s) => void (s.verification.air = air))
    const clear = verifySaving(study, meter('natural-gas', readings), ON, null)
    expect([clear.ambiguous, clear.weeksNeeded, clear.alsoChanged]).toEqual([false, 0, []])
    const event = (on: string) =>
      changed(study, (s) => {
        s.readings.push({
          id: 'event-1',
          takenAt: `${on}T10:00:00+01:00`,
          kind: 'event',
          sum: null,
          where: null,
          values: { event: 'occupants changed' },
          note: 'the eldest moved out',
          photo: null,
          adopted: null,
        })
      })
    const confounded = verifySaving(event('2026-07-01'), meter('natural-gas', readings), ON, null)
    expect(confounded.ambiguous).toBe(true)
    expect(confounded.alsoChanged).toEqual([{ on: '2026-07-01', what: 'the eldest moved out' }])
    // What was done on the same visit is part of it, and what lies outside of the readings is none of it.
    for (const on of ['2026-03-03', '2024-01-01'])
      expect(verifySaving(event(on), meter('natural-gas', readings), ON, null).ambiguous).toBe(false)
  })

  it('more use is called a rise, not proved', () => {
    const less = edited(hillTown, (s) => void (s.controls.found.loop.schedule = everyDay([390, 480])))
    const { readings } = meteredYears(
      { before: less, after: hillTown, carrier: 'natural-gas', heatingPerK: 0, balanceC: 15, noise: 0.1, seed: 7 },
      ON,
    )
    const risen = verifySaving(hillTown, meter('natural-gas', readings), ON, null)
    expect(risen.saving!.high).toBeLessThan(0)
    expect(verdictText(risen)).toBe('No saving: by this meter use rose.')
  })

  it('with few weeks it says that it cannot be told yet, and how many are missing; with more they are fewer', () => {
    const after = edited(hillTown, (s) => void (s.controls.found.heaters.boiler.setpointC = 62))
    const { readings, air } = meteredYears(
      { before: hillTown, after, carrier: 'natural-gas', heatingPerK: 6, balanceC: 15, noise: 0.3, seed: 3 },
      ON,
    )
    const study = changed(hillTown, (s) => void (s.verification.air = air))
    const upTo = (weeks: number) => verifySaving(study, meter('natural-gas', readings.slice(0, 53 + weeks)), ON, 500)
    const [early, later] = [upTo(5), upTo(20)]
    expect(early.ambiguous).toBe(true)
    expect(early.weeksNeeded).not.toBe(0)
    expect(upTo(1).weeksNeeded ?? 3).toBeGreaterThanOrEqual(3)
    if (early.weeksNeeded !== null && later.weeksNeeded !== null)
      expect(later.weeksNeeded).toBeLessThanOrEqual(early.weeksNeeded)
    expect(verifySaving(study, meter('natural-gas', readings.slice(0, 55)), ON, 500).saving).toBeNull()
    expect(verifySaving(study, meter('natural-gas', []), ON, 500)).toMatchObject({
      saving: null,
      ambiguous: true,
      weeksNeeded: null,
    })
  })
})

describe('weeks on and off', () => {
  const plan = {
    of: 'circulation',
    meterId: 'meter-1',
    begins: '2026-03-02',
    blockDays: 7,
    blocks: 8,
    offFirst: true,
  } as const

  it('follow each other without a gap, and alternate', () => {
    const blocks = blocksOf(plan)
    expect(blocks.map((b) => b.on)).toEqual([false, true, false, true, false, true, false, true])
    for (const [i, b] of blocks.entries()) if (i > 0) expect(b.from).toBe(blocks[i - 1].to)
    expect(blocks.at(-1)!.to).toBe('2026-04-27')
  })

  it('are as many as the two-sample formula asks for', () => {
    // σ = 7 kWh a day, weeks: σ²/7 = 7; δ = 4: 2 × 7.849 × 7 / 16 = 6.87 on each side.
    expect(blocksNeeded(4, 7, 7)).toBe(14)
    expect(blocksNeeded(4, 7, 14)).toBe(8)
    expect(blocksNeeded(0, 7, 7)).toBeNull()
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        (perDay, sd) => {
          const n = blocksNeeded(perDay, sd, 7)!
          expect(n % 2).toBe(0)
          expect(blocksNeeded(2 * perDay, sd, 7)!).toBeLessThanOrEqual(n)
        },
      ),
    )
  })

  it('tell what is taken when on, by what was read at both ends of a block alone', () => {
    const random = randomFrom(5)
    const study = changed(hillTown, (s) => {
      s.verification.air = { from: '2026-03-02', c: Array.from({ length: 56 }, () => 22 + random()) }
    })
    const blocks = blocksOf(plan)
    let dial = 0
    const readings = [read(plan.begins, 0), ...blocks.map((b) => read(b.to, (dial += 7 * (b.on ? 20 : 12) + random())))]
    const all = protocolResult(study, meter('natural-gas', readings), plan)
    expect(all.saving!.middle / 365).toBeCloseTo(8, 0)
    expect([all.known, all.ambiguous, all.unread]).toEqual([8, false, []])
    // A day that was missed takes both of its blocks along.
    const missed = protocolResult(
      study,
      meter(
        'natural-gas',
        readings.filter((r) => r.on !== blocks[3].to),
      ),
      plan,
    )
    expect([missed.known, missed.unread]).toEqual([6, [blocks[3].to]])
    const few = protocolResult(study, meter('natural-gas', readings.slice(0, 4)), plan)
    expect([few.known, few.saving, few.ambiguous]).toEqual([3, null, true])
  })

  it('stand in the calendar, each change with its reading, and the end', () => {
    const study = changed(hillTown, (s) => {
      s.verification.meters = [meter('natural-gas', [])]
      s.verification.protocol = { ...plan }
    })
    const titles = remindersOf(study, '2026-03-01', displayOf(study)).filter((e) => e.uid.startsWith('protocol'))
    expect(titles.map((e) => e.title)).toEqual([
      ...blocksOf(plan).map((b) => `Circulation ${b.on ? 'on' : 'off'}; read the meter: Meter`),
      'Circulation as it was; read the meter: Meter',
    ])
  })
})
