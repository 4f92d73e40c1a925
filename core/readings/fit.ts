import { levenbergMarquardt } from 'ml-levenberg-marquardt'
import { inverse, Matrix } from 'ml-matrix'
import type { Figure } from '../calculators/calculator'
import { EFFICIENCY } from '../heaters/efficiency'
import { runsTo, tapOf } from '../household/lookups'
import { loopUa } from '../household/loop'
import { storeUa } from '../household/store-connections'
import { supplyOf } from '../household/supply'
import { USUAL_DOUBT } from '../household/usual-doubt'
import { rangeOf } from '../schema/shape'
import { efficiencyOf, outputOf } from '../study/heater-kinds'
import { rangeAt } from '../study/limits'
import { withValueAt } from '../study/paths'
import { StoreField } from '../study/store'
import type { Study } from '../study/study'
import { mainsByMonth } from '../water/mains'
import { unAdopt } from './adopt'
import { judge, titleOf } from './kinds'
import { SIGMAS } from './reading-kind'
import { isPassing } from './taken-with'

/**
 * A quantity of the study that is not surely known, and how far it may reasonably be off before anything is read.
 * It is moved in steps of that doubt: 0 is what stands in the study, ±1 one standard deviation away.
 */
interface Doubt {
  path: string
  label: string
  figure: Figure
  /** The figure as it stands, in metric. */
  now: number
  /** The figure at a step of the doubt. */
  at: (step: number) => number
  /** The study with the figure there. */
  write: (study: Study, value: number) => Study
}

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x))
/** Doubt of a quantity that may be off by a factor: e^σ either way is one step, within what the study takes. */
const byFactor =
  (now: number, sigma: number, { min, max }: { min: number; max: number }) =>
  (step: number) =>
    clamp(now * Math.exp(sigma * step), min, max)
/** Loss of a store, W/K: never so little that its logarithm runs away. */
const STORE_LOSS = { min: 0.01, max: rangeOf(StoreField.shape.loss.options[0].shape.uaWK).max }
const plain = (path: string) => (study: Study, value: number) => withValueAt(study, path, value)

