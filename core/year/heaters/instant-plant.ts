import { isOn } from '../../calendar/week'
import { startsASecond } from '../../heaters/burner'
import { type Efficiency, efficiencyAt } from '../../heaters/efficiency'
import { plateReturn } from '../../heaters/plate-exchanger'
import { airAround } from '../../household/air-around'
import { atAltitude } from '../../household/at-altitude'
import type { Controls } from '../../study/controls'
import { carrierOf, efficiencyOf, type HeaterOf, type InstantaneousHeater } from '../../study/heater-kinds'
import type { Loop } from '../../study/pipes'
import type { Site } from '../../study/site'
import { sameEverywhere } from '../../units/same-everywhere'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger, Season } from '../account/ledger'
import type { ClockNow } from '../controls/clock'
import { Levels } from '../controls/levels'
import { Outflow } from '../pipes/outflow'
import { PlugRun } from '../pipes/plug-run'
import { LoopTee, TEE_L } from './loop-tee'
import type { HeaterStarts, PlantModel, PlantState } from './plant-model'

/** The return of a heater whose main water itself runs through the burner's exchanger is warmer than the inlet by about this, K. */
const APPROACH_K = 10
/** A heater that rests because what comes in is warm enough looks again after this, s. */
const LOOK_S = 30
/** What it makes holds when it moved by less than this in a step, K. */
const SETTLED_K = 0.05
/** Longest step while it keeps itself hot and nothing runs, s. */
const KEPT_STEP_S = 3600
/** Longest step while water runs, s. */
const RUNNING_STEP_S = 60
/** Electricity and metered district heat arrive whole. */
const WHOLE: Efficiency = { kind: 'fixed', share: 1 }

/** What it stands on: the parts of a study. */
export interface InstantParts {
  heater: InstantaneousHeater
  controls: Pick<Controls, 'heaters' | 'heating'>
  site: Site
  /** Days of the year on which nobody is there. */
  empty: ReadonlySet<number>
  /** A loop that comes back to it. */
  loop: Pick<Loop, 'pumpLMin'> | null
}

/** Several of one heater on the same pipes as one: in turn the flow lights as many as it needs, together it lights all. */
function sideBySide(spec: InstantaneousHeater): InstantaneousHeater {
  const { units } = spec
  if (units === 1) return spec
  const together = spec.unitsShare === 'together' ? units : 1
  return {
    ...spec,
    outputKw: spec.outputKw * units,
    contentL: spec.contentL * units,
    contentUaWK: spec.contentUaWK * units,
    minActivationFlowLMin: spec.minActivationFlowLMin * together,
    ...(spec.kind === 'instant-gas' ? { minOutputKw: spec.minOutputKw * together, pilotW: spec.pilotW * units } : {}),
  }
}

/**
 * Heats water as it runs. It does not fire below its least flow, and lights only for water that comes in cooler than its
 * setpoint less its hysteresis; after starting it gives nothing for its lag; asked for more than its power it delivers
 * inlet + P/(ρcF), for less than its least fire it goes out and lights again. Its exchanger is heated along its length: it
 * holds a little water at about the mean of inlet and outlet, half of it before the heat and half behind it, which cools
 * between draws, unless keep-hot holds it at the setpoint: then it loses at all times and there is no lag.
 */
export class InstantPlant implements PlantModel {
  /** Its steps are no longer than its tee allows. */
  readonly mostAtOnceL = Infinity
  private readonly spec: InstantaneousHeater
  private readonly control: Controls['heaters'][string]
  private readonly levels: Levels
  /** What it is set to now, °C. */
  private setpointC: number
  private readonly heatsHouse: boolean
  /** It is heating the house, so that its exchanger is warm without being kept so. */
  private warm = false
  private readonly efficiency: Efficiency
  private readonly gas: HeaterOf<'instant-gas'> | null
  private readonly minOutputKw: number
  /** Heat that its water takes up between going out and lighting, kJ. */
  private readonly swingKj: number
  private readonly site: Site
  private readonly loop: InstantParts['loop']
  private readonly ledger: Ledger
  /** Its water before the heat and behind it. */
  private readonly cold: PlugRun
  private readonly exchanger: PlugRun
  private readonly entering = new Outflow()
  private readonly warmed = new Outflow()
  private readonly heated = new Outflow()
  private readonly tee: LoopTee
  private nowS = 0
  private lagS = 0
  private firing = false
  private open = true
  private kw = 0
  /** What left the burner in the last step, °C. */
  private outletC = 0
  private movedK = 0
  private startCount = 0
  private still = true
  private month = 0
  /** What came in in the last step was warm enough already. */
  private warmEnough = false
  private keptKj = 0

