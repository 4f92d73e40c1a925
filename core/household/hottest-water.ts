import { DIAL_OVER_K } from '../heaters/dial'
import { hasSetpoint, isOnStore, isPointOfUse } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import { highestSetting, hottestOf } from './hottest'

const central = (h: Heater) => !isPointOfUse(h)

/** Hottest that a heater makes in its ordinary work, °C: as it is set at its highest, or as its fire, sun or pilot makes it. */
export function ordinaryHottest(study: Study, heater: Heater): number {
  const control = controlsOf(study).heaters[heater.id]
  const own = hottestOf(heater, control) ?? 0
  // A pilot burns on whatever the thermostat says.
  const heldBack = hasSetpoint(heater) && !('pilotW' in heater && heater.pilotW > 0 && isOnStore(heater))
  return heldBack ? Math.min(own, highestSetting(control)) : own
}

/** Hottest that stands in the store or leaves what heats as it runs, in ordinary work, before any valve mixes it, °C. */
export const hottestAtPlant = (study: Study): number =>
  Math.max(0, ...study.plant.heaters.filter(central).map((h) => ordinaryHottest(study, h)))

/** The same with thermostats a little past their dial: what a pipe at the plant has to stand, °C. */
export const reachesAtPlant = (study: Study): number =>
  Math.max(
    0,
    ...study.plant.heaters.filter(central).map((h) => ordinaryHottest(study, h) + (hasSetpoint(h) ? DIAL_OVER_K : 0)),
  )

/** What can be reached when a thermostat fails, °C: what physics or a cut-out ends. */
export const hottestOnFailure = (study: Study): number =>
  Math.max(0, ...study.plant.heaters.filter(central).map((h) => hottestOf(h, controlsOf(study).heaters[h.id]) ?? 0))
