import { decay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Outflow } from '../pipes/outflow'
import { CoilShares, type CoilZone } from './coil-zone'
import { LayerStack } from './layer-stack'

/** A coil's heat is let in by pieces that warm its zone by no more than this, K, and by no more pieces than so many. */
const PIECE_K = 5
const MOST_PIECES = 5
/** Conduction is followed in stretches no longer than this, s: a front that spreads is one after each of them. */
const CONDUCT_S = 3600
/** Conduction is caught up with when so much time has passed, s. */
const CATCH_UP_S = 300

/** Conductivity of still water plus what the steel shell carries down, W/(m·K). */
const VERTICAL_W_MK = 1.2

/**
 * A hot-water store as a stack of layers of any thickness, coldest at the bottom.
 *
 * Water drawn at the top moves the layers up whole (plug flow), so a draw does not smear the front between hot and
 * cold. The entering water stirs the lowest few litres. Heat goes to the coldest water at and above where it enters, and
 * from there to the next as soon as it is as warm: what is heated rises, so nothing is ever heated past what heats it.
 * Warmer water below colder turns over at once; between layers heat is conducted. Loss to the room falls evenly on the
 * volume. Layers are cut where a coil or an element begins, and joined where that moves the least heat.
 */
export class LayeredStore extends LayerStack {
  ambientC = 15
  private readonly tauS: number
  private readonly inletMixL: number
  /** Over the mean volume of two layers: litres that conduction exchanges between them in a second, L²/s. */
  private readonly evensL2S: number
  private lost = 0
  /** Time whose conduction is still to be followed, s. */
  private conductS = 0
  private readonly coil = new CoilShares()
  /** The coil that it was last worked out for, and the shape that the layers had then. */
  private lying: CoilZone | null = null
  private lyingAs = -1
  private readonly below = new Float64Array(64)
  private readonly above = new Float64Array(64)

  /**
   * @param litres contents; @param heightM height of the water; @param uaWK standing loss, W/K
   * @param inletMixShare share of the store that the entering cold water stirs, 0 to 0.3
   */
  constructor(litres: number, heightM: number, uaWK: number, startC: number, inletMixShare = 0) {
    super(litres, startC)
    this.tauS = uaWK > 0 ? (litres * KJ_PER_LITRE_K * 1000) / uaWK : Infinity
    this.inletMixL = litres * inletMixShare
    // Between the middles of layers of a and b litres W/K = conductivity × area / distance, the distance being their mean
    // thickness: litres exchanged in a second are this over their mean volume.
    const crossM2 = litres / 1000 / heightM
    this.evensL2S = (VERTICAL_W_MK * crossM2 * litres) / (heightM * 1000 * KJ_PER_LITRE_K)
  }

  /** Heat lost to the room since the last call, kJ. */
  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  /** Whole seconds until a layer now at `nowC` has cooled to `toC` by standing loss alone; Infinity if it never does. */
  secondsToCool(nowC: number, toC: number): number {
    if (nowC <= toC) return 0
    if (toC <= this.ambientC) return Infinity
    return Math.round(this.tauS * Math.log((nowC - this.ambientC) / (toC - this.ambientC)))
  }

  /** How fast the water at a height falls by loss and conduction now, K/s; negative where it is warmed from above. */
  fallKS(share: number): number {
    const { vol, temp, n } = this
    const i = this.layerAt(share)
    const exchanged = (k: number) => (this.evensL2S / (0.5 * (vol[k] + vol[k + 1]))) * (temp[k + 1] - temp[k])
    const gained = (i + 1 < n ? exchanged(i) : 0) - (i > 0 ? exchanged(i - 1) : 0)
    return (temp[i] - this.ambientC) / this.tauS - gained / vol[i]
  }

