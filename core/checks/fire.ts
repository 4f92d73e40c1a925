import { COIL_LIMIT_C } from '../heaters/fire'
import { gravityFlow } from '../heaters/thermosiphon'
import { BEFORE_FIRE_C, hoursUntilRelief, longestFiring } from '../household/until-relief'
import { CALORIFIC } from '../money/calorific'
import { everBurns, hasSetpoint, type HeaterOf, isFireOnStore, isLocal } from '../study/heater-kinds'
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
        title: 'The store stands below the fire',
        sentence: `Its thermal centre is ${write.figure('length', -h.circuit.heightM)} lower than that of ${h.name}: warm water does not sink, so nothing carries the heat away and the coil boils.`,
        source: 'Drive = g × height × (ρ cold − ρ hot)',
        remedy:
          'Light no fire until the store stands at or above it, or a pump with a safe stand-by has been fitted by the licensed. Never let a coil in a fire run dry; never heat a closed vessel.',
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
        title: tooHot ? 'Gravity moves too little water past the fire' : 'Much level pipe for so little height',
        sentence: `${write.figure('power', h.waterKw)} into ${write.figure('flow', flowLMin)} is a rise of ${write.figure('rise', riseK)}: ${write.temperature(RETURN_C)} comes back as ${write.temperature(RETURN_C + riseK)}. ${write.figure('length', horizontalM)} level to ${write.figure('length', heightM)} upright; the rule of the trade allows ${write.figure('length', LEVEL_TO_UPRIGHT * heightM)}.`,
        source: 'Drive against friction (Blasius, laminar below Re 2300); one upright to two level',
        remedy:
          'A wider bore, fewer bends, more height, or a pump. Work on fires and their relief is for the licensed.',
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
        title: 'More heat than the wood holds',
        sentence: `${write.mass(f.kg)} hold ${write.energy(f.kg * perKg)} (net); ${write.figure('power', h.waterKw)} for ${f.hours} h is ${write.energy(h.waterKw * f.hours)} into the water alone.`,
        source: 'Calorific value of wood at 20 % moisture',
        remedy: 'Weigh the wood of one evening, and read the store before and after it.',
        settledBy: 'store-top',
      }))
  })

const reservoirWater: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => isLocal(h) && !hasSetpoint(h))
    .map((h) => ({
      id: `reservoir-${h.id}`,
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'fire', id: h.id },
      title: 'Water that stands on the stove is not for drinking',
      sentence: `${h.name} keeps its water warm for days, and it can come near boiling beside a hot stove.`,
      source: 'Practice',
      remedy: 'A lid, a sign, a tap that cannot be opened by a child, and fresh water each day.',
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
            title: 'Never lit without water',
            sentence: `The house is empty at times. Whoever drains ${h.name} hangs a tag on the stove: filled, vented, valves open, or no fire.`,
            source: 'A coil or jacket that runs dry bursts or boils',
            remedy: 'A drain cock at the lowest point, unions at both ports, a tag that says which.',
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
    const hours = hoursUntilRelief(store, h.waterKw, BEFORE_FIRE_C)
    const burns = longestFiring(h)
    const over = burns > hours
    return [
      {
        id: `until-relief-${h.id}`,
        subject: { kind: 'fire', id: h.id },
        concern: over ? 'harm' : 'record',
        level: over ? 'fail' : 'marginal',
        title: over ? 'A day without use ends at the relief valve' : 'What a day without use does',
        sentence: `${write.figure('power', h.waterKw)} bring ${store.name} from ${write.temperature(BEFORE_FIRE_C)} to ${write.temperature(store.reliefC)} in ${hours.toFixed(1)} h if nobody draws; the fire burns up to ${burns.toFixed(1)} h a day.`,
        figures: {
          hoursToRelief: { value: hours, unit: 'h', worse: { when: 'less', by: 0.5 } },
          firingHours: { value: burns, unit: 'h/day', worse: { when: 'more', by: 0.5 } },
        },
        source: 'V ρ c × (relief − begin) / heat into the water',
        remedy: over
          ? 'Less fire when few are there, a larger store, or a radiator that takes what is too much. Who lights it is told when to stop.'
          : 'Tell whoever lights the fire how long is too long.',
      },
    ]
  })

