import { COIL_LIMIT_C } from '../heaters/fire'
import { gravityFlow } from '../heaters/thermosiphon'
import { reliefLimitC, reliefOpensC } from '../household/relief-opens'
import { BEFORE_FIRE_C, hoursToRelief, longestFiring } from '../household/time-to-relief'
import { CALORIFIC } from '../money/calorific'
import { everBurns, hasSetpoint, type HeaterOf, isFireOnStore, isPointOfUse } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { answered, type Rule, saidOf, type Told } from './check'

/** Return at which gravity circulation is judged, °C. */
const RETURN_C = 50

/** One metre upright carries no more than this level, m. */
const LEVEL_TO_UPRIGHT = 2

const storeBelowFire: Rule = ({ study, write }) =>
  litFires(study).flatMap((h): Told[] => {
    if (h.circuit.pump || h.circuit.heightM > 0) return []
    return [
      {
        id: `below-fire-${h.id}`,
        concern: 'harm',
        level: 'fail',
        subject: { kind: 'fire', id: h.id },
        title: 'Cylinder below the stove',
        sentence: `Thermal centre ${write.figure('length', -h.circuit.heightM)} below that of ${h.name}: no gravity circulation, so the coil boils.`,
        source: 'Drive = g × height × (ρ cold − ρ hot)',
        remedy:
          'Do not fire until the cylinder is level with or above the stove, or a registered installer has fitted a pump with safe backup. Never run a coil dry; never heat a closed vessel.',
      },
    ]
  })

const gravityTooSlow: Rule = ({ study, write }) =>
  litFires(study).flatMap((h): Told[] => {
    if (h.circuit.pump || h.circuit.heightM <= 0) return []
    const { heightM, lengthM, boreMm, fittingsM, horizontalM } = h.circuit
    const { riseK, flowLMin } = gravityFlow({
      heightM,
      lengthM,
      innerMm: boreMm,
      fittingsEquivalentM: fittingsM,
      powerKw: h.waterKw,
      returnC: RETURN_C,
    })
    const tooHot = RETURN_C + riseK >= COIL_LIMIT_C - 10
    const tooLevel = horizontalM > LEVEL_TO_UPRIGHT * heightM
    if (!tooHot && !tooLevel) return []
    return [
      {
        id: `gravity-${h.id}`,
        concern: tooHot ? 'harm' : 'fault',
        level: 'fail',
        subject: { kind: 'fire', id: h.id },
        title: tooHot ? 'Gravity flow too low for stove output' : 'Too much horizontal pipe',
        sentence: `${write.figure('power', h.waterKw)} into ${write.figure('flow', flowLMin)} is a rise of ${write.figure('rise', riseK)}: return ${write.temperature(RETURN_C)}, flow ${write.temperature(RETURN_C + riseK)}. ${write.figure('length', horizontalM)} horizontal to ${write.figure('length', heightM)} vertical; rule of thumb allows ${write.figure('length', LEVEL_TO_UPRIGHT * heightM)}.`,
        source: 'Drive against friction (Blasius, laminar below Re 2300); 1 vertical to 2 horizontal',
        remedy:
          'Larger bore, fewer bends, more height, or a pump. Work on stoves and their relief is for a registered installer.',
      },
    ]
  })

