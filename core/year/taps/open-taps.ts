import { isPointOfUse } from '../../study/heater-kinds'
import type { Study } from '../../study/study'
import type { Ledger } from '../account/ledger'
import type { Draw } from '../draws/draws'
import type { PlantModel } from '../heaters/plant-model'
import type { ColdLineReturn } from '../loop/cold-line-return'
import type { Network } from '../pipes/network'
import { Outflow } from '../pipes/outflow'
import type { DrainUnit } from '../recovery/drain-unit'
import { type PointOfUse, pointOfUseAt } from './point-of-use'
import { type Ahead, type DrawRecord, TapDraw, type Way } from './tap-draw'

/** What stands at a mixer beside the hot water: cold water of a drain unit, or of a line that a loop comes back through. */
export interface ColdSide {
  drain: DrainUnit | null
  coldLine: ColdLineReturn | null
}

/** The draws of a year as they come: the taps that are open, what each asks for, what it got, and those that are done. */
export class OpenTaps {
  readonly active: TapDraw[] = []
  readonly records: DrawRecord[] = []
  /** What stands at taps, with the index of the tap. */
  readonly locals: { id: string; tap: number; local: PointOfUse }[] = []
  /** The heater of each tap that has one of its own. */
  readonly localOf: (PointOfUse | null)[]
  private readonly tapIndex: Map<string, number>
  /** What water passes on its way to each tap, in order. */
  private readonly ways: Way[]
  private nextDraw = 0
  private readonly arrived = new Outflow()

  constructor(
    private readonly study: Study,
    private readonly network: Network,
    private readonly draws: readonly Draw[],
    private readonly coldSide: ColdSide,
    private readonly ledger: Ledger,
  ) {
    const { taps } = study.pipes
    this.tapIndex = new Map(taps.map((t, i) => [t.id, i]))
    this.localOf = taps.map(() => null)
    for (const h of study.plant.heaters)
      if (isPointOfUse(h)) {
        const [tap, local] = [this.tapIndex.get(h.tapId)!, pointOfUseAt(study, h, ledger)]
        this.locals.push({ id: h.id, tap, local })
        this.localOf[tap] = local
      }
    this.ways = taps.map((_, tap) => this.wayTo(tap))
  }

  private wayTo(tap: number): Way {
    const local = this.localOf[tap]
    const runs = local && !local.fedHot ? [] : this.network.paths[tap].map((i) => this.network.branches[i])
    return local ? [...runs, local] : runs
  }

