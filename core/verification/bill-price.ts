import { DAYS } from '../calendar/year'
import { BILL_UNITS } from '../money/billing'
import { edited } from '../study/edited'
import type { Meter } from '../study/meters'
import type { Study } from '../study/study'
import type { BillParts } from './bills'

/** A price of a bill and of the study lie apart from this share on. */
const APART_SHARE = 0.05

/** A price of a bill and that of the study, money for a unit as the study has it. */
export interface PriceByBill {
  bill: number
  study: number
  unit: string
  apart: boolean
}

/** What a bill says of the price of the study; null: it has no price, or that of the study differs by the hour, or it is water. */
export function priceByBill(study: Study, meter: Meter, { perUnit }: BillParts): PriceByBill | null {
  const tariff = meter.of === 'water' ? undefined : study.prices.carriers[meter.of]
  if (!tariff || perUnit === null || tariff.bands.length > 0) return null
  const bill = (perUnit / meter.perUnit) * tariff.kwhPerUnit
  const apart = Math.abs(bill - tariff.price) > APART_SHARE * Math.max(bill, tariff.price)
  return { bill, study: tariff.price, unit: BILL_UNITS[tariff.unit], apart }
}

/** The study with the price and the standing charge of a bill, as of its last day; as it was where the bill has no price. */
export function withBillPrice(study: Study, meter: Meter, parts: BillParts): Study {
  const price = priceByBill(study, meter, parts)
  if (!price) return study
  return edited(study, (s) => {
    const tariff = s.prices.carriers[meter.of as Exclude<Meter['of'], 'water'>]!
    tariff.price = price.bill
    tariff.standingPerYear = DAYS * parts.standingPerDay
    tariff.source = `Bill of ${parts.bill.from} to ${parts.bill.to}`
    tariff.asOf = parts.bill.to
  })
}
