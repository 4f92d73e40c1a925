import { HEATERS } from '../heaters/kinds'
import { putHeater } from '../household/edits/plant'
import { computedLoopUa } from '../household/loop'
import { storeArea } from '../household/store-area'
import { connectionsUa } from '../household/store-connections'
import { storeLoss } from '../household/store-loss'
import { pipeOf } from '../pipes/catalogue'
import { type Insulation, resistanceOf } from '../pipes/loss'
import { rangeOf } from '../schema/shape'
import { TEST_RISE_K, wrapped } from '../stores/standing-loss'
import type { Controls } from '../study/controls'
import { edited } from '../study/edited'
import { freshId } from '../study/fresh-id'
import { isPointOfUse } from '../study/heater-kinds'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import { Loop, Run } from '../study/pipes'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'

/** The study with its controls changed. Measures change what is set; the register of what was found stays. */
const withControls = (study: Study, change: (controls: Controls) => void): Study =>
  edited(study, ({ controls }) => {
    controls.set ??= edited(study.controls.found, change)
    if (study.controls.set) change(controls.set)
  })

/** The same for one heater; one that another measure has taken away is not set any more. */
const withControl = (study: Study, heaterId: string, change: (control: Controls['heaters'][string]) => void): Study =>
  withControls(study, ({ heaters }) => void (heaters[heaterId] && change(heaters[heaterId])))

/** Puts insulation on a length of pipe, where it can be reached and the new holds more than what is there. */
function wrap(length: Pick<Run, 'material' | 'size' | 'insulation' | 'reachable'>, insulation: Insulation): void {
  const { outerM } = pipeOf(length.material, length.size)
  if (length.reachable && resistanceOf(insulation, outerM) > resistanceOf(length.insulation, outerM))
    length.insulation = insulation
}

/**
 * A measured loss of the loop corrects what its pipes say and is no wall against better ones: wrapped or laid anew, it falls
 * by the share by which the computed one falls.
 */
function stillMeasured(before: Study, after: Study): Study {
  const measured = before.pipes.loop?.measuredUaWK
  if (!measured || !after.pipes.loop) return after
  const { min } = rangeOf(Loop.shape.measuredUaWK)
  return edited(after, ({ pipes }) => {
    pipes.loop!.measuredUaWK = Math.max(min, (measured * computedLoopUa(after)) / computedLoopUa(before))
  })
}

/** What stands at a tap stays there, and so do a roof and a hearth. */
const movesWithStore = (h: Heater) => !isPointOfUse(h) && !['sun', 'fire'].includes(HEATERS[h.kind].source)

/**
 * Heat traps where there are none, and the cold inlet wrapped. What nobody has looked at takes nothing and saves nothing; a
 * loss that was measured where the store stands has them in it, and falls by what they take less.
 */
function withConnections(study: Study, { heatTraps, insulation }: MeasureOf<'store-connections'>): Study {
  const after = edited(study, ({ plant: { store } }) => {
    if (!store) return
    const { connections } = store
    if (heatTraps && connections.heatTraps === false) connections.heatTraps = true
    const { inlet } = connections
    if (!inlet || !insulation) return
    const { outerM } = pipeOf(inlet.material, inlet.size)
    if (resistanceOf(insulation, outerM) > resistanceOf(inlet.insulation, outerM)) inlet.insulation = insulation
  })
  const saved = connectionsUa(study) - connectionsUa(after)
  return edited(after, ({ plant: { store } }) => {
    if (store?.loss.kind === 'ua') store.loss.uaWK = Math.max(0, store.loss.uaWK - saved)
  })
}

