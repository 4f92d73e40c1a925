import { heatOf, KJ, type Parcel } from './pipe'

/** Most parcels a store is made of. */
const MOST = 160
/** Colder by less than this water does not sink, K. */
const STABLE_K = 1e-9
/** Water and steel shell between layers, W/(m·K): the handbook's figure. */
const VERTICAL_W_MK = 1.2

/** A store as a stack of thin parcels, coldest at the bottom, moved and heated second by second. */
export class FineStore {
  lostKj = 0
  private stack: Parcel[]
  /** Pools while they are mixed: their first parcel, litres and heat. */
  private readonly firsts: number[] = []
  private readonly poolLitres: number[] = []
  private readonly poolHeats: number[] = []

  constructor(
    readonly litres: number,
    private readonly heightM: number,
    private readonly uaWK: number,
    startC: number,
    private readonly inletMix: number,
    private readonly airC: number,
  ) {
    this.stack = Array.from({ length: MOST / 2 }, () => ({ litres: litres / (MOST / 2), c: startC }))
  }

  topC(): number {
    return this.stack[this.stack.length - 1].c
  }

  at(share: number): number {
    let below = 0
    for (const p of this.stack) if ((below += p.litres) >= share * this.litres - 1e-9) return p.c
    return this.topC()
  }

  mean(from: number, to: number, most = Infinity): number {
    let [below, heat] = [0, 0]
    for (const p of this.stack) {
      const inside = Math.min(to * this.litres, below + p.litres) - Math.max(from * this.litres, below)
      if (inside > 0) heat += inside * Math.min(most, p.c)
      below += p.litres
    }
    return heat / ((to - from) * this.litres)
  }

  draw(litres: number): Parcel[] {
    const out: Parcel[] = []
    for (let left = litres; left > 1e-12;) {
      const top = this.stack[this.stack.length - 1]
      const take = Math.min(top.litres, left)
      out.push({ litres: take, c: top.c })
      left -= take
      if (top.litres - take < 1e-12) this.stack.pop()
      else top.litres -= take
    }
    return out
  }

  fillAt(share: number, litres: number, c: number): void {
    if (litres <= 0) return
    let [i, below] = [0, 0]
    while (i < this.stack.length && below + this.stack[i].litres / 2 < share * this.litres)
      below += this.stack[i++].litres
    this.stack.splice(i, 0, { litres, c })
  }

  fillBottom(litres: number, c: number): void {
    if (litres <= 0) return
    this.stack.unshift({ litres, c })
    const stir = this.inletMix * this.litres
    let [n, sum, heat] = [0, 0, 0]
    while (n < this.stack.length && sum + this.stack[n].litres / 2 < stir) {
      sum += this.stack[n].litres
      heat += this.stack[n].litres * this.stack[n].c
      n++
    }
    for (let i = 0; i < n; i++) this.stack[i].c = heat / sum
  }

  /** Gives heat to the coldest parcels from a height upwards, kJ. */
  heat(kj: number, from: number): void {
    if (kj <= 0) return
    this.stack.sort((a, b) => a.c - b.c)
    let below = 0
    let first = 0
    while (first < this.stack.length - 1 && below + this.stack[first].litres / 2 < from * this.litres)
      below += this.stack[first++].litres
    let [last, pool, level, left] = [first, this.stack[first].litres, this.stack[first].c, kj / KJ]
    while (last + 1 < this.stack.length && (this.stack[last + 1].c - level) * pool < left) {
      left -= (this.stack[++last].c - level) * pool
      level = this.stack[last].c
      pool += this.stack[last].litres
    }
    for (let i = first; i <= last; i++) this.stack[i].c = level + left / pool
  }

  /**
   * Gives heat along a coil in a second, layer by layer from its top down as the primary passes; returns the kJ that it gave.
   * @param flowKwK heat capacity rate of the primary, kW/K; @param uaWK of the whole coil
   */
  coil(primaryC: number, flowKwK: number, uaWK: number, bottom: number, top: number): number {
    let above = this.litres
    let [c, given] = [primaryC, 0]
    const perLitre = uaWK / 1000 / ((top - bottom) * this.litres)
    for (let i = this.stack.length - 1; i >= 0; i--) {
      const p = this.stack[i]
      const low = above - p.litres
      const inside = Math.min(above, top * this.litres) - Math.max(low, bottom * this.litres)
      above = low
      if (inside <= 0 || c <= p.c) continue
      const kj = flowKwK * (c - p.c) * (1 - Math.exp((-perLitre * inside) / flowKwK))
      c -= kj / flowKwK
      p.c += kj / (p.litres * KJ)
      given += kj
    }
    this.mixUp()
    return given
  }

  second(): void {
    for (const p of this.stack) {
      const drop = (((p.c - this.airC) * this.uaWK) / 1000 / (this.litres * KJ)) * 1
      this.lostKj += drop * p.litres * KJ
      p.c -= drop
    }
    this.mixUp()
    const crossM2 = this.litres / 1000 / this.heightM
    for (let i = 0; i + 1 < this.stack.length; i++) {
      const [a, b] = [this.stack[i], this.stack[i + 1]]
      if (b.c - a.c < 0.01) continue
      const w = (VERTICAL_W_MK * crossM2 * (b.c - a.c)) / ((((a.litres + b.litres) / 2) * this.heightM) / this.litres)
      const most = (0.4 * KJ * (b.c - a.c) * a.litres * b.litres) / (a.litres + b.litres)
      const kj = Math.min(w / 1000, most)
      a.c += kj / (KJ * a.litres)
      b.c -= kj / (KJ * b.litres)
    }
    while (this.stack.length > MOST) this.join()
  }

  /**
   * Lets colder water sink through warmer below it until the stack is stable: from the bottom up, what is colder than the pool
   * below it joins that pool, and the pool the one below as long as it is colder (pool adjacent violators).
   */
  private mixUp(): void {
    const { stack, firsts, poolLitres: litres, poolHeats: heats } = this
    let pools = 0
    for (let i = 0; i < stack.length; i++) {
      let [from, l, h] = [i, stack[i].litres, stack[i].litres * stack[i].c]
      while (pools > 0 && h / l < heats[pools - 1] / litres[pools - 1] - STABLE_K) {
        pools--
        from = firsts[pools]
        l += litres[pools]
        h += heats[pools]
      }
      firsts[pools] = from
      litres[pools] = l
      heats[pools++] = h
    }
    for (let p = 0; p < pools; p++) {
      const end = p + 1 < pools ? firsts[p + 1] : stack.length
      if (end - firsts[p] < 2) continue
      const c = heats[p] / litres[p]
      for (let k = firsts[p]; k < end; k++) stack[k].c = c
    }
  }

  private join(): void {
    let [best, least] = [0, Infinity]
    for (let i = 0; i + 1 < this.stack.length; i++) {
      const [a, b] = [this.stack[i], this.stack[i + 1]]
      const moved =
        (Math.abs(b.c - a.c) * a.litres * b.litres) / (a.litres + b.litres) +
        (a.litres + b.litres > this.litres / 40 ? 1e6 : 0)
      if (moved < least) [best, least] = [i, moved]
    }
    const [a, b] = [this.stack[best], this.stack[best + 1]]
    this.stack.splice(best, 2, {
      litres: a.litres + b.litres,
      c: (a.litres * a.c + b.litres * b.c) / (a.litres + b.litres),
    })
  }

  heldKj(): number {
    return heatOf(this.stack)
  }
}
