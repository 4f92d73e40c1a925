import { pumpPower } from '../calculators/energy'
import { FIELDS, input } from '../calculators/fields'
import { dayOf } from '../household/lookups'
import { loopAir, loopUa } from '../household/loop'
import { storeThermostat } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { standingUa } from '../stores/standing-loss'
import { displayOf } from '../study/display-of'
import { density, KJ_PER_LITRE_K, specificHeat } from '../water/properties'
import { defineReading, impossible, type Judgement, NOTED } from './reading-kind'
import { mainsOffer } from './water-readings'
import { workedBy } from './worked-by'

/** A thermostat's store is within this of its setpoint when it has just been satisfied, K. */
const SATISFIED_K = 3

export const storeTop = defineReading({
  kind: 'store-top',
  title: 'Cylinder, top temperature',
  how: 'Sensor or pocket at the top, after the heater has stopped.',
  section: 'store',
  needs: ['thermometer'],
  at: null,
  input: input(['storeC']),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, _reading, { storeC }): Judgement => {
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
        uncertainty: SATISFIED_K,
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
  input: input(['fromC', 'toC', 'hours', 'ambientC']),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, _reading, { fromC, toC, hours, ambientC }): Judgement => {
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
    const modelled = standingUa(store.loss, store.litres)
    // Six tenths of a kelvin either way on the drop.
    const spread = (uaWK * 0.6) / Math.max(1, fromC - toC)
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

export const loop = defineReading({
  kind: 'loop',
  title: 'Circulation flow and return',
  how: 'Pump running for 30 min, no draw-off: pipe thermometers on flow and return, and the pump flow rate.',
  section: 'loop',
  needs: ['thermometer'],
  at: null,
  input: input(['supplyC', 'returnC', 'pumpLMin']),
  begin: {},
  possible: (study) => study.pipes.loop !== null,
  judge: (study, reading, { supplyC, returnC, pumpLMin }): Judgement => {
    const ambientC = loopAir(study, dayOf(reading.takenAt).month)
    const wrong =
      returnC > supplyC
        ? 'Return must not be above flow.'
        : returnC <= ambientC
          ? 'Return must be above the surrounding air.'
          : null
    if (wrong) return impossible(wrong)
    const carriedWK = (pumpLMin / 60) * density(supplyC) * specificHeat(supplyC)
    const lossW = carriedWK * (supplyC - returnC)
    const uaWK = carriedWK * Math.log((supplyC - ambientC) / (returnC - ambientC))
    const modelled = loopUa(study)
    return {
      worked: {
        out: { lossW, uaWK },
        steps: [
          { label: 'Heat capacity flow', formula: 'flow × ρ × c', value: carriedWK, quantity: 'lossRate' },
          { label: 'Loses', formula: 'heat capacity flow × (flow − return)', value: lossW, quantity: 'watts' },
          {
            label: 'Surrounding air',
            formula: 'mean of the pipe locations, weighted by loss',
            value: ambientC,
            quantity: 'temperature',
          },
          {
            label: 'Heat loss coefficient (UA)',
            formula: 'heat capacity flow × ln((flow − air) / (return − air))',
            value: uaWK,
            quantity: 'lossRate',
          },
        ],
        notes:
          returnC < SAFETY.loopReturn.value
            ? ['Secondary return in the growth range or below its limit. Follow the local code.']
            : [],
      },
      results: {
        lossW: { label: 'Loses', quantity: 'watts' },
        uaWK: { label: 'Heat loss coefficient (UA)', quantity: 'lossRate' },
      },
      verdict: {
        figure: { label: 'Circulation heat loss coefficient (UA)', quantity: 'lossRate' },
        measured: uaWK,
        modelled,
        // Four tenths of a kelvin on the drop, a twentieth on the flow.
        uncertainty: uaWK * (0.05 + 0.4 / Math.max(0.4, supplyC - returnC)),
        likely:
          uaWK > modelled
            ? ['more uninsulated pipe than entered', 'longer than entered', 'a branch circulates too']
            : ['pump flow lower than read', 'better insulated than entered'],
      },
      offers: [
        {
          path: 'pipes.loop.measuredUaWK',
          label: 'Circulation loss, measured',
          value: Math.round(uaWK * 100) / 100,
        },
      ],
    }
  },
})

export const pump = defineReading({
  kind: 'pump',
  title: 'Circulation pump power',
  how: 'Clamp meter on one conductor; power factor from a wattmeter if available.',
  section: 'loop',
  needs: ['clamp meter'],
  at: null,
  input: input(['volts', 'amps'], ['powerFactor']),
  begin: {},
  possible: (study) => study.pipes.loop !== null,
  judge: (study, _reading, values) => {
    const worked = workedBy(pumpPower, { ...values, hoursPerDay: 24, priceKwh: 0 })
    const watts = worked.out.watts as number
    const { powerFactor } = values
    return {
      worked: { out: { watts }, steps: worked.steps.slice(0, 1), notes: worked.notes },
      results: { watts: { label: 'Draws', quantity: 'watts' } },
      verdict: {
        figure: { label: 'Circulation pump power', quantity: 'watts' },
        measured: watts,
        modelled: study.pipes.loop!.pumpW,
        uncertainty: 2 + watts * (powerFactor === undefined ? 0.5 : 0.05),
        likely: powerFactor === undefined ? ['volt-amperes read as watts'] : ['pump on another speed'],
      },
      // Without a power factor it is an upper bound and corrects nothing.
      offers:
        powerFactor !== undefined
          ? [{ path: 'pipes.loop.pumpW', label: 'Pump power', value: Math.round(watts * 10) / 10 }]
          : [],
    }
  },
})

/** Flows of the two sides that differ by less count as equal. */
const EQUAL_FLOWS = 0.15

export const drain = defineReading({
  kind: 'drain',
  title: 'Waste water heat recovery, four temperatures',
  how: 'Shower at steady flow: cold in and out of the unit, drain in and out.',
  section: 'drain',
  needs: ['thermometer'],
  at: null,
  input: z.strictObject({
    coldC: FIELDS.coldC,
    preheatC: FIELDS.preheatC,
    drainC: FIELDS.drainC,
    drainOutC: FIELDS.drainOutC,
  }),
  begin: {},
  possible: () => true,
  judge: (study, reading, { coldC, preheatC, drainC, drainOutC }): Judgement => {
    const wrong =
      preheatC < coldC || drainOutC > drainC || preheatC > drainC
        ? 'Heat must flow from drain to cold water: check the four values.'
        : null
    if (wrong || drainC <= coldC) return impossible(wrong ?? 'Drain must be warmer than the cold water.')
    const effectiveness = (preheatC - coldC) / (drainC - coldC)
    const flows = (drainC - drainOutC) / Math.max(0.01, preheatC - coldC)
    return {
      worked: {
        out: { effectiveness, flows },
        steps: [
          {
            label: 'Effectiveness of the cold side',
            formula: '(preheated − cold) / (drain − cold)',
            value: effectiveness,
            decimals: 3,
          },
          {
            label: 'Cold flow / drain flow',
            formula: '(drain in − drain out) / (preheated − cold)',
            value: flows,
            decimals: 2,
          },
        ],
        notes:
          flows > 1.15 ? ['Drain gives more heat than the cold water takes: uneven film or thermometer error.'] : [],
      },
      results: {
        effectiveness: { label: 'Effectiveness of the cold side', decimals: 3 },
        flows: { label: 'Cold flow / drain flow', decimals: 2 },
      },
      verdict: null,
      // The cold water that came into the unit is the main's.
      offers: [
        mainsOffer(study, reading.takenAt, coldC),
        // Rated at equal flows: what was read with others says nothing of it.
        ...(study.pipes.recovery && Math.abs(flows - 1) < EQUAL_FLOWS
          ? [
              {
                path: 'pipes.recovery.effectiveness',
                label: 'Effectiveness of the heat recovery unit',
                value: Math.round(effectiveness * 1000) / 1000,
              },
            ]
          : []),
      ],
    }
  },
})
