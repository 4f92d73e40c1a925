import { DISCHARGE } from '../safety/discharge'
import { BELOW_RELIEF_BAR } from '../safety/relief'
import { everBurns, isFireOnStore } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Store } from '../study/store'
import { cameInKwh } from '../year/account/where-it-goes'
import { answered, type Level, NOT_CHECKED, type Rule, saidOf, type Told, type Visit } from './check'

const CAUSE = { id: 'relief', title: 'Relief valve and its discharge' }
const AT = {
  subject: { kind: 'store', id: null },
  concern: 'harm',
  cause: CAUSE,
  source: 'A heated closed vessel; local code',
} as const
const LOOK = 'Inspect, and record it under Cylinder.'

const fireOf = ({ study }: Visit) => study.plant.heaters.find((h) => isFireOnStore(h) && everBurns(h)) ?? null

/** What opens the valve: pressure alone does not limit how hot the water gets, which a fire does not do either. */
function opensBy({ write }: Visit, store: Store, fire: Heater | null): Told {
  const level: Level =
    store.reliefKind === 'not checked'
      ? 'not checked'
      : store.reliefKind === 'temperature and pressure'
        ? 'pass'
        : fire
          ? 'fail'
          : 'marginal'
  return {
    ...AT,
    id: 'relief-kind',
    concern: fire ? 'harm' : 'record',
    level,
    title: 'Relief valve type',
    sentence: {
      'not checked': `${NOT_CHECKED} Temperature and pressure, or pressure only.`,
      'temperature and pressure': `Opens by temperature, at ${write.temperature(store.reliefC)}, and by pressure.`,
      'pressure only': `Opens by pressure only, so it does not limit the temperature${fire ? `, and ${fire.name} cannot be switched off` : ': thermostat and safety cut-out alone do'}.`,
    }[store.reliefKind],
    remedy:
      store.reliefKind === 'not checked'
        ? `Read it on the valve. ${LOOK}`
        : 'Have a registered installer assess whether a T&P valve is required. Follow the local code.',
    asks: 'plant.store.reliefKind',
  }
}

/** A valve whose set pressure is hardly above that of the supply drips whenever the water expands. */
function setPressure({ study, write }: Visit, store: Store): Told[] {
  const { pressureBar } = study.site
  const { reliefBar } = store
  if (pressureBar === null) return []
  const known = reliefBar !== null
  return [
    {
      ...AT,
      id: 'relief-pressure',
      concern: known ? 'fault' : 'record',
      level: !known ? 'not checked' : pressureBar > reliefBar - BELOW_RELIEF_BAR ? 'fail' : 'pass',
      title: 'Relief pressure',
      sentence: known
        ? `Opens at ${write.figure('pressure', reliefBar)}; supply pressure ${write.figure('pressure', pressureBar)}.`
        : `${NOT_CHECKED} Supply pressure ${write.figure('pressure', pressureBar)}.`,
      figures: {
        pressureBar: { value: pressureBar, quantity: 'pressure' },
        ...(known ? { reliefBar: { value: reliefBar, quantity: 'pressure' as const } } : {}),
      },
      source: `Supply at least ${write.figure('pressure', BELOW_RELIEF_BAR)} below the relief pressure`,
      remedy: known
        ? 'Have a pressure-reducing valve fitted or set lower by a registered installer.'
        : `Read it on the valve. ${LOOK}`,
      asks: 'plant.store.reliefBar',
    },
  ]
}

/** A closed store that is heated needs a relief valve, at its top, that nothing can shut off. */
const reliefValve: Rule = (visit): Told[] => {
  const { store } = visit.study.plant
  if (!store) return []
  const there: Told = {
    ...AT,
    id: 'relief-valve',
    level: answered(store.reliefValve, true),
    title: 'Relief valve',
    sentence: saidOf(
      store.reliefValve,
      'Fitted.',
      'Not fitted: a closed heated vessel bursts if its thermostat fails.',
    ),
    remedy:
      store.reliefValve === false
        ? 'Keep it off until a registered installer has fitted one with its discharge piped to a safe place.'
        : LOOK,
    asks: 'plant.store.reliefValve',
  }
  // Where there is none, nothing is to be said of its place and its discharge.
  if (store.reliefValve === false) return [there]
  const fire = fireOf(visit)
  return [
    there,
    opensBy(visit, store, fire),
    ...setPressure(visit, store),
    {
      ...AT,
      id: 'relief-shut',
      level: answered(store.valveBeforeRelief, false),
      title: 'Isolating valve before the relief valve',
      sentence: saidOf(
        store.valveBeforeRelief,
        'Isolating valve between cylinder and relief valve.',
        'No isolating valve between cylinder and relief valve.',
      ),
      remedy: store.valveBeforeRelief === null ? LOOK : 'Have it removed by a registered installer.',
      asks: 'plant.store.valveBeforeRelief',
    },
    // What opens by pressure alone feels no temperature anywhere.
    ...(store.reliefKind === 'pressure only'
      ? []
      : [
          {
            ...AT,
            id: 'relief-feels',
            level: answered(store.reliefAtTop, true),
            title: 'T&P probe at top of cylinder',
            sentence: `${saidOf(store.reliefAtTop, 'Senses the top of the cylinder.', 'Does not sense the top of the cylinder, where it is hottest.')}${fire ? ` ${fire.name} cannot be switched off.` : ''}`,
            remedy: store.reliefAtTop === null ? LOOK : 'Have it moved to the top by a registered installer.',
            asks: 'plant.store.reliefAtTop',
          },
        ]),
  ]
}

