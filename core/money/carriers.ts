import { z } from 'zod'

/** What energy is bought as. */
export const CARRIERS = ['natural-gas', 'propane', 'heating-oil', 'electricity', 'wood-logs', 'pellets', 'district-heat'] as const
export const Carrier = z.enum(CARRIERS)
export type Carrier = z.infer<typeof Carrier>

export const CARRIER_NAMES: Record<Carrier, string> = {
  'natural-gas': 'Natural gas',
  propane: 'Propane',
  'heating-oil': 'Heating oil',
  electricity: 'Electricity',
  'wood-logs': 'Logs',
  pellets: 'Pellets',
  'district-heat': 'District heat',
}

/** What can burn in a gas or oil appliance, and what in a fire. */
export const BurnerFuel = z.enum(['natural-gas', 'propane', 'heating-oil'])
export const FireFuel = z.enum(['wood-logs', 'pellets'])

/**
 * Net over gross calorific value: what of the gross heat is there when the water in the flue gas stays vapour.
 * Natural gas 0.90, propane 0.92, oil 0.94, wood at 20 % moisture 0.92 (usual engineering values, ±0.01).
 */
export const NET_OVER_GROSS: Partial<Record<Carrier, number>> = { 'natural-gas': 0.9, propane: 0.92, 'heating-oil': 0.94, 'wood-logs': 0.92, pellets: 0.92 }
