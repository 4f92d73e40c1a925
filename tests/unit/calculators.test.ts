import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bagno } from '../../cli/program'
import { calculatorNamed, CALCULATORS } from '../../core/calculators/registry'
import { runCalculator } from '../../core/calculators/run'
import { gravityFlow } from '../../core/heaters/thermosiphon'
import { MATERIALS, sizesOf } from '../../core/pipes/catalogue'
import { pressureDrop } from '../../core/pipes/friction'
import { CONNECTIONS } from '../../core/recovery/drain-recovery'
import { density, specificHeat } from '../../core/water/properties'
import { fault, out } from './sums'

const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const pipe = fc
  .constantFrom(...MATERIALS)
  .chain((material) =>
    fc.record({ material: fc.constant(material), size: fc.constantFrom(...sizesOf(material)), lengthM: num(0.1, 40) }),
  )

describe('every sum', () => {
  it('has a name of its own', () => {
    expect(CALCULATORS.length).toBeGreaterThan(20)
    expect(new Set(CALCULATORS.map((s) => s.name)).size).toBe(CALCULATORS.length)
  })

  it.each(CALCULATORS.map((s) => [s.name, s] as const))(
    '%s works its example, with finite figures and a label for each',
    (_, sum) => {
      const answer = runCalculator(sum, sum.example)
      expect(answer.ok).toBe(true)
      if (!answer.ok) return
      expect(Object.keys(answer.value.out).sort()).toEqual(Object.keys(sum.results).sort())
      for (const value of Object.values(answer.value.out))
        expect(typeof value === 'string' || Number.isFinite(value)).toBe(true)
      expect(answer.value.steps.every((s) => Number.isFinite(s.value) && s.formula !== '')).toBe(true)
    },
  )

  it.each(CALCULATORS.map((s) => [s.name, s] as const))(
    '%s refuses what is no number in any of its fields, and names it',
    (_, sum) => {
      for (const [field, value] of Object.entries(sum.example)) {
        if (typeof value !== 'number') continue
        for (const bad of [null, NaN, Infinity, -Infinity, '5', -41, 1e9, undefined, {}]) {
          if (bad === undefined && sum.input.shape[field].isOptional()) continue
          const answer = runCalculator(sum, { ...sum.example, [field]: bad })
          expect(answer.ok, `${field} = ${String(bad)}`).toBe(false)
          if (!answer.ok) {
            expect(answer.faults[0].path).toBe(field)
            expect(answer.faults[0].message).toMatch(/got .*, (accepts|must)/)
          }
        }
      }
      expect(fault(sum.name, { ...sum.example, furlongs: 3 })).toMatch(/^furlongs: is not a field/)
    },
  )

  it('never throws and never answers with what is not finite', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CALCULATORS), fc.anything(), (sum, given) => {
        expect(runCalculator(sum, given).ok).toBe(false)
      }),
    )
    fc.assert(
      fc.property(fc.constantFrom(...CALCULATORS), fc.dictionary(fc.string(), num(-10, 100)), (sum, some) => {
        const answer = runCalculator(sum, {
          ...sum.example,
          ...Object.fromEntries(
            Object.entries(sum.example).map(([k, v], i) => [
              k,
              typeof v === 'number' ? (Object.values(some)[i] ?? v) : v,
            ]),
          ),
        })
        if (answer.ok)
          for (const value of Object.values(answer.value.out))
            expect(value === null || typeof value === 'string' || Number.isFinite(value)).toBe(true)
      }),
      { numRuns: 600 },
    )
  })
})

