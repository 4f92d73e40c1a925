import { MINUTES_A_DAY } from '../../calendar/clock'
import { isOn, type Week } from '../../calendar/week'
import { airAround } from '../../household/air-around'
import { atAltitude } from '../../household/at-altitude'
import { HOT_RUN_ABOVE_K, hottestOf } from '../../household/hottest'
import { mixesTo } from '../../household/supply'
import { standingUa } from '../../stores/standing-loss'
import type { Controls, HeaterControl } from '../../study/controls'
import { carrierOf, hasSetpoint, type StoreHeaterSpec } from '../../study/heater-kinds'
import type { Store } from '../../study/plant'
import type { Site } from '../../study/site'
import { sameEverywhere } from '../../units/same-everywhere'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { ClockNow } from '../controls/clock'
import { Levels } from '../controls/levels'
import { Outflow } from '../pipes/plug-run'
import { LayeredStore } from '../stores/layered-store'
import { hoursOf } from '../weather/site-hours'
import { BoilerCoil } from './boiler-coil'
import { ElementHeater, GasStoreBurner } from './direct-heaters'
import { HeatPumpHeater } from './heat-pump'
import { LoopTee } from './loop-tee'
import type { PlantModel, PlantState } from './plant-model'
import { PvElementHeater } from './pv-element'
import { SolarHeater } from './solar-collector'
import type { StoreHeater } from './store-heater'
import { WoodHeater } from './wood-coil'

/** Standing loss is entered in pieces no shorter than this while water runs, s. */
const STAND_S = 300
/** No step of taps or of a loop moves more than this share of the store, so that what comes in settles in between. */
const MOST_MOVED = { taps: 0.1, loop: 0.35 } as const
/** Longest step with nothing acting, and while only a loop moves the store, s. */
const IDLE_STEP_S = 3600
const LOOP_STEP_S = 1200
/** A sensor beside a loop is looked at after this when something else moved the water before, and never sooner than the second, s. */
const FIRST_LOOK_S = 120
const LEAST_LOOK_S = 30
/** A fall slackens as the store cools: what is left of it takes so many times as long as at the pace of the step before. */
const FALL_SLACKENS = 1.1
/** A thermostat is content this close to its setpoint: what is left is a rounding, K. */
const CONTENT_K = 0.02
/** A hot run is followed in steps of this, s, and given up after this. */
const HOT_RUN_STEP_S = 60
const HOT_RUN_MOST_S = 8 * 3600
/** It counts as hot from this far below its temperature on, K. */
const HOT_RUN_SHORT_K = 0.5
/** A store that no thermostat holds begins the year at this, °C. */
const UNHELD_C = 40

/** What a store stands on: the parts of a study, or a small store of its own at a tap. */
export interface StoreParts {
  store: Store
  heaters: readonly StoreHeaterSpec[]
  controls: Controls['heaters']
  site: Site
  /** Days of the year on which nobody is there. */
  empty: ReadonlySet<number>
  /** A loop that comes back to it: its pump, L/min, and the height it comes in at. */
  loop: { pumpLMin: number; height: number } | null
}

interface Station {
  heater: StoreHeater
  spec: StoreHeaterSpec
  /** Null: it acts by itself, whatever the thermostats say. */
  setpointC: number | null
  callC: number
  sensor: number
  windows: Week | null
  levels: Levels | null
  control: HeaterControl | null
  /** A hot run under way: until when at most, and how long it has been hot enough, s. */
  hotRun: { untilS: number; heldS: number } | null
  open: boolean
  /** Its months, windows and prices let it heat. */
  free: boolean
  calling: boolean
  /** What its sensor showed after the last step, °C. */
  lastC: number
  /** How fast it fell when a loop alone last moved the water, K/s, and whether that was in the last step. */
  fallKS: number
  fellNow: boolean
}

/** A store with heaters in order of priority: of those with a thermostat one acts only while none before it is called. */
export class StorePlant implements PlantModel {
  readonly store: LayeredStore
  private readonly stations: Station[]
  private readonly parts: StoreParts
  /** Where a mixing valve takes a loop's water from; null where nothing mixes. */
  private readonly tee: LoopTee | null
  private readonly mixesToC: number | null
  /** Share of what leaves that came from the store in the last step; the rest was mixed in. */
  private hotShare = 1
  private readonly drawn = new Outflow()
  /** What came back from the loop last, °C. */
  private backC: number
  /** Nothing but the loop moved water in this step. */
  private loopAlone = false
  private standingS = 0
  private nowS = 0
  private month = 0
  private readonly ledger: Ledger
  private readonly hotRuns = { begun: 0, held: 0 }

