/** What energy is bought as. */
export const CARRIERS = [
  'natural-gas',
  'propane',
  'heating-oil',
  'electricity',
  'wood-logs',
  'pellets',
  'district-heat',
] as const
export type Carrier = (typeof CARRIERS)[number]

export const CARRIER_NAMES: Record<Carrier, string> = {
  'natural-gas': 'Natural gas',
  propane: 'Propane',
  'heating-oil': 'Heating oil',
  electricity: 'Electricity',
  'wood-logs': 'Logs',
  pellets: 'Pellets',
  'district-heat': 'District heat',
}

/**
 * Carbon dioxide of burning a fuel, kg for each kWh of gross value: 56.1, 63.1 and 74.1 t/TJ on net value (IPCC 2006), times
 * net over gross. What wood and electricity are charged with is the user's source's to say.
 */
export const CO2_KG_KWH = { 'natural-gas': 0.183, propane: 0.214, 'heating-oil': 0.25 } as const

/** Wood is sold, told and rated on net value in the trade, its stoves too; all else here is on gross value. */
export const countedOn = (carrier: Carrier): 'net' | 'gross' =>
  carrier === 'wood-logs' || carrier === 'pellets' ? 'net' : 'gross'

/**
 * Net over gross calorific value: what of the gross heat is there when the water in the flue gas stays vapour.
 * Natural gas 0.90, propane 0.92, oil 0.94 (usual engineering values, ±0.01). Wood is counted on net value throughout.
 */
export const NET_OVER_GROSS: Partial<Record<Carrier, number>> = {
  'natural-gas': 0.9,
  propane: 0.92,
  'heating-oil': 0.94,
}
