import { loopAir, loopUa } from '../household/loop'
import { storeThermostat } from '../household/supply'
import { dayOf } from '../household/ways'
import { SAFETY } from '../safety/limits'
import { z } from '../schema/zod'
import { standingUa } from '../stores/standing-loss'
import { pumpPower } from '../sums/energy'
import { FIELDS, input } from '../sums/fields'
import { density, KJ_PER_LITRE_K, specificHeat } from '../water/properties'
import { defineReading, impossible, type Judgement, NOTED } from './reading-kind'
import { mainsOffer } from './water-readings'
import { workedBy } from './worked-by'

/** A thermostat's store is within this of its setpoint when it has just been satisfied, K. */
const SATISFIED_K = 3

export const storeTop = defineReading({
  kind: 'store-top',
  title: 'Store, at its top',
  how: 'Sensor or pocket at the top, after the heater has rested.',
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
          notes: ['No thermostat holds this store: there is nothing to compare it with.'],
        },
        results: { storeC: { label: 'Top of the store', quantity: 'temperature' } },
      }
    const { heaterId, setpointC } = held
    return {
      worked: {
        out: { storeC },
        steps: [],
        notes:
          storeC < SAFETY.livesOn.value ? ['Tepid: bacteria live on in a store this cool. Follow the local code.'] : [],
      },
      results: { storeC: { label: 'Top of the store', quantity: 'temperature' } },
      verdict: {
        figure: { label: 'Top of the store', quantity: 'temperature' },
        measured: storeC,
        modelled: setpointC,
        uncertainty: SATISFIED_K,
        likely:
          storeC < setpointC
            ? ['it was drawn from since it was heated', 'the dial stands lower than it says']
            : ['the dial stands higher than it says', 'a boost or a hot run is on'],
      },
      offers: [
        {
          path: `controls.found.heaters.${heaterId}.setpointC`,
          label: 'Setpoint as found, as it really is',
          value: storeC,
        },
      ],
    }
  },
})

export const overnightDrop = defineReading({
  kind: 'overnight-drop',
  title: 'Store, overnight drop',
  how: 'Heater and loop off, nothing drawn: the store in the evening and in the morning, and the air beside it.',
  at: null,
  input: input(['fromC', 'toC', 'hours', 'ambientC']),
  begin: {},
  possible: (study) => study.plant.store !== null,
  judge: (study, _reading, { fromC, toC, hours, ambientC }): Judgement => {
    const store = study.plant.store!
    const wrong =
      toC > fromC
        ? 'It cannot have warmed with the heater off.'
        : toC <= ambientC
          ? 'It cannot have cooled to the air or below.'
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
            formula: 'litres × heat of a litre',
            value: (store.litres * KJ_PER_LITRE_K) / 3600,
            unit: 'kWh/K',
            decimals: 3,
          },
          {
            label: 'Loss for each kelvin',
            formula: 'heat held × ln((from − air) / (to − air)) / hours',
            value: uaWK,
            quantity: 'lossRate',
          },
        ],
        notes: fromC - toC < 2 ? ['A drop of less than 2 K says little: take it over a longer night.'] : [],
      },
      results: {
        uaWK: { label: 'Loss for each kelvin', quantity: 'lossRate' },
        kwhDay: { label: 'A day at 45 K', unit: 'kWh', decimals: 2 },
      },
      verdict: {
        figure: { label: 'Loss of the store for each kelvin', quantity: 'lossRate' },
        measured: uaWK,
        modelled,
        uncertainty: spread + 0.05 * uaWK,
        likely:
          uaWK > modelled
            ? [
                'pipes near the store carry heat off (no heat trap)',
                'a loop or a heating circuit circulates by itself',
                'the insulation is damaged',
              ]
            : ['the label gives an upper bound, and this store is better'],
      },
      offers:
        uaWK <= 100
          ? [
              {
                path: 'plant.store.loss',
                label: 'Standing loss of the store, as measured',
                value: { kind: 'ua', uaWK: Math.round(uaWK * 1000) / 1000 },
              },
            ]
          : [],
    }
  },
})

