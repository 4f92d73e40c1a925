import { type Place, TO_ROOMS } from '../../climate/places'
import { type Carrier, CARRIERS } from '../../money/carriers'

/** Whether the house is heated or cooled in a month. */
export interface Season {
  heating: boolean
  cooling: boolean
}

/** Where heat goes to or comes from. Each is kept for every month, kJ. */
export const FLOWS = [
  'useful',
  'deadLeg',
  'toWaste',
  'loop',
  'store',
  'primary',
  'conversion',
  'relief',
  'storedChange',
  'recovered',
  'renewable',
  'ambient',
] as const
export type Flow = (typeof FLOWS)[number]

/** Flows that bring heat in besides what is bought. */
export const COMES_IN: readonly Flow[] = ['recovered', 'renewable', 'ambient']

/** Litres kept for every month. */
const WATERS = ['hot', 'mixed', 'toWaste', 'relief', 'warmCold'] as const
type WaterKind = (typeof WATERS)[number]

const twelve = () => new Float64Array(12)
const each = <K extends string>(keys: readonly K[]) =>
  Object.fromEntries(keys.map((k) => [k, twelve()])) as Record<K, Float64Array>

/** The account of a year: every kJ, every litre and all the money, month by month. */
export class Ledger {
  month = 0
  readonly flows = each(FLOWS)
  readonly inputs = each(CARRIERS)
  /** Of each carrier, what became no heat in the water: together they are the flow of conversion. */
  readonly losses = each(CARRIERS)
  readonly money = each(CARRIERS)
  /** The three of each carrier side by side: what is bought is entered some ten times a step. */
  private readonly of = Object.fromEntries(
    CARRIERS.map((c) => [c, { input: this.inputs[c], loss: this.losses[c], money: this.money[c] }]),
  ) as Record<Carrier, Record<'input' | 'loss' | 'money', Float64Array>>
  readonly waters = each(WATERS)
  /** Heat lost into heated rooms while the house is heated, kJ: a part of the losses, not a flow of its own. */
  readonly houseHeat = twelve()
  /** Heat lost into the same rooms while the house is cooled, kJ, less what heat pumps took out of them: taken out again. */
  readonly cooledHeat = twelve()
  /** Heat that heat pumps took out of heated rooms while the house is heated, kJ: bought again by the house's heating. */
  readonly roomHeat = twelve()
  /** Heat that the elements of heat pumps made, kJ. */
  readonly backupHeat = twelve()
  /** Money that electricity of its own would have brought. */
  readonly forgone = twelve()
  /** Money for a kWh given to the grid. */
  exportPrice = 0
  /** Money per kWh now. */
  readonly prices = Object.fromEntries(CARRIERS.map((c) => [c, 0])) as Record<Carrier, number>

  add(flow: Flow, kj: number): void {
    this.flows[flow][this.month] += kj
  }

  /** Energy bought, of which some becomes heat in the water; the rest is lost in conversion. */
  buy(carrier: Carrier, kj: number, heatKj: number): void {
    const { month } = this
    const { input, money, loss } = this.of[carrier]
    input[month] += kj
    money[month] += (kj / 3600) * this.prices[carrier]
    loss[month] += kj - heatKj
    this.flows.conversion[month] += kj - heatKj
  }

  /** Heat that was lost at a place; returns what of it came to rooms that are heated, kJ. */
  toRooms(place: Place, kj: number, { heating, cooling }: Season): number {
    const share = TO_ROOMS[place]
    if (share === 0) return 0
    if (heating) this.houseHeat[this.month] += share * kj
    if (cooling) this.cooledHeat[this.month] += share * kj
    return heating ? share * kj : 0
  }

  /** Heat that was taken out of the air of a place. */
  fromRooms(place: Place, kj: number, { heating, cooling }: Season): void {
    if (TO_ROOMS[place] < 1) return
    if (heating) this.roomHeat[this.month] += kj
    if (cooling) this.cooledHeat[this.month] -= kj
  }

  /** Electricity of the loop's pump or cable, kJ, and its money: it is spent at the loop; seconds of the pump, and its starts. */
  readonly pump = { kj: twelve(), money: twelve(), seconds: twelve(), starts: twelve() }
  /** Seconds in which the house was not heated because hot water went first. */
  readonly heatingLostS = twelve()

  loopPump(kj: number, seconds: number): void {
    this.pump.seconds[this.month] += seconds
    this.loopPower(kj, 0)
  }

  loopCable(kj: number): void {
    this.loopPower(kj, kj)
  }

  private loopPower(kj: number, heatKj: number): void {
    this.pump.kj[this.month] += kj
    this.pump.money[this.month] += (kj / 3600) * this.prices.electricity
    this.buy('electricity', kj, heatKj)
  }

  /** Electricity of an element that stands by a heat pump. */
  backup(kj: number): void {
    this.backupHeat[this.month] += kj
    this.buy('electricity', kj, kj)
  }

  /** Electricity that the house made itself and would have sold, kJ: it becomes heat, and what it would have brought is forgone. */
  ownPower(kj: number): void {
    this.add('renewable', kj)
    this.forgone[this.month] += (kj / 3600) * this.exportPrice
  }

  water(kind: WaterKind, litres: number): void {
    this.waters[kind][this.month] += litres
  }
}
