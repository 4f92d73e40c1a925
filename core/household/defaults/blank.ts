import { everyDay } from '../../calendar/week'
import { CLIMATES } from '../../climate/archetypes'
import { roughlyIn } from '../../money/tariff'
import { defaultControls, defaultLoopControl } from '../../study/controls'
import { NO_ECONOMICS } from '../../study/economics'
import { oneController } from '../../study/new-controller'
import { VERSION } from '../../study/shape'
import type { Study } from '../../study/study'
import { assumedIn, originsOf } from './assumed'
import { assumedHeater, assumedStore, assumedTariff, defaultControl } from './assumed-heaters'
import { basin, DAYS_OF, dishes, foam, run, shower } from './build'
import { networksNotChecked, placeNotChecked, tapNotChecked } from './not-checked'
import { NOTHING_DONE_YET, untouched } from './visit'

const CONTROLLERS = oneController(['boiler'])

/** Currency to begin with, by units: what is written beside the other most often. */
const CURRENCY = { metric: 'EUR', us: 'USD' } as const

/**
 * A household to start from: one heater and store, a trunk with three taps, two people. Everything in it is assumed, says
 * so, and is there to be replaced.
 */
export function blankStudy(id: string, units: Study['units'] = 'metric', currency: string = CURRENCY[units]): Study {
  const study = begun(id, units, currency)
  const { site, people, pipes, plant, controls, prices } = study
  const { heatingMonths: _months, firstWeekday: _day, ...assumedSite } = site
  const { seed: _seed, ...assumedPeople } = people
  const origins = [
    [assumedSite, 'site'],
    [assumedPeople, 'people'],
    [pipes, 'pipes'],
    [plant, 'plant'],
    [controls.found.heaters, 'controls.found.heaters'],
    [prices, 'prices'],
  ] as const
  return { ...study, origins: originsOf(origins.map(([part, at]) => assumedIn(part, at))) }
}

function begun(id: string, units: Study['units'], currency: string): Study {
  const who = (tapId: string, habitId: string, name: string) => ({ id: habitId, name, personId: null, tapId })
  return {
    format: 'bagno-study',
    version: VERSION,
    id,
    name: 'New household',
    units,
    energyIn: 'kwh',
    numbers: 'not said',
    site: {
      name: 'Location not entered',
      note: '',
      altitudeM: 100,
      latitudeDeg: 47,
      monthlySunKwhM2: [...CLIMATES['temperate inland'].sunKwhM2],
      monthlyAirC: [3, 4, 7, 10, 14, 17.5, 19.5, 19, 15.5, 11.5, 7, 4],
      mains: { kind: 'model' },
      pressureBar: null,
      designAirC: null,
      frostGuard: 'not checked',
      networks: networksNotChecked(),
      electricMain: null,
      heaterPlace: placeNotChecked(),
      gasLineKw: null,
      gasPipe: { lengthM: null, boreMm: null, otherKw: null },
      sources: { mains: null, hardness: null },
      potable: null,
      hardnessMgL: null,
      metered: null,
      backflowGuard: null,
      pressureReducer: null,
      expansionVessel: null,
      heatingMonths: [true, true, true, true, false, false, false, false, false, true, true, true],
      heating: { carrier: 'natural-gas', efficiency: 0.88 },
      cooling: null,
      summerTime: units === 'us' ? 'north america' : 'europe',
      firstWeekday: 3,
    },
    people: {
      persons: [
        { id: 'first', name: 'First occupant', kind: 'adult' },
        { id: 'second', name: 'Second occupant', kind: 'adult' },
      ],
      uses: [
        shower(who('shower', 'shower-1', 'Morning shower'), { days: 'every', at: '06:50' }, 6),
        shower(who('shower', 'shower-2', 'Second shower'), { days: 'every', at: '07:20' }, 6),
        basin(who('basin', 'hands', 'Hands and faces'), { days: 'every', at: '07:40' }, 4),
        dishes(who('kitchen', 'dishes', 'Washing up'), { days: 'every', at: '19:30' }, 12),
      ].map((h) => ({ ...h, days: [...DAYS_OF.every] })),
      absences: [],
      guests: [],
      volumeFactor: 1,
      winterSwing: 0.06,
      seed: 1,
      draws: { kind: 'routine' },
    },
    pipes: {
      runs: [
        run('trunk', 'Trunk', null, ['copper-en', '22', 6], 'heated', foam(9)),
        run('to-shower', 'To the shower', 'trunk', ['copper-en', '15', 4], 'heated'),
        run('to-basin', 'To the basin', 'trunk', ['copper-en', '15', 3], 'heated'),
        run('to-kitchen', 'To the kitchen', 'trunk', ['copper-en', '15', 6], 'heated'),
      ],
      taps: [
        {
          id: 'shower',
          name: 'Shower',
          runId: 'to-shower',
          kind: 'shower',
          flowLMin: 8,
          mixes: true,
          drains: true,
          ...tapNotChecked(),
        },
        {
          id: 'basin',
          name: 'Basin',
          runId: 'to-basin',
          kind: 'basin',
          flowLMin: 5,
          mixes: true,
          drains: true,
          ...tapNotChecked(),
        },
        {
          id: 'kitchen',
          name: 'Kitchen sink',
          runId: 'to-kitchen',
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
      heaters: [assumedHeater('boiler-coil', 'boiler', 'heated', 'shower', null)],
      store: assumedStore('heated', 'boiler-coil'),
    },
    controllers: CONTROLLERS,
    controls: untouched(
      {
        heaters: { boiler: defaultControl('boiler-coil') },
        loop: { mode: 'off', schedule: everyDay(), ...defaultLoopControl() },
        ...defaultControls(CONTROLLERS),
      },
      'found',
    ),
    heating: null,
    prices: {
      currency,
      carriers: {
        'natural-gas': assumedTariff('natural-gas', units, currency),
        electricity: assumedTariff('electricity', units, currency),
      },
      water:
        units === 'us'
          ? {
              unit: 'thousand-gal',
              price: roughlyIn(currency, 6),
              sewer: roughlyIn(currency, 8),
              source: '',
              asOf: null,
            }
          : { unit: 'm3', price: roughlyIn(currency, 2), sewer: roughlyIn(currency, 2), source: '', asOf: null },
      creditHouseHeat: false,
    },
    finishedOn: null,
    economics: structuredClone(NO_ECONOMICS),
    packages: [],
    claims: [],
    ...NOTHING_DONE_YET,
    readings: [],
    origins: {},
  }
}
