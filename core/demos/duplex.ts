import { everyDay } from '../calendar/week'
import { basin, bath, dishes, run, shower } from '../household/defaults/build'
import {
  combustionNotChecked,
  heaterNotChecked,
  networksNotChecked,
  placeNotChecked,
  storeNotChecked,
  tapNotChecked,
} from '../household/defaults/not-checked'
import { plainTariff } from '../household/defaults/plain-tariff'
import { NOTHING_DONE_YET, untouched } from '../household/defaults/visit'
import { KWH_PER_THERM } from '../money/calorific'
import { defaultControls, defaultFunctions, defaultLoopControl } from '../study/controls'
import { NO_ECONOMICS } from '../study/economics'
import { NOT_PRICED } from '../study/measures'
import { oneController } from '../study/new-controller'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })

const CONTROLLERS = oneController(['burner'], { stepMin: 10, periodsPerDay: 4, days: 'each' })

/**
 * One side of a duplex, in US units and dollars: four people, a 48 gal gas store in an unheated basement.
 * Shows: a pilot and a flue that cost as much as a person, long half-inch runs, and a setpoint nobody has looked at.
 */
export const duplex: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'duplex',
  name: 'Left half of a duplex',
  units: 'us',
  energyIn: 'therm',
  numbers: 'not said',
  site: {
    name: 'Left half, river side',
    note: 'Store in the basement under the stairs; two bathrooms stacked above the kitchen.',
    altitudeM: 210,
    latitudeDeg: 43,
    monthlySunKwhM2: [1.7, 2.6, 3.7, 4.7, 5.6, 6.2, 6.2, 5.4, 4.2, 2.8, 1.7, 1.4],
    monthlyAirC: [-4.2, -2.6, 3.1, 9.6, 15.8, 21.1, 23.6, 22.6, 18.6, 12.0, 5.2, -1.4],
    mains: { kind: 'model' },
    pressureBar: 3.8,
    designAirC: null,
    frostGuard: 'not checked',
    networks: networksNotChecked(),
    electricMain: null,
    heaterPlace: placeNotChecked(),
    gasLineKw: null,
    gasPipe: { lengthM: null, boreMm: null, otherKw: null },
    sources: { mains: null, hardness: null },
    potable: null,
    hardnessMgL: 180,
    metered: null,
    backflowGuard: null,
    pressureReducer: null,
    expansionVessel: null,
    heatingMonths: [true, true, true, true, false, false, false, false, false, true, true, true],
    heating: { carrier: 'natural-gas', efficiency: 0.8 },
    cooling: null,
    summerTime: 'north america',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'dessa', name: 'Dessa', kind: 'adult' },
      { id: 'orrin', name: 'Orrin', kind: 'adult' },
      { id: 'kit', name: 'Kit', kind: 'child' },
      { id: 'wren', name: 'Wren', kind: 'child' },
    ],
    uses: [
      shower(
        who('dessa', 'upper-shower', 'dessa-shower', 'Dessa showers'),
        { days: 'every', at: '06:30', spreadMin: 12 },
        8,
        40.5,
      ),
      shower(
        who('orrin', 'upper-shower', 'orrin-shower', 'Orrin showers'),
        { days: 'every', at: '06:55', spreadMin: 15, chance: 0.95 },
        7,
        40.5,
      ),
      shower(
        who('kit', 'lower-shower', 'kit-shower', 'Kit showers'),
        { days: 'every', at: '20:15', spreadMin: 25, chance: 0.7 },
        9,
      ),
      bath(
        who('wren', 'tub', 'wren-bath', 'Wren has a bath'),
        { days: 'every', at: '19:30', spreadMin: 15, chance: 0.6 },
        100,
      ),
      basin(
        who(null, 'upper-basin', 'upper-morning', 'Upper basin, morning'),
        { days: 'every', at: '07:20', spreadMin: 15 },
        4,
      ),
      basin(
        who(null, 'upper-basin', 'upper-night', 'Upper basin, night'),
        { days: 'every', at: '21:50', spreadMin: 25 },
        4,
      ),
      basin(
        who(null, 'kitchen-sink', 'kitchen-morning', 'Breakfast rinsing'),
        { days: 'every', at: '07:45', spreadMin: 15 },
        4,
      ),
      dishes(
        who(null, 'kitchen-sink', 'kitchen-evening', 'Washing up'),
        { days: 'every', at: '18:50', spreadMin: 25 },
        15,
      ),
      {
        ...dishes(who(null, 'washer', 'laundry', 'Warm laundry'), { days: 'rest', at: '10:30', spreadMin: 60 }, 38),
        waits: false,
        requiredC: 40,
      },
    ],
    absences: [{ personId: null, fromDay: 170, toDay: 178 }],
    guests: [],
    volumeFactor: 1,
    winterSwing: 0.08,
    seed: 5150,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('basement-main', 'Basement main', null, ['copper-l', '3/4', 6.1], 'cellar'),
      run('laundry-run', 'To the washer', 'basement-main', ['copper-l', '1/2', 2.4], 'cellar'),
      run('kitchen-run', 'To the kitchen', 'basement-main', ['copper-l', '1/2', 5.5], 'cellar'),
      run('stack', 'Up the wall', 'basement-main', ['copper-l', '3/4', 3.7], 'heated', null, false),
      run('lower-run', 'To the lower bathroom', 'stack', ['copper-l', '1/2', 3], 'heated'),
      run('upper-main', 'To the upper floor', 'stack', ['copper-l', '3/4', 3.4], 'heated', null, false),
      run('upper-shower-run', 'To the upper shower', 'upper-main', ['copper-l', '1/2', 4.6], 'heated'),
      run('upper-basin-run', 'To the upper basin', 'upper-main', ['copper-l', '1/2', 3.4], 'heated'),
    ],
    taps: [
      {
        id: 'washer',
        name: 'Washer',
        runId: 'laundry-run',
        kind: 'machine',
        flowLMin: 9,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'kitchen-sink',
        name: 'Kitchen sink',
        runId: 'kitchen-run',
        kind: 'kitchen',
        flowLMin: 6.8,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'lower-shower',
        name: 'Lower shower',
        runId: 'lower-run',
        kind: 'shower',
        flowLMin: 8.3,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'tub',
        name: 'Tub',
        runId: 'lower-run',
        kind: 'bath',
        flowLMin: 15,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'upper-shower',
        name: 'Upper shower',
        runId: 'upper-shower-run',
        kind: 'shower',
        flowLMin: 9.5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'upper-basin',
        name: 'Upper basin',
        runId: 'upper-basin-run',
        kind: 'basin',
        flowLMin: 4.5,
        mixes: true,
        drains: true,
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
        kind: 'gas-store',
        minAirC: null,
        outputHolds: 'at this height',
        sensorHeight: null,
        id: 'burner',
        name: 'Burner under the tank',
        place: 'cellar',
        ...heaterNotChecked(),
        carrier: 'natural-gas',
        outputKw: 9.1,
        efficiency: { kind: 'fixed', share: 0.78 },
        pilotW: 110,
        startLossWh: 0,
        standbyW: 0,
      },
    ],
    store: {
      name: 'Basement tank',
      place: 'cellar',
      litres: 182,
      heightM: 1.22,
      loss: { kind: 'ua', uaWK: 4.6 },
      sensorHeight: 0.25,
      inletMix: 0.06,
      ...storeNotChecked(),
    },
  },
  controllers: CONTROLLERS,
  controls: untouched(
    {
      heaters: { burner: { setpointC: 57.2, differentialK: 6, schedule: null, ...defaultFunctions() } },
      loop: { mode: 'off', schedule: everyDay(), ...defaultLoopControl() },
      ...defaultControls(CONTROLLERS),
    },
    'set',
  ),
  heating: null,
  prices: {
    currency: 'USD',
    carriers: {
      'natural-gas': {
        ...plainTariff(0, 0.183),
        unit: 'therm',
        kwhPerUnit: KWH_PER_THERM,
        price: 1.4,
        source: 'Invented for the demo',
      },
      electricity: { ...plainTariff(0.165, 0.37), source: 'Invented for the demo' },
    },
    water: { unit: 'thousand-gal', price: 5.5, sewer: 7.95, source: 'Invented for the demo', asOf: null },
    creditHouseHeat: false,
  },
  finishedOn: null,
  economics: NO_ECONOMICS,
  claims: [],
  ...NOTHING_DONE_YET,
  packages: [
    {
      id: 'turn-down-wrap',
      name: 'Turned down, basement wrapped',
      measures: [
        {
          kind: 'setpoint',
          id: 'one-twenty',
          name: 'Store at 120 °F',
          ...NOT_PRICED,
          costMoney: 0,
          heaterId: 'burner',
          setpointC: 49,
        },
        {
          kind: 'insulate-runs',
          id: 'wrap-basement',
          name: 'Wrap the basement pipes, 3/4 in',
          ...NOT_PRICED,
          costMoney: 85,
          runIds: ['basement-main', 'laundry-run', 'kitchen-run'],
          loopReturn: false,
          insulation: { lambdaWMK: 0.04, thicknessMm: 19 },
          slit: 'plain',
        },
        {
          kind: 'tap-flow',
          id: 'upper-head',
          name: 'Upper shower head, 2 gpm',
          ...NOT_PRICED,
          costMoney: 30,
          tapId: 'upper-shower',
          flowLMin: 7.6,
        },
      ],
    },
  ],
  readings: [],
  origins: { 'plant.store.loss': 'assumed', 'plant.heaters.burner.pilotW': 'assumed', 'site.mains': 'assumed' },
}
