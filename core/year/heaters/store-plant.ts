import { airAround } from '../../household/air-around'
import { atAltitude } from '../../household/at-altitude'
import { hottestOf } from '../../household/hottest'
import { reliefOpensC } from '../../household/relief-opens'
import { mixesTo } from '../../household/supply'
import type { Controls } from '../../study/controls'
import { carrierOf, hasSetpoint, isCollector, type StoreHeaterSpec } from '../../study/heater-kinds'
import type { Site } from '../../study/site'
import type { Store } from '../../study/store'
import { sameEverywhere } from '../../units/same-everywhere'
import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger, Season } from '../account/ledger'
import type { ClockNow } from '../controls/clock'
import { Outflow } from '../pipes/outflow'
import { LayeredStore } from '../stores/layered-store'
import { heaterOf } from './heater-of'
import { LoopTee, TEE_L } from './loop-tee'
import { CYCLE_STEP_S } from './pasteurisation-cycle'
import type { HeaterStarts, PlantModel, PlantState } from './plant-model'
import { relieve } from './relief'
import type { Mover } from './sensor-drift'
import { SolarHeater } from './solar-collector'
import type { StoreHeater } from './store-heater'
import { Thermostat } from './thermostat'

/** Standing loss is entered in pieces no shorter than this while water runs, s. */
const STAND_S = 300
/** No step of taps moves more than this share of the store, so that what comes in settles in between; none of a loop more than all. */
const MOST_MOVED = { taps: 0.1, loop: 1 } as const
/** Longest step with nothing acting, s. */
const IDLE_STEP_S = 3600
/** Longest step while taps alone draw, s. */
const DRAW_STEP_S = 60
/** A heater's own figure of how long it takes may fall short by this share of what passes the first minute. */
const SHORT_BY = 0.3
const EXACT_S = 60
/** A store that no thermostat holds begins the year at this, °C. */
const UNHELD_C = 40

/** What a store stands on: the parts of a study, or a small store of its own at a tap. */
export interface StoreParts {
  store: Store
  heaters: readonly StoreHeaterSpec[]
  controls: Controls['heaters']
  site: Site
  /** What it loses, W/K: shell, flue and connections. */
  uaWK: number
  /** Days of the year on which nobody is there. */
  empty: ReadonlySet<number>
  /** A loop that comes back to it: its pump, L/min, and the height it comes in at. */
  loop: { pumpLMin: number; height: number } | null
}

/** A heater on the store, and the thermostat that holds it; null: it acts by itself, whatever the thermostats say. */
interface Station {
  heater: StoreHeater
  spec: StoreHeaterSpec
  thermostat: Thermostat | null
  open: boolean
  /** Its months, windows and prices let it heat. */
  free: boolean
}

/** A store with heaters in order of priority: of those with a thermostat one acts only while none before it is called. */
export class StorePlant implements PlantModel {
  readonly store: LayeredStore
  readonly mostAtOnceL: number
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
  /** A tap moved the store in this step. */
  private tapped = false
  /** A loop did. */
  private looped = false
  private standingS = 0
  /** Sun or fire, which no thermostat holds, gave heat in the step before. */
  private heats = false
  private nowS = 0
  private month = 0
  private readonly ledger: Ledger

  constructor(parts: StoreParts, ledger: Ledger) {
    this.parts = parts
    this.ledger = ledger
    const { store: spec, heaters, controls, site } = parts
    const held = heaters
      .filter(hasSetpoint)
      .map((h) => Math.min(controls[h.id].setpointC, hottestOf(h, controls[h.id]) ?? Infinity))
    const startC = held.length ? Math.max(...held) : UNHELD_C
    this.store = new LayeredStore(spec.litres, spec.heightM, sameEverywhere(parts.uaWK), startC, spec.inletMix)
    this.backC = startC
    // What comes back is let in at its height: above it stands what the loop takes meanwhile.
    this.mostAtOnceL = Math.max(0.1, 0.95 * (1 - (parts.loop?.height ?? 0))) * spec.litres
    this.mixesToC = mixesTo(spec)
    // A store may hold less than the tee of its mixing valve.
    if (this.mixesToC !== null) this.mostAtOnceL = Math.min(this.mostAtOnceL, TEE_L)
    this.tee = this.mixesToC !== null ? new LoopTee(Math.min(this.mixesToC, startC)) : null
    this.stations = heaters.map((heater) => {
      const sensor = ('sensorHeight' in heater ? heater.sensorHeight : null) ?? spec.sensorHeight
      return {
        heater: heaterOf(atAltitude(heater, site.altitudeM), ledger, site),
        spec: heater,
        thermostat: hasSetpoint(heater)
          ? new Thermostat(controls[heater.id], sensor, carrierOf(heater), parts.empty, startC)
          : null,
        open: true,
        free: true,
      }
    })
  }

