import { DAYS, HOUR_S } from '../../calendar/year'
import type { Hours } from '../../climate/hours'
import { absorbed, circuitLossWK, gain, stagnation } from '../../heaters/collector'
import type { HeaterOf } from '../../study/heater-kinds'
import { decay } from '../../units/decay'
import { sameEverywhere } from '../../units/same-everywhere'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { CoilZone } from '../stores/coil-zone'
import type { LayeredStore } from '../stores/layered-store'
import { DirectHeater } from './store-heater'
import { SUN_STEP_S, SunHours } from './sun-step'

/** The pump starts when the collector is this far above the store at the coil, and stops below this rise, K. */
const ON_K = 8
const OFF_K = 3
/** The primary is about so far above what a coil of collectors feels, K. */
const ABOVE_K = 5
/** A store this close to its limit is full, K. */
const FULL_K = 0.1

/** Collectors that load the store through a coil whenever the sun is worth it. Quasi-steady: their own heat is neglected. */
export class SolarHeater extends DirectHeater {
  /** Hours in which the store was full and the collector stood in the sun. */
  collectorStagnationHours = 0
  private running = false
  private readonly carriedKwK: number
  private readonly zone: CoilZone
  private readonly coilKwK: number
  /** Height of its controller's sensor: the middle of its coil, unless it was found elsewhere. */
  private readonly sensor: number
  /** Collector's mean over the water at the coil, for each kW: half its own rise, and the drop at the coil. */
  private readonly liftKPerKw: number
  private readonly light: SunHours
  private readonly circuitKwK: number
  private lost = 0

  constructor(
    private readonly spec: HeaterOf<'solar'>,
    private readonly ledger: Ledger,
    private readonly hours: Hours,
  ) {
    super()
    this.carriedKwK = (spec.flowLMin / 60) * KJ_PER_LITRE_K
    this.zone = { bottom: spec.coil.bottom, top: spec.coil.top, ntu: spec.coil.uaWK / 1000 / this.carriedKwK }
    this.coilKwK = this.carriedKwK * (1 - decay(this.zone.ntu))
    this.sensor = spec.sensorHeight ?? (spec.coil.bottom + spec.coil.top) / 2
    this.liftKPerKw = 1000 / spec.coil.uaWK + 1 / (2 * this.carriedKwK)
    this.circuitKwK = circuitLossWK(spec.areaM2) / 1000
    this.light = new SunHours(
      Float64Array.from({ length: DAYS * 24 }, (_, h) =>
        sameEverywhere(absorbed(spec, hours.onPlane(h, spec.tiltDeg, spec.azimuthDeg))),
      ),
    )
  }

  longestStep(): number {
    return SUN_STEP_S
  }

  override longestRest(atS: number, store: LayeredStore): number {
    return this.light.longestRest(atS, this.running || this.begins(store, atS) ? SUN_STEP_S : HOUR_S)
  }

  override rest(dtS: number, store: LayeredStore, atS: number): void {
    this.give(store, dtS, atS)
  }

  /** Whether the sun of the hour is enough for it to begin, by what its sensor reads. */
  private begins(store: LayeredStore, atS: number): boolean {
    const light = this.light.at(atS)
    return (
      light > 0 && this.hours.airC[this.light.hour(atS)] + stagnation(this.spec, light) >= store.at(this.sensor) + ON_K
    )
  }

  protected give(store: LayeredStore, dtS: number, atS: number): void {
    const { spec } = this
    this.kw = 0
    const light = this.light.at(atS)
    if (light <= 0) return void (this.running = false)
    const { bottom } = spec.coil
    const coilC = store.coilC(this.zone, spec.storeLimitC)
    // Its controller reads the store at its sensor: there it begins and there it ends.
    const sensorC = store.at(this.sensor)
    const airC = this.hours.airC[this.light.hour(atS)]
    const stands = airC + stagnation(spec, light) > spec.storeLimitC + ON_K
    if (store.topC >= spec.storeLimitC - FULL_K) {
      if (stands) this.collectorStagnationHours += dtS / HOUR_S
      this.running = false
      return
    }
    if (!this.running && !this.begins(store, atS)) return
    // Heat and collector temperature depend on each other: a few rounds of Newton bring them within a watt.
    // The coil feels the store half a step ahead: it warms while it is heated.
    const { circuitKwK } = this
    const liftKPerKw = this.liftKPerKw + dtS / (2 * store.coilKjK(this.zone, ABOVE_K))
    let kw = Math.max(0, gain(spec, light, coilC - airC))
    let overAirK = 0
    for (let i = 0; i < 4; i++) {
      overAirK = coilC + kw * liftKPerKw - airC
      const slope = (((spec.a1 + 2 * spec.a2 * Math.max(0, overAirK)) * spec.areaM2) / 1000 + circuitKwK) * liftKPerKw
      kw += (gain(spec, light, overAirK) - circuitKwK * Math.max(0, overAirK) - kw) / (1 + slope)
    }
    const risen = kw / this.carriedKwK
    const leavesC = coilC + kw * this.liftKPerKw + risen / 2
    if (kw <= 0 || leavesC - sensorC < OFF_K) return void (this.running = false)
    if (!this.running) this.starts++
    this.running = true
    // None is heated past what comes in at the coil.
    const kj = Math.min(kw * dtS, store.heatToReach(Math.min(spec.storeLimitC, leavesC), bottom))
    const lostKj = circuitKwK * Math.max(0, overAirK) * (kj / kw)
    this.kw = kj / dtS
    this.ledger.buy('electricity', (spec.pumpW / 1000) * (kj / kw), 0)
    this.ledger.add('renewable', kj + lostKj)
    this.lost += lostKj
    store.heatByCoil(kj, this.zone, kj / dtS / this.coilKwK)
    // Where the store was full before the step was over, it stood for the rest of it.
    if (stands && store.topC >= spec.storeLimitC - FULL_K) this.collectorStagnationHours += (dtS - kj / kw) / HOUR_S
  }

  override takeLost(): number {
    const q = this.lost
    this.lost = 0
    return q
  }
}
