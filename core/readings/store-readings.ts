import { input } from '../calculators/fields'
import { HEATERS } from '../heaters/kinds'
import { airAround } from '../household/air-around'
import { atAltitude } from '../household/at-altitude'
import { dayOf, heaterOf } from '../household/lookups'
import { storeUa } from '../household/store-connections'
import { storeThermostat } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { displayOf } from '../study/display-of'
import { outputOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import { KJ_PER_LITRE_K } from '../water/properties'
import { defineReading, impossible, type Judgement, NOTED } from './reading-kind'
import { differenceK, STEADINESS, TAKEN_WITH, thermometerK } from './taken-with'

/** Rise of a store in an hour, K, from what was read of it. */
export const gainKPerHour = ({ fromC, toC, minutes }: { fromC: number; toC: number; minutes: number }): number =>
  ((toC - fromC) / minutes) * 60

/** A thermostat's store is within this of its setpoint when it has just been satisfied, as read; and as it is held, K. */
const SATISFIED_K = 3
const HELD_K = 1

export const storeTop = defineReading({
  kind: 'store-top',
  title: 'Cylinder, top temperature',
  how: 'Sensor or pocket at the top, after the heater has stopped.',
  section: 'store',
  needs: ['thermometer'],
  at: null,
  input: input(['storeC'], ['flowLMin']).extend({ ...STEADINESS, ...TAKEN_WITH }),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, reading, { storeC, flowLMin, ...taken }): Judgement => {
    const drawn =
      flowLMin === undefined
        ? []
        : [
            `Read while ${displayOf(study).figure('flow', flowLMin)} ran: this is what leaves the cylinder, and it falls as the hot water is used up.`,
          ]
    // The thermostat of the store, not of what finishes the water behind it.
    const held = storeThermostat(study)
    if (!held)
      return {
        ...NOTED,
        worked: {
          out: { storeC },
          steps: [],
          notes: [...drawn, 'No thermostat on this cylinder: nothing to compare with.'],
        },
        results: { storeC: { label: 'Top of the cylinder', quantity: 'temperature' } },
      }
    const { heaterId, setpointC } = held
    return {
      worked: {
        out: { storeC },
        steps: [],
        notes: [
          ...drawn,
          ...(storeC < SAFETY.livesOn.value ? ['Legionella survives at this temperature. Follow the local code.'] : []),
        ],
      },
      results: { storeC: { label: 'Top of the cylinder', quantity: 'temperature' } },
      verdict: {
        figure: { label: 'Top of the cylinder', quantity: 'temperature' },
        measured: storeC,
        modelled: setpointC,
        uncertainty: Math.max(SATISFIED_K, HELD_K + thermometerK(taken, reading, SATISFIED_K - HELD_K)),
        likely:
          storeC < setpointC
            ? [
                flowLMin === undefined ? 'drawn off since reheating' : 'drawn down by what ran meanwhile',
                'thermostat below its marking',
              ]
            : ['thermostat above its marking', 'boost or pasteurisation cycle active'],
      },
      offers: [
        {
          path: `controls.found.heaters.${heaterId}.setpointC`,
          label: 'Setpoint as found, actual',
          value: storeC,
        },
      ],
    }
  },
})

/** Of the volume that a heater warms, for water below it that mixes in; of an output read off two temperatures. */
const HEATED_SHARE_DOUBT = 0.15

/** Of a store, what a heater in it warms: all above its element, its coil or its condenser; a burner under it warms all. */
function heatedShare(heater: Heater): number {
  if ('coil' in heater) return 1 - heater.coil.bottom
  return 'height' in heater ? 1 - heater.height : 1
}

/** What its plate says goes into the water: of a coil and a condenser it is the water that decides, and of a fire the wood. */
const givesItsOutput = (heater: Heater) => !('coil' in heater) && HEATERS[heater.kind].thermostat

