import { decay, meanDecay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Arriving } from '../taps/arriving'
import { heldPlug } from './held-plug'
import { grown, type Outflow } from './outflow'

/** Neighbouring plugs closer than this are carried as one, K. */
const SAME_K = 0.3

/**
 * One length of pipe as a queue of plugs of water.
 *
 * The wall travels with the water: a plug's litres are "front litres" (see `warmUpVolumePerMetre`), so a warm front is
 * retarded by the wall exactly as it should be and the heat held in the wall is never lost sight of. A plug remembers at
 * what temperature it came in and when its two ends did; what it is now follows from its age by exp(−t/τ), spread along
 * it. So a steady flow leaves at the closed-form temperature Tₐ + (T − Tₐ) exp(−U'L/ṁc) to its last drop whatever the
 * step, and water at rest costs nothing. Plugs are joined only where they came in within 0.3 K and stand within 0.3 K, or
 * are together shorter than half a metre: that is all the smearing there is.
 */
export class PlugRun {
  /** Front litres of the whole run. */
  readonly warmUpVolumeL: number
  /** Air around it, °C. To be changed only right after `coolTo`. */
  ambientC = 15
  /** Heat lost since it was last asked for by what has left or was settled, kJ. */
  private lost = 0
  private tauS = Infinity
  private ua = 0
  private readonly halfMetreL: number
  /** What is left of its excess in water that passes right through, and at what flow that was reckoned: a pump's stays the same. */
  private passed = 1
  private passedAt = 0
  private head = 0
  private tail = 0
  private litres = new Float64Array(32)
  /** Temperature at which a plug came in, °C. */
  private temps = new Float64Array(32)
  /** When its end towards the outlet came in, and its end towards the inlet, s. */
  private first = new Float64Array(32)
  private last = new Float64Array(32)

  /**
   * @param warmUpVolumeL front litres of the run
   * @param uaWK loss of the whole run, W/K
   * @param lengthM metres, for the half-metre rule
   */
  constructor(warmUpVolumeL: number, uaWK: number, lengthM: number, startC: number) {
    this.warmUpVolumeL = warmUpVolumeL
    this.uaWK = uaWK
    this.halfMetreL = warmUpVolumeL * Math.min(1, 0.5 / lengthM)
    this.litres[0] = warmUpVolumeL
    this.temps[0] = startC
    this.tail = 1
  }

  /** Loss of the whole run, W/K. To be set before anything has moved, or right after `coolTo`. */
  get uaWK(): number {
    return this.ua
  }
  set uaWK(uaWK: number) {
    this.ua = uaWK
    this.tauS = uaWK > 0 ? (this.warmUpVolumeL * KJ_PER_LITRE_K * 1000) / uaWK : Infinity
    this.passedAt = 0
  }

  /** Sets its clock before anything has moved. */
  startAt(atS: number): void {
    this.first.fill(atS)
    this.last.fill(atS)
  }

  /** Heat lost to the surroundings since the last call, kJ, by what has left and what `coolTo` has settled. */
  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  /** Heat held and not yet entered as lost, against 0 °C, kJ. */
  heldKj(): number {
    let sum = 0
    for (let i = this.head; i < this.tail; i++) sum += this.litres[i] * this.temps[i]
    return sum * KJ_PER_LITRE_K
  }

  /** Temperatures along it at a moment, from inlet to outlet: [front litres, mean °C] for each plug. */
  profile(atS: number): [number, number][] {
    const out: [number, number][] = []
    for (let i = this.tail - 1; i >= this.head; i--) out.push([this.litres[i], this.meanAt(i, atS)])
    return out
  }

  /** Temperature of the water that would leave next, °C. */
  exitC(atS: number): number {
    return this.aged(this.temps[this.head], atS - this.first[this.head])
  }

  /** Temperature of the water that stands at its inlet, °C. */
  entryC(atS: number): number {
    return this.aged(this.temps[this.tail - 1], atS - this.last[this.tail - 1])
  }

