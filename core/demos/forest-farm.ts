import { everyDay } from '../calendar/week'
import { everyMonth } from '../calendar/year'
import { CLIMATES } from '../climate/archetypes'
import { basin, bath, dishes, foam, run, shower } from '../household/blank/build'
import { plainTariff } from '../household/blank/plain-tariff'
import { unlookedHeater, unlookedStore, unlookedTap } from '../household/blank/unlooked'
import { BILLED } from '../money/billing'
import { beginControls, beginFunctions, beginLoop } from '../study/controls'
import { VERSION } from '../study/shape'
import type { Study } from '../study/study'

const who = (personId: string | null, tapId: string, id: string, name: string) => ({ id, name, personId, tapId })
const WINTER = [true, true, true, true, false, false, false, false, true, true, true, true]

/**
 * A farmhouse at the edge of a wood: a coil in the kitchen range warms a store upstairs by gravity in winter, collectors on
 * the barn in the rest of the year, and an element at the top of the store when neither does; a small store of its own in
 * the workshop across the yard.
 * Shows: heat that comes when it comes, what the element still has to add, a store that can get too hot, and what a
 * mixing valve is for.
 */
export const forestFarm: Study = {
  format: 'bagno-study',
  version: VERSION,
  id: 'forest-farm',
  name: 'Farmhouse by the wood',
  units: 'metric',
  energyIn: 'kwh',
  numbers: 'not said',
  site: {
    name: 'Clearing above the brook',
    note: 'Range in the kitchen, store in the box room right above it, workshop across the yard.',
    altitudeM: 540,
    latitudeDeg: 48,
    monthlyAirC: [-1, 0.5, 4.5, 9, 13.5, 17, 18.8, 18.4, 14.2, 9.2, 3.8, 0.2],
    monthlySunKwhM2: [...CLIMATES['temperate inland'].sunKwhM2],
    mains: { kind: 'model' },
    pressureBar: 2.6,
    hardnessMgL: 110,
    metered: false,
    backflowGuard: true,
    pressureReducer: false,
    expansionVessel: true,
    heatingMonths: WINTER,
    heating: { carrier: 'wood-logs', efficiency: 0.7 },
    summerTime: 'europe',
    firstWeekday: 3,
  },
  people: {
    persons: [
      { id: 'marta', name: 'Marta', kind: 'adult' },
      { id: 'jorun', name: 'Jorun', kind: 'adult' },
      { id: 'eskil', name: 'Eskil', kind: 'old' },
      { id: 'nele', name: 'Nele', kind: 'child' },
    ],
    habits: [
      shower(
        who('marta', 'shower', 'marta-shower', 'Marta showers after milking'),
        { days: 'every', at: '07:40', spreadMin: 15 },
        6,
      ),
      shower(
        who('jorun', 'shower', 'jorun-shower', 'Jorun showers in the evening'),
        { days: 'every', at: '19:30', spreadMin: 25, chance: 0.9 },
        7,
      ),
      shower(
        who('eskil', 'shower', 'eskil-shower', 'Eskil showers before noon'),
        { days: 'every', at: '11:00', spreadMin: 40, chance: 0.4 },
        6,
        38,
      ),
      bath(
        who('nele', 'bath', 'nele-bath', 'Nele has a bath'),
        { days: 'every', at: '18:45', spreadMin: 20, chance: 0.35 },
        90,
      ),
      basin(who(null, 'basin', 'wash', 'Hands and faces'), { days: 'every', at: '07:10', spreadMin: 20 }, 4),
      basin(who(null, 'basin', 'teeth', 'Teeth in the evening'), { days: 'every', at: '21:15', spreadMin: 25 }, 3),
      dishes(who(null, 'kitchen', 'pans-noon', 'Pans at noon'), { days: 'every', at: '13:00', spreadMin: 20 }, 12),
      dishes(who(null, 'kitchen', 'milk-cans', 'Milk cans'), { days: 'every', at: '08:30', spreadMin: 15 }, 18),
      basin(
        who('jorun', 'workshop', 'oily-hands', 'Oily hands in the workshop'),
        { days: 'work', at: '16:50', spreadMin: 30 },
        5,
      ),
    ],
    absences: [],
    guests: [{ name: 'Hay helpers', count: 2, likePersonId: 'jorun', fromDay: 176, toDay: 185 }],
    volumeFactor: 1,
    winterSwing: 0.08,
    seed: 208,
    draws: { kind: 'routine' },
  },
  pipes: {
    runs: [
      run('drop', 'Down from the box room', null, ['copper-en', '22', 3.5], 'heated', foam(13)),
      run('kitchen-run', 'To the kitchen', 'drop', ['copper-en', '15', 3], 'heated'),
      run('bath-main', 'Along to the bathroom', 'drop', ['copper-en', '22', 4], 'heated', foam(9)),
      run('shower-run', 'To the shower', 'bath-main', ['copper-en', '15', 2.5], 'heated'),
      run('bath-run', 'To the bath', 'bath-main', ['copper-en', '15', 2], 'heated'),
      run('basin-run', 'To the basin', 'bath-main', ['copper-en', '12', 2.5], 'heated'),
      run(
        'yard-run',
        'Under the yard to the workshop',
        'kitchen-run',
        ['pex-en', '20x2', 17],
        'ground',
        foam(13),
        false,
      ),
    ],
    taps: [
      {
        id: 'shower',
        name: 'Shower',
        runId: 'shower-run',
        kind: 'shower',
        flowLMin: 9,
        mixes: true,
        drains: true,
        ...unlookedTap(),
      },
      {
        id: 'bath',
        name: 'Bath',
        runId: 'bath-run',
        kind: 'bath',
        flowLMin: 14,
        mixes: true,
        drains: false,
        ...unlookedTap(),
      },
      {
        id: 'basin',
        name: 'Basin',
        runId: 'basin-run',
        kind: 'basin',
        flowLMin: 5,
        mixes: true,
        drains: true,
        ...unlookedTap(),
      },
      {
        id: 'kitchen',
        name: 'Kitchen sink',
        runId: 'kitchen-run',
        kind: 'kitchen',
        flowLMin: 8,
        mixes: true,
        drains: false,
        ...unlookedTap(),
        leastHotC: 48,
      },
      {
        id: 'workshop',
        name: 'Workshop basin',
        runId: 'yard-run',
        kind: 'basin',
        flowLMin: 5,
        mixes: true,
        drains: true,
        ...unlookedTap(),
      },
    ],
    loop: null,
    wasteLimitL: 1,
    drain: { stackHeightM: 1.9, diameterMm: 110, toMainM: 4, toHeaterM: 6, tapIds: ['shower'], access: true },
  },
  plant: {
    heaters: [
      {
        ...unlookedHeater(),
        kind: 'wood-coil',
        id: 'range',
        name: 'Coil in the range',
        place: 'heated',
        months: WINTER,
        carrier: 'wood-logs',
        waterKw: 1.6,
        efficiency: 0.65,
        firings: [
          { days: [true, true, true, true, true, true, true], atMin: 390, hours: 2, kg: 4 },
          { days: [true, true, true, true, true, true, true], atMin: 690, hours: 2, kg: 4 },
        ],
        coil: { bottom: 0.35, top: 0.9 },
        circuit: {
          pump: null,
          heightM: 2.1,
          lengthM: 7,
          horizontalM: 2,
          boreMm: 26.2,
          fittingsM: 4,
          portsApartM: 0.25,
        },
        note: 'Flue swept every autumn.',
      },
      {
        ...unlookedHeater(),
        kind: 'solar',
        id: 'barn-roof',
        name: 'Collectors on the barn',
        place: 'outdoors',
        areaM2: 5,
        optical: 0.78,
        lossLinear: 3.6,
        lossSquare: 0.014,
        incidence: 0.1,
        tiltDeg: 45,
        azimuthDeg: 15,
        coil: { bottom: 0.05, top: 0.35, uaWK: 450 },
        flowLMin: 3.5,
        pumpW: 30,
        storeLimitC: 85,
      },
      {
        ...unlookedHeater(),
        kind: 'element',
        id: 'top-element',
        name: 'Element at the top',
        place: 'heated',
        sensorHeight: 0.75,
        supply: { amps: 16, volts: 230 },
        powerKw: 3,
        height: 0.6,
        settingsReviewed: false,
      },
      {
        ...unlookedHeater(),
        kind: 'under-sink',
        id: 'workshop-store',
        name: 'Store in the workshop',
        place: 'cellar',
        supply: null,
        tapId: 'workshop',
        litres: 10,
        uaWK: 0.4,
        powerKw: 2,
        feed: 'cold',
      },
    ],
    store: {
      ...unlookedStore(),
      name: 'Store in the box room',
      place: 'heated',
      litres: 300,
      heightM: 1.6,
      loss: { kind: 'label', label: 'C' },
      sensorHeight: 0.6,
      inletMix: 0.05,
      mixing: { mixesToC: 52 },
      reliefValve: true,
      reliefC: 93,
    },
  },
  controls: {
    found: {
      heaters: {
        'top-element': { setpointC: 58, hysteresisK: 6, windows: null, ...beginFunctions() },
        'workshop-store': { setpointC: 60, hysteresisK: 8, windows: null, ...beginFunctions() },
      },
      loop: { mode: 'off', windows: everyDay(), ...beginLoop() },
      ...beginControls(),
      grid: { stepMin: 15, periodsPerDay: 3, days: 'same' },
    },
    foundOn: null,
    set: null,
    setOn: null,
    reasons: [],
  },
  prices: {
    currency: 'EUR',
    carriers: {
      'wood-logs': {
        ...plainTariff(0, 0.03),
        unit: 'stacked-m3',
        kwhPerUnit: Math.round(BILLED['wood-logs']['stacked-m3']!),
        price: 85,
        source: 'Invented for the demo: delivered, split and dry',
      },
      electricity: {
        ...plainTariff(0.32, 0.22),
        bands: [
          {
            name: 'Summer middays',
            price: 0.24,
            week: everyDay([660, 960]),
            months: everyMonth(false).map((_, m) => m >= 4 && m <= 7),
          },
        ],
        source: 'Invented for the demo: a band that holds in summer',
      },
    },
    water: { unit: 'm3', price: 0, sewer: 1.4, source: 'Invented for the demo: a spring of its own', asOf: null },
    creditHouseHeat: true,
  },
  packages: [
    {
      id: 'middays-cooler',
      name: 'Element at midday, workshop cooler',
      measures: [
        {
          kind: 'heater-windows',
          id: 'midday',
          name: 'Element only at midday and evening',
          costMoney: 0,
          heaterId: 'top-element',
          windows: everyDay([660, 960], [1080, 1200]),
        },
        {
          kind: 'setpoint',
          id: 'workshop-fifty',
          name: 'Workshop store at 50 °C',
          costMoney: 0,
          heaterId: 'workshop-store',
          setpointC: 50,
        },
      ],
    },
  ],
  readings: [],
  origins: {
    'plant.store.loss': 'assumed',
    'plant.heaters.range.waterKw': 'assumed',
    'plant.heaters.range.efficiency': 'assumed',
    'site.mains': 'assumed',
  },
}
