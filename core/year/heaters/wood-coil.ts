import { circuitFlow, COIL_LIMIT_C } from '../../heaters/fire'
import type { HeaterOf } from '../../study/heater-kinds'
import { sameEverywhere } from '../../units/same-everywhere'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'
import { FireDiary } from './fire-diary'
import { DirectHeater } from './store-heater'

/** Step while it burns, s; and the pieces of it where the store or the flow may not take all that the fire makes. */
const FIRE_STEP_S = 600
const PIECE_S = 20
/** So many times what the fire makes is ample: a step need not be cut into pieces. */
const AMPLE = 1.5
/** Heat that a litre takes away as steam, kJ: warmed from about 50 °C and boiled off. */
const STEAM_KJ_L = 2470

/**
 * A coil or jacket in a fire. It gives its heat while the diary says that the fire burns, whether the store wants it or not;
 * what the flow cannot carry away below the limit leaves as steam through the relief valve.
 */
export class WoodHeater extends DirectHeater {
  private readonly diary: FireDiary
  private readonly carriedKwK: number
  private lit = false

  constructor(
    private readonly spec: Pick<
      HeaterOf<'wood-coil'>,
      'carrier' | 'waterKw' | 'efficiency' | 'firings' | 'circuit' | 'coil'
    >,
    private readonly ledger: Ledger,
    firstWeekday: number,
  ) {
    super()
    this.diary = new FireDiary(spec.firings, firstWeekday)
    this.carriedKwK = sameEverywhere((circuitFlow(spec.circuit, spec.waterKw) / 60) * KJ_PER_LITRE_K)
  }

  longestStep(_store: LayeredStore, _setpointC: number, atS: number): number {
    return this.longestRest(atS)
  }

  override longestRest(atS: number): number {
    const edge = this.diary.secondsToEdge(atS)
    return this.diary.lit(atS) ? Math.min(FIRE_STEP_S, edge) : edge
  }

  override rest(dtS: number, store: LayeredStore, atS: number): void {
    this.give(store, dtS, atS)
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const { spec, ledger } = this
    this.kw = 0
    const burning = this.diary.lit(atS)
    if (burning && !this.lit) this.starts++
    this.lit = burning
    if (!burning) return
    const made = spec.waterKw * dtS
    const carried = this.heatStore(store, dtS)
    ledger.buy(spec.carrier, made / spec.efficiency, made)
    if (spec.circuit.pump) ledger.buy('electricity', (spec.circuit.pump.watts / 1000) * dtS, 0)
    ledger.add('relief', made - carried)
    ledger.water('relief', (made - carried) / STEAM_KJ_L)
    this.kw = carried / dtS
  }

  /** Heats the store with what the fire makes and the flow carries; returns it, kJ. */
  private heatStore(store: LayeredStore, dtS: number): number {
    const { waterKw, coil } = this.spec
    const roomKj = store.heatToReach(COIL_LIMIT_C, coil.bottom)
    const pieces =
      this.carries(store) > AMPLE * waterKw && roomKj > AMPLE * waterKw * dtS ? 1 : Math.ceil(dtS / PIECE_S)
    let sum = 0
    for (let p = 0; p < pieces; p++) {
      const kj = Math.min(
        Math.min(waterKw, this.carries(store)) * (dtS / pieces),
        store.heatToReach(COIL_LIMIT_C, coil.bottom),
      )
      store.heat(kj, coil.bottom)
      sum += kj
    }
    return sum
  }

  /** What the flow carries into the water at the coil, kW. */
  private carries(store: LayeredStore): number {
    return Math.max(0, this.carriedKwK * (COIL_LIMIT_C - store.at(this.spec.coil.bottom)))
  }
}
