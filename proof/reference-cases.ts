import { CLIMATES } from '../core/climate/archetypes'
import { sunDay, sunOnPlane } from '../core/climate/sun'
import { harbourFlat } from '../core/demos/harbour-flat'
import { hillTown } from '../core/demos/hill-town'
import { coefficientOfPerformance } from '../core/heaters/heat-pump'
import { type StandardDay, standardKwh } from '../core/people/standard-days'
import { type Material, pipeOf } from '../core/pipes/catalogue'
import { contentsPerMetre, frontPerMetre } from '../core/pipes/contents'
import { coolDownHours, type Insulation, pipeLoss } from '../core/pipes/loss'
import type { Study } from '../core/study/study'
import { sumNamed } from '../core/sums/registry'
import { runSum } from '../core/sums/run'
import { mainsByMonth, mainsTemperature } from '../core/water/mains'
import { density, KJ_PER_LITRE_K, specificHeat } from '../core/water/properties'
import { Outflow, PlugRun } from '../core/year/pipes/plug-run'
import { LayeredStore } from '../core/year/stores/layered-store'
import { combiEfficiency, gasStoreFactor, heatPumpStore, overrunSaves, pilotKwh } from './appliance-tests'
import { engineFraction, fChartFraction, solarFlat } from './f-chart'
import { firstDays } from './random-study'

/** A figure that is known from elsewhere, and what Bagno makes of it. The unit tests and docs/validation.md share the list. */
export interface ReferenceCase {
  what: string
  source: string
  unit: string
  expected: number
  /** Allowed difference: a share of what is expected, or an amount in its unit. */
  within: { share: number } | { amount: number }
  got: () => number
}

const share = (s: number) => ({ share: s })
const amount = (a: number) => ({ amount: a })

const WATER: ReferenceCase[] = [
  ...(
    [
      [10, 999.7],
      [40, 992.22],
      [60, 983.2],
    ] as const
  ).map(([t, expected]): ReferenceCase => ({
    what: `Density of water at ${t} °C`,
    source: 'Kell 1975',
    unit: 'kg/m³',
    expected,
    within: share(1e-4),
    got: () => density(t),
  })),
  ...(
    [
      [20, 4.1826],
      [60, 4.1846],
    ] as const
  ).map(([t, expected]): ReferenceCase => ({
    what: `Specific heat of water at ${t} °C`,
    source: 'Popiel & Wojtkowiak 1998',
    unit: 'kJ/kgK',
    expected,
    within: share(5e-4),
    got: () => specificHeat(t),
  })),
  ...(
    [
      [15, 10.89],
      [196, 18.72],
    ] as const
  ).map(([day, expected]): ReferenceCase => ({
    what: `Cold main on day ${day}, air mean 11.5 °C, span 18 K`,
    source: 'Burch & Christensen 2007',
    unit: '°C',
    expected,
    within: amount(0.05),
    got: () => mainsTemperature(11.5, 18, day),
  })),
]

const contents = (material: Material, size: string, litres: number, front: number): ReferenceCase[] => [
  {
    what: `Contents of ${material} ${size}`,
    source: 'bore',
    unit: 'L/m',
    expected: litres,
    within: share(0.01),
    got: () => contentsPerMetre(pipeOf(material, size)),
  },
  {
    what: `Hot water to fill ${material} ${size}`,
    source: 'contents × (1 + C wall / C water)',
    unit: 'L/m',
    expected: front,
    within: share(0.01),
    got: () => frontPerMetre(pipeOf(material, size)),
  },
]

const loss = (
  material: Material,
  size: string,
  waterC: number,
  airC: number,
  insulation: Insulation | null,
  expected: number,
): ReferenceCase => ({
  what: `Loss of ${material} ${size}, ${waterC}/${airC} °C, ${insulation ? `${insulation.thicknessMm} mm of ${insulation.lambdaWMK}` : 'bare'}`,
  source: 'conduction, Churchill & Chu 1975, radiation',
  unit: 'W/m',
  expected,
  within: share(0.02),
  got: () => pipeLoss(pipeOf(material, size), waterC, airC, insulation).lossWM,
})

const coolDown = (insulation: Insulation | null, expected: number): ReferenceCase => ({
  what: `Cool-down of copper-en 22, ${insulation ? `${insulation.thicknessMm} mm` : 'bare'}`,
  source: 'heat held over U′',
  unit: 'h',
  expected,
  within: share(0.03),
  got: () => coolDownHours(pipeOf('copper-en', '22'), pipeLoss(pipeOf('copper-en', '22'), 60, 20, insulation).uWMK),
})

