import { decay } from '../../units/decay'
import { KJ_PER_LITRE_K } from '../../water/properties'

/** Where a coil lies in a store, 0 bottom to 1 top, and its number of transfer units: UA over the flow's heat capacity rate. */
export interface CoilZone {
  bottom: number
  top: number
  ntu: number
}

const MOST_LAYERS = 64

/**
 * How a coil gives its heat along its length. The primary passes it from the top down: in each layer it nears that layer's
 * temperature by 1 − exp(−NTU of the layer), and what it loses the layer gains. A layer that is as warm as what passes it takes
 * nothing. Source: heat exchange with a stratified store, layer by layer; 2-physics.
 *
 * Works on layers as two arrays, volumes and temperatures, from an index on; made once and used again, so that no step
 * allocates.
 */
export class CoilShares {
  /** Share of the heat that each layer gets, from the first index on. */
  readonly share = new Float64Array(MOST_LAYERS)
  /** Of each layer: share of its difference that the primary gives up in passing, and of the primary's approach that it takes. */
  private readonly part = new Float64Array(MOST_LAYERS)
  private readonly weight = new Float64Array(MOST_LAYERS)
  private weights = 0
  /** The layers of the zone: the first, and the one past the last. */
  first = 0
  last = 0

  /** Takes up the layers that a coil lies in. To be called again when their volumes or the coil are others. */
  lie(vol: Float64Array, first: number, last: number, ntuPerL: number): void {
    const { part, weight } = this
    this.first = first
    this.last = last
    let passing = 1
    for (let i = last - 1; i >= first; i--) {
      part[i] = 1 - decay(ntuPerL * vol[i])
      weight[i] = passing * part[i]
      passing -= weight[i]
    }
    this.weights = 1 - passing
  }

  /**
   * Temperature that the coil as a whole feels, °C: each layer by what of the primary's approach it takes. What is hotter than
   * a limit counts as that.
   */
  feltC(temp: Float64Array, limitC: number): number {
    const { weight, first, last } = this
    let felt = 0
    for (let i = first; i < last; i++) felt += weight[i] * (temp[i] < limitC ? temp[i] : limitC)
    return felt / this.weights
  }

  /** Works the shares out for a primary that enters so far above what the coil feels, K. */
  work(temp: Float64Array, aboveK: number): void {
    const { share, part, first, last } = this
    let primaryC = this.feltC(temp, Infinity) + aboveK
    let sum = 0
    for (let i = last - 1; i >= first; i--) {
      const gives = Math.max(0, (primaryC - temp[i]) * part[i])
      share[i] = gives
      primaryC -= gives
      sum += gives
    }
    if (sum > 0) for (let i = first; i < last; i++) share[i] /= sum
    else {
      // Nothing there is cooler than the primary: what comes goes to the coldest.
      share.fill(0, first, last)
      share[first] = 1
    }
  }

  /**
   * Heat that warms what the coil feels by a kelvin, kJ/K, while it is shared out like this. Layers above the coil that are no
   * warmer than its top layer take part: what is warmed there mixes with them.
   */
  capacity(vol: Float64Array, temp: Float64Array, n: number): number {
    const { share, weight, first, last } = this
    let above = vol[last - 1]
    for (let i = last; i < n && temp[i] - temp[last - 1] < LEVEL_K; i++) above += vol[i]
    let rise = (weight[last - 1] * share[last - 1]) / above
    for (let i = first; i < last - 1; i++) rise += (weight[i] * share[i]) / vol[i]
    // Where the heat goes is not always what the coil feels: more than all that stands there does not take part.
    let all = 0
    for (let i = first; i < n; i++) all += vol[i]
    return (rise * all > this.weights ? this.weights / rise : all) * KJ_PER_LITRE_K
  }
}

/** Layers this close are level, K. */
const LEVEL_K = 0.1
