import { placeTemperature } from '../climate/places'
import { isOn } from '../controls/week'
import { Outflow, PlugRun } from '../pipes/plug-run'
import type { HeaterOf } from '../study/plant'
import { controlsOf, type Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Ledger } from '../year/ledger'
import { efficiencyAt } from './efficiency'
import type { PlantModel, PlantState } from './plant-model'

/** Below its least fire the burner pulses; each pulse counts as a start, s apart. */
const PULSE_S = 30
/** The return side of the exchanger is warmer than the water coming in by about this, K: it decides condensing. */
const APPROACH_K = 10
/**
 * Water at the tee where a loop comes back to the heater, L, taken as mixed: what a step takes from it came back in the
 * steps before. It loses nothing of its own; no step moves more than it holds, so that heat goes round the loop step by step.
 */
const TEE_L = 6

/**
 * Heats water as it runs. It does not fire below its least flow; after starting it gives nothing for its lag; asked for
 * more than its power it delivers inlet + P/(ρcF). Its exchanger holds a little water that cools between draws.
 */
export class InstantPlant implements PlantModel {
  private readonly spec: HeaterOf<'instant-gas'>
  private readonly study: Study
  private readonly ledger: Ledger
  private readonly exchanger: PlugRun
  private readonly heated = new Outflow()
  private readonly setpointC: number
  private nowS = 0
  private lagS = 0
  private firing = false
  private open = true
  private kw = 0
  private startCount = 0
  /** Water at the tee of the loop, °C. */
  private teeC: number
  private still = true

  constructor(study: Study, ledger: Ledger) {
    const spec = study.plant.heaters[0]
    if (spec.kind !== 'instant-gas') throw new RangeError(`"${spec.name}" needs a store`)
    this.spec = spec
    this.study = study
    this.ledger = ledger
    this.setpointC = controlsOf(study).heaters[spec.id].setpointC
    this.teeC = placeTemperature(spec.place, 0, study.site.monthlyAirC)
    this.exchanger = new PlugRun(spec.contentL, spec.contentUaWK, 1, this.teeC)
  }

  startAt(atS: number): void {
    this.nowS = atS
    this.exchanger.startAt(atS)
  }

  longestStep(flowLMin: number): number {
    if (flowLMin <= 0) return 3600
    const { loop } = this.study.pipes
    const longest = loop ? Math.min(60, (TEE_L / loop.pumpLMin) * 60) : 60
    if (!this.fires(flowLMin)) return longest
    // A heater about to start first passes its lag.
    if (!this.firing) return Math.min(longest, Math.max(0.5, this.spec.startLagS))
    return this.lagS > 0 ? Math.min(longest, this.lagS) : longest
  }

  private fires(flowLMin: number): boolean {
    return this.open && flowLMin >= this.spec.leastFlowLMin
  }

  supply(tapLitres: number, loopLitres: number, mainsC: number, dtS: number, out: Outflow): void {
    this.still = false
    const litres = tapLitres + loopLitres
    const inletC = (tapLitres * mainsC + loopLitres * this.teeC) / litres
    const outletC = inletC + this.burn(litres, inletC, dtS)
    this.heated.clear()
    this.heated.add(litres, outletC)
    this.exchanger.pass(this.heated, 1, this.nowS, dtS, out)
  }

  /** Fires for a step; returns the rise of the water, K. */
  private burn(litres: number, inletC: number, dtS: number): number {
    const { spec, ledger } = this
    const flowLMin = (litres / dtS) * 60
    this.kw = 0
    const neededKw = ((this.setpointC - inletC) * litres * KJ_PER_LITRE_K) / dtS
    if (!this.fires(flowLMin) || neededKw <= 0) {
      this.firing = false
      return 0
    }
    if (!this.firing) {
      this.firing = true
      this.lagS = spec.startLagS
      this.start(1)
    }
    if (this.lagS > 1e-9) {
      this.lagS -= dtS
      return 0
    }
    this.kw = Math.min(spec.outputKw, neededKw)
    if (this.kw < spec.leastOutputKw) this.start(dtS / PULSE_S)
    const heatKj = this.kw * dtS
    ledger.buy(spec.carrier, heatKj / efficiencyAt(spec.efficiency, inletC + APPROACH_K), heatKj)
    return heatKj / (litres * KJ_PER_LITRE_K)
  }

  private start(count: number): void {
    this.startCount += count
    this.ledger.buy(this.spec.carrier, count * this.spec.purgeWh * 3.6, 0)
  }

  refill(_tapLitres: number, _mainsC: number, back: Outflow | null): void {
    if (back && back.n > 0) this.teeC += ((back.meanC - this.teeC) * back.total) / TEE_L
  }

  advance(dtS: number): void {
    this.nowS += dtS
    // No water moved in this step: the burner went out with the flow.
    if (this.still) {
      this.firing = false
      this.kw = 0
    }
    this.still = true
  }

  atMinute(minuteOfWeek: number): void {
    const { windows } = controlsOf(this.study).heaters[this.spec.id]
    this.open = windows === null || isOn(windows, minuteOfWeek)
  }

  setMonth(month: number): void {
    this.exchanger.ambientC = placeTemperature(this.spec.place, month, this.study.site.monthlyAirC)
  }

  settle(ledger: Ledger, heatingMonth: boolean): void {
    this.exchanger.coolTo(this.nowS)
    const lost = this.exchanger.takeLost()
    ledger.add('primary', lost)
    if (heatingMonth && this.spec.place === 'heated') ledger.houseHeat[ledger.month] += lost
  }

  heldKj(): number {
    return this.exchanger.heldKj() + (this.study.pipes.loop ? TEE_L * this.teeC * KJ_PER_LITRE_K : 0)
  }

  state(): PlantState {
    return { supplyC: this.exchanger.exitC(this.nowS), slices: [], heatKw: this.kw }
  }

  starts(): number {
    return this.startCount
  }

  coolestC(): null {
    return null
  }

  shareBetween(): number {
    return 0
  }
}
