import { ALWAYS, type Schedule } from '../calendar/week'
import { type HeaterKind, HEATERS } from '../heaters/kinds'
import { assumedDrain } from '../household/defaults/drain'
import { type Choice, farFreeTap, heatSource, type How } from '../household/edits/heat-source'
import { addLoop } from '../household/edits/plant'
import { USUAL_WRAP_MM, type Wrap } from '../household/engineer/defaults'
import { runsTo } from '../household/lookups'
import { flueInStore } from '../household/store-loss'
import { supplyOf } from '../household/supply'
import { INSULATIONS } from '../pipes/loss'
import { SAFETY } from '../safety/limits'
import { rangeOf } from '../schema/shape'
import { displayOf } from '../study/display-of'
import { edited } from '../study/edited'
import { freshId } from '../study/fresh-id'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { type Measure, type MeasureKind, type MeasureOf, NOT_PRICED, type Priced } from '../study/measures'
import { type Loop, type Recovery, Run, Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { MEASURES } from './names'

/** Thickness that stores are wrapped with to begin with, mm. */
const JACKET_MM = 80
/** What a jacket covers to begin with: top fittings, ports and controls stay clear; of a store with its flue, more. */
const JACKET_SHARE = { usual: 0.8, flue: 0.65 } as const
/** A setpoint is lowered by so much to begin with, K, and a flow and the length of draws brought to these shares. */
const LOWER_K = 5
const FLOW_SHARE = 0.8
const SHORTER_SHARE = 0.75
/** A heater is moved by half of its shortest first run to begin with, but at least by this, m. */
const LEAST_MOVE_M = 0.5
/** A shower that takes the place of a bath, minutes. */
const SHOWER_MIN = 7
/**
 * A drain unit until its certificate is read: an upright one of 1.5 m or more, a flat one under a tray; effectiveness at
 * equal flows of 9 L/min, warmed to two thirds in half a minute, drain 4 K below the shower.
 */
const UNITS = {
  upright: { effectiveness: 0.45, ratedFlowLMin: 9, warmUpS: 30, dropK: 4 },
  flat: { effectiveness: 0.3, ratedFlowLMin: 9, warmUpS: 20, dropK: 4 },
} as const
/** Least height of a stack for an upright unit, m. */
export const UPRIGHT_M = 1.2

const { min: LEAST_FLOW_L_MIN } = rangeOf(Tap.shape.flowLMin)

/** Kinds of measure that a household has something for. */
export function measuresFor(study: Study): MeasureKind[] {
  const { pipes, plant, people } = study
  const supplying = plant.heaters.find((h) => h.id === supplyOf(study).heaterId)!
  const has: Partial<Record<MeasureKind, boolean>> = {
    'loop-mode': pipes.loop !== null,
    'lay-loop': pipes.loop === null,
    'store-connections': plant.store !== null,
    'loop-schedule': pipes.loop !== null,
    setpoint: hasSetpoint(supplying),
    'heater-schedule': hasSetpoint(supplying),
    'heater-control': hasSetpoint(supplying),
    jacket: plant.store !== null,
    'shorter-draws': people.uses.length > 0,
    'mend-drip': pipes.taps.some((t) => (t.dripLH ?? 0) > 0),
    'bath-to-shower': bathHabits(study).length > 0 && pipes.taps.some((t) => t.kind === 'shower'),
    'drain-recovery': pipes.recovery === null && pipes.taps.some((t) => t.drains),
  }
  return (Object.keys(MEASURES) as MeasureKind[]).filter((kind) => has[kind] ?? true)
}

const bathHabits = ({ people, pipes }: Study) =>
  people.uses.filter((h) => pipes.taps.find((t) => t.id === h.tapId)?.kind === 'bath')

/** A week of its own: what is edited in a measure leaves the controls as they are. */
const ownWeek = (week: Schedule): Schedule => week.map((day) => day.map((w) => ({ ...w })))

/** A drain unit as it is begun where the drain was looked at, or where nobody has: an upright one needs a stack that falls. */
export function beginRecovery(study: Study): Recovery {
  const drain = study.pipes.drain ?? assumedDrain(study)
  const mount = drain.stackHeightM >= UPRIGHT_M ? 'upright' : 'flat'
  const draining = study.pipes.taps.filter((t) => t.drains)
  const surveyed = drain.tapIds.filter((id) => draining.some((t) => t.id === id))
  return {
    connection: 'A',
    mount,
    ...UNITS[mount],
    dataSource: null,
    inspectedOn: null,
    tapIds: surveyed.length ? surveyed : [draining[0].id],
  }
}

/**
 * A loop that turns where the way to the furthest outlet leaves the last run it shares, its return as long as the way out and
 * wrapped: what is laid anew can be.
 */
function loopToFarTap(study: Study, insulation: NonNullable<Wrap>): Loop {
  const way = runsTo(
    study,
    study.pipes.taps.find((t) => t.id === farFreeTap(study))!,
  )
  const out = way.length > 1 ? way.slice(0, -1) : way
  const last = out[out.length - 1]
  const { loop } = addLoop(edited(study, ({ pipes }) => void (pipes.loop = null))).pipes
  const { min, max } = rangeOf(Run.shape.lengthM)
  const lengthM = Math.round(10 * out.reduce((s, r) => s + r.lengthM, 0)) / 10
  return {
    ...loop!,
    returnConnectionRunId: last.id,
    back: {
      ...loop!.back,
      lengthM: Math.min(max, Math.max(min, lengthM)),
      insulation: { ...insulation },
      reachable: true,
    },
  }
}

type Begun<K extends MeasureKind> = Omit<MeasureOf<K>, 'id' | 'kind' | Priced>

/** What pipes are wrapped with where the engineer has nothing of their own in the van. */
const WRAP: NonNullable<Wrap> = { lambdaWMK: INSULATIONS['elastomeric rubber'].lambdaWMK, thicknessMm: USUAL_WRAP_MM }

const BEGIN: { [K in MeasureKind]: (study: Study, wrap: Wrap) => Begun<K> } = {
  'insulate-runs': (study, wrap) => ({
    name: `Insulate pipes, ${displayOf(study).figure('thickness', (wrap ?? WRAP).thicknessMm)}`,
    runIds: study.pipes.runs.filter((r) => r.reachable).map((r) => r.id),
    loopReturn: study.pipes.loop?.back.reachable ?? false,
    insulation: { ...(wrap ?? WRAP) },
    slit: 'plain',
  }),
  jacket: (study) => ({
    name: `Jacket, ${displayOf(study).figure('thickness', JACKET_MM)}`,
    insulation: { lambdaWMK: INSULATIONS['mineral wool'].lambdaWMK, thicknessMm: JACKET_MM },
    coveredShare: flueInStore(study.plant) ? JACKET_SHARE.flue : JACKET_SHARE.usual,
    clear: [],
  }),
  'store-connections': (_, wrap) => ({
    name: 'Heat traps and cold inlet',
    heatTraps: true,
    insulation: { ...(wrap ?? WRAP) },
  }),
  // A setpoint below what is safe is not lowered.
  setpoint: (study) => {
    const { heaterId, setpointC } = supplyOf(study)
    return {
      name: 'Lower setpoint',
      heaterId,
      setpointC: Math.min(setpointC, Math.max(SAFETY.livesOn.value, setpointC - LOWER_K)),
    }
  },
  'heater-schedule': (study) => {
    const { heaterId } = supplyOf(study)
    return {
      name: 'Hot water schedule',
      heaterId,
      schedule: ownWeek(controlsOf(study).heaters[heaterId].schedule ?? ALWAYS),
    }
  },
  'heater-control': (study) => {
    const { heaterId } = supplyOf(study)
    return { name: 'Controls as set', heaterId, control: structuredClone(controlsOf(study).heaters[heaterId]) }
  },
  'loop-mode': () => ({ name: 'Circulation off', mode: 'off' }),
  'loop-schedule': (study) => ({ name: 'Circulation schedule', schedule: ownWeek(controlsOf(study).loop.schedule) }),
  'lay-loop': (study, wrap) => ({
    name: 'Circulation with a dedicated return',
    loop: loopToFarTap(study, wrap ?? WRAP),
    mode: 'on demand',
    schedule: ownWeek(ALWAYS),
  }),
  'tap-flow': ({ pipes }) => {
    const tap = pipes.taps.find((t) => t.kind === 'shower') ?? pipes.taps[0]
    const flowLMin = Math.max(LEAST_FLOW_L_MIN, Math.round(tap.flowLMin * FLOW_SHARE * 10) / 10)
    return { name: `${tap.name}, reduced flow`, tapId: tap.id, flowLMin }
  },
  'stop-when-warm': ({ pipes, people }) => {
    const late = people.uses.find((h) => h.unattendedS > 0)?.tapId
    const tap = pipes.taps.find((t) => t.id === late) ?? pipes.taps.find((t) => t.kind === 'shower') ?? pipes.taps[0]
    return { name: `${tap.name}, thermostatic shut-off`, tapId: tap.id }
  },
  'mend-drip': ({ pipes }) => {
    const [worst] = [...pipes.taps].sort((a, b) => (b.dripLH ?? 0) - (a.dripLH ?? 0))
    return { name: `${worst.name}, repaired`, tapId: worst.id }
  },
  'shorter-draws': ({ people, pipes }) => {
    const showers = people.uses.filter((h) => pipes.taps.find((t) => t.id === h.tapId)?.kind === 'shower')
    return {
      name: 'Shorter showers',
      useIds: (showers.length ? showers : people.uses).map((h) => h.id),
      share: SHORTER_SHARE,
    }
  },
  'bath-to-shower': (study) => ({
    name: 'Shower instead of bath',
    useIds: bathHabits(study).map((h) => h.id),
    tapId: study.pipes.taps.find((t) => t.kind === 'shower')!.id,
    minutes: SHOWER_MIN,
  }),
  repipe: (study) => {
    const [longest] = [...study.pipes.runs].sort((a, b) => b.lengthM - a.lengthM)
    const { material, size, lengthM } = longest
    return { name: `${longest.name}, replaced`, runId: longest.id, pipe: { material, size, lengthM } }
  },
  'own-run': (study) => {
    const tap = study.pipes.taps.find((t) => t.id === farFreeTap(study))!
    const way = runsTo(study, tap)
    const { material, size } = way[way.length - 1]
    const lengthM = Math.min(500, Math.round(way.reduce((s, r) => s + r.lengthM, 0) * 10) / 10)
    return { name: `${tap.name}, dedicated run`, tapId: tap.id, pipe: { material, size, lengthM } }
  },
  'move-heater': ({ pipes, plant }) => {
    const roots = pipes.runs.filter((r) => r.from === null).map((r) => r.lengthM)
    return {
      name: 'Heater moved nearer to the outlets',
      nearerM: Math.max(LEAST_MOVE_M, Math.round(Math.min(...roots) * 5) / 10),
      place: (plant.store ?? plant.heaters[0]).place,
    }
  },
  'drain-recovery': (study) => ({ name: 'Waste water heat recovery', recovery: beginRecovery(study) }),
  'heat-source': (study) => {
    const begun =
      heatSource(study, 'heat-pump', 'instead') ??
      heatSource(study, 'heat-pump', 'beside') ??
      heatSource(study, 'solar', 'beside') ??
      heatSource(study, 'element', 'instead')!
    return { name: HEATERS[begun.heater.kind].name, ...begun }
  },
}

/** A measure as it is begun at a household, with the engineer's own insulation; what it costs nobody has asked. */
export const beginMeasure = <K extends MeasureKind>(
  study: Study,
  kind: K,
  id: string,
  wrap: Wrap = null,
): MeasureOf<K> =>
  ({ id, kind, ...structuredClone(NOT_PRICED), ...BEGIN[kind](study, wrap) }) as unknown as MeasureOf<K>

/** A heat source as a measure. */
export function beginHeatSource(
  study: Study,
  kind: HeaterKind,
  how: How,
  id: string,
  choice: Choice = {},
): Measure | null {
  const begun = heatSource(study, kind, how, choice)
  if (!begun) return null
  const name = how === 'instead' ? `${HEATERS[kind].name} instead` : `${HEATERS[kind].name} (additional)`
  return { id, kind: 'heat-source', name, ...structuredClone(NOT_PRICED), ...begun }
}

/** Adds a measure to the first package of a study that is being edited; where there is none, one is begun under a name. */
export function addToPackage({ packages }: Pick<Study, 'packages'>, measure: Measure, name = 'New package'): void {
  if (packages.length === 0) packages.push({ id: 'package', name, measures: [] })
  packages[0].measures.push(measure)
}

/** An id for a measure that is added to the first package. */
export const idInPackage = ({ packages }: Pick<Study, 'packages'>): string =>
  freshId('measure', packages[0]?.measures ?? [])
