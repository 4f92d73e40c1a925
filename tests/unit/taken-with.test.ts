import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { scaldLimitOf } from '../../core/household/at-risk'
import { runsTo, wantedAt } from '../../core/household/lookups'
import { loopAir, loopUa } from '../../core/household/loop'
import { loopFlowByCurve, runDrop } from '../../core/household/loop-flow'
import { type Thermometer, THERMOMETERS } from '../../core/instruments/thermometers'
import { adopt } from '../../core/readings/adopt'
import { judge, KINDS } from '../../core/readings/kinds'
import { lastTakenWith } from '../../core/readings/taken-with'
import { DOUBTED_KINDS } from '../../core/scenarios/doubted-figures'
import { leftByReading, sampleOf, samplingOf, spreadOf } from '../../core/scenarios/ranges'
import type { Reading } from '../../core/study/readings'
import type { Study } from '../../core/study/study'
import { waterPower } from '../../core/water/power'
import { density, specificHeat } from '../../core/water/properties'
import { changed, readingOf } from '../../proof/studies'

const judged = (study: Study, kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
  judge(study, readingOf(kind, values, { where }))!
const notes = (study: Study, kind: Reading['kind'], values: Reading['values'], where: string | null = null) =>
  judged(study, kind, values, where).worked.notes.join(' ')
const looped = DEMOS.map((d) => d.study).filter((s) => s.pipes.loop)

/** Temperatures that can be read in any household, by kind. */
const READ: [Reading['kind'], Reading['values']][] = [
  ['mains', { coldC: 11 }],
  ['tap-temperature', { hotC: 48, where: 'near' }],
  ['store-top', { storeC: 54 }],
  ['overnight-drop', { fromC: 60, toC: 55, hours: 9, ambientC: 15 }],
  ['loop', { supplyC: 56, returnC: 50, pumpLMin: 4 }],
  ['heater-display', { inletC: 11, outletC: 48, flowLMin: 9, gave: 'all it has' }],
  ['time-to-hot', { seconds: 60, flowLMin: 6, hotC: 40 }],
]

describe('a thermometer', () => {
  it.each(READ)('of %s widens what agrees by how far off it is, and moves nothing', (kind, values) => {
    const within = (thermometer: Thermometer, checkedOn?: string) => {
      const { verdict, offers } = judged(hillTown, kind, {
        ...values,
        thermometer,
        ...(checkedOn ? { checkedOn } : {}),
      })
      return { uncertainty: verdict!.uncertainty, measured: verdict!.measured, offers }
    }
    const good = within('probe in the stream', '2025-11-01')
    const unchecked = within('probe in the stream')
    const old = within('probe in the stream', '2024-11-01')
    const poor = within('dial thermometer')
    expect(good.uncertainty).toBeLessThanOrEqual(unchecked.uncertainty)
    expect(old.uncertainty).toBe(unchecked.uncertainty)
    expect(unchecked.uncertainty).toBeLessThan(poor.uncertainty)
    expect([poor.measured, poor.offers]).toEqual([good.measured, good.offers])
  })

  it('says how it is held, when it has settled and against what it is checked, by the height of the place', () => {
    const said = notes(
      changed(hillTown, (s) => void (s.site.altitudeM = 1500)),
      'mains',
      {
        coldC: 11,
        thermometer: 'infrared',
      },
    )
    expect(said).toMatch(/matt tape/)
    expect(said).toMatch(/Settles in 2 s; good to ±4.5 K/)
    expect(said).toMatch(/ice \(0 °C\) and boiling water \(95 °C here\)/)
    expect(
      notes(
        changed(hillTown, (s) => void (s.units = 'us')),
        'mains',
        { coldC: 11, thermometer: 'infrared' },
      ),
    ).toMatch(/ice \(32 °F\)/)
    expect(notes(hillTown, 'mains', { coldC: 11, thermometer: 'infrared', checkedOn: '2026-01-02' })).not.toMatch(
      /no check within/,
    )
  })

  it('checked after the reading was not checked before it', () => {
    const doubt = (checkedOn: string) =>
      judged(hillTown, 'tap-temperature', { hotC: 50, where: 'near', thermometer: 'dial thermometer', checkedOn })
        .verdict!.uncertainty
    expect(doubt('2026-01-21')).toBeGreaterThan(doubt('2026-01-19'))
  })

  it('is the one in the hand for the next reading of that day only', () => {
    const study = {
      ...hillTown,
      readings: [readingOf('mains', { coldC: 11, thermometer: 'infrared', checkedOn: '2026-01-01' })],
    }
    expect(lastTakenWith(study, '2026-01-20')).toEqual({ thermometer: 'infrared', checkedOn: '2026-01-01' })
    expect(lastTakenWith(study, '2026-01-21')).toEqual({})
  })

  it('can be any of its list wherever a temperature is read, and no other', () => {
    for (const [kind, values] of READ) {
      for (const thermometer of Object.keys(THERMOMETERS))
        expect(judge(hillTown, readingOf(kind, { ...values, thermometer })), `${kind} ${thermometer}`).not.toBeNull()
      expect(judge(hillTown, readingOf(kind, { ...values, thermometer: 'hand' }))).toBeNull()
    }
    const need = KINDS.filter((k) => k.needs.includes('thermometer') && k.kind !== 'climb' && k.kind !== 'dial')
    for (const { input, kind } of need) expect('thermometer' in input.shape, kind).toBe(true)
  })
})

describe('a passing value', () => {
  it.each(READ.filter(([kind]) => kind !== 'overnight-drop' && kind !== 'time-to-hot'))(
    'of %s is held against nothing and corrects nothing',
    (kind, values) => {
      const steady = judged(hillTown, kind, { ...values, state: 'steady' })
      expect(steady).toEqual(judged(hillTown, kind, values))
      expect(steady.verdict).not.toBeNull()
      const passing = judged(hillTown, kind, { ...values, state: 'passing' })
      expect(passing.verdict).toBeNull()
      expect(passing.offers).toEqual([])
      expect(passing.worked.notes.join(' ')).toMatch(/Passing value/)
      expect(passing.worked.out).toEqual(steady.worked.out)
    },
  )
})

describe('a passing value in the log', () => {
  const shown = (id: string, day: string, outletC: number, state: 'steady' | 'passing') =>
    readingOf(
      'heater-display',
      { inletC: 12, outletC, flowLMin: 8, state },
      { id, where: harbourFlat.plant.heaters[0].id, takenAt: `${day}T10:00:00Z` },
    )
  const told = (state: 'steady' | 'passing') => {
    const readings = [shown('a', '2025-01-20', 52, 'steady'), shown('b', '2026-01-20', 40, state)]
    return checksOf({ ...harbourFlat, readings }, null).some((c) => c.id === 'trend-b')
  }

  it('is no trend, and makes no pair with what was read before', () => {
    expect(told('steady')).toBe(true)
    expect(told('passing')).toBe(false)
  })

  it('gives no output to an efficiency that is metered beside it', () => {
    const { id } = harbourFlat.plant.heaters[0]
    const meter = readingOf('meter', { fuel: 'gas-m3', amount: 0.08, seconds: 120 }, { id: 'm', where: id })
    const efficiency = (state: 'steady' | 'passing') =>
      judge({ ...harbourFlat, readings: [shown('a', '2026-01-20', 52, state), meter] }, meter)!.worked.out.efficiency
    expect(efficiency('steady')).toBeGreaterThan(0.3)
    expect(efficiency('passing')).toBeNull()
  })
})

describe('the flow of a loop', () => {
  it('is estimated from its two temperatures: what its loss needs', () => {
    for (const study of looped) {
      const airC = loopAir(study, 0)
      const ua = loopUa(study)
      const returnAt = (flowLMin: number, supplyC: number) =>
        airC + (supplyC - airC) * Math.exp(-ua / ((flowLMin / 60) * density(supplyC) * specificHeat(supplyC)))
      fc.assert(
        fc.property(
          fc.double({ min: 1, max: 20, noNaN: true }),
          fc.double({ min: 45, max: 65, noNaN: true }),
          (flow, supplyC) => {
            const { worked, verdict } = judged(study, 'loop', { supplyC, returnC: returnAt(flow, supplyC) })
            expect(worked.out.estimateLMin as number).toBeCloseTo(flow, 6)
            expect(verdict).toBeNull()
          },
        ),
        { numRuns: 50 },
      )
    }
  })

  it('stays assumed when it is applied, and is taken back whole', () => {
    const study = { ...hillTown, readings: [readingOf('loop', { supplyC: 57, returnC: 51 })] }
    const after = adopt(study, 'one')
    expect(after.pipes.loop!.pumpLMin).not.toBe(study.pipes.loop!.pumpLMin)
    expect(after.origins['pipes.loop.pumpLMin']).toBe('assumed')
    expect(after.pipes.loop!.measuredUaWK).toBe(study.pipes.loop!.measuredUaWK)
  })

  it('is where the curve of its pump meets the friction of its pipes', () => {
    for (const study of looped) {
      const loop = study.pipes.loop!
      const lengths = [...runsTo(study, { runId: loop.returnConnectionRunId }), loop.back]
      fc.assert(
        fc.property(
          fc.double({ min: 0.3, max: 8, noNaN: true }),
          fc.double({ min: 5, max: 60, noNaN: true }),
          (head, most) => {
            const flow = loopFlowByCurve(study, loop, head, most)
            expect(flow).toBeGreaterThan(0)
            expect(flow).toBeLessThan(most)
            const given = head * (1 - (flow / most) ** 2)
            const asked = lengths.reduce((m, r) => m + runDrop(r, flow), 0) / (density(50) * 9.80665)
            // The law of friction jumps where the flow turns turbulent, and the meeting point may lie in the jump.
            const before = lengths.reduce((m, r) => m + runDrop(r, flow * 0.999), 0) / (density(50) * 9.80665)
            expect(given).toBeGreaterThan(before * 0.999)
            expect(Math.abs(given - asked) < 0.001 * head || asked > given).toBe(true)
            expect(loopFlowByCurve(study, loop, 2 * head, most)).toBeGreaterThanOrEqual(flow)
          },
        ),
        { numRuns: 50 },
      )
    }
  })

  it('by its curve corrects no loss, and is doubted more than a flow that was read', () => {
    const at = { supplyC: 57, returnC: 51 }
    const curve = judged(hillTown, 'loop', { ...at, pumpHeadM: 1.2, pumpMostLMin: 15 })
    const read = judged(hillTown, 'loop', { ...at, pumpLMin: 4 })
    expect(curve.offers.map((o) => [o.path, o.origin])).toEqual([['pipes.loop.pumpLMin', 'assumed']])
    expect(curve.verdict!.uncertainty / curve.verdict!.measured).toBeGreaterThan(
      2 * (read.verdict!.uncertainty / read.verdict!.measured),
    )
    expect(curve.worked.notes.join(' ')).toMatch(/estimate/)
  })

  it('cannot be estimated from two equal temperatures', () => {
    const equal = judged(hillTown, 'loop', { supplyC: 55, returnC: 55 })
    expect(equal.offers).toEqual([])
    expect(equal.worked.notes.join(' ')).toMatch(/cannot be estimated/)
  })

  it('that nobody has read hides no cool return', () => {
    for (const pumpLMin of [undefined, 4])
      expect(
        notes(hillTown, 'loop', { supplyC: 52, returnC: 44, ...(pumpLMin === undefined ? {} : { pumpLMin }) }),
      ).toMatch(/growth range/)
  })

  it('is judged in the air that was read beside it', () => {
    const ua = (ambientC: number) =>
      judged(hillTown, 'loop', { supplyC: 57, returnC: 51, pumpLMin: 4, ambientC }).worked.out.uaWK
    expect(ua(25)).toBeGreaterThan(ua(10) as number)
  })
})

describe('the flow of one outlet by difference', () => {
  const shower = hillTown.pipes.taps.find((t) => t.kind === 'shower')!
  const read = (othersL: number, volumeL: number, seconds = 60) =>
    judged(hillTown, 'difference', { othersL, othersS: seconds, volumeL, seconds, water: 'mixed' }, shower.id)

  it('is what the meter counts more, and 3 out of 9 L/min leave 6', () => {
    expect(read(3, 9).worked.out.flowLMin).toBeCloseTo(6, 9)
    expect(read(3, 9).offers[0]).toMatchObject({ path: `pipes.taps.${shower.id}.flowLMin`, value: 6 })
  })

  it('is better told over a longer time, and not told where the rest is as much as all', () => {
    const within = (seconds: number) => read((3 * seconds) / 60, (9 * seconds) / 60, seconds).verdict!.uncertainty
    expect(within(180)).toBeLessThan(within(60))
    const none = read(9, 9.1)
    expect(none.offers).toEqual([])
    expect(none.verdict).toBeNull()
    expect(none.worked.out.flowLMin).toBeNull()
    expect(none.worked.notes.join(' ')).toMatch(/cannot be told apart/)
  })
})

describe('a display against a bucket', () => {
  const { id } = harbourFlat.plant.heaters[0]
  const read = (flowLMin: number, bucketS: number) =>
    judged(
      harbourFlat,
      'heater-display',
      { inletC: 12, outletC: 52, flowLMin, gave: 'all it has', bucketL: 8, bucketS },
      id,
    )

  it('goes by the bucket, and says how far off the display is', () => {
    const off = read(10, 60)
    expect(off.worked.out.waterKw).toBeCloseTo(waterPower(8, 12, 52), 9)
    expect(off.worked.notes.join(' ')).toMatch(/Display reads 25% above the bucket/)
    expect(read(8.1, 60).worked.notes.join(' ')).toMatch(/agree/)
  })
})

describe('a drain unit', () => {
  const read = (more: Reading['values']) =>
    judged(hillTown, 'drain', { coldC: 10, preheatC: 22, drainC: 36, drainOutC: 24, ...more })

  it('recovers what the cold water takes up, and says when the drain gives another amount', () => {
    expect(read({ coldLMin: 8 }).worked.out.gotKw).toBeCloseTo(waterPower(8, 10, 22), 9)
    expect(read({ coldLMin: 8, drainLMin: 8 }).worked.notes.join(' ')).not.toMatch(/differ/)
    expect(read({ coldLMin: 8, drainLMin: 12 }).worked.notes.join(' ')).toMatch(/Heat taken and heat given differ/)
  })
})

describe('two outlets read on one day', () => {
  const [near, far] = hillTown.pipes.taps.filter((t) => hillTown.people.uses.some((u) => u.tapId === t.id))
  const read = (nearC: number, farC: number, state: 'steady' | 'passing' = 'steady') =>
    checksOf(
      {
        ...hillTown,
        readings: [
          readingOf('tap-temperature', { hotC: nearC, where: 'near', state }, { id: 'a', where: near.id }),
          readingOf('tap-temperature', { hotC: farC, where: 'far' }, { id: 'b', where: far.id }),
        ],
      },
      null,
    ).filter((c) => c.id.startsWith('read-'))

  it('are judged by the hotter for burns and by the cooler for comfort', () => {
    const [burns, comfort] = read(62, 33)
    expect(burns).toMatchObject({ id: 'read-hottest', level: 'marginal', subject: { id: near.id } })
    expect(burns.figures.read.value).toBe(62)
    expect(comfort).toMatchObject({ id: 'read-coolest', level: 'fail', subject: { id: far.id } })
    const limit = scaldLimitOf(hillTown).value
    const wanted = (id: string) => wantedAt(hillTown, id)!
    const level = (nearC: number, farC: number) => read(nearC, farC).map((c) => c.level)
    expect(level(wanted(near.id), wanted(far.id))[1]).toBe('pass')
    expect(level(limit, limit - 1)[0]).toBe('pass')
    expect(level(limit - 1, limit + 0.5)[0]).toBe('marginal')
  })

  it('say nothing of a passing value, nor of an outlet that is gone', () => {
    expect(read(62, 45, 'passing')).toEqual([])
    const gone = [
      readingOf('tap-temperature', { hotC: 62, where: 'near' }, { id: 'a', where: 'gone' }),
      readingOf('tap-temperature', { hotC: 45, where: 'far' }, { id: 'b', where: far.id }),
    ]
    expect(checksOf({ ...hillTown, readings: gone }, null).filter((c) => c.id.startsWith('read-'))).toEqual([])
  })
})

describe('what a reading leaves in doubt', () => {
  const loss = DOUBTED_KINDS.find((k) => k.name === 'circulation loss')!
  const path = 'pipes.loop.measuredUaWK'
  const applied = (values: Reading['values']) => adopt({ ...hillTown, readings: [readingOf('loop', values)] }, 'one')
  const good = applied({
    supplyC: 58,
    returnC: 48,
    pumpLMin: 3,
    thermometer: 'probe in the stream',
    checkedOn: '2026-01-02',
  })
  const poor = applied({ supplyC: 58, returnC: 56.5, pumpLMin: 3, thermometer: 'infrared' })

  it('is more by a poor thermometer on a small drop than by a good one on a large drop', () => {
    expect(leftByReading(good, loss, path)).toBe(0.25)
    expect(leftByReading(poor, loss, path)).toBeGreaterThan(0.5)
    expect(leftByReading(poor, loss, path)).toBeLessThanOrEqual(1)
  })

  it('spreads the samples of a household accordingly', () => {
    const spread = (study: Study) => {
      const sampling = samplingOf(study, 64, 3)
      const { p10, p90, p50 } = spreadOf(
        sampling.steps.map((_, i) => sampleOf(study, sampling, i).pipes.loop!.measuredUaWK!),
      )
      return (p90 - p10) / p50
    }
    expect(spread(poor)).toBeGreaterThan(2 * spread(good))
  })
})
