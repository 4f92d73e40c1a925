import { type Place, placeTemperature } from '../../core/climate/places'
import { type Material, pipeOf } from '../../core/pipes/catalogue'
import { warmUpVolumePerMetre } from '../../core/pipes/contents'
import { type Insulation, pipeLoss } from '../../core/pipes/loss'

/** Heat of a litre, kJ/K: the one figure that engine and reference share. */
export const KJ = 4.146

/** Water that moves in a second. */
export interface Parcel {
  litres: number
  c: number
}

export const heatOf = (parcels: readonly Parcel[]) => parcels.reduce((s, p) => s + p.litres * p.c, 0) * KJ

/**
 * A run as a queue of what entered it second by second. Every second each parcel loses what the film, the wall and the
 * insulation let through at its own temperature; nothing is averaged.
 */
export class FinePipe {
  readonly litres: number
  lostKj = 0
  out: Parcel[] = []
  /** Litres and temperature of each parcel, from the oldest in front. */
  private litresOf: number[]
  private cOf: number[]
  private first = 0
  private readonly lossKw: Float64Array
  private readonly airC: number

  constructor(
    run: { material: Material; size: string; lengthM: number; place: Place; insulation: Insulation | null },
    monthlyAirC: readonly number[],
    month: number,
    scale = 1,
  ) {
    const pipe = pipeOf(run.material, run.size)
    this.litres = warmUpVolumePerMetre(pipe) * run.lengthM
    this.airC = placeTemperature(run.place, month, monthlyAirC)
    // Loss of the whole run at each half degree, kW.
    this.lossKw = Float64Array.from(
      { length: 220 },
      (_, i) => (scale * pipeLoss(pipe, i / 2, this.airC, run.insulation, run.place).lossWM * run.lengthM) / 1000,
    )
    // Pipes begin at the January air of their place, as the engine's do.
    const pieces = Math.max(1, Math.ceil(run.lengthM / 0.1))
    const startC = placeTemperature(run.place, 0, monthlyAirC)
    this.litresOf = Array.from({ length: pieces }, () => this.litres / pieces)
    this.cOf = Array.from({ length: pieces }, () => startC)
  }

  /** A second at rest or in flow: everything cools, what is pushed in pushes as much out. */
  second(inflow: readonly Parcel[]): void {
    const { cOf, litresOf, lossKw } = this
    const perKw = 1 / (this.litres * KJ)
    for (let p = this.first; p < cOf.length; p++) {
      const at = Math.min(lossKw.length - 2, Math.max(0, cOf[p] * 2))
      const i = Math.floor(at)
      const kw = lossKw[i] + (lossKw[i + 1] - lossKw[i]) * (at - i)
      cOf[p] -= kw * perKw
      this.lostKj += (kw * litresOf[p]) / this.litres
    }
    this.out = []
    let coming = 0
    for (const { litres, c } of inflow) {
      if (litres <= 0) continue
      coming += litres
      litresOf.push(litres)
      cOf.push(c)
    }
    while (coming > 1e-12) {
      const take = Math.min(litresOf[this.first], coming)
      this.out.push({ litres: take, c: cOf[this.first] })
      coming -= take
      if (litresOf[this.first] - take < 1e-12) this.first++
      else litresOf[this.first] -= take
    }
    if (this.first < GONE) return
    this.litresOf = litresOf.slice(this.first)
    this.cOf = cOf.slice(this.first)
    this.first = 0
  }

  exitC(): number {
    return this.cOf[this.first]
  }

  heldKj(): number {
    let heat = 0
    for (let p = this.first; p < this.cOf.length; p++) heat += this.litresOf[p] * this.cOf[p]
    return heat * KJ
  }
}
/** Parcels that have left are cleared away when there are so many. */
const GONE = 1000