  constructor(parts: StoreParts, ledger: Ledger) {
    this.parts = parts
    this.ledger = ledger
    const { store: spec, heaters, controls, site } = parts
    const held = heaters
      .filter(hasSetpoint)
      .map((h) => Math.min(controls[h.id].setpointC, hottestOf(h, controls[h.id]) ?? Infinity))
    const startC = held.length ? Math.max(...held) : UNHELD_C
    this.store = new LayeredStore(
      spec.litres,
      spec.heightM,
      sameEverywhere(standingUa(spec.loss, spec.litres)),
      startC,
      spec.inletMix,
    )
    this.backC = startC
    this.mixesToC = mixesTo(spec)
    this.tee = this.mixesToC !== null ? new LoopTee(Math.min(this.mixesToC, startC)) : null
    this.stations = heaters.map((heater) => {
      const set = hasSetpoint(heater) ? controls[heater.id] : null
      return {
        heater: modelOf(atAltitude(heater, site.altitudeM), ledger, site),
        spec: heater,
        setpointC: set && set.setpointC,
        callC: set ? set.setpointC - set.hysteresisK : -Infinity,
        sensor: ('sensorHeight' in heater ? heater.sensorHeight : null) ?? spec.sensorHeight,
        windows: set && set.windows,
        levels: set && new Levels(set, parts.empty),
        control: set,
        hotRun: null,
        open: true,
        free: true,
        calling: false,
        lastC: startC,
        fallKS: 0,
        fellNow: false,
      }
    })
  }

  /** The heater with a thermostat that acts now. */
  private get acting(): Station | null {
    for (const s of this.stations) if (s.open && s.calling) return s
    return null
  }

  startAt(atS: number): void {
    this.nowS = atS
  }

  longestStep(tapLMin: number, loopLMin: number): number {
    const acting = this.acting
    const flowLMin = tapLMin + loopLMin
    let longest =
      flowLMin > 0
        ? ((tapLMin > 0 ? MOST_MOVED.taps : MOST_MOVED.loop) * this.store.litres * 60) / flowLMin
        : IDLE_STEP_S
    if (this.tee && this.parts.loop && flowLMin > 0)
      longest = Math.min(longest, this.tee.longestStep(this.parts.loop.pumpLMin))
    for (const s of this.stations)
      if (s !== acting && s.open) longest = Math.min(longest, s.heater.longestRest(this.nowS))
    for (const s of this.stations) if (s.hotRun) longest = Math.min(longest, HOT_RUN_STEP_S)
    if (acting)
      return Math.min(
        longest,
        acting.heater.longestStep(this.store, acting.setpointC!, this.nowS, this.takenKw(loopLMin, acting.setpointC!)),
      )
    for (const s of this.stations)
      if (s.open && s.setpointC !== null) longest = Math.min(longest, this.untilCall(s, tapLMin, loopLMin))
    return longest
  }

  /** Heat below a setpoint that a loop takes out of the store, kW. */
  private takenKw(loopLMin: number, setpointC: number): number {
    return (
      (loopLMin / 60) * this.hotShare * KJ_PER_LITRE_K * Math.max(0, Math.min(setpointC, this.store.topC) - this.backC)
    )
  }

  /** Seconds until a thermostat will call: when cold water reaches its sensor, the standing loss or the loop has cooled it. */
  private untilCall(s: Station, tapLMin: number, loopLMin: number): number {
    const now = this.store.at(s.sensor)
    if (tapLMin > 0) return Math.max(1, (this.store.litresUntil(s.sensor, s.callC) / tapLMin) * 60)
    if (loopLMin > 0) {
      const seconds = s.fallKS > 0 ? (FALL_SLACKENS * (now - s.callC)) / s.fallKS + 0.1 : LOOP_STEP_S
      // Something else moved the water since it was seen to fall: half of that at first.
      return Math.min(LOOP_STEP_S, s.fellNow ? Math.max(LEAST_LOOK_S, seconds) : Math.max(FIRST_LOOK_S, seconds / 2))
    }
    return Math.max(LEAST_LOOK_S, this.store.secondsToCool(now, s.callC) + 1)
  }

  evenAhead(tempC: number, bandK: number): number {
    const { mixesToC } = this
    if (mixesToC !== null && this.store.topC > mixesToC)
      return Math.abs(mixesToC - tempC) < bandK ? this.store.litresAbove(mixesToC) : 0
    return this.store.litresNear(tempC, bandK)
  }

