import { HEAT_PUMP_LIMIT_C } from '../../heaters/heat-pump'
import { HEATER_KINDS, type HeaterKind, HEATERS } from '../../heaters/kinds'
import type { Carrier } from '../../money/carriers'
import type { HeaterControl } from '../../study/controls'
import { freshId } from '../../study/fresh-id'
import { BurnerFuel } from '../../study/fuels'
import { carrierOf, hasSetpoint, type HeaterOf, isHeatPump, isOnStore, isPointOfUse } from '../../study/heater-kinds'
import { controlsOf } from '../../study/in-force'
import type { Tap } from '../../study/pipes'
import type { Heater } from '../../study/plant'
import type { Store } from '../../study/store'
import type { Study } from '../../study/study'
import { ASSUMED_STORE_L, assumedHeater, assumedStore, defaultControl } from '../defaults/assumed-heaters'
import { runsTo } from '../lookups'
import { supplyOf } from '../supply'
import { namedHeaters, refusesPut } from './plant'

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

/**
 * What of a heat source is chosen for the house it comes to: its fuel, the phases it takes, the air it draws from; of what
 * stands at an outlet, which one, and what fills it.
 */
export interface Choice {
  carrier?: Carrier
  phases?: 1 | 3
  air?: HeaterOf<'heat-pump'>['air']
  tapId?: string
  feed?: 'cold' | 'hot'
}

/** Fuels of a burner in the order in which they are thought of; gas only where nobody has said that none is there. */
const fuelsIn = ({ site }: Study): Carrier[] =>
  BurnerFuel.options.filter((fuel) => fuel !== 'natural-gas' || site.networks.gas !== false)

/** What can be chosen of a heater, and among what. */
export function choicesOf(study: Study, heater: Heater): { [K in keyof Choice]: NonNullable<Choice[K]>[] } {
  return {
    ...(HEATERS[heater.kind].source === 'burner' ? { carrier: fuelsIn(study) } : {}),
    ...('phases' in heater ? { phases: [1, 3] as (1 | 3)[] } : {}),
    ...(isHeatPump(heater)
      ? { air: ['where it stands', 'outdoors'] as const satisfies readonly string[] as never }
      : {}),
    ...('tapId' in heater ? { tapId: freeTaps(study).map((t) => t.id) } : {}),
    ...('feed' in heater ? { feed: ['cold', 'hot'] as ('cold' | 'hot')[] } : {}),
  }
}

/** What is chosen of a heater. */
export const choiceOf = (heater: Heater): Choice => ({
  ...('carrier' in heater ? { carrier: heater.carrier } : {}),
  ...('phases' in heater ? { phases: heater.phases } : {}),
  ...('air' in heater ? { air: heater.air } : {}),
  ...('tapId' in heater ? { tapId: heater.tapId } : {}),
  ...('feed' in heater ? { feed: heater.feed } : {}),
})

/** A heater as it is chosen; where nothing is, by what the house has: its own fuel, its phases. */
function chosen(study: Study, heater: Heater, choice: Choice): Heater {
  const burnt = study.plant.heaters.map(carrierOf)
  const fuels = fuelsIn(study)
  const carrier = choice.carrier ?? fuels.find((f) => burnt.includes(f)) ?? fuels[0]
  const phases = choice.phases ?? study.site.electricMain?.phases
  return {
    ...heater,
    ...(HEATERS[heater.kind].source === 'burner' ? { carrier } : {}),
    ...('phases' in heater && phases ? { phases } : {}),
    ...(isHeatPump(heater) && choice.air ? { air: choice.air } : {}),
    ...('tapId' in heater && choice.tapId ? { tapId: choice.tapId } : {}),
    ...('feed' in heater && choice.feed ? { feed: choice.feed } : {}),
  } as Heater
}

/** What stays when a heater gives way to a newer one of its kind: how large it is, and what it is connected to. */
const STAYS = ['outputKw', 'minOutputKw', 'powerKw', 'units', 'phases', 'coil', 'primary', 'height', 'air', 'supply']

function asLargeAs(newer: Heater, old: Heater): Heater {
  const stays = Object.entries(old).filter(([key]) => STAYS.includes(key) && key in newer)
  return { ...newer, ...structuredClone(Object.fromEntries(stays)), name: `${newer.name}, new` }
}

/** Kinds of heater that could stand there in the place of the one that supplies, or beside it. */
export const sourcesFor = (study: Study, how: How): HeaterKind[] =>
  HEATER_KINDS.filter((kind) => heatSource(study, kind, how) !== null)

/** What serves one tap takes nobody's place, what heats as it runs none of the sun's, and a network has to be there. */
const canStand = ({ site }: Study, kind: HeaterKind, how: How): boolean =>
  (how === 'beside' || (HEATERS[kind].heats !== 'tap' && HEATERS[kind].thermostat)) &&
  !(HEATERS[kind].source === 'network' && site.networks.heat === false)

/** A heat source as it is begun, or null where its kind cannot stand there. */
export function heatSource(study: Study, kind: HeaterKind, how: How, choice: Choice = {}): HeatSource | null {
  const { heaters, store } = study.plant
  const supplying = heaters.find((h) => h.id === supplyOf(study).heaterId)!
  if (!canStand(study, kind, how)) return null
  const replaces = how === 'instead' ? [supplying.id] : []
  const id = freshId(kind, namedHeaters(study))
  const place = store?.place ?? supplying.place
  const begun = assumedHeater(kind, id, place, farFreeTap(study), store?.litres ?? ASSUMED_STORE_L)
  const newer = how === 'instead' && kind === supplying.kind
  const heater = chosen(study, newer ? asLargeAs(begun, supplying) : begun, choice)
  if (refusesPut(study, replaces, heater) !== null) return null
  // What takes over a store keeps it as warm as it was kept.
  const alike = HEATERS[supplying.kind].heats === HEATERS[kind].heats && hasSetpoint(supplying)
  const mostC = HEATERS[kind].pumpsHeat ? HEAT_PUMP_LIMIT_C : Infinity
  const likeBefore = alike ? { setpointC: Math.min(mostC, controlsOf(study).heaters[supplying.id].setpointC) } : {}
  return {
    replaces,
    heater,
    control: hasSetpoint(heater) ? { ...defaultControl(kind), ...likeBefore } : null,
    store: isOnStore(heater) && !store ? assumedStore(place, kind) : null,
  }
}

/** Taps without a heater of their own. */
function freeTaps({ plant, pipes }: Study): Tap[] {
  const taken = new Set(plant.heaters.filter(isPointOfUse).map((h) => h.tapId))
  return pipes.taps.filter((t) => !taken.has(t.id))
}

/** A tap without a heater of its own: where the water is longest on its way. */
export function farFreeTap(study: Study): string {
  const metres = (tap: Tap) => runsTo(study, tap).reduce((s, r) => s + r.lengthM, 0)
  return (freeTaps(study).sort((a, b) => metres(b) - metres(a))[0] ?? study.pipes.taps[0]).id
}