/** A fire whose water is moved by a pump goes on when the power is cut: something that was tried has to cool it then. */
const pumpedFire: Rule = ({ study }) =>
  litFires(study).flatMap((h): Told[] => {
    if (!h.circuit.pump) return []
    const { by, testedBy, testedOn } = h.circuit.failSafe
    const unknown = by === 'not looked' || (by !== 'none' && !testedBy.trim())
    return [
      {
        id: `pumped-fire-${h.id}`,
        subject: { kind: 'fire', id: h.id },
        concern: 'harm',
        level: by === 'none' ? 'fail' : unknown ? 'not checked' : 'pass',
        title: by === 'none' ? 'Fire burns on when its pump stops' : 'Cooling of the fire without power',
        sentence: `A pump moves the water of ${h.name}; in a power cut the fire does not go out. ${
          by === 'not looked'
            ? 'What cools it then is not checked.'
            : by === 'none'
              ? 'Nothing cools it then.'
              : `A ${by} cools it then; ${testedBy.trim() ? `tried by ${testedBy.trim()}${testedOn ? ` on ${testedOn}` : ''}` : 'nobody is known to have tried it'}.`
        }`,
        source: 'A fire cannot be switched off',
        remedy: unknown
          ? `Look what works without power, try it with the pump off, and say under ${h.name} who did.`
          : 'The pump on the cold pipe, and a thermal discharge valve, a radiator by gravity or a battery-fed pump, fitted and tried by the licensed.',
        asks: `plant.heaters.${h.id}.circuit.failSafe`,
      },
    ]
  })

/** The way of the water between fire and store: nothing to shut on it, rising all the way, and full before it is lit. */
const firePipes: Rule = ({ study }) =>
  litFires(study).flatMap((h): Told[] => {
    const { rises, canBeShut, filled } = h.way
    const gravity = h.circuit.pump === null
    const look = `Follow the pipes, and say so under ${h.name}.`
    const at = {
      subject: { kind: 'fire', id: h.id },
      concern: 'harm',
      source: 'A coil that is shut in or dry bursts',
      cause: { id: `fire-way-${h.id}`, title: `Pipes of ${h.name}` },
    } as const
    return [
      {
        ...at,
        id: `fire-shut-${h.id}`,
        level: answered(canBeShut, false),
        title: 'Shut-off on the fire’s pipes',
        sentence: saidOf(
          canBeShut,
          `Something between ${h.name} and its store can be closed: its relief valve is then cut off from the fire.`,
          'Nothing on them can be closed.',
        ),
        remedy: canBeShut
          ? 'No fire until it is taken out, or its handle is taken off and it is locked open, by the licensed.'
          : look,
        asks: `plant.heaters.${h.id}.way.canBeShut`,
      },
      {
        ...at,
        id: `fire-dry-${h.id}`,
        level: answered(filled, true),
        title: 'Water in the fire’s coil',
        sentence: saidOf(filled, 'It is filled, vented and open.', `${h.name} is drained, not vented, or shut.`),
        remedy:
          filled === false
            ? 'No fire: a tag on the stove door now. Fill, vent, open every valve, and only then take it off.'
            : look,
        asks: `plant.heaters.${h.id}.way.filled`,
      },
      {
        ...at,
        id: `fire-rises-${h.id}`,
        // With a pump a dip gathers air; by gravity the water stands still and boils.
        concern: gravity ? 'harm' : 'fault',
        level: answered(rises, true),
        title: 'Rise of the fire’s hot pipe',
        sentence: saidOf(
          rises,
          'It rises all the way.',
          `It does not rise all the way: air gathers where it dips${gravity ? ', the water stands still and boils in the fire' : ', and a pump that stops leaves nothing moving'}.`,
        ),
        remedy:
          rises === false
            ? 'Laid again with a steady rise from the upper port to the store, and an air vent at its highest point, by the licensed.'
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