  supply(tapLitres: number, loopLitres: number, mainsC: number, _dtS: number, out: Outflow): void {
    const litres = tapLitres + loopLitres
    this.loopAlone = tapLitres <= 0 && !this.acting
    this.hotShare = 1
    const { mixesToC } = this
    if (!this.tee || mixesToC === null || this.store.topC <= mixesToC) return this.store.draw(litres, out)
    const coldC = (tapLitres * mainsC + loopLitres * this.tee.tempC) / litres
    this.hotShare = Math.min(1, Math.max(0.01, (mixesToC - coldC) / (this.store.topC - coldC)))
    this.drawn.clear()
    this.store.draw(litres * this.hotShare, this.drawn)
    out.add(litres, this.hotShare * this.drawn.meanC + (1 - this.hotShare) * coldC)
  }

  refill(tapLitres: number, mainsC: number, back: Outflow | null): void {
    if (back && back.n > 0) {
      const height = this.parts.loop?.height ?? 0
      this.backC = this.tee ? this.tee.tempC : back.meanC
      this.store.fillAt(height, back.total * this.hotShare, this.backC)
      this.tee?.take(back)
    }
    this.store.fillBottom(tapLitres * this.hotShare, mainsC)
  }

  advance(dtS: number, mainsC: number): void {
    this.standingS += dtS
    if (this.standingS >= STAND_S) {
      this.store.stand(this.standingS)
      this.standingS = 0
    }
    // What came in has found its place before anything heats it.
    this.store.turnOver()
    const acting = this.acting
    for (const s of this.stations) {
      if (s === acting) s.heater.heat(this.store, dtS, this.nowS)
      else if (s.open || s.setpointC !== null) s.heater.rest(dtS, this.store, this.nowS)
    }
    this.nowS += dtS
    this.store.settle()
    if (this.store.topC > this.parts.store.reliefC) this.relieve(mainsC)
    this.think(dtS)
    this.loopAlone = false
  }

  /** The relief valve lets hot water go until what is at the top is no longer too hot; cold water takes its place. */
  private relieve(mainsC: number): void {
    const { reliefC } = this.parts.store
    let litres = 0
    while (this.store.topC > reliefC && litres < this.store.litres) {
      this.drawn.clear()
      const piece = this.store.litres / 40
      this.store.draw(piece, this.drawn)
      this.ledger.add('relief', piece * KJ_PER_LITRE_K * (this.drawn.meanC - mainsC))
      this.store.fillBottom(piece, mainsC)
      litres += piece
    }
    this.ledger.water('relief', litres)
    this.store.settle()
  }

  /** Thermostats: call below setpoint less hysteresis, satisfied at the setpoint. */
  private think(dtS: number): void {
    for (const s of this.stations) {
      if (s.setpointC === null) continue
      const now = this.store.at(s.sensor)
      if (s.hotRun) this.followHotRun(s, now, dtS)
      s.fellNow = this.loopAlone && dtS > 1
      if (s.fellNow) s.fallKS = (s.lastC - now) / dtS
      s.lastC = now
      if (s.calling && now >= s.setpointC - CONTENT_K) {
        s.calling = false
        s.heater.stop()
      } else if (!s.calling && now < s.callC) s.calling = true
    }
  }

  atClock(now: ClockNow): void {
    for (const s of this.stations) {
      this.beginHotRun(s, now)
      this.setLevel(s, now.atS)
      const inWindow = s.windows === null || isOn(s.windows, now.minuteOfWeek)
      const cheap = s.control?.prices !== 'cheapest' || now.cheapest.has(carrierOf(s.spec))
      s.free = s.spec.months[this.month] && inWindow && cheap
      const open = s.free || s.hotRun !== null
      // Timers ask for heat when they open: the store is brought up to its setpoint, not left at the edge of calling.
      if (open && !s.open && s.setpointC !== null && this.store.at(s.sensor) < s.setpointC - 0.5) s.calling = true
      if (!open && s.open) s.heater.stop()
      s.open = open
    }
  }

  /** A hot run begins at its minute of the week. */
  private beginHotRun(s: Station, now: ClockNow): void {
    const run = s.control?.disinfection
    if (!run || now.minuteOfWeek !== run.weekday * MINUTES_A_DAY + run.atMin || s.hotRun || !s.spec.months[this.month])
      return
    s.hotRun = { untilS: now.atS + HOT_RUN_MOST_S, heldS: 0 }
    this.hotRuns.begun++
  }

