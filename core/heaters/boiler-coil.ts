import { decay } from '../pipes/decay'
import type { HeaterOf } from '../study/plant'
import type { LayeredStore } from '../stores/layered-store'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Ledger } from '../year/ledger'
import { efficiencyAt } from './efficiency'
import type { StoreHeater } from './store-heater'

/** Shortest time between two starts when a boiler makes more than the coil takes, s: the usual anti-cycling time. */
const CYCLE_S = 600
/** Shortest step near the setpoint, s: the thermostat overshoots by no more than this gives, about half a kelvin. */
const LEAST_STEP_S = 25
/** Longest step while it fires: the water round the coil is taken half a step ahead, which holds for a few kelvins. */
const LONGEST_STEP_S = 240

/**
 * A boiler that heats a store through a coil.
 *
 * The primary circuit (boiler water, pipes, coil) is one body of water that the burner heats, the coil cools and its
 * pipes lose from; it is solved by its closed form over each step. The coil has the effectiveness
 * 1 − exp(−UA/W) of a body at one temperature (W the heat capacity rate of the primary flow). The return to the
 * boiler sets its efficiency, which is why a cooler store condenses more.
 */
export class BoilerCoil implements StoreHeater {
  ambientC = 15
  private readonly spec: HeaterOf<'boiler-coil'>
  private readonly ledger: Ledger
  private readonly heatKjK: number
  /** kW/K carried by the primary flow, and passed on by the coil. */
  private readonly carriedKwK: number
  private readonly coilKwK: number
  private primaryC: number
  private lagS = 0
  private firing = false
  private lost = 0
  starts = 0
  /** Heat given to the store since the last step, kW: what a drawing shows. */
  kw = 0

  constructor(spec: HeaterOf<'boiler-coil'>, ledger: Ledger, startC: number) {
    this.spec = spec
    this.ledger = ledger
    this.primaryC = startC
    this.heatKjK = spec.primary.litres * KJ_PER_LITRE_K
    this.carriedKwK = (spec.primary.flowLMin / 60) * KJ_PER_LITRE_K
    this.coilKwK = this.carriedKwK * (1 - decay(spec.coil.uaWK / 1000 / this.carriedKwK))
  }

  heldKj(): number {
    return this.heatKjK * this.primaryC
  }

  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  longestStep(store: LayeredStore, setpointC: number): number {
    if (!this.firing) return this.spec.startLagS + LEAST_STEP_S
    return Math.min(LONGEST_STEP_S, Math.max(LEAST_STEP_S, store.heatToReach(setpointC, this.spec.coil.bottom) / Math.max(1, this.kw)))
  }

  /** Its circuit cools by a closed form. */
  longestRest(): number {
    return Infinity
  }

  takeFromRoom(): number {
    return 0
  }

  heat(store: LayeredStore, stepS: number): void {
    const { spec, ledger } = this
    if (!this.firing) {
      this.firing = true
      this.lagS = spec.startLagS
      this.start(1)
    }
    ledger.buy('electricity', (spec.primary.pumpW / 1000) * stepS, 0)
    const waitS = Math.min(this.lagS, stepS)
    if (waitS > 0) {
      this.lagS -= waitS
      this.rest(waitS)
      if (waitS >= stepS - 1e-9) return
    }
    const dtS = stepS - waitS
    const { bottom, top } = spec.coil
    // Half a step ahead: the water round the coil warms while it is heated.
    const zoneKjK = store.litres * (top - bottom) * KJ_PER_LITRE_K
    const coilC = store.meanBetween(bottom, top) + (0.5 * this.kw * dtS) / zoneKjK
    const uaKwK = spec.primary.uaWK / 1000
    const rate = this.coilKwK + uaKwK
    const kept = decay((rate * dtS) / this.heatKjK)

    // The burner gives its full output, or just what brings the flow to its limit by the end of the step.
    const drawnTo = (this.coilKwK * coilC + uaKwK * this.ambientC) / rate
    const limitEq = (spec.primary.flowMaxC - this.primaryC * kept) / (1 - kept)
    const burnerKw = Math.min(spec.outputKw, Math.max(0, (limitEq - drawnTo) * rate))
    if (burnerKw < spec.leastOutputKw) this.start(dtS / CYCLE_S)

    const settlesAt = drawnTo + burnerKw / rate
    const mean = settlesAt + ((this.primaryC - settlesAt) * (1 - kept) * this.heatKjK) / (rate * dtS)
    const coilKj = this.coilKwK * (mean - coilC) * dtS
    const lostKj = uaKwK * (mean - this.ambientC) * dtS
    this.primaryC += (burnerKw * dtS - coilKj - lostKj) / this.heatKjK
    this.lost += lostKj
    this.kw = coilKj / dtS
    store.heat(coilKj, bottom, top)

    const returnC = mean - coilKj / dtS / this.carriedKwK
    ledger.buy(spec.carrier, (burnerKw * dtS) / efficiencyAt(spec.efficiency, returnC), burnerKw * dtS)
  }

  rest(dtS: number): void {
    this.kw = 0
    const drop = (this.primaryC - this.ambientC) * (1 - decay((this.spec.primary.uaWK * dtS) / 1000 / this.heatKjK))
    this.primaryC -= drop
    this.lost += drop * this.heatKjK
  }

  stop(): void {
    this.firing = false
    this.kw = 0
  }

  private start(count: number): void {
    this.starts += count
    this.ledger.buy(this.spec.carrier, count * this.spec.purgeWh * 3.6, 0)
  }
}
