import { isOn } from '../calendar/week'
import { DAY_S } from '../calendar/year'
import { emptyDays } from '../household/empty-days'
import { type Carrier, CARRIERS } from '../money/carriers'
import { cheapestPrice, priceAt } from '../money/tariff'
import { SAFETY } from '../safety/limits'
import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import type { Commanded } from '../study/controllers'
import type { LoopControl } from '../study/controls'
import { standbyOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { KJ_PER_LITRE_K } from '../water/properties'
import { LoopHygiene, StoreHygiene } from './account/hygiene'
import { Ledger } from './account/ledger'
import { controllerAhead, inWeek } from './controls/clock'
import { Levels } from './controls/levels'
import { drawsOfYear } from './draws/draws'
import type { PlantModel } from './heaters/plant-model'
import { plantOf } from './heaters/plant-of'
import { ColdLineReturn } from './loop/cold-line-return'
import { LoopDrive } from './loop/loop-drive'
import { Network } from './pipes/network'
import { Outflow } from './pipes/outflow'
import { DrainUnit } from './recovery/drain-unit'
import { Drips } from './taps/drips'
import { OpenTaps } from './taps/open-taps'
import { MOST_WORK, WorkLimit } from './work'
import { type Edge, YearCalendar } from './year-calendar'

/**
 * A household in motion. Time jumps from event to event: a draw, a plug arriving, a thermostat, a window's edge;
 * between them everything follows closed forms.
 */
export class House {
  nowS = 0
  readonly ledger = new Ledger()
  readonly network: Network
  readonly plant: PlantModel
  readonly taps: OpenTaps
  /** What bears on growth: in the store that all water passes, in the loop, and in each small store at a tap. */
  readonly hygiene: {
    store: StoreHygiene | null
    loop: LoopHygiene
    locals: { id: string; plant: PlantModel; log: StoreHygiene }[]
  }
  readonly branchLostKj: number[]
  /** Of that, what came to heated rooms in the heating season. */
  readonly branchToRoomsKj: number[]
  pumping = false
  private readonly drips: Drips
  /** A loop that comes back through the cold line; null: its return is its own, and its way always open. */
  private readonly coldLine: ColdLineReturn | null
  private readonly calendar: YearCalendar
  private readonly work: WorkLimit
  mainsC: number
  private heldAtMonthStart: number
  /** The lowest price of each month, money per kWh, of the carriers that have a price. */
  private readonly cheapest: Partial<Record<Carrier, number[]>> = {}
  private readonly supply = new Outflow()
  private readonly standbyKw: number
  private paidS = 0
  private readonly drive: LoopDrive
  /** A heat exchanger in the drain. */
  private readonly drain: DrainUnit | null
  private readonly loopControl: LoopControl
  /** A cable along the loop may heat now. */
  private tracing = false
  /** The house is being heated by an appliance that heats water too. */
  private heating = false

  /** @param mostWork after which it gives up, in the units of `MOST_WORK` */
  constructor(
    readonly study: Study,
    mostWork = MOST_WORK,
  ) {
    this.work = new WorkLimit(mostWork)
    const draws = drawsOfYear(study.people, study.site)
    this.network = new Network(study)
    this.coldLine = ColdLineReturn.of(study, this.network, this.ledger)
    this.plant = plantOf(study, this.ledger)
    this.branchLostKj = this.network.branches.map(() => 0)
    this.branchToRoomsKj = this.network.branches.map(() => 0)
    this.standbyKw = study.plant.heaters.reduce((sum, h) => sum + standbyOf(h), 0) / 1000
    const { recovery } = study.pipes
    this.drain = recovery && new DrainUnit(recovery, new Map(study.pipes.taps.map((t, i) => [t.id, i])))
    this.taps = new OpenTaps(study, this.network, draws, { drain: this.drain, coldLine: this.coldLine }, this.ledger)
    this.drips = new Drips(study.pipes.taps, this.network, this.taps.localOf)
    const served = new Set(
      study.pipes.taps
        .filter((_, tap) => this.network.paths[tap].some((i) => this.network.branches[i].onLoop))
        .map((t) => t.id),
    )
    this.drive = new LoopDrive(study, this.network, draws, (tapId) => served.has(tapId))
    for (const c of CARRIERS) {
      const tariff = study.prices.carriers[c]
      if (tariff) this.cheapest[c] = Array.from({ length: 12 }, (_, month) => cheapestPrice(tariff, month))
    }
    this.ledger.exportPrice = study.prices.carriers.electricity?.exportPerKwh ?? 0
    const controls = controlsOf(study)
    this.loopControl = controls.loop
    const empty = emptyDays(study.people)
    this.calendar = new YearCalendar(
      study,
      Object.values(controls.heaters)
        .flatMap((control) => new Levels(control, empty).changes())
        .sort((a, b) => a - b),
    )
    this.mainsC = this.calendar.mainsC(0)
    this.hygiene = {
      store: this.plant.coolestC() === null ? null : new StoreHygiene(empty),
      loop: new LoopHygiene(),
      locals: this.taps.locals
        .filter(({ local }) => local.plant.coolestC() !== null)
        .map(({ id, local }) => ({ id, plant: local.plant, log: new StoreHygiene(empty) })),
    }
    this.heldAtMonthStart = this.heldKj()
    this.startAt(0)
  }

  /** Puts a household that has not moved yet at a midnight of the year, with what the calendar and the clock say there. */
  startAt(midnightS: number): void {
    const { calendar } = this
    const day = Math.round(midnightS / DAY_S)
    this.nowS = this.paidS = midnightS
    this.plant.startAt(midnightS)
    for (const { local } of this.taps.locals) local.plant.startAt(midnightS)
    this.network.startAt(midnightS)
    this.mainsC = calendar.mainsC(day)
    this.enterMonth(calendar.monthOf(day))
    calendar.startAt(midnightS)
    this.taps.startAt(midnightS)
    this.readClock(calendar.midnightOf(day))
  }

  private heldKj(): number {
    let held = this.plant.heldKj() + this.network.heldKj()
    for (const { local } of this.taps.locals) held += local.plant.heldKj()
    return held
  }

  /**
   * Runs until a moment of the year.
   * @param longestStepS caps the steps, for a trace that is to be drawn; @param seen is called after each step
   */
  runUntil(endS: number, longestStepS = Infinity, seen?: () => void): void {
    while (this.nowS < endS - 1e-6) {
      for (let edge = this.calendar.passEdge(this.nowS); edge; edge = this.calendar.passEdge(this.nowS)) this.pass(edge)
      // What was set by hand since is taken up.
      if (this.calendar.passChanges(this.nowS)) this.readClock(this.calendar.minuteOfWeek(this.nowS))
      this.step(Math.min(endS - this.nowS, longestStepS))
      seen?.()
    }
  }

  private pass({ minuteOfWeek, day }: Edge): void {
    this.payStandby()
    if (day !== null) {
      const month = this.calendar.monthOf(day)
      if (month !== this.ledger.month) {
        this.closeMonth()
        this.enterMonth(month)
      }
      this.mainsC = this.calendar.mainsC(day)
    }
    this.readClock(minuteOfWeek)
  }

  /** Electricity of controls and of the loop's pump since it was last paid; neither they nor the price change in between. */
  private payStandby(): void {
    const seconds = this.nowS - this.paidS
    this.paidS = this.nowS
    if (this.standbyKw > 0) this.ledger.buy('electricity', this.standbyKw * seconds, 0)
    if (this.pumping) this.ledger.loopPump((this.study.pipes.loop!.pumpW / 1000) * seconds, seconds)
  }

  /** @param minuteOfWeek by the clock people live by */
  private readClock(minuteOfWeek: number): void {
    const { study, ledger } = this
    const cheapest = new Set<Carrier>()
    for (const c of CARRIERS) {
      const tariff = study.prices.carriers[c]
      if (!tariff) continue
      ledger.prices[c] = priceAt(tariff, minuteOfWeek, ledger.month)
      if (ledger.prices[c] <= this.cheapest[c]![ledger.month] + 1e-12) cheapest.add(c)
    }
    const day = Math.floor((this.nowS + 1e-6) / DAY_S)
    const minuteFor = (of: Commanded) => inWeek(minuteOfWeek + controllerAhead(study, of, day))
    const { heating } = controlsOf(study)
    this.heating =
      heating.heaterId !== null &&
      study.site.heatingMonths[ledger.month] &&
      (heating.schedule === null || isOn(heating.schedule, minuteFor(SPACE_HEATING)))
    const now = { atS: this.nowS, minuteFor, heating: this.heating, cheapest }
    this.plant.atClock(now)
    for (const { local } of this.taps.locals) local.plant.atClock(now)
    const loopMinute = minuteFor(CIRCULATION)
    this.drive.atClock(loopMinute, this.nowS)
    this.tracing = this.network.traced.length > 0 && isOn(this.loopControl.schedule, loopMinute)
    this.lookAtLoop()
  }

  private lookAtLoop(): void {
    const runs = this.drive.runs(this.nowS)
    if (runs === this.pumping) return
    this.payStandby()
    this.pumping = runs
    this.network.setPumping(runs, this.nowS)
    if (runs) this.ledger.pump.starts[this.ledger.month]++
  }

  /** Seconds until the calendar, a setting by hand, the loop's control or a draw has something to say. */
  private untilNext(): number {
    const { nowS } = this
    return Math.min(this.calendar.until(nowS), this.drive.untilLook(nowS), this.taps.untilNext(nowS))
  }

  private step(longestS: number): void {
    const { network, plant, mainsC, taps, drain } = this
    const { active } = taps
    taps.open(this.nowS, mainsC)
    let dt = Math.min(longestS, this.untilNext())

    const loopLMin = this.pumping && (this.coldLine?.valveOpen ?? true) ? this.study.pipes.loop!.pumpLMin : 0
    network.begin(loopLMin)
    const tapLMin = taps.plan(this.nowS, mainsC, plant) + this.drips.open()
    dt = Math.min(dt, taps.longestStep(this.nowS, mainsC, plant))
    const totalLMin = tapLMin + loopLMin
    if (drain) {
      drain.plan(active, tapLMin, mainsC)
      dt = Math.min(dt, drain.longestStep())
    }
    dt = Math.min(
      dt,
      plant.longestStep(tapLMin, loopLMin, loopLMin > 0 ? network.loopReturn.run.exitC(this.nowS) : NaN),
    )
    for (const { local } of taps.locals) dt = Math.min(dt, local.plant.longestStep(local.flowLMin, 0, NaN))
    if (this.coldLine) {
      if (this.pumping) dt = Math.min(dt, this.coldLine.longestStep(this.nowS, active.length > 0))
      for (const d of active) dt = Math.min(dt, this.coldLine.evenS(d.tapIndex, d.coldLMin, this.nowS))
    }
    dt = Math.max(1e-3, Math.min(dt, this.drips.longestStepS))
    this.count()

    if (totalLMin > 0 || active.length > 0 || this.drips.any) this.moveWater(tapLMin, loopLMin, dt)
    plant.advance(dt, mainsC)
    drain?.advance(dt)
    for (const { local } of taps.locals) local.plant.advance(dt, mainsC)
    if (this.tracing) this.ledger.loopCable(network.trace(this.loopControl.targetC, this.nowS, this.nowS + dt))
    if (this.heating) this.heatingLost(dt)
    this.nowS += dt
    // At an edge of the clock it is looked at with what the clock says then.
    if (this.calendar.nextEdgeS() > this.nowS + 1e-6) this.lookAtLoop()
    this.coldLine?.lookAtValve(this.nowS)
    this.lookAtHygiene(dt)
  }

  /** Day of the year, from 1. */
  private get day(): number {
    return Math.floor(this.nowS / DAY_S) + 1
  }

  /** Counts what a step costs: water moves in some branches, and each draw looks along its way. */
  private count(): void {
    const { branches } = this.network
    let stretches = 0
    for (let i = 0; i < branches.length; i++) if (branches[i].flowLMin > 0) stretches++
    this.work.step(stretches + this.taps.stretches(), this.day)
  }

  /** While hot water goes first, the appliance that heats the house does not. */
  private heatingLost(dtS: number): void {
    const { heaterId, hotWaterFirst } = controlsOf(this.study).heating
    if (hotWaterFirst && this.plant.makes(heaterId!)) this.ledger.heatingLostS[this.ledger.month] += dtS
  }

  private moveWater(tapLMin: number, loopLMin: number, dt: number): void {
    const { network, plant, ledger, mainsC } = this
    const tapLitres = (tapLMin * dt) / 60
    const moves = tapLMin + loopLMin > 0
    const feedC = this.drain ? this.drain.feedC(mainsC) : mainsC
    if (feedC > mainsC) ledger.add('recovered', tapLitres * KJ_PER_LITRE_K * (feedC - mainsC))
    // A loop that alone moves the water goes round several times in a long step.
    const pushes = tapLMin > 0 ? 1 : Math.max(1, Math.ceil((loopLMin * dt) / 60 / plant.mostAtOnceL))
    const pushS = dt / pushes
    if (pushes > 1) this.work.step(pushes * network.branches.length, this.day)
    for (let p = 0; moves && p < pushes; p++) {
      this.supply.clear()
      plant.supply(tapLitres, (loopLMin * pushS) / 60, feedC, pushS, this.supply)
      network.pass(this.supply, tapLMin + loopLMin, this.nowS + p * pushS, pushS)
      if (p + 1 < pushes) plant.refill(0, feedC, network.loopReturn.out)
    }
    this.taps.receive(this.nowS, dt, mainsC)
    this.drips.enter(ledger, mainsC)
    if (moves) plant.refill(tapLitres, feedC, loopLMin > 0 ? network.loopReturn.out : null)
    this.taps.close()
  }

  private lookAtHygiene(dt: number): void {
    const { hygiene, nowS } = this
    const { locals } = hygiene
    if (hygiene.store) lookAtStore(hygiene.store, this.plant, nowS, dt)
    for (let i = 0; i < locals.length; i++) lookAtStore(locals[i].log, locals[i].plant, nowS, dt)
    if (this.network.hasLoop) hygiene.loop.step(this.network.returnC(nowS), this.pumping, dt)
  }

  private enterMonth(month: number): void {
    this.ledger.month = month
    this.plant.setMonth(month)
    for (const { local } of this.taps.locals) local.plant.setMonth(month)
    this.network.settle(this.nowS, month, () => {})
  }

  /** Enters what pipes and plant have lost and how much heat is stored, at the end of a month or of the year. */
  closeMonth(): void {
    this.payStandby()
    const { ledger } = this
    const { site } = this.study
    const season = {
      heating: site.heatingMonths[ledger.month],
      cooling: site.cooling?.months[ledger.month] ?? false,
    }
    this.plant.settle(ledger, season)
    for (const { local } of this.taps.locals) local.plant.settle(ledger, season)
    let i = 0
    this.network.settle(this.nowS, ledger.month, (branch, kj, onLoop) => {
      ledger.add(onLoop ? 'loop' : 'deadLeg', kj)
      this.branchToRoomsKj[i] += ledger.toRooms(branch.place, kj, season)
      this.branchLostKj[i++] += kj
    })
    const held = this.heldKj()
    ledger.add('storedChange', held - this.heldAtMonthStart)
    this.heldAtMonthStart = held
  }
}

function lookAtStore(log: StoreHygiene, plant: PlantModel, atS: number, dtS: number): void {
  const { low, high } = SAFETY.tepid.value
  log.step(plant.shareBetween(low, high), plant.coolestC()!, plant.storedTopC(), atS, dtS)
}
