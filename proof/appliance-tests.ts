import { harbourFlat } from '../core/demos/harbour-flat'
import { hillTown } from '../core/demos/hill-town'
import { changeHeaterKind } from '../core/household/edits/plant'
import type { StandardDay } from '../core/people/standard-days'
import type { HeaterOf } from '../core/study/heater-kinds'
import { Study } from '../core/study/study'
import { firstDays } from './random-study'
import { uncontrolled } from './studies'

/** Days of a test bench; the first brings what is tested to its rhythm and is short against the rest. */
const DAYS = 10
const TEST_MAIN_C = 10

/** A house as a test bench: one cold main, one air, pipes of a hand's length, no loop, one tapping cycle at one tap. */
function bench(study: Study, airC: number, cycle: StandardDay, change: (s: Study) => void = () => {}): Study {
  const s = structuredClone(study)
  s.site = {
    ...s.site,
    altitudeM: 0,
    monthlyAirC: Array(12).fill(airC),
    mains: { kind: 'monthly', monthlyC: Array(12).fill(TEST_MAIN_C) },
  }
  s.packages = []
  s.pipes.loop = null
  uncontrolled(s)
  s.controls.found.loop.mode = 'off'
  for (const run of s.pipes.runs) run.lengthM = 0.1
  s.people = { ...s.people, absences: [], draws: { kind: 'standard', cycle, tapId: s.pipes.taps[0].id } }
  if (s.plant.store) s.plant.store = { ...s.plant.store, place: 'heated' }
  change(s)
  return Study.parse(s)
}

/** Useful heat for each unit bought, by a run of the bench. */
function factor(study: Study): number {
  const { flows, input } = firstDays(study, DAYS)
  return (flows.useful + flows.storedChange) / input
}

/** The burner's own water, the plates and the metal of a combi warm with every draw: about as much as so many litres. */
const COMBI_HOLDS = { contentL: 1.6, contentUaWK: 2.4 }

/** A heat pump on its own store of 200 L that draws outdoor air, cycle L, 54 °C: useful heat over electricity. */
export function heatPumpStore(airC: number): number {
  return factor(
    bench(changeHeaterKind(hillTown, 'boiler', 'heat-pump'), airC, 'L', (s) => {
      const pump = s.plant.heaters[0] as HeaterOf<'heat-pump'>
      Object.assign(pump, { air: 'outdoors', minOperatingAirC: -7, backup: { by: 'boost only' }, standbyW: 3 })
      s.controls.found.heaters.boiler = {
        ...s.controls.found.heaters.boiler,
        setpointC: 54,
        differentialK: 5,
        schedule: null,
      }
      s.plant.store!.loss = { kind: 'label', label: 'B' }
    }),
  )
}

function combi(change: (h: HeaterOf<'instant-gas'>) => void, cycle: StandardDay): Study {
  return bench(harbourFlat, 20, cycle, (s) => {
    const heater = s.plant.heaters[0] as HeaterOf<'instant-gas'>
    Object.assign(heater, { minActivationFlowLMin: 0, efficiency: { kind: 'condensing', shift: 0 }, ...COMBI_HOLDS })
    change(heater)
  })
}

/** Useful heat over gas on the gross value of an instantaneous heater, by the cycle. */
export const combiEfficiency = (exchanger: 'direct' | 'plate', cycle: StandardDay): number =>
  factor(combi((h) => void (h.exchanger = exchanger), cycle))

/** Gas that a pilot takes in a year, kWh, by ten days of it with nobody drawing more or less. */
export function pilotKwh(watts: number): number {
  const gas = (pilotW: number) =>
    firstDays(
      combi((h) => void (h.pilotW = pilotW), 'S'),
      DAYS,
    ).input / 3600
  return ((gas(watts) - gas(0)) * 365) / DAYS
}

/** A gas store of 150 L at 57 °C, 243 L drawn a day, main at 14.4 °C, room at 19.7 °C: useful heat over gas. */
export function gasStoreFactor(): number {
  return factor(
    bench(changeHeaterKind(hillTown, 'boiler', 'gas-store'), 19.7, 'M', (s) => {
      s.site.mains = { kind: 'monthly', monthlyC: Array(12).fill(14.4) }
      const burner = s.plant.heaters[0] as HeaterOf<'gas-store'>
      burner.efficiency = { kind: 'fixed', share: 0.78 }
      Object.assign(s.plant.store!, { litres: 150, loss: { kind: 'ua', uaWK: 5 } })
      s.controls.found.heaters.boiler = { ...s.controls.found.heaters.boiler, setpointC: 57, schedule: null }
      s.people.draws = { kind: 'routine' }
      const tap = s.pipes.taps[0]
      tap.mixes = false
      s.people.winterSwing = 0
      s.people.guests = []
      s.people.uses = Array.from({ length: 6 }, (_, k) => ({
        ...s.people.uses[0],
        id: `draw-${k}`,
        tapId: tap.id,
        days: Array<boolean>(7).fill(true),
        atMin: 480 + 60 * k,
        spreadMin: 0,
        chance: 1,
        use: { kind: 'filled' as const, litres: 40.5 },
        amountSpread: 0,
        requiredC: 70,
        waits: false,
      }))
    }),
  )
}

/**
 * Share of its gas that a boiler's circuit no longer loses when its pump runs on for five minutes after each charge. By the
 * loss itself: when a charge begins, and how well it condenses, moves with it from run to run.
 */
export function overrunSaves(): number {
  const of = (overrunS: number) =>
    firstDays(
      bench(
        hillTown,
        10,
        'L',
        (s) => void ((s.plant.heaters[0] as HeaterOf<'boiler-coil'>).primary.overrunS = overrunS),
      ),
      DAYS,
    )
  const [without, withIt] = [of(0), of(300)]
  return (without.flows.primary - withIt.flows.primary) / without.input
}
