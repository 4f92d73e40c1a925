import { startsASecond } from '../../heaters/burner'
import { efficiencyAt } from '../../heaters/efficiency'
import type { HeaterOf } from '../../study/heater-kinds'
import { decay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { Pace } from './pace'
import type { StoreHeater } from './store-heater'

/** Longest step while it heats, s: over it the return, and with it the efficiency, is taken at its mean. */
const LONGEST_STEP_S = 240
/** Longest step while its pump runs on, s. */
const OVERRUN_STEP_S = 60

/**
 * A boiler that heats a store through a coil.
 *
 * The primary circuit (boiler water, pipes, coil) is one body of water that the burner heats, the coil cools and its
 * pipes lose from; the coil has the effectiveness 1 − exp(−UA/W) of a body at one temperature (W the heat capacity rate of
 * the primary flow). Circuit and coil's zone are solved together by the closed form of their difference, so that they
 * settle at one temperature for any size of either. Heat enters the coldest water of the zone first and none that is
 * warmer than the circuit. The return to the boiler sets its efficiency, which is why a cooler store condenses more.
 * At the limit of its flow the burner turns down, and below its least output it goes out and lights again.
 */
export class BoilerCoil implements StoreHeater {
  ambientC = 15
  private readonly heatKjK: number
  /** kW/K carried by the primary flow, passed on by the coil, and lost by the circuit. */
  private readonly carriedKwK: number
  private readonly coilKwK: number
  private readonly lossKwK: number
  private readonly pace: Pace
  private primaryC: number
  private lagS = 0
  private overrunS = 0
  private firing = false
  private lost = 0
  /** What the step just solved does: heat into the store, kJ; the circuit at its end and on the mean, °C. */
  private coilKj = 0
  private endC = 0
  private meanC = 0
  starts = 0
  /** Heat given to the store in the last step, kW. */
  kw = 0

  constructor(
    private readonly spec: HeaterOf<'boiler-coil'>,
    private readonly ledger: Ledger,
    startC: number,
  ) {
    this.primaryC = startC
    this.heatKjK = spec.primary.litres * KJ_PER_LITRE_K
    this.carriedKwK = (spec.primary.flowLMin / 60) * KJ_PER_LITRE_K
    this.coilKwK = this.carriedKwK * (1 - decay(spec.coil.uaWK / 1000 / this.carriedKwK))
    this.lossKwK = spec.primary.uaWK / 1000
    // The loss is taken at the circuit's mean: a step is short against the time in which that alone would cool it.
    this.pace = new Pace(
      this.lossKwK > 0 ? Math.min(LONGEST_STEP_S, (0.5 * this.heatKjK) / this.lossKwK) : LONGEST_STEP_S,
    )
  }

  heldKj(): number {
    return this.heatKjK * this.primaryC
  }

  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  longestStep(store: LayeredStore, setpointC: number, _atS: number, takenKw: number): number {
    const left = store.heatToReach(setpointC, this.spec.coil.bottom)
    // Heat comes as fast as it did, or will as soon as the circuit is warm: as coil and burner allow.
    const { coil, primary, outputKw } = this.spec
    const zoneC = store.meanBetween(coil.bottom, coil.top, primary.flowMaxC)
    const [first, last] = [
      primary.flowMaxC - zoneC,
      Math.max(0.1, primary.flowMaxC - Math.min(setpointC, primary.flowMaxC)),
    ]
    const meanK = Math.abs(first - last) > 0.1 ? (first - last) / Math.log(Math.max(first, 0.1) / last) : last
    const willKw = Math.min(outputKw, this.coilKwK * meanK)
    // The circuit warms up to the zone, and then with it as far as its limit allows.
    const withIt = Math.max(0, Math.min(setpointC - zoneC, primary.flowMaxC - this.primaryC))
    const warmS = ((Math.max(0, zoneC - this.primaryC) + withIt) * this.heatKjK) / outputKw
    const lagS = this.firing ? this.lagS : this.spec.startLagS
    return lagS + this.pace.until(warmS + (left + takenKw * (lagS + warmS)) / Math.max(willKw - takenKw, 0.01))
  }

  longestRest(): number {
    return this.overrunS > 0 ? Math.min(OVERRUN_STEP_S, this.overrunS) : Infinity
  }

  takeFromRoom(): number {
    return 0
  }

  heat(store: LayeredStore, stepS: number): void {
    const { spec, ledger } = this
    if (!this.firing) {
      this.firing = true
      this.lagS = spec.startLagS
      this.overrunS = 0
      this.start(1)
    }
    ledger.buy('electricity', (spec.primary.pumpW / 1000) * stepS, 0)
    const waitS = Math.min(this.lagS, stepS)
    if (waitS > 0) {
      this.lagS -= waitS
      this.cool(waitS)
      if (waitS >= stepS - 1e-9) return
    }
    const dtS = stepS - waitS
    const { bottom, top } = spec.coil
    const zoneC = store.meanBetween(bottom, top, spec.primary.flowMaxC)
    const zoneKjK = this.zoneKjK(store, Math.max(this.kw, 0.5 * this.coilKwK * (spec.primary.flowMaxC - zoneC)) * dtS)
    const { flowMaxC, bandK } = spec.primary

    let burnerKw = spec.outputKw
    this.solve(burnerKw, dtS, zoneC, zoneKjK)
    if (this.endC > flowMaxC) {
      const fullC = this.endC
      burnerKw = this.limited(flowMaxC, fullC, dtS, zoneC, zoneKjK)
      if (burnerKw < spec.leastOutputKw) {
        burnerKw = this.limited(flowMaxC - bandK / 2, fullC, dtS, zoneC, zoneKjK)
        this.start(startsASecond(burnerKw, spec.leastOutputKw, this.heatKjK * bandK) * dtS)
      }
    }
    burnerKw = this.heldBack(burnerKw, dtS, store)
    this.take(burnerKw, dtS, store)
    const returnC = this.meanC - this.coilKj / dtS / this.carriedKwK
    ledger.buy(spec.carrier, (burnerKw * dtS) / efficiencyAt(spec.efficiency, returnC, spec.carrier), burnerKw * dtS)
  }

  /**
   * What the zone's mean hides: no water is heated past the circuit. Heat that finds none cooler stays in the circuit, and
   * what would drive that past its limit is not burned.
   */
  private heldBack(burnerKw: number, dtS: number, store: LayeredStore): number {
    const { flowMaxC } = this.spec.primary
    const takes = store.heatToReach(Math.max(this.primaryC, Math.min(flowMaxC, this.endC)), this.spec.coil.bottom)
    if (this.coilKj > takes) {
      this.endC += (this.coilKj - takes) / this.heatKjK
      this.coilKj = takes
    }
    const over = Math.min(burnerKw * dtS, Math.max(0, this.endC - flowMaxC) * this.heatKjK)
    this.endC -= over / this.heatKjK
    return burnerKw - over / dtS
  }

  /** Heat that the coil's zone, and what warms up with it, take up for each kelvin while about so much heat comes, kJ/K. */
  private zoneKjK(store: LayeredStore, aboutKj: number): number {
    return store.litresHeated(this.spec.coil.bottom, this.spec.coil.top, Math.max(1, aboutKj)) * KJ_PER_LITRE_K
  }

  /**
   * Solves a step with the output that leaves the circuit at a temperature, and returns it: what a step does is all but
   * linear in it.
   * @param fullC where the full output leaves it, °C
   */
  private limited(targetC: number, fullC: number, dtS: number, zoneC: number, zoneKjK: number): number {
    const { outputKw } = this.spec
    let [kw, endC] = [outputKw, fullC]
    this.solve(0, dtS, zoneC, zoneKjK)
    const noneC = this.endC
    if (noneC >= targetC) return 0
    for (let round = 0; round < 3 && (round === 0 || Math.abs(endC - targetC) > 0.1); round++) {
      kw = Math.min(outputKw, Math.max(0, (kw * (targetC - noneC)) / (endC - noneC)))
      this.solve(kw, dtS, zoneC, zoneKjK)
      endC = this.endC
    }
    return kw
  }

  /**
   * A step of circuit and zone with a burner at an output. Cooler than the zone the circuit only warms up; from there on
   * the difference d of the two obeys d' = (burner − loss)/C − (K/C + K/Z) d.
   */
  private solve(burnerKw: number, dtS: number, zoneC: number, zoneKjK: number): void {
    const { heatKjK: c, coilKwK: k, primaryC } = this
    const rate = k / c + k / zoneKjK
    let meanC = primaryC
    let endC = primaryC
    let coilKj = 0
    let [solvedS, near] = [-1, 0]
    // The loss depends on the mean it makes; two rounds bring that within a few watts.
    for (let round = 0; round < 2; round++) {
      const netKw = burnerKw - this.lossKwK * (meanC - this.ambientC)
      const below = zoneC - primaryC
      const warmS = below > 0 ? (netKw > 0 ? Math.min(dtS, (below * c) / netKw) : dtS) : 0
      const s = dtS - warmS
      const settles = netKw / (c * rate)
      if (s !== solvedS) [solvedS, near] = [s, (1 - decay(rate * s)) / rate]
      coilKj = s > 0 ? Math.max(0, k * (settles * s + (Math.max(0, -below) - settles) * near)) : 0
      endC = primaryC + (netKw * dtS - coilKj) / c
      const apart = s > 0 ? zoneC + (0.5 * coilKj) / zoneKjK + coilKj / (k * s) : 0
      meanC = (warmS * (primaryC + Math.min(zoneC, primaryC + (netKw * warmS) / c)) * 0.5 + s * apart) / dtS
    }
    this.coilKj = coilKj
    this.endC = endC
    this.meanC = meanC
  }

  /** Books the step just solved: what the store got, what was lost, and what is left in the circuit. */
  private take(burnerKw: number, dtS: number, store: LayeredStore): void {
    // What is left over is what was lost; without a loss it is a rounding.
    if (this.lossKwK > 0) this.lost += burnerKw * dtS - this.coilKj - (this.endC - this.primaryC) * this.heatKjK
    this.primaryC = this.endC
    this.kw = this.coilKj / dtS
    store.heat(this.coilKj, this.spec.coil.bottom)
  }

  rest(dtS: number, store: LayeredStore): void {
    this.kw = 0
    const runsS = Math.min(this.overrunS, dtS)
    if (runsS > 0) {
      const { bottom, top } = this.spec.coil
      this.overrunS -= runsS
      this.ledger.buy('electricity', (this.spec.primary.pumpW / 1000) * runsS, 0)
      const zoneC = store.meanBetween(bottom, top, Math.max(0, this.primaryC))
      this.solve(0, runsS, zoneC, this.zoneKjK(store, this.heatKjK * Math.max(0, this.primaryC - zoneC)))
      this.heldBack(0, runsS, store)
      this.take(0, runsS, store)
    }
    this.cool(dtS - runsS)
  }

  private cool(dtS: number): void {
    if (dtS <= 0) return
    const drop = (this.primaryC - this.ambientC) * (1 - decay((this.lossKwK * dtS) / this.heatKjK))
    this.primaryC -= drop
    this.lost += drop * this.heatKjK
  }

  stop(): void {
    if (this.firing) this.overrunS = this.spec.primary.overrunS
    this.firing = false
    this.kw = 0
    this.pace.rest()
  }

  private start(count: number): void {
    this.starts += count
    this.ledger.buy(this.spec.carrier, count * this.spec.purgeWh * 3.6, 0)
  }
}
