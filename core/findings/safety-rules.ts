import { hottestOf } from '../household/hottest'
import { storeSetpoint, supplyOf } from '../household/supply'
import { mixesTo } from '../household/supply'
import { mainsOnColdest } from '../household/ways'
import type { Material } from '../pipes/catalogue'
import { SAFETY } from '../safety/limits'
import { burnTime, scaldSeconds } from '../safety/scald'
import { hasSetpoint, isLocal, isOnStore } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { density } from '../water/properties'
import type { Case, Rule } from './finding'

/** A thermostat may let the water this far past its dial, K. */
const DIAL_OVER_K = 5
/** A store that no thermostat holds is reckoned this hot, °C. */
const UNHELD_HOT_C = 80
/** Hottest water a plastic pipe stands, °C; makers differ. */
const PLASTIC_LIMIT_C: Partial<Record<Material, number>> = {
  'pex-cts': 82,
  'pex-en': 82,
  multilayer: 82,
  'cpvc-cts': 93,
  'pp-r': 70,
}

export const storeTepid: Rule = ({ study, year, write }) => {
  const setpointC = storeSetpoint(study)
  if (setpointC === null || setpointC >= SAFETY.livesOn.value) return []
  // A hot run that is held each week is what such a store asks for.
  if (year && year.hotRuns.begun > 0 && year.hotRuns.held === year.hotRuns.begun) return []
  return [
    {
      id: 'store-tepid',
      severity: 'danger',
      station: 'store',
      on: null,
      what: 'The store is tepid',
      why: `It is kept at ${write.temperature(setpointC)}; legionella grow between ${write.temperature(SAFETY.grows.value.low)} and ${write.temperature(SAFETY.grows.value.high)} and live on below ${write.temperature(SAFETY.livesOn.value)}.`,
      source: SAFETY.livesOn.source,
      mend: `Raise the setpoint to ${write.temperature(SAFETY.storedHot.value)} and mix down at the taps, or fix a hot run once a week.`,
    },
  ]
}

/** Hottest water that leaves for the taps, °C: of the year, or what the heaters are set to and fires can make while no year is known. */
function hottestAtTaps({ study, year }: Case): { c: number; tap: string | null } {
  if (year) {
    const hot = year.taps.filter((t) => t.hottestC !== null).sort((a, b) => b.hottestC! - a.hottestC!)[0]
    if (hot) return { c: hot.hottestC!, tap: study.pipes.taps.find((t) => t.id === hot.id)?.name ?? null }
  }
  const wild = study.plant.heaters
    .filter((h) => isOnStore(h) && !hasSetpoint(h))
    .map((h) => hottestOf(h, controlsOf(study).heaters[h.id]) ?? 0)
  const supply = supplyOf(study)
  const set = study.plant.heaters.some((h) => h.id === supply.heaterId && hasSetpoint(h)) ? supply.setpointC : 0
  return {
    c: Math.min(Math.max(set, ...wild), mixesTo(study.plant.store) ?? Infinity),
    tap: null,
  }
}

export const scald: Rule = (given) => {
  const { study, write } = given
  const { store } = study.plant
  const { c, tap } = hottestAtTaps(given)
  if (
    c <= SAFETY.scalds.value ||
    (typeof store?.mixing === 'object' &&
      c <= (store.mixing.mixesToC ?? Infinity) + DIAL_OVER_K &&
      (store.mixing.mixesToC ?? 0) <= SAFETY.scalds.value)
  )
    return []
  const atRisk = study.people.persons.filter((p) => p.kind !== 'adult')
  const { adultS, childS } = scaldSeconds(c)
  const looked = store?.mixing !== 'not looked'
  return [
    {
      id: 'scald',
      severity: looked ? (atRisk.length ? 'danger' : 'mend') : 'look',
      station: store ? 'store' : 'heater',
      on: store ? null : supplyOf(study).heaterId,
      what: looked ? 'Water that scalds' : 'Is there a mixing valve?',
      why: `Water of up to ${write.temperature(c)} comes${tap ? ` at ${tap}` : ''}: it burns an adult in ${burnTime(adultS)} and a child in ${burnTime(childS)}${atRisk.length ? `. ${atRisk.map((p) => p.name).join(', ')} ${atRisk.length === 1 ? 'is' : 'are'} at risk` : ''}.`,
      source: `${SAFETY.scalds.source}, by the hottest water of the year`,
      mend: !looked
        ? 'Look, and say so under Store.'
        : store
          ? `Fit a thermostatic mixing valve at the store or at the outlets, or set the one there to ${write.temperature(SAFETY.scalds.value)} or less.`
          : `Set the heater to ${write.temperature(SAFETY.scalds.value)} or less: what is not stored need not be hotter than it is used.`,
      reading: 'tap-temperature',
    },
  ]
}

