import { type Place, placeTemperature } from '../../climate/places'
import { type Length, loopRuns, runUa, runWarmUpVolumeL } from '../../household/runs'
import { supplyC } from '../../household/supply'
import { controlsOf } from '../../study/in-force'
import type { Study } from '../../study/study'
import { Outflow } from './outflow'
import { PlugRun } from './plug-run'

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
  /** What a cable along it can give, kW. */
  traceKw: number
  /** Loss while the loop's pump keeps it hot, and while it rests, W/K: a cooler pipe has a weaker film. */
  uaWK: { flows: number; rests: number }
}

/** Index of the loop's return among the branches is the last one; its id cannot clash with a run's. */
export const LOOP_RETURN = 'secondary return'

/** The tree of hot pipes, and the loop's return, carrying plugs of water. */
export class Network {
  /** Every run after the one it leaves from; the loop's return, if any, is last. */
  readonly branches: Branch[]
  /** For each tap of the study, the branches from the plant to it. */
  readonly paths: number[][]
  readonly hasLoop: boolean
  private readonly loopPath: number[] = []
  /** Runs with a cable along them. */
  readonly traced: Branch[] = []
  private readonly study: Study
  readonly loopInUse: boolean

  constructor(study: Study) {
    this.study = study
    this.hasLoop = study.pipes.loop !== null
    this.loopInUse = this.hasLoop && controlsOf(study).loop.mode !== 'off'
    const ordered = inOrder(study)
    const index = new Map(ordered.map((r, i) => [r.id, i]))
    const carriesC = supplyC(study)
    const circles = loopRuns(study).add(LOOP_RETURN)
    const branch = (length: Length, id: string, from: number): Branch => ({
      id,
      place: length.place,
      run: new PlugRun(
        runWarmUpVolumeL(length),
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
      traceKw: 0,
      uaWK: {
        flows: runUa(length, carriesC, study.site.monthlyAirC),
        rests: runUa(length, carriesC, study.site.monthlyAirC, 'rests'),
      },
    })
    this.branches = ordered.map((r) => branch(r, r.id, r.from === null ? -1 : index.get(r.from)!))
    this.paths = study.pipes.taps.map((t) => this.pathTo(index.get(t.runId)!))
    if (study.pipes.loop) {
      const turn = index.get(study.pipes.loop.returnConnectionRunId)!
      this.branches.push(branch(study.pipes.loop.back, LOOP_RETURN, turn))
      this.loopPath = this.pathTo(this.branches.length - 1)
      for (const i of this.loopPath) this.branches[i].onLoop = true
      const { loop } = controlsOf(study)
      // A cable keeps the way out warm; the way back is not needed.
      if (loop.mode === 'trace heating')
        for (const i of this.loopPath.slice(0, -1)) {
          this.branches[i].traceKw = (loop.trace.wPerM * ordered[i].lengthM) / 1000
          this.traced.push(this.branches[i])
        }
      // A loop whose loss was measured loses that; its runs share it as they would by computation.
      const measured = study.pipes.loop.measuredUaWK
      if (measured !== null) {
        const computed = this.loopPath.reduce((sum, i) => sum + this.branches[i].run.uaWK, 0)
        for (const i of this.loopPath) {
          const b = this.branches[i]
          b.run.uaWK *= measured / computed
          b.uaWK = { flows: b.run.uaWK, rests: (b.run.uaWK * b.uaWK.rests) / b.uaWK.flows }
        }
      }
    }
  }

  private pathTo(branch: number): number[] {
    const path: number[] = []
    for (let i = branch; i >= 0; i = this.branches[i].from) path.unshift(i)
    return path
  }

  /** Temperature where the loop turns back, °C: what a valve there feels. */
  returnConnectionC(atS: number): number {
    return this.branches[this.loopReturn.from].run.exitC(atS)
  }

  /** Seconds of pumping until water of a temperature, if it is on its way, has come to the turn or to the end of the return. */
  secondsUntilWarm(tempC: number, toTurn: boolean, atS: number): number {
    let litres = 0
    for (let k = this.loopPath.length - (toTurn ? 2 : 1); k >= 0; k--) {
      const { run } = this.branches[this.loopPath[k]]
      const below = run.litresBelow(tempC, atS)
      litres += below
      if (below < run.warmUpVolumeL - 1e-6) break
    }
    return (litres / this.study.pipes.loop!.pumpLMin) * 60 + 0.1
  }

  /** Seconds until what stands at the turn has cooled to a temperature; Infinity where the air there is warmer. */
  secondsUntilCool(tempC: number, atTurn: boolean, atS: number): number {
    const { run, from } = this.loopReturn
    return (atTurn ? this.branches[from].run : run).secondsUntilCool(tempC, atS)
  }

  /** A cable holds the runs along it at a temperature through a step, where no water moved in them; returns the heat it gave, kJ. */
  trace(holdsC: number, fromS: number, toS: number): number {
    let kj = 0
    for (const b of this.traced) if (b.flowLMin <= 0) kj += b.run.holdAt(holdsC, b.traceKw, fromS, toS)
    return kj
  }

  /** The loop's pump has begun or stopped: from now on its runs lose as they flow or as they rest. */
  setPumping(on: boolean, atS: number): void {
    for (const i of this.loopPath) {
      const { run, uaWK } = this.branches[i]
      run.coolTo(atS)
      run.uaWK = on ? uaWK.flows : uaWK.rests
    }
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
