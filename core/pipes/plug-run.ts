import { decay, meanDecay } from './decay'
import { KJ_PER_LITRE_K } from '../water/properties'

/** Neighbouring plugs closer than this are carried as one, K. */
const SAME_K = 0.3
/** Pieces of an outflow closer than this are passed on as one, K. */
const EVEN_K = 0.5

/** Water that leaves a run in one step, in order: litres and °C. Reused from step to step. */
export class Outflow {
  n = 0
  litres = new Float64Array(64)
  tempC = new Float64Array(64)

  /** Litres in all. */
  total = 0

  clear(): void {
    this.n = 0
    this.total = 0
  }

  /** Temperature of it all mixed, °C. */
  get meanC(): number {
    let heat = 0
    for (let i = 0; i < this.n; i++) heat += this.litres[i] * this.tempC[i]
    return heat / this.total
  }

  /** Adds what leaves next; what is within half a kelvin of what left before is carried with it, heat for heat. */
  add(litres: number, tempC: number): void {
    this.total += litres
    const last = this.n - 1
    if (last >= 0 && Math.abs(this.tempC[last] - tempC) < EVEN_K) {
      const both = this.litres[last] + litres
      this.tempC[last] += ((tempC - this.tempC[last]) * litres) / both
      this.litres[last] = both
      return
    }
    if (this.n === this.litres.length) {
      this.litres = grown(this.litres)
      this.tempC = grown(this.tempC)
    }
    this.litres[this.n] = litres
    this.tempC[this.n++] = tempC
  }
}

const grown = (a: Float64Array) => {
  const b = new Float64Array(a.length * 2)
  b.set(a)
  return b
}

/**
 * One length of pipe as a queue of plugs of water, each at one temperature.
 *
 * The wall travels with the water: a plug's litres are "front litres" (see `frontPerMetre`), so a warm front is
 * retarded by the wall exactly as it should be and the heat held in the wall is never lost sight of. Every parcel
 * cools by its own time in the pipe, exp(−t/τ), so a steady flow leaves at the closed-form temperature
 * Tₐ + (T − Tₐ) exp(−U'L/ṁc) whatever the step. Plugs are merged only where they are within 0.3 K or together
 * shorter than half a metre: that is all the smearing there is.
 */
export class PlugRun {
  /** Front litres of the whole run. */
  readonly frontL: number
  /** Air around it, °C; set each month. */
  ambientC = 15
  /** Heat lost since it was last asked for, kJ. */
  private lost = 0
  private tauS = Infinity
  private ua = 0
  private readonly halfMetreL: number
  private cooledAt = 0
  private head = 0
  private tail = 0
  private litres = new Float64Array(128)
  private temps = new Float64Array(128)

  /**
   * @param frontL front litres of the run
   * @param uaWK loss of the whole run, W/K
   * @param lengthM metres, for the half-metre rule
   */
  constructor(frontL: number, uaWK: number, lengthM: number, startC: number) {
    this.frontL = frontL
    this.uaWK = uaWK
    this.halfMetreL = frontL * Math.min(1, 0.5 / lengthM)
    this.litres[0] = frontL
    this.temps[0] = startC
    this.tail = 1
  }

  /** Loss of the whole run, W/K. To be set before anything has moved. */
  get uaWK(): number {
    return this.ua
  }
  set uaWK(uaWK: number) {
    this.ua = uaWK
    this.tauS = uaWK > 0 ? (this.frontL * KJ_PER_LITRE_K * 1000) / uaWK : Infinity
  }

  /** Sets its clock before anything has moved. */
  startAt(atS: number): void {
    this.cooledAt = atS
  }

  /** Heat lost to the surroundings since the last call, kJ. */
  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  /** Heat held, against 0 °C, kJ. */
  heldKj(): number {
    let sum = 0
    for (let i = this.head; i < this.tail; i++) sum += this.litres[i] * this.temps[i]
    return sum * KJ_PER_LITRE_K
  }

  /** Mean temperature of what stands in it at a moment, °C. */
  meanC(atS: number): number {
    return this.cooled(this.heldKj() / (KJ_PER_LITRE_K * this.frontL), atS)
  }

  /** Temperatures along it at a moment, from inlet to outlet: [front litres, °C] for each plug. */
  profile(atS: number): [number, number][] {
    const out: [number, number][] = []
    for (let i = this.tail - 1; i >= this.head; i--) out.push([this.litres[i], this.cooled(this.temps[i], atS)])
    return out
  }

  /** Temperature of the water that would leave next, °C. */
  exitC(atS: number): number {
    return this.cooled(this.temps[this.head], atS)
  }

  /** Litres at the outlet that are colder than a temperature. */
  litresBelow(tempC: number, atS: number): number {
    const limit = this.stillFor(tempC, atS)
    let sum = 0
    for (let i = this.head; i < this.tail && this.temps[i] < limit; i++) sum += this.litres[i]
    return sum
  }

