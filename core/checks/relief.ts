import { DISCHARGE } from '../safety/discharge'
import { everBurns, isFireOnStore } from '../study/heater-kinds'
import { cameInKwh } from '../year/account/where-it-goes'
import { answered, type Level, type Rule, saidOf, type Told, type Visit } from './check'

const CAUSE = { id: 'relief', title: 'Relief valve and its discharge' }
const AT = {
  subject: { kind: 'store', id: null },
  concern: 'harm',
  cause: CAUSE,
  source: 'A heated closed vessel; local code',
} as const
const LOOK = 'Look, and say so under Store.'

const fireOf = ({ study }: Visit) => study.plant.heaters.find((h) => isFireOnStore(h) && everBurns(h)) ?? null

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
      'There is one.',
      'There is none: a closed vessel that is heated bursts when its thermostat fails.',
    ),
    remedy:
      store.reliefValve === false
        ? 'No heat until one is fitted by the licensed, its discharge piped to a safe place.'
        : LOOK,
    asks: 'plant.store.reliefValve',
  }
  // Where there is none, nothing is to be said of its place and its discharge.
  if (store.reliefValve === false) return [there]
  const fire = fireOf(visit)
  return [
    there,
    {
      ...AT,
      id: 'relief-shut',
      level: answered(store.valveBeforeRelief, false),
      title: 'Shut-off before the relief valve',
      sentence: saidOf(
        store.valveBeforeRelief,
        'Something can be shut between the store and its relief valve.',
        'Nothing can be shut between the store and its relief valve.',
      ),
      remedy: store.valveBeforeRelief === null ? LOOK : 'Have it taken out by the licensed.',
      asks: 'plant.store.valveBeforeRelief',
    },
    {
      ...AT,
      id: 'relief-feels',
      level: answered(store.reliefAtTop, true),
      title: 'Place of the relief valve',
      sentence: `${saidOf(store.reliefAtTop, 'It senses the top of the store.', 'It does not sense the top of the store, where it is hottest.')}${fire ? ` ${fire.name} cannot be switched off.` : ''}`,
      remedy: store.reliefAtTop === null ? LOOK : 'Have it moved to the top by the licensed.',
      asks: 'plant.store.reliefAtTop',
    },
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
    title: 'Discharge of the relief valve',
    sentence: saidOf(
      store.reliefPiped,
      'It is piped to a safe place.',
      'It is not piped to a safe place, and what it lets go is near boiling.',
    ),
    remedy:
      store.reliefPiped === null
        ? LOOK
        : 'Have it piped, falling, open and in sight, to a safe place, by the licensed.',
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
      sentence: saidOf(
        store.discharge[key],
        'It is so.',
        'It is not so: a discharge that chokes, splashes or ends out of sight can scald.',
      ),
      remedy:
        store.discharge[key] === null ? LOOK : 'Have it laid again by the licensed; the household calls when it drips.',
      source: 'A discharge that chokes or scalds; local code',
      asks: `plant.store.discharge.${key}`,
    })),
    {
      ...AT,
      id: 'discharge-watched',
      concern: 'record',
      level: store.discharge.watchedBy.trim() ? 'pass' : 'not checked',
      title: 'Who looks at the discharge',
      sentence: store.discharge.watchedBy.trim()
        ? `${store.discharge.watchedBy.trim()} looks whether it drips.`
        : 'Nobody is named who looks whether it drips: a valve that drips is one that works, or one that fails.',
      remedy: 'Name somebody of the household, show them where it ends, and say so under Store.',
      source: 'A valve that drips unseen is shut off by the next who minds it',
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
      title: 'Store overheats',
      sentence: valve
        ? `In a year ${write.energy(reliefKwh)} are more than the store can hold: they leave by the relief valve with ${write.litres(year.water.reliefL)} of water${store.reliefValve === null ? ', if there is one: it was not checked' : ''}. A valve that works so often scales, drips and fails.`
        : `In a year ${write.energy(reliefKwh)} are more than the store can hold, and there is no relief valve to let them go.`,
      figures: {
        reliefKwh: { value: reliefKwh, quantity: 'energy', worse: { when: 'more', by: 10 } },
        reliefL: { value: year.water.reliefL, quantity: 'bigVolume' },
      },
      source: 'The ledger of the year',
      remedy:
        'Less fire or a larger store, a radiator that takes what is too much, or collectors covered in summer. Never block a relief valve.',
      settledBy: 'store-top',
    },
  ]
}

export const RELIEF_CHECKS = { reliefValve, discharge, reliefOpens }
