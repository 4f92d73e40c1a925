import { placeTemperature, type Place } from '../climate/places'
import { yearMean } from '../climate/calendar'
import { carriedC } from '../controls/supply'
import { controlsOf, type Study } from '../study/study'
import { pipeOf, type Material } from './catalogue'
import { frontPerMetre } from './contents'
import { pipeLoss, type Insulation } from './loss'
import { sameEverywhere } from '../year/same-everywhere'
import { Outflow, PlugRun } from './plug-run'

/** A length of pipe as the study describes it. */
interface Length {
  material: Material
  size: string
  lengthM: number
  place: Place
  insulation: Insulation | null
}

/** One branch of the water: a run of pipe, the run before it, and what flows in it now. */
export interface Branch {
  id: string
  place: Place
  run: PlugRun
  out: Outflow
  /** Index of the run before it; −1: the plant. */
  from: number
  /** Part of the pumped loop, out or back. */
  onLoop: boolean
  flowLMin: number
  lastFlowS: number
  longestStillS: number
}

/** Index of the loop's return among the branches is the last one; its id cannot clash with a run's. */
export const LOOP_RETURN = 'loop return'

/**
 * What is left of its excess over the air, on the mean of the heat it loses, in a run that fills hot and then cools: all
 * while it flows, half when it cools all the way. The film of what still stands warm at the next draw is weaker than that
 * mean; at half, what is lost and what is run off are both within 3 % of a model that takes the film anew each second.
 */
const DEAD_SHARE = 0.5

/**
 * Loss of a run for each kelvin, W/K, at the year's mean of its place: for water of a temperature that keeps passing, or
 * for a run that is filled with it and left to cool, where the film is weaker for most of the time.
 */
export function runUa(length: Length, waterC: number, monthlyAirC: readonly number[], use: 'flows' | 'cools' = 'flows'): number {
  const airC = yearMean(monthlyAirC.map((_, m) => placeTemperature(length.place, m, monthlyAirC)))
  const usualC = use === 'flows' ? waterC : airC + DEAD_SHARE * (waterC - airC)
  return sameEverywhere(pipeLoss(pipeOf(length.material, length.size), usualC, airC, length.insulation, length.place).uWMK * length.lengthM)
}

/** Contents of a run with its wall counted as water, L. */
export function runFrontL(length: Pick<Length, 'material' | 'size' | 'lengthM'>): number {
  return frontPerMetre(pipeOf(length.material, length.size)) * length.lengthM
}

/** Runs that a loop in use passes through on its way out, by id; their loss is the loop's. */
export function loopRuns(study: Study): Set<string> {
  const out = new Set<string>()
  const { loop, runs } = study.pipes
  for (let id: string | null = loop && controlsOf(study).loop.mode !== 'off' ? loop.turnsAt : null; id !== null; id = runs.find((r) => r.id === id)!.from) out.add(id)
  return out
}

/** The tree of hot pipes, and the loop's return, carrying plugs of water. */
export class Network {
  /** Every run after the one it leaves from; the loop's return, if any, is last. */
  readonly branches: Branch[]
  /** For each tap of the study, the branches from the plant to it. */
  readonly paths: number[][]
  readonly hasLoop: boolean
  private readonly loopPath: number[] = []
  private readonly study: Study
  private readonly loopInUse: boolean