  /** Litres at the outlet within a band of a temperature, K either way. */
  litresNear(tempC: number, bandK: number, atS: number): number {
    const low = this.stillFor(tempC - bandK, atS)
    const high = this.stillFor(tempC + bandK, atS)
    let sum = 0
    for (let i = this.head; i < this.tail && this.temps[i] > low && this.temps[i] < high; i++) sum += this.litres[i]
    return sum
  }

  /** What a plug must have been when last looked at, to be at a temperature now. */
  private stillFor(tempC: number, atS: number): number {
    return this.ambientC + (tempC - this.ambientC) / decay((atS - this.cooledAt) / this.tauS)
  }

  private cooled(tempC: number, atS: number): number {
    return this.ambientC + (tempC - this.ambientC) * decay((atS - this.cooledAt) / this.tauS)
  }

  /** Warms whatever is cooler than a temperature up to it; returns the heat that takes, kJ. */
  heatTo(tempC: number): number {
    let sum = 0
    for (let i = this.head; i < this.tail; i++) {
      const rise = Math.max(0, tempC - this.temps[i])
      sum += this.litres[i] * rise
      this.temps[i] += rise
    }
    return sum * KJ_PER_LITRE_K
  }

  /** Lets everything in the run cool, undisturbed, until a moment. */
  coolTo(atS: number): void {
    if (atS <= this.cooledAt) return
    const f = decay((atS - this.cooledAt) / this.tauS)
    this.cooledAt = atS
    this.cool(f)
  }

  private cool(f: number): void {
    let sum = 0
    for (let i = this.head; i < this.tail; i++) {
      const drop = (this.temps[i] - this.ambientC) * (1 - f)
      sum += this.litres[i] * drop
      this.temps[i] -= drop
    }
    this.lost += sum * KJ_PER_LITRE_K
  }

  /**
   * Sends water through the run for a step.
   *
   * @param inflow what comes out of the run before it, in order
   * @param share share of that which goes this way, 0 to 1
   * @param fromS start of the step; @param dtS its length, s
   * @param out receives what leaves, in order
   */
  pass(inflow: Outflow, share: number, fromS: number, dtS: number, out: Outflow): void {
    this.coolTo(fromS)
    this.cooledAt = fromS + dtS
    out.clear()
    const total = inflow.total * share
    if (total <= 0) {
      this.cool(decay(dtS / this.tauS))
      return
    }
    const secondsPerLitre = dtS / total
    const perLitre = secondsPerLitre / this.tauS

    this.sendResidents(total, perLitre, out)
    if (this.head < this.tail) this.cool(decay(dtS / this.tauS))
    else this.head = this.tail = 0

    // Of what enters, the first part passes right through and the rest stays behind.
    const through = Math.max(0, total - this.frontL)
    const passed = through > 0 ? decay(this.frontL * perLitre) : 1
    let entered = 0
    for (let i = 0; i < inflow.n; i++) {
      let litres = inflow.litres[i] * share
      const temp = inflow.tempC[i]
      const passing = Math.min(litres, Math.max(0, through - entered))
      if (passing > 0) {
        this.emit(passing, temp, passed, out)
        entered += passing
        litres -= passing
      }
      if (litres > 1e-12) {
        const stay = meanDecay((total - entered - litres) * perLitre, (total - entered) * perLitre)
        this.append(litres, temp, stay)
        entered += litres
      }
    }
  }

  private sendResidents(total: number, perLitre: number, out: Outflow): void {
    let sent = 0
    while (this.head < this.tail && sent < total) {
      const i = this.head
      const take = Math.min(this.litres[i], total - sent)
      this.emit(take, this.temps[i], meanDecay(sent * perLitre, (sent + take) * perLitre), out)
      sent += take
      if (this.litres[i] - take <= 1e-12) this.head++
      else this.litres[i] -= take
    }
  }

  private emit(litres: number, tempC: number, factor: number, out: Outflow): void {
    const drop = (tempC - this.ambientC) * (1 - factor)
    this.lost += litres * drop * KJ_PER_LITRE_K
    out.add(litres, tempC - drop)
  }

  private append(litres: number, tempC: number, factor: number): void {
    const drop = (tempC - this.ambientC) * (1 - factor)
    this.lost += litres * drop * KJ_PER_LITRE_K
    const temp = tempC - drop
    const last = this.tail - 1
    if (last >= this.head) {
      const both = this.litres[last] + litres
      if (both < this.halfMetreL || Math.abs(this.temps[last] - temp) < SAME_K) {
        this.temps[last] += ((temp - this.temps[last]) * litres) / both
        this.litres[last] = both
        return
      }
    }
    if (this.tail === this.litres.length) this.makeRoom()
    this.litres[this.tail] = litres
    this.temps[this.tail++] = temp
  }

  private makeRoom(): void {
    if (this.head < this.litres.length / 2) {
      this.litres = grown(this.litres)
      this.temps = grown(this.temps)
    }
    this.litres.copyWithin(0, this.head, this.tail)
    this.temps.copyWithin(0, this.head, this.tail)
    this.tail -= this.head
    this.head = 0
  }
}