  /** Litres from the inlet on within a band of what stands there, K either way. */
  entryLitresNear(restartDifferentialK: number, atS: number): number {
    const here = this.entryC(atS)
    let sum = 0
    for (let i = this.tail - 1; i >= this.head; i--) {
      if (Math.abs(this.meanAt(i, atS) - here) > restartDifferentialK) return sum
      sum += this.litres[i]
    }
    return sum
  }

  /** Hottest water in it at a moment, °C. */
  hottestC(atS: number): number {
    let c = -Infinity
    for (let i = this.head; i < this.tail; i++)
      c = Math.max(c, this.aged(this.temps[i], atS - this.last[i]), this.aged(this.temps[i], atS - this.first[i]))
    return c
  }

  /** Litres at the outlet that are colder than a temperature. */
  litresBelow(tempC: number, atS: number): number {
    return this.litresWithin(-Infinity, tempC, atS)
  }

  /** Shows what leaves it from now on: each plug by what its ends will be as they leave, and then that it has to be passed. */
  showTo(arriving: Arriving, atS: number, secondsPerLitre: number): void {
    let leaves = atS
    for (let i = this.head; i < this.tail; i++) {
      const seconds = this.litres[i] * secondsPerLitre
      const first = this.aged(this.temps[i], leaves - this.first[i])
      // How much older its other end is when that leaves, in time constants: as a rule so little that two terms will do.
      const older = (seconds - this.last[i] + this.first[i]) / this.tauS
      leaves += seconds
      const last =
        older < 0.02 && older > -0.02
          ? first - (first - this.ambientC) * older * (1 - 0.5 * older)
          : this.aged(this.temps[i], leaves - this.last[i])
      if (!arriving.show(first, last, seconds)) return
    }
    arriving.through(this.ambientC, decay((this.warmUpVolumeL * secondsPerLitre) / this.tauS))
  }

  /** Litres at the outlet within a band of a temperature, K either way. */
  litresNear(tempC: number, restartDifferentialK: number, atS: number): number {
    return this.litresWithin(tempC - restartDifferentialK, tempC + restartDifferentialK, atS)
  }

  /** Litres from the outlet up to where the water is no longer between two temperatures; along a plug a straight line is taken. */
  private litresWithin(lowC: number, highC: number, atS: number): number {
    let sum = 0
    for (let i = this.head; i < this.tail; i++) {
      const out = this.aged(this.temps[i], atS - this.first[i])
      if (out >= highC || out <= lowC) return sum
      const inner = this.first[i] === this.last[i] ? out : this.aged(this.temps[i], atS - this.last[i])
      if (inner < highC && inner > lowC) {
        sum += this.litres[i]
        continue
      }
      const edge = inner >= highC ? highC : lowC
      return sum + (this.litres[i] * (edge - out)) / (inner - out)
    }
    return sum
  }

  /** What water has become that came in at a temperature some seconds ago. */
  private aged(tempC: number, ageS: number): number {
    return this.ambientC + (tempC - this.ambientC) * decay(ageS / this.tauS)
  }

  private meanAt(i: number, atS: number): number {
    const f = meanDecay((atS - this.last[i]) / this.tauS, (atS - this.first[i]) / this.tauS)
    return this.ambientC + (this.temps[i] - this.ambientC) * f
  }

