import { daysSince1970 } from '../calendar/year'
import { highestSetting, hottestOf } from '../household/hottest'
import { lastDayThere } from '../household/last-day'
import { DISCHARGE } from '../safety/discharge'
import { SAFETY } from '../safety/limits'
import { hasSetpoint, isOnStore } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { Finding, Rule } from './finding'

/** A store with a fire on it cannot be switched off: its relief valve is all there is. */
export const reliefFeels: Rule = ({ study }): Finding[] => {
  const { store, heaters } = study.plant
  if (!store || store.reliefValve !== true || store.reliefAtTop === true) return []
  const fire = heaters.find((h) => h.kind === 'wood-coil' && h.firings.length > 0)
  const known = store.reliefAtTop === false
  if (!known && !fire) return []
  return [
    {
      id: 'relief-feels',
      severity: known && fire ? 'danger' : known ? 'mend' : 'look',
      holdsUp: fire !== undefined,
      station: 'store',
      on: null,
      what: known ? 'The relief valve does not feel the top of the store' : 'Where does the relief valve sit?',
      why: `${fire ? `${fire.name} cannot be switched off. ` : ''}It is hottest at the top; a valve lower down opens when the top has long been boiling.`,
      source: 'Relief at the top with nothing between; local code',
      mend: known ? 'Have it moved to the top by the licensed.' : 'Look, and say so under Store.',
    },
  ]
}

/** The way of what a relief valve lets go. */
export const dischargeWay: Rule = ({ study }): Finding[] => {
  const { store, heaters } = study.plant
  if (!store || store.reliefValve !== true || store.reliefPiped !== true) return []
  const keys = Object.keys(DISCHARGE) as (keyof typeof DISCHARGE)[]
  const not = keys.filter((k) => store.discharge[k] === false)
  const open = keys.filter((k) => store.discharge[k] === null)
  const fire = heaters.some((h) => h.kind === 'wood-coil' && h.firings.length > 0)
  if (not.length === 0 && (open.length === 0 || !fire)) return []
  const words = (list: readonly (keyof typeof DISCHARGE)[]) => list.map((k) => DISCHARGE[k].toLowerCase()).join('; ')
  return [
    {
      id: 'discharge-way',
      severity: not.length ? 'mend' : 'look',
      holdsUp: fire,
      station: 'store',
      on: null,
      what: not.length ? 'The discharge of the relief valve is not as it should be' : 'How does the discharge run?',
      why: not.length ? `Not so: ${words(not)}.` : `Nobody has looked: ${words(open)}.`,
      source: 'A discharge that chokes or scalds; local code',
      mend: not.length
        ? 'Have it laid anew by the licensed; the household is told to call when it drips.'
        : 'Look, and say so under Store.',
    },
  ]
}

/** Days for which a test of a mixing valve stands. */
const YEARLY_DAYS = 366
const dayOf = (iso: string): number =>
  daysSince1970(Number(iso.slice(0, 4)), Number(iso.slice(5, 7)), Number(iso.slice(8, 10))) ?? 0

/** A valve that makes hot storage bearable has to be known to work. */
export const mixingTested: Rule = ({ study, write }): Finding[] => {
  const { store } = study.plant
  if (!store || typeof store.mixing !== 'object') return []
  const hottestC = hottestInStore(study)
  if (hottestC <= SAFETY.scalds.value) return []
  const { testedOn } = store.mixing
  const there = lastDayThere(study)
  if (testedOn && there && dayOf(there) - dayOf(testedOn) <= YEARLY_DAYS) return []
  const known = !testedOn
    ? 'Nobody wrote down a test.'
    : `It was last tested on ${testedOn}${there ? '' : ', and no day of the visit is written down to hold that against'}.`
  return [
    {
      id: 'mixing-tested',
      severity: 'look',
      station: 'store',
      on: null,
      what: testedOn && there ? 'The mixing valve wants its yearly test' : 'When was the mixing valve tested?',
      why: `Without it ${write.temperature(hottestC)} would come to the taps. ${known}`,
      source: 'Makers of mixing valves ask for a yearly test',
      mend: 'Read what it gives, shut its cold inlet: the hot must stop at once. Write the day under Store, and the day of the visit under As found.',
    },
  ]
}

/** Hottest that the store gets in its ordinary work, °C: by thermostat, or as hot as sun and fire make it. */
function hottestInStore(study: Study): number {
  const controls = controlsOf(study).heaters
  const hottest = study.plant.heaters
    .filter(isOnStore)
    .map((h) => (hasSetpoint(h) ? highestSetting(controls[h.id]) : (hottestOf(h, undefined) ?? 0)))
  return Math.max(0, ...hottest)
}