  /**
   * Seconds until the water at a height is cooler than a temperature while a loop alone takes from the top and brings back at
   * a height: above that the layers rise whole, so that what is cooler below them comes up; below it what comes back sinks and
   * is stirred in, and the pool nears it by exp(−litres in / litres of the pool).
   */
  secondsUntilByLoop(share: number, tempC: number, lMin: number, height: number, backC: number): number {
    const perS = lMin / 60
    const i = this.layerAt(share)
    const standing = this.fallKS(share)
    const byStanding = standing > 0 ? (this.temp[i] - tempC) / standing : Infinity
    if (perS <= 0) return byStanding
    if (share > height + 1e-9) {
      const litres = Math.min(this.litresUntil(share, tempC), backC < tempC ? (share - height) * this.litres : Infinity)
      return Math.min(byStanding, litres / perS)
    }
    // The pool: what lies below where it comes back and is warmer than it.
    let [below, pool, heat] = [0, 0, 0]
    for (let k = 0; k < this.n && below < height * this.litres; k++) {
      const inside = Math.min(this.vol[k], height * this.litres - below)
      below += this.vol[k]
      if (this.temp[k] <= backC) continue
      pool += inside
      heat += inside * this.temp[k]
    }
    if (pool <= 0) return byStanding
    const poolC = Math.min(this.temp[i], heat / pool)
    if (poolC <= tempC) return 0
    // What the loop loses comes from all that goes round: the pool and what lies above it.
    const takenK = Math.max(0.01, this.topC - backC)
    const byLoss = ((poolC - tempC) * (pool + (1 - height) * this.litres)) / (takenK * perS)
    const byPool = backC < tempC ? (pool / perS) * Math.log((poolC - backC) / (tempC - backC)) : Infinity
    return Math.min(byStanding, byLoss, byPool)
  }

  /** Standing loss and conduction over a time without flow, or beside it. */
  stand(dtS: number): void {
    const { vol, temp, n, ambientC } = this
    const gone = 1 - decay(dtS / this.tauS)
    let sum = 0
    for (let i = 0; i < n; i++) {
      const drop = (temp[i] - ambientC) * gone
      sum += vol[i] * drop
      temp[i] -= drop
    }
    this.lost += sum * KJ_PER_LITRE_K
    this.conductS += dtS
    if (this.conductS < CATCH_UP_S) return
    this.conduct(this.conductS)
    this.conductS = 0
  }

  /** Adds heat at a height and above: to the coldest there, then to what is next as soon as they are level. */
  heat(kj: number, fromShare: number): void {
    if (kj <= 0) return
    this.turnOver()
    const first = Math.min(this.n - 1, this.cutAt(fromShare * this.litres))
    let last = first
    let level = this.temp[first]
    let pool = this.vol[first]
    let left = kj / KJ_PER_LITRE_K
    while (last + 1 < this.n && (this.temp[last + 1] - level) * pool < left) {
      last++
      left -= (this.temp[last] - level) * pool
      level = this.temp[last]
      pool += this.vol[last]
    }
    const after = level + left / pool
    for (let i = first; i <= last; i++) this.temp[i] = after
  }

  /** Temperature that a coil feels, °C; what is hotter than a limit counts as that. */
  coilC(zone: CoilZone, limitC = Infinity): number {
    this.lie(zone)
    return this.coil.feltC(this.temp, limitC)
  }

  /** Heat that warms what a coil feels by a kelvin, kJ/K, with a primary so far above it, K. */
  coilKjK(zone: CoilZone, aboveK: number): number {
    this.turnOver()
    this.lie(zone)
    this.coil.work(this.temp, aboveK)
    return this.coil.capacity(this.vol, this.temp, this.n)
  }

  /**
   * Lets the heat of a coil in, each layer of its zone by its own difference to the primary; what is warmed rises.
   * @param aboveK how far the primary is above what the coil feels, on the mean
   * @param shared how it is shared out was worked out for what stands there now, by `coilKjK`
   */
  heatByCoil(kj: number, zone: CoilZone, aboveK: number, shared = false): void {
    if (kj <= 0) return
    this.turnOver()
    const zoneKjK = (zone.top - zone.bottom) * this.litres * KJ_PER_LITRE_K
    const pieces = Math.max(1, Math.min(MOST_PIECES, Math.ceil(kj / (zoneKjK * PIECE_K))))
    const each = kj / pieces / KJ_PER_LITRE_K
    this.lie(zone)
    const { vol, temp, coil } = this
    for (let p = 0; p < pieces; p++) {
      if (p > 0 || !shared) coil.work(temp, aboveK)
      for (let i = coil.first; i < coil.last; i++) temp[i] += (each * coil.share[i]) / vol[i]
      this.stir()
      this.turnOver()
    }
  }

  /** Cuts the layers at the ends of a coil's zone, at least one of them inside, unless that is how they lie already. */
  private lie(zone: CoilZone): void {
    if (this.lying === zone && this.lyingAs === this.shape) return
    const { bottom, top, ntu } = zone
    const first = Math.min(this.n - 1, this.cutAt(bottom * this.litres))
    const last = Math.max(first + 1, this.cutAt(top * this.litres))
    this.coil.lie(this.vol, first, last, ntu / ((top - bottom) * this.litres))
    this.lying = zone
    this.lyingAs = this.shape
  }

