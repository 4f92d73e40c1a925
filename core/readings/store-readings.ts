import { input } from '../calculators/fields'
import { storeUa } from '../household/store-connections'
import { storeThermostat } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { displayOf } from '../study/display-of'
import { KJ_PER_LITRE_K } from '../water/properties'
import { defineReading, impossible, type Judgement, NOTED } from './reading-kind'
import { differenceK, STEADINESS, TAKEN_WITH, thermometerK } from './taken-with'

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
  input: input(['storeC']).extend({ ...STEADINESS, ...TAKEN_WITH }),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, reading, { storeC, ...taken }): Judgement => {
    // The thermostat of the store, not of what finishes the water behind it.
    const held = storeThermostat(study)
    if (!held)
      return {
        ...NOTED,
        worked: {
          out: { storeC },
          steps: [],
          notes: ['No thermostat on this cylinder: nothing to compare with.'],
        },
        results: { storeC: { label: 'Top of the cylinder', quantity: 'temperature' } },
      }
    const { heaterId, setpointC } = held
    return {
      worked: {
        out: { storeC },
        steps: [],
        notes: storeC < SAFETY.livesOn.value ? ['Legionella survives at this temperature. Follow the local code.'] : [],
      },
      results: { storeC: { label: 'Top of the cylinder', quantity: 'temperature' } },
      verdict: {
        figure: { label: 'Top of the cylinder', quantity: 'temperature' },
        measured: storeC,
        modelled: setpointC,
        uncertainty: Math.max(SATISFIED_K, HELD_K + thermometerK(taken, reading, SATISFIED_K - HELD_K)),
        likely:
          storeC < setpointC
            ? ['drawn off since reheating', 'thermostat below its marking']
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
