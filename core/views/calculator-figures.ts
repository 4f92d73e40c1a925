import type { Calculator } from '../calculators/calculator'
import type { FieldName } from '../calculators/fields'
import { perKwh, waterPerM3 } from '../money/tariff'
import { carrierOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import type { YearResult } from '../year/result'

/**
 * What a household already says of the fields of a bench sum, so that nothing known is typed again.
 * @param year the year of the household as set; null while there is none
 */
export function sumFigures(sum: Calculator, study: Study, year: YearResult | null): Partial<Record<FieldName, number>> {
  const carrier = study.plant.heaters.map(carrierOf).find((c) => study.prices.carriers[c])
  const tariff = carrier && study.prices.carriers[carrier]
  const useful = year && Math.round(year.energy.usefulKwh)
  const known: Partial<Record<FieldName, number | null>> = {
    usefulKwhYear: useful || null,
    priceKwh: tariff && perKwh(tariff),
    waterPriceM3: waterPerM3(study.prices.water),
    altitudeM: study.site.altitudeM,
  }
  return Object.fromEntries(
    Object.entries(known).filter(([field, value]) => field in sum.input.shape && typeof value === 'number'),
  )
}
