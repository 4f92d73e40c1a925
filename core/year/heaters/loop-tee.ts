import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Outflow } from '../pipes/outflow'

/**
 * Water at the tee where a loop comes back to a heater or a mixing valve, L, taken as mixed: what a step takes from it came
 * back in the steps before. It loses nothing of its own; no step moves more than it holds, so that heat goes round the loop
 * step by step.
 */
export const TEE_L = 6

export class LoopTee {
  constructor(public tempC: number) {}

  /** Longest step at a flow of the loop, s. */
  longestStep(loopLMin: number): number {
    return (TEE_L / loopLMin) * 60
  }

  /** Takes in what the loop brought back; as much has been taken out. */
  take(back: Outflow | null): void {
    if (back && back.n > 0) this.tempC += ((back.meanC - this.tempC) * back.total) / TEE_L
  }

  heldKj(): number {
    return TEE_L * this.tempC * KJ_PER_LITRE_K
  }
}
