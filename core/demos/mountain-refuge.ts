import { everyDay } from '../calendar/week'
import { basin, dishes, foam, run, shower } from '../household/defaults/build'
import {
  combustionNotChecked,
  failSafeNotChecked,
  heaterNotChecked,
  networksNotChecked,
  placeNotChecked,
  storeNotChecked,
  tapNotChecked,
} from '../household/defaults/not-checked'
import { plainTariff } from '../household/defaults/plain-tariff'
import { NOTHING_DONE_YET, untouched } from '../household/defaults/visit'
import { BILLED } from '../money/billing'
import { defaultControls, defaultFunctions, defaultLoopControl } from '../study/controls'
import { NO_ECONOMICS, offeredAt } from '../study/economics'
import { NOT_PRICED } from '../study/measures'
import { oneController } from '../study/new-controller'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })
/** Open from March to the end of October; the fire heats the water in spring and autumn, the sun in summer. */
const OPEN = { fromDay: 60, toDay: 304 } as const
const FIRE_MONTHS = [false, false, true, true, true, false, false, false, true, true, false, false]
/** Drained down with the house. */
const SUN_MONTHS = [false, false, true, true, true, true, true, true, true, true, false, false]

const CONTROLLERS = oneController(['element'], { stepMin: 30, periodsPerDay: 2, days: 'same' })

/**
 * A refuge of eight beds above the tree line, shut in deep winter: a jacket in the stove of the common room loads a store
 * under the roof by gravity, collectors do it in summer, and a small element on the refuge's own sun and batteries finishes.
 * Shows: gravity circulation and its heights, a relief valve that matters, seasons, what happens when nobody draws, and
 * what is dear where every kWh is carried up.
 */
