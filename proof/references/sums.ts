import { calculatorNamed } from '../../core/calculators/registry'
import { runCalculator } from '../../core/calculators/run'
import { amount, type ReferenceCase, share } from './case'

/** A result of a bench sum. */
const sum = (
  name: string,
  input: object,
  result: string,
  expected: number,
  unit: string,
  within: ReferenceCase['within'],
  what: string,
): ReferenceCase => ({
  what: `${calculatorNamed(name)!.title}: ${what}`,
  source: calculatorNamed(name)!.source,
  unit,
  expected,
  within,
  got: () => {
    const answer = runCalculator(calculatorNamed(name)!, input)
    if (!answer.ok) throw new Error(answer.faults[0].message)
    return answer.value.out[result] as number
  },
})

const drain = (unit: object, expected: [string, number][]): ReferenceCase[] =>
  expected.map(([connection, percent]) =>
    sum(
      'drain-recovery',
      { ...unit, connection },
      'savedShare',
      percent / 100,
      'of the heat',
      amount(0.005),
      `connection ${connection}, expected ${percent} %`,
    ),
  )

const LOOP = { uWMK: 0.25, lengthM: 36, supplyC: 58, ambientC: 18, pumpLMin: 4 }
const HIGH_STORE = { heightM: 1.5, lengthM: 6, innerMm: 26.2, fittingsEquivalentM: 4, powerKw: 3, returnC: 45 }
const LOW_STORE = { heightM: 0.4, lengthM: 9, innerMm: 20.2, fittingsEquivalentM: 5, powerKw: 4, returnC: 50 }

export const SUM_CASES: ReferenceCase[] = [
  sum(
    'water-power',
    { flowLMin: 9, inletC: 11, outletC: 48 },
    'waterKw',
    23.18,
    'kW',
    share(0.005),
    '9 L/min, 11 to 48 °C',
  ),
  sum('loop-loss', LOOP, 'returnC', 56.71, '°C', share(0.01), '36 m at 0.25 W/mK, comes back at'),
  sum('loop-loss', LOOP, 'lossW', 354, 'W', share(0.01), 'the same, loses'),
  sum('thermosiphon', HIGH_STORE, 'flowLMin', 3.53, 'L/min', share(0.03), 'store 1.5 m up, 3 kW, flow'),
  sum('thermosiphon', HIGH_STORE, 'riseK', 12.3, 'K', share(0.03), 'the same, rise'),
  sum('thermosiphon', LOW_STORE, 'flowLMin', 1.52, 'L/min', share(0.03), 'store 0.4 m up, 4 kW, flow'),
  sum('thermosiphon', LOW_STORE, 'riseK', 38, 'K', share(0.03), 'the same, rise'),
  ...drain(
    { effectiveness: 0.5, ratedFlowLMin: 10, showerFlowLMin: 10, showerC: 40, drainC: 36, hotC: 55, coldC: 10 },
    [
      ['A', 43.3],
      ['C', 38.2],
      ['B', 35.8],
    ],
  ),
  ...drain(
    { effectiveness: 0.46, ratedFlowLMin: 12.5, showerFlowLMin: 8, showerC: 41, drainC: 37, hotC: 48, coldC: 8 },
    [
      ['A', 46.8],
      ['C', 44.2],
      ['B', 33.5],
    ],
  ),
  sum('scald', { tempC: 60 }, 'adultS', 5, 's', share(0.01), 'adult at 60 °C'),
  sum(
    'bucket-flow',
    { volumeL: 5, seconds: 38 },
    'flowGpm',
    ((5 / 38) * 60) / 3.785412,
    'gpm',
    share(1e-6),
    '5 L in 38 s',
  ),
]
