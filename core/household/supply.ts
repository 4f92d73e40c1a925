import { HEATERS } from '../heaters/kinds'
import { hasSetpoint, instantaneousOf, isOnStore, isPointOfUse } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Store } from '../study/store'
import type { Study } from '../study/study'

/** The setpoint that decides how hot the water is that leaves for the taps, °C, and whose it is. */
export function supplyOf(study: Study): { heaterId: string; setpointC: number } {
  const { heaters } = study.plant
  const controls = controlsOf(study).heaters
  const running = instantaneousOf(heaters)
  const central = heaters.filter((h) => !isPointOfUse(h))
  const held = running ? [running] : central.filter(hasSetpoint)
  // With the sun and fires alone nobody sets it: it is reckoned with what a store is usually kept at.
  if (!held.length) return { heaterId: central[0].id, setpointC: HEATERS[central[0].kind].begins.setpointC }
  const hottest = held.reduce((a, b) => (controls[b.id].setpointC > controls[a.id].setpointC ? b : a))
  return { heaterId: hottest.id, setpointC: controls[hottest.id].setpointC }
}

/** What a valve behind the store mixes to, °C; null: there is none, or nobody knows of it. */
export const mixesTo = (store: Store | null): number | null =>
  store && typeof store.mixing === 'object' ? store.mixing.mixesToC : null

/** Water that the pipes carry, °C: the same, or what a mixing valve behind the store makes of it. */
export const supplyC = (study: Study): number =>
  Math.min(supplyOf(study).setpointC, mixesTo(study.plant.store) ?? Infinity)

/** The hottest thermostat that holds the store, °C, and whose it is; null without a store, or with the sun and fires alone. */
export function storeThermostat(study: Study): { heaterId: string; setpointC: number } | null {
  const controls = controlsOf(study).heaters
  const held = study.plant.heaters
    .filter((h) => isOnStore(h) && hasSetpoint(h))
    .map((h) => ({ heaterId: h.id, setpointC: controls[h.id].setpointC }))
  return held.length ? held.reduce((a, b) => (b.setpointC > a.setpointC ? b : a)) : null
}

/** Its setpoint, °C, or null. */
export const storeSetpoint = (study: Study): number | null => storeThermostat(study)?.setpointC ?? null
