import { BEFORE_FIRE_C, hoursUntilRelief, longestFiring } from '../household/until-relief'
import type { Finding, Rule } from './finding'

/** A fire that is lit longer than an unused store has room for ends at the relief valve. */
export const untilRelief: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    const { store } = study.plant
    if (h.kind !== 'wood-coil' || !store || h.firings.length === 0) return []
    const hours = hoursUntilRelief(store, h.waterKw, BEFORE_FIRE_C)
    const burns = longestFiring(h)
    return [
      {
        id: `until-relief-${h.id}`,
        severity: burns > hours ? 'danger' : 'look',
        station: 'store',
        on: h.id,
        what: burns > hours ? 'A day without use ends at the relief valve' : 'What a day without use does',
        why: `${write.figure('power', h.waterKw)} bring ${store.name} from ${write.temperature(BEFORE_FIRE_C)} to ${write.temperature(store.reliefC)} in ${hours.toFixed(1)} h if nobody draws; the fire burns up to ${burns.toFixed(1)} h a day.`,
        source: 'V ρ c × (relief − begin) / heat into the water',
        mend:
          burns > hours
            ? 'Less fire when few are there, a larger store, or a radiator that takes what is too much. Who lights it is told when to stop.'
            : 'Tell whoever lights the fire how long is too long.',
      },
    ]
  })

/** A fire whose water is moved by a pump alone goes on when the power is cut. */
export const pumpedFire: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (h.kind !== 'wood-coil' || !h.circuit.pump || h.firings.length === 0) return []
    const rises = h.circuit.heightM > 0
    return [
      {
        id: `pumped-fire-${h.id}`,
        severity: 'danger',
        station: 'heater',
        on: h.id,
        what: 'The fire burns on when its pump stops',
        why: `Only a pump moves the water of ${h.name}; in a power cut the fire does not go out.${rises ? '' : ' The store does not stand above it, so nothing moves by itself.'}`,
        source: 'A fire cannot be switched off',
        mend: `The pump on the cold pipe, and something that works without power: ${rises ? 'a way for gravity that opens by itself, ' : ''}a thermal discharge valve or a radiator by gravity. For the licensed.`,
      },
    ]
  })

/** The way of the water between fire and store: nothing to shut on it, rising all the way, and full before it is lit. */
export const fireWay: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (h.kind !== 'wood-coil' || h.firings.length === 0) return []
    const { rises, canBeShut, filled } = h.way
    const gravity = h.circuit.pump === null
    const at = { station: 'heater', on: h.id, source: 'A coil that is shut in or dry bursts' } as const
    const bad: Finding[] = [
      ...(canBeShut === true
        ? [
            {
              ...at,
              id: `fire-shut-${h.id}`,
              severity: 'danger' as const,
              what: 'The fire’s water can be shut in',
              why: `Something on the way between ${h.name} and its store can be closed; its relief valve is then cut off from the fire.`,
              mend: 'No fire until it is taken out, or its handle is taken off and it is locked open, by the licensed.',
            },
          ]
        : []),
      ...(filled === false
        ? [
            {
              ...at,
              id: `fire-dry-${h.id}`,
              severity: 'danger' as const,
              what: 'No fire: the coil is not filled',
              why: `${h.name} is drained, not vented, or shut.`,
              mend: 'A tag on the stove door now. Fill, vent, open every valve, and only then take it off.',
            },
          ]
        : []),
      ...(rises === false
        ? [
            {
              ...at,
              id: `fire-rises-${h.id}`,
              severity: gravity ? ('danger' as const) : ('mend' as const),
              what: 'The hot pipe does not rise all the way',
              why: `Air gathers where it dips${gravity ? ' and the water stands still: it boils in the fire' : ', and a pump that stops leaves nothing moving'}.`,
              mend: 'Laid anew with a steady rise from the upper port to the store, and an air vent at its highest point, by the licensed.',
            },
          ]
        : []),
    ]
    const open = [
      ...(rises === null ? ['whether the hot pipe rises all the way'] : []),
      ...(canBeShut === null ? ['whether anything on it can be shut'] : []),
      ...(filled === null ? ['whether it is filled, vented and open'] : []),
    ]
    if (open.length)
      bad.push({
        ...at,
        id: `fire-way-${h.id}`,
        severity: 'look',
        holdsUp: true,
        what: 'Follow the fire’s pipes before it is lit',
        why: `Not looked at: ${open.join(', ')}.`,
        mend: `Look, and say so under ${h.name}.`,
      })
    return bad
  })

/** Where a coil meets its pipes it has to come apart and to be drained. */
export const dryCoil: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Finding[] =>
    h.kind !== 'wood-coil' || !study.people.absences.some((a) => a.personId === null) || h.firings.length === 0
      ? []
      : [
          {
            id: `dry-coil-${h.id}`,
            severity: 'look',
            station: 'heater',
            on: h.id,
            what: 'Never lit without water',
            why: `The house is empty at times. Whoever drains ${h.name} hangs a tag on the stove: filled, vented, valves open, or no fire.`,
            source: 'A coil or jacket that runs dry bursts or boils',
            mend: 'A drain cock at the lowest point, unions at both ports, a tag that says which.',
          },
        ],
  )
