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
  private queue: Parcel[]
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
    this.queue = Array.from({ length: pieces }, () => ({
      litres: this.litres / pieces,
      c: placeTemperature(run.place, 0, monthlyAirC),
    }))
  }

  private lossAt(c: number): number {
    const at = Math.min(this.lossKw.length - 2, Math.max(0, c * 2))
    const i = Math.floor(at)
    return this.lossKw[i] + (this.lossKw[i + 1] - this.lossKw[i]) * (at - i)
  }

  /** A second at rest or in flow: everything cools, what is pushed in pushes as much out. */
  second(inflow: readonly Parcel[]): void {
    for (const p of this.queue) {
      const kj = (this.lossAt(p.c) * p.litres) / this.litres
      p.c -= kj / (p.litres * KJ)
      this.lostKj += kj
    }
    this.out = []
    let coming = 0
    for (const p of inflow) {
      if (p.litres <= 0) continue
      coming += p.litres
      this.queue.push({ ...p })
    }
    while (coming > 1e-12) {
      const first = this.queue[0]
      const take = Math.min(first.litres, coming)
      this.out.push({ litres: take, c: first.c })
      coming -= take
      if (first.litres - take < 1e-12) this.queue.shift()
      else first.litres -= take
    }
  }

  exitC(): number {
    return this.queue[0].c
  }

  heldKj(): number {
    return heatOf(this.queue)
  }
}
