import { everyDay } from '../calendar/week'
import { CLIMATES } from '../climate/archetypes'
import { basin, dishes, run, shower } from '../household/defaults/build'
import {
  combustionNotChecked,
  heaterNotChecked,
  networksNotChecked,
  placeNotChecked,
  tapNotChecked,
} from '../household/defaults/not-checked'
import { plainTariff } from '../household/defaults/plain-tariff'
import { NOTHING_DONE_YET, untouched } from '../household/defaults/visit'
import { defaultControls, defaultFunctions, defaultLoopControl } from '../study/controls'
import { NO_ECONOMICS } from '../study/economics'
import { NOT_PRICED } from '../study/measures'
import { oneController } from '../study/new-controller'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })

const CONTROLLERS = oneController(['wall-heater'], { stepMin: 30, periodsPerDay: 4, days: 'same' })

/**
 * A flat by a harbour: two people, an instantaneous gas heater in the bathroom, no loop, and a kitchen at the far end.
 * Shows: start-up lag and pipe contents before anything is warm, a basin draw too small to fire the heater, and water
 * run off that weighs more than heat lost.
 */
export const harbourFlat: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'harbour-flat',
  name: 'Flat by the harbour',
  units: 'metric',
  energyIn: 'kwh',
  numbers: 'not said',
  site: {
    name: 'Third floor, the old sail loft',
    note: 'Heater on the bathroom wall; the kitchen was moved to the quay side and the pipe follows the corridor.',
    altitudeM: 6,
    latitudeDeg: 54,
    monthlySunKwhM2: [...CLIMATES['cool coast'].sunKwhM2],
    monthlyAirC: [4.6, 4.8, 6.4, 8.6, 11.7, 14.4, 16.5, 16.7, 14.6, 11.3, 7.7, 5.4],
    mains: { kind: 'monthly', monthlyC: [7.5, 7.0, 7.8, 9.4, 12.0, 14.6, 16.8, 17.5, 16.4, 13.8, 11.0, 8.8] },
    pressureBar: 2.6,
    designAirC: null,
    frostGuard: 'not checked',
    networks: networksNotChecked(),
    electricMain: null,
    heaterPlace: placeNotChecked(),
    gasLineKw: null,
    gasPipe: { lengthM: null, boreMm: null, otherKw: null },
    sources: { mains: null, hardness: null },
    potable: null,
    hardnessMgL: 95,
    metered: null,
    backflowGuard: null,
    pressureReducer: null,
    expansionVessel: null,
    heatingMonths: [true, true, true, true, false, false, false, false, false, true, true, true],
    heating: { carrier: 'natural-gas', efficiency: 0.85 },
    cooling: null,
    summerTime: 'europe',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'marit', name: 'Marit', kind: 'adult' },
      { id: 'jorun', name: 'Jorun', kind: 'adult' },
    ],
    uses: [
      shower(
        who('marit', 'shower', 'marit-shower', 'Marit showers'),
        { days: 'every', at: '06:50', spreadMin: 12, chance: 0.9 },
        6,
      ),
      shower(
        who('jorun', 'shower', 'jorun-shower', 'Jorun showers'),
        { days: 'every', at: '07:15', spreadMin: 20, chance: 0.85 },
        8,
      ),
      basin(who(null, 'basin', 'basin-morning', 'Morning wash'), { days: 'every', at: '07:35', spreadMin: 15 }, 3),
      basin(
        who(null, 'basin', 'basin-noon', 'Washing hands'),
        { days: 'every', at: '13:10', spreadMin: 60, chance: 0.7 },
        1.5,
      ),
      basin(who(null, 'basin', 'basin-night', 'Evening wash'), { days: 'every', at: '22:30', spreadMin: 25 }, 3),
      basin(
        who(null, 'kitchen-sink', 'kitchen-rinse', 'Rinsing a cup'),
        { days: 'every', at: '08:00', spreadMin: 20 },
        2,
      ),
      dishes(
        who(null, 'kitchen-sink', 'kitchen-dishes', 'Washing up'),
        { days: 'every', at: '19:40', spreadMin: 30 },
        12,
      ),
      dishes(
        who(null, 'kitchen-sink', 'kitchen-noon', 'Washing up at noon'),
        { days: 'rest', at: '13:40', spreadMin: 30 },
        8,
      ),
    ],
    absences: [{ personId: null, fromDay: 184, toDay: 197 }],
    guests: [],
    volumeFactor: 1,
    winterSwing: 0.06,
    seed: 2203,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('stub', 'From the heater', null, ['copper-en', '22', 1.2], 'heated'),
      run('bath-branch', 'Bathroom branch', 'stub', ['copper-en', '15', 2], 'heated'),
      run('shower-run', 'To the shower', 'bath-branch', ['copper-en', '15', 1.8], 'heated'),
      run('basin-run', 'To the basin', 'bath-branch', ['copper-en', '15', 1.2], 'heated'),
      run('corridor', 'Along the corridor', 'stub', ['copper-en', '22', 11.5], 'heated'),
      run('kitchen-run', 'To the kitchen', 'corridor', ['copper-en', '15', 4], 'heated'),
    ],
    taps: [
      {
        id: 'shower',
        name: 'Shower',
        runId: 'shower-run',
        kind: 'shower',
        flowLMin: 8.5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'basin',
        name: 'Basin',
        runId: 'basin-run',
        kind: 'basin',
        flowLMin: 4,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'kitchen-sink',
        name: 'Kitchen sink',
        runId: 'kitchen-run',
        kind: 'kitchen',
        flowLMin: 6,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
    ],
    loop: null,
    deadLegLimitL: null,
    energyLimitKwh: null,
    minBoreMm: null,
    drain: null,
    recovery: null,
  },
  plant: {
    heaters: [
      {
        ...combustionNotChecked(),
        kind: 'instant-gas',
        minAirC: null,
        exchanger: 'direct',
        pilotW: 0,
        outputHolds: 'at this height',
        id: 'wall-heater',
        name: 'Wall heater',
        place: 'heated',
        ...heaterNotChecked(),
        carrier: 'natural-gas',
        outputKw: 19.2,
        minOutputKw: 7,
        minActivationFlowLMin: 2.5,
        efficiency: { kind: 'fixed', share: 0.82 },
        startLossWh: 4,
        startDelayS: 7,
        standbyW: 2,
        contentL: 0.8,
        contentUaWK: 1.2,
        units: 1,
        unitsShare: 'in turn',
        maxInletC: null,
        makerFlow: [],
      },
    ],
    store: null,
  },
  controllers: CONTROLLERS,
  controls: untouched(
    {
      heaters: {
        'wall-heater': { setpointC: 55, differentialK: 2, schedule: null, keepHot: false, ...defaultFunctions() },
      },
      loop: { mode: 'off', schedule: everyDay(), ...defaultLoopControl() },
      ...defaultControls(CONTROLLERS),
    },
    'set',
  ),
  heating: null,
  prices: {
    currency: 'EUR',
    carriers: {
      'natural-gas': { ...plainTariff(0.128, 0.183), source: 'Invented for the demo' },
      electricity: { ...plainTariff(0.34, 0.2), source: 'Invented for the demo' },
    },
    water: { unit: 'm3', price: 2.4, sewer: 2.9, source: '', asOf: null },
    creditHouseHeat: false,
  },
  finishedOn: null,
  economics: NO_ECONOMICS,
  claims: [],
  ...NOTHING_DONE_YET,
  packages: [
    {
      id: 'cooler-wrapped',
      name: 'Cooler, with the corridor wrapped',
      measures: [
        {
          kind: 'setpoint',
          id: 'fifty',
          name: 'Heater at 50 °C',
          ...NOT_PRICED,
          costMoney: 0,
          heaterId: 'wall-heater',
          setpointC: 50,
        },
        {
          kind: 'insulate-runs',
          id: 'wrap-corridor',
          name: 'Wrap the corridor, 13 mm',
          ...NOT_PRICED,
          costMoney: 70,
          runIds: ['corridor', 'kitchen-run'],
          loopReturn: false,
          insulation: { lambdaWMK: 0.038, thicknessMm: 13 },
          slit: 'plain',
        },
      ],
    },
  ],
  readings: [],
  origins: { 'plant.heaters.wall-heater.startDelayS': 'assumed', 'site.mains': 'measured' },
}