describe('what a sum must refuse', () => {
  it.each([
    ['mix', { hotC: 50, coldC: 10, targetC: 55, flowLMin: 8 }, /^targetC: got 55, must not be above the hot water/],
    ['mix', { hotC: 10, coldC: 10, targetC: 10, flowLMin: 8 }, /^hotC/],
    [
      'water-power',
      { flowLMin: 8, inletC: 50, outletC: 40 },
      /^inletC: got 50, must not be above the outlet temperature/,
    ],
    [
      'pipe-content',
      { material: 'copper-en', size: '14', lengthM: 3 },
      /^size: got "14", accepts 10, 12, 15, 22, 28, 35/,
    ],
    ['pipe-content', { material: 'lead', size: '15', lengthM: 3 }, /^material: got "lead", accepts copper-en/],
    [
      'tap-wait',
      { runs: [{ material: 'pex-en', size: '16x2', lengthM: -1 }], flowLMin: 6 },
      /^runs\.0\.lengthM: got -1, accepts a number from 0.001/,
    ],
    ['tap-wait', { runs: [], flowLMin: 6 }, /^runs: got \[\], accepts a list/],
    [
      'heater-size',
      { draws: [{ flowLMin: 8, tempC: 60, count: 1 }], inletC: 8, setpointC: 50 },
      /^draws\.0\.tempC: got 60, must not be above the setpoint/,
    ],
    ['meter-rate', { fuel: 'electricity-pulses', amount: 12, seconds: 60 }, /^pulsesPerKwh: got nothing, is needed/],
    [
      'drain-recovery',
      {
        connection: 'A',
        effectiveness: 0.5,
        ratedFlowLMin: 10,
        showerFlowLMin: 10,
        showerC: 38,
        drainC: 39,
        hotC: 55,
        coldC: 10,
      },
      /^drainC/,
    ],
    ['reheat', { volumeL: 100, powerKw: 3, fromC: 50, toC: 50 }, /^toC/],
    ['draw-off', { volumeL: 100, storeC: 38, coldC: 10, targetC: 40, usableShare: 0.8 }, /^targetC/],
    ['flow-at-rise', { powerKw: 20, riseK: 95 }, /^riseK/],
    ['store-loss', { lossKwhDay: 2, storeC: 10, ambientC: 15 }, /^storeC/],
    [
      'waste-year',
      { litresPerWait: 3, waitsPerDay: 5, waterPriceM3: 3, hotC: 9, coldC: 11, efficiency: 0.9, priceKwh: 0.1 },
      /^hotC/,
    ],
  ])('%s of %j', (name, input, message) => expect(fault(name, input)).toMatch(message))
})

