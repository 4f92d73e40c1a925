import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { type StandardDay, standardKwh } from '../../core/people/standard-days'
import type { Study } from '../../core/study/study'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { Outflow } from '../../core/year/pipes/outflow'
import { LayeredStore } from '../../core/year/stores/layered-store'
import { firstDays } from '../random-study'
import { amount, type ReferenceCase, share } from './case'

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
    uses: [
      {
        ...study.people.uses[0],
        days: Array(7).fill(true),
        atMin: 480,
        spreadMin: 0,
        chance: 1,
        use: { kind: 'timed', minutes: 30 },
        amountSpread: 0,
        requiredC: 45,
      },
    ],
  }
  study.pipes.taps[0] = { ...study.pipes.taps[0], mixes: false, flowLMin }
  let supply = 0
  firstDays(
    study,
    1,
    (home) => (supply = home.taps.active.length > 0 ? Math.max(supply, home.plant.state().supplyC) : supply),
  )
  return supply
}

export const cycle = (name: StandardDay, study: Study, where: string): ReferenceCase => ({
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
    heaters: [{ ...harbourFlat.plant.heaters[0], minActivationFlowLMin: 0 } as Study['plant']['heaters'][0]],
  },
}

export const PLANT: ReferenceCase[] = [
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
