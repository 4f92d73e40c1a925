import type { Meter } from '../study/meters'
import type { Study } from '../study/study'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { priceByBill } from '../verification/bill-price'
import { type BillChange, type BillParts, billsOf } from '../verification/bills'
import { plausible } from '../verification/plausible'

const COINS = { unit: 'money', decimals: 3 } as const

/** What a unit of a bill came to, without what is due in any case. */
export const unitPriceText = ({ perUnit }: BillParts, meter: Meter, write: Display): string =>
  perUnit === null ? 'not known' : `${write.value(COINS, perUnit)}/${meter.unit}`

/** Why a day costs more or less than it did, part by part. */
export function changeText({ from, sameSeason, total, use, price, standing }: BillChange, write: Display): string {
  const day = (x: number) => write.moneyChange(Number(x.toFixed(2)))
  return `Against the bill from ${writeDay(from.from, write.system)}: ${day(total)} a day, of it ${day(use)} by use, ${day(price)} by price, ${day(standing)} standing charge.${sameSeason ? '' : ' Another season: the weather is in the use.'}`
}

/** What stands against a bill: a guess, a period that cannot be, a price that the study does not have. */
export function billDoubts(study: Study, meter: Meter, parts: BillParts, write: Display): string[] {
  const { units, read, guessed, days, bill } = parts
  const { hoursADay, verdict } =
    units === null ? { hoursADay: null, verdict: null } : plausible(study, meter, units * meter.perUnit, days)
  const hours =
    hoursADay === null ? '' : `${hoursADay < 1 ? hoursADay.toFixed(1) : Math.round(hoursADay)} h a day at full output`
  const price = priceByBill(study, meter, parts)
  const amount = (x: number) => write.value({ unit: meter.unit, decimals: 0 }, x)
  const last = billsOf(study, meter).at(-1)?.bill.id === bill.id
  return [
    ...(units === null
      ? ['How much it is for is not known: enter the units billed, or read the meter on both days.']
      : []),
    ...(guessed
      ? [`Billed ${amount(units!)}, the meter counted ${amount(read!)}: the supplier estimated. Send in the reading.`]
      : []),
    ...(verdict === 'too much'
      ? [`It would take ${hours}: more than these heaters can burn. Wrong unit, period or carrier.`]
      : verdict === 'a year'
        ? [`It would take ${hours}: ask whether the amount is for a year.`]
        : verdict === 'a month'
          ? [`It takes ${hours}: ask whether the amount is for a month.`]
          : []),
    ...(price?.apart && last
      ? [
          `The study has ${write.value(COINS, price.study)}/${price.unit}, this bill ${write.value(COINS, price.bill)}/${price.unit}.`,
        ]
      : []),
  ]
}
