import { z } from 'zod'

/** What energy is bought as. */
export const CARRIERS = ['natural-gas', 'propane', 'heating-oil', 'electricity'] as const
export const Carrier = z.enum(CARRIERS)
export type Carrier = z.infer<typeof Carrier>

export const CARRIER_NAMES: Record<Carrier, string> = {
  'natural-gas': 'Natural gas',
  propane: 'Propane',
  'heating-oil': 'Heating oil',
  electricity: 'Electricity',
}
