import { MINUTES_A_DAY } from '../calendar/clock'
import { isOn } from '../calendar/week'
import { DAY_S, DAYS, MONTH_OF_DAY, WEEK_MIN } from '../calendar/year'
import { emptyDays } from '../household/empty-days'
import { bypassOf } from '../household/loop'
import { type Carrier, CARRIERS } from '../money/carriers'
import { cheapestPrice, priceAt } from '../money/tariff'
import { SAFETY } from '../safety/limits'
import type { LoopControl } from '../study/controls'
import { isLocal, standbyOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { KJ_PER_LITRE_K } from '../water/properties'
import { HygieneLog } from './account/hygiene'
import { Ledger } from './account/ledger'
import { controllerAhead, inWeek } from './controls/clock'
import { Levels } from './controls/levels'
import { type Draw, drawsOfYear } from './draws/draws'
import { weeklyEdges } from './edges'
import type { PlantModel } from './heaters/plant-model'
import { plantOf } from './heaters/plant-of'
import { LoopDrive } from './loop/loop-drive'
import { Network } from './pipes/network'
import { Outflow } from './pipes/plug-run'
import { DrainUnit } from './recovery/drain-unit'
import { Drips } from './taps/drips'
import { LocalTap } from './taps/local-tap'
import { type Ahead, type DrawRecord, TapDraw, type Way } from './taps/tap-draw'
import { MOST_WORK, YearRefused } from './work'

/** What a step costs besides the stretches of pipe in it, in the units of `MOST_WORK`. */
const WORK_OF_A_STEP = 8
/** A bypass valve is looked at this often while it is open, and while it is shut, s. */
const VALVE_STEP_S = { open: 20, shut: 300 } as const
/** Cold water this much warmer than the main counts as warm, K. */
const WARM_COLD_K = 5
/** It opens again when the water there has cooled this far below where it closes, K. */
const VALVE_OPENS_K = 6

/**
 * A household in motion. Time jumps from event to event: a draw, a plug arriving, a thermostat, a window's edge;
 * between them everything follows closed forms.
 */
export class House {
  nowS = 0
  readonly ledger = new Ledger()
  readonly network: Network
  readonly plant: PlantModel
  readonly records: DrawRecord[] = []
  readonly hygiene = new HygieneLog()
  readonly branchLostKj: number[]
  readonly active: TapDraw[] = []
  pumping = false
  private readonly drips: Drips
  /** Small stores at taps, with the index of the tap. */
  readonly locals: { tap: number; local: LocalTap }[] = []
  /** The small store of each tap that has one. */
  private readonly localOf: (LocalTap | null)[]
  /** What water passes on its way to each tap, in order. */
  private readonly ways: Way[]
  /** A bypass valve between hot and cold; without one the way is always open. */
  private readonly bypass: ReturnType<typeof bypassOf>
  private valveOpen = true
  /** Taps at and behind the turn of the loop: their cold water comes by the line it comes back through. */
  private readonly behindTurn: boolean[]
  mainsC: number
  private readonly draws: Draw[]
  private nextDraw = 0
  private readonly mains: Float64Array
  private readonly edges: number[]
  private edge = 0
  private weekStartS: number
  private heldAtMonthStart: number
  /** The lowest price of each month, money per kWh, of the carriers that have a price. */
  private readonly cheapest: Partial<Record<Carrier, number[]>> = {}
  private readonly supply = new Outflow()
  private readonly arrived = new Outflow()
  private readonly standbyKw: number
  private paidS = 0
  private work = 0
  private readonly tapIndex: Map<string, number>
  private readonly drive: LoopDrive
  /** A heat exchanger in the drain. */
  private readonly drain: DrainUnit | null
  private readonly loopControl: LoopControl
  /** A cable along the loop may heat now. */
  private tracing = false
  /** The house is being heated by an appliance that heats water too. */
  private heating = false
  /** Moments at which something is set by hand, ascending, s, and the next of them. */
  private readonly changes: number[]
  private nextChange = 0

  /** @param mostWork after which it gives up, in the units of `MOST_WORK` */
  constructor(
    readonly study: Study,
    private readonly mostWork = MOST_WORK,
  ) {
    this.mains = mainsThroughYear(study.site)
    this.mainsC = this.mains[0]
    this.draws = drawsOfYear(study.people, study.site)
    this.network = new Network(study)
    this.bypass = bypassOf(study.pipes.loop)
    this.plant = plantOf(study, this.ledger)
    this.branchLostKj = this.network.branches.map(() => 0)
    this.edges = weeklyEdges(study)
    this.weekStartS = -study.site.firstWeekday * DAY_S
    this.standbyKw = study.plant.heaters.reduce((sum, h) => sum + standbyOf(h), 0) / 1000
    this.tapIndex = new Map(study.pipes.taps.map((t, i) => [t.id, i]))
    this.localOf = study.pipes.taps.map(() => null)
    for (const h of study.plant.heaters)
      if (isLocal(h)) {
        const [tap, local] = [this.tapIndex.get(h.tapId)!, new LocalTap(study, h, this.ledger)]
        this.locals.push({ tap, local })
        this.localOf[tap] = local
      }
    this.drips = new Drips(study.pipes.taps, this.network, this.localOf)
    this.ways = study.pipes.taps.map((_, tap) => this.wayTo(tap))
    const served = new Set(
      study.pipes.taps
        .filter((_, tap) => this.network.paths[tap].some((i) => this.network.branches[i].onLoop))
        .map((t) => t.id),
    )
    const turn = this.network.hasLoop ? this.network.loopReturn.from : -1
    this.behindTurn = this.network.paths.map((path) => path.includes(turn))
    this.drive = new LoopDrive(study, this.network, this.draws, (tapId) => served.has(tapId))
    for (const c of CARRIERS) {
      const tariff = study.prices.carriers[c]
      if (tariff) this.cheapest[c] = Array.from({ length: 12 }, (_, month) => cheapestPrice(tariff, month))
    }
    this.ledger.exportPrice = study.prices.carriers.electricity?.exportPerKwh ?? 0
    const { recovery } = study.pipes
    this.drain = recovery && new DrainUnit(recovery, this.tapIndex)
    const controls = controlsOf(study)
    this.loopControl = controls.loop
    const empty = emptyDays(study.people)
    this.changes = Object.values(controls.heaters)
      .flatMap((control) => new Levels(control, empty).changes())
      .sort((a, b) => a - b)
    this.heldAtMonthStart = this.heldKj()
    this.startAt(0)
  }

  /** Puts a household that has not moved yet at a midnight of the year, with what the calendar and the clock say there. */
  startAt(midnightS: number): void {
    const day = Math.round(midnightS / DAY_S)
    this.nowS = this.paidS = midnightS
    this.plant.startAt(midnightS)
    for (const { local } of this.locals) local.plant.startAt(midnightS)
    this.network.startAt(midnightS)
    this.mainsC = this.mains[day]
    this.enterMonth(MONTH_OF_DAY[day])
    while (this.nextEdgeS() < midnightS) this.stepEdge()
    while (this.nextChange < this.changes.length && this.changes[this.nextChange] <= midnightS) this.nextChange++
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS < midnightS) this.nextDraw++
    this.readClock(((this.study.site.firstWeekday + day) % 7) * MINUTES_A_DAY)
  }

  private wayTo(tap: number): Way {
    const local = this.localOf[tap]
    const runs = local && !local.fedHot ? [] : this.network.paths[tap].map((i) => this.network.branches[i])
    return local ? [...runs, local] : runs
  }

  private heldKj(): number {
    let held = this.plant.heldKj() + this.network.heldKj()
    for (const { local } of this.locals) held += local.plant.heldKj()
    return held
  }

  private nextEdgeS(): number {
    return this.weekStartS + this.edges[this.edge] * 60
  }

  private stepEdge(): void {
    if (++this.edge < this.edges.length) return
    this.edge = 0
    this.weekStartS += WEEK_MIN * 60
  }

  /**
   * Runs until a moment of the year.
   * @param longestStepS caps the steps, for a trace that is to be drawn; @param seen is called after each step
   */
  runUntil(endS: number, longestStepS = Infinity, seen?: () => void): void {
    while (this.nowS < endS - 1e-6) {
      while (this.nextEdgeS() <= this.nowS + 1e-6) this.passEdge()
      this.passChanges()
      this.step(Math.min(endS - this.nowS, longestStepS))
      seen?.()
    }
  }

  private passEdge(): void {
    this.payStandby()
    const minute = this.edges[this.edge]
    const day = Math.round((this.weekStartS + minute * 60) / DAY_S)
    if (minute % MINUTES_A_DAY === 0 && day < DAYS) {
      const month = MONTH_OF_DAY[day]
      if (month !== this.ledger.month) {
        this.closeMonth()
        this.enterMonth(month)
      }
      this.mainsC = this.mains[day]
    }
    this.readClock(minute)
    this.stepEdge()
  }

  /** Takes up what was set by hand since. */
  private passChanges(): void {
    if (!(this.changes[this.nextChange] <= this.nowS + 1e-6)) return
    while (this.changes[this.nextChange] <= this.nowS + 1e-6) this.nextChange++
    this.readClock(inWeek((this.nowS - this.weekStartS) / 60))
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
    const controller = inWeek(minuteOfWeek + controllerAhead(study, Math.floor((this.nowS + 1e-6) / DAY_S)))
    const { heating } = controlsOf(study)
    this.heating =
      heating.heaterId !== null &&
      study.site.heatingMonths[ledger.month] &&
      (heating.windows === null || isOn(heating.windows, controller))
    const now = { atS: this.nowS, minuteOfWeek: controller, heating: this.heating, cheapest }
    this.plant.atClock(now)
    for (const { local } of this.locals) local.plant.atClock(now)
    this.drive.atClock(controller, this.nowS)
    this.tracing = this.network.traced.length > 0 && isOn(this.loopControl.windows, controller)
    this.lookAtLoop()
  }

  private lookAtLoop(): void {
    const runs = this.drive.runs(this.nowS)
    if (runs === this.pumping) return
    this.payStandby()
    this.pumping = runs
    if (runs) this.ledger.pump.starts[this.ledger.month]++
  }

  /** Seconds until the calendar, a setting by hand, the loop's control or a draw has something to say. */
  private untilNext(): number {
    const { nowS } = this
    let dt = Math.min(this.nextEdgeS() - nowS, this.drive.untilLook(nowS))
    if (this.nextChange < this.changes.length) dt = Math.min(dt, this.changes[this.nextChange] - nowS)
    if (this.nextDraw < this.draws.length) dt = Math.min(dt, this.draws[this.nextDraw].startS - nowS)
    return dt
  }

  private step(longestS: number): void {
    const { network, plant, mainsC, active, drain } = this
    this.openTaps()
    let dt = Math.min(longestS, this.untilNext())

    const loopLMin = this.pumping && this.valveOpen ? this.study.pipes.loop!.pumpLMin : 0
    network.begin(loopLMin)
    const tapLMin = this.planDraws()
    for (const d of active) dt = Math.min(dt, d.limit(this.nowS, mainsC, active.length > 1, this.ahead(d)))
    const totalLMin = tapLMin + loopLMin
    if (drain) {
      drain.plan(active, tapLMin, mainsC)
      dt = Math.min(dt, drain.longestStep())
    }
    dt = Math.min(dt, plant.longestStep(tapLMin, loopLMin))
    for (const { local } of this.locals) dt = Math.min(dt, local.plant.longestStep(local.flowLMin, 0))
    if (this.pumping && this.bypass) dt = Math.min(dt, this.valveOpen ? VALVE_STEP_S.open : VALVE_STEP_S.shut)
    dt = Math.max(1e-3, Math.min(dt, this.drips.longestStepS))
    this.count()

    if (totalLMin > 0 || active.length > 0 || this.drips.any) this.moveWater(tapLMin, loopLMin, dt)
    plant.advance(dt, mainsC)
    drain?.advance(dt)
    for (const { local } of this.locals) local.plant.advance(dt, mainsC)
    if (this.tracing) this.ledger.loopCable(network.trace(this.loopControl.targetC, this.nowS, this.nowS + dt))
    if (this.heating) this.heatingLost(dt)
    this.nowS += dt
    // At an edge of the clock it is looked at with what the clock says then.
    if (this.nextEdgeS() > this.nowS + 1e-6) this.lookAtLoop()
    this.lookAtValve()
    this.lookAtHygiene(dt)
  }

  /** What every open tap asks for in the step to come; returns the hot water that the plant is to give, L/min. */
  private planDraws(): number {
    const { network, mainsC, drain } = this
    for (const { local } of this.locals) local.flowLMin = 0
    let tapLMin = 0
    for (const d of this.active) {
      d.plan(this.nowS, drain ? drain.atMixerC(d, mainsC) : mainsC)
      const local = this.localOf[d.tapIndex]
      if (local) local.flowLMin += d.hotLMin
      if (local && !local.fedHot) continue
      tapLMin += d.hotLMin
      network.openTap(d.tapIndex, d.hotLMin)
    }
    return tapLMin + this.drips.open()
  }

  /**
   * Counts what a step costs: water moves in some branches, and each draw looks along its way.
   * @throws YearRefused when the year would take more than anybody waits for
   */
  private count(): void {
    const { branches } = this.network
    let work = WORK_OF_A_STEP
    for (let i = 0; i < branches.length; i++) if (branches[i].flowLMin > 0) work++
    for (const d of this.active) work += this.ways[d.tapIndex].length
    this.work += work
    if (this.work > this.mostWork)
      throw new YearRefused(
        `a year of this household takes too long to work out: it was given up on day ${Math.floor(this.nowS / DAY_S) + 1}. It is a very small store or heater with a fast pump, very many runs, or very many draws at once that takes so long`,
      )
  }

  /** What would leave a tap now, °C. */
  atTapC(tap: number): number {
    const way = this.ways[tap]
    return way[way.length - 1].run.exitC(this.nowS)
  }

  /** What stands past the runs to a draw: the plant, or nothing past a small store that the cold main fills. */
  private ahead(draw: TapDraw): Ahead | null {
    const local = this.localOf[draw.tapIndex]
    return local && !local.fedHot ? null : this.plant
  }

  /** While hot water goes first, the appliance that heats the house does not. */
  private heatingLost(dtS: number): void {
    const { heaterId, hotWaterFirst } = controlsOf(this.study).heating
    if (hotWaterFirst && this.plant.makes(heaterId!)) this.ledger.heatingLostS[this.ledger.month] += dtS
  }

  private lookAtValve(): void {
    const { bypass } = this
    if (!bypass) return
    const here = this.network.turnC(this.nowS)
    if (this.valveOpen && here >= bypass.closesAtC) this.valveOpen = false
    else if (!this.valveOpen && here < bypass.closesAtC - VALVE_OPENS_K) this.valveOpen = true
  }

  private openTaps(): void {
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS <= this.nowS + 1e-6) {
      const draw = this.draws[this.nextDraw++]
      const index = this.tapIndex.get(draw.tapId)!
      // Cold water will do: nothing hot is drawn.
      if (draw.wantedC <= this.mainsC + 0.5) {
        const { flowLMin } = this.study.pipes.taps[index]
        if (draw.measure !== 'kj')
          this.drawCold(index, draw.measure === 'litres' ? draw.amount : (draw.amount / 60) * flowLMin)
        continue
      }
      this.active.push(
        new TapDraw(draw, this.study.pipes.taps[index], index, this.ways[index], this.nowS - this.drawnAtS(index)),
      )
    }
  }

  /** When water last moved in the last run to a tap, s; −Infinity where no run leads to it. */
  private drawnAtS(tap: number): number {
    const local = this.localOf[tap]
    if (local && !local.fedHot) return -Infinity
    const path = this.network.paths[tap]
    return this.network.branches[path[path.length - 1]].lastFlowS
  }

  private moveWater(tapLMin: number, loopLMin: number, dt: number): void {
    const { network, plant, ledger, mainsC } = this
    const tapLitres = (tapLMin * dt) / 60
    const moves = tapLMin + loopLMin > 0
    const feedC = this.drain ? this.drain.feedC(mainsC) : mainsC
    if (feedC > mainsC) ledger.add('recovered', tapLitres * KJ_PER_LITRE_K * (feedC - mainsC))
    if (moves) {
      this.supply.clear()
      plant.supply(tapLitres, (loopLMin * dt) / 60, feedC, dt, this.supply)
      network.pass(this.supply, tapLMin + loopLMin, this.nowS, dt)
    }
    for (const { tap, local } of this.locals)
      if (local.flowLMin > 0)
        local.pass((local.flowLMin * dt) / 60, local.fedHot ? this.arrivedAt(tap, local.flowLMin) : null, mainsC, dt)
    for (const d of this.active) {
      const path = network.paths[d.tapIndex]
      const last = this.localOf[d.tapIndex] ?? network.branches[path[path.length - 1]]
      d.receive(last.out, d.hotLMin / last.flowLMin, mainsC, ledger)
    }
    this.drips.enter(ledger, mainsC)
    if (moves) plant.refill(tapLitres, feedC, loopLMin > 0 ? network.loopReturn.out : null)
    for (let i = this.active.length - 1; i >= 0; i--)
      if (this.active[i].done) {
        const { record } = this.active[i]
        this.records.push(record)
        this.drawCold(record.tap, record.litres - record.hotL)
        this.active.splice(i, 1)
      }
  }

  /**
   * Cold water drawn at a tap whose cold line a loop comes back through: the warm water in it goes first. What the pump had
   * put there leaves with it and counts as lost by the loop; that it makes the mix a little warmer is left out. Of a loop
   * that never runs it is the warmth of the air that leaves.
   */
  private drawCold(tap: number, litres: number): void {
    if (!this.bypass || litres <= 0 || !this.behindTurn[tap]) return
    const { kj, warmL } = this.network.loopReturn.run.drawBack(litres, this.mainsC, WARM_COLD_K, this.nowS)
    this.ledger.add(this.network.loopInUse ? 'loop' : 'deadRun', kj)
    if (this.network.loopInUse) this.ledger.water('warmCold', warmL)
  }

  /** What arrived at a tap in the hot run that is its alone in this step. */
  private arrivedAt(tap: number, hotLMin: number): Outflow {
    const path = this.network.paths[tap]
    const last = this.network.branches[path[path.length - 1]]
    this.arrived.clear()
    for (let i = 0; i < last.out.n; i++)
      this.arrived.add((last.out.litres[i] * hotLMin) / last.flowLMin, last.out.tempC[i])
    return this.arrived
  }

  private lookAtHygiene(dt: number): void {
    const coolest = this.plant.coolestC()
    if (coolest !== null)
      this.hygiene.store(
        this.plant.shareBetween(SAFETY.tepid.value.low, SAFETY.tepid.value.high),
        coolest,
        this.plant.storedTopC(),
        dt,
      )
    if (this.network.hasLoop) this.hygiene.loop(this.network.returnC(this.nowS), this.pumping, dt)
    this.hygiene.pass(this.nowS, dt)
  }

  private enterMonth(month: number): void {
    this.ledger.month = month
    this.plant.setMonth(month)
    for (const { local } of this.locals) local.plant.setMonth(month)
    this.network.settle(this.nowS, month, () => {})
  }

  /** Enters what pipes and plant have lost and how much heat is stored, at the end of a month or of the year. */
  closeMonth(): void {
    this.payStandby()
    const { ledger } = this
    const heating = this.study.site.heatingMonths[ledger.month]
    this.plant.settle(ledger, heating)
    for (const { local } of this.locals) local.plant.settle(ledger, heating)
    let i = 0
    this.network.settle(this.nowS, ledger.month, (branch, kj, onLoop) => {
      ledger.add(onLoop ? 'loop' : 'deadRun', kj)
      if (heating && branch.place === 'heated') ledger.houseHeat[ledger.month] += kj
      this.branchLostKj[i++] += kj
    })
    const held = this.heldKj()
    ledger.add('storedChange', held - this.heldAtMonthStart)
    this.heldAtMonthStart = held
  }
}
