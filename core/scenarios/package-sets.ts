import { requiredSupplyC, shortTaps } from '../checks/delivery'
import type { Wrap } from '../household/engineer/defaults'
import { runsTo } from '../household/lookups'
import { LOOP_MODE_WORDS } from '../household/loop-mode-words'
import { supplyOf } from '../household/supply'
import { beginHeatSource, beginMeasure } from '../measures/begin'
import { SETPOINT_C } from '../study/controls'
import { freshId } from '../study/fresh-id'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { LoopMode } from '../study/loop-modes'
import type { Measure } from '../study/measures'
import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'

/** Answers to one question, each a package, to stand side by side. */
export interface PackageSet {
  name: string
  packages: { name: string; measures: Measure[] }[]
}

/** Setpoints are moved by this, K. */
const SETPOINT_STEP_K = 0.5

/** Heaters that one outlet may have of its own. */
const AT_TAP = [
  { kind: 'under-sink', name: 'point-of-use heater' },
  { kind: 'tap-electric', name: 'instantaneous point-of-use heater' },
] as const

const insulate = (study: Study, wrap: Wrap, runIds: string[], loopReturn: boolean): Measure => ({
  ...beginMeasure(study, 'insulate-runs', 'insulate', wrap),
  runIds,
  loopReturn,
})

/** What brings one outlet alone the hot water that it asks for: its pipes wrapped, a heater of its own, or hotter water everywhere. */
function tapRemedies(study: Study, tap: Tap, wrap: Wrap): PackageSet {
  const reachable = runsTo(study, tap).filter((r) => r.reachable)
  const { heaterId } = supplyOf(study)
  const requiredC = requiredSupplyC(study, tap)
  const setpointC = requiredC === null ? Infinity : Math.ceil(requiredC / SETPOINT_STEP_K) * SETPOINT_STEP_K
  const governs = study.plant.heaters.some((h) => h.id === heaterId && hasSetpoint(h))
  const own = AT_TAP.flatMap(({ kind, name }) => {
    const m = beginHeatSource(study, kind, 'beside', 'own-heater')
    return m?.kind === 'heat-source' && 'tapId' in m.heater
      ? [{ name: `${tap.name}: ${name}`, measures: [{ ...m, heater: { ...m.heater, tapId: tap.id } }] }]
      : []
  })
  return {
    name: `Remedies for ${tap.name}`,
    packages: [
      ...(reachable.length
        ? [
            {
              name: `${tap.name}: insulate its pipes`,
              measures: [
                insulate(
                  study,
                  wrap,
                  reachable.map((r) => r.id),
                  false,
                ),
              ],
            },
          ]
        : []),
      ...own,
      ...(governs && setpointC <= SETPOINT_C.high
        ? [
            {
              name: `${tap.name}: higher setpoint`,
              measures: [
                { ...beginMeasure(study, 'setpoint', 'setpoint'), name: 'Higher setpoint', heaterId, setpointC },
              ],
            },
          ]
        : []),
    ],
  }
}

/** Ways to run a loop that are held against each other, besides the one it has. */
const MODES: readonly LoopMode[] = ['on demand', 'off']

/** A loop as it runs and by other modes, each with its pipes wrapped and without: insulation pays less where it stands cold. */
function loopSet(study: Study, wrap: Wrap): PackageSet {
  const now = controlsOf(study).loop.mode
  const [other] = MODES.filter((mode) => mode !== now)
  const runs = runsTo(study, { runId: study.pipes.loop!.returnConnectionRunId }).filter((r) => r.reachable)
  const wrapping = insulate(
    study,
    wrap,
    runs.map((r) => r.id),
    study.pipes.loop!.back.reachable,
  )
  const mode = {
    ...beginMeasure(study, 'loop-mode', 'mode'),
    name: `Circulation: ${LOOP_MODE_WORDS[other].name.toLowerCase()}`,
    mode: other,
  }
  return {
    name: 'Circulation, with and without insulation',
    packages: [
      { name: 'Circulation as set, insulated', measures: [wrapping] },
      { name: mode.name, measures: [mode] },
      { name: `${mode.name}, insulated`, measures: [mode, wrapping] },
    ],
  }
}

/** Sets of packages that a household gives reason to hold side by side. */
export const packageSets = (study: Study, wrap: Wrap = null): PackageSet[] => [
  ...shortTaps(study).map((tap) => tapRemedies(study, tap, wrap)),
  ...(study.pipes.loop ? [loopSet(study, wrap)] : []),
]

/** A household with the packages of a set, those of the same names made anew, and which they are. */
export function withSet(study: Study, set: PackageSet): { study: Study; ids: string[] } {
  const kept = study.packages.filter((p) => !set.packages.some((s) => s.name === p.name))
  const packages = [...kept]
  const ids = set.packages.map(({ name, measures }) => {
    const id = study.packages.find((p) => p.name === name)?.id ?? freshId('package', [...study.packages, ...packages])
    packages.push({ id, name, measures })
    return id
  })
  return { study: { ...study, packages }, ids }
}
