import { decay } from '../pipes/decay'
import type { Outflow } from '../pipes/plug-run'
import { KJ_PER_LITRE_K } from '../water/properties'

/** Layers the store starts with, and the fewest and the most it carries. */
const FIRST_LAYERS = 12
const FEWEST_LAYERS = 10
const MOST_LAYERS = 14
/** Room for layers that are put in before the stack is tidied. */
const SPARE_LAYERS = 8

/** Conductivity of still water plus what the steel shell carries down, W/(m·K). */
const VERTICAL_W_MK = 1.2

/**
 * A hot-water store as a stack of layers of any thickness, coldest at the bottom.
 *
 * Water drawn at the top moves the layers up whole (plug flow), so a draw does not smear the front between hot and
 * cold. The entering water mixes into the lowest few litres. Warmer water below colder turns over at once; between
 * layers heat is conducted. Loss to the room falls evenly on the volume.
 */
export class LayeredStore {
  readonly litres: number
  readonly heightM: number
  ambientC = 15
  private n = FIRST_LAYERS
  private readonly vol = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly temp = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly tauS: number
  private readonly largestL: number
  private readonly inletMixL: number
  private lost = 0
  private readonly poolTop = new Int32Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly poolL = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly poolHeat = new Float64Array(MOST_LAYERS + SPARE_LAYERS)

  /**
   * @param litres contents; @param heightM height of the water; @param uaWK standing loss, W/K
   * @param inletMixShare share of the store that the entering cold water stirs, 0 to 0.3
   */
  constructor(litres: number, heightM: number, uaWK: number, startC: number, inletMixShare = 0) {
    this.litres = litres
    this.heightM = heightM
    this.tauS = uaWK > 0 ? (litres * KJ_PER_LITRE_K * 1000) / uaWK : Infinity
    this.largestL = litres / 6
    this.inletMixL = litres * inletMixShare
    this.vol.fill(litres / FIRST_LAYERS, 0, FIRST_LAYERS)
    this.temp.fill(startC, 0, FIRST_LAYERS)
  }

