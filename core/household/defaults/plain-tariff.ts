import type { BillUnit } from '../../money/billing'
import { Tariff } from '../../study/prices'

/** A tariff by the kWh, without bands. */
export function plainTariff(perKwh: number, co2KgKwh: number): Tariff {
  const unit: BillUnit = 'kwh'
  return {
    unit,
    kwhPerUnit: 1,
    price: perKwh,
    bands: [],
    standingPerYear: 0,
    exportPerKwh: null,
    co2KgKwh,
    source: '',
    asOf: null,
  }
}