/** Steady water through a run: what leaves, °C, and what is lost, W. */
function steadyLoop(): { backC: number; lossW: number } {
  const frontL = 36 * 0.37
  const run = new PlugRun(frontL, 0.25 * 36, 36, 18)
  run.ambientC = 18
  const fillS = (frontL / 4) * 60
  const pass = (from: number, fillings: number) => {
    let [litres, heat] = [0, 0]
    for (let k = 0; k < fillings * 8; k++) {
      const [inflow, out] = [new Outflow(), new Outflow()]
      inflow.add(frontL / 8, 58)
      run.pass(inflow, 1, from + (k * fillS) / 8, fillS / 8, out)
      litres += out.total
      heat += out.total * out.meanC
    }
    return heat / litres
  }
  pass(0, 4)
  run.takeLost()
  const backC = pass(4 * fillS, 10)
  return { backC, lossW: (run.takeLost() * 1000) / (10 * fillS) }
}

const PIPES: ReferenceCase[] = [
  ...contents('copper-en', '22', 0.3205, 0.37),
  ...contents('copper-l', '1/2', 0.1505, 0.19),
  ...contents('pex-en', '16x2', 0.1131, 0.159),
  loss('copper-en', '22', 60, 20, null, 31.5),
  loss('copper-en', '22', 60, 20, { lambdaWMK: 0.04, thicknessMm: 9 }, 12.6),
  loss('copper-en', '22', 60, 20, { lambdaWMK: 0.04, thicknessMm: 20 }, 8.49),
  loss('pex-en', '20x2', 55, 15, { lambdaWMK: 0.038, thicknessMm: 13 }, 9.21),
  coolDown(null, 0.54),
  coolDown({ lambdaWMK: 0.04, thicknessMm: 20 }, 2.0),
  {
    what: 'Loop of the engine, back after 36 m at 0.25 W/mK, 58/18 °C, 4 L/min',
    source: 'exp(−U′L/ṁc)',
    unit: '°C',
    expected: 56.71,
    within: share(0.01),
    got: () => steadyLoop().backC,
  },
  {
    what: 'The same loop, heat lost',
    source: 'ṁc (58 − back)',
    unit: 'W',
    expected: 354,
    within: share(0.01),
    got: () => steadyLoop().lossW,
  },
]

/** A store left alone for two days, °C. */
function storeLeftAlone(): number {
  const store = new LayeredStore(200, 1.3, 2, 60)
  store.ambientC = 15
  for (let h = 0; h < 48; h++) {
    store.stand(3600)
    store.settle()
  }
  return store.meanC
}

/** Litres above 35 °C from one draw of a full store at 60 °C. */
function hotFromFullStore(): number {
  const store = new LayeredStore(180, 1.2, 0, 60)
  let hot = 0
  for (let k = 0; k < 250; k++) {
    const out = new Outflow()
    store.draw(1, out)
    store.fillBottom(1, 10)
    store.settle()
    for (let i = 0; i < out.n; i++) if (out.tempC[i] > 35) hot += out.litres[i]
  }
  return hot
}

/** Hottest water that an instantaneous heater of 19.2 kW gives to a long draw with the main at 10 °C. */
function instantHeater(flowLMin: number): number {
  const study = structuredClone(harbourFlat)
  study.site.mains = { kind: 'monthly', monthlyC: Array(12).fill(10) }
  study.people = {
    ...study.people,
    winterSwing: 0,
    absences: [],
    habits: [
      {
        ...study.people.habits[0],
        days: Array(7).fill(true),
        atMin: 480,
        spreadMin: 0,
        chance: 1,
        use: { kind: 'timed', minutes: 30 },
        amountSpread: 0,
        wantedC: 45,
      },
    ],
  }
  study.pipes.taps[0] = { ...study.pipes.taps[0], mixes: false, flowLMin }
  let supply = 0
  firstDays(
    study,
    1,
    (home) => (supply = home.active.length > 0 ? Math.max(supply, home.plant.state().supplyC) : supply),
  )
  return supply
}

const cycle = (name: StandardDay, study: Study, where: string): ReferenceCase => ({
  what: `Tapping cycle ${name} on a day, ${where}`,
  source: 'EU 814/2013',
  unit: 'kWh',
  expected: standardKwh(name),
  within: share(0.01),
  got: () =>
    firstDays(
      {
        ...study,
        people: { ...study.people, draws: { kind: 'standard', cycle: name, tapId: study.pipes.taps[0].id } },
      },
      5,
    ).flows.useful /
    3600 /
    5,
})

const wideOpen: Study = {
  ...harbourFlat,
  plant: {
    ...harbourFlat.plant,
    heaters: [{ ...harbourFlat.plant.heaters[0], leastFlowLMin: 0 } as Study['plant']['heaters'][0]],
  },
}

