import { storeSetpoint, supplyOf } from '../controls/supply'
import { CUT_OUT_C } from '../safety/cut-out'
import { COIL_LIMIT_C } from '../heaters/wood-coil'
import type { Material } from '../pipes/catalogue'
import { SAFE_RETURN_C } from '../safety/legionella'
import { scaldSeconds } from '../safety/scald'
import type { Rule } from './finding'

/** Below this a store lets legionella live, and above `SCALDS_C` water scalds, °C. */
const TEPID_STORE_C = 50
const SCALDS_C = 49
/** A thermostat may let the water this far past its dial, K. */
const DIAL_OVER_K = 5
/** Hottest water a plastic pipe stands, °C; makers differ. */
const PLASTIC_LIMIT_C: Partial<Record<Material, number>> = { 'pex-cts': 82, 'pex-en': 82, multilayer: 82, 'cpvc-cts': 93, 'pp-r': 70 }

export const storeTepid: Rule = ({ study, write }) => {
  const setpointC = storeSetpoint(study)
  if (setpointC === null || setpointC >= TEPID_STORE_C) return []
  return [
    {
      id: 'store-tepid',
      severity: 'danger',
      station: 'store',
      on: null,
      what: 'The store is tepid',
      why: `It is kept at ${write.temperature(setpointC)}; legionella grow between 20 and 45 °C and live on below ${write.temperature(TEPID_STORE_C)}.`,
      source: 'Growth and kill of legionella against temperature; local code',
      mend: 'Raise the setpoint to 60 °C and mix down at the taps, or fix a hot run once a week.',
    },
  ]
}

export const mixingValve: Rule = ({ study, write }) => {
  const { store } = study.plant
  const setpointC = Math.min(supplyOf(study).setpointC, store?.mixesToC ?? Infinity)
  if (!store || store.mixingValve === true || setpointC <= SCALDS_C) return []
  const atRisk = study.people.persons.filter((p) => p.kind !== 'adult')
  const { adultS, childS } = scaldSeconds(setpointC)
  const seconds = (s: number) => (s < 10 ? s.toFixed(1) : s.toFixed(0))
  const burns = Number.isFinite(adultS) ? `Water of ${write.temperature(setpointC)} burns an adult in ${seconds(adultS)} s and a child in ${seconds(childS)} s` : `Water of ${write.temperature(setpointC)} scalds in minutes`
  return [
    {
      id: 'mixing-valve',
      severity: store.mixingValve === false ? (atRisk.length ? 'danger' : 'mend') : 'look',
      station: 'store',
      on: null,
      what: store.mixingValve === false ? 'A hot store without a mixing valve' : 'Is there a mixing valve?',
      why: `${burns}${atRisk.length ? `, and ${atRisk.map((p) => p.name).join(', ')} ${atRisk.length === 1 ? 'is' : 'are'} at risk` : ''}.`,
      source: 'Seconds to a deep burn against temperature',
      mend: store.mixingValve === false ? 'Fit a thermostatic mixing valve at the store or at the outlets.' : 'Look, and say so under Store.',
    },
  ]
}

export const reliefValve: Rule = ({ study }) => {
  const { store } = study.plant
  if (!store) return []
  const at = { station: 'store', on: null, source: 'A heated closed vessel; local code' } as const
  if (store.reliefValve === false)
    return [{ ...at, id: 'relief-valve', severity: 'danger', what: 'No relief valve, or its discharge is not safe', why: 'A closed vessel that is heated bursts when its thermostat fails.', mend: 'Have one fitted by the licensed before the heater runs again; its discharge piped to a safe place.' }]
  if (store.valveBeforeRelief === true)
    return [{ ...at, id: 'relief-shut', severity: 'danger', what: 'The relief valve can be shut off', why: 'A valve stands between the store and its relief valve.', mend: 'Have it taken out by the licensed.' }]
  if (store.reliefValve === null) return [{ ...at, id: 'relief-look', severity: 'look', what: 'Is there a relief valve?', why: 'Nobody has written down whether it is there and where it discharges.', mend: 'Look, and say so under Store.' }]
  return []
}

export const expansion: Rule = ({ study }) => {
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
      why: `${site.backflowGuard ? 'A backflow device' : 'A pressure reducer'} closes the main, so ${Math.round(plant.store.litres)} L of heated water push the pressure up at every heating${site.expansionVessel === null ? '; nobody has seen a vessel' : ', and there is no vessel'}.`,
      source: 'Water grows by about 1.7 % from 10 to 60 °C',
      mend: 'Fit an expansion vessel on the cold feed, between the check valve and the store.',
    },
  ]
}

export const plasticAtSource: Rule = ({ study, write }) => {
  const dials = Object.values(study.controls.found.heaters).map((h) => h.setpointC + DIAL_OVER_K)
  const beyond = study.plant.heaters.map((h) => (h.kind === 'gas-store' ? CUT_OUT_C : h.kind === 'wood-coil' ? COIL_LIMIT_C : h.kind === 'solar' ? h.storeLimitC : 0))
  const canReach = Math.max(...dials, supplyOf(study).setpointC + DIAL_OVER_K, ...beyond)
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
  if (!study.pipes.loop || share === undefined || share === null || share < 0.1) return []
  return [
    {
      id: 'loop-tepid',
      severity: 'danger',
      station: 'loop',
      on: null,
      what: 'The loop comes back tepid',
      why: `Its return is below ${write.temperature(SAFE_RETURN_C)} for ${Math.round(share * 100)} % of the time the pump runs.`,
      source: 'Least return of a loop; local code',
      mend: 'More insulation or more flow, or a hotter store.',
      reading: 'loop',
    },
  ]
}
