import { everyDay } from '../../calendar/week'
import { type HeaterKind, HEATERS } from '../../heaters/kinds'
import { type Carrier, CARRIERS } from '../../money/carriers'
import { CIRCULATION } from '../../study/commanded'
import type { Commanded, Controller } from '../../study/controllers'
import type { HeaterControl } from '../../study/controls'
import { edited } from '../../study/edited'
import { freshId } from '../../study/fresh-id'
import { carrierOf, hasSetpoint, isInstantaneous, isOnStore, isPointOfUse } from '../../study/heater-kinds'
import { forget } from '../../study/measures'
import type { Loop, Tap } from '../../study/pipes'
import { type Heater, MOST_HEATERS } from '../../study/plant'
import { type Store } from '../../study/store'
import type { Study } from '../../study/study'
import { assumedIn } from '../defaults/assumed'
import {
  ASSUMED_STORE_L,
  assumedHeater,
  assumedStore,
  assumedTariff,
  defaultControl,
  FLUE_STORE_UA,
} from '../defaults/assumed-heaters'
import { DEFAULT_LOOP, defaultReturns } from '../defaults/loop'

/** Changes to a plant that touch more than one part of the study. Each takes a sound study and gives a sound one. */

/** Every carrier that is burned has a price, an assumed one where there was none. */
export function withPrices(study: Study): Study {
  const needed: Carrier[] = ['electricity', study.site.heating.carrier, ...study.plant.heaters.map(carrierOf)]
  const missing = CARRIERS.filter((c) => needed.includes(c) && !study.prices.carriers[c])
  if (!missing.length) return study
  return edited(study, ({ prices, origins }) => {
    for (const c of missing) {
      prices.carriers[c] = assumedTariff(c, study.units, prices.currency)
      Object.assign(origins, assumedIn(assumedTariff(c, study.units, prices.currency), `prices.carriers.${c}`))
    }
  })
}

/** A household that has one controller has it for what comes, until something else is said. */
function commandedByOnly(controllers: Controller[], of: Commanded): void {
  if (controllers.length === 1 && !controllers[0].commands.includes(of)) controllers[0].commands.push(of)
}

/**
 * Puts a list of heaters in place: controls for each that a thermostat holds, no measure for what has none, no origin for
 * what is gone, a store where one of them heats it and none where none does.
 */
function withHeaters(study: Study, heaters: Heater[]): Study {
  const ids = new Set(heaters.map((h) => h.id))
  const held = new Set(heaters.filter(hasSetpoint).map((h) => h.id))
  const stored = heaters.find(isOnStore)
  const before = study.plant.store
  const store = stored ? flued(study, heaters, before ?? assumedStore(stored.place, stored.kind)) : null
  const were = new Set(study.plant.heaters.map((h) => h.id))
  const added = heaters.filter((h) => !study.plant.heaters.includes(h))
  const goes = (path: string) =>
    path.startsWith('plant.heaters.') ? !ids.has(path.split('.')[2]) : store === null && path.startsWith('plant.store')
  return withPrices(
    edited(study, (s) => {
      const { plant, controls, packages, origins } = s
      plant.heaters = heaters
      s.cards = s.cards.filter((c) => c.heaterId === null || ids.has(c.heaterId))
      s.handover.tests = s.handover.tests.filter((t) => t.kind !== 'dial' || ids.has(t.at ?? ''))
      plant.store = store
      for (const c of [controls.found, controls.set])
        if (c)
          c.heaters = Object.fromEntries(
            heaters.filter(hasSetpoint).map((h) => [h.id, c.heaters[h.id] ?? defaultControl(h.kind)]),
          )
      for (const c of s.controllers) c.commands = c.commands.filter((of) => !were.has(of) || held.has(of))
      for (const c of [controls.found, controls.set])
        if (c && c.heating.heaterId !== null && !ids.has(c.heating.heaterId)) c.heating.heaterId = null
      controls.reasons = controls.reasons.filter((r) => held.has(r.heaterId))
      for (const id of Object.keys(controls.factory)) if (!held.has(id)) delete controls.factory[id]
      controls.readBack = controls.readBack.filter((r) => !were.has(r.of) || held.has(r.of))
      forget(packages, 'thermostats', (id) => !held.has(id))
      forget(packages, 'heaters', (id) => !ids.has(id))
      for (const path of Object.keys(origins)) if (goes(path)) delete origins[path]
      if (store && !before) Object.assign(origins, assumedIn(store, 'plant.store'))
      if (store && before && store !== before) origins['plant.store.loss'] = 'assumed'
      for (const h of added) {
        Object.assign(origins, assumedIn(h, `plant.heaters.${h.id}`))
        if (!hasSetpoint(h)) continue
        commandedByOnly(s.controllers, h.id)
        Object.assign(origins, assumedIn(defaultControl(h.kind), `controls.found.heaters.${h.id}`))
      }
    }),
  )
}