const PLANT: ReferenceCase[] = [
  {
    what: 'Store of 200 L, 2 W/K, 60/15 °C, left alone for 48 h',
    source: 'exp(−UA t/C)',
    unit: '°C',
    expected: 15 + 45 * Math.exp((-48 * 3600 * 2) / (200 * KJ_PER_LITRE_K * 1000)),
    within: amount(0.001),
    got: storeLeftAlone,
  },
  {
    what: 'Hot litres from one draw of a full store of 180 L',
    source: 'plug flow',
    unit: 'L',
    expected: 180,
    within: share(0.03),
    got: hotFromFullStore,
  },
  {
    what: 'Instantaneous heater below its power, set to 55 °C, its 1.2 W/K of exchanger in a room of 20 °C',
    source: 'setpoint − UA ΔT/ṁc',
    unit: '°C',
    expected: 55 - (0.0012 * (55 - 20) * 60) / (5 * KJ_PER_LITRE_K),
    within: amount(0.1),
    got: () => instantHeater(5),
  },
  {
    what: 'Instantaneous heater above its power, 19.2 kW at 12 L/min from 10 °C',
    source: 'inlet + P/(ρcF)',
    unit: '°C',
    expected: 10 + (19.2 * 60) / (12 * KJ_PER_LITRE_K),
    within: amount(0.1),
    got: () => instantHeater(12),
  },
  cycle('M', hillTown, 'boiler and store'),
  cycle('L', hillTown, 'boiler and store'),
  cycle('S', wideOpen, 'instantaneous heater'),
  cycle('L', wideOpen, 'instantaneous heater'),
  cycle('XL', hillTown, 'boiler and store'),
]

const halfAYearOn = (monthly: readonly number[]) => [...monthly.slice(6), ...monthly.slice(0, 6)]
const inland = CLIMATES['temperate inland'].airC
const modelMain = (monthlyAirC: readonly number[], latitudeDeg: number) =>
  mainsByMonth({ mains: { kind: 'model' }, monthlyAirC, latitudeDeg })
const groundMain = (monthlyAirC: readonly number[], latitudeDeg: number) =>
  mainsByMonth({ mains: { kind: 'ground' }, monthlyAirC, latitudeDeg })

/** Water through a run of a hand's length for an hour, W. */
function shortRunLossW(): number {
  const run = new PlugRun(0.037, 0.05, 0.1, 60)
  run.ambientC = 20
  const [inflow, out] = [new Outflow(), new Outflow()]
  inflow.add(60, 60)
  for (let k = 0; k < 10; k++) run.pass(inflow, 0.1, 360 * k, 360, out)
  run.coolTo(3600)
  return (run.takeLost() * 1000) / 3600
}

/** A store of 10 L left alone for six hours, °C. */
function smallStoreC(): number {
  const store = new LayeredStore(10, 0.4, 0.6, 65)
  store.ambientC = 20
  for (let k = 0; k < 360; k++) {
    store.stand(60)
    store.settle()
  }
  return store.meanC
}