export const mountainRefuge: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'mountain-refuge',
  name: 'Refuge on the saddle',
  units: 'metric',
  energyIn: 'kwh',
  numbers: 'not said',
  site: {
    name: 'Saddle below the two horns',
    note: 'Reached on foot. Stove in the common room, cylinder under the roof right above it, washroom beside the bunks.',
    altitudeM: 1940,
    latitudeDeg: 46,
    monthlyAirC: [-7, -6.5, -4, -0.5, 4, 7.5, 10, 9.8, 6.8, 2.8, -2.5, -6],
    monthlySunKwhM2: [1.8, 2.7, 4, 5, 5.4, 5.8, 6, 5.2, 4.1, 2.8, 1.9, 1.5],
    mains: { kind: 'monthly', monthlyC: [2, 2, 2.5, 3, 4, 5.5, 7, 7.5, 6.5, 5, 3.5, 2.5] },
    pressureBar: 1.6,
    designAirC: -24,
    frostGuard: 'not checked',
    networks: networksNotChecked(),
    electricMain: { amps: 25, volts: 230, phases: 1, spareWays: 1, otherAmps: 8 },
    heaterPlace: placeNotChecked(),
    gasLineKw: null,
    gasPipe: { lengthM: null, boreMm: null, otherKw: null },
    sources: { mains: null, hardness: null },
    potable: null,
    hardnessMgL: 45,
    metered: false,
    backflowGuard: false,
    pressureReducer: false,
    expansionVessel: null,
    heatingMonths: FIRE_MONTHS,
    heating: { carrier: 'wood-logs', efficiency: 0.7 },
    cooling: null,
    summerTime: 'europe',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'aldo', name: 'Aldo, warden', kind: 'adult' },
      { id: 'mirja', name: 'Mirja, warden', kind: 'adult' },
      { id: 'walker', name: 'A walker', kind: 'adult' },
    ],
    uses: [
      shower(
        who('aldo', 'shower', 'aldo-shower', 'Aldo showers'),
        { days: 'every', at: '06:10', spreadMin: 15, chance: 0.6 },
        4,
        38,
      ),
      shower(
        who('mirja', 'shower', 'mirja-shower', 'Mirja showers'),
        { days: 'every', at: '21:40', spreadMin: 20, chance: 0.6 },
        4,
        38,
      ),
      shower(
        who('walker', 'shower', 'walker-shower', 'A walker showers by token'),
        { days: 'every', at: '17:20', spreadMin: 70, chance: 0.5 },
        3,
        38,
      ),
      basin(
        who('walker', 'washroom', 'walker-wash', 'A walker washes'),
        { days: 'every', at: '18:10', spreadMin: 60 },
        4,
      ),
      dishes(
        who(null, 'kitchen', 'soup-pots', 'Pots after the evening meal'),
        { days: 'every', at: '20:15', spreadMin: 20 },
        25,
      ),
      dishes(who(null, 'kitchen', 'breakfast', 'After breakfast'), { days: 'every', at: '08:00', spreadMin: 20 }, 14),
    ],
    absences: [
      { personId: null, fromDay: 1, toDay: OPEN.fromDay - 1 },
      { personId: null, fromDay: OPEN.toDay + 1, toDay: 365 },
    ],
    guests: [
      { name: 'Spring tours', count: 3, likePersonId: 'walker', fromDay: OPEN.fromDay, toDay: 120 },
      { name: 'Summer, full house', count: 7, likePersonId: 'walker', fromDay: 172, toDay: 258 },
    ],
    volumeFactor: 1,
    winterSwing: 0.04,
    seed: 1940,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('down', 'Down from the roof', null, ['copper-en', '22', 3], 'heated', foam(13)),
      run('wash-main', 'Along to the washroom', 'down', ['copper-en', '22', 4], 'heated', foam(13)),
      run('shower-run', 'To the shower', 'wash-main', ['copper-en', '15', 1.5], 'heated'),
      run('basin-run', 'To the washroom basin', 'wash-main', ['copper-en', '12', 2], 'heated'),
      run('kitchen-run', 'To the kitchen', 'down', ['copper-en', '15', 2.5], 'heated'),
    ],
    taps: [
      {
        id: 'shower',
        name: 'Shower, by token',
        runId: 'shower-run',
        kind: 'shower',
        flowLMin: 6,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      },
      {
        id: 'washroom',
        name: 'Washroom basin',
        runId: 'basin-run',
        kind: 'basin',
        flowLMin: 4,
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
    deadLegLimitL: 0.8,
    energyLimitKwh: null,
    minBoreMm: null,
    drain: {
      stackHeightM: 0.9,
      diameterMm: 110,
      toMainM: 3,
      toHeaterM: 7,
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
        ...combustionNotChecked(),
        kind: 'wood-coil',
        way: { rises: true, canBeShut: false, filled: true },
        id: 'stove',
        name: 'Jacket in the stove',
        place: 'heated',
        months: FIRE_MONTHS,
        carrier: 'wood-logs',
        waterKw: 1.3,
        efficiency: 0.68,
        firings: [
          { days: [true, true, true, true, true, true, true], atMin: 360, hours: 2, kg: 4 },
          { days: [true, true, true, true, true, true, true], atMin: 990, hours: 3, kg: 6 },
        ],
        coil: { bottom: 0.3, top: 0.9 },
        circuit: {
          pump: null,
          heightM: 2.4,
          lengthM: 6.5,
          horizontalM: 1,
          boreMm: 26.2,
          fittingsM: 4,
          portsApartM: 0.35,
          ...failSafeNotChecked(),
        },
        note: 'Unions at both ports, drain cock at the foot of the cold pipe.',
      },
      {
        ...heaterNotChecked(),
        kind: 'solar',
        id: 'south-wall',
        name: 'Collectors on the south wall',
        place: 'outdoors',
        months: SUN_MONTHS,
        areaM2: 4,
        eta0: 0.72,
        a1: 1.5,
        a2: 0.008,
        iamB0: 0.1,
        tiltDeg: 70,
        azimuthDeg: -5,
        coil: { bottom: 0.05, top: 0.4, uaWK: 500 },
        flowLMin: 4,
        pumpW: 25,
        storeLimitC: 85,
        sensorHeight: null,
      },
      {
        ...heaterNotChecked(),
        kind: 'element',
        id: 'element',
        name: 'Element on the battery',
        place: 'heated',
        sensorHeight: 0.8,
        supply: { amps: 10, volts: 230 },
        powerKw: 1.5,
        height: 0.65,
        settingsReviewed: true,
      },
    ],
    store: {
      ...storeNotChecked(),
      name: 'Store under the roof',
      place: 'heated',
      litres: 400,
      heightM: 1.7,
      loss: { kind: 'label', label: 'C' },
      sensorHeight: 0.6,
      inletMix: 0.05,
      mixing: { mixesToC: 50, testedOn: null },
      reliefValve: true,
      reliefKind: 'temperature and pressure',
      reliefBar: 7,
      reliefPiped: true,
      reliefC: 93,
      valveBeforeRelief: false,
    },
  },
  controllers: CONTROLLERS,
  controls: untouched(
    {
      heaters: {
        element: { setpointC: 50, differentialK: 6, schedule: everyDay([960, 1320]), ...defaultFunctions() },
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
      'wood-logs': {
        ...plainTariff(0, 0.03),
        unit: 'stacked-m3',
        kwhPerUnit: Math.round(BILLED['wood-logs']['stacked-m3']!),
        price: 190,
        source: 'Invented for the demo: brought up by the ropeway',
      },
      electricity: { ...plainTariff(0.85, 0.1), source: 'Invented for the demo: panels, battery and their renewal' },
    },
    water: { unit: 'm3', price: 0, sewer: 0, source: 'Invented for the demo: a spring of its own', asOf: null },
    creditHouseHeat: false,
  },
  finishedOn: null,
  economics: NO_ECONOMICS,
  claims: [],
  ...NOTHING_DONE_YET,
  packages: [
    {
      id: 'less-battery',
      name: 'Jacket, a slower token shower, element later',
      measures: [
        {
          kind: 'jacket',
          id: 'jacket',
          name: 'Cylinder jacket, 80 mm',
          ...NOT_PRICED,
          partPrices: { 'jacket 0,037 80': offeredAt(95) },
          insulation: { lambdaWMK: 0.037, thicknessMm: 80 },
          coveredShare: 0.8,
          clear: [],
        },
        {
          kind: 'tap-flow',
          id: 'head',
          name: 'Shower head of 4.5 L/min',
          ...NOT_PRICED,
          partPrices: { head: offeredAt(38) },
          tapId: 'shower',
          flowLMin: 4.5,
        },
        {
          kind: 'setpoint',
          id: 'forty-six',
          name: 'Element at 46 °C',
          ...NOT_PRICED,
          costMoney: 0,
          heaterId: 'element',
          setpointC: 46,
        },
      ],
    },
  ],
  readings: [],
  origins: {
    'plant.store.loss': 'assumed',
    'plant.heaters.stove.waterKw': 'assumed',
    'plant.heaters.stove.efficiency': 'assumed',
  },
}
