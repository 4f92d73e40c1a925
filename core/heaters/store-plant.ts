import { placeTemperature } from '../climate/places'
import { isOn, type Week } from '../controls/week'
import type { Outflow } from '../pipes/plug-run'
import { LayeredStore } from '../stores/layered-store'
import { standingUa } from '../stores/standing-loss'
import type { Heater } from '../study/plant'
import { controlsOf, type Study } from '../study/study'
import type { Ledger } from '../year/ledger'
import { sameEverywhere } from '../year/same-everywhere'
import { BoilerCoil } from './boiler-coil'
import { ElementHeater, GasStoreBurner } from './direct-heaters'
import type { PlantModel, PlantState } from './plant-model'
import type { StoreHeater } from './store-heater'

/** Standing loss is entered in pieces no shorter than this while water runs, s. */
const STAND_S = 300
/** No step moves more than this share of the store, so that loop and cold water settle in between. */
const MOST_MOVED = 0.3
/** Longest step with nothing acting, s. */
const IDLE_STEP_S = 3600

interface Station {
  heater: StoreHeater
  spec: Heater
  setpointC: number
  callC: number
  windows: Week | null
  open: boolean
  calling: boolean
}

/** A store with heaters in order of priority: one acts only while none before it is called. */
export class StorePlant implements PlantModel {
  private readonly store: LayeredStore
  private readonly stations: Station[]
  private readonly study: Study
  private readonly returnHeight: number
  private readonly sensorHeight: number
  private standingS = 0

  constructor(study: Study, ledger: Ledger) {
    this.study = study
    const spec = study.plant.store!
    const controls = controlsOf(study)
    const startC = Math.max(...Object.values(controls.heaters).map((h) => h.setpointC))
    this.store = new LayeredStore(spec.litres, spec.heightM, sameEverywhere(standingUa(spec.loss, spec.litres)), startC, spec.inletMix)
    this.sensorHeight = spec.sensorHeight
    this.returnHeight = study.pipes.loop?.returnHeight ?? 0.5
    this.stations = study.plant.heaters.map((heater) => {
      const set = controls.heaters[heater.id]
      return {
        heater: modelOf(heater, ledger, placeTemperature(heater.place, 0, study.site.monthlyAirC)),
        spec: heater,
        setpointC: set.setpointC,
        callC: set.setpointC - set.hysteresisK,
        windows: set.windows,
        open: true,
        calling: false,
      }
    })
  }

  /** The heater that acts now. */
  private get acting(): Station | null {
    for (const s of this.stations) if (s.open && s.calling) return s
    return null
  }

  /** A store keeps no clock of its own. */
  startAt(): void {}

  longestStep(flowLMin: number): number {
    const acting = this.acting
    const flowing = flowLMin > 0 ? (MOST_MOVED * this.store.litres * 60) / flowLMin : Infinity
    if (acting) return Math.min(flowing, acting.heater.longestStep(this.store, acting.setpointC))
    if (flowLMin > 0) return flowing
    const now = this.store.at(this.sensorHeight)
    let next = -Infinity
    for (const s of this.stations) if (s.open && s.callC > next) next = s.callC
    return Math.min(IDLE_STEP_S, Math.max(30, this.store.secondsToCool(now, next) + 1))
  }

  supply(tapLitres: number, loopLitres: number, _mainsC: number, _dtS: number, out: Outflow): void {
    this.store.draw(tapLitres + loopLitres, out)
  }

  refill(tapLitres: number, mainsC: number, back: Outflow | null): void {
    if (back && back.n > 0) this.store.fillAt(this.returnHeight, back.total, back.meanC)
    this.store.fillBottom(tapLitres, mainsC)
  }

  advance(dtS: number): void {
    this.standingS += dtS
    if (this.standingS >= STAND_S) {
      this.store.stand(this.standingS)
      this.standingS = 0
    }
    const acting = this.acting
    for (const s of this.stations) {
      if (s === acting) s.heater.heat(this.store, dtS)
      else s.heater.rest(dtS, this.store)
    }
    this.store.settle()
    this.think()
  }

  /** Thermostats: call below setpoint less hysteresis, satisfied at the setpoint. */
  private think(): void {
    const now = this.store.at(this.sensorHeight)
    for (const s of this.stations) {
      if (s.calling && now >= s.setpointC) {
        s.calling = false
        s.heater.stop()
      } else if (!s.calling && now < s.callC) s.calling = true
    }
  }

  atMinute(minuteOfWeek: number): void {
    for (const s of this.stations) {
      const open = s.windows === null || isOn(s.windows, minuteOfWeek)
      // Timers ask for heat when they open: the store is brought up to its setpoint, not left at the edge of calling.
      if (open && !s.open && this.store.at(this.sensorHeight) < s.setpointC - 0.5) s.calling = true
      if (!open && s.open) s.heater.stop()
      s.open = open
    }
  }

  setMonth(month: number): void {
    const air = this.study.site.monthlyAirC
    this.store.ambientC = placeTemperature(this.study.plant.store!.place, month, air)
    for (const s of this.stations) s.heater.ambientC = placeTemperature(s.spec.place, month, air)
  }

  settle(ledger: Ledger, heatingMonth: boolean): void {
    this.store.stand(this.standingS)
    this.standingS = 0
    const stored = this.store.takeLost()
    ledger.add('store', stored)
    if (heatingMonth && this.study.plant.store!.place === 'heated') ledger.houseHeat[ledger.month] += stored
    for (const s of this.stations) {
      const lost = s.heater.takeLost()
      ledger.add('primary', lost)
      if (heatingMonth && s.spec.place === 'heated') ledger.houseHeat[ledger.month] += lost
    }
  }

  heldKj(): number {
    return this.stations.reduce((sum, s) => sum + s.heater.heldKj(), this.store.heldKj())
  }

  state(): PlantState {
    return {
      supplyC: this.store.topC,
      slices: this.store.slices(),
      heatKw: this.stations.reduce((sum, s) => sum + s.heater.kw, 0),
    }
  }

  starts(): number {
    return this.stations.reduce((sum, s) => sum + s.heater.starts, 0)
  }

  coolestC(): number {
    return this.store.bottomC
  }

  shareBetween(fromC: number, toC: number): number {
    return this.store.shareBetween(fromC, toC)
  }
}

function modelOf(spec: Heater, ledger: Ledger, startC: number): StoreHeater {
  switch (spec.kind) {
    case 'boiler-coil':
      return new BoilerCoil(spec, ledger, startC)
    case 'gas-store':
      return new GasStoreBurner(spec, ledger)
    case 'element':
      return new ElementHeater(spec, ledger)
    case 'instant-gas':
      throw new RangeError('an instantaneous heater does not heat a store')
  }
}
