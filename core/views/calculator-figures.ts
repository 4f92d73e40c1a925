import type { Calculator } from '../calculators/calculator'
import type { FieldName } from '../calculators/fields'
import { DAYS } from '../calendar/year'
import { perKwh, waterPerM3 } from '../money/tariff'
import { carrierOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'

/** What a year of it comes to; with heat that nobody is billed for a bill says nothing of the losses. */
function ofYear({ energy, cost }: YearResult): Partial<Record<FieldName, number | null>> {
  const inputKwh = Object.values(energy.inputKwh).reduce((s, kwh) => s + kwh, 0)
  const { conversionKwh, ambientKwh, renewableKwh, usefulKwh, storedChangeKwh, recoveredKwh } = energy
  const madeKwh = inputKwh - conversionKwh + ambientKwh
  const billed = inputKwh > 0 && renewableKwh <= 0
  return {
    nowCostYear: Math.round(Object.values(cost.energy).reduce((s, money) => s + money, 0)),
    ...(billed
      ? {
          efficiency: Math.round((1000 * madeKwh) / inputKwh) / 1000,
          lossW: Math.round((1000 * Math.max(0, madeKwh + recoveredKwh - usefulKwh - storedChangeKwh)) / (DAYS * 24)),
        }
      : {}),
  }
}

/**
 * What a household already says of the fields of a bench sum, so that nothing known is typed again.
 * @param year the year of the household as set; null while there is none
 */
export function sumFigures(sum: Calculator, study: Study, year: YearResult | null): Partial<Record<FieldName, number>> {
  // What takes its heat from the air runs on electricity, whatever the house burns now.
  const carrier =
    sum.example.heatsBy === 'heat-from-air'
      ? 'electricity'
      : study.plant.heaters.map(carrierOf).find((c) => study.prices.carriers[c])
  const tariff = carrier && study.prices.carriers[carrier]
  const useful = year && Math.round(year.energy.usefulKwh)
  const known: Partial<Record<FieldName, number | null>> = {
    usefulKwhYear: useful || null,
    ...(year ? ofYear(year) : {}),
    priceKwh: tariff && perKwh(tariff),
    waterPriceM3: waterPerM3(study.prices.water),
    altitudeM: study.site.altitudeM,
  }
  return Object.fromEntries(
    Object.entries(known).filter(([field, value]) => field in sum.input.shape && typeof value === 'number'),
  )
}
