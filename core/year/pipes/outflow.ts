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
    if (last >= 0) {
      const [there, thereC] = [this.litres[last], this.tempC[last]]
      const apart = tempC - thereC
      if (apart < EVEN_K && apart > -EVEN_K) {
        const both = there + litres
        this.tempC[last] = thereC + (apart * litres) / both
        this.litres[last] = both
        return
      }
      if (this.n === this.litres.length) {
        this.litres = grown(this.litres)
        this.tempC = grown(this.tempC)
      }
    }
    this.litres[this.n] = litres
    this.tempC[this.n++] = tempC
  }
}

/** Twice as much room, with what stands in it. */
export const grown = (a: Float64Array) => {
  const b = new Float64Array(a.length * 2)
  b.set(a)
  return b
}