describe('sums agree with each other', () => {
  it('a cup reaches as far as a pipe that holds a cup', () => {
    fc.assert(
      fc.property(pipe, num(0.05, 5), ({ material, size }, volumeL) => {
        const { lengthM } = out('cup-length', { material, size, volumeL })
        expect(out('pipe-content', { material, size, lengthM }).volumeL).toBeCloseTo(volumeL, 9)
      }),
    )
  })

  it('the wait is what the runs hold over the flow, longer runs never shorter', () => {
    fc.assert(
      fc.property(
        fc.array(pipe, { minLength: 1, maxLength: 5 }),
        num(2, 15),
        num(0, 20),
        (runs, flowLMin, heaterDelayS) => {
          const wait = out('tap-wait', { runs, flowLMin, heaterDelayS })
          const fronts = runs.reduce((s, r) => s + out('pipe-content', r).warmUpVolumeL, 0)
          expect(wait.waitS).toBeCloseTo((fronts / flowLMin) * 60 + heaterDelayS, 6)
          expect(wait.toWasteL).toBeGreaterThanOrEqual(wait.contentL)
          const longer = out('tap-wait', { runs: [...runs, runs[0]], flowLMin, heaterDelayS })
          expect(longer.waitS).toBeGreaterThan(wait.waitS)
        },
      ),
    )
  })

  it('the flow that a power lifts takes that power', () => {
    fc.assert(
      fc.property(num(1, 80), num(2, 25), num(5, 60), (powerKw, inletC, riseK) => {
        const { flowLMin } = out('flow-at-rise', { powerKw, inletC, riseK })
        expect(out('water-power', { flowLMin, inletC, outletC: inletC + riseK }).waterKw).toBeCloseTo(powerKw, 6)
      }),
    )
  })

  it('two equal draws ask for what one of twice the flow does', () => {
    const one = out('heater-size', {
      draws: [{ flowLMin: 16, tempC: 40, count: 1 }],
      inletC: 8,
      setpointC: 50,
      volts: 230,
    })
    const two = out('heater-size', {
      draws: [{ flowLMin: 8, tempC: 40, count: 2 }],
      inletC: 8,
      setpointC: 50,
      volts: 400,
      phases: 3,
    })
    expect(two.powerKw).toBeCloseTo(one.powerKw, 9)
    expect(one.amps).toBeCloseTo((one.powerKw * 1000) / 230, 6)
    expect(two.amps).toBeCloseTo((one.powerKw * 1000) / (400 * Math.sqrt(3)), 6)
  })

  it('what a draw-off mixes is what a reheat puts back', () => {
    const { mixedL } = out('draw-off', { volumeL: 120, storeC: 60, coldC: 12, targetC: 40, usableShare: 1 })
    expect((mixedL * (40 - 12)) / (60 - 12)).toBeCloseTo(120, 9)
    const { minutes, kwh } = out('reheat', { volumeL: 120, powerKw: 3, fromC: 12, toC: 60 })
    expect(kwh).toBeCloseTo((120 * (density(12) / 1000) * specificHeat(36) * 48) / 3600, 9)
    expect(minutes).toBeCloseTo(kwh * 20, 9)
  })

  it('a jacket never adds loss and a thicker one takes more away', () => {
    fc.assert(
      fc.property(num(0.2, 6), num(10, 120), num(0.5, 5), (lossKwhDay, mm, areaM2) => {
        const loss = (thicknessMm: number) =>
          out('store-loss', { lossKwhDay, storeC: 60, ambientC: 15, jacket: { lambdaWMK: 0.04, thicknessMm, areaM2 } })
            .kwhYear
        expect(loss(mm)).toBeLessThan(loss(0))
        expect(loss(mm + 20)).toBeLessThan(loss(mm))
        expect(loss(0)).toBeCloseTo(out('store-loss', { lossKwhDay, storeC: 60, ambientC: 15 }).kwhYear, 9)
      }),
    )
  })

  it('input is heat over efficiency, and is not made up without one', () => {
    expect(out('water-power', { flowLMin: 9, inletC: 11, outletC: 48, efficiency: 0.8 }).inputKw).toBeCloseTo(
      23.18 / 0.8,
      1,
    )
    expect(out('water-power', { flowLMin: 9, inletC: 11, outletC: 48 }).inputKw).toBeNull()
    expect(out('meter-rate', { fuel: 'gas-ft3', amount: 2, seconds: 70 }).inputKw).toBeCloseTo(
      (2 * 1.037 * 0.29307 * 3600) / 70,
      3,
    )
    // At 1,700 m a metered cubic metre is about 0.83 of a billed one; a warm meter counts more.
    const m3 = (more: object) => out('meter-rate', { fuel: 'gas-m3', amount: 0.1, seconds: 120, ...more }).inputKw
    expect(m3({ altitudeM: 1700 }) / m3({})).toBeCloseTo(0.83, 2)
    expect(m3({ gasC: 30 }) / m3({ gasC: 15 })).toBeCloseTo(288.15 / 303.15, 4)
    expect(m3({ gaugeMbar: 0 }) / m3({})).toBeCloseTo(1, 9)
    expect(
      out('meter-rate', { fuel: 'electricity-pulses', amount: 50, seconds: 60, pulsesPerKwh: 1000 }).inputKw,
    ).toBeCloseTo(3, 9)
  })

  it('a pump draws its volt-amperes times its power factor', () => {
    expect(
      out('pump-power', { volts: 230, amps: 0.2, powerFactor: 0.6, hoursPerDay: 10, priceKwh: 0.3 }).watts,
    ).toBeCloseTo(27.6, 9)
    const answer = runCalculator(calculatorNamed('pump-power')!, {
      volts: 230,
      amps: 0.2,
      hoursPerDay: 10,
      priceKwh: 0.3,
    })
    expect(answer.ok && answer.value.notes.join()).toMatch(/upper bound/)
  })
})