  /**
   * Draws litres back out of the inlet while as many of a temperature come in at the outlet: a cold tap at the end of a line
   * that a loop comes back through. Returns what it took: heat above that temperature, kJ, and litres that were warmer by
   * more than a margin, K.
   */
  drawBack(litres: number, tempC: number, marginK: number, atS: number): { kj: number; warmL: number } {
    this.coolTo(atS)
    const taken = Math.min(litres, this.warmUpVolumeL)
    let [left, heat, warmL] = [taken, 0, 0]
    while (left > 1e-12 && this.tail > this.head) {
      const i = this.tail - 1
      const take = Math.min(left, this.litres[i])
      heat += take * (this.temps[i] - tempC)
      if (this.temps[i] > tempC + marginK) warmL += take
      left -= take
      if (this.litres[i] - take <= 1e-12) this.tail--
      else this.litres[i] -= take
    }
    if (this.head === 0) {
      if (this.tail === this.litres.length) this.makeRoom()
      for (const column of ['litres', 'temps', 'first', 'last'] as const)
        this[column].copyWithin(1, this.head, this.tail)
      this.tail++
    } else this.head--
    this.litres[this.head] = taken
    this.temps[this.head] = tempC
    this.first[this.head] = this.last[this.head] = atS
    return { kj: heat * KJ_PER_LITRE_K, warmL }
  }

  /** Warms whatever is cooler than a temperature up to it; returns the heat that takes, kJ. */
  heatTo(tempC: number, atS: number): number {
    this.coolTo(atS)
    let sum = 0
    for (let i = this.head; i < this.tail; i++) {
      const rise = Math.max(0, tempC - this.temps[i])
      sum += this.litres[i] * rise
      this.temps[i] += rise
    }
    return sum * KJ_PER_LITRE_K
  }

  /** Seconds until the water that would leave next has cooled to a temperature; Infinity if it never does. */
  secondsUntilCool(tempC: number, atS: number): number {
    const now = this.exitC(atS)
    if (now <= tempC) return 0
    if (tempC <= this.ambientC) return Infinity
    return this.tauS * Math.log((now - this.ambientC) / (tempC - this.ambientC))
  }

  /**
   * A cable along the run brings its water at rest to a temperature and holds it there, as far as its power allows: each
   * plug by the closed form of dT/dt = P/C − (T − Tₐ)/τ. Returns the heat it gave, kJ.
   * @param kw power along the whole run
   */
  holdAt(holdsC: number, kw: number, fromS: number, toS: number): number {
    let given = 0
    for (let i = this.head; i < this.tail; i++) {
      this.settle(i, Math.max(fromS, this.last[i]))
      const dtS = toS - this.first[i]
      if (dtS <= 0) continue
      const heatKjK = this.litres[i] * KJ_PER_LITRE_K
      const plugKw = (kw * this.litres[i]) / this.warmUpVolumeL
      const { endC, kj } = heldPlug(this.temps[i], holdsC, plugKw, heatKjK, this.ambientC, this.tauS, dtS)
      given += kj
      this.lost += kj - (endC - this.temps[i]) * heatKjK
      this.temps[i] = endC
      this.first[i] = this.last[i] = toS
    }
    return given
  }

  /** Enters what everything in the run has lost up to a moment. */
  coolTo(atS: number): void {
    for (let i = this.head; i < this.tail; i++) this.settle(i, atS)
  }

  private settle(i: number, atS: number): void {
    const now = this.meanAt(i, atS)
    this.lost += this.litres[i] * (this.temps[i] - now) * KJ_PER_LITRE_K
    this.temps[i] = now
    this.first[i] = this.last[i] = atS
  }