export const reheat = defineReading({
  kind: 'reheat',
  title: 'Cylinder, reheating',
  how: 'No draw-off, circulation off, heater at full output: cylinder temperature at two times.',
  section: 'store',
  needs: ['thermometer', 'watch'],
  at: 'heater',
  input: input(['fromC', 'toC', 'minutes']).extend(TAKEN_WITH),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, reading, { fromC, toC, minutes, ...taken }): Judgement => {
    const heater = heaterOf(study, reading.where)
    const store = study.plant.store!
    if (toC <= fromC) return impossible('The end must be warmer than the start.')
    if (heatedShare(heater) <= 0)
      return impossible('The heat input is entered at the very top of the cylinder: nothing is above it.')
    const { month } = dayOf(reading.takenAt)
    const gainKH = gainKPerHour({ fromC, toC, minutes })
    const heatedL = store.litres * heatedShare(heater)
    const intoKw = (heatedL * KJ_PER_LITRE_K * gainKH) / 3600
    const aboveK = Math.max(0, (fromC + toC) / 2 - airAround(store, month, study.site.monthlyAirC))
    const kw = intoKw + (storeUa(study)! * aboveK) / 1000
    const output = outputOf(atAltitude(heater, study.site.altitudeM))
    return {
      worked: {
        out: { gainKH, kw },
        steps: [
          { label: 'Rise per hour', formula: '(end − start) / time', value: gainKH, quantity: 'rise' },
          { label: 'Heated volume', formula: 'volume above the heat input', value: heatedL, quantity: 'volume' },
          {
            label: 'Output into the water',
            formula: 'heated volume × ρ × c × rise per hour + UA × (mean − air)',
            value: kw,
            quantity: 'power',
          },
        ],
        notes: [
          'At the same start the rise per hour falls as the coil or the element scales: measure again next year.',
          ...(givesItsOutput(heater)
            ? []
            : ['Not compared with the rated output: the cylinder decides what it takes.']),
        ],
      },
      results: {
        gainKH: { label: 'Rise per hour', quantity: 'rise' },
        kw: { label: 'Output into the water', quantity: 'power' },
      },
      verdict:
        output && givesItsOutput(heater)
          ? {
              figure: { label: `Output of ${heater.name}`, quantity: 'power' },
              measured: kw,
              modelled: output.kw,
              uncertainty: kw * Math.hypot(HEATED_SHARE_DOUBT, differenceK(taken, reading) / (toC - fromC)),
              likely:
                kw < output.kw
                  ? ['scale on element or heat exchanger', 'thermostat satisfied in between', 'water drawn in between']
                  : ['cold water below the heat input was not warmed', 'the start was read too early'],
            }
          : null,
      offers: [],
    }
  },
})

export const overnightDrop = defineReading({
  kind: 'overnight-drop',
  title: 'Cylinder, overnight drop',
  how: 'Heater and circulation off, no draw-off: cylinder temperature evening and morning, and the air beside it.',
  section: 'store',
  needs: ['thermometer'],
  at: null,
  input: input(['fromC', 'toC', 'hours', 'ambientC']).extend(TAKEN_WITH),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, reading, { fromC, toC, hours, ambientC, ...taken }): Judgement => {
    const store = study.plant.store!
    const wrong =
      toC > fromC
        ? 'Must not be above the evening value with the heater off.'
        : toC <= ambientC
          ? 'Must be above the surrounding air.'
          : null
    if (wrong) return impossible(wrong)
    const tauH = hours / Math.log((fromC - ambientC) / (toC - ambientC))
    const uaWK = toC === fromC ? 0 : (store.litres * KJ_PER_LITRE_K) / 3.6 / tauH
    const modelled = storeUa(study)!
    const spread = (uaWK * differenceK(taken, reading)) / Math.max(1, fromC - toC)
    return {
      worked: {
        out: { uaWK, kwhDay: (uaWK * 45 * 24) / 1000 },
        steps: [
          {
            label: 'Heat held',
            formula: 'volume × ρ × c',
            value: (store.litres * KJ_PER_LITRE_K) / 3600,
            unit: 'kWh/K',
            decimals: 3,
          },
          {
            label: 'Heat loss coefficient (UA)',
            formula: 'heat held × ln((from − air) / (to − air)) / hours',
            value: uaWK,
            quantity: 'lossRate',
          },
        ],
        notes: fromC - toC < 2 ? ['Drop too small for a useful result: measure over a longer night.'] : [],
      },
      results: {
        uaWK: { label: 'Heat loss coefficient (UA)', quantity: 'lossRate' },
        kwhDay: { label: `Per day at ${displayOf(study).figure('rise', 45)}`, unit: 'kWh', decimals: 2 },
      },
      verdict: {
        figure: { label: 'Cylinder heat loss coefficient (UA)', quantity: 'lossRate' },
        measured: uaWK,
        modelled,
        uncertainty: spread + 0.05 * uaWK,
        likely:
          uaWK > modelled
            ? ['pipe conduction at the cylinder (no heat trap)', 'unwanted gravity circulation', 'damaged insulation']
            : ['the label is an upper bound'],
      },
      offers:
        uaWK <= 100
          ? [
              {
                path: 'plant.store.loss',
                label: 'Standing loss of the cylinder, measured',
                value: { kind: 'ua', uaWK: Math.round(uaWK * 1000) / 1000 },
              },
            ]
          : [],
    }
  },
})
