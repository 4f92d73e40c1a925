import { DAYS, DAY_S, MONTH_OF_DAY, WEEK_MIN } from '../climate/calendar'
import { isOn } from '../controls/week'
import { InstantPlant } from '../heaters/instant-plant'
import type { PlantModel } from '../heaters/plant-model'
import { StorePlant } from '../heaters/store-plant'
import { CARRIERS } from '../money/carriers'
import { priceAt } from '../money/prices'
import { drawsOfYear, type Draw } from '../people/draws'
import { Network } from '../pipes/network'
import { Outflow } from '../pipes/plug-run'
import { TEPID_C } from '../safety/legionella'
import { standbyOf } from '../study/plant'
import { controlsOf, type Study } from '../study/study'
import { TapDraw, type DrawRecord } from '../taps/tap-draw'
import { mainsThroughYear } from '../water/mains'
import { weeklyEdges } from './edges'
import { HygieneLog } from './hygiene'
import { Ledger } from './ledger'

/** Longest step while only the loop's pump moves water, s. */
const LOOP_STEP_S = 900
/** Hygiene is looked at no more often than this, s. */
const HYGIENE_STEP_S = 600

/**
 * A household in motion. Time jumps from event to event: a draw, a plug arriving, a thermostat, a window's edge;
 * between them everything follows closed forms.
 */
export class Household {
  nowS = 0
  readonly ledger = new Ledger()
  readonly network: Network
  readonly plant: PlantModel
  readonly records: DrawRecord[] = []
  readonly hygiene = new HygieneLog()
  readonly branchLostKj: number[]
  readonly active: TapDraw[] = []
  pumping = false
  mainsC: number
  private readonly draws: Draw[]
  private nextDraw = 0
  private readonly mains: Float64Array
  private readonly edges: number[]
  private edge = 0
  private weekStartS: number
  private heldAtMonthStart: number
  private readonly supply = new Outflow()
  private hygieneDueS = HYGIENE_STEP_S
  private hygieneFromS = 0
  private readonly standbyKw: number
  private paidS = 0
  private readonly tapIndex: Map<string, number>

  constructor(readonly study: Study) {
    this.mains = mainsThroughYear(study.site.mains, study.site.monthlyAirC)
    this.mainsC = this.mains[0]
    this.draws = drawsOfYear(study.people, study.site.firstWeekday)
    this.network = new Network(study)
    this.plant = study.plant.store ? new StorePlant(study, this.ledger) : new InstantPlant(study, this.ledger)
    this.branchLostKj = this.network.branches.map(() => 0)
    this.edges = weeklyEdges(study)
    this.weekStartS = -study.site.firstWeekday * DAY_S
    this.standbyKw = study.plant.heaters.reduce((sum, h) => sum + standbyOf(h), 0) / 1000
    this.tapIndex = new Map(study.pipes.taps.map((t, i) => [t.id, i]))
    this.heldAtMonthStart = this.heldKj()
    this.startAt(0)
  }

