import { type Carrier, CARRIER_NAMES } from '../../money/carriers'
import type { Cost } from '../result'

/** A part of the year's money; what is earned is negative. */
export interface MoneyRow {
  name: string
  money: number
}

/** The parts of the year's money in the order of a bill, each that is not nought; they add up to the total. */
export function moneyRows(cost: Cost): MoneyRow[] {
  const bought = Object.entries(cost.energy).map(([c, money]) => ({ name: CARRIER_NAMES[c as Carrier], money }))
  const besides: MoneyRow[] = [
    { name: 'Standing charges', money: cost.standing },
    { name: 'Space heating displaced', money: -cost.houseHeatCredit },
    { name: 'Space heating, replacing room heat', money: cost.roomHeatCharge },
    { name: 'Space cooling, for losses to cooled rooms', money: cost.coolingCharge },
    { name: 'Export forgone', money: cost.exportForgone },
    { name: 'Water and sewer', money: cost.water },
  ]
  return [...bought, ...besides.filter((r) => r.money !== 0)]
}