/** A store whose loss nobody measured loses through the flue as soon as a burner stands under it. */
function flued(study: Study, heaters: readonly Heater[], store: Store): Store {
  const guessed = store.loss.kind === 'label' || study.origins['plant.store.loss'] === 'assumed'
  const sendsFlue = (h: Heater) => HEATERS[h.kind].flueInStore
  if (!guessed || !heaters.some(sendsFlue) || study.plant.heaters.some(sendsFlue)) return store
  return { ...store, loss: { kind: 'ua', uaWK: FLUE_STORE_UA } }
}

const central = (heaters: readonly Heater[]) => heaters.filter((h) => !isPointOfUse(h))

/** Why a heater of a kind cannot be there besides the others, or null. */
export function refusesHeater(others: readonly Heater[], kind: HeaterKind): string | null {
  if (HEATERS[kind].heats === 'tap' && central(others).length === 0)
    return 'it serves one outlet; another heater must serve the others'
  if (HEATERS[kind].heats === 'instantaneous' && others.some(isInstantaneous))
    return 'there is an instantaneous water heater already'
  return null
}

/** Taps that a small store serves best come first: what is asked for often, in small amounts. */
const SMALL_USES: readonly Tap['kind'][] = ['basin', 'kitchen']

/** A tap without a heater of its own, a basin first; or the first of all. */
function freeTap(study: Study, others: readonly Heater[]): string {
  const taken = new Set(others.filter(isPointOfUse).map((h) => h.tapId))
  const free = study.pipes.taps.filter((t) => !taken.has(t.id))
  const best = SMALL_USES.map((kind) => free.find((t) => t.kind === kind)).find((t) => t !== undefined)
  return (best ?? free[0] ?? study.pipes.taps[0]).id
}

const tapsLeft = (study: Study, others: readonly Heater[], kind: HeaterKind) =>
  HEATERS[kind].heats !== 'tap' || others.filter(isPointOfUse).length < study.pipes.taps.length

/** The plant with a heater of another kind in a place: it keeps its place, not its figures. */
export function changeHeaterKind(study: Study, id: string, kind: HeaterKind): Study {
  const { heaters } = study.plant
  const old = heaters.find((h) => h.id === id)
  const others = heaters.filter((h) => h.id !== id)
  if (!old || old.kind === kind || refusesHeater(others, kind) || !tapsLeft(study, others, kind)) return study
  const cleared = edited(study, ({ controls }) => {
    // What was set on everything else stays.
    delete controls.found.heaters[id]
    if (controls.set) delete controls.set.heaters[id]
  })
  const heater = assumedHeater(
    kind,
    id,
    old.place,
    freeTap(study, others),
    study.plant.store?.litres ?? ASSUMED_STORE_L,
  )
  return withHeaters(
    cleared,
    heaters.map((h) => (h.id === id ? heater : h)),
  )
}

/** Why a heater of a kind cannot be added, or null. */
export function refusesAnother(study: Study, kind: HeaterKind): string | null {
  const { heaters } = study.plant
  if (heaters.length >= MOST_HEATERS) return `there are ${MOST_HEATERS} heaters already`
  return tapsLeft(study, heaters, kind) ? refusesHeater(heaters, kind) : 'every outlet has one already'
}

/** Heaters that have a name already: those that are there, and those that measures would bring. */
export const namedHeaters = ({ plant, packages }: Study): { id: string }[] => [
  ...plant.heaters,
  ...packages.flatMap((p) => p.measures.flatMap((m) => (m.kind === 'heat-source' ? [m.heater] : []))),
]

/** One more heater, last in priority; the first that heats a store brings one. */
export function addHeater(study: Study, kind: HeaterKind): Study {
  const { heaters, store } = study.plant
  if (refusesAnother(study, kind)) return study
  const taken = namedHeaters(study)
  const id = taken.some((h) => h.id === kind) ? freshId(kind, taken) : kind
  return withHeaters(study, [
    ...heaters,
    assumedHeater(
      kind,
      id,
      store?.place ?? heaters[0].place,
      freeTap(study, heaters),
      store?.litres ?? ASSUMED_STORE_L,
    ),
  ])
}

/** Whether a heater may go: something must heat water for all taps. */
export const keepsHeater = (study: Study, id: string) =>
  central(study.plant.heaters.filter((h) => h.id !== id)).length === 0