  constructor(study: Study) {
    this.study = study
    this.hasLoop = study.pipes.loop !== null
    this.loopInUse = this.hasLoop && controlsOf(study).loop.mode !== 'off'
    const ordered = inOrder(study)
    const index = new Map(ordered.map((r, i) => [r.id, i]))
    const carriesC = carriedC(study)
    const circles = loopRuns(study).add(LOOP_RETURN)
    const branch = (length: Length, id: string, from: number): Branch => ({
      id,
      place: length.place,
      run: new PlugRun(
        runFrontL(length),
        runUa(length, carriesC, study.site.monthlyAirC, circles.has(id) ? 'flows' : 'cools'),
        length.lengthM,
        placeTemperature(length.place, 0, study.site.monthlyAirC),
      ),
      out: new Outflow(),
      from,
      onLoop: false,
      flowLMin: 0,
      lastFlowS: 0,
      longestStillS: 0,
    })
    this.branches = ordered.map((r) => branch(r, r.id, r.from === null ? -1 : index.get(r.from)!))
    this.paths = study.pipes.taps.map((t) => this.pathTo(index.get(t.runId)!))
    if (study.pipes.loop) {
      const turn = index.get(study.pipes.loop.turnsAt)!
      this.branches.push(branch(study.pipes.loop.back, LOOP_RETURN, turn))
      this.loopPath = this.pathTo(this.branches.length - 1)
      for (const i of this.loopPath) this.branches[i].onLoop = true
      // A loop whose loss was measured loses that; its runs share it as they would by computation.
      const measured = study.pipes.loop.measuredUaWK
      if (measured !== null) {
        const computed = this.loopPath.reduce((sum, i) => sum + this.branches[i].run.uaWK, 0)
        for (const i of this.loopPath) this.branches[i].run.uaWK *= measured / computed
      }
    }
  }

  private pathTo(branch: number): number[] {
    const path: number[] = []
    for (let i = branch; i >= 0; i = this.branches[i].from) path.unshift(i)
    return path
  }

  /** Temperature where the loop turns back, °C: what a valve there feels. */
  turnC(atS: number): number {
    return this.branches[this.loopReturn.from].run.exitC(atS)
  }

  get loopReturn(): Branch {
    return this.branches[this.branches.length - 1]
  }

  /**
   * Temperature at which the loop comes back at a moment, °C. While it flows it is that of the water that has just left: a
   * plug at rest in the return carries its mean, which is warmer than its end.
   */
  returnC(atS: number): number {
    const { flowLMin, out, run } = this.loopReturn
    return flowLMin > 0 && out.n > 0 ? out.tempC[out.n - 1] : run.exitC(atS)
  }

  startAt(atS: number): void {
    for (const b of this.branches) {
      b.run.startAt(atS)
      b.lastFlowS = atS
    }
  }

  /** Clears last step's flows but for the pump's round the loop. */
  begin(loopLMin: number): void {
    const { branches } = this
    for (let i = 0; i < branches.length; i++) branches[i].flowLMin = branches[i].onLoop ? loopLMin : 0
  }

  /** Adds a tap's hot flow along its path. */
  openTap(tap: number, hotLMin: number): void {
    for (const i of this.paths[tap]) this.branches[i].flowLMin += hotLMin
  }

  /** Moves the water for a step: `supply` enters at the plant and each branch's `out` holds what left it. */
  pass(supply: Outflow, totalLMin: number, fromS: number, dtS: number): void {
    const { branches } = this
    for (let i = 0; i < branches.length; i++) {
      const b = branches[i]
      if (b.flowLMin <= 0) continue
      const before = b.from < 0 ? null : branches[b.from]
      if (before) b.run.pass(before.out, b.flowLMin / before.flowLMin, fromS, dtS, b.out)
      else b.run.pass(supply, b.flowLMin / totalLMin, fromS, dtS, b.out)
      if (fromS - b.lastFlowS > b.longestStillS) b.longestStillS = fromS - b.lastFlowS
      b.lastFlowS = fromS + dtS
    }
  }

  /** Lets every run cool to a moment and sets the air around it for a month. */
  settle(atS: number, month: number, lost: (branch: Branch, kj: number, onLoop: boolean) => void): void {
    for (const b of this.branches) {
      b.run.coolTo(atS)
      lost(b, b.run.takeLost(), b.onLoop && this.loopInUse)
      b.run.ambientC = placeTemperature(b.place, month, this.study.site.monthlyAirC)
    }
  }

  heldKj(): number {
    return this.branches.reduce((sum, b) => sum + b.run.heldKj(), 0)
  }
}

/** Runs sorted so that each stands after the one it leaves from. */
function inOrder(study: Study): Study['pipes']['runs'] {
  const out: Study['pipes']['runs'] = []
  const add = (from: string | null) => {
    for (const run of study.pipes.runs)
      if (run.from === from) {
        out.push(run)
        add(run.id)
      }
  }
  add(null)
  return out
}