  constructor({ heater, controls, site, empty, loop }: InstantParts, ledger: Ledger) {
    const spec = sideBySide(atAltitude(heater, site.altitudeM))
    this.spec = spec
    this.control = controls.heaters[spec.id]
    this.levels = new Levels(this.control, empty)
    this.setpointC = this.control.setpointC
    this.heatsHouse = controls.heating.heaterId === spec.id
    this.efficiency = efficiencyOf(spec) ?? WHOLE
    this.gas = spec.kind === 'instant-gas' ? spec : null
    this.minOutputKw = this.gas?.minOutputKw ?? 0
    this.swingKj = (spec.contentL + (loop ? TEE_L : 0)) * KJ_PER_LITRE_K * this.control.differentialK
    this.site = site
    this.loop = loop
    this.ledger = ledger
    const startC = airAround(spec, 0, site.monthlyAirC)
    this.tee = new LoopTee(startC)
    const half = () => new PlugRun(spec.contentL / 2, this.control.keepHot ? 0 : spec.contentUaWK / 2, 1, startC)
    this.cold = half()
    this.exchanger = half()
  }

  startAt(atS: number): void {
    this.nowS = atS
    this.cold.startAt(atS)
    this.exchanger.startAt(atS)
  }

  longestStep(tapLMin: number, loopLMin: number): number {
    const flowLMin = tapLMin + loopLMin
    if (flowLMin <= 0) return this.control.keepHot ? KEPT_STEP_S : Infinity
    const { loop } = this
    const longest = loop ? Math.min(RUNNING_STEP_S, this.tee.longestStep(loop.pumpLMin)) : RUNNING_STEP_S
    if (!this.fires(flowLMin)) return longest
    if (this.warmEnough) return Math.min(longest, LOOK_S)
    // A heater about to start first passes its lag.
    if (!this.firing && !this.control.keepHot && !this.warm)
      return Math.min(longest, Math.max(0.5, this.spec.startDelayS))
    return this.lagS > 0 ? Math.min(longest, this.lagS) : longest
  }

  evenAhead(tempC: number, restartDifferentialK: number): number {
    const litres = this.exchanger.litresNear(tempC, restartDifferentialK, this.nowS)
    // At its full power what it makes follows from the flow that mixers ask for: it holds once the two have settled.
    const holds =
      this.firing &&
      this.lagS <= 0 &&
      this.movedK < SETTLED_K &&
      Math.abs(this.outletC - tempC) < 2 * restartDifferentialK
    return holds && litres >= this.exchanger.warmUpVolumeL - 1e-9 ? Infinity : litres
  }

  private fires(flowLMin: number): boolean {
    return this.open && flowLMin >= this.spec.minActivationFlowLMin
  }

  /** @param inletC of the water that is for the taps: the cold main, or what a store has warmed before */
  supply(tapLitres: number, loopLitres: number, inletC: number, dtS: number, out: Outflow): void {
    this.still = false
    const litres = tapLitres + loopLitres
    const inC = (tapLitres * inletC + loopLitres * this.tee.tempC) / litres
    this.entering.clear()
    this.entering.add(litres, inC)
    this.cold.pass(this.entering, 1, this.nowS, dtS, this.warmed)
    const mixedC = this.warmed.meanC
    const outletC = mixedC + this.burn(litres, mixedC, dtS)
    this.movedK = Math.abs(outletC - this.outletC)
    this.outletC = outletC
    this.heated.clear()
    this.heated.add(litres, this.outletC)
    this.exchanger.pass(this.heated, 1, this.nowS, dtS, out)
  }