  /** The heater with a thermostat that acts now. */
  private get acting(): Station | null {
    for (const s of this.stations) if (s.open && s.thermostat?.calling) return s
    return null
  }

  startAt(atS: number): void {
    this.nowS = atS
  }

  longestStep(tapLMin: number, loopLMin: number, backC: number): number {
    const acting = this.acting
    let longest = this.longestMove(tapLMin, loopLMin)
    for (const s of this.stations) {
      if (s !== acting && s.open) longest = Math.min(longest, s.heater.longestRest(this.nowS, this.store))
      if (s.thermostat?.cycle.active) longest = Math.min(longest, CYCLE_STEP_S)
    }
    if (acting) {
      const { setpointC } = acting.thermostat!
      const heats = acting.heater.longestStep(this.store, setpointC, this.nowS, this.takenKw(loopLMin, setpointC))
      if (tapLMin > 0) return Math.min(longest, heats)
      const byRise = acting.thermostat!.untilContent(loopLMin > 0)
      return Math.min(
        longest,
        byRise < Infinity ? Math.min(byRise, heats + SHORT_BY * Math.max(0, heats - EXACT_S)) : heats,
      )
    }
    const loop = loopLMin > 0 ? { lMin: loopLMin * this.hotShare, height: this.parts.loop?.height ?? 0, backC } : null
    for (const s of this.stations)
      if (s.open && s.thermostat) longest = Math.min(longest, s.thermostat.untilCall(this.store, tapLMin, loop))
    return longest
  }

  /** Longest step in which no more water moves through the store than it can follow at once, s. */
  private longestMove(tapLMin: number, loopLMin: number): number {
    if (tapLMin + loopLMin <= 0) return IDLE_STEP_S
    const moves = ((tapLMin > 0 ? MOST_MOVED.taps : MOST_MOVED.loop) * this.store.litres * 60) / (tapLMin + loopLMin)
    // Beside a loop the foot of the store, where the cold comes in, bears less on what is given.
    const longest = tapLMin > 0 && loopLMin <= 0 ? Math.min(moves, DRAW_STEP_S) : moves
    return tapLMin > 0 && this.tee && this.parts.loop
      ? Math.min(longest, this.tee.longestStep(this.parts.loop.pumpLMin))
      : longest
  }

  /** Heat below a setpoint that a loop takes out of the store, kW. */
  private takenKw(loopLMin: number, setpointC: number): number {
    return (
      (loopLMin / 60) * this.hotShare * KJ_PER_LITRE_K * Math.max(0, Math.min(setpointC, this.store.topC) - this.backC)
    )
  }

  evenAhead(tempC: number, restartDifferentialK: number): number {
    const { mixesToC } = this
    if (mixesToC !== null && this.store.topC > mixesToC)
      return Math.abs(mixesToC - tempC) < restartDifferentialK ? this.store.litresAbove(mixesToC) : 0
    return this.store.litresNear(tempC, restartDifferentialK)
  }