  /** Heat lost to the room since the last call, kJ. */
  takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }

  heldKj(): number {
    let sum = 0
    for (let i = 0; i < this.n; i++) sum += this.vol[i] * this.temp[i]
    return sum * KJ_PER_LITRE_K
  }

  get topC(): number {
    return this.temp[this.n - 1]
  }

  get bottomC(): number {
    return this.temp[0]
  }

  get meanC(): number {
    return this.heldKj() / (this.litres * KJ_PER_LITRE_K)
  }

  get layers(): number {
    return this.n
  }

  /** Temperature at a height, 0 (bottom) to 1 (top), °C. */
  at(share: number): number {
    const mark = share * this.litres
    let below = 0
    for (let i = 0; i < this.n; i++) {
      below += this.vol[i]
      if (below >= mark - 1e-9) return this.temp[i]
    }
    return this.topC
  }

  /** Mean temperature between two heights, °C. */
  meanBetween(fromShare: number, toShare: number): number {
    const from = fromShare * this.litres
    const to = toShare * this.litres
    let heat = 0
    let below = 0
    for (let i = 0; i < this.n && below < to; i++) {
      const inside = Math.min(to, below + this.vol[i]) - Math.max(from, below)
      if (inside > 0) heat += inside * this.temp[i]
      below += this.vol[i]
    }
    return heat / (to - from)
  }

  /** Share of the volume between two temperatures, 0 to 1. */
  shareBetween(fromC: number, toC: number): number {
    let litres = 0
    for (let i = 0; i < this.n; i++) if (this.temp[i] >= fromC && this.temp[i] <= toC) litres += this.vol[i]
    return litres / this.litres
  }

  /** Heat that brings every layer above a height to a temperature, kJ: what a heater there has still to give. */
  heatToReach(tempC: number, fromShare: number): number {
    const from = fromShare * this.litres
    let below = 0
    let heat = 0
    for (let i = 0; i < this.n; i++) {
      below += this.vol[i]
      if (below > from && this.temp[i] < tempC) heat += Math.min(this.vol[i], below - from) * (tempC - this.temp[i])
    }
    return heat * KJ_PER_LITRE_K
  }

  /** Temperatures of ten equal slices, bottom to top, °C: what a drawing of the tank shows. */
  slices(): number[] {
    return Array.from({ length: 10 }, (_, k) => this.meanBetween(k / 10, (k + 1) / 10))
  }

  /** Whole seconds until a layer now at `nowC` has cooled to `toC` by standing loss alone; Infinity if it never does. */
  secondsToCool(nowC: number, toC: number): number {
    if (nowC <= toC) return 0
    if (toC <= this.ambientC) return Infinity
    return Math.round(this.tauS * Math.log((nowC - this.ambientC) / (toC - this.ambientC)))
  }

  /** Standing loss and conduction over a time without flow, or beside it. */
  stand(dtS: number): void {
    const f = decay(dtS / this.tauS)
    let sum = 0
    for (let i = 0; i < this.n; i++) {
      const drop = (this.temp[i] - this.ambientC) * (1 - f)
      sum += this.vol[i] * drop
      this.temp[i] -= drop
    }
    this.lost += sum * KJ_PER_LITRE_K
    this.conduct(dtS)
  }

  /** Litres from the top down within a band of a temperature, K either way. */
  litresNear(tempC: number, bandK: number): number {
    let sum = 0
    for (let i = this.n - 1; i >= 0 && Math.abs(this.temp[i] - tempC) < bandK; i--) sum += this.vol[i]
    return sum
  }

  /** Litres from the top down that are colder than a temperature. */
  litresBelow(tempC: number): number {
    let sum = 0
    for (let i = this.n - 1; i >= 0 && this.temp[i] < tempC; i--) sum += this.vol[i]
    return sum
  }

  /** Adds heat between two heights, spread by volume. */
  heat(kj: number, fromShare: number, toShare: number): void {
    const from = fromShare * this.litres
    const to = toShare * this.litres
    const rise = kj / (KJ_PER_LITRE_K * (to - from))
    let below = 0
    for (let i = 0; i < this.n && below < to; i++) {
      const inside = Math.min(to, below + this.vol[i]) - Math.max(from, below)
      if (inside > 0) this.temp[i] += (rise * inside) / this.vol[i]
      below += this.vol[i]
    }
  }

  /** Takes litres off the top, in the order they leave: less than the store holds. The caller puts as many back in. */
  draw(litres: number, out: Outflow): void {
    let left = litres
    while (left > 1e-12) {
      const i = this.n - 1
      if (i === 0 && left >= this.vol[0]) throw new RangeError(`${litres} L cannot be drawn at once from ${this.litres} L`)
      const take = Math.min(left, this.vol[i])
      out.add(take, this.temp[i])
      left -= take
      if (this.vol[i] - take <= 1e-12 && this.n > 1) this.n--
      else this.vol[i] -= take
    }
  }

  /** Lets cold water in at the bottom, where it stirs the lowest litres. */
  fillBottom(litres: number, tempC: number): void {
    if (litres <= 0) return
    this.insertAt(0, litres, tempC)
    if (this.inletMixL > 0) this.stirBottom()
  }

  /** Lets water back in at a height, 0 to 1: the return of a loop. */
  fillAt(share: number, litres: number, tempC: number): void {
    if (litres <= 0) return
    let below = 0
    let i = 0
    const mark = share * this.litres
    while (i < this.n - 1 && below + this.vol[i] < mark) below += this.vol[i++]
    this.insertAt(i, litres, tempC)
  }

  /** Puts a layer in below index i; a thin one is mixed into its neighbour. */
  private insertAt(i: number, litres: number, tempC: number): void {
    const neighbour = this.vol[i] + litres
    const sliver = this.vol[i] > 0 && (neighbour < this.litres / 40 || Math.abs(this.temp[i] - tempC) < 0.3)
    if (sliver && neighbour <= this.largestL) {
      this.temp[i] += ((tempC - this.temp[i]) * litres) / neighbour
      this.vol[i] = neighbour
      return
    }
    const pieces = Math.max(1, Math.ceil(litres / this.largestL))
    for (let p = 0; p < pieces; p++) {
      if (this.n >= this.vol.length) this.mergeClosest()
      this.openAt(i)
      this.vol[i] = litres / pieces
      this.temp[i] = tempC
    }
  }

  private stirBottom(): void {
    let litres = 0
    let heat = 0
    let k = 0
    while (k < this.n && litres < this.inletMixL) {
      litres += this.vol[k]
      heat += this.vol[k] * this.temp[k]
      k++
    }
    this.temp.fill(heat / litres, 0, k)
  }

  /** Lets what is warmer than the water above it rise, and tidies the layers. To be called when a step's doings are done. */
  settle(): void {
    this.turnOver()
    while (this.n > MOST_LAYERS) this.mergeClosest()
    while (this.n < FEWEST_LAYERS) this.splitLargest()
  }

  private splitLargest(): void {
    let largest = 0
    for (let i = 1; i < this.n; i++) if (this.vol[i] > this.vol[largest]) largest = i
    this.vol[largest] /= 2
    this.openAt(largest)
    this.vol[largest] = this.vol[largest + 1]
    this.temp[largest] = this.temp[largest + 1]
  }

  /** Moves the layers from index i upwards to make room for one more. */
  private openAt(i: number): void {
    for (let j = this.n++; j > i; j--) {
      this.vol[j] = this.vol[j - 1]
      this.temp[j] = this.temp[j - 1]
    }
  }

  /** Merges the two neighbours whose union moves the least heat, of those that stay under a sixth of the store. */
  private mergeClosest(): void {
    let best = -1
    let least = Infinity
    for (let i = 0; i + 1 < this.n; i++) {
      const both = this.vol[i] + this.vol[i + 1]
      if (both > this.largestL + 1e-9) continue
      const moved = ((this.temp[i + 1] - this.temp[i]) * this.vol[i] * this.vol[i + 1]) / both
      if (Math.abs(moved) < least) {
        least = Math.abs(moved)
        best = i
      }
    }
    if (best < 0) return
    const both = this.vol[best] + this.vol[best + 1]
    this.temp[best] += ((this.temp[best + 1] - this.temp[best]) * this.vol[best + 1]) / both
    this.vol[best] = both
    this.n--
    for (let j = best + 1; j < this.n; j++) {
      this.vol[j] = this.vol[j + 1]
      this.temp[j] = this.temp[j + 1]
    }
  }

  /** Heat between neighbours, each pair by its own closed form so that thin layers stay stable. */
  private conduct(dtS: number): void {
    const crossM2 = this.litres / 1000 / this.heightM
    const metrePerLitre = this.heightM / this.litres
    for (let i = 0; i + 1 < this.n; i++) {
      const gap = this.temp[i + 1] - this.temp[i]
      if (gap < 0.05) continue
      const g = (VERTICAL_W_MK * crossM2) / (((this.vol[i] + this.vol[i + 1]) / 2) * metrePerLitre) / 1000
      const c = (KJ_PER_LITRE_K * this.vol[i] * this.vol[i + 1]) / (this.vol[i] + this.vol[i + 1])
      const kj = c * gap * (1 - decay((g * dtS) / c))
      this.temp[i] += kj / (KJ_PER_LITRE_K * this.vol[i])
      this.temp[i + 1] -= kj / (KJ_PER_LITRE_K * this.vol[i + 1])
    }
  }

  /**
   * Mixes any layer with colder ones above it until the stack is stable: pools of equal temperature, from the bottom up
   * (pool adjacent violators; each layer joins one pool and each pool is joined once).
   */
  private turnOver(): void {
    const { temp, vol, n } = this
    let first = 1
    while (first < n && temp[first] >= temp[first - 1]) first++
    if (first >= n) return
    const { poolTop, poolL, poolHeat } = this
    let pools = 0
    for (let i = 0; i < n; i++) {
      poolTop[pools] = i
      poolL[pools] = vol[i]
      poolHeat[pools] = vol[i] * temp[i]
      while (pools > 0 && poolHeat[pools] * poolL[pools - 1] < poolHeat[pools - 1] * poolL[pools]) {
        pools--
        poolTop[pools] = i
        poolL[pools] += poolL[pools + 1]
        poolHeat[pools] += poolHeat[pools + 1]
      }
      pools++
    }
    for (let p = 0, i = 0; p < pools; p++) {
      // A layer on its own keeps its temperature to the last bit.
      if (poolTop[p] === i) i++
      else for (const mixed = poolHeat[p] / poolL[p]; i <= poolTop[p]; i++) temp[i] = mixed
    }
  }
}
