import { decay } from '../pipes/decay'
import type { Outflow } from '../pipes/plug-run'
import { KJ_PER_LITRE_K } from '../water/properties'

/** Layers the store starts with, and the fewest and the most it carries. */
const FIRST_LAYERS = 12
const FEWEST_LAYERS = 10
const MOST_LAYERS = 16
/** Room for layers that are put in before the stack is tidied. */
const SPARE_LAYERS = 24
/** Layers are joined only up to this share of the store, while others can be. */
const LARGEST_SHARE = 1 / 8
/** A boundary between layers this near to a mark, as a share of the store, is taken for it. */
const SAME_MARK = 1e-3
/** Neighbours this close are one temperature, K. */
const EVEN_K = 0.05
/** Water that comes in this close to what stands beside it joins it, K. */
const SAME_K = 0.2

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
    this.largestL = litres * LARGEST_SHARE
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

  /** Mean temperature between two heights, °C; what is hotter than a limit counts as that. */
  meanBetween(fromShare: number, toShare: number, limitC = Infinity): number {
    const from = fromShare * this.litres
    const to = toShare * this.litres
    let heat = 0
    let below = 0
    for (let i = 0; i < this.n && below < to; i++) {
      const inside = Math.min(to, below + this.vol[i]) - Math.max(from, below)
      if (inside > 0) heat += inside * Math.min(limitC, this.temp[i])
      below += this.vol[i]
    }
    return heat / (to - from)
  }

  /**
   * Litres whose warming takes up some heat that enters between two heights: those between them, and what stands above them
   * as soon as they are as warm.
   */
  litresHeated(fromShare: number, toShare: number, kj: number): number {
    const from = fromShare * this.litres
    const to = toShare * this.litres
    let below = 0
    let [pool, level, left, inZone, rise] = [0, 0, kj / KJ_PER_LITRE_K, 0, 0]
    for (let i = 0; i < this.n; i++) {
      const top = below + this.vol[i]
      const above = top - Math.max(from, below)
      if (above > 0) {
        if (pool > 0) {
          const needs = (this.temp[i] - level) * pool
          if (needs >= left) break
          left -= needs
          rise += (this.temp[i] - level) * inZone
        }
        level = this.temp[i]
        pool += above
        inZone += Math.max(0, Math.min(to, top) - Math.max(from, below))
      }
      below = top
    }
    rise += (left / pool) * inZone
    return rise > 0 ? (kj / KJ_PER_LITRE_K) * ((to - from) / rise) : to - from
  }

  /** Litres that can be drawn before water colder than a temperature has risen to a height; Infinity where none stands below it. */
  litresUntil(share: number, tempC: number): number {
    const mark = share * this.litres
    let below = 0
    let cold = -Infinity
    for (let i = 0; i < this.n && below < mark; i++) {
      below += this.vol[i]
      if (this.temp[i] < tempC) cold = Math.min(mark, below)
    }
    return mark - cold
  }

  /** Share of the volume between two temperatures, 0 to 1. */
  shareBetween(fromC: number, toC: number): number {
    let litres = 0
    for (let i = 0; i < this.n; i++) if (this.temp[i] >= fromC && this.temp[i] <= toC) litres += this.vol[i]
    return litres / this.litres
  }

  /** Heat that brings all above a height to a temperature, kJ: what a heater there has still to give, since what it heats rises. */
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

  /** Litres from the top down that are hotter than a temperature. */
  litresAbove(tempC: number): number {
    let sum = 0
    for (let i = this.n - 1; i >= 0 && this.temp[i] > tempC; i--) sum += this.vol[i]
    return sum
  }

  /** Litres from the top down that are colder than a temperature. */
  litresBelow(tempC: number): number {
    let sum = 0
    for (let i = this.n - 1; i >= 0 && this.temp[i] < tempC; i--) sum += this.vol[i]
    return sum
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
    this.temp.fill(level + left / pool, first, last + 1)
  }

  /** Cuts a layer in two at a mark, L from the bottom, where no boundary lies near it; returns the index of the layer above the mark. */
  private cutAt(mark: number): number {
    const near = SAME_MARK * this.litres
    let below = 0
    for (let i = 0; i < this.n; i++) {
      if (mark <= below + near) return i
      const top = below + this.vol[i]
      if (mark < top - near) {
        if (this.n >= this.vol.length) this.mergeClosest()
        this.openAt(i)
        this.vol[i] = mark - below
        this.temp[i] = this.temp[i + 1]
        this.vol[i + 1] = top - mark
        return i + 1
      }
      below = top
    }
    return this.n
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
    this.vol[0] = stirred
    this.temp[0] = after
    if (this.n === 1) this.insertAt(0, litres, rises)
    else this.insertAt(1, litres, rises)
  }

  /** Makes the lowest layers one; the caller says what it is. */
  private closeTo(count: number): void {
    const gone = count - 1
    if (gone === 0) return
    this.n -= gone
    this.vol.copyWithin(1, count, count + this.n)
    this.temp.copyWithin(1, count, count + this.n)
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
    this.temp.fill(after, first, at)
    this.insertAt(at, litres, (heat + litres * tempC - stirred * after) / litres)
  }

  /** Puts a layer in below index i; one that is as warm as its neighbour joins it. */
  private insertAt(i: number, litres: number, tempC: number): void {
    for (const k of [i, i - 1]) {
      if (k < 0 || k >= this.n || Math.abs(this.temp[k] - tempC) >= SAME_K || this.vol[k] + litres > this.largestL) continue
      this.vol[k] += litres
      this.temp[k] += ((tempC - this.temp[k]) * litres) / this.vol[k]
      return
    }
    const pieces = Math.max(1, Math.ceil(litres / this.largestL))
    for (let p = 0; p < pieces; p++) {
      if (this.n >= this.vol.length) this.mergeClosest()
      const at = Math.min(i, this.n)
      this.openAt(at)
      this.vol[at] = litres / pieces
      this.temp[at] = tempC
    }
  }

  /** Lets what is warmer than the water above it rise, and tidies the layers. To be called when a step's doings are done. */
  settle(): void {
    this.turnOver()
    if (this.n > MOST_LAYERS) this.joinEven()
    while (this.n > MOST_LAYERS) this.mergeClosest()
    while (this.n < FEWEST_LAYERS) this.splitLargest()
  }

  /** Joins neighbours that are as good as one temperature, in one go. */
  private joinEven(): void {
    const { vol, temp } = this
    let to = 0
    for (let i = 1; i < this.n; i++) {
      const both = vol[to] + vol[i]
      const left = this.n - i + to
      if (left >= FEWEST_LAYERS && temp[i] - temp[to] < EVEN_K && both <= this.largestL) {
        temp[to] += ((temp[i] - temp[to]) * vol[i]) / both
        vol[to] = both
      } else {
        to++
        vol[to] = vol[i]
        temp[to] = temp[i]
      }
    }
    this.n = to + 1
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

  /** Joins the two neighbours whose union moves the least heat, of those that stay small while there are any. */
  private mergeClosest(): void {
    let best = 0
    let least = Infinity
    for (let i = 0; i + 1 < this.n; i++) {
      const both = this.vol[i] + this.vol[i + 1]
      const moved = Math.abs(((this.temp[i + 1] - this.temp[i]) * this.vol[i] * this.vol[i + 1]) / both) + (both > this.largestL + 1e-9 ? 1e9 : 0)
      if (moved < least) {
        least = moved
        best = i
      }
    }
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