const logsTooFew: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    if (!('firings' in h)) return []
    const perKg = h.carrier === 'pellets' ? CALORIFIC['pellets, kg'] : CALORIFIC['beech logs at 20 % moisture, kg']
    return h.firings
      .filter((f) => f.kg > 0 && f.kg * perKg < h.waterKw * f.hours)
      .slice(0, 1)
      .map((f) => ({
        id: `logs-${h.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'fire', id: h.id },
        title: 'Heat to water exceeds the wood’s heat',
        sentence: `${write.mass(f.kg)} contain ${write.energy(f.kg * perKg)} (net); ${write.figure('power', h.waterKw)} for ${f.hours} h is ${write.energy(h.waterKw * f.hours)} to water alone.`,
        source: 'Calorific value of wood at 20% moisture',
        remedy: 'Weigh the wood of one evening, and read the cylinder before and after it.',
        settledBy: 'store-top',
      }))
  })

const reservoirWater: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => isPointOfUse(h) && !hasSetpoint(h))
    .map((h) => ({
      id: `reservoir-${h.id}`,
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'fire', id: h.id },
      title: 'Reservoir water not for drinking',
      sentence: `${h.name} holds warm water for days and can approach boiling.`,
      source: 'Practice',
      remedy: 'Fit a lid, a sign and a child-safe outlet; refill daily.',
    }))

/** Where a coil meets its pipes it has to come apart and to be drained. */
const dryCoil: Rule = ({ study }) =>
  litFires(study).flatMap((h): Told[] =>
    !study.people.absences.some((a) => a.personId === null)
      ? []
      : [
          {
            id: `dry-coil-${h.id}`,
            concern: 'record',
            level: 'marginal',
            subject: { kind: 'fire', id: h.id },
            title: 'Never fire without water',
            sentence: `The house is unoccupied at times. When ${h.name} is drained, tag the stove: no firing until filled, vented and valves open.`,
            source: 'Dry or blocked coils burst or boil',
            remedy: 'Fit a drain cock at the lowest point, unions at both ports and a tag.',
          },
        ],
  )

/** Fires on the store that are ever lit: one that is not can hurt nobody. */
const litFires = (study: Study): HeaterOf<'wood-coil'>[] => study.plant.heaters.filter(isFireOnStore).filter(everBurns)

/** A fire that is lit longer than an unused store has room for ends at the relief valve. */
const untilRelief: Rule = ({ study, write }) =>
  litFires(study).flatMap((h): Told[] => {
    const { store } = study.plant
    if (!store) return []
    const hours = hoursToRelief(store, h.waterKw, BEFORE_FIRE_C)
    const burns = longestFiring(h)
    const over = burns > hours
    // A valve that opens by pressure alone does so when the water boils.
    const end = reliefLimitC(store) === null ? 'boiling' : 'T&P relief temperature'
    return [
      {
        id: `until-relief-${h.id}`,
        subject: { kind: 'fire', id: h.id },
        concern: over ? 'harm' : 'record',
        level: over ? 'fail' : 'marginal',
        title: over ? `Firing without draw-off reaches ${end}` : 'Firing without draw-off',
        sentence: `${write.figure('power', h.waterKw)} heat ${store.name} from ${write.temperature(BEFORE_FIRE_C)} to ${write.temperature(reliefOpensC(store))} in ${hours.toFixed(1)} h without draw-off; firing lasts up to ${burns.toFixed(1)} h a day.`,
        figures: {
          hoursToRelief: { value: hours, unit: 'h', worse: { when: 'less', by: 0.5 } },
          firingHours: { value: burns, unit: 'h/day', worse: { when: 'more', by: 0.5 } },
        },
        source: 'V ρ c × (relief − start) / heat to water',
        remedy: over
          ? 'Shorter firing at low occupancy, a larger cylinder, or a heat-leak radiator. Tell the user when to stop.'
          : 'Tell the user the maximum firing time.',
      },
    ]
  })

/** A fire whose water is moved by a pump goes on when the power is cut: something that was tried has to cool it then. */
const pumpedFire: Rule = ({ study }) =>
  litFires(study).flatMap((h): Told[] => {
    if (!h.circuit.pump) return []
    const { by, testedBy, testedOn } = h.circuit.failSafe
    const unknown = by === 'not checked' || (by !== 'none' && !testedBy.trim())
    return [
      {
        id: `pumped-fire-${h.id}`,
        subject: { kind: 'fire', id: h.id },
        concern: 'harm',
        level: by === 'none' ? 'fail' : unknown ? 'not checked' : 'pass',
        title: by === 'none' ? 'Boiler stove unprotected on power failure' : 'Boiler stove on power failure',
        sentence: `${h.name} is pumped; in a power cut the stove keeps burning. ${by === 'not checked' ? 'Its emergency cooling is not checked.' : by === 'none' ? 'It has no emergency cooling.' : `Emergency cooling: ${by}; ${testedBy.trim() ? `tested by ${testedBy.trim()}${testedOn ? ` on ${testedOn}` : ''}` : 'not tested'}.`}`,
        source: 'A stove cannot be switched off',
        remedy: unknown
          ? `Check what works without power, test it with the pump off, and record it under ${h.name}.`
          : 'Pump on the return pipe, and a thermal discharge valve, a gravity heat leak or a battery-backed pump, fitted and tested by a registered installer.',
        asks: `plant.heaters.${h.id}.circuit.failSafe`,
      },
    ]
  })

/** The way of the water between fire and store: nothing to shut on it, rising all the way, and full before it is lit. */
const firePipes: Rule = ({ study }) =>
  litFires(study).flatMap((h): Told[] => {
    const { rises, canBeShut, filled } = h.way
    const gravity = h.circuit.pump === null
    const look = `Trace the pipes, and record it under ${h.name}.`
    const at = {
      subject: { kind: 'fire', id: h.id },
      concern: 'harm',
      source: 'Shut-in or dry coils burst',
      cause: { id: `fire-way-${h.id}`, title: `Pipes of ${h.name}` },
    } as const
    return [
      {
        ...at,
        id: `fire-shut-${h.id}`,
        level: answered(canBeShut, false),
        title: 'Isolating valve between stove and cylinder',
        sentence: saidOf(
          canBeShut,
          `An isolating valve between ${h.name} and the cylinder can cut the stove off from its relief valve.`,
          'No isolating valve fitted.',
        ),
        remedy: canBeShut ? 'Do not fire until a registered installer has removed it or locked it open.' : look,
        asks: `plant.heaters.${h.id}.way.canBeShut`,
      },
      {
        ...at,
        id: `fire-dry-${h.id}`,
        level: answered(filled, true),
        title: 'Water in the stove’s coil',
        sentence: saidOf(filled, 'Filled, vented, valves open.', `${h.name} is drained, not vented, or isolated.`),
        remedy:
          filled === false
            ? 'Do not fire: tag the stove door now. Fill, vent and open all valves before removing the tag.'
            : look,
        asks: `plant.heaters.${h.id}.way.filled`,
      },
      {
        ...at,
        id: `fire-rises-${h.id}`,
        // With a pump a dip gathers air; by gravity the water stands still and boils.
        concern: gravity ? 'harm' : 'fault',
        level: answered(rises, true),
        title: 'Rise of the stove’s hot pipe',
        sentence: saidOf(
          rises,
          'Rises continuously.',
          `Does not rise continuously: air collects at the dip${gravity ? ', circulation stops and the stove boils' : ', and there is no circulation when the pump stops'}.`,
        ),
        remedy:
          rises === false
            ? 'Have it re-laid with a continuous rise from the upper port to the cylinder and an air vent at the highest point, by a registered installer.'
            : look,
        asks: `plant.heaters.${h.id}.way.rises`,
      },
    ]
  })

export const FIRE_CHECKS = {
  untilRelief,
  pumpedFire,
  firePipes,
  storeBelowFire,
  gravityTooSlow,
  logsTooFew,
  reservoirWater,
  dryCoil,
}
