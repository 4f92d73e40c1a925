import { HEAT_PUMP_LIMIT_C } from '../../heaters/heat-pump'
import { HEATER_KINDS, type HeaterKind, HEATERS } from '../../heaters/kinds'
import type { HeaterControl } from '../../study/controls'
import { freshId } from '../../study/fresh-id'
import { hasSetpoint, isLocal, isOnStore } from '../../study/heater-kinds'
import { controlsOf } from '../../study/in-force'
import type { Tap } from '../../study/pipes'
import type { Heater, Store } from '../../study/plant'
import type { Study } from '../../study/study'
import { ASSUMED_STORE_L, assumedHeater, assumedStore, beginControl } from '../blank/assumed-heaters'
import { supplyOf } from '../supply'
import { runsTo } from '../ways'
import { refusesPut } from './plant'

/** A heat source that could be put into a house, and how. */
export interface HeatSource {
  /** Heaters that go. */
  replaces: string[]
  heater: Heater
  /** How it is set, where a thermostat holds it. */
  control: HeaterControl | null
  /** A store that comes with it; null: what is there stays. */
  store: Store | null
}

/** Whether it takes the place of what supplies the taps, or stands beside it. */
export type How = 'instead' | 'beside'

/** Kinds of heater that could stand there in the place of the one that supplies, or beside it. */
export const sourcesFor = (study: Study, how: How): HeaterKind[] =>
  HEATER_KINDS.filter((kind) => heatSource(study, kind, how) !== null)

/** A heat source as it is begun, or null where its kind cannot stand there. */
export function heatSource(study: Study, kind: HeaterKind, how: How): HeatSource | null {
  const { heaters, store } = study.plant
  const supplying = heaters.find((h) => h.id === supplyOf(study).heaterId)!
  // What serves one tap takes nobody's place, and what heats as it runs none of the sun's.
  if (how === 'instead' && (HEATERS[kind].heats === 'tap' || !HEATERS[kind].thermostat || kind === supplying.kind))
    return null
  const replaces = how === 'instead' ? [supplying.id] : []
  const named = study.packages.flatMap((p) => p.measures.flatMap((m) => (m.kind === 'heat-source' ? [m.heater] : [])))
  const id = freshId(kind, [...heaters, ...named])
  const place = store?.place ?? supplying.place
  const heater: Heater = assumedHeater(kind, id, place, farFreeTap(study), store?.litres ?? ASSUMED_STORE_L)
  if (refusesPut(study, replaces, heater) !== null) return null
  // What takes over a store keeps it as warm as it was kept.
  const alike = HEATERS[supplying.kind].heats === HEATERS[kind].heats && hasSetpoint(supplying)
  const mostC = kind === 'heat-pump' ? HEAT_PUMP_LIMIT_C : Infinity
  const likeBefore = alike ? { setpointC: Math.min(mostC, controlsOf(study).heaters[supplying.id].setpointC) } : {}
  return {
    replaces,
    heater,
    control: hasSetpoint(heater) ? { ...beginControl(kind), ...likeBefore } : null,
    store: isOnStore(heater) && !store ? assumedStore(place, kind) : null,
  }
}

/** A tap without a heater of its own: where the water is longest on its way. */
export function farFreeTap(study: Study): string {
  const taken = new Set(study.plant.heaters.filter(isLocal).map((h) => h.tapId))
  const metres = (tap: Tap) => runsTo(study, tap).reduce((s, r) => s + r.lengthM, 0)
  const free = study.pipes.taps.filter((t) => !taken.has(t.id))
  return (free.sort((a, b) => metres(b) - metres(a))[0] ?? study.pipes.taps[0]).id
}