  supply(tapLitres: number, loopLitres: number, mainsC: number, _dtS: number, out: Outflow): void {
    const litres = tapLitres + loopLitres
    this.tapped = tapLitres > 0
    this.looped = loopLitres > 0
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
    const acting = this.acting
    // Half of a step's loss is from what stands there before it is heated, half from what stands there then.
    const beforeS = acting || this.heats ? dtS / 2 : dtS
    this.standingS += beforeS
    if (this.standingS >= STAND_S) {
      this.store.stand(this.standingS)
      this.standingS = 0
    }
    // What came in has found its place before anything heats it.
    this.store.turnOver()
    for (const s of this.stations) {
      if (s === acting) s.heater.heat(this.store, dtS, this.nowS)
      else if (s.open || s.thermostat) s.heater.rest(dtS, this.store, this.nowS)
    }
    this.standingS += dtS - beforeS
    this.heats = false
    for (const s of this.stations) if (!s.thermostat && s.heater.kw > 0) this.heats = true
    this.nowS += dtS
    this.store.settle()
    relieve(this.store, reliefOpensC(this.parts.store), mainsC, this.ledger)
    this.think(dtS, acting)
    this.tapped = this.looped = false
  }

  /** Lets every thermostat look at its sensor, after its cycle has. */
  private think(dtS: number, acting: Station | null): void {
    for (const s of this.stations) {
      const { thermostat } = s
      if (!thermostat) continue
      const now = this.store.at(thermostat.sensor)
      if (thermostat.cycle.follow(now, this.nowS, dtS)) this.endCycle(s, thermostat)
      if (thermostat.look(now, dtS, this.mover(s, acting))) s.heater.stop()
    }
  }

  /** What alone moved the water at a station's sensor in the step. */
  private mover(s: Station, acting: Station | null): Mover {
    if (this.tapped) return 'several'
    if (acting) return s === acting ? 'heater' : 'several'
    return this.looped ? 'loop' : 'several'
  }

  /** A cycle has ended: its heater goes back to its level, and rests where its window is shut. */
  private endCycle(s: Station, thermostat: Thermostat): void {
    thermostat.setLevel(this.nowS)
    if (this.store.at(thermostat.sensor) >= thermostat.callC) {
      thermostat.calling = false
      s.heater.stop()
    }
    if (s.open && !s.free) s.heater.stop()
    s.open = s.free
  }

  atClock(now: ClockNow): void {
    for (const s of this.stations) {
      const { thermostat } = s
      const inUse = s.spec.months[this.month]
      thermostat?.cycle.begin(now.minuteFor(s.spec.id), now.atS, inUse)
      thermostat?.setLevel(now.atS)
      s.free = inUse && (thermostat?.free(now, s.spec.id) ?? true)
      const open = s.free || (thermostat?.cycle.active ?? false)
      if (open && !s.open) thermostat?.opens(this.store)
      if (!open && s.open) s.heater.stop()
      s.open = open
    }
  }

  makes(heaterId: string): boolean {
    return this.acting?.spec.id === heaterId
  }

  pasteurisations(): { begun: number; held: number } {
    const cycles = this.stations.flatMap((s) => (s.thermostat ? [s.thermostat.cycle] : []))
    return { begun: cycles.reduce((n, c) => n + c.begun, 0), held: cycles.reduce((n, c) => n + c.held, 0) }
  }

  setMonth(month: number): void {
    this.month = month
    const air = this.parts.site.monthlyAirC
    this.store.ambientC = airAround(this.parts.store, month, air)
    for (const s of this.stations) s.heater.ambientC = airAround(s.spec, month, air)
  }

  settle(ledger: Ledger, season: Season): void {
    this.store.stand(this.standingS)
    this.standingS = 0
    const stored = this.store.takeLost()
    ledger.add('store', stored)
    ledger.toRooms(this.parts.store.place, stored, season)
    for (const s of this.stations) {
      const [lost, fromRoom] = [s.heater.takeLost(), s.heater.takeFromRoom()]
      ledger.add('primary', lost)
      // The circuit of collectors passes the loft and the roof: what it loses warms nobody.
      if (!isCollector(s.spec)) ledger.toRooms(s.spec.place, lost, season)
      ledger.fromRooms(s.spec.place, fromRoom, season)
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

  starts(): HeaterStarts[] {
    return this.stations.map(({ spec, heater }) => ({ id: spec.id, starts: heater.starts }))
  }

  collectorStagnationHours(): number {
    return this.stations.reduce(
      (sum, s) => sum + (s.heater instanceof SolarHeater ? s.heater.collectorStagnationHours : 0),
      0,
    )
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