const APPLY: { [K in MeasureKind]: (study: Study, measure: MeasureOf<K>) => Study } = {
  'insulate-runs': (study, m) =>
    stillMeasured(
      study,
      edited(study, ({ pipes: { runs, loop } }) => {
        for (const run of runs) if (m.runIds.includes(run.id)) wrap(run, m.insulation)
        if (loop && m.loopReturn) wrap(loop.back, m.insulation)
      }),
    ),
  jacket: (study, { insulation, coveredShare }) =>
    edited(study, ({ plant: { store } }) => {
      if (!store) return
      const jacket = { ...insulation, areaM2: storeArea(store), share: coveredShare }
      const { allWK, shellWK } = storeLoss(study.plant)!
      const uaWK = allWK - shellWK + wrapped(shellWK, jacket)
      // A label or a test says nothing of the connections, with a jacket or without.
      const riseK = store.loss.kind === 'test' ? store.loss.riseK : TEST_RISE_K
      store.loss =
        store.loss.kind === 'ua' ? { kind: 'ua', uaWK } : { kind: 'test', kwhDay: (uaWK * riseK * 24) / 1000, riseK }
    }),
  'store-connections': withConnections,
  setpoint: (study, m) => withControl(study, m.heaterId, (c) => void (c.setpointC = m.setpointC)),
  'heater-schedule': (study, m) => withControl(study, m.heaterId, (c) => void (c.schedule = m.schedule)),
  'heater-control': (study, m) => withControl(study, m.heaterId, (c) => void Object.assign(c, m.control)),
  'loop-mode': (study, m) => withControls(study, (c) => void (c.loop.mode = m.mode)),
  'loop-schedule': (study, m) => withControls(study, (c) => void (c.loop.schedule = m.schedule)),
  // Where one is there already, nothing is laid.
  'lay-loop': (study, m) =>
    study.pipes.loop
      ? study
      : withControls(
          edited(study, ({ pipes }) => void (pipes.loop = m.loop)),
          (c) => Object.assign(c.loop, { mode: m.mode, schedule: m.schedule }),
        ),
  'tap-flow': (study, m) =>
    edited(study, ({ pipes }) => {
      for (const tap of pipes.taps) if (tap.id === m.tapId) tap.flowLMin = m.flowLMin
    }),
  'stop-when-warm': (study, m) =>
    edited(study, ({ pipes }) => {
      for (const tap of pipes.taps) if (tap.id === m.tapId) tap.stopsWhenWarm = true
    }),
  'mend-drip': (study, m) =>
    edited(study, ({ pipes }) => {
      for (const tap of pipes.taps) if (tap.id === m.tapId) tap.dripLH = 0
    }),
  'shorter-draws': (study, m) =>
    edited(study, ({ people }) => {
      for (const { id, use } of people.uses)
        if (m.useIds.includes(id)) {
          if (use.kind === 'timed') use.minutes *= m.share
          else use.litres *= m.share
        }
    }),
  'bath-to-shower': (study, m) =>
    edited(study, ({ people }) => {
      for (const habit of people.uses)
        if (m.useIds.includes(habit.id)) {
          habit.tapId = m.tapId
          habit.use = { kind: 'timed', minutes: m.minutes }
        }
    }),
  repipe: (study, m) =>
    stillMeasured(
      study,
      edited(study, ({ pipes }) => {
        for (const run of pipes.runs) if (run.id === m.runId) Object.assign(run, m.pipe)
      }),
    ),
  'own-run': (study, m) =>
    edited(study, ({ pipes }) => {
      const tap = pipes.taps.find((t) => t.id === m.tapId)
      if (!tap) return
      const old = pipes.runs.find((r) => r.id === tap.runId)!
      const id = freshId('own-run', pipes.runs)
      pipes.runs.push({ ...old, ...m.pipe, id, name: `${tap.name}, dedicated`, from: null, insulation: null })
      tap.runId = id
    }),
  'move-heater': (study, m) =>
    stillMeasured(
      study,
      edited(study, ({ pipes, plant }) => {
        const { min } = rangeOf(Run.shape.lengthM)
        const nearer = (pipe: Pick<Run, 'lengthM'>) => void (pipe.lengthM = Math.max(min, pipe.lengthM - m.nearerM))
        for (const run of pipes.runs) if (run.from === null) nearer(run)
        if (pipes.loop) nearer(pipes.loop.back)
        // Air that was measured where they stood says nothing of where they will.
        for (const thing of [plant.store, ...plant.heaters.filter(movesWithStore)])
          if (thing) Object.assign(thing, { place: m.place, ambientC: null })
      }),
    ),
  'drain-recovery': (study, m) => edited(study, ({ pipes }) => void (pipes.recovery = m.recovery)),
  'heat-source': (study, m) => putHeater(study, m.replaces, m.heater, m.control, m.store),
}

/** One measure done to a household. Pure: the study given is not touched. */
export const apply = (study: Study, measure: Measure): Study =>
  (APPLY[measure.kind] as (study: Study, measure: Measure) => Study)(study, measure)

/** Measures done one after the other. */
export const applyAll = (study: Study, measures: readonly Measure[]): Study => measures.reduce(apply, study)
