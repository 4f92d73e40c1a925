import { decay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Outflow } from '../pipes/plug-run'
import { LayerStack } from './layer-stack'

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
  /** Over the product of the litres of two layers: the rate at which conduction evens them out, L²/s. */
  private readonly evensL2S: number
  private lost = 0

  /**
   * @param litres contents; @param heightM height of the water; @param uaWK standing loss, W/K
   * @param inletMixShare share of the store that the entering cold water stirs, 0 to 0.3
   */
  constructor(litres: number, heightM: number, uaWK: number, startC: number, inletMixShare = 0) {
    super(litres, startC)
    this.tauS = uaWK > 0 ? (litres * KJ_PER_LITRE_K * 1000) / uaWK : Infinity
    this.inletMixL = litres * inletMixShare
    // Between the middles of layers of a and b litres W/K = conductivity × area / distance; they even out with the heat
    // capacity a·b/(a + b).
    const crossM2 = litres / 1000 / heightM
    this.evensL2S = (2 * VERTICAL_W_MK * crossM2 * litres) / (heightM * 1000 * KJ_PER_LITRE_K)
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
    this.conduct(dtS)
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

  /** Heat between neighbours, each pair by its own closed form so that thin layers stay stable. */
  private conduct(dtS: number): void {
    const { vol, temp, n } = this
    const evens = this.evensL2S * dtS
    for (let i = 0; i + 1 < n; i++) {
      const gap = temp[i + 1] - temp[i]
      if (gap < 0.05) continue
      const [below, above] = [vol[i], vol[i + 1]]
      const moved = (gap * (1 - decay(evens / (below * above)))) / (below + above)
      temp[i] += moved * above
      temp[i + 1] -= moved * below
    }
  }
}
