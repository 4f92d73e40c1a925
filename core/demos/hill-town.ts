import { everyDay, workAndRest } from '../calendar/week'
import { everyMonth } from '../calendar/year'
import { basin, bath, dishes, foam, run, shower } from '../household/defaults/build'
import {
  combustionNotChecked,
  heaterNotChecked,
  loopNotChecked,
  networksNotChecked,
  pipeNotChecked,
  placeNotChecked,
  storeNotChecked,
  tapNotChecked,
} from '../household/defaults/not-checked'
import { plainTariff } from '../household/defaults/plain-tariff'
import { NOTHING_DONE_YET, untouched } from '../household/defaults/visit'
import { CIRCULATION } from '../study/commanded'
import { defaultControls, defaultFunctions, defaultLoopControl } from '../study/controls'
import { NO_ECONOMICS } from '../study/economics'
import { NOT_PRICED } from '../study/measures'
import { oneController } from '../study/new-controller'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })

const CONTROLLERS = oneController(['boiler', CIRCULATION], { stepMin: 30, periodsPerDay: 4, days: 'work-sat-sun' })

/**
 * A tall stone house in a hill town: five people on two rhythms, a boiler and a 200 L store in the cellar, and a long
 * loop to the top bathroom that has run from before dawn to bedtime since the day it was fitted.
 * Shows: a loop that costs more than the showers, pipes that can be insulated and pipes that cannot be reached, and
 * what a setpoint does and does not change.
 */