  /** Puts a household that has not moved yet at a midnight of the year, with what the calendar and the clock say there. */
  startAt(midnightS: number): void {
    const day = Math.round(midnightS / DAY_S)
    this.nowS = this.paidS = this.hygieneFromS = midnightS
    this.plant.startAt(midnightS)
    this.network.startAt(midnightS)
    this.mainsC = this.mains[day]
    this.enterMonth(MONTH_OF_DAY[day])
    while (this.nextEdgeS() < midnightS) this.stepEdge()
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS < midnightS) this.nextDraw++
    this.readClock(((this.study.site.firstWeekday + day) % 7) * 1440)
  }

  private heldKj(): number {
    return this.plant.heldKj() + this.network.heldKj()
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
      this.step(Math.min(endS - this.nowS, longestStepS))
      seen?.()
    }
  }

  private passEdge(): void {
    this.payStandby()
    const minute = this.edges[this.edge]
    const day = Math.round((this.weekStartS + minute * 60) / DAY_S)
    if (minute % 1440 === 0 && day < DAYS) {
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

  /** Electricity of controls and of the loop's pump since the last edge; neither they nor the price change in between. */
  private payStandby(): void {
    const kw = this.standbyKw + (this.pumping ? this.study.pipes.loop!.pumpW / 1000 : 0)
    const kj = kw * (this.nowS - this.paidS)
    this.paidS = this.nowS
    if (kj > 0) this.ledger.buy('electricity', kj, 0)
  }

  private readClock(minuteOfWeek: number): void {
    this.plant.atMinute(minuteOfWeek)
    const { loop } = controlsOf(this.study)
    this.pumping =
      this.network.hasLoop && (loop.mode === 'always' || (loop.mode === 'clock' && isOn(loop.windows, minuteOfWeek)))
    for (const c of CARRIERS) {
      const tariff = this.study.prices.carriers[c]
      if (tariff) this.ledger.prices[c] = priceAt(tariff, minuteOfWeek)
    }
  }

  private step(longestS: number): void {
    const { network, plant, mainsC, active } = this
    this.openTaps()
    let dt = Math.min(longestS, this.nextEdgeS() - this.nowS)
    if (this.nextDraw < this.draws.length) dt = Math.min(dt, this.draws[this.nextDraw].startS - this.nowS)

    network.still()
    let tapLMin = 0
    for (const d of active) {
      d.plan(this.nowS, mainsC)
      tapLMin += d.hotLMin
      network.openTap(d.tapIndex, d.hotLMin)
    }
    const loop = this.pumping ? this.study.pipes.loop! : null
    const loopLMin = loop ? loop.pumpLMin : 0
    if (loop) {
      network.pump(loopLMin)
      dt = Math.min(dt, LOOP_STEP_S)
    }
    for (const d of active) dt = Math.min(dt, d.limit(this.nowS, mainsC, active.length > 1))
    const totalLMin = tapLMin + loopLMin
    dt = Math.max(1e-3, Math.min(dt, plant.longestStep(totalLMin)))

    if (totalLMin > 0) this.moveWater(tapLMin, loopLMin, dt)
    plant.advance(dt)
    this.nowS += dt
    this.lookAtHygiene(dt)
  }

  private openTaps(): void {
    while (this.nextDraw < this.draws.length && this.draws[this.nextDraw].startS <= this.nowS + 1e-6) {
      const draw = this.draws[this.nextDraw++]
      const index = this.tapIndex.get(draw.tapId)!
      // Cold water will do: nothing hot is drawn.
      if (draw.wantedC <= this.mainsC + 0.5) continue
      const path = this.network.paths[index].map((i) => this.network.branches[i])
      this.active.push(new TapDraw(draw, this.study.pipes.taps[index], index, path))
    }
  }

  private moveWater(tapLMin: number, loopLMin: number, dt: number): void {
    const { network, plant, ledger, mainsC } = this
    const tapLitres = (tapLMin * dt) / 60
    this.supply.clear()
    plant.supply(tapLitres, (loopLMin * dt) / 60, mainsC, dt, this.supply)
    network.pass(this.supply, tapLMin + loopLMin, this.nowS, dt)
    for (const d of this.active) {
      const path = network.paths[d.tapIndex]
      const last = network.branches[path[path.length - 1]]
      d.receive(last.out, d.hotLMin / last.flowLMin, mainsC, ledger)
    }
    plant.refill(tapLitres, mainsC, loopLMin > 0 ? network.loopReturn.out : null)
    for (let i = this.active.length - 1; i >= 0; i--)
      if (this.active[i].done) {
        this.records.push(this.active[i].record)
        this.active.splice(i, 1)
      }
  }

  private lookAtHygiene(dt: number): void {
    this.hygieneDueS -= dt
    if (this.hygieneDueS > 0) return
    const span = this.nowS - this.hygieneFromS
    const coolest = this.plant.coolestC()
    if (coolest !== null) this.hygiene.store(this.plant.shareBetween(TEPID_C.low, TEPID_C.high), coolest, span)
    if (this.network.hasLoop) this.hygiene.loop(this.network.returnC(this.nowS), this.pumping, span)
    this.hygiene.pass(this.nowS, span)
    this.hygieneFromS = this.nowS
    this.hygieneDueS = HYGIENE_STEP_S
  }

  private enterMonth(month: number): void {
    this.ledger.month = month
    this.plant.setMonth(month)
    this.network.settle(this.nowS, month, () => {})
  }

  /** Enters what pipes and plant have lost and how much heat is stored, at the end of a month or of the year. */
  closeMonth(): void {
    this.payStandby()
    const { ledger } = this
    const heating = this.study.site.heatingMonths[ledger.month]
    this.plant.settle(ledger, heating)
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