  /** Leaves out the draws before a moment. */
  startAt(atS: number): void {
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS < atS) this.nextDraw++
  }

  /** Seconds until the next draw begins. */
  untilNext(atS: number): number {
    return this.nextDraw < this.draws.length ? this.draws[this.nextDraw].startS - atS : Infinity
  }

  /** Opens the taps whose time has come. */
  open(atS: number, mainsC: number): void {
    const { taps } = this.study.pipes
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS <= atS + 1e-6) {
      const draw = this.draws[this.nextDraw++]
      const index = this.tapIndex.get(draw.tapId)!
      // Cold water will do: nothing hot is drawn.
      if (draw.requiredC <= mainsC + 0.5) {
        const { flowLMin } = taps[index]
        if (draw.measure !== 'kj')
          this.coldSide.coldLine?.draw(
            index,
            draw.measure === 'litres' ? draw.amount : (draw.amount / 60) * flowLMin,
            0,
            mainsC,
            atS,
          )
        continue
      }
      this.active.push(new TapDraw(draw, taps[index], index, this.ways[index], atS - this.drawnAtS(index)))
    }
  }

  /** When water last moved in the last run to a tap, s; −Infinity where no run leads to it. */
  private drawnAtS(tap: number): number {
    const local = this.localOf[tap]
    if (local && !local.fedHot) return -Infinity
    const path = this.network.paths[tap]
    return this.network.branches[path[path.length - 1]].lastFlowS
  }

  /** What every open tap asks for in the step to come; returns the hot water that the plant is to give, L/min. */
  plan(atS: number, mainsC: number, plant: PlantModel): number {
    const { network } = this
    for (const { local } of this.locals) local.flowLMin = 0
    let tapLMin = 0
    for (const d of this.active) {
      this.planMixer(d, atS, mainsC, this.ahead(d, plant))
      const local = this.localOf[d.tapIndex]
      if (local) local.flowLMin += d.hotLMin
      if (local && !local.fedHot) continue
      tapLMin += d.hotLMin
      network.openTap(d.tapIndex, d.hotLMin)
    }
    return tapLMin
  }

  /** What the cold side of a draw's mixer takes in: preheated by a drain, warmed by a loop that comes back there, or the main. */
  private planMixer(d: TapDraw, atS: number, mainsC: number, ahead: Ahead | null): void {
    const { drain, coldLine } = this.coldSide
    const byDrain = drain ? drain.atMixerC(d, atS, mainsC) : mainsC
    const byLoop = coldLine ? coldLine.atMixerC(d.tapIndex, d.requiredC, mainsC, atS) : mainsC
    if (byDrain <= mainsC && byLoop > mainsC) d.plan(atS, byLoop, ahead, true)
    else d.plan(atS, byDrain, ahead)
  }

  /** Longest step for which the plans of all open taps hold, s. @param plant what stands past the runs */
  longestStep(atS: number, mainsC: number, plant: PlantModel): number {
    let dt = Infinity
    for (const d of this.active) dt = Math.min(dt, d.limit(atS, mainsC, this.active.length > 1, this.ahead(d, plant)))
    return dt
  }

  /** What stands past the runs to a draw: the plant, or nothing past what stands at the tap and the cold main fills. */
  private ahead(draw: TapDraw, plant: PlantModel): Ahead | null {
    const local = this.localOf[draw.tapIndex]
    return local && !local.fedHot ? null : plant
  }

  /** Stretches that the open draws look along in a step. */
  stretches(): number {
    let sum = 0
    for (const d of this.active) sum += this.ways[d.tapIndex].length
    return sum
  }

  /** Lets the water of a step through what stands at taps, and out at them. */
  receive(atS: number, dtS: number, mainsC: number): void {
    const { network } = this
    for (const { tap, local } of this.locals)
      if (local.flowLMin > 0)
        local.pass((local.flowLMin * dtS) / 60, local.fedHot ? this.arrivedAt(tap, local.flowLMin) : null, mainsC, dtS)
    for (const d of this.active) {
      const path = network.paths[d.tapIndex]
      const last = this.localOf[d.tapIndex] ?? network.branches[path[path.length - 1]]
      d.receive(last.out, d.hotLMin / last.flowLMin, mainsC, this.ledger)
      this.coldSide.coldLine?.draw(d.tapIndex, d.coldTakenL, d.coldLineKj, mainsC, atS + dtS)
    }
  }

  /** What arrived at a tap in the hot run that is its alone in this step. */
  private arrivedAt(tap: number, hotLMin: number): Outflow {
    const path = this.network.paths[tap]
    const last = this.network.branches[path[path.length - 1]]
    this.arrived.clear()
    for (let i = 0; i < last.out.n; i++)
      this.arrived.add((last.out.litres[i] * hotLMin) / last.flowLMin, last.out.tempC[i])
    return this.arrived
  }

  /** Closes the taps that have what they were opened for. */
  close(): void {
    for (let i = this.active.length - 1; i >= 0; i--)
      if (this.active[i].done) {
        this.records.push(this.active[i].record)
        this.active.splice(i, 1)
      }
  }

  /** What would leave a tap now, °C. */
  atTapC(tap: number, atS: number): number {
    const way = this.ways[tap]
    return way[way.length - 1].run.exitC(atS)
  }
}