  /** Takes what is hotter than a limit down to it; returns the heat that was above, kJ. */
  capAt(limitC: number): number {
    let heat = 0
    for (let i = this.n - 1; i >= 0 && this.temp[i] > limitC; i--) {
      heat += this.vol[i] * (this.temp[i] - limitC)
      this.temp[i] = limitC
    }
    return heat * KJ_PER_LITRE_K
  }

  /** Takes litres off the top, in the order they leave: less than the store holds. The caller puts as many back in. */
  draw(litres: number, out: Outflow): void {
    let left = litres
    while (left > 1e-12) {
      const i = this.n - 1
      if (i === 0 && left >= this.vol[0])
        throw new RangeError(`${litres} L cannot be drawn at once from ${this.litres} L`)
      const take = Math.min(left, this.vol[i])
      out.add(take, this.temp[i])
      left -= take
      this.shape++
      if (this.vol[i] - take <= 1e-12 && this.n > 1) this.n--
      else this.vol[i] -= take
    }
  }

  /**
   * Lets cold water in at the bottom, where it stirs the lowest litres: they are one temperature that nears that of the
   * water coming in by exp(−litres in / litres stirred), and what they were rises above them.
   */
  fillBottom(litres: number, tempC: number): void {
    if (litres <= 0) return
    if (this.inletMixL <= 0) return this.insertAt(0, litres, tempC)
    // What rises from the stirred water changes while it rises: no piece is larger than what is stirred.
    const pieces = Math.min(4, Math.ceil(litres / this.inletMixL))
    for (let p = 0; p < pieces; p++) this.stirIn(litres / pieces, tempC)
  }

  private stirIn(litres: number, tempC: number): void {
    const count = Math.max(1, this.cutAt(this.inletMixL))
    let stirred = 0
    let heat = 0
    for (let i = 0; i < count; i++) {
      stirred += this.vol[i]
      heat += this.vol[i] * this.temp[i]
    }
    const after = tempC + (heat / stirred - tempC) * decay(litres / stirred)
    const rises = (heat + litres * tempC - stirred * after) / litres
    this.closeTo(count)
    this.shape++
    this.vol[0] = stirred
    this.temp[0] = after
    if (this.n === 1) this.insertAt(0, litres, rises)
    else this.insertAt(1, litres, rises)
  }

  /**
   * Lets water back in at a height, 0 to 1: the return of a loop. Cooler than what stands there it sinks and stirs all that
   * is warmer than what becomes of it; what then rises past the height is of that water, not of what came in.
   */
  fillAt(share: number, litres: number, tempC: number): void {
    if (litres <= 0) return
    this.turnOver()
    const at = this.cutAt(share * this.litres)
    let first = at
    let stirred = 0
    let heat = 0
    let after = tempC
    while (first > 0 && this.temp[first - 1] > after) {
      first--
      stirred += this.vol[first]
      heat += this.vol[first] * this.temp[first]
      after = tempC + (heat / stirred - tempC) * decay(litres / stirred)
    }
    if (first === at) return this.insertAt(at, litres, tempC)
    for (let i = first; i < at; i++) this.temp[i] = after
    this.insertAt(at, litres, (heat + litres * tempC - stirred * after) / litres)
  }

  /**
   * Heat between neighbours by the implicit step of the conduction of all layers together: stable for any thickness, it spreads
   * a front as far as it goes and loses no heat. A tridiagonal system, solved from the bottom up and back.
   */
  private conduct(dtS: number): void {
    const { vol, temp, n, below, above } = this
    if (n < 2 || temp[n - 1] - temp[0] < 0.05) return
    const stretches = Math.ceil(dtS / CONDUCT_S)
    const evens = (this.evensL2S * dtS) / stretches
    for (let s = 0; s < stretches; s++) {
      // Row i: (1 + a + b) T[i] − a T[i−1] − b T[i+1] = T now; a, b = what is exchanged over the layer's own volume.
      let a = 0
      for (let i = 0; i < n; i++) {
        const exchanged = i + 1 < n ? evens / (0.5 * (vol[i] + vol[i + 1])) : 0
        const b = exchanged / vol[i]
        const diagonal = 1 + a + b - (i > 0 ? a * above[i - 1] : 0)
        above[i] = b / diagonal
        below[i] = (temp[i] + (i > 0 ? a * below[i - 1] : 0)) / diagonal
        a = i + 1 < n ? exchanged / vol[i + 1] : 0
      }
      temp[n - 1] = below[n - 1]
      for (let i = n - 2; i >= 0; i--) temp[i] = below[i] + above[i] * temp[i + 1]
    }
  }
}