export const hillTown: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'hill-town',
  name: 'Tall house in the hill town',
  units: 'metric',
  energyIn: 'kwh',
  numbers: 'not said',
  site: {
    name: 'Upper lane, above the mill',
    note: 'Four storeys one above the other, thick walls, cellar at the foot of the stairs.',
    altitudeM: 610,
    latitudeDeg: 46,
    monthlySunKwhM2: [1.3, 2.1, 3.4, 4.5, 5.4, 6.1, 6.4, 5.5, 4.0, 2.4, 1.4, 1.1],
    monthlyAirC: [2.1, 3.4, 6.8, 10.2, 14.6, 18.5, 21.3, 21.0, 17.0, 12.1, 6.9, 3.0],
    mains: { kind: 'model' },
    pressureBar: 3.2,
    designAirC: null,
    frostGuard: 'not checked',
    networks: networksNotChecked(),
    electricMain: null,
    heaterPlace: placeNotChecked(),
    gasLineKw: null,
    gasPipe: { lengthM: null, boreMm: null, otherKw: null },
    sources: { mains: null, hardness: null },
    potable: null,
    hardnessMgL: 240,
    metered: null,
    backflowGuard: null,
    pressureReducer: null,
    expansionVessel: null,
    heatingMonths: [true, true, true, true, false, false, false, false, false, true, true, true],
    heating: { carrier: 'natural-gas', efficiency: 0.88 },
    cooling: null,
    summerTime: 'europe',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'ilva', name: 'Ilva', kind: 'adult' },
      { id: 'teodor', name: 'Teodor', kind: 'adult' },
      { id: 'runa', name: 'Runa', kind: 'child' },
      { id: 'pim', name: 'Pim', kind: 'child' },
      { id: 'oda', name: 'Oda', kind: 'old' },
    ],
    uses: [
      shower(
        who('ilva', 'top-shower', 'ilva-shower', 'Ilva showers before the early shift'),
        { days: 'work', at: '05:50', spreadMin: 8 },
        6,
      ),
      shower(
        who('ilva', 'top-shower', 'ilva-shower-rest', 'Ilva showers at the weekend'),
        { days: 'rest', at: '08:45', spreadMin: 30 },
        8,
      ),
      shower(
        who('teodor', 'top-shower', 'teodor-shower', 'Teodor showers after the late shift'),
        { days: 'work', at: '22:10', spreadMin: 15, chance: 0.9 },
        7,
      ),
      shower(
        who('teodor', 'top-shower', 'teodor-shower-rest', 'Teodor showers at the weekend'),
        { days: 'rest', at: '09:30', spreadMin: 30 },
        8,
      ),
      shower(
        who('runa', 'first-shower', 'runa-shower', 'Runa showers before school'),
        { days: 'work', at: '07:05', spreadMin: 8, chance: 0.8 },
        7,
      ),
      bath(
        who('pim', 'first-bath', 'pim-bath', 'Pim has a bath'),
        { days: 'every', at: '19:10', spreadMin: 20, chance: 0.45 },
        95,
      ),
      shower(
        who('oda', 'first-shower', 'oda-shower', 'Oda showers in the forenoon'),
        { days: 'every', at: '10:20', spreadMin: 25, chance: 0.6 },
        6,
        38,
      ),
      basin(
        who(null, 'first-basin', 'wash-morning', 'Hands and faces in the morning'),
        { days: 'every', at: '07:20', spreadMin: 20 },
        4,
      ),
      basin(
        who(null, 'top-basin', 'wash-top-early', 'Top basin, early'),
        { days: 'every', at: '06:10', spreadMin: 15, chance: 0.9 },
        2.5,
      ),
      basin(
        who('oda', 'first-basin', 'oda-hands', 'Oda washes her hands'),
        { days: 'every', at: '12:10', spreadMin: 40 },
        2,
      ),
      basin(
        who(null, 'first-basin', 'wash-evening', 'Hands and teeth in the evening'),
        { days: 'every', at: '20:40', spreadMin: 30 },
        4,
      ),
      basin(
        who(null, 'top-basin', 'wash-top-late', 'Top basin, late'),
        { days: 'every', at: '22:50', spreadMin: 25 },
        2.5,
      ),
      basin(
        who(null, 'kitchen-sink', 'rinse-morning', 'Rinsing after breakfast'),
        { days: 'every', at: '07:50', spreadMin: 20 },
        4,
      ),
      dishes(
        who(null, 'kitchen-sink', 'dishes-noon', 'Pots at noon'),
        { days: 'every', at: '13:30', spreadMin: 25, chance: 0.8 },
        11,
      ),
      dishes(
        who(null, 'kitchen-sink', 'dishes-evening', 'Pots in the evening'),
        { days: 'every', at: '20:05', spreadMin: 25 },
        14,
      ),
      basin(
        who(null, 'kitchen-sink', 'rinse-late', 'Rinsing late'),
        { days: 'every', at: '21:40', spreadMin: 30, chance: 0.6 },
        3,
      ),
    ],
    absences: [
      { personId: null, fromDay: 217, toDay: 230 },
      { personId: 'ilva', fromDay: 96, toDay: 99 },
    ],
    guests: [],
    volumeFactor: 1,
    winterSwing: 0.08,
    seed: 4711,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('cellar-main', 'Cellar main', null, ['copper-en', '28', 7], 'cellar'),
      run('riser-ground', 'Riser to the ground floor', 'cellar-main', ['copper-en', '22', 4], 'heated', foam(9), false),
      run(
        'riser-first',
        'Riser to the first floor',
        'riser-ground',
        ['copper-en', '22', 3.5],
        'heated',
        foam(9),
        false,
      ),
      run('riser-top', 'Riser to the top floor', 'riser-first', ['copper-en', '22', 7], 'heated', foam(9), false),
      run('kitchen-branch', 'Kitchen branch', 'riser-ground', ['copper-en', '15', 5.5], 'heated'),
      run('first-branch', 'First-floor branch', 'riser-first', ['copper-en', '15', 3], 'heated'),
      run('first-shower-run', 'To the first-floor shower', 'first-branch', ['copper-en', '15', 2.5], 'heated'),
      run('first-bath-run', 'To the bath', 'first-branch', ['copper-en', '15', 3], 'heated'),
      run('first-basin-run', 'To the first-floor basin', 'first-branch', ['copper-en', '12', 2], 'heated'),
      run('top-shower-run', 'To the top shower', 'riser-top', ['copper-en', '15', 4], 'heated'),
      run('top-basin-run', 'To the top basin', 'riser-top', ['copper-en', '12', 3], 'heated'),
    ],
    taps: [
      {
        id: 'kitchen-sink',
        name: 'Kitchen sink',
        runId: 'kitchen-branch',
        kind: 'kitchen',
        flowLMin: 7,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'first-shower',
        name: 'First-floor shower',
        runId: 'first-shower-run',
        kind: 'shower',
        flowLMin: 9,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'first-bath',
        name: 'Bath',
        runId: 'first-bath-run',
        kind: 'bath',
        flowLMin: 14,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'first-basin',
        name: 'First-floor basin',
        runId: 'first-basin-run',
        kind: 'basin',
        flowLMin: 5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'top-shower',
        name: 'Top shower',
        runId: 'top-shower-run',
        kind: 'shower',
        flowLMin: 8,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'top-basin',
        name: 'Top basin',
        runId: 'top-basin-run',
        kind: 'basin',
        flowLMin: 5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
    ],
    loop: {
      returnConnectionRunId: 'riser-top',
      back: {
        material: 'copper-en',
        size: '15',
        lengthM: 19,
        place: 'cellar',
        insulation: foam(9),
        reachable: true,
        ...pipeNotChecked(),
      },
      pumpLMin: 4,
      pumpW: 25,
      measuredUaWK: null,
      returns: { by: 'own pipe', height: 0.6 },
      pumpAt: 'at the plant',
      ...loopNotChecked(),
      sensorAt: 'not there',
    },
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
        kind: 'boiler-coil',
        minAirC: null,
        outputHolds: 'at this height',
        sensorHeight: null,
        id: 'boiler',
        name: 'Condensing boiler',
        place: 'cellar',
        ...heaterNotChecked(),
        carrier: 'natural-gas',
        outputKw: 24,
        minOutputKw: 5.5,
        efficiency: { kind: 'condensing', shift: 0 },
        startLossWh: 4,
        startDelayS: 8,
        standbyW: 4,
        coil: { bottom: 0.08, top: 0.5, uaWK: 700 },
        primary: { litres: 7, uaWK: 2, flowLMin: 16, flowMaxC: 78, pumpW: 45, restartDifferentialK: 5, overrunS: 0 },
      },
    ],
    store: {
      name: 'Cellar cylinder',
      place: 'cellar',
      litres: 200,
      heightM: 1.35,
      loss: { kind: 'label', label: 'C' },
      sensorHeight: 0.45,
      inletMix: 0.05,
      ...storeNotChecked(),
    },
  },
  controllers: CONTROLLERS,
  controls: untouched(
    {
      heaters: { boiler: { setpointC: 65, differentialK: 5, schedule: null, ...defaultFunctions() } },
      loop: { mode: 'clock', schedule: everyDay([330, 1380]), ...defaultLoopControl() },
      ...defaultControls(CONTROLLERS),
    },
    'set',
  ),
  heating: null,
  prices: {
    currency: 'EUR',
    carriers: {
      'natural-gas': { ...plainTariff(0.112, 0.183), source: 'Invented for the demo: a bill of the past winter' },
      electricity: {
        ...plainTariff(0.31, 0.24),
        bands: [
          {
            name: 'Night and weekend',
            price: 0.22,
            week: workAndRest(
              [
                [0, 420],
                [1380, 1440],
              ],
              [[0, 1440]],
            ),
            months: everyMonth(true),
          },
        ],
        source: 'Invented for the demo: two bands',
      },
    },
    water: { unit: 'm3', price: 1.9, sewer: 1.6, source: '', asOf: null },
    creditHouseHeat: false,
  },
  finishedOn: null,
  economics: NO_ECONOMICS,
  claims: [],
  ...NOTHING_DONE_YET,
  packages: [
    {
      id: 'loop-and-pipes',
      name: 'Loop by the clock, pipes wrapped',
      measures: [
        {
          kind: 'loop-schedule',
          id: 'three-windows',
          name: 'Loop only when someone is up',
          ...NOT_PRICED,
          costMoney: 0,
          schedule: workAndRest(
            [
              [330, 480],
              [600, 660],
              [1140, 1410],
            ],
            [
              [480, 660],
              [1140, 1380],
            ],
          ),
        },
        {
          kind: 'insulate-runs',
          id: 'wrap',
          name: 'Wrap what can be reached, 20 mm',
          ...NOT_PRICED,
          costMoney: 260,
          runIds: ['cellar-main', 'kitchen-branch', 'first-branch', 'top-shower-run'],
          loopReturn: true,
          insulation: { lambdaWMK: 0.038, thicknessMm: 20 },
          slit: 'plain',
        },
        {
          kind: 'setpoint',
          id: 'sixty',
          name: 'Store at 60 °C',
          ...NOT_PRICED,
          costMoney: 0,
          heaterId: 'boiler',
          setpointC: 60,
        },
      ],
    },
  ],
  readings: [],
  origins: {
    'plant.store.loss': 'assumed',
    'plant.heaters.boiler.coil.uaWK': 'assumed',
    'plant.heaters.boiler.primary.uaWK': 'assumed',
    'site.mains': 'assumed',
    'pipes.loop.pumpLMin': 'assumed',
  },
}
