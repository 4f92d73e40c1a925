import { hasSetpoint, isLocal, isOnStore, runningOf } from '../study/plant'
import { controlsOf, type Study } from '../study/study'

/** The setpoint that decides how hot the water is that leaves for the taps, °C, and whose it is. */
export function supplyOf(study: Study): { heaterId: string; setpointC: number } {
  const { heaters } = study.plant
  const controls = controlsOf(study).heaters
  const running = runningOf(heaters)
  const central = heaters.filter((h) => !isLocal(h))
  const held = running ? [running] : central.filter(hasSetpoint)
  const hottest = (held.length ? held : central).reduce((a, b) => (controls[b.id].setpointC > controls[a.id].setpointC ? b : a))
  return { heaterId: hottest.id, setpointC: controls[hottest.id].setpointC }
}

/** Water that the pipes carry, °C: the same, or what a mixing valve behind the store makes of it. */
export const carriedC = (study: Study): number => Math.min(supplyOf(study).setpointC, study.plant.store?.mixesToC ?? Infinity)

/** Hottest setpoint that a thermostat holds the store at, °C; null without a store, or with the sun and fires alone. */
export function storeSetpoint(study: Study): number | null {
  const held = study.plant.heaters.filter((h) => isOnStore(h) && hasSetpoint(h))
  return held.length ? Math.max(...held.map((h) => controlsOf(study).heaters[h.id].setpointC)) : null
}