  /** Fires for a step; returns the rise of the water, K. */
  private burn(litres: number, inletC: number, dtS: number): number {
    const { spec, control, setpointC } = this
    const flowLMin = (litres / dtS) * 60
    this.kw = 0
    const neededKw = ((setpointC - inletC) * litres * KJ_PER_LITRE_K) / dtS
    // Once lit it burns until what comes in is as warm as it makes; it lights again a hysteresis below.
    this.warmEnough = inletC >= setpointC - (this.firing ? 0 : control.differentialK)
    if (!this.fires(flowLMin) || this.warmEnough) {
      this.firing = false
      return 0
    }
    if (!this.firing) {
      this.firing = true
      this.lagS = control.keepHot || this.warm ? 0 : spec.startDelayS
      this.start(spec.unitsShare === 'together' ? spec.units : 1)
    }
    if (this.lagS > 0) {
      // A step may end a rounding before the lag does.
      this.lagS = this.lagS - dtS > 1e-6 ? this.lagS - dtS : 0
      return 0
    }
    this.kw = Math.min(spec.outputKw, neededKw)
    this.start(startsASecond(this.kw, this.minOutputKw, this.swingKj) * dtS)
    const heatKj = this.kw * dtS
    const riseK = heatKj / (litres * KJ_PER_LITRE_K)
    const plates = this.gas?.exchanger === 'plate' && riseK > 0
    const returnC = plates
      ? sameEverywhere(plateReturn(spec.outputKw, this.kw, inletC, inletC + riseK))
      : inletC + APPROACH_K
    this.buy(heatKj, returnC)
    return riseK
  }

  private buy(heatKj: number, returnC: number): void {
    const carrier = carrierOf(this.spec)
    this.ledger.buy(carrier, heatKj / efficiencyAt(this.efficiency, returnC, carrier), heatKj)
  }

  private start(count: number): void {
    this.startCount += count
    if (this.gas) this.ledger.buy(this.gas.carrier, count * this.gas.startLossWh * 3.6, 0)
  }

  refill(_tapLitres: number, _mainsC: number, back: Outflow | null): void {
    this.tee.take(back)
  }

  advance(dtS: number): void {
    this.nowS += dtS
    // The flame of a pilot warms the flue, not the water.
    if (this.gas && this.gas.pilotW > 0 && this.spec.months[this.month])
      this.ledger.buy(this.gas.carrier, (this.gas.pilotW / 1000) * dtS, 0)
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
    const { setpointC } = this
    // While it heats the house its exchanger is warm anyway: nothing is spent on keeping it so.
    const lost = this.warm ? 0 : (this.spec.contentUaWK / 1000) * Math.max(0, setpointC - this.exchanger.ambientC) * dtS
    const warmed = this.still ? this.exchanger.heatTo(setpointC, this.nowS) + this.cold.heatTo(setpointC, this.nowS) : 0
    this.keptKj += lost
    if (this.still) this.start(startsASecond((lost + warmed) / dtS, this.minOutputKw, this.swingKj) * dtS)
    this.buy(lost + warmed, setpointC)
  }

  atClock(now: ClockNow): void {
    const { schedule, prices } = this.control
    this.open =
      this.spec.months[this.month] &&
      (schedule === null || isOn(schedule, now.minuteFor(this.spec.id))) &&
      (prices !== 'cheapest' || now.cheapest.has(carrierOf(this.spec)))
    this.setpointC = this.levels.at(now.atS)
    this.warm = this.heatsHouse && now.heating
  }

  makes(heaterId: string): boolean {
    return this.firing && this.spec.id === heaterId
  }

  pasteurisations(): { begun: number; held: number } {
    return { begun: 0, held: 0 }
  }

  setMonth(month: number): void {
    this.month = month
    this.cold.ambientC = this.exchanger.ambientC = airAround(this.spec, month, this.site.monthlyAirC)
  }

  settle(ledger: Ledger, season: Season): void {
    this.cold.coolTo(this.nowS)
    this.exchanger.coolTo(this.nowS)
    const lost = this.cold.takeLost() + this.exchanger.takeLost() + this.keptKj
    this.keptKj = 0
    ledger.add('primary', lost)
    ledger.toRooms(this.spec.place, lost, season)
  }

  heldKj(): number {
    return this.cold.heldKj() + this.exchanger.heldKj() + (this.loop ? this.tee.heldKj() : 0)
  }

  supplyC(): number {
    return this.exchanger.exitC(this.nowS)
  }

  state(): PlantState {
    return { supplyC: this.supplyC(), slices: [], heatKw: this.kw }
  }

  starts(): HeaterStarts[] {
    return [{ id: this.spec.id, starts: this.startCount }]
  }

  collectorStagnationHours(): number {
    return 0
  }

  coolestC(): null {
    return null
  }

  storedTopC(): number {
    return this.supplyC()
  }

  shareBetween(): number {
    return 0
  }
}
