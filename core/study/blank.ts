import { CLIMATES } from '../climate/archetypes'
import { everyDay } from '../controls/week'
import { DAYS_OF, basin, dishes, foam, run, shower } from '../demos/build'
import { unlookedHeater, unlookedStore, unlookedTap } from './unlooked'
import { plainTariff } from '../money/prices'
import type { Study } from './study'

/**
 * A household to start from: one heater and store, a trunk with three taps, two people. Everything in it is assumed and
 * is there to be replaced.
 */
export function blankStudy(id: string): Study {
  const who = (tapId: string, habitId: string, name: string) => ({ id: habitId, name, personId: null, tapId })
  return {
    format: 'bagno-study',
    version: 4,
    id,
    name: 'New household',
    units: 'metric',
  energyIn: 'kwh',
    site: {
      name: 'Where it is',
      note: '',
      altitudeM: 100,
      latitudeDeg: 47,
      monthlySunKwhM2: [...CLIMATES['temperate inland'].sunKwhM2],
      monthlyAirC: [3, 4, 7, 10, 14, 17.5, 19.5, 19, 15.5, 11.5, 7, 4],
      mains: { kind: 'model' },
      pressureBar: null,
      hardnessMgL: null,
      metered: null,
      backflowGuard: null,
      pressureReducer: null,
      expansionVessel: null,
      heatingMonths: [true, true, true, true, false, false, false, false, false, true, true, true],
      heating: { carrier: 'natural-gas', efficiency: 0.88 },
      firstWeekday: 3,
    },
    people: {
      persons: [
        { id: 'first', name: 'First person', kind: 'adult' },
        { id: 'second', name: 'Second person', kind: 'adult' },
      ],
      habits: [
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
        { id: 'shower', name: 'Shower', runId: 'to-shower', kind: 'shower', flowLMin: 8, mixes: true, drains: true, ...unlookedTap() },
        { id: 'basin', name: 'Basin', runId: 'to-basin', kind: 'basin', flowLMin: 5, mixes: true, drains: true, ...unlookedTap() },
        { id: 'kitchen', name: 'Kitchen sink', runId: 'to-kitchen', kind: 'kitchen', flowLMin: 6, mixes: true, drains: false, ...unlookedTap() },
      ],
      loop: null,
      wasteLimitL: null,
      drain: null,
    },
    plant: {
      heaters: [
        {
          kind: 'boiler-coil',
          outputHolds: 'at this height',
          sensorHeight: null,
          id: 'boiler',
          name: 'Boiler',
          place: 'heated',
          ...unlookedHeater(),
          carrier: 'natural-gas',
          outputKw: 18,
          leastOutputKw: 5,
          efficiency: { kind: 'condensing', shift: 0 },
          purgeWh: 4,
          startLagS: 8,
          standbyW: 4,
          coil: { bottom: 0.08, top: 0.5, uaWK: 600 },
          primary: { litres: 6, uaWK: 3, flowLMin: 15, flowMaxC: 78, pumpW: 40, bandK: 5, overrunS: 0 },
        },
      ],
      store: { name: 'Store', place: 'heated', litres: 150, heightM: 1.2, loss: { kind: 'label', label: 'C' }, sensorHeight: 0.45, inletMix: 0.05, ...unlookedStore() },
    },
    controls: {
      found: {
        heaters: { boiler: { setpointC: 60, hysteresisK: 5, windows: null, keepHot: false } },
        loop: { mode: 'off', windows: everyDay() },
        grid: { stepMin: 30, periodsPerDay: 4, days: 'each' },
      },
      foundOn: null,
      set: null,
      setOn: null,
    },
    prices: {
      currency: 'EUR',
      carriers: {
        'natural-gas': { ...plainTariff(0.11, 0.183) },
        electricity: { ...plainTariff(0.3, 0.25) },
      },
      water: { unit: 'm3', price: 2, sewer: 2, source: '', asOf: null },
      creditHouseHeat: false,
    },
    packages: [],
    readings: [],
    origins: { 'site.mains': 'assumed', 'plant.store.loss': 'assumed' },
  }
}
