import { everyDay } from '../calendar/week'
import { CLIMATES } from '../climate/archetypes'
import { basin, bath, dishes, run, shower } from '../household/defaults/build'
import {
  heaterNotChecked,
  networksNotChecked,
  placeNotChecked,
  storeNotChecked,
  tapNotChecked,
} from '../household/defaults/not-checked'
import { plainTariff } from '../household/defaults/plain-tariff'
import { NOTHING_DONE_YET, untouched } from '../household/defaults/visit'
import { defaultControls, defaultFunctions, defaultLoopControl } from '../study/controls'
import { NO_ECONOMICS, offeredAt } from '../study/economics'
import { NOT_PRICED } from '../study/measures'
import { oneController } from '../study/new-controller'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })
const HEATED = [true, true, true, true, false, false, false, false, false, true, true, true]

const CONTROLLERS = oneController(['heat-pump'], { stepMin: 30, periodsPerDay: 3, days: 'same' })

/**
 * A flat on a courtyard with a heat-pump store in the passage, inside the heated rooms: what it takes from the air in winter
 * the heating has to make again.
 * Shows: a heat pump's true cost where it stands, cheaper hours at night against noise, and a drain that falls upright
 * through the bathroom wall.
 */
export const courtFlat: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'court-flat',
  name: 'Flat on the courtyard',
  units: 'metric',
  energyIn: 'kwh',
  numbers: 'not said',
  site: {
    name: 'Second floor, courtyard side',
    note: 'The heat pump hums in the passage beside the bedroom; its air comes from the passage and goes back to it.',
    altitudeM: 120,
    latitudeDeg: 50,
    monthlyAirC: [...CLIMATES['temperate inland'].airC],
    monthlySunKwhM2: [...CLIMATES['temperate inland'].sunKwhM2],
    mains: { kind: 'ground' },
    pressureBar: 3.4,
    designAirC: -14,
    frostGuard: 'not checked',
    networks: networksNotChecked(),
    electricMain: { amps: 40, volts: 230, phases: 1, spareWays: 1, otherAmps: 22 },
    heaterPlace: placeNotChecked(),
    gasLineKw: null,
    gasPipe: { lengthM: null, boreMm: null, otherKw: null },
    sources: { mains: null, hardness: null },
    potable: null,
    hardnessMgL: 210,
    metered: true,
    backflowGuard: true,
    pressureReducer: true,
    expansionVessel: false,
    heatingMonths: HEATED,
    heating: { carrier: 'district-heat', efficiency: 1 },
    cooling: null,
    summerTime: 'europe',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'ilse', name: 'Ilse', kind: 'adult' },
      { id: 'tomas', name: 'Tomas', kind: 'adult' },
      { id: 'bo', name: 'Bo', kind: 'child' },
    ],
    uses: [
      shower(who('ilse', 'shower', 'ilse-shower', 'Ilse showers'), { days: 'every', at: '06:40', spreadMin: 12 }, 7),
      {
        // He puts it on and makes the tea.
        ...shower(
          who('tomas', 'shower', 'tomas-shower', 'Tomas showers'),
          { days: 'every', at: '07:00', spreadMin: 15, chance: 0.9 },
          8,
        ),
        unattendedS: 70,
      },
      bath(
        who('bo', 'bath', 'bo-bath', 'Bo has a bath'),
        { days: 'every', at: '19:00', spreadMin: 20, chance: 0.4 },
        80,
      ),
      basin(who(null, 'basin', 'wash', 'Hands and faces'), { days: 'every', at: '07:20', spreadMin: 20 }, 4),
      basin(who(null, 'basin', 'teeth', 'Teeth in the evening'), { days: 'every', at: '21:30', spreadMin: 25 }, 3),
      dishes(who(null, 'kitchen', 'pans', 'Pans in the evening'), { days: 'every', at: '20:00', spreadMin: 30 }, 12),
    ],
    absences: [{ personId: null, fromDay: 200, toDay: 213 }],
    guests: [],
    volumeFactor: 1,
    winterSwing: 0.07,
    seed: 5150,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('passage', 'Along the passage', null, ['multilayer', '20x2', 3.5], 'heated'),
      run('bath-branch', 'Bathroom branch', 'passage', ['multilayer', '16x2', 2], 'heated'),
      run('shower-run', 'To the shower', 'bath-branch', ['multilayer', '16x2', 1.5], 'heated'),
      run('bath-run', 'To the bath', 'bath-branch', ['multilayer', '16x2', 2], 'heated'),
      run('basin-run', 'To the basin', 'bath-branch', ['multilayer', '16x2', 1], 'heated'),
      run('kitchen-run', 'To the kitchen', 'passage', ['multilayer', '16x2', 6], 'heated'),
    ],
    taps: [
      {
        id: 'shower',
        name: 'Shower',
        runId: 'shower-run',
        kind: 'shower',
        flowLMin: 9.5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'bath',
        name: 'Bath',
        runId: 'bath-run',
        kind: 'bath',
        flowLMin: 12,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
      },
      {
        id: 'basin',
        name: 'Basin',
        runId: 'basin-run',
        kind: 'basin',
        flowLMin: 5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'kitchen',
        name: 'Kitchen sink',
        runId: 'kitchen-run',
        kind: 'kitchen',
        flowLMin: 7,
        mixes: true,
        drains: false,
        ...tapNotChecked(),
        minHotInletC: 45,
      },
    ],
    loop: null,
    deadLegLimitL: 1,
    energyLimitKwh: null,
    minBoreMm: null,
    drain: {
      stackHeightM: 1.7,
      diameterMm: 75,
      toMainM: 2,
      toHeaterM: 5,
      toShowerM: null,
      tapIds: ['shower'],
      access: true,
    },
    recovery: null,
  },
  plant: {
    heaters: [
      {
        ...heaterNotChecked(),
        kind: 'heat-pump',
        id: 'heat-pump',
        name: 'Heat pump on the cylinder',
        place: 'heated',
        sensorHeight: null,
        outputKw: 1.5,
        backupKw: 1.5,
        backupHeight: 0.05,
        air: 'where it stands',
        minOperatingAirC: 5,
        coil: { bottom: 0.05, top: 0.65 },
        backup: { by: 'top of store', belowK: 15 },
        standbyW: 4,
        settingsReviewed: false,
      },
    ],
    store: {
      ...storeNotChecked(),
      name: 'Store in the passage',
      place: 'heated',
      litres: 200,
      heightM: 1.3,
      loss: { kind: 'test', kwhDay: 1.2, riseK: 35 },
      sensorHeight: 0.45,
      inletMix: 0.05,
      mixing: 'none',
      reliefValve: true,
      reliefKind: 'temperature and pressure',
      reliefBar: 7,
      reliefPiped: true,
      reliefC: 90,
    },
  },
  controllers: CONTROLLERS,
  controls: untouched(
    {
      heaters: { 'heat-pump': { setpointC: 55, differentialK: 6, schedule: null, ...defaultFunctions() } },
      loop: { mode: 'off', schedule: everyDay(), ...defaultLoopControl() },
      ...defaultControls(CONTROLLERS),
    },
    'set',
  ),
  heating: null,
  prices: {
    currency: 'EUR',
    carriers: {
      electricity: {
        ...plainTariff(0.31, 0.22),
        bands: [
          { name: 'Night', price: 0.21, week: everyDay([0, 360], [1380, 1440]), months: Array<boolean>(12).fill(true) },
        ],
        source: 'Invented for the demo: cheaper at night',
      },
      'district-heat': { ...plainTariff(0.12, 0.15), source: 'Invented for the demo' },
    },
    water: { unit: 'm3', price: 2.3, sewer: 2.6, source: 'Invented for the demo', asOf: null },
    creditHouseHeat: true,
  },
  finishedOn: null,
  economics: NO_ECONOMICS,
  claims: [],
  ...NOTHING_DONE_YET,
  packages: [
    {
      id: 'drain-and-head',
      name: 'Drain unit and a slower shower',
      measures: [
        {
          kind: 'drain-recovery',
          id: 'drain',
          name: 'Upright unit under the shower',
          ...NOT_PRICED,
          partPrices: { 'drain unit upright': offeredAt(480), 'cold pipe m': offeredAt(9) },
          recovery: {
            connection: 'A',
            inspectedOn: null,
            mount: 'upright',
            effectiveness: 0.46,
            ratedFlowLMin: 9.2,
            warmUpS: 25,
            dropK: 4,
            dataSource: null,
            tapIds: ['shower'],
          },
        },
        {
          kind: 'tap-flow',
          id: 'head',
          name: 'Shower head of 7.5 L/min',
          ...NOT_PRICED,
          partPrices: { head: offeredAt(32) },
          tapId: 'shower',
          flowLMin: 7.5,
        },
      ],
    },
  ],
  readings: [],
  origins: {},
}
