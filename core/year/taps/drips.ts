import type { Tap } from '../../study/pipes'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { Network } from '../pipes/network'
import type { PointOfUse } from './point-of-use'

/** A house with a tap that drips is looked at at least this often: what drips is little, and a thermostat feels it late, s. */
const DRIP_STEP_S = 600

/** Taps that drip hot water at all times: nobody has it, and the heat in it is run off. */
export class Drips {
  private readonly dripping: { tap: number; lMin: number }[]
  /** Longest step, s; Infinity where no tap drips. */
  readonly longestStepS: number

  constructor(
    taps: readonly Tap[],
    private readonly network: Network,
    private readonly localOf: readonly (PointOfUse | null)[],
  ) {
    this.dripping = taps.flatMap(({ dripLH }, tap) => (dripLH ? [{ tap, lMin: dripLH / 60 }] : []))
    this.longestStepS = this.dripping.length > 0 ? DRIP_STEP_S : Infinity
  }

  get any(): boolean {
    return this.dripping.length > 0
  }

  /** Opens them for a step, beside what is drawn; returns the hot water that the plant is to give, L/min. */
  open(): number {
    let plantLMin = 0
    for (const { tap, lMin } of this.dripping) {
      const local = this.localOf[tap]
      if (local) local.flowLMin += lMin
      if (local && !local.fedHot) continue
      plantLMin += lMin
      this.network.openTap(tap, lMin)
    }
    return plantLMin
  }

  /** Enters what dripped in the step that has passed. @param mainsC what its heat is counted from */
  enter(ledger: Ledger, mainsC: number): void {
    for (const { tap, lMin } of this.dripping) {
      const path = this.network.paths[tap]
      const { out, flowLMin } = this.localOf[tap] ?? this.network.branches[path[path.length - 1]]
      for (let i = 0; i < out.n; i++) {
        const litres = (out.litres[i] * lMin) / flowLMin
        ledger.water('hot', litres)
        ledger.water('toWaste', litres)
        ledger.add('toWaste', litres * KJ_PER_LITRE_K * (out.tempC[i] - mainsC))
      }
    }
  }
}
