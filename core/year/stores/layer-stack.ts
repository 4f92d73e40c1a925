import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Arriving } from '../taps/arriving'

/** Layers the store starts with, and the fewest and the most it carries. */
const FIRST_LAYERS = 12
const FEWEST_LAYERS = 10
const MOST_LAYERS = 14
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

/**
 * Layers of any thickness, coldest at the bottom: what a store is made of. It can be asked for temperatures and litres, cut,
 * joined and turned over; what happens to a store is in layered-store.ts.
 */
export class LayerStack {
  protected n = FIRST_LAYERS
  protected readonly vol = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  protected readonly temp = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  /** Something came in since no layer was warmer than the one above it. */
  private stirred = false
  /** Counts whenever layers become more, fewer, thicker or thinner. */
  protected shape = 0
  private readonly largestL: number
  private readonly poolTop = new Int32Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly poolL = new Float64Array(MOST_LAYERS + SPARE_LAYERS)
  private readonly poolHeat = new Float64Array(MOST_LAYERS + SPARE_LAYERS)

  constructor(
    readonly litres: number,
    startC: number,
  ) {
    this.largestL = litres * LARGEST_SHARE
    this.vol.fill(litres / FIRST_LAYERS, 0, FIRST_LAYERS)
    this.temp.fill(startC, 0, FIRST_LAYERS)
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
    return this.temp[this.layerAt(share)]
  }

  /** The layer at a height, 0 (bottom) to 1 (top). */
  protected layerAt(share: number): number {
    const mark = share * this.litres
    let below = 0
    for (let i = 0; i < this.n; i++) {
      below += this.vol[i]
      if (below >= mark - 1e-9) return i
    }
    return this.n - 1
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
    const { temp, vol, n } = this
    let litres = 0
    for (let i = 0; i < n && (temp[i] <= toC || this.stirred); i++)
      if (temp[i] >= fromC && temp[i] <= toC) litres += vol[i]
    return litres / this.litres
  }

  /** Heat that brings all above a height to a temperature, kJ: what a heater there has still to give, since what it heats rises. */
  heatToReach(tempC: number, fromShare: number): number {
    const from = fromShare * this.litres
    const near = SAME_MARK * this.litres
    let below = 0
    let heat = 0
    for (let i = 0; i < this.n && (this.temp[i] < tempC || this.stirred); i++) {
      const top = below + this.vol[i]
      // The same boundaries as where heat will be let in: see `cutAt`.
      const above = from <= below + near ? this.vol[i] : from < top - near ? top - from : 0
      if (above > 0 && this.temp[i] < tempC) heat += above * (tempC - this.temp[i])
      below = top
    }
    return heat * KJ_PER_LITRE_K
  }

  /** Temperatures of ten equal slices, bottom to top, °C: what a drawing of the tank shows. */
  slices(): number[] {
    return Array.from({ length: 10 }, (_, k) => this.meanBetween(k / 10, (k + 1) / 10))
  }

  /** Litres from the top down within a band of a temperature, K either way. */
  litresNear(tempC: number, restartDifferentialK: number): number {
    let sum = 0
    for (let i = this.n - 1; i >= 0 && Math.abs(this.temp[i] - tempC) < restartDifferentialK; i--) sum += this.vol[i]
    return sum
  }

  /** Shows its layers from the top down, as they would leave. */
  showTo(arriving: Arriving, secondsPerLitre: number): void {
    for (let i = this.n - 1; i >= 0; i--)
      if (!arriving.show(this.temp[i], this.temp[i], this.vol[i] * secondsPerLitre)) return
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

  /** Cuts a layer in two at a mark, L from the bottom, where no boundary lies near it; returns the index of the layer above the mark. */
  protected cutAt(mark: number): number {
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

  /** Makes the lowest layers one; the caller says what it is. */
  protected closeTo(count: number): void {
    const gone = count - 1
    if (gone === 0) return
    this.shape++
    this.n -= gone
    this.vol.copyWithin(1, count, count + this.n)
    this.temp.copyWithin(1, count, count + this.n)
  }

  /** Something was warmed or let in: layers may lie warmer than those above them. */
  protected stir(): void {
    this.stirred = true
  }

  /** Puts a layer in below index i; one that is as warm as its neighbour joins it. */
  protected insertAt(i: number, litres: number, tempC: number): void {
    this.stirred = true
    for (let k = i; k >= i - 1 && k >= 0; k--) {
      if (k >= this.n || Math.abs(this.temp[k] - tempC) >= SAME_K || this.vol[k] + litres > this.largestL) continue
      this.shape++
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
        this.shape++
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
    this.shape++
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
      const moved =
        Math.abs(((this.temp[i + 1] - this.temp[i]) * this.vol[i] * this.vol[i + 1]) / both) +
        (both > this.largestL + 1e-9 ? 1e9 : 0)
      if (moved < least) {
        least = moved
        best = i
      }
    }
    this.shape++
    const both = this.vol[best] + this.vol[best + 1]
    this.temp[best] += ((this.temp[best + 1] - this.temp[best]) * this.vol[best + 1]) / both
    this.vol[best] = both
    this.n--
    for (let j = best + 1; j < this.n; j++) {
      this.vol[j] = this.vol[j + 1]
      this.temp[j] = this.temp[j + 1]
    }
  }

  /**
   * Mixes any layer with colder ones above it until the stack is stable: pools of equal temperature, from the bottom up
   * (pool adjacent violators; each layer joins one pool and each pool is joined once).
   */
  turnOver(): void {
    if (!this.stirred) return
    this.stirred = false
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
