import { bypassOf } from '../../household/loop'
import type { Study } from '../../study/study'
import type { Ledger } from '../account/ledger'
import type { Network } from '../pipes/network'

/** An open valve is looked at no later than this, and no later than this while taps move the same water, s. */
const OPEN_LOOK_S = { alone: 120, drawn: 20 } as const
/** A shut one is looked at no later and no sooner than this, s. */
const SHUT_LOOK_S = { latest: 300, soonest: 5 } as const
/** Cold water this much warmer than the main counts as warm, K. */
const WARM_COLD_K = 5
/** The valve opens again when the water there has cooled this far below where it closes, K. */
const VALVE_OPENS_K = 6
/** Whoever mixes lets in no cold water that is warmer than this far below what they want, K. */
const COOLER_K = 1
/** Cold water at a mixer is taken as even within this, K. */
const EVEN_K = 2

/**
 * A loop that comes back through the cold line: the valve between hot and cold at its turn, which closes as soon as it is warm
 * there, and the warm water that it leaves in the cold line, which cold taps and mixers take first.
 */
export class ColdLineReturn {
  private open = true
  private readonly closesAtC: number
  /** Taps at and behind the turn: their cold water comes by the line that the loop comes back through. */
  private readonly behindTurn: readonly boolean[]

  /** @returns null where the return is a pipe of its own, or there is no loop */
  static of(study: Study, network: Network, ledger: Ledger): ColdLineReturn | null {
    const bypass = bypassOf(study.pipes.loop)
    return bypass && new ColdLineReturn(bypass.closesAtC, network, ledger)
  }

  private constructor(
    closesAtC: number,
    private readonly network: Network,
    private readonly ledger: Ledger,
  ) {
    this.closesAtC = closesAtC
    const turn = network.loopReturn.from
    this.behindTurn = network.paths.map((path) => path.includes(turn))
  }

  get valveOpen(): boolean {
    return this.open
  }

  /** Longest step until the valve has something to feel, s. @param drawn taps move water too */
  longestStep(nowS: number, drawn: boolean): number {
    const { network, closesAtC } = this
    if (this.open)
      return Math.min(drawn ? OPEN_LOOK_S.drawn : OPEN_LOOK_S.alone, network.secondsUntilWarm(closesAtC, true, nowS))
    const cools = network.secondsUntilCool(closesAtC - VALVE_OPENS_K, true, nowS)
    return Math.max(SHUT_LOOK_S.soonest, Math.min(SHUT_LOOK_S.latest, cools))
  }

  lookAtValve(nowS: number): void {
    const here = this.network.returnConnectionC(nowS)
    if (this.open && here >= this.closesAtC) this.open = false
    else if (!this.open && here < this.closesAtC - VALVE_OPENS_K) this.open = true
  }

  /** Cold water at the mixer of a tap, °C: what the pump has left in the line comes first. */
  atMixerC(tap: number, requiredC: number, mainsC: number, nowS: number): number {
    if (!this.behindTurn[tap]) return mainsC
    const there = this.network.loopReturn.run.entryC(nowS)
    return Math.max(mainsC, Math.min(there, requiredC - COOLER_K))
  }

  /** Longest step for which that holds at a flow of cold water, s. */
  evenS(tap: number, coldLMin: number, nowS: number): number {
    if (!this.behindTurn[tap] || coldLMin <= 0) return Infinity
    return Math.max(0.5, (this.network.loopReturn.run.entryLitresNear(EVEN_K, nowS) / coldLMin) * 60)
  }

  /**
   * Cold water drawn at a tap: the warm water in the line goes first. Heat that it brought into the mix is used; the rest of
   * what the pump had put there counts as lost by the loop, and of a loop that never runs as lost by pipes.
   */
  draw(tap: number, litres: number, broughtKj: number, mainsC: number, nowS: number): void {
    if (litres <= 0 || !this.behindTurn[tap]) return
    const { network, ledger } = this
    const { kj, warmL } = network.loopReturn.run.drawBack(litres, mainsC, WARM_COLD_K, nowS)
    ledger.add(network.loopInUse ? 'loop' : 'deadLeg', kj - broughtKj)
    if (network.loopInUse) ledger.water('warmCold', warmL)
  }
}