  /**
   * Sends water through the run for a step. One function on locals, because half of a year is spent in it.
   *
   * @param inflow what comes out of the run before it, in order
   * @param share share of that which goes this way, 0 to 1
   * @param fromS start of the step; @param dtS its length, s
   * @param out receives what leaves, in order
   */
  pass(inflow: Outflow, share: number, fromS: number, dtS: number, out: Outflow): void {
    out.clear()
    const total = inflow.total * share
    if (total <= 0) return
    const secondsPerLitre = dtS / total
    const { litres, temps, first, last, tauS, ambientC, warmUpVolumeL, tail } = this
    let { head, lost } = this

    // What stood in it leaves first.
    let sent = 0
    while (head < tail && sent < total) {
      const here = litres[head]
      const began = first[head]
      const whole = here - 1e-12 <= total - sent
      const take = whole ? here : total - sent
      const cut = whole ? last[head] : began + ((last[head] - began) * take) / here
      const leaves = fromS + sent * secondsPerLitre
      sent += take
      const drop =
        (temps[head] - ambientC) *
        (1 - meanDecay((leaves - began) / tauS, (fromS + sent * secondsPerLitre - cut) / tauS))
      lost += take * drop * KJ_PER_LITRE_K
      out.add(take, temps[head] - drop)
      if (whole) head++
      else {
        litres[head] = here - take
        first[head] = cut
      }
    }
    if (head === tail) head = this.tail = 0
    this.head = head

    // Of what enters, the first part passes right through and the rest stays behind.
    const through = total > warmUpVolumeL ? total - warmUpVolumeL : 0
    if (through > 0 && Math.abs(secondsPerLitre - this.passedAt) > 1e-12 * secondsPerLitre) {
      this.passedAt = secondsPerLitre
      this.passed = decay((warmUpVolumeL * secondsPerLitre) / tauS)
    }
    const pieces = inflow.n
    let entered = 0
    for (let i = 0; i < pieces; i++) {
      let enters = inflow.litres[i] * share
      const temp = inflow.tempC[i]
      if (entered < through) {
        const passing = enters < through - entered ? enters : through - entered
        const drop = (temp - ambientC) * (1 - this.passed)
        lost += passing * drop * KJ_PER_LITRE_K
        out.add(passing, temp - drop)
        entered += passing
        enters -= passing
      }
      if (enters > 1e-12) {
        const cameS = fromS + entered * secondsPerLitre
        entered += enters
        this.lost = lost
        this.append(enters, temp, cameS, fromS + entered * secondsPerLitre)
        lost = this.lost
      }
    }
    this.lost = lost
  }

  /** Lets litres in between two moments; the second is the end of the step or before it. */
  private append(litres: number, tempC: number, fromS: number, toS: number): void {
    const before = this.tail - 1
    if (before >= this.head) {
      const both = this.litres[before] + litres
      if (
        Math.abs(this.temps[before] - tempC) < SAME_K &&
        this.bendS(before, litres, fromS, toS) * Math.abs(tempC - this.ambientC) < SAME_K * this.tauS
      ) {
        this.temps[before] += ((tempC - this.temps[before]) * litres) / both
        this.litres[before] = both
        this.last[before] = toS
        return
      }
      if (both < this.halfMetreL) {
        this.settle(before, toS)
        const now = this.ambientC + (tempC - this.ambientC) * meanDecay(0, (toS - fromS) / this.tauS)
        this.lost += litres * (tempC - now) * KJ_PER_LITRE_K
        this.temps[before] += ((now - this.temps[before]) * litres) / both
        this.litres[before] = both
        return
      }
    }
    if (this.tail === this.litres.length) this.makeRoom()
    this.litres[this.tail] = litres
    this.temps[this.tail] = tempC
    this.first[this.tail] = fromS
    this.last[this.tail++] = toS
  }

  /** How far from a straight line the ages along two plugs joined into one would lie, s: a gap between them, or another flow. */
  private bendS(before: number, litres: number, fromS: number, toS: number): number {
    const flows = (this.last[before] - this.first[before]) / this.litres[before] - (toS - fromS) / litres
    return (
      fromS - this.last[before] + Math.abs(flows) * ((this.litres[before] * litres) / (this.litres[before] + litres))
    )
  }

  private makeRoom(): void {
    const grow = this.head < this.litres.length / 2
    const columns = ['litres', 'temps', 'first', 'last'] as const
    for (const column of columns) {
      if (grow) this[column] = grown(this[column])
      this[column].copyWithin(0, this.head, this.tail)
    }
    this.tail -= this.head
    this.head = 0
  }
}