const HP_TESTS = 'EN 16147, cycle L: store heat pumps of this class are published with 2.6 to 4.0'
const COMBI_TESTS = 'EU 812/2013 water heating by a condensing combi: 0.78 to 0.88 on the gross value'
const APPLIANCES: ReferenceCase[] = [
  {
    what: 'Heat pump on a store of 200 L, cycle L, air 20 °C: heat over electricity',
    source: HP_TESTS,
    unit: '',
    expected: 3.5,
    within: amount(0.5),
    got: () => heatPumpStore(20),
  },
  {
    what: 'Heat pump on a store of 200 L, cycle L, air 7 °C: heat over electricity',
    source: HP_TESTS,
    unit: '',
    expected: 3,
    within: amount(0.4),
    got: () => heatPumpStore(7),
  },
  {
    what: 'Combi with a plate exchanger, cycle M: heat over gas',
    source: COMBI_TESTS,
    unit: '',
    expected: 0.83,
    within: amount(0.05),
    got: () => combiEfficiency('plate', 'M'),
  },
  {
    what: 'Combi with a plate exchanger, cycle L: heat over gas',
    source: COMBI_TESTS,
    unit: '',
    expected: 0.83,
    within: amount(0.05),
    got: () => combiEfficiency('plate', 'L'),
  },
  {
    what: 'The same against a direct condensing one, cycle L: gas',
    source: 'return of 45 to 50 °C against inlet + 10 K',
    unit: '',
    expected: 1.075,
    within: share(0.015),
    got: () => combiEfficiency('direct', 'L') / combiEfficiency('plate', 'L'),
  },
  {
    what: 'Pilot of 120 W in a year',
    source: '0.12 kW × 8760 h',
    unit: 'kWh',
    expected: 1051.2,
    within: share(1e-4),
    got: () => pilotKwh(120),
  },
  {
    what: 'Gas store of 150 L at 57 °C, 243 L in six hourly draws, main 14.4 °C, room 19.7 °C: energy factor',
    source: 'US rating of piloted stores of 40 gal: 0.58 to 0.60',
    unit: '',
    expected: 0.59,
    within: amount(0.02),
    got: gasStoreFactor,
  },
  {
    what: 'Pump overrun of 5 min after a charge, circuit of 7 L, cycle L: gas saved',
    source:
      '7 L × 13 K given to the store after each charge, of which a circuit of 2 W/K would lose 1 − exp(−t / 4 h) until the next; some four a day',
    unit: '',
    expected: 0.017,
    within: amount(0.006),
    got: overrunSaves,
  },
  {
    what: 'Run of 0.1 m with 0.05 W/K, water of 60 °C passing at 1 L/min, air 20 °C: loss',
    source: 'U ΔT',
    unit: 'W',
    expected: 2,
    within: share(0.01),
    got: shortRunLossW,
  },
  {
    what: 'Store of 10 L, 0.6 W/K, 65/20 °C, left alone for 6 h',
    source: 'exp(−UA t/C)',
    unit: '°C',
    expected: 20 + 45 * Math.exp((-6 * 3600 * 0.6) / (10 * KJ_PER_LITRE_K * 1000)),
    within: amount(0.01),
    got: smallStoreC,
  },
  {
    what: 'Cold main in January, the air of an inland house half a year on, at 35° south',
    source: 'that of July at 47° north',
    unit: '°C',
    expected: modelMain(inland, 47)[6],
    within: amount(0.15),
    got: () => modelMain(halfAYearOn(inland), -35)[0],
  },
  {
    what: 'Cold main in January, cool coast, by the ground',
    source: 'mains in open ground of western Europe: 7 to 8 °C in January',
    unit: '°C',
    expected: 7.5,
    within: amount(1),
    got: () => groundMain(CLIMATES['cool coast'].airC, 52)[0],
  },
  {
    what: 'Cold main in August, temperate inland, by the ground',
    source: 'mains in open ground of central Europe: 14 to 17 °C in August',
    unit: '°C',
    expected: 15.5,
    within: amount(1.5),
    got: () => groundMain(inland, 47)[7],
  },
]

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
  what: `${sumNamed(name)!.title}: ${what}`,
  source: sumNamed(name)!.source,
  unit,
  expected,
  within,
  got: () => {
    const answer = runSum(sumNamed(name)!, input)
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

const SUM_CASES: ReferenceCase[] = [
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

const SUN: ReferenceCase[] = [
  {
    what: 'sun above the air, 43° north, 15 April',
    source: 'Duffie & Beckman, example 1.10.1',
    unit: 'MJ/m²',
    expected: 33.8,
    within: share(0.01),
    got: () => sunDay(43, 105).aboveAirKwhM2 * 3.6,
  },
  {
    what: 'sun to a plane tilted 45°, 13 February 10:30',
    source: 'Duffie & Beckman, example 1.6.1',
    unit: '°',
    expected: 35,
    within: amount(0.5),
    got: () => (Math.acos(sunOnPlane(sunDay(43, 44), (-22.5 * Math.PI) / 180, 45, 15)) * 180) / Math.PI,
  },
  {
    what: 'heat pump, water 50 °C, air 15 °C',
    source: '0.42 × 328.15 / 46',
    unit: '',
    expected: 2.9962,
    within: share(0.001),
    got: () => coefficientOfPerformance(50, 15),
  },
  {
    what: 'bare 22 mm copper in a slab, for each kelvin',
    source: 'shape factor acosh(2z/D)/2πλ',
    unit: 'W/mK',
    expected: (2 * Math.PI * 1.4) / Math.acosh(0.2 / 0.022),
    within: share(0.01),
    got: () => pipeLoss(pipeOf('copper-en', '22'), 60, 20, null, 'slab').uWMK,
  },
]

/** A year with collectors against the monthly correlation, which is made for a mixed store: a layered one does a little better. */
const SOLAR_YEARS: ReferenceCase[] = (['cold inland', 'cool coast', 'temperate inland', 'high mountain'] as const).map(
  (climate) => {
    const study = solarFlat(climate)
    return {
      what: `4 m² and 300 L before an electric heater, ${climate}: share of the sun`,
      source: 'f-chart, Klein, Beckman & Duffie 1976',
      unit: '',
      expected: fChartFraction(study),
      within: amount(0.06),
      got: () => engineFraction(study),
    }
  },
)

export const REFERENCE_CASES: ReferenceCase[] = [
  ...WATER,
  ...PIPES,
  ...PLANT,
  ...APPLIANCES,
  ...SUN,
  ...SOLAR_YEARS,
  ...SUM_CASES,
]

/** How far off a case is, as a share of what it allows: 1 is the limit. */
export function strain(c: ReferenceCase, got: number): number {
  const off = Math.abs(got - c.expected)
  return 'share' in c.within ? off / (c.within.share * Math.abs(c.expected)) : off / c.within.amount
}