/** Everything in the study that the readings in its log could correct. */
function doubts(study: Study): Doubt[] {
  const out: Doubt[] = []
  const read = new Set(study.readings.map((r) => r.kind))
  if (study.plant.store) {
    const now = storeUa(study)!
    if (now > 0)
      out.push({
        path: 'plant.store.loss',
        label: 'Standing loss of the cylinder',
        figure: { label: '', quantity: 'lossRate' },
        now,
        at: byFactor(now, USUAL_DOUBT.storeLoss, STORE_LOSS),
        write: (s, uaWK) => withValueAt(s, 'plant.store.loss', { kind: 'ua', uaWK }),
      })
  }
  if (study.pipes.loop) {
    const now = loopUa(study)
    out.push({
      path: 'pipes.loop.measuredUaWK',
      label: 'Circulation loss',
      figure: { label: '', quantity: 'lossRate' },
      now,
      at: byFactor(now, USUAL_DOUBT.loopLoss, rangeAt(study, 'pipes.loop.measuredUaWK')),
      write: plain('pipes.loop.measuredUaWK'),
    })
  }
  const { heaterId, setpointC } = supplyOf(study)
  const setpointPath = `controls.found.heaters.${heaterId}.setpointC`
  const setpoint = rangeAt(study, setpointPath)
  if (!study.controls.set)
    out.push({
      path: setpointPath,
      label: 'Setpoint as found',
      figure: { label: '', quantity: 'temperature' },
      now: setpointC,
      at: (step) => clamp(setpointC + USUAL_DOUBT.setpointK * step, setpoint.min, setpoint.max),
      write: plain(setpointPath),
    })
  if (read.has('hot-litres') && study.people.draws.kind === 'routine') {
    const now = study.people.volumeFactor
    out.push({
      path: 'people.volumeFactor',
      label: 'Volume correction factor',
      figure: { label: '', decimals: 2 },
      now,
      at: byFactor(now, USUAL_DOUBT.uses, rangeAt(study, 'people.volumeFactor')),
      write: plain('people.volumeFactor'),
    })
  }
  if (read.has('mains')) {
    const middles = mainsByMonth(study.site)
    const mean = middles.reduce((s, c) => s + c / 12, 0)
    out.push({
      path: 'site.mains',
      label: 'Cold main, annual mean',
      figure: { label: '', quantity: 'temperature' },
      now: mean,
      at: (step) => mean + USUAL_DOUBT.mainsK * step,
      write: (s, c) =>
        withValueAt(s, 'site.mains', { kind: 'monthly', monthlyC: middles.map((m) => clamp(m + c - mean, 0, 99)) }),
    })
  }
  for (const heater of study.plant.heaters) {
    const output = outputOf(heater)
    if (!output) continue
    const path = `plant.heaters.${heater.id}.${output.field}`
    const now = output.kw
    if (
      study.readings.some(
        (r) => r.kind === 'heater-display' && r.where === heater.id && r.values.gave === 'all it has' && !isPassing(r),
      )
    )
      out.push({
        path,
        label: `Output of ${heater.name}`,
        figure: { label: '', quantity: 'power' },
        now,
        at: byFactor(now, USUAL_DOUBT.output, rangeAt(study, path)),
        write: plain(path),
      })
    const efficiency = efficiencyOf(heater)
    if (efficiency?.kind === 'fixed') {
      const { share } = efficiency
      const at = `plant.heaters.${heater.id}.efficiency`
      out.push({
        path: at,
        label: `Efficiency of ${heater.name}`,
        figure: { label: '', decimals: 3 },
        now: share,
        at: (step) => clamp(share + USUAL_DOUBT.efficiency * step, EFFICIENCY.low, EFFICIENCY.high),
        write: (s, value) => withValueAt(s, at, { kind: 'fixed', share: value }),
      })
    }
  }
  const taps = new Set(
    study.readings.filter((r) => r.kind === 'time-to-hot' || r.kind === 'bucket').map((r) => tapOf(study, r.where).id),
  )
  const runs = new Set<string>()
  for (const tap of study.pipes.taps.filter((t) => taps.has(t.id))) {
    const path = `pipes.taps.${tap.id}.flowLMin`
    out.push({
      path,
      label: `Flow of ${tap.name}`,
      figure: { label: '', quantity: 'flow' },
      now: tap.flowLMin,
      at: byFactor(tap.flowLMin, USUAL_DOUBT.flow, rangeAt(study, path)),
      write: plain(path),
    })
    for (const run of runsTo(study, tap)) {
      if (runs.has(run.id)) continue
      runs.add(run.id)
      const length = `pipes.runs.${run.id}.lengthM`
      out.push({
        path: length,
        label: `Length of “${run.name}”`,
        figure: { label: '', quantity: 'length' },
        now: run.lengthM,
        at: byFactor(run.lengthM, USUAL_DOUBT.length, rangeAt(study, length)),
        write: plain(length),
      })
    }
  }
  return out
}

export interface Correction {
  path: string
  label: string
  figure: Figure
  from: number
  to: number
  /** One standard deviation of what is left, as a share of the doubt before: 1 says that nothing was learned. */
  left: number
  /** Whether the readings settle it; otherwise it stays undetermined. */
  settled: boolean
}

export interface Fit {
  study: Study
  corrections: Correction[]
  /** Readings that were used, and how far each is still off, in its own uncertainties. */
  readings: { id: string; title: string; off: number }[]
}

/**
 * The study as it stood before readings corrected what is to be fitted: a reading adopted by itself has put all it had to
 * say on one figure, and the fit is to share it out. Adoptions of anything else stay.
 */
function beforeAdoption(study: Study): Study {
  const all = [...study.readings].reverse().reduce((s, r) => unAdopt(s, r.id), study)
  const paths = new Set(doubts(all).map((d) => d.path))
  return [...study.readings]
    .reverse()
    .reduce((s, r) => (r.adopted?.every((a) => paths.has(a.path)) ? unAdopt(s, r.id) : s), study)
}

/** What is left of a doubt above which it counts as undetermined. */
const UNDETERMINED = 0.75
/** Step of the derivative, in doubts. */
const DERIVATIVE_STEP = 0.05