export const loop = defineReading({
  kind: 'loop',
  title: 'Loop, out and back',
  how: 'Pump running for half an hour, no draws: pipe thermometers on flow and return, and the pump’s flow.',
  at: null,
  input: input(['supplyC', 'returnC', 'pumpLMin']),
  begin: {},
  possible: (study) => study.pipes.loop !== null,
  judge: (study, reading, { supplyC, returnC, pumpLMin }): Judgement => {
    const ambientC = loopAir(study, dayOf(reading.takenAt).month)
    const wrong =
      returnC > supplyC
        ? 'It cannot come back hotter than it leaves.'
        : returnC <= ambientC
          ? 'It cannot come back at the air or below.'
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
          { label: 'Carried by the flow', formula: 'flow × ρ × c', value: carriedWK, quantity: 'lossRate' },
          { label: 'Loses', formula: 'carried × (out − back)', value: lossW, quantity: 'watts' },
          {
            label: 'Air around it',
            formula: 'by the places its pipes pass, each counting by what it loses',
            value: ambientC,
            quantity: 'temperature',
          },
          {
            label: 'For each kelvin',
            formula: 'carried × ln((out − air) / (back − air))',
            value: uaWK,
            quantity: 'lossRate',
          },
        ],
        notes:
          returnC < SAFETY.loopReturn.value
            ? ['A return this cool lets bacteria grow in the loop. Follow the local code.']
            : [],
      },
      results: {
        lossW: { label: 'Loses', quantity: 'watts' },
        uaWK: { label: 'For each kelvin', quantity: 'lossRate' },
      },
      verdict: {
        figure: { label: 'Loss of the loop for each kelvin', quantity: 'lossRate' },
        measured: uaWK,
        modelled,
        // Four tenths of a kelvin on the drop, a twentieth on the flow.
        uncertainty: uaWK * (0.05 + 0.4 / Math.max(0.4, supplyC - returnC)),
        likely:
          uaWK > modelled
            ? ['more of it is bare than was seen', 'it is longer than was written down', 'a branch is left circulating']
            : ['the pump moves less than was read', 'it is better insulated than was seen'],
      },
      offers: [
        {
          path: 'pipes.loop.measuredUaWK',
          label: 'Loss of the loop, as measured',
          value: Math.round(uaWK * 100) / 100,
        },
      ],
    }
  },
})

export const pump = defineReading({
  kind: 'pump',
  title: 'Pump of the loop',
  how: 'Clamp meter on one wire; power factor off a wattmeter where there is one.',
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
        figure: { label: 'Pump of the loop', quantity: 'watts' },
        measured: watts,
        modelled: study.pipes.loop!.pumpW,
        uncertainty: 2 + watts * (powerFactor === undefined ? 0.5 : 0.05),
        likely: powerFactor === undefined ? ['volt-amperes were taken for watts'] : ['the pump stands on another step'],
      },
      // Without a power factor it is an upper bound and corrects nothing.
      offers:
        powerFactor !== undefined
          ? [{ path: 'pipes.loop.pumpW', label: 'Power of the pump', value: Math.round(watts * 10) / 10 }]
          : [],
    }
  },
})

/** Flows of the two sides that differ by less count as equal. */
const EQUAL_FLOWS = 0.15

export const drain = defineReading({
  kind: 'drain',
  title: 'Drain recovery, four temperatures',
  how: 'Shower running steady: cold in and out of the unit, drain in and out of it.',
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
        ? 'Heat runs from the drain to the cold water: check which is which.'
        : null
    if (wrong || drainC <= coldC) return impossible(wrong ?? 'The drain must be warmer than the cold water.')
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
            label: 'Cold flow over drain flow',
            formula: '(drain in − drain out) / (preheated − cold)',
            value: flows,
            decimals: 2,
          },
        ],
        notes:
          flows > 1.15
            ? ['The drain gives up more than the cold water takes: it runs past the wall, or a thermometer is off.']
            : [],
      },
      results: {
        effectiveness: { label: 'Effectiveness of the cold side', decimals: 3 },
        flows: { label: 'Cold flow over drain flow', decimals: 2 },
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
                label: 'Effectiveness of the unit in the drain',
                value: Math.round(effectiveness * 1000) / 1000,
              },
            ]
          : []),
      ],
    }
  },
})