/** The plant without a heater. */
export function removeHeater(study: Study, id: string): Study {
  return keepsHeater(study, id)
    ? study
    : withHeaters(
        study,
        study.plant.heaters.filter((h) => h.id !== id),
      )
}

/**
 * The plant with a heater as it is proposed: in the place of others, or last in priority beside them; with a store of its own,
 * or what is there. Where it cannot be, the study is as it was.
 */
export function putHeater(
  study: Study,
  replaces: readonly string[],
  heater: Heater,
  control: HeaterControl | null,
  store: Store | null,
): Study {
  const { heaters } = study.plant
  const others = heaters.filter((h) => !replaces.includes(h.id))
  if (refusesPut(study, replaces, heater) !== null) return study
  const place = heaters.findIndex((h) => replaces.includes(h.id))
  // A heat pump does what it can before what is dearer helps.
  const first = HEATERS[heater.kind].pumpsHeat ? [heater, ...heaters] : [...heaters, heater]
  const next = place < 0 ? first : [...others.slice(0, place), heater, ...others.slice(place)]
  const put = withHeaters(store ? edited(study, ({ plant }) => void (plant.store = store)) : study, next)
  if (!control) return put
  return edited(put, ({ controls, controllers }) => {
    for (const c of [controls.found, controls.set]) if (c) c.heaters[heater.id] = control
    // What commanded the one that goes commands the one that comes.
    study.controllers.forEach(({ commands }, i) => {
      if (commands.some((of) => replaces.includes(of)) && !controllers[i].commands.includes(heater.id))
        controllers[i].commands.push(heater.id)
    })
  })
}

/** Why a heater cannot stand there in the place of others, or null. */
export function refusesPut({ plant, pipes }: Study, replaces: readonly string[], heater: Heater): string | null {
  const others = plant.heaters.filter((h) => !replaces.includes(h.id))
  if (others.some((h) => h.id === heater.id)) return 'it exists already'
  if (others.length >= MOST_HEATERS) return `there are ${MOST_HEATERS} heaters already`
  if ('tapId' in heater && !pipes.taps.some((t) => t.id === heater.tapId)) return 'its outlet does not exist'
  return refusesHeater(others, heater.kind)
}

/** A heater one place earlier in the order of priority. */
export function raiseHeater(study: Study, id: string): Study {
  const i = study.plant.heaters.findIndex((h) => h.id === id)
  if (i < 1) return study
  const [before, raised] = study.plant.heaters.slice(i - 1, i + 1)
  return edited(study, ({ plant }) => void plant.heaters.splice(i - 1, 2, raised, before))
}

/** A pumped loop that turns at the end of the first trunk, with a return of its own; its pump rests until it is set. */
export function addLoop(study: Study): Study {
  if (study.pipes.loop) return study
  const trunk = study.pipes.runs.find((r) => r.from === null)!
  const loop: Loop = {
    returnConnectionRunId: trunk.id,
    back: {
      material: trunk.material,
      size: trunk.size,
      lengthM: trunk.lengthM,
      place: trunk.place,
      insulation: trunk.insulation,
      reachable: trunk.reachable,
      joints: trunk.joints,
      fittings: trunk.fittings,
    },
    ...DEFAULT_LOOP,
    returns: defaultReturns('own pipe'),
  }
  return edited(study, ({ pipes, controllers, origins }) => {
    pipes.loop = loop
    commandedByOnly(controllers, CIRCULATION)
    origins['pipes.loop.pumpLMin'] = origins['pipes.loop.pumpW'] = 'assumed'
  })
}

/** The pipes without their loop: its pump is off, and what was proposed for it is gone. */
export function removeLoop(study: Study): Study {
  return edited(study, ({ pipes, controls, controllers, packages, origins, handover }) => {
    pipes.loop = null
    handover.tests = handover.tests.filter((t) => t.kind !== 'return')
    controls.readBack = controls.readBack.filter((r) => r.of !== CIRCULATION)
    for (const c of controllers) c.commands = c.commands.filter((of) => of !== CIRCULATION)
    for (const c of [controls.found, controls.set]) if (c) c.loop = { ...c.loop, mode: 'off', schedule: everyDay() }
    for (const p of packages) {
      p.measures = p.measures.filter((m) => m.kind !== 'loop-mode' && m.kind !== 'loop-schedule')
      for (const m of p.measures) if (m.kind === 'insulate-runs') m.loopReturn = false
    }
    for (const path of Object.keys(origins)) if (path.startsWith('pipes.loop.')) delete origins[path]
  })
}
