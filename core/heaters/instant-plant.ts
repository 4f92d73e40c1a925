import { placeTemperature } from '../climate/places'
import { isOn } from '../controls/week'
import { Outflow, PlugRun } from '../pipes/plug-run'
import { carrierOf, efficiencyOf, runningOf, type RunningHeater } from '../study/plant'
import { controlsOf, type Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import type { Ledger } from '../year/ledger'
import type { HeaterControl } from '../controls/controls'
import { efficiencyAt, type Efficiency } from './efficiency'
import { LoopTee } from './loop-tee'
import type { PlantModel, PlantState } from './plant-model'

/** Below its least fire the burner pulses; each pulse counts as a start, s apart. */
const PULSE_S = 30
/** The return side of the exchanger is warmer than the water coming in by about this, K: it decides condensing. */
const APPROACH_K = 10
/** What comes in warm enough is looked at again after this, s. */
const LOOK_S = 10
/** Electricity and metered district heat arrive whole. */
const WHOLE: Efficiency = { kind: 'fixed', share: 1 }

/**
 * Heats water as it runs. It does not fire below its least flow; after starting it gives nothing for its lag; asked for
 * more than its power it delivers inlet + P/(ρcF). Its exchanger holds a little water that cools between draws, unless
 * keep-hot holds it at the setpoint: then it loses at all times and there is no lag.
 */
export class InstantPlant implements PlantModel {
  private readonly spec: RunningHeater
  private readonly control: HeaterControl
  private readonly efficiency: Efficiency
  private readonly leastOutputKw: number
  private readonly purgeWh: number
  private readonly study: Study
  private readonly ledger: Ledger
  private readonly exchanger: PlugRun
  private readonly heated = new Outflow()
  private readonly tee: LoopTee
  private nowS = 0
  private lagS = 0
  private firing = false
  private open = true
  private kw = 0
  private startCount = 0
  private still = true
  private month = 0
  /** What came in in the last step was warm enough already. */
  private warmEnough = false
  private keptKj = 0

  constructor(study: Study, ledger: Ledger) {
    const spec = runningOf(study.plant.heaters)
    if (!spec) throw new RangeError('nothing here heats water as it runs')
    this.spec = spec
    this.control = controlsOf(study).heaters[spec.id]
    this.efficiency = efficiencyOf(spec) ?? WHOLE
    this.leastOutputKw = spec.kind === 'instant-gas' ? spec.leastOutputKw : 0
    this.purgeWh = spec.kind === 'instant-gas' ? spec.purgeWh : 0
    this.study = study
    this.ledger = ledger
    const startC = placeTemperature(spec.place, 0, study.site.monthlyAirC)
    this.tee = new LoopTee(startC)
    this.exchanger = new PlugRun(spec.contentL, this.control.keepHot ? 0 : spec.contentUaWK, 1, startC)
  }

  startAt(atS: number): void {
    this.nowS = atS
    this.exchanger.startAt(atS)
  }

  longestStep(flowLMin: number): number {
    if (flowLMin <= 0) return 3600
    const { loop } = this.study.pipes
    const longest = loop ? Math.min(60, this.tee.longestStep(loop.pumpLMin)) : 60
    if (!this.fires(flowLMin)) return longest
    // A heater about to start first passes its lag.
    if (this.warmEnough) return Math.min(longest, LOOK_S)
    if (!this.firing && !this.control.keepHot) return Math.min(longest, Math.max(0.5, this.spec.startLagS))
    return this.lagS > 0 ? Math.min(longest, this.lagS) : longest
  }

  private fires(flowLMin: number): boolean {
    return this.open && flowLMin >= this.spec.leastFlowLMin
  }

  /** @param inletC of the water that is for the taps: the cold main, or what a store has warmed before */
  supply(tapLitres: number, loopLitres: number, inletC: number, dtS: number, out: Outflow): void {
    this.still = false
    const litres = tapLitres + loopLitres
    const mixedC = (tapLitres * inletC + loopLitres * this.tee.tempC) / litres
    const outletC = mixedC + this.burn(litres, mixedC, dtS)
    this.heated.clear()
    this.heated.add(litres, outletC)
    this.exchanger.pass(this.heated, 1, this.nowS, dtS, out)
  }

  /** Fires for a step; returns the rise of the water, K. */
  private burn(litres: number, inletC: number, dtS: number): number {
    const { spec, control } = this
    const flowLMin = (litres / dtS) * 60
    this.kw = 0
    const neededKw = ((control.setpointC - inletC) * litres * KJ_PER_LITRE_K) / dtS
    this.warmEnough = neededKw <= 0
    if (!this.fires(flowLMin) || this.warmEnough) {
      this.firing = false
      return 0
    }
    if (!this.firing) {
      this.firing = true
      this.lagS = control.keepHot ? 0 : spec.startLagS
      this.start(1)
    }
    if (this.lagS > 1e-9) {
      this.lagS -= dtS
      return 0
    }
    this.kw = Math.min(spec.outputKw, neededKw)
    if (this.kw < this.leastOutputKw) this.start(dtS / PULSE_S)
    const heatKj = this.kw * dtS
    this.buy(heatKj, inletC + APPROACH_K)
    return heatKj / (litres * KJ_PER_LITRE_K)
  }

  private buy(heatKj: number, returnC: number): void {
    this.ledger.buy(carrierOf(this.spec), heatKj / efficiencyAt(this.efficiency, returnC), heatKj)
  }

  private start(count: number): void {
    this.startCount += count
    this.ledger.buy(carrierOf(this.spec), count * this.purgeWh * 3.6, 0)
  }

  refill(_tapLitres: number, _mainsC: number, back: Outflow | null): void {
    this.tee.take(back)
  }

  advance(dtS: number): void {
    this.nowS += dtS
    if (this.control.keepHot && this.open) this.keepHot(dtS)
    // No water moved in this step: the burner went out with the flow.
    if (this.still) {
      this.firing = false
      this.kw = 0
    }
    this.still = true
  }

  /** Makes good what the exchanger loses at its setpoint, and warms what cold water has left in it. */
  private keepHot(dtS: number): void {
    const { setpointC } = this.control
    const lost = (this.spec.contentUaWK / 1000) * Math.max(0, setpointC - this.exchanger.ambientC) * dtS
    const warmed = this.still ? this.exchanger.heatTo(setpointC) : 0
    this.keptKj += lost
    this.buy(lost + warmed, setpointC)
  }

  atMinute(minuteOfWeek: number): void {
    const { windows } = this.control
    this.open = this.spec.months[this.month] && (windows === null || isOn(windows, minuteOfWeek))
  }

  setMonth(month: number): void {
    this.month = month
    this.exchanger.ambientC = placeTemperature(this.spec.place, month, this.study.site.monthlyAirC)
  }

  settle(ledger: Ledger, heatingMonth: boolean): void {
    this.exchanger.coolTo(this.nowS)
    const lost = this.exchanger.takeLost() + this.keptKj
    this.keptKj = 0
    ledger.add('primary', lost)
    if (heatingMonth && this.spec.place === 'heated') ledger.houseHeat[ledger.month] += lost
  }

  heldKj(): number {
    return this.exchanger.heldKj() + (this.study.pipes.loop ? this.tee.heldKj() : 0)
  }

  state(): PlantState {
    return { supplyC: this.exchanger.exitC(this.nowS), slices: [], heatKw: this.kw }
  }

  starts(): number {
    return this.startCount
  }

  stagnantHours(): number {
    return 0
  }

  coolestC(): null {
    return null
  }

  shareBetween(): number {
    return 0
  }
}
