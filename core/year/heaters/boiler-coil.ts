import { startsASecond } from '../../heaters/burner'
import { efficiencyAt } from '../../heaters/efficiency'
import type { HeaterOf } from '../../study/heater-kinds'
import { decay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { CoilZone } from '../stores/coil-zone'
import type { LayeredStore } from '../stores/layered-store'
import { Pace } from './pace'
import type { StoreHeater } from './store-heater'

/** Longest step while it heats, s: over it the return, and with it the efficiency, is taken at its mean. */
const LONGEST_STEP_S = 360
/** Circuit and zone are solved anew when what the coil feels has warmed by about so much, K; so often in a step at most. */
const SOLVED_K = 8
const MOST_SOLVED = 3
/** A zone whose middle is this much cooler than its top is layered, K: then a step is no longer than this, s. */
const LAYERED_K = 2
const LAYERED_STEP_S = 120
/** A return that moves by less than this in a step has one efficiency, K. */
const EVEN_RETURN_K = 6
/** Longest step while its pump runs on, s. */
const OVERRUN_STEP_S = 60

/**
 * A boiler that heats a store through a coil.
 *
 * The primary circuit (boiler water, pipes, coil) is one body of water that the burner heats, the coil cools and its
 * pipes lose from; the coil has the effectiveness 1 − exp(−UA/W) of a body at one temperature (W the heat capacity rate of
 * the primary flow). Circuit and coil's zone are solved together by the closed form of their difference, so that they
 * settle at one temperature for any size of either. Each layer of the zone gets heat by its own difference to the primary
 * as that passes it from the top down, and none that is warmer than the circuit. The return to the boiler sets its
 * efficiency, which is why a cooler store condenses more.
 * At the limit of its flow the burner turns down, and below its least output it goes out and lights again.
 */
export class BoilerCoil implements StoreHeater {
  ambientC = 15
  private readonly heatKjK: number
  /** kW/K carried by the primary flow, passed on by the coil, and lost by the circuit. */
  private readonly carriedKwK: number
  private readonly coilKwK: number
  private readonly lossKwK: number
  private readonly zone: CoilZone
  private readonly pace: Pace
  private primaryC: number
  private lagS = 0
  private overrunS = 0
  private firing = false
  /** At the limit of its flow it goes out and lights again. */
  private cycling = false
  /** How the coil shares out its heat was worked out for what stands in the store now. */
  private shared = false
  private lost = 0
  /** What the step just solved does: heat into the store and lost by the circuit, kJ; the circuit at its end and on the mean, °C. */
  private coilKj = 0
  private lostKj = 0
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
    this.zone = { bottom: spec.coil.bottom, top: spec.coil.top, ntu: spec.coil.uaWK / 1000 / this.carriedKwK }
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
    const lagS = this.firing ? this.lagS : this.spec.startDelayS
    // Over cold water at the foot of its coil the sensor is content before all that is heated is at the setpoint.
    const layered = store.at(coil.top) - store.at((coil.bottom + coil.top) / 2) > LAYERED_K ? LAYERED_STEP_S : Infinity
    return Math.min(
      layered,
      lagS + this.pace.until(warmS + (left + takenKw * (lagS + warmS)) / Math.max(willKw - takenKw, 0.5 * willKw)),
    )
  }

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
      this.lagS = spec.startDelayS
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
    // What the coil feels changes while it heats: it is solved again before that has moved far.
    let leftS = stepS - waitS
    for (let solved = 1; leftS > 1e-9; solved++) {
      const zoneC = store.coilC(this.zone, spec.primary.flowMaxC)
      const aboutKw = Math.max(this.kw, 0.5 * this.coilKwK * (spec.primary.flowMaxC - zoneC))
      const zoneKjK = store.coilKjK(this.zone, aboutKw / this.coilKwK)
      this.shared = true
      const dtS =
        solved >= MOST_SOLVED ? leftS : Math.min(leftS, Math.max(5, (SOLVED_K * zoneKjK) / Math.max(aboutKw, 0.1)))
      this.burn(dtS, zoneC, zoneKjK, store)
      leftS -= dtS
    }
  }

  /**
   * Burns for a part of a step in which what the coil feels hardly moves: at full output until the circuit is at the limit of
   * its flow, and then as much as holds it there.
   */
  private burn(dtS: number, zoneC: number, zoneKjK: number, store: LayeredStore): void {
    const { outputKw, primary } = this.spec
    // Once it goes out and lights again it does so until the coil takes its least output.
    if (this.cycling) return this.holdAtLimit(dtS, zoneC, zoneKjK, store)
    this.solve(outputKw, dtS, zoneC, zoneKjK)
    if (this.endC <= primary.flowMaxC) return this.finish(outputKw, dtS, store)
    const fullS = this.untilLimit(dtS, zoneC, zoneKjK)
    let fromC = zoneC
    if (fullS > 1e-3) {
      this.solve(outputKw, fullS, zoneC, zoneKjK)
      fromC += this.coilKj / zoneKjK
      this.finish(outputKw, fullS, store)
    }
    if (dtS - fullS > 1e-3) this.holdAtLimit(dtS - fullS, fromC, zoneKjK, store)
  }

  /** Seconds of a step in which the full output brings the circuit to the limit of its flow. */
  private untilLimit(dtS: number, zoneC: number, zoneKjK: number): number {
    const { outputKw, primary } = this.spec
    if (this.primaryC >= primary.flowMaxC) return 0
    let [low, high] = [0, dtS]
    let seconds = dtS * Math.min(0.9, (primary.flowMaxC - this.primaryC) / (this.endC - this.primaryC))
    for (let round = 0; round < 6; round++) {
      this.solve(outputKw, seconds, zoneC, zoneKjK)
      const over = this.endC - primary.flowMaxC
      if (Math.abs(over) < 0.05) break
      if (over > 0) high = seconds
      else low = seconds
      // By the slope so far, kept between what is too short and too long.
      const guess = seconds * ((primary.flowMaxC - this.primaryC) / (this.endC - this.primaryC))
      seconds = guess > low && guess < high ? guess : (low + high) / 2
    }
    return seconds
  }

  /** Holds the circuit at the limit of its flow; what is less than the least output is made by going out and lighting again. */
  private holdAtLimit(dtS: number, zoneC: number, zoneKjK: number, store: LayeredStore): void {
    const { primary, minOutputKw, outputKw } = this.spec
    const at = (circuitC: number) => {
      this.endC = this.meanC = circuitC
      this.coilKj = Math.max(0, zoneKjK * (circuitC - zoneC) * (1 - decay((this.coilKwK * dtS) / zoneKjK)))
      this.lostKj = this.lossKwK * (circuitC - this.ambientC) * dtS
      return (this.coilKj + this.lostKj + (circuitC - this.primaryC) * this.heatKjK) / dtS
    }
    let burnerKw = at(primary.flowMaxC)
    this.cycling = burnerKw < minOutputKw
    if (this.cycling) {
      burnerKw = at(Math.min(primary.flowMaxC, Math.max(zoneC, primary.flowMaxC - primary.restartDifferentialK / 2)))
      if (burnerKw < 0) {
        // The circuit is still warmer than that: it only cools.
        burnerKw = 0
        this.solve(0, dtS, zoneC, zoneKjK)
      }
      this.start(startsASecond(burnerKw, minOutputKw, this.heatKjK * primary.restartDifferentialK) * dtS)
    }
    this.finish(Math.min(burnerKw, outputKw), dtS, store)
  }

  /** Books what was solved for some seconds at an output. */
  private finish(outputKw: number, dtS: number, store: LayeredStore): void {
    const { spec, ledger } = this
    const beganC = this.primaryC
    const burnerKw = this.heldBack(outputKw, dtS, store)
    this.take(burnerKw, dtS, store)
    const at = (circuitC: number) =>
      1 / efficiencyAt(spec.efficiency, circuitC - this.coilKj / dtS / this.carriedKwK, spec.carrier)
    // While the circuit warms its return does too: what is burned is integrated along it.
    const perHeat =
      Math.abs(this.endC - beganC) > EVEN_RETURN_K
        ? (at(beganC) + 4 * at((beganC + this.endC) / 2) + at(this.endC)) / 6
        : at(this.meanC)
    ledger.buy(spec.carrier, burnerKw * dtS * perHeat, burnerKw * dtS)
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

  /**
   * A step of circuit and zone with a burner at an output. Cooler than the zone the circuit only warms up; from there on
   * the difference d of the two obeys d' = (burner − loss)/C − (K/C + K/Z) d.
   */
  private solve(burnerKw: number, dtS: number, zoneC: number, zoneKjK: number): void {
    const { heatKjK: c, coilKwK: k, primaryC } = this
    const rate = k / c + k / zoneKjK
    let meanC = primaryC
    let endC = primaryC
    let [coilKj, lostKj] = [0, 0]
    let [solvedS, near] = [-1, 0]
    // The loss depends on the mean it makes; two rounds bring that within a few watts.
    for (let round = 0; round < 2; round++) {
      lostKj = this.lossKwK * (meanC - this.ambientC) * dtS
      const netKw = burnerKw - lostKj / dtS
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
    this.lostKj = lostKj
    this.endC = endC
    this.meanC = meanC
  }

  /** Books the step just solved: what the store got, what was lost, and in the circuit what is left of what was burned. */
  private take(burnerKw: number, dtS: number, store: LayeredStore): void {
    this.lost += this.lostKj
    this.primaryC += (burnerKw * dtS - this.coilKj - this.lostKj) / this.heatKjK
    this.kw = this.coilKj / dtS
    store.heatByCoil(this.coilKj, this.zone, this.coilKj / (dtS * this.coilKwK), this.shared)
    this.shared = false
  }

  rest(dtS: number, store: LayeredStore): void {
    this.kw = 0
    let restsS = dtS
    while (this.overrunS > 0 && restsS > 0) {
      const runsS = Math.min(this.overrunS, restsS, OVERRUN_STEP_S)
      this.overrunS -= runsS
      restsS -= runsS
      this.ledger.buy('electricity', (this.spec.primary.pumpW / 1000) * runsS, 0)
      const zoneC = store.coilC(this.zone, Math.max(0, this.primaryC))
      this.solve(0, runsS, zoneC, store.coilKjK(this.zone, Math.max(0, this.primaryC - zoneC)))
      this.heldBack(0, runsS, store)
      this.take(0, runsS, store)
    }
    this.cool(restsS)
  }

  private cool(dtS: number): void {
    if (dtS <= 0) return
    const drop = (this.primaryC - this.ambientC) * (1 - decay((this.lossKwK * dtS) / this.heatKjK))
    this.primaryC -= drop
    this.lost += drop * this.heatKjK
  }

  stop(): void {
    if (this.firing) this.overrunS = this.spec.primary.overrunS
    this.firing = this.cycling = false
    this.kw = 0
    this.pace.rest()
  }

  private start(count: number): void {
    this.starts += count
    this.ledger.buy(this.spec.carrier, count * this.spec.startLossWh * 3.6, 0)
  }
}