export const reliefValve: Rule = ({ study }) => {
  const { store } = study.plant
  if (!store) return []
  const at = { station: 'store', on: null, source: 'A heated closed vessel; local code' } as const
  if (store.reliefValve === true && store.reliefPiped === false)
    return [
      {
        ...at,
        id: 'relief-piped',
        severity: 'danger',
        what: 'The relief valve discharges where it can hurt',
        why: 'What it lets go is near boiling.',
        mend: 'Have its discharge piped, falling, open and in sight, to a safe place.',
      },
    ]
  if (store.reliefValve === false)
    return [
      {
        ...at,
        id: 'relief-valve',
        severity: 'danger',
        what: 'No relief valve',
        why: 'A closed vessel that is heated bursts when its thermostat fails.',
        mend: 'Have one fitted by the licensed before the heater runs again; its discharge piped to a safe place.',
      },
    ]
  if (store.valveBeforeRelief === true)
    return [
      {
        ...at,
        id: 'relief-shut',
        severity: 'danger',
        what: 'The relief valve can be shut off',
        why: 'A valve stands between the store and its relief valve.',
        mend: 'Have it taken out by the licensed.',
      },
    ]
  if (store.reliefValve === null || store.reliefPiped === null)
    return [
      {
        ...at,
        id: 'relief-look',
        severity: 'look',
        what: 'Is there a relief valve?',
        why: 'Nobody has written down whether it is there and where it discharges.',
        mend: 'Look, and say so under Store.',
      },
    ]
  return []
}

export const expansion: Rule = ({ study, write }) => {
  const { site, plant } = study
  const closed = site.backflowGuard === true || site.pressureReducer === true
  if (!plant.store || !closed || site.expansionVessel === true) return []
  return [
    {
      id: 'expansion',
      severity: 'mend',
      station: 'main',
      on: null,
      what: 'Expansion has nowhere to go',
      why: `${site.backflowGuard ? 'A backflow device' : 'A pressure reducer'} closes the main, so ${write.figure('volume', plant.store.litres, 0)} of heated water, which grow by ${write.figure('volume', plant.store.litres * (density(mainsOnColdest(study)) / density(storeSetpoint(study) ?? UNHELD_HOT_C) - 1), 1)}, push the pressure up at every heating${site.expansionVessel === null ? '; nobody has seen a vessel' : ', and there is no vessel'}.`,
      source: 'Density of water at the main against that at the setpoint (Kell 1975)',
      mend: 'Fit an expansion vessel on the cold feed, between the check valve and the store.',
    },
  ]
}

/** What the pipes that leave the plant stand, °C; null where none of them has a limit. */
export function pipeLimitC(study: Study): number | null {
  const limits = study.pipes.runs.filter((r) => r.from === null).flatMap((r) => PLASTIC_LIMIT_C[r.material] ?? [])
  return limits.length ? Math.min(...limits) : null
}

export const plasticAtSource: Rule = ({ study, write }) => {
  const { heaters, store } = study.plant
  const controls = controlsOf(study).heaters
  // By thermostat a little past its dial; the sun, fires and pilots as hot as they get; behind a mixing valve what it lets through.
  const reach = heaters
    .filter((h) => !isLocal(h))
    .map((h) =>
      !hasSetpoint(h) || (h.kind === 'gas-store' && h.pilotW > 0)
        ? (hottestOf(h, controls[h.id]) ?? 0)
        : controls[h.id].setpointC + DIAL_OVER_K,
    )
  const canReach = Math.min(Math.max(...reach), (mixesTo(store) ?? Infinity) + DIAL_OVER_K)
  return study.pipes.runs
    .filter((r) => r.from === null && (PLASTIC_LIMIT_C[r.material] ?? 200) < canReach)
    .map((r) => ({
      id: `plastic-${r.id}`,
      severity: 'mend',
      station: 'runs',
      on: r.id,
      what: `Plastic pipe at the source: ${r.name}`,
      why: `Its water can reach ${write.temperature(canReach)}; the pipe stands ${write.temperature(PLASTIC_LIMIT_C[r.material]!)}, or what its maker says.`,
      source: 'Limits of plastic pipes; makers differ',
      mend: 'The first metre or two in metal, and a limit on the heater.',
    }))
}

export const loopTepid: Rule = ({ study, year, write }) => {
  const share = year?.hygiene.loopReturnCoolShare
  if (!study.pipes.loop || share === undefined || share === null || share < SAFETY.coolReturn.value) return []
  return [
    {
      id: 'loop-tepid',
      severity: 'danger',
      station: 'loop',
      on: null,
      what: 'The loop comes back tepid',
      why: `Its return is below ${write.temperature(SAFETY.loopReturn.value)} for ${Math.round(share * 100)} % of the time the pump runs.`,
      source: SAFETY.loopReturn.source,
      mend: 'More insulation or more flow, or a hotter store.',
      reading: 'loop',
    },
  ]
}
