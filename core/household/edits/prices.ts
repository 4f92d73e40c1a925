import { MINUTES_A_DAY } from '../../calendar/clock'
import { everyDay } from '../../calendar/week'
import { everyMonth } from '../../calendar/year'
import { BILLED, type BillUnit, WATER_UNITS, type WaterUnit } from '../../money/billing'
import type { Carrier } from '../../money/carriers'
import { edited } from '../../study/edited'
import type { Study } from '../../study/study'

/** Money after a change of unit, to five digits: what a bill shows. */
const tidy = (money: number) => Number(money.toPrecision(5))

/**
 * The same prices billed by another unit: each is worth what it was.
 * @throws RangeError when a carrier is not billed by the unit
 */
export const billedBy = (study: Study, carrier: Carrier, unit: BillUnit): Study =>
  edited(study, ({ prices }) => {
    const kwhPerUnit = BILLED[carrier][unit]
    if (kwhPerUnit === undefined) throw new RangeError(`${carrier} is not billed by ${unit}`)
    const tariff = prices.carriers[carrier]
    if (!tariff) return
    const scale = kwhPerUnit / tariff.kwhPerUnit
    tariff.unit = unit
    tariff.kwhPerUnit = Number(kwhPerUnit.toPrecision(6))
    tariff.price = tidy(tariff.price * scale)
    for (const band of tariff.bands) band.price = tidy(band.price * scale)
  })

/** The same price of water billed by another unit. */
export const waterBilledBy = (study: Study, unit: WaterUnit): Study =>
  edited(study, ({ prices: { water } }) => {
    const scale = WATER_UNITS[unit].m3 / WATER_UNITS[water.unit].m3
    Object.assign(water, { unit, price: tidy(water.price * scale), sewer: tidy(water.sewer * scale) })
  })

/** The household in another currency: the price book was in the one before. Energy and water are as they were typed. */
export const inCurrency = (study: Study, currency: string): Study =>
  edited(study, ({ prices, economics }) => {
    if (currency !== prices.currency) economics.book = {}
    prices.currency = currency
  })

/** A price for other hours, at all hours and of the same height until it is said. */
export const addBand = (study: Study, carrier: Carrier): Study =>
  edited(study, ({ prices }) => {
    const tariff = prices.carriers[carrier]
    tariff?.bands.push({
      name: 'Other hours',
      price: tariff.price,
      week: everyDay([0, MINUTES_A_DAY]),
      months: everyMonth(true),
    })
  })