/** The way of what a relief valve lets go. */
const discharge: Rule = ({ study }): Told[] => {
  const { store } = study.plant
  if (!store || store.reliefValve === false) return []
  const piped: Told = {
    ...AT,
    id: 'relief-piped',
    level: answered(store.reliefPiped, true),
    title: 'Relief valve discharge pipe',
    sentence: saidOf(
      store.reliefPiped,
      'Piped to a safe place.',
      'Not piped to a safe place. The discharge is near boiling.',
    ),
    remedy:
      store.reliefPiped === null
        ? LOOK
        : 'Have it piped to a safe place, falling, open and visible, by a registered installer.',
    asks: 'plant.store.reliefPiped',
  }
  if (store.reliefPiped === false) return [piped]
  const keys = Object.keys(DISCHARGE) as (keyof typeof DISCHARGE)[]
  return [
    piped,
    ...keys.map((key): Told => ({
      ...AT,
      id: `discharge-${key.toLowerCase()}`,
      level: answered(store.discharge[key], true),
      title: DISCHARGE[key],
      sentence: saidOf(store.discharge[key], 'Yes.', 'No: a restricted, splashing or hidden discharge can scald.'),
      remedy:
        store.discharge[key] === null
          ? LOOK
          : 'Have it corrected by a registered installer. Ask the household to report any drip.',
      source: 'Restricted or scalding discharge; local code',
      asks: `plant.store.discharge.${key}`,
    })),
    {
      ...AT,
      id: 'discharge-watched',
      concern: 'record',
      level: store.discharge.watchedBy.trim() ? 'pass' : 'not checked',
      title: 'Discharge observed by',
      sentence: store.discharge.watchedBy.trim()
        ? `${store.discharge.watchedBy.trim()} checks it for drips.`
        : 'No person named to check it for drips.',
      remedy: 'Show an occupant where it ends, and record the name under Cylinder.',
      source: 'Dripping relief valves are often isolated',
      asks: 'plant.store.discharge.watchedBy',
    },
  ]
}

/** Heat let go of in a year that is worth a word, as a share of what came in, and below which nothing was, kWh. */
const RELIEF_SHARE = 0.01
const NOTHING_KWH = 1

/** A relief valve that works in ordinary use is a fault of the plant; without one the same heat has nowhere to go. */
const reliefOpens: Rule = ({ study, year, write }): Told[] => {
  const { store } = study.plant
  if (!store || !year) return []
  const { reliefKwh } = year.energy
  if (reliefKwh < NOTHING_KWH) return []
  const level: Level = reliefKwh >= RELIEF_SHARE * cameInKwh(year) ? 'fail' : 'marginal'
  const valve = store.reliefValve !== false
  return [
    {
      id: 'relief-opens',
      subject: { kind: 'store', id: null },
      concern: 'harm',
      level,
      title: 'Cylinder overheats',
      sentence: valve
        ? `${write.energy(reliefKwh)} a year exceed the cylinder’s capacity and discharge with ${write.litres(year.water.reliefL)} of water through the relief valve${store.reliefValve === null ? ', if fitted: not checked' : ''}. Frequent operation scales the valve until it drips and fails.`
        : `${write.energy(reliefKwh)} a year exceed the cylinder’s capacity, with no relief valve.`,
      figures: {
        reliefKwh: { value: reliefKwh, quantity: 'energy', worse: { when: 'more', by: 10 } },
        reliefL: { value: year.water.reliefL, quantity: 'bigVolume' },
      },
      source: 'Annual heat balance',
      remedy:
        'Reduce firing, enlarge the cylinder, add a heat-leak radiator, or cover collectors in summer. Never block a relief valve.',
      settledBy: 'store-top',
    },
  ]
}

export const RELIEF_CHECKS = { reliefValve, discharge, reliefOpens }
