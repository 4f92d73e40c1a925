import { perKwh } from '../money/tariff'
import type { Study } from '../study/study'

/** Money and carbon dioxide of a kWh of heat. */
export interface HeatPrice {
  perKwh: number
  co2KgKwh: number
}

/** Of a kWh of heat into the rooms. @throws RangeError where what heats the house has no price */
export function heatingOf({ site, prices }: Pick<Study, 'site' | 'prices'>): HeatPrice {
  const tariff = prices.carriers[site.heating.carrier]
  if (!tariff) throw new RangeError(`there is no price for ${site.heating.carrier}`)
  return { perKwh: perKwh(tariff) / site.heating.efficiency, co2KgKwh: tariff.co2KgKwh / site.heating.efficiency }
}

/** Of a kWh of heat taken out of the rooms; nothing where the house is not cooled. */
export function coolingOf({ site, prices }: Pick<Study, 'site' | 'prices'>): HeatPrice {
  const tariff = prices.carriers.electricity
  if (!site.cooling || !tariff) return { perKwh: 0, co2KgKwh: 0 }
  return { perKwh: perKwh(tariff) / site.cooling.efficiency, co2KgKwh: tariff.co2KgKwh / site.cooling.efficiency }
}