describe('heat from the drain', () => {
  const shower = fc.record({
    effectiveness: num(0.1, 0.8),
    ratedFlowLMin: num(5, 15),
    showerFlowLMin: num(4, 15),
    showerC: num(36, 42),
    hotC: num(48, 65),
    coldC: num(4, 20),
  })
  it('never saves more than the drain holds, and most when all cold water is preheated', () => {
    fc.assert(
      fc.property(shower, num(2, 5), (s, below) => {
        const input = { ...s, drainC: s.showerC - below }
        const [a, b, c] = CONNECTIONS.map((connection) => out('drain-recovery', { ...input, connection }))
        for (const r of [a, b, c]) {
          expect(r.savedShare).toBeGreaterThan(0)
          expect(r.savedShare).toBeLessThan((input.drainC - s.coldC) / (s.showerC - s.coldC))
          expect(r.preheatC).toBeLessThan(input.drainC)
        }
        expect(a.savedShare).toBeGreaterThan(b.savedShare)
        expect(a.savedShare).toBeGreaterThan(c.savedShare)
        // The mixer's balance holds where the unit feeds it.
        expect(b.hotShare * s.hotC + (1 - b.hotShare) * b.preheatC).toBeCloseTo(s.showerC, 6)
      }),
    )
  })
})

describe('gravity circulation', () => {
  it('flows where drive and friction are equal', () => {
    fc.assert(
      fc.property(
        num(0.2, 4),
        num(1, 15),
        num(12, 40),
        num(0, 8),
        num(0.5, 6),
        num(15, 60),
        (heightM, lengthM, innerMm, fittingsEquivalentM, powerKw, returnC) => {
          const r = gravityFlow({ heightM, lengthM, innerMm, fittingsEquivalentM, powerKw, returnC })
          const hotC = Math.min(100, returnC + r.riseK)
          const friction = pressureDrop(r.flowLMin, lengthM + fittingsEquivalentM, innerMm / 1000, (returnC + hotC) / 2)
          // Where the flow turns turbulent friction jumps, and the balance lies in the jump.
          if (Math.abs(friction / r.drivePa - 1) > 1e-3) {
            const beside = pressureDrop(
              r.flowLMin * 1.001,
              lengthM + fittingsEquivalentM,
              innerMm / 1000,
              (returnC + hotC) / 2,
            )
            expect(beside).toBeGreaterThan(r.drivePa)
          }
        },
      ),
    )
  })

  it('refuses a low store', () => {
    expect(
      out('thermosiphon', { heightM: 0.4, lengthM: 9, innerMm: 20.2, fittingsEquivalentM: 5, powerKw: 4, returnC: 50 })
        .verdict,
    ).toMatch(/too hot/)
    expect(
      out('thermosiphon', { heightM: 1.5, lengthM: 6, innerMm: 26.2, fittingsEquivalentM: 4, powerKw: 3, returnC: 45 })
        .verdict,
    ).toBe('works')
  })
})

describe('on the command line', () => {
  it('lists all, works one, and refuses in one line with exit 2', async () => {
    const list = (await bagno(['calculate'])).stdout
    for (const s of CALCULATORS) expect(list).toContain(`${s.name}: `)
    const good = await bagno(['calculate', 'bucket-flow', '{"volumeL":5,"seconds":30}'])
    expect(good.status).toBe(0)
    expect(JSON.parse(good.stdout).flowLMin).toBe(10)
    for (const bad of ['{"volumeL":null,"seconds":30}', '{"volumeL":5}', 'five litres', '[]']) {
      const r = await bagno(['calculate', 'bucket-flow', bad])
      expect([r.status, r.stdout]).toEqual([2, ''])
      expect(r.stderr.trim().split('\n')).toHaveLength(1)
    }
    expect((await bagno(['calculate', 'bucket-flow', '{"volumeL":null,"seconds":30}'])).stderr).toMatch(
      /volumeL: got null, accepts a number from 0.001/,
    )
    expect((await bagno(['calculate', 'no-such'])).status).toBe(2)
  })
})