  /** Counts how long a hot run has held its temperature; it ends when that was long enough, or when it cannot. */
  private followHotRun(s: Station, nowC: number, dtS: number): void {
    const { toC, holdMin } = s.control!.disinfection!
    const run = s.hotRun!
    run.heldS = nowC >= toC - HOT_RUN_SHORT_K ? run.heldS + dtS : 0
    const held = run.heldS >= holdMin * 60
    if (!held && this.nowS < run.untilS) return
    if (held) this.hotRuns.held++
    s.hotRun = null
    this.setLevel(s, this.nowS)
    if (nowC >= s.callC) {
      s.calling = false
      s.heater.stop()
    }
    // Its window may be shut.
    if (s.open && !s.free) s.heater.stop()
    s.open = s.free
  }

  private setLevel(s: Station, atS: number): void {
    if (!s.levels || !s.control) return
    const { hysteresisK, disinfection } = s.control
    const levelC = s.levels.at(atS)
    if (s.hotRun && disinfection && disinfection.toC > levelC - hysteresisK) {
      // It calls as soon as it is below what has to be held.
      s.setpointC = disinfection.toC + Math.min(hysteresisK, HOT_RUN_ABOVE_K)
      s.callC = disinfection.toC
    } else {
      s.setpointC = levelC
      s.callC = levelC - hysteresisK
    }
  }

  makes(heaterId: string): boolean {
    return this.acting?.spec.id === heaterId
  }

  disinfections(): { begun: number; held: number } {
    return this.hotRuns
  }

  setMonth(month: number): void {
    this.month = month
    const air = this.parts.site.monthlyAirC
    this.store.ambientC = airAround(this.parts.store, month, air)
    for (const s of this.stations) s.heater.ambientC = airAround(s.spec, month, air)
  }

  settle(ledger: Ledger, heatingMonth: boolean): void {
    this.store.stand(this.standingS)
    this.standingS = 0
    const stored = this.store.takeLost()
    ledger.add('store', stored)
    if (heatingMonth && this.parts.store.place === 'heated') ledger.houseHeat[ledger.month] += stored
    for (const s of this.stations) {
      const [lost, fromRoom] = [s.heater.takeLost(), s.heater.takeFromRoom()]
      ledger.add('primary', lost)
      // The circuit of collectors passes the loft and the roof: what it loses warms nobody.
      if (!heatingMonth || s.spec.place !== 'heated') continue
      if (s.spec.kind !== 'solar') ledger.houseHeat[ledger.month] += lost
      ledger.roomHeat[ledger.month] += fromRoom
    }
  }

  heldKj(): number {
    // Without a loop nothing has passed the tee.
    const tee = this.tee && this.parts.loop ? this.tee.heldKj() : 0
    return this.stations.reduce((sum, s) => sum + s.heater.heldKj(), this.store.heldKj() + tee)
  }

  supplyC(): number {
    return Math.min(this.store.topC, this.mixesToC ?? Infinity)
  }

  state(): PlantState {
    return {
      supplyC: this.supplyC(),
      slices: this.store.slices(),
      heatKw: this.stations.reduce((sum, s) => sum + s.heater.kw, 0),
    }
  }

  starts(): number {
    return this.stations.reduce((sum, s) => sum + s.heater.starts, 0)
  }

  stagnantHours(): number {
    return this.stations.reduce((sum, s) => sum + (s.heater instanceof SolarHeater ? s.heater.stagnantHours : 0), 0)
  }

  coolestC(): number {
    return this.store.bottomC
  }

  storedTopC(): number {
    return this.store.topC
  }

  shareBetween(fromC: number, toC: number): number {
    return this.store.shareBetween(fromC, toC)
  }
}

function modelOf(spec: StoreHeaterSpec, ledger: Ledger, site: Site): StoreHeater {
  switch (spec.kind) {
    case 'boiler-coil':
      return new BoilerCoil(spec, ledger, airAround(spec, 0, site.monthlyAirC))
    case 'gas-store':
      return new GasStoreBurner(spec, ledger)
    case 'element':
      return new ElementHeater(spec, ledger)
    case 'heat-pump':
      return new HeatPumpHeater(spec, ledger, hoursOf(site))
    case 'solar':
      return new SolarHeater(spec, ledger, hoursOf(site))
    case 'pv-element':
      return new PvElementHeater(spec, ledger, hoursOf(site))
    case 'wood-coil':
      return new WoodHeater(spec, ledger, site.firstWeekday)
  }
}