/**
 * Corrects everything uncertain by all readings of the log together: least squares of every reading against the study,
 * each weighted by its uncertainty, with the usual doubt of each quantity as its prior (Levenberg–Marquardt on both).
 * It starts from what stood there before the readings were adopted one by one.
 * Readings of one thing average; what no reading touches stays where it was and is said to be undetermined.
 * @returns null when no reading in the log can be compared
 */
export function fit(log: Study): Fit | null {
  const study = beforeAdoption(log)
  const used = study.readings.filter((r) => (judge(study, r)?.verdict?.uncertainty ?? 0) > 0)
  const unsure = doubts(study)
  if (used.length === 0 || unsure.length === 0) return null
  const target = used.map((r) => judge(study, r)!.verdict!).map((v) => ({ ...v, sigma: v.uncertainty / SIGMAS }))

  const studyAt = (steps: readonly number[]) =>
    unsure.reduce((s, d, k) => (steps[k] === 0 ? s : d.write(s, d.at(steps[k]))), study)
  /** Every reading as the study at some steps would give it, in its uncertainties; then the steps themselves, the priors. */
  const rowsAt = (steps: readonly number[]): number[] => {
    const there = studyAt(steps)
    return [
      ...used.map((r, i) => (judge(there, r)?.verdict?.modelled ?? target[i].modelled) / target[i].sigma),
      ...steps,
    ]
  }
  // The solver asks for one row at a time, of one point and the two beside it in turn.
  const known = new Map<string, number[]>()
  const cached = (steps: readonly number[]) => {
    const key = steps.join()
    const rows = known.get(key) ?? rowsAt(steps)
    if (!known.has(key)) known.set(key, rows)
    if (known.size > 8) known.delete(known.keys().next().value!)
    return rows
  }
  const x = Array.from({ length: used.length + unsure.length }, (_, i) => i)
  // A reading of a measured figure corrects it even when the figure in the reading itself moves with the study.
  const y = [...target.map((v) => v.measured / v.sigma), ...unsure.map(() => 0)]
  const { parameterValues } = levenbergMarquardt({ x, y }, (steps) => (i) => cached(steps)[i], {
    initialValues: unsure.map(() => 0),
    damping: 0.1,
    gradientDifference: DERIVATIVE_STEP,
    centralDifference: true,
    maxIterations: 60,
    errorTolerance: 1e-9,
  })

  const steps = [...parameterValues]
  const jacobian = new Matrix(x.length, unsure.length)
  unsure.forEach((_, k) => {
    const beside = (by: number) => rowsAt(steps.map((s, j) => (j === k ? s + by : s)))
    const [up, down] = [beside(DERIVATIVE_STEP), beside(-DERIVATIVE_STEP)]
    up.forEach((v, i) => jacobian.set(i, k, (v - down[i]) / (2 * DERIVATIVE_STEP)))
  })
  const covariance = inverse(jacobian.transpose().mmul(jacobian))
  const corrections = unsure.map((d, k): Correction => {
    const left = Math.sqrt(Math.max(0, covariance.get(k, k)))
    return {
      path: d.path,
      label: d.label,
      figure: d.figure,
      from: d.now,
      to: d.at(steps[k]),
      left,
      settled: left < UNDETERMINED,
    }
  })
  // What the readings do not settle stays exactly as it was.
  const kept = corrections.map((c, k) => (c.settled ? steps[k] : 0))
  let next = studyAt(kept)
  next = {
    ...next,
    readings: log.readings,
    origins: {
      ...next.origins,
      ...Object.fromEntries(corrections.filter((c) => c.settled).map((c) => [c.path, 'measured' as const])),
    },
  }
  return {
    study: next,
    corrections: corrections.map((c, k) => ({ ...c, to: unsure[k].at(kept[k]) })),
    readings: used.map((r, i) => {
      const verdict = judge(next, r)?.verdict
      return {
        id: r.id,
        title: titleOf(r),
        off: verdict ? (target[i].measured - verdict.modelled) / target[i].uncertainty : 0,
      }
    }),
  }
}
